using System.Globalization;
using System.Xml.Linq;
using Coppia.Core.Music;
using Coppia.Formats.Abc;
using Coppia.Formats.Source;

namespace Coppia.Formats.MusicXml;

/// <summary>What may be written beside the notes themselves.</summary>
/// <param name="Lyrics">Lines of text under a note, by note id, in place of the words that are sung; null leaves
/// those.</param>
/// <param name="Technical">String (1 = highest sounding, as MusicXML counts) and finger by note id.</param>
/// <param name="HidesFirstMeter">The meter at its beginning is not printed: it stands where the music goes on.</param>
public sealed record MusicXmlExtras(
    IReadOnlyDictionary<string, IReadOnlyList<string>>? Lyrics = null,
    IReadOnlyDictionary<string, (int String, int Finger)>? Technical = null,
    bool HidesFirstMeter = false
);

/// <summary>
/// Writes a score as MusicXML 4.0 partwise (W3C MusicXML 4.0), with the score's own ids on bars, notes and rests.
/// </summary>
public static class MusicXmlWriter
{
    public static string Write(Score score, MusicXmlExtras? extras = null) =>
        Write([new ScoreLine("P1", score.InstrumentName ?? "", score)], extras);

    /// <summary>
    /// A score of several lines, each a part; title, composer and the order of parts are those of the first.
    /// </summary>
    public static string Write(IReadOnlyList<ScoreLine> lines, MusicXmlExtras? extras = null) =>
        $"{MusicXmlText.Begin}{Root(lines, extras).ToString(SaveOptions.DisableFormatting)}{MusicXmlText.End}";

    /// <summary>The same, with the places where a picture of it may need more.</summary>
    public static (string Text, MusicXmlSlots Slots) WriteSlotted(
        IReadOnlyList<ScoreLine> lines,
        MusicXmlExtras? extras = null
    ) => MusicXmlText.Of(Root(lines, extras));

    private static XElement Root(IReadOnlyList<ScoreLine> lines, MusicXmlExtras? extras)
    {
        var first = lines[0].Score;
        return new XElement(
            "score-partwise",
            new XAttribute("version", "4.0"),
            first.Title.Length > 0 ? new XElement("work", new XElement("work-title", first.Title)) : null,
            Identification(first),
            new XElement(
                "part-list",
                lines.Select(
                    (l, i) =>
                        new XElement("score-part", new XAttribute("id", $"P{i + 1}"), new XElement("part-name", l.Name))
                )
            ),
            ScoreLines.WithOwnIds(lines).Select((l, i) => Part(l.Score, $"P{i + 1}", extras ?? new MusicXmlExtras()))
        );
    }

    private static XElement Part(Score score, string id, MusicXmlExtras extras)
    {
        var divisions = Divisions(score);
        var slurs = new SlurNumbers(score);
        var part = new XElement("part", new XAttribute("id", id));
        Bar? before = null;
        var ending = "1";
        foreach (var bar in score.Bars)
        {
            ending = bar.EndingStart ?? ending;
            part.Add(Measure(score, bar, before, divisions, ending, slurs, extras));
            before = bar;
        }

        return part;
    }

    /// <summary>Name under which the order of the parts is kept; the format has no place of its own for it.</summary>
    internal const string PartOrderField = "part-order";

    private static XElement? Identification(Score score)
    {
        var about = new XElement(
            "identification",
            score.Composer is { } composer
                ? new XElement("creator", new XAttribute("type", "composer"), composer)
                : null,
            score.PartOrder is { } order
                ? new XElement(
                    "miscellaneous",
                    new XElement("miscellaneous-field", new XAttribute("name", PartOrderField), order)
                )
                : null
        );
        return about.HasElements ? about : null;
    }

    /// <summary>Divisions of a quarter fine enough for every length in the score.</summary>
    private static long Divisions(Score score)
    {
        var quarters = score.Events.Select(e => (e.Length * new Fraction(4, 1)).Denominator).Distinct();
        return quarters.Aggregate(1L, (a, b) => a / (long)System.Numerics.BigInteger.GreatestCommonDivisor(a, b) * b);
    }

