using Coppia.Core.Music;

namespace Coppia.Core.Writing;

/// <summary>What stands at barlines.</summary>
[Flags]
public enum BarlineSigns
{
    None = 0,

    /// <summary>Repeats, endings, da capo, segno and their kind, and the letters of the parts.</summary>
    OrderOfPlaying = 1,

    DoubleBarlines = 2,
}

/// <summary>What stands at the barlines of some bars, put on those of other bars of the same music.</summary>
/// <param name="from">The bars as they were.</param>
/// <param name="before">How much music lies before each of them, and behind the last.</param>
/// <param name="onto">The bars as they are; the signs are put in.</param>
/// <param name="after">How much music lies before each of these, and behind the last.</param>
internal sealed class Barlines(
    IReadOnlyList<Bar> from,
    IReadOnlyList<Fraction> before,
    IList<Bar> onto,
    Fraction[] after
)
{
    private const Waymarks AtStart = Waymarks.Segno | Waymarks.Coda;

    /// <summary>
    /// Puts each sign where it falls on a barline again. Those of the order of playing stay or go together: one alone
    /// would send the player elsewhere. A line of the source ends with the bar in which it ended.
    /// </summary>
    /// <returns>What falls into a bar, and is left out.</returns>
    public BarlineSigns Carry()
    {
        var leftOut = BarlineSigns.None;
        if (
            from.Index()
                .Any(b =>
                    SendsFromStart(b.Item) && Starting(b.Index) is null
                    || SendsFromEnd(b.Item) && Ending(b.Index) is null
                )
        )
            leftOut |= BarlineSigns.OrderOfPlaying;
        else
            CarryOrderOfPlaying();
        for (var i = 0; i + 1 < from.Count; i++)
        {
            if (from[i].LineBreakAfter)
                Change(HoldingEndOf(i), b => b with { LineBreakAfter = true });
            if (from[i].Barline != Barline.Double)
                continue;
            if (Ending(i) is { } at)
                Change(at, b => b with { Barline = Barline.Double });
            else
                leftOut |= BarlineSigns.DoubleBarlines;
        }

        return leftOut;
    }

    private void CarryOrderOfPlaying()
    {
        foreach (var (i, bar) in from.Index())
        {
            if (SendsFromStart(bar) && Starting(i) is { } first)
            {
                Change(
                    first,
                    b =>
                        b with
                        {
                            RepeatStart = bar.RepeatStart,
                            EndingStart = bar.EndingStart,
                            Label = bar.Label,
                            Waymarks = b.Waymarks | bar.Waymarks & AtStart,
                        }
                );
            }

            if (SendsFromEnd(bar) && Ending(i) is { } last)
            {
                Change(
                    last,
                    b =>
                        b with
                        {
                            RepeatEnd = bar.RepeatEnd,
                            RepeatTimes = bar.RepeatTimes,
                            EndingStop = bar.EndingStop,
                            Waymarks = b.Waymarks | bar.Waymarks & ~AtStart,
                        }
                );
            }
        }
    }

    private static bool SendsFromStart(Bar bar) =>
        bar.RepeatStart || bar.EndingStart is not null || bar.Label is not null || (bar.Waymarks & AtStart) != 0;

    private static bool SendsFromEnd(Bar bar) => bar.RepeatEnd || bar.EndingStop || (bar.Waymarks & ~AtStart) != 0;

    private void Change(int bar, Func<Bar, Bar> change) => onto[bar] = change(onto[bar]);

    /// <summary>The bar that begins where this one began, or null.</summary>
    private int? Starting(int bar) => Edge(before[bar]) is var at && at >= 0 && at < onto.Count ? at : null;

    /// <summary>The bar that ends where this one ended, or null.</summary>
    private int? Ending(int bar) => Edge(before[bar + 1]) is var at and > 0 ? at - 1 : null;

    private int HoldingEndOf(int bar) =>
        Edge(before[bar + 1]) is var at && at < 0 ? Math.Min(~at, onto.Count) - 1 : Math.Max(at, 1) - 1;

    /// <summary>
    /// Order of an edge, or where it would come; silence behind the last note is gone, and what ended with it ends with
    /// the note.
    /// </summary>
    private int Edge(Fraction music) => Array.BinarySearch(after, music < after[^1] ? music : after[^1]);
}
