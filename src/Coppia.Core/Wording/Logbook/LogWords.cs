using System.Globalization;
using Coppia.Core.Drills;
using Coppia.Core.Logbook;
using Coppia.Core.Wording.Drills;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Logbook;

/// <summary>What the logbook tells a teacher: of the work, never of the child (craft 15 and 22).</summary>
public static class LogWords
{
    /// <summary>A habit as the heading of those who have it: "Low, regular or high finger".</summary>
    public static string Habit(MistakeKind kind) =>
        kind switch
        {
            MistakeKind.ForgotSignature => Say("logbook.log.the-key-signature"),
            MistakeKind.ForgotAccidental => Say("logbook.log.a-sign-that-holds-through-the-bar"),
            MistakeKind.OneStep => Say("logbook.log.line-or-space-one-step-off"),
            MistakeKind.WrongEnd => Say("logbook.log.lines-counted-from-the-top"),
            MistakeKind.OtherClef => Say("logbook.log.read-in-another-clef"),
            MistakeKind.WrongOctave => Say("logbook.log.the-right-letter-in-another-octave"),
            MistakeKind.LowHigh => Say("logbook.log.low-regular-or-high-finger"),
            MistakeKind.OtherInstrument => Say("logbook.log.another-instruments-finger"),
            MistakeKind.NeighbourString => Say("logbook.log.the-right-finger-on-the-next-string"),
            _ => English.Sentence(RoundWords.LookAt(kind)).TrimEnd('.'),
        };

    /// <summary>What helps: the sentence that a learner is told at the end of a round.</summary>
    public static string Helps(MistakeKind kind) => English.Sentence(RoundWords.LookAt(kind));

    /// <summary>How a card is asked.</summary>
    public static string Kind(CardKind kind) =>
        kind switch
        {
            CardKind.NoteToName => Say("logbook.log.name"),
            CardKind.NoteToPair => Say("logbook.log.finger"),
            CardKind.PairToNote => Say("logbook.log.staff"),
            CardKind.NameToPlace => Say("logbook.log.place"),
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, null),
        };

    /// <summary>Why a learner may be asked, as a sentence.</summary>
    /// <param name="tune">Title of the tune that it is about, or null.</param>
    public static string Why(AskWhy why, string? tune) =>
        why.Reason switch
        {
            AskReason.Hurts => Say("logbook.log.on-something-hurts-when-i-play-stop", ("day", Day(why.Since!.Value))),
            AskReason.WantsHelp => Say(
                "logbook.log.asked-for-help-on",
                ("what", tune is null ? "" : Say("logbook.log.why-with", ("tune", tune))),
                ("day", Day(why.Since!.Value))
            ),
            AskReason.NoMinutes => Say("logbook.log.no-minutes-have-come-since", ("day", Day(why.Since!.Value))),
            AskReason.FewerMinutes => Say("logbook.log.fewer-in-the-last-seven-days-than", ("amount", why.Amount)),
            AskReason.Habit => Say(
                "logbook.log.times-in-four-weeks",
                ("habit", Habit(why.Habit!.Kind)),
                ("times", why.Habit.Times)
            ),
            AskReason.Overdue => why.Amount == 1
                ? Say(
                    "logbook.log.was-due-on",
                    ("what", tune is null ? Say("logbook.log.one-thing") : $"“{tune}”"),
                    ("day", Day(why.Since!.Value))
                )
                : Say("logbook.log.things-are-past-their-day", ("amount", English.Capital(English.Number(why.Amount)))),
            AskReason.Mend => Say("logbook.log.the-instrument-or-bow-needs-mending"),
            AskReason.NoTime => Say("logbook.log.had-no-time-in-the-last-weeks"),
            _ => throw new ArgumentOutOfRangeException(nameof(why), why, null),
        };

    /// <summary>That no minutes came, without blame.</summary>
    /// <param name="last">The last day with minutes; null where none came in the weeks that are shown.</param>
    public static string Quiet(DateOnly? last) =>
        last is { } day ? Say("logbook.log.last-on", ("day", Day(day))) : Say("logbook.log.none-in-eight-weeks");

    /// <summary>"60 of 80"; what was told of a tune that is past its day.</summary>
    /// <param name="best">Quarters a minute; null where none was told.</param>
    /// <param name="goal">What is asked for; null where nothing is.</param>
    public static string Reached(int? best, int? goal) =>
        (best, goal) switch
        {
            ({ } at, { } to) => Say("logbook.log.reached-of", ("at", at), ("to", to)),
            ({ } at, null) => Say("logbook.log.reached-at", ("at", at)),
            _ => "",
        };

    /// <summary>"Mon, Nov 16".</summary>
    public static string Day(DateOnly day) => day.ToString("ddd, MMM d", CultureInfo.InvariantCulture);
}
