using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Wording.Classes;
using Coppia.Core.Wording.Terms;
using Coppia.Data.Classes;
using Coppia.Formats.Records;
using Coppia.Server.Asked;
using Coppia.Server.Room;
using Coppia.Server.Stand;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Classes;

/// <summary>A thing to tick.</summary>
/// <param name="Thing">The line by which records name it.</param>
/// <param name="Name">What it is called.</param>
/// <param name="Short">What a small button bears.</param>
public sealed record TickView(string Thing, string Name, string Short, bool Known)
{
    internal static TickView Of(KnownThing thing, string name, string shortly, ClassKnowledge known) =>
        new(ThingText.Of(thing), name, shortly, known.Knows(thing));
}

/// <summary>A place on a string, with the notes that are read for it.</summary>
public sealed record PlanSpotView(int Semitones, IReadOnlyList<PlanNoteView> Notes);

/// <param name="Sign">The finger, as the house style prints it; 0 for the open string.</param>
public sealed record PlanNoteView(string Thing, string Name, string Sign, bool Known);

/// <summary>
/// The plan of one section: its fingerboard, lowest string first, its fingers' places and its positions.
/// </summary>
/// <param name="Plays">What it can play, string by string.</param>
public sealed record SectionPlan(
    InstrumentView Instrument,
    IReadOnlyList<IReadOnlyList<PlanSpotView>> Board,
    IReadOnlyList<TickView> Fingers,
    IReadOnlyList<TickView> Positions,
    IReadOnlyList<string> Plays
)
{
    internal static SectionPlan Of(Player player)
    {
        var (instrument, known, style) = (player.Instrument, player.Known, player.Style);
        return new SectionPlan(
            InstrumentView.Of(player),
            [.. TeachingPlan.Board(instrument, known).Select(s => SpotsOf(s, player))],
            [.. TeachingPlan.Fingers(instrument, known).Select(f => TickOf(f, player))],
            [
                .. TeachingPlan
                    .Positions(instrument)
                    .Select(p => TickView.Of(p, ThingWords.Name(p, style), p.Position, known)),
            ],
            PlanWords.Strings(player)
        );
    }

    private static IReadOnlyList<PlanSpotView> SpotsOf(IEnumerable<PlanSpot> spots, Player player) =>
        [
            .. spots.Select(s => new PlanSpotView(
                s.Semitones,
                [
                    .. s.Notes.Select(n => new PlanNoteView(
                        ThingText.Of(n.Note),
                        Labels.Note(n.Note.Pitch, player.Style),
                        Labels.FingerSign(n.Way.Pair, player.Style),
                        player.Known.Knows(n.Note)
                    )),
                ]
            )),
        ];

    private static TickView TickOf(KnownFinger finger, Player player)
    {
        var place = finger.Place;
        var sign = Labels.FingerSign(new Pair(0, place.Finger, place.Word, place.Reach), player.Style);
        return TickView.Of(finger, ThingWords.Finger(place), sign, player.Known);
    }
}

/// <summary>Things that all of a class learn together.</summary>
public sealed record PlanPartView(PlanPart Part, string Name, IReadOnlyList<TickView> Things);

/// <summary>One change of what a class knows.</summary>
/// <param name="Words">Why: "Started from rests and eighths", "Learned Harbour Lanterns".</param>
/// <param name="MadeBy">By whom; empty where nobody signs in.</param>
/// <param name="Added">What became known by it that was not known before, by name.</param>
/// <param name="Removed">What was known no more.</param>
/// <param name="TakenBack">It counts no more.</param>
public sealed record KnownChangeView(
    long Id,
    KnownCause Cause,
    string Words,
    long? TuneId,
    DateTime MadeAt,
    string MadeBy,
    bool TakenBack,
    IReadOnlyList<string> Added,
    IReadOnlyList<string> Removed
)
{
    /// <summary>The changes as they followed each other, the last first.</summary>
    internal static IReadOnlyList<KnownChangeView> Of(IReadOnlyList<KnownChangeRecord> changes, HouseStyle style)
    {
        var (known, views) = (new HashSet<string>(StringComparer.Ordinal), new List<KnownChangeView>());
        foreach (var change in changes)
        {
            var (added, removed) = (KnownRepository.Lines(change.Added), KnownRepository.Lines(change.Removed));
            views.Add(
                new KnownChangeView(
                    change.Id,
                    change.Cause,
                    KnownChangeWords.Of(change.Cause, change.About),
                    change.TuneId,
                    change.MadeAt,
                    change.MadeBy,
                    change.TakenBackAt is not null,
                    Names(added.Where(a => !known.Contains(a)), style),
                    Names(removed.Where(known.Contains), style)
                )
            );
            if (change.TakenBackAt is not null)
                continue;
            known.UnionWith(added);
            known.ExceptWith(removed);
        }

        views.Reverse();
        return views;
    }

    private static string[] Names(IEnumerable<string> lines, HouseStyle style) =>
        [.. ClassMemory.Things(lines).OrderBy(t => t.Kind).Select(t => ThingWords.Name(t, style)).Distinct()];
}

internal static class KnownChangeWords
{
    public static string Of(KnownCause cause, string about) =>
        cause switch
        {
            KnownCause.Stage => Say(
                "classes.known-views.started-from",
                ("what", Enum.TryParse<Stage>(about, out var stage) ? StageWords.Name(stage) : about)
            ),
            KnownCause.Tune => Say("classes.known-views.of-learned", ("about", about)),
            _ => Say("classes.known-views.ticked-by-hand"),
        };
}

/// <summary>Everything that a class may know, and does; and how it came to.</summary>
public sealed record PlanView(
    IReadOnlyList<SectionPlan> Sections,
    IReadOnlyList<PlanPartView> Shared,
    IReadOnlyList<KnownChangeView> Changes,
    int Version
);

/// <summary>Things to tick and to untick, by their lines.</summary>
public sealed record TickRequest(IReadOnlyList<string> Add, IReadOnlyList<string> Remove);

/// <summary>The stage that a class starts from.</summary>
public sealed record StartRequest(Stage Stage);

/// <summary>A tune that a class has learned.</summary>
/// <param name="Not">Lines of what it does not know yet all the same.</param>
public sealed record LearnedRequest(long TuneId, IReadOnlyList<string> Not);

/// <summary>What one section would come to know by a tune.</summary>
/// <param name="Instrument">Its id; null for what all learn together.</param>
public sealed record SectionNews(string? Instrument, string Name, IReadOnlyList<NewThingView> Things);

/// <summary>What a class would come to know by a tune, section by section.</summary>
/// <param name="LearnedAt">When it was marked learned, where it counts.</param>
public sealed record LearningView(
    long TuneId,
    string Title,
    int Count,
    IReadOnlyList<SectionNews> Sections,
    DateTime? LearnedAt,
    long? ChangeId
);
