using Coppia.Core.Wording;

namespace Coppia.Core.Instruments;

/// <summary>Where places lie on a real fingerboard, in millimetres and relative to a beginner's tapes (handbook 2 and 4).</summary>
public static class Tapes
{
    /// <summary>Distance of a place from the nut, in the unit of <paramref name="stringLength"/>: L · (1 − 2^(−n/12)), equal temperament (handbook 2).</summary>
    /// <param name="stringLength">Vibrating length, above 0.</param>
    /// <param name="semitones">0 to 24.</param>
    public static double Distance(double stringLength, int semitones) => stringLength * (1 - Math.Pow(2, -semitones / 12.0));

    /// <summary>"on tape 1", "between the nut and tape 1", "a half step past tape 3"; "the open string" for 0.</summary>
    public static string Words(int semitones, IReadOnlyList<Tape> tapes)
    {
        if (semitones == 0)
            return "the open string";
        var below = tapes.Where(t => t.Semitones < semitones).OrderBy(t => t.Semitones).LastOrDefault();
        var above = tapes.Where(t => t.Semitones > semitones).OrderBy(t => t.Semitones).FirstOrDefault();
        var on = tapes.FirstOrDefault(t => t.Semitones == semitones);
        if (on.Name is not null)
            return $"on {on.Name}";
        if (above.Name is null)
            return below.Name is null
                ? $"{HalfSteps(semitones)} from the nut"
                : $"{HalfSteps(semitones - below.Semitones)} past {below.Name}";
        if (below.Name is null)
            return semitones == 1 ? $"between the nut and {above.Name}, against the nut" : $"between the nut and {above.Name}";
        var touching =
            semitones - below.Semitones == 1 ? $", touching {ShortName(below)}"
            : above.Semitones - semitones == 1 ? $", touching {ShortName(above)}"
            : "";
        return $"between {below.Name} and {above.Name}{touching}";
    }

    private static string ShortName(Tape tape) => tape.Name;

    private static string HalfSteps(int count) =>
        count switch
        {
            1 => "a half step",
            2 => "a whole step",
            _ => $"{English.Number(count)} half steps",
        };
}