    private static XElement Measure(
        Score score,
        Bar bar,
        Bar? before,
        long divisions,
        string ending,
        SlurNumbers slurs,
        MusicXmlExtras extras
    )
    {
        var measure = new XElement(
            "measure",
            new XAttribute(
                "number",
                bar.IsUncounted ? $"X{bar.Number}" : bar.Number.ToString(CultureInfo.InvariantCulture)
            ),
            new XAttribute("id", bar.Id),
            bar.IsPickUp || bar.IsUncounted ? new XAttribute("implicit", "yes") : null
        );
        if (before is { LineBreakAfter: true })
            measure.Add(new XElement("print", new XAttribute("new-system", "yes")));
        if (Attributes(bar, before, divisions) is { } attributes)
        {
            if (before is null && extras.HidesFirstMeter)
                attributes.Element("time")?.SetAttributeValue("print-object", "no");
            measure.Add(attributes);
        }

        if (before is null)
            measure.Add(TempoDirection(score));
        measure.Add(LeftBarline(bar));
        if (bar.Label is { } label)
            measure.Add(Direction(new XElement("rehearsal", label)));
        measure.Add(MusicXmlWaymarks.Write(score, bar.Waymarks & (Waymarks.Segno | Waymarks.Coda)));
        AddNotes(measure, bar, before, divisions, slurs, extras);
        measure.Add(MusicXmlWaymarks.Write(score, bar.Waymarks & ~(Waymarks.Segno | Waymarks.Coda)));
        measure.Add(RightBarline(bar, ending));
        return measure;
    }

    private static void AddNotes(
        XElement measure,
        Bar bar,
        Bar? before,
        long divisions,
        SlurNumbers slurs,
        MusicXmlExtras extras
    )
    {
        var beams = Beams.Of(bar);
        var shown = Accidentals.Shown(bar, before is null ? new HashSet<int>() : Accidentals.TiedOut(before));
        var tiedIn = before?.Events is [.., { TiedOn: true }];
        foreach (var (i, e) in bar.Events.Index())
        {
            if (e.ClefChange is { } clef)
                measure.Add(new XElement("attributes", ClefOf(clef)));
            measure.Add(Directions(e));
            foreach (var grace in e.Graces)
                measure.Add(Grace(grace, shown[grace.Id][0]));
            measure.Add(
                MusicXmlNote.Write(
                    e,
                    tiedIn: tiedIn,
                    divisions: divisions,
                    beams: beams[i],
                    signs: e.IsRest ? [] : shown[e.Id],
                    slurs: slurs,
                    extras: extras
                )
            );
            tiedIn = e.TiedOn;
        }
    }

    private static XElement? LeftBarline(Bar bar) =>
        bar.RepeatStart || bar.EndingStart is not null
            ? new XElement(
                "barline",
                new XAttribute("location", "left"),
                bar.RepeatStart ? new XElement("bar-style", "heavy-light") : null,
                bar.EndingStart is { } start
                    ? new XElement("ending", new XAttribute("number", start), new XAttribute("type", "start"))
                    : null,
                bar.RepeatStart ? new XElement("repeat", new XAttribute("direction", "forward")) : null
            )
            : null;

    private static XElement? Attributes(Bar bar, Bar? before, long divisions)
    {
        var attributes = new XElement("attributes");
        if (before is null)
            attributes.Add(new XElement("divisions", divisions));
        if (before is null || before.Key != bar.Key)
            attributes.Add(
                new XElement(
                    "key",
                    new XElement("fifths", bar.Key.Fifths),
                    new XElement("mode", bar.Key.Mode.ToString().ToLowerInvariant())
                )
            );
        if (before is null || before.Time != bar.Time)
        {
            attributes.Add(
                bar.Time is { } time
                    ? new XElement(
                        "time",
                        time.Symbol == TimeSymbol.Numbers
                            ? null
                            : new XAttribute("symbol", time.Symbol == TimeSymbol.Common ? "common" : "cut"),
                        new XElement("beats", time.Sum ?? time.Beats.ToString(CultureInfo.InvariantCulture)),
                        new XElement("beat-type", time.Unit)
                    )
                    : new XElement("time", new XElement("senza-misura"))
            );
        }

        if (before?.ClefAtEnd != bar.Clef)
            attributes.Add(ClefOf(bar.Clef));
        return attributes.HasElements ? attributes : null;
    }

