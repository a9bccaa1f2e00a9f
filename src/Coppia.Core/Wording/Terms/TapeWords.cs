using Coppia.Core.Instruments;

namespace Coppia.Core.Wording.Terms;

/// <summary>Where a place lies, told by a beginner's tapes (craft 4).</summary>
public static class TapeWords
{
    /// <summary>
    /// "on tape 1", "between the nut and tape 1", "a half step past tape 3"; "the open string" for 0.
    /// </summary>
    public static string Of(int semitones, IReadOnlyList<Tape> tapes)
    {
        if (semitones == 0)
            return "the open string";
        if (tapes.FirstOrDefault(t => t.Semitones == semitones) is { } on)
            return $"on {on.Name}";
        var below = tapes.Where(t => t.Semitones < semitones).MaxBy(t => t.Semitones);
        var above = tapes.Where(t => t.Semitones > semitones).MinBy(t => t.Semitones);
        return (below, above) switch
        {
            (null, null) => $"{HalfSteps(semitones)} from the nut",
            ({ } last, null) => $"{HalfSteps(semitones - last.Semitones)} past {last.Name}",
            (null, { } first) => $"between the nut and {first.Name}{(semitones == 1 ? ", against the nut" : "")}",
            ({ } lower, { } upper) => $"between {lower.Name} and {upper.Name}{Touching(semitones, lower, upper)}",
        };
    }

    private static string Touching(int semitones, Tape lower, Tape upper) =>
        semitones - lower.Semitones == 1 ? $", touching {lower.Name}"
        : upper.Semitones - semitones == 1 ? $", touching {upper.Name}"
        : "";

    private static string HalfSteps(int count) =>
        count switch
        {
            1 => "a half step",
            2 => "a whole step",
            _ => $"{English.Number(count)} half steps",
        };
}
