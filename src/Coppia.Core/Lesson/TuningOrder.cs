using Coppia.Core.Instruments;
using Coppia.Core.Music;

namespace Coppia.Core.Lesson;

/// <summary>A string that is tuned, by all who have it at once.</summary>
/// <param name="Letter">The string.</param>
/// <param name="Instruments">Who tunes it.</param>
/// <param name="ByTheirOwn">Those whose strings lie otherwise, after the others.</param>
public sealed record TunedString(Letter Letter, IReadOnlyList<Instrument> Instruments, bool ByTheirOwn);

/// <summary>
/// The order in which a class tunes: A first, then D, G and the outer string; basses, whose strings lie a fourth apart,
/// by their own from the top (craft 21, common practice).
/// </summary>
public static class TuningOrder
{
    /// <summary>Strings a fifth apart.</summary>
    private const int Fifth = 7;

    private static readonly Letter[] First = [Letter.A, Letter.D, Letter.G];

    public static IReadOnlyList<TunedString> Of(IReadOnlyList<Instrument> instruments)
    {
        var together = instruments.Where(InFifths).ToArray();
        var strings = together.SelectMany(i => i.Strings.Select(s => s.Letter)).Distinct().ToArray();
        return
        [
            .. First
                .Where(strings.Contains)
                // Then the outer ones, the highest first.
                .Concat(strings.Except(First).OrderByDescending(l => together.Max(i => Height(i, l))))
                .Select(l => new TunedString(
                    l,
                    [.. together.Where(i => i.Strings.Any(s => s.Letter == l))],
                    ByTheirOwn: false
                )),
            .. instruments
                .Except(together)
                .SelectMany(i =>
                    i.Strings.Reverse().Select(s => new TunedString(s.Letter, [i], ByTheirOwn: together.Length > 0))
                ),
        ];
    }

    private static int Height(Instrument instrument, Letter letter) =>
        instrument.Strings.Where(s => s.Letter == letter).Select(s => s.Midi).DefaultIfEmpty(0).Max();

    private static bool InFifths(Instrument instrument) =>
        instrument.Strings.Zip(instrument.Strings.Skip(1)).All(p => p.Second.Midi - p.First.Midi == Fifth);
}
