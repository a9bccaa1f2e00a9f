using Coppia.Core.Instruments;
using static Coppia.Core.Wording.Messages.Catalogue;

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
            return Say("terms.tape.the-open-string");
        if (tapes.FirstOrDefault(t => t.Semitones == semitones) is { } on)
            return Say("terms.tape.of-on", ("on", on.Name));
        var below = tapes.Where(t => t.Semitones < semitones).MaxBy(t => t.Semitones);
        var above = tapes.Where(t => t.Semitones > semitones).MinBy(t => t.Semitones);
        return (below, above) switch
        {
            (null, null) => Say("terms.tape.from-the-nut", ("halfSteps", HalfSteps(semitones))),
            ({ } last, null) => Say(
                "terms.tape.of-past",
                ("halfSteps", HalfSteps(semitones - last.Semitones)),
                ("last", last.Name)
            ),
            (null, { } first) => Say("terms.tape.between-the-nut-and", ("first", first.Name), ("semitones", semitones)),
            ({ } lower, { } upper) => Say(
                "terms.tape.between-and",
                ("lower", lower.Name),
                ("upper", upper.Name),
                ("touching", Touching(semitones, lower, upper))
            ),
        };
    }

    private static string Touching(int semitones, Tape lower, Tape upper) =>
        semitones - lower.Semitones == 1 ? Say("terms.tape.touching-touching", ("lower", lower.Name))
        : upper.Semitones - semitones == 1 ? Say("terms.tape.touching-touching-2", ("upper", upper.Name))
        : "";

    private static string HalfSteps(int count) =>
        count switch
        {
            1 => Say("terms.tape.a-half-step"),
            2 => Say("terms.tape.a-whole-step"),
            _ => Say("terms.tape.half-steps", ("count", count)),
        };
}
