using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Terms;

/// <summary>Note values by their American or British names (craft 17).</summary>
public static class ValueWords
{
    private static readonly string[] American =
    [
        Say("terms.value.breve"),
        Say("terms.value.whole"),
        Say("terms.value.half"),
        Say("terms.value.quarter"),
        Say("terms.value.eighth"),
        Say("terms.value.sixteenth"),
        Say("terms.value.32nd"),
        Say("terms.value.64th"),
        Say("terms.value.128th"),
    ];
    private static readonly string[] British =
    [
        Say("terms.value.breve"),
        Say("terms.value.semibreve"),
        Say("terms.value.minim"),
        Say("terms.value.crotchet"),
        Say("terms.value.quaver"),
        Say("terms.value.semiquaver"),
        Say("terms.value.demisemiquaver"),
        Say("terms.value.hemidemisemiquaver"),
        Say("terms.value.semihemidemisemiquaver"),
    ];

    /// <summary>"quarter", "dotted half", "triplet eighth"; or "crotchet", "dotted minim", "triplet quaver".</summary>
    public static string Words(this NoteValue value, ValueNames names)
    {
        var dots = value.Dots switch
        {
            0 => "",
            1 => Say("terms.value.dotted"),
            2 => Say("terms.value.double-dotted"),
            _ => Say("terms.value.triple-dotted"),
        };
        var tuplet = value.InTuplet
            ? (value.TupletActual, value.TupletNormal) == (3, 2)
                ? Say("terms.value.triplet")
                : Say("terms.value.words-tuplet", ("tupletActual", value.TupletActual))
            : "";
        return tuplet + dots + (names == ValueNames.American ? American : British)[value.Log + 1];
    }

    /// <summary>"quarters", "dotted halves", "minims".</summary>
    public static string Several(this NoteValue value, ValueNames names)
    {
        var words = value.Words(names);
        var last = words.LastIndexOf(' ') + 1;
        return Say("terms.value.several", ("before", words[..last]), ("value", words[last..]));
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
                return Say(
                    "terms.value.this-is-s",
                    ("words", words),
                    ("numerator", (int)count.Numerator),
                    ("names", small.Words(names))
                );
        }

        return Say(
            "terms.value.this-is",
            ("what", words.StartsWith('e') ? Say("terms.value.an") : "a"),
            ("words", words)
        );
    }

    /// <summary>"dotted half", "quarter rest", "rest for the bar".</summary>
    public static string Words(this ScoreEvent e, ValueNames names) =>
        e.IsBarRest
            ? Say("terms.value.rest-for-the-bar")
            : e.Value.Words(names) + (e.IsRest ? Say("terms.value.rest") : "");
}
