using System.Globalization;
using System.Xml.Linq;
using Coppia.Core.Music;

namespace Coppia.Formats.MusicXml;

/// <summary>Writes one note, chord or rest, its children in the order that MusicXML 4.0 prescribes.</summary>
internal static class MusicXmlNote
{
    public static IEnumerable<XElement> Write(
        ScoreEvent e,
        bool tiedIn,
        long divisions,
        IReadOnlyList<BeamPart> beams,
        IReadOnlyList<bool> signs,
        SlurNumbers slurs,
        MusicXmlExtras extras
    )
    {
        var duration = (e.Length * new Fraction(4 * divisions, 1)).Numerator;
        if (e.Pitch is not { } main)
        {
            yield return Rest(e, duration, slurs, extras);
            yield break;
        }

        foreach (var (i, pitch) in new[] { main }.Concat(e.Chord).Index())
        {
            var first = i == 0;
            yield return new XElement(
                "note",
                first ? new XAttribute("id", e.Id) : null,
                first ? null : new XElement("chord"),
                PitchOf(pitch),
                new XElement("duration", duration),
                tiedIn ? new XElement("tie", new XAttribute("type", "stop")) : null,
                e.TiedOn ? new XElement("tie", new XAttribute("type", "start")) : null,
                new XElement("voice", 1),
                TypeOf(e.Value),
                signs[i] ? AccidentalOf(pitch) : null,
                TimeModificationOf(e.Value),
                first
                    ? beams.Select((b, level) => new XElement("beam", new XAttribute("number", level + 1), BeamWord(b)))
                    : null,
                first ? Notations(e, tiedIn, slurs, extras) : TieNotations(e, tiedIn),
                first ? Lyrics(e, extras) : null
            );
        }
    }

    private static XElement Rest(ScoreEvent e, long duration, SlurNumbers slurs, MusicXmlExtras extras) =>
        new(
            "note",
            new XAttribute("id", e.Id),
            new XElement("rest", e.IsBarRest ? new XAttribute("measure", "yes") : null),
            new XElement("duration", duration),
            new XElement("voice", 1),
            e.IsBarRest ? null : TypeOf(e.Value),
            TimeModificationOf(e.Value),
            Notations(e, tiedIn: false, slurs, extras)
        );

    public static XElement PitchOf(Pitch pitch) =>
        new(
            "pitch",
            new XElement("step", pitch.Letter.ToString()),
            pitch.Alter != 0 ? new XElement("alter", pitch.Alter) : null,
            new XElement("octave", pitch.Octave)
        );

    public static XElement AccidentalOf(Pitch pitch) =>
        new(
            "accidental",
            pitch.Alter switch
            {
                2 => "double-sharp",
                1 => "sharp",
                0 => "natural",
                -1 => "flat",
                _ => "flat-flat",
            }
        );

    private static IEnumerable<XElement> TypeOf(NoteValue value)
    {
        yield return new XElement("type", MusicXmlPitch.TypeNames[value.Log + 1]);
        for (var d = 0; d < value.Dots; d++)
            yield return new XElement("dot");
    }

    private static XElement? TimeModificationOf(NoteValue value) =>
        value.InTuplet
            ? new(
                "time-modification",
                new XElement("actual-notes", value.TupletActual),
                new XElement("normal-notes", value.TupletNormal)
            )
            : null;

    private static string BeamWord(BeamPart part) =>
        part switch
        {
            BeamPart.Begin => "begin",
            BeamPart.Continue => "continue",
            BeamPart.End => "end",
            BeamPart.ForwardHook => "forward hook",
            _ => "backward hook",
        };

    private static XElement? TieNotations(ScoreEvent e, bool tiedIn)
    {
        var notations = new XElement("notations");
        if (tiedIn)
            notations.Add(new XElement("tied", new XAttribute("type", "stop")));
        if (e.TiedOn)
            notations.Add(new XElement("tied", new XAttribute("type", "start")));
        return notations.HasElements ? notations : null;
    }

    private static XElement? Notations(ScoreEvent e, bool tiedIn, SlurNumbers slurs, MusicXmlExtras extras)
    {
        var notations = TieNotations(e, tiedIn) ?? new XElement("notations");
        foreach (var number in slurs.Stops(e.Id))
            notations.Add(new XElement("slur", new XAttribute("type", "stop"), new XAttribute("number", number)));
        foreach (var number in slurs.Starts(e.Id))
            notations.Add(new XElement("slur", new XAttribute("type", "start"), new XAttribute("number", number)));
        if (e.TupletStart)
            notations.Add(new XElement("tuplet", new XAttribute("type", "start"), new XAttribute("bracket", "yes")));
        if (e.TupletStop)
            notations.Add(new XElement("tuplet", new XAttribute("type", "stop")));
        foreach (var group in new[] { "ornaments", "technical", "articulations" })
        {
            var element = new XElement(
                group,
                MusicXmlNotations
                    .Table.Where(t => t.Group == group && e.Has(t.Mark))
                    .Select(t => new XElement(t.Name, t.Mark == Marks.Roll ? MusicXmlNotations.RollText : null))
            );
            if (group == "technical")
                element.Add(Technical(e, extras));
            if (element.HasElements)
                notations.Add(element);
        }

        if (e.Has(Marks.Fermata))
            notations.Add(new XElement("fermata"));
        if (e.Has(Marks.Arpeggio))
            notations.Add(new XElement("arpeggiate"));
        return notations.HasElements ? notations : null;
    }

    private static IEnumerable<XElement> Technical(ScoreEvent e, MusicXmlExtras extras)
    {
        if (extras.Technical?.TryGetValue(e.Id, out var pair) == true)
        {
            yield return new XElement("fingering", pair.Finger.ToString(CultureInfo.InvariantCulture));
            yield return new XElement("string", pair.String.ToString(CultureInfo.InvariantCulture));
        }
        else if (e.PrintedFinger is { } printed)
        {
            yield return new XElement("fingering", printed);
            if (e.PrintedFingerTo is { } next)
                yield return new XElement("fingering", new XAttribute("substitution", "yes"), next);
        }
    }

    private static IEnumerable<XElement> Lyrics(ScoreEvent e, MusicXmlExtras extras) =>
        extras.Lyrics is { } rows
            ? rows.GetValueOrDefault(e.Id, [])
                .Select(
                    (line, i) =>
                        new XElement(
                            "lyric",
                            new XAttribute("number", i + 1),
                            new XElement("syllabic", "single"),
                            new XElement("text", line)
                        )
                )
            : MusicXmlLyrics.Write(e.Lyrics);
}
