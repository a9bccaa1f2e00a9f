using System.Xml.Linq;
using Coppia.Core.Music;

namespace Coppia.Formats;

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
    ];

    public static ScoreEvent Apply(XElement note, ScoreEvent e)
    {
        var marks = Marks.None;
        int starts = 0,
            stops = 0;
        bool tupletStart = false,
            tupletStop = false;
        int? finger = null;
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
                case "tuplet" when type == "start":
                    tupletStart = true;
                    break;
                case "tuplet" when type == "stop":
                    tupletStop = true;
                    break;
                case "fermata":
                    marks |= Marks.Fermata;
                    break;
                default:
                    foreach (var (mark, group, name) in Table)
                    {
                        if (notation.Name.LocalName == group && notation.Element(name) is not null)
                            marks |= mark;
                    }

                    if (notation.Name.LocalName == "articulations" && notation.Element("caesura") is not null)
                        marks |= Marks.LiftAfter;
                    if (MusicXmlReader.Int(notation.Element("fingering")) is >= 0 and <= 4 and var printed)
                        finger = printed;
                    break;
            }
        }

        return e with
        {
            TiedOn = e.Pitch is not null && note.Elements("tie").Any(t => (string?)t.Attribute("type") == "start"),
            SlurStarts = starts,
            SlurStops = stops,
            TupletStart = tupletStart,
            TupletStop = tupletStop,
            Marks = marks,
            PrintedFinger = finger,
        };
    }
}
