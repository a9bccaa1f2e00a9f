using Coppia.Core.Exercises;
using Coppia.Core.Knowledge;
using Coppia.Core.Reading;
using Coppia.Core.Wording.Exercises;
using Coppia.Core.Wording.Stand;
using Coppia.Core.Wording.Terms;
using Coppia.Data.Stand;
using Coppia.Server.Asked;
using Coppia.Server.Stand;

namespace Coppia.Server.Tunes;

/// <summary>How a tune fits a class: how hard it is for the section that has the most to learn by it.</summary>
/// <param name="Count">New things for that section to learn.</param>
/// <param name="Weight">What they and its hardest step weigh together.</param>
/// <param name="Words">"one new thing".</param>
/// <param name="Parts">How hard it is, told in parts, and for whom, where others have less to learn.</param>
/// <param name="Care">What to look after before a hand is opened wide; null where none is.</param>
/// <param name="New">The new things by name, what all learn first, then section by section.</param>
public sealed record TuneFit(
    int Count,
    int Weight,
    Reach Reach,
    string Words,
    string Parts,
    string? Care,
    IReadOnlyList<string> New
);

/// <summary>How far a long work has come.</summary>
public sealed record Working(int Done, int Of);

/// <summary>
/// How tunes fit classes. What a tune contains for a hand is worked out once and remembered; what a class then learns
/// of values, signs and notes costs a look at its list. A library that was never looked at is worked through in slices,
/// and each answer tells how far.
/// </summary>
internal sealed class TuneFits(Asker asker, Readings readings, TuneMarks marks, HeldMemory held)
{
    /// <summary>So long one answer may work on what is not known yet.</summary>
    private static readonly TimeSpan Slice = TimeSpan.FromMilliseconds(600);

    /// <summary>
    /// For each tune how it fits the class of this request; those that there was no time for, or that cannot be read,
    /// are missing.
    /// </summary>
    public (IReadOnlyDictionary<long, TuneFit> Fits, Working? Working) Of(IReadOnlyList<(long Id, int Version)> tunes)
    {
        var fits = new Dictionary<long, TuneFit>();
        if (asker.ClassIfAny is null)
            return (fits, null);
        var (style, known) = (asker.Style, asker.Known);
        Player[] players = [.. asker.Section.Select(i => new Player(i, style, known))];
        if (players.Length == 0)
            return (fits, null);
        var set = marks.All();
        var until = TimeProvider.System.GetTimestamp();
        var done = 0;
        foreach (var tune in tunes)
        {
            asker.Gone.ThrowIfCancellationRequested();
            var inTime = TimeProvider.System.GetElapsedTime(until) < Slice;
            var marked = set.GetValueOrDefault(tune.Id, "");
            var contents = players
                .Select(p =>
                    Contents(
                        tune,
                        p,
                        $"{p.Instrument.Id} {readings.HandsKey(tune.Id, p)} {asker.StyleKey} {marked}",
                        inTime
                    )
                )
                .ToArray();
            if (contents.Any(c => c is null))
                continue;
            done++;
            if (contents.All(c => c!.Met.Count > 0))
                fits[tune.Id] = FitOf(players, contents!, known);
        }

        return (fits, done < tunes.Count ? new Working(done, tunes.Count) : null);
    }

    /// <summary>What a tune holds; null where it is not known and there is no time.</summary>
    private Held? Contents((long Id, int Version) tune, Player player, string hand, bool inTime)
    {
        var key = (tune.Id, tune.Version, hand);
        if (held.Find(key) is { } known)
            return known;
        if (!inTime)
            return null;
        var found = new Held([], 0);
        if (readings.Readable(tune.Id) is { } kept)
        {
            var line = kept.For(player.Instrument.Id);
            // Which notes they are is not asked here, and would fill the memory.
            found = new Held(
                [.. readings.ContentsOf(line, player).Select(m => m with { NoteIds = [] })],
                HowHard.HardestStepOf(readings.Of(line, player))
            );
        }

        return held.Keep(key, found);
    }

    private static TuneFit FitOf(Player[] players, Held[] contents, ClassKnowledge known)
    {
        News[] each = [.. contents.Select(c => News.In(c.Met, known))];
        HowHard[] hard = [.. each.Zip(contents, (news, held) => HowHard.Of(news, held.HardestStep))];
        // All figures are those of one section: the one that has the most to learn.
        var most = hard.MaxBy(h => (h.Count, h.Weight))!;
        var who = players.Where((_, i) => (hard[i].Count, hard[i].Weight) == (most.Count, most.Weight)).ToArray();
        var parts = NewsWords.Parts(most);
        return new TuneFit(
            most.Count,
            most.Weight,
            most.Reach,
            NewsWords.Count(most),
            who.Length == players.Length ? parts : $"{Together(who.Select(p => p.Instrument.Name))}: {parts}",
            each.SelectMany(n => n.Of)
                .Any(n => n.Thing is KnownFinger { Place: { IsStretch: true } or { Reach: true } })
                ? ExerciseWords.Care(ExerciseKind.Stretch)
                : null,
            Named(players, each)
        );
    }

    /// <summary>
    /// The new things of all sections by name: what all learn first, then what each does; those that meet the same are
    /// told together, and each of them once: "Violin and viola: A with the first finger on G and low second finger (F
    /// on D)".
    /// </summary>
    internal static IReadOnlyList<string> Named(IReadOnlyList<Player> players, IReadOnlyList<News> each)
    {
        var shared = each.SelectMany(n => n.Of).Where(n => n.Thing.InstrumentId is null).DistinctBy(n => n.Thing);
        var words = new NewsWords(players[0].Style);
        return
        [
            .. shared.Select(words.Name),
            .. players
                .Zip(each)
                .SelectMany(s =>
                    s.Second.Of.Where(n => n.Thing.InstrumentId is not null)
                        .Select(n => (Who: s.First, What: words.Named(n)))
                )
                .GroupBy(n => n.What, n => n.Who.Instrument.Name)
                .Select(g => (Who: Together(g), What: g.Key))
                .GroupBy(n => n.Who, n => n.What)
                .Select(g => $"{g.Key}: {English.List([.. g])}"),
        ];
    }

    /// <summary>"Violin and viola".</summary>
    private static string Together(IEnumerable<string> instruments) =>
        English.Capital(English.List([.. instruments.Select(i => i.ToLowerInvariant())]));
}
