using System.Globalization;
using Coppia.Core.Drills;
using Coppia.Core.Logbook;
using Coppia.Core.Wording.Drills;
using Coppia.Core.Wording.Terms;

namespace Coppia.Core.Wording.Logbook;

/// <summary>What the logbook tells a teacher: of the work, never of the child (craft 15 and 22).</summary>
public static class LogWords
{
    /// <summary>A habit as the heading of those who have it: "Low, regular or high finger".</summary>
    public static string Habit(MistakeKind kind) =>
        kind switch
        {
            MistakeKind.ForgotSignature => "The key signature",
            MistakeKind.ForgotAccidental => "A sign that holds through the bar",
            MistakeKind.OneStep => "Line or space: one step off",
            MistakeKind.WrongEnd => "Lines counted from the top",
            MistakeKind.OtherClef => "Read in another clef",
            MistakeKind.WrongOctave => "The right letter in another octave",
            MistakeKind.LowHigh => "Low, regular or high finger",
            MistakeKind.OtherInstrument => "Another instrument’s finger",
            MistakeKind.NeighbourString => "The right finger on the next string",
            _ => English.Sentence(RoundWords.LookAt(kind)).TrimEnd('.'),
        };

    /// <summary>What helps: the sentence that a learner is told at the end of a round.</summary>
    public static string Helps(MistakeKind kind) => English.Sentence(RoundWords.LookAt(kind));

    /// <summary>How a card is asked.</summary>
    public static string Kind(CardKind kind) =>
        kind switch
        {
            CardKind.NoteToName => "name",
            CardKind.NoteToPair => "finger",
            CardKind.PairToNote => "staff",
            CardKind.NameToPlace => "place",
            _ => throw new ArgumentOutOfRangeException(nameof(kind), kind, null),
        };

    /// <summary>Why a learner may be asked, as a sentence.</summary>
    /// <param name="tune">Title of the tune that it is about, or null.</param>
    public static string Why(AskWhy why, string? tune) =>
        why.Reason switch
        {
            AskReason.Hurts => $"On {Day(why.Since!.Value)}: “Something hurts when I play.” Stop and rest first; "
                + "lasting pain is for a doctor.",
            AskReason.WantsHelp =>
                $"Asked for help{(tune is null ? "" : $" with “{tune}”")} on {Day(why.Since!.Value)}.",
            AskReason.NoMinutes => $"No minutes have come since {Day(why.Since!.Value)}.",
            AskReason.FewerMinutes =>
                $"{English.Several(why.Amount, "minute")} fewer in the last seven days than usual.",
            AskReason.Habit => $"{Habit(why.Habit!.Kind)}, {English.Number(why.Habit.Times)} times in four weeks.",
            AskReason.Overdue => why.Amount == 1
                ? $"{(tune is null ? "One thing" : $"“{tune}”")} was due on {Day(why.Since!.Value)}."
                : $"{English.Capital(English.Number(why.Amount))} things are past their day.",
            AskReason.Mend => "The instrument or bow needs mending.",
            AskReason.NoTime => "Had no time in the last weeks.",
            _ => throw new ArgumentOutOfRangeException(nameof(why), why, null),
        };

    /// <summary>That no minutes came, without blame.</summary>
    /// <param name="last">The last day with minutes; null where none came in the weeks that are shown.</param>
    public static string Quiet(DateOnly? last) => last is { } day ? $"last on {Day(day)}" : "none in eight weeks";

    /// <summary>"60 of 80"; what was told of a tune that is past its day.</summary>
    /// <param name="best">Quarters a minute; null where none was told.</param>
    /// <param name="goal">What is asked for; null where nothing is.</param>
    public static string Reached(int? best, int? goal) =>
        (best, goal) switch
        {
            ({ } at, { } to) => $"{at} of {to}",
            ({ } at, null) => $"at {at}",
            _ => "",
        };

    /// <summary>"Mon, Nov 16".</summary>
    public static string Day(DateOnly day) => day.ToString("ddd, MMM d", CultureInfo.InvariantCulture);
}
