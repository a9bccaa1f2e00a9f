using System.Xml.Linq;
using Coppia.Core.Music;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.MusicXml;

/// <summary>The signs on a MusicXML note: ties, slurs, tuplets, articulations, bow marks, fingerings.</summary>
internal static class MusicXmlNotations
{
    /// <summary>Where each mark stands in a note's notations: its group element and its own name.</summary>
    public static readonly IReadOnlyList<(Marks Mark, string Group, string Name)> Table =
    [
        (Marks.Trill, "ornaments", "trill-mark"),
        (Marks.UpBow, "technical", "up-bow"),
        (Marks.DownBow, "technical", "down-bow"),
        (Marks.Accent, "articulations", "accent"),
        (Marks.StrongAccent, "articulations", "strong-accent"),
        (Marks.Staccato, "articulations", "staccato"),
        (Marks.Tenuto, "articulations", "tenuto"),
        (Marks.LiftAfter, "articulations", "breath-mark"),
        (Marks.Wedge, "articulations", "staccatissimo"),
        (Marks.Slide, "articulations", "scoop"),
        (Marks.OpenString, "technical", "open-string"),
        (Marks.Harmonic, "technical", "harmonic"),
        (Marks.Thumb, "technical", "thumb-position"),
        (Marks.LeftHandPluck, "technical", "stopped"),
        (Marks.SnapPluck, "technical", "snap-pizzicato"),
        (Marks.LowerMordent, "ornaments", "mordent"),
        (Marks.UpperMordent, "ornaments", "inverted-mordent"),
        (Marks.Turn, "ornaments", "turn"),
        (Marks.InvertedTurn, "ornaments", "inverted-turn"),
        (Marks.Roll, "ornaments", "other-ornament"),
    ];

    /// <summary>The roll has no name of its own; this is its text.</summary>
    public const string RollText = "roll";

    /// <summary>Other names of marks in Table.</summary>
    private static readonly Dictionary<string, Marks> OtherNames = new()
    {
        ["caesura"] = Marks.LiftAfter,
        ["detached-legato"] = Marks.Staccato | Marks.Tenuto,
        ["spiccato"] = Marks.Staccato,
        ["delayed-turn"] = Marks.Turn,
        ["inverted-vertical-turn"] = Marks.InvertedTurn,
        ["vertical-turn"] = Marks.Turn,
    };

    /// <summary>The note with the signs of its notations.</summary>
    /// <param name="note">The element.</param>
    /// <param name="e">Its note or rest.</param>
    /// <param name="leaveOut">Is told what has no place in Coppia.</param>
    public static ScoreEvent Apply(XElement note, ScoreEvent e, Action<string> leaveOut)
    {
        var fingers = new List<int>();
        var signed = e with
        {
            TiedOn =
                e.Pitch is not null
                && note.Elements("tie")
                    .Concat(note.Elements("notations").Elements("tied"))
                    .Any(t => (string?)t.Attribute("type") == "start"),
            SlurStarts = 0,
            SlurStops = 0,
            TupletStart = false,
            TupletStop = false,
            Marks = Marks.None,
            Dynamic = null,
        };
        foreach (var notation in note.Elements("notations").Elements())
            signed = With(signed, notation, fingers, leaveOut);
        return signed with
        {
            PrintedFinger = fingers.Count > 0 ? fingers[0] : null,
            PrintedFingerTo = fingers.Count > 1 ? fingers[1] : null,
        };
    }

    private static ScoreEvent With(ScoreEvent e, XElement notation, List<int> fingers, Action<string> leaveOut)
    {
        var name = notation.Name.LocalName;
        switch (name, (string?)notation.Attribute("type"))
        {
            case ("slur", "start"):
                return e with { SlurStarts = e.SlurStarts + 1 };
            case ("slur", "stop"):
                return e with { SlurStops = e.SlurStops + 1 };
            case ("slur" or "tied" or "accidental-mark", _):
                return e;
            case ("tuplet", "start"):
                return e with { TupletStart = true };
            case ("tuplet", var type):
                return e with { TupletStop = e.TupletStop || type == "stop" };
            case ("fermata", _):
                return e with { Marks = e.Marks | Marks.Fermata };
            case ("arpeggiate", _):
                return e with { Marks = e.Marks | Marks.Arpeggio };
            case ("dynamics", _):
                return e with { Dynamic = notation.Elements().FirstOrDefault()?.Name.LocalName };
            case ("ornaments" or "technical" or "articulations", _):
                var signs = notation.Elements().Select(sign => Mark(sign, fingers, leaveOut));
                return e with { Marks = signs.Aggregate(e.Marks, (all, mark) => all | mark) };
            default:
                leaveOut(Say("musicxml.notations.some-signs-on-notes-are-left-out", ("localName", name)));
                return e;
        }
    }

    private static Marks Mark(XElement sign, List<int> fingers, Action<string> leaveOut)
    {
        var name = sign.Name.LocalName;
        if (name == "fingering")
            return Finger(sign.Value.Trim(), fingers, leaveOut);
        if (name == "other-ornament" && sign.Value.Trim() != RollText)
            name = $"{name}: {sign.Value.Trim()}";
        var own = Table.FirstOrDefault(t => t.Name == name).Mark | OtherNames.GetValueOrDefault(name);
        if (own == Marks.None && name is not ("accidental-mark" or "wavy-line"))
            leaveOut(Say("musicxml.notations.some-signs-on-notes-are-left-out-2", ("name", name)));
        return own;
    }

    /// <summary>"1", "1-2", or a thumb by its letter or sign.</summary>
    private static Marks Finger(string text, List<int> fingers, Action<string> leaveOut)
    {
        if (text is "T" or "t" or "+" or "ϙ" or "thumb")
            return Marks.Thumb;
        int[] numbers =
        [
            .. text.Split(['-', '–', '/', ' ', ','], StringSplitOptions.RemoveEmptyEntries)
                .Select(n => n is [>= '0' and <= '4'] ? n[0] - '0' : -1),
        ];
        if (numbers.Length == 0 || numbers.Contains(-1))
            leaveOut(Say("musicxml.notations.a-printed-finger-that-is-no-number", ("text", text)));
        else
            fingers.AddRange(numbers);
        return Marks.None;
    }
}
