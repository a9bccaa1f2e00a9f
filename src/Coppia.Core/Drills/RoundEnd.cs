using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Drills;

/// <summary>The three grades in which a round is said to have gone (craft 14).</summary>
public enum RoundGrade
{
    All,
    Most,
    MorePractice,
}

/// <summary>A kind of mistake of a round.</summary>
/// <param name="First">The first of its kind.</param>
/// <param name="Clef">For steps that are a habit: the clef that the notes were read in, where it gives every one of
/// these answers.</param>
public sealed record Slip(MistakeKind Kind, int Times, Judgement First, Clef? Clef)
{
    /// <summary>One mistake of a kind is a slip; three are a habit (craft 14).</summary>
    public bool IsHabit => Times >= RoundEnd.HabitTimes;
}

/// <summary>How a round went.</summary>
/// <param name="Right">Questions answered rightly at once; what was asked after a mistake is not among them.</param>
/// <param name="Slips">The kinds of mistakes, the most frequent first.</param>
public sealed record RoundEnd(int Right, int Count, IReadOnlyList<Slip> Slips)
{
    public const int HabitTimes = 3;

    /// <summary>All, most (at least two of three, common practice), or more practice.</summary>
    public RoundGrade Grade =>
        Right == Count ? RoundGrade.All
        : Right * 3 >= Count * 2 ? RoundGrade.Most
        : RoundGrade.MorePractice;

    /// <param name="answers">What happened in each question of the round, in order.</param>
    /// <param name="shown">How many more were not answered but shown.</param>
    public static RoundEnd Of(IReadOnlyList<Judgement> answers, Player player, int shown = 0) =>
        new(
            answers.Count(a => a.IsRight),
            answers.Count + shown,
            [
                .. answers
                    .Where(a => !a.IsRight)
                    .GroupBy(a => a.Kind)
                    .Select(g => new Slip(g.Key, g.Count(), g.First(), ReadIn([.. g], player)))
                    .OrderByDescending(s => s.Times),
            ]
        );

    /// <summary>
    /// Reading alto clef as treble looks like one step too low each time: only the series tells.
    /// </summary>
    private static Clef? ReadIn(IReadOnlyList<Judgement> steps, Player player)
    {
        var own = player.Instrument.FirstClef;
        return steps.Count >= HabitTimes && steps[0].Kind == MistakeKind.OneStep
            ? Clef.All.FirstOrDefault(c =>
                c != own && steps.All(s => s is Diagnosis { Answered: { } a } d && Gives(c, d.Shown, a))
            )
            : null;

        bool Gives(Clef clef, Pitch shown, Pitch answered) =>
            clef.PitchAt(own.HeightOf(shown)).Letter == answered.Letter;
    }
}
