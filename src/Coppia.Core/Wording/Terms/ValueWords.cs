using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Wording.Terms;

/// <summary>Note values by their American or British names (craft 17).</summary>
public static class ValueWords
{
    private static readonly string[] American =
    [
        "breve",
        "whole",
        "half",
        "quarter",
        "eighth",
        "sixteenth",
        "32nd",
        "64th",
        "128th",
    ];
    private static readonly string[] British =
    [
        "breve",
        "semibreve",
        "minim",
        "crotchet",
        "quaver",
        "semiquaver",
        "demisemiquaver",
        "hemidemisemiquaver",
        "semihemidemisemiquaver",
    ];

    /// <summary>"quarter", "dotted half", "triplet eighth"; or "crotchet", "dotted minim", "triplet quaver".</summary>
    public static string Words(this NoteValue value, ValueNames names)
    {
        var dots = value.Dots switch
        {
            0 => "",
            1 => "dotted ",
            2 => "double-dotted ",
            _ => "triple-dotted ",
        };
        var tuplet = value.InTuplet
            ? (value.TupletActual, value.TupletNormal) == (3, 2)
                ? "triplet "
                : $"{value.TupletActual}-tuplet "
            : "";
        return tuplet + dots + (names == ValueNames.American ? American : British)[value.Log + 1];
    }

    /// <summary>
    /// The values that a bar is halved into, from a whole to sixteenths, with their lengths (craft 9).
    /// </summary>
    public static IReadOnlyList<(Fraction Length, string Name)> Levels(ValueNames names) =>
        [.. Enumerable.Range(0, 5).Select(log => new NoteValue(log)).Select(v => (v.Length, v.Words(names)))];

    /// <summary>
    /// How a value parts: "This quarter is four sixteenths."; of one that sixteenths or eighths do not fill, its name:
    /// "This is a triplet eighth."
    /// </summary>
    public static string Parts(this ScoreEvent e, ValueNames names)
    {
        var words = e.Words(names);
        foreach (var small in new[] { new NoteValue(4), new NoteValue(3) })
        {
            var count = e.Length / small.Length;
            if (count.Denominator == 1 && count.Numerator > 1)
                return $"This {words} is {English.Number((int)count.Numerator)} {small.Words(names)}s.";
        }

        return $"This is {(words.StartsWith('e') ? "an" : "a")} {words}.";
    }

    /// <summary>"dotted half", "quarter rest", "rest for the bar".</summary>
    public static string Words(this ScoreEvent e, ValueNames names) =>
        e.IsBarRest ? "rest for the bar" : e.Value.Words(names) + (e.IsRest ? " rest" : "");
}