    private static XElement ClefOf(Clef clef) =>
        new("clef", new XElement("sign", clef.Sign), new XElement("line", clef.Line));

    private static IEnumerable<XElement> TempoDirection(Score score)
    {
        if (score.TempoWords is { } words)
            yield return Direction(new XElement("words", words));
        if (score.Tempo is not { } tempo || NoteValue.Exactly(tempo.Beat) is not { } beat)
            yield break;
        var direction = Direction(
            new XElement(
                "metronome",
                new XElement("beat-unit", MusicXmlPitch.TypeNames[beat.Log + 1]),
                Enumerable.Range(0, beat.Dots).Select(_ => new XElement("beat-unit-dot")),
                new XElement("per-minute", tempo.PerMinute)
            )
        );
        var quarters = tempo.Beat * new Fraction(4 * tempo.PerMinute, 1);
        direction.Add(
            new XElement(
                "sound",
                new XAttribute("tempo", quarters.ToDouble().ToString("0.###", CultureInfo.InvariantCulture))
            )
        );
        yield return direction;
    }

    private static IEnumerable<XElement> Directions(ScoreEvent e)
    {
        if (e.Words is { } words)
            yield return Direction(new XElement("words", words));
        if (e.Dynamic is { } dynamic)
            yield return Direction(new XElement("dynamics", Dynamic(dynamic)), "below");
        if (e.HairpinStop)
            yield return Direction(new XElement("wedge", new XAttribute("type", "stop")), "below");
        if (e.Hairpin != Hairpin.None)
            yield return Direction(
                new XElement("wedge", new XAttribute("type", e.Hairpin == Hairpin.Louder ? "crescendo" : "diminuendo")),
                "below"
            );
    }

    private static XElement Dynamic(string dynamic) =>
        AbcDecorations.Dynamics.Contains(dynamic) ? new XElement(dynamic) : new XElement("other-dynamics", dynamic);

    internal static XElement Direction(XElement type, string placement = "above") =>
        new("direction", new XAttribute("placement", placement), new XElement("direction-type", type));

    private static XElement Grace(GraceNote grace, bool sign) =>
        new(
            "note",
            new XAttribute("id", grace.Id),
            new XElement("grace", grace.Slashed ? new XAttribute("slash", "yes") : null),
            MusicXmlNote.PitchOf(grace.Pitch),
            new XElement("voice", 1),
            new XElement("type", MusicXmlPitch.TypeNames[grace.Value.Log + 1]),
            sign ? MusicXmlNote.AccidentalOf(grace.Pitch) : null
        );

    private static XElement? RightBarline(Bar bar, string ending)
    {
        if (bar is { Barline: Barline.Plain, RepeatEnd: false, EndingStop: false })
            return null;
        return new XElement(
            "barline",
            new XAttribute("location", "right"),
            bar.RepeatEnd
                ? new XElement("bar-style", "light-heavy")
                : bar.Barline switch
                {
                    Barline.Double => new XElement("bar-style", "light-light"),
                    Barline.Final => new XElement("bar-style", "light-heavy"),
                    Barline.None => new XElement("bar-style", "none"),
                    _ => null,
                },
            bar.EndingStop
                ? new XElement(
                    "ending",
                    new XAttribute("number", ending),
                    new XAttribute("type", bar.RepeatEnd ? "stop" : "discontinue")
                )
                : null,
            bar.RepeatEnd
                ? new XElement(
                    "repeat",
                    new XAttribute("direction", "backward"),
                    bar.RepeatTimes > 2 ? new XAttribute("times", bar.RepeatTimes) : null
                )
                : null
        );
    }
}
