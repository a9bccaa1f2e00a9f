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
        var marks = Marks.None;
        int starts = 0,
            stops = 0;
        bool tupletStart = false,
            tupletStop = false;
        var fingers = new List<int>();
        string? dynamic = null;
        foreach (var notation in note.Elements("notations").Elements())
        {
            var type = (string?)notation.Attribute("type");
            switch (notation.Name.LocalName)
            {
                case "slur" when type == "start":
                    starts++;
                    break;
                case "slur" when type == "stop":
                    stops++;
                    break;
                case "slur" or "tied" or "accidental-mark":
                    break;
                case "tuplet" when type == "start":
                    tupletStart = true;
                    break;
                case "tuplet":
                    tupletStop |= type == "stop";
                    break;
                case "fermata":
                    marks |= Marks.Fermata;
                    break;
                case "arpeggiate":
                    marks |= Marks.Arpeggio;
                    break;
                case "dynamics":
                    dynamic = notation.Elements().FirstOrDefault()?.Name.LocalName;
                    break;
                case "ornaments" or "technical" or "articulations":
                    foreach (var sign in notation.Elements())
                        marks |= Mark(sign);
                    break;
                default:
                    leaveOut(
                        Say(
                            "musicxml.notations.some-signs-on-notes-are-left-out",
                            ("localName", notation.Name.LocalName)
                        )
                    );
                    break;
            }
        }

        return e with
        {
            TiedOn =
                e.Pitch is not null
                && note.Elements("tie")
                    .Concat(note.Elements("notations").Elements("tied"))
                    .Any(t => (string?)t.Attribute("type") == "start"),
            SlurStarts = starts,
            SlurStops = stops,
            TupletStart = tupletStart,
            TupletStop = tupletStop,
            Marks = marks,
            Dynamic = dynamic,
            PrintedFinger = fingers.Count > 0 ? fingers[0] : null,
            PrintedFingerTo = fingers.Count > 1 ? fingers[1] : null,
        };

        Marks Mark(XElement sign)
        {
            var name = sign.Name.LocalName;
            if (name == "fingering")
                return Finger(sign.Value.Trim());
            if (name == "other-ornament" && sign.Value.Trim() != RollText)
                name = $"{name}: {sign.Value.Trim()}";
            var own = Table.FirstOrDefault(t => t.Name == name).Mark | OtherNames.GetValueOrDefault(name);
            if (own == Marks.None && name is not ("accidental-mark" or "wavy-line"))
                leaveOut(Say("musicxml.notations.some-signs-on-notes-are-left-out-2", ("name", name)));
            return own;
        }

        // "1", "1-2", or a thumb by its letter or sign.
        Marks Finger(string text)
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
}
