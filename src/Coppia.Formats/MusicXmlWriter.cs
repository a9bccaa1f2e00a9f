using System.Globalization;
using System.Xml.Linq;
using Coppia.Core.Music;

namespace Coppia.Formats;

/// <summary>What may be written beside the notes themselves.</summary>
/// <param name="Lyrics">Lines of text under a note, by note id.</param>
/// <param name="Technical">String (1 = highest sounding, as MusicXML counts) and finger by note id.</param>
public sealed record MusicXmlExtras(
    IReadOnlyDictionary<string, IReadOnlyList<string>>? Lyrics = null,
    IReadOnlyDictionary<string, (int String, int Finger)>? Technical = null
);

/// <summary>Writes a score as MusicXML 4.0 partwise (W3C MusicXML 4.0), with the score's own ids on bars, notes and rests.</summary>
public static class MusicXmlWriter
{
    public static string Write(Score score, MusicXmlExtras? extras = null)
    {
        var divisions = Divisions(score);
        var slurs = new SlurNumbers(score);
        var part = new XElement("part", new XAttribute("id", "P1"));
        Bar? before = null;
        var ending = "1";
        foreach (var bar in score.Bars)
        {
            ending = bar.EndingStart ?? ending;
            part.Add(Measure(score, bar, before, divisions, ending, slurs, extras ?? new MusicXmlExtras()));
            before = bar;
        }

        var root = new XElement(
            "score-partwise",
            new XAttribute("version", "4.0"),
            score.Title.Length > 0 ? new XElement("work", new XElement("work-title", score.Title)) : null,
            score.Composer is { } composer
                ? new XElement("identification", new XElement("creator", new XAttribute("type", "composer"), composer))
                : null,
            new XElement(
                "part-list",
                new XElement("score-part", new XAttribute("id", "P1"), new XElement("part-name", score.InstrumentName ?? ""))
            ),
            part
        );
        return "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n" + root.ToString(SaveOptions.DisableFormatting) + "\n";
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
            new XAttribute("number", bar.Number.ToString(CultureInfo.InvariantCulture)),
            new XAttribute("id", bar.Id),
            bar.IsPickUp ? new XAttribute("implicit", "yes") : null
        );
        if (before is { LineBreakAfter: true })
            measure.Add(new XElement("print", new XAttribute("new-system", "yes")));
        if (Attributes(bar, before, divisions) is { } attributes)
            measure.Add(attributes);
        if (before is null)
            measure.Add(TempoDirection(score));
        if (bar.RepeatStart || bar.EndingStart is not null)
        {
            measure.Add(
                new XElement(
                    "barline",
                    new XAttribute("location", "left"),
                    bar.RepeatStart ? new XElement("bar-style", "heavy-light") : null,
                    bar.EndingStart is { } start
                        ? new XElement("ending", new XAttribute("number", start), new XAttribute("type", "start"))
                        : null,
                    bar.RepeatStart ? new XElement("repeat", new XAttribute("direction", "forward")) : null
                )
            );
        }

        measure.Add(MusicXmlWaymarks.Write(score, bar.Waymarks & (Waymarks.Segno | Waymarks.Coda)));
        var beams = Beams.Of(bar);
        var shown = Accidentals.Shown(bar, before is null ? new HashSet<int>() : Accidentals.TiedOut(before));
        var tiedIn = before?.Events is [.., { TiedOn: true }];
        foreach (var (i, e) in bar.Events.Index())
        {
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

        measure.Add(MusicXmlWaymarks.Write(score, bar.Waymarks & ~(Waymarks.Segno | Waymarks.Coda)));
        measure.Add(RightBarline(bar, ending));
        return measure;
    }

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
                        new XElement("beats", time.Beats),
                        new XElement("beat-type", time.Unit)
                    )
                    : new XElement("time", new XElement("senza-misura"))
            );
        }

        if (before is null)
            attributes.Add(new XElement("clef", new XElement("sign", bar.Clef.Sign), new XElement("line", bar.Clef.Line)));
        return attributes.HasElements ? attributes : null;
    }

    private static IEnumerable<XElement> TempoDirection(Score score)
    {
        if (score.TempoWords is { } words)
            yield return Direction(new XElement("words", words));
        if (score.Tempo is not { } tempo || NoteValue.Exactly(tempo.Beat) is not { } beat)
            yield break;
        var direction = Direction(
            new XElement(
                "metronome",
                new XElement("beat-unit", MusicXmlPart.TypeNames[beat.Log + 1]),
                Enumerable.Range(0, beat.Dots).Select(_ => new XElement("beat-unit-dot")),
                new XElement("per-minute", tempo.PerMinute)
            )
        );
        var quarters = tempo.Beat * new Fraction(4 * tempo.PerMinute, 1);
        direction.Add(new XElement("sound", new XAttribute("tempo", quarters.ToDouble().ToString("0.###", CultureInfo.InvariantCulture))));
        yield return direction;
    }

    private static IEnumerable<XElement> Directions(ScoreEvent e)
    {
        if (e.Words is { } words)
            yield return Direction(new XElement("words", words));
        if (e.Dynamic is { } dynamic)
            yield return Direction(new XElement("dynamics", new XElement(dynamic)), "below");
    }

    internal static XElement Direction(XElement type, string placement = "above") =>
        new("direction", new XAttribute("placement", placement), new XElement("direction-type", type));

    private static XElement Grace(GraceNote grace, bool sign) =>
        new(
            "note",
            new XAttribute("id", grace.Id),
            new XElement("grace", grace.Slashed ? new XAttribute("slash", "yes") : null),
            MusicXmlNote.PitchOf(grace.Pitch),
            new XElement("voice", 1),
            new XElement("type", MusicXmlPart.TypeNames[grace.Value.Log + 1]),
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
                ? new XElement("ending", new XAttribute("number", ending), new XAttribute("type", bar.RepeatEnd ? "stop" : "discontinue"))
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
