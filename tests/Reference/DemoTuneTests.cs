using Coppia.Formats.Books;
using Coppia.Formats.MusicXml;

namespace Coppia.Tests;

/// <summary>Every demo tune as other programs read, engrave and play it.</summary>
public class DemoTuneTests
{
    private static readonly (string Name, string Source, Score Score)[] Tunes =
    [
        .. Lines
            .DemoFiles()
            .Select(f => (Path.GetFileName(f), File.ReadAllText(f), TuneReader.Read(File.ReadAllText(f)).Score!)),
    ];

    [Fact]
    public void Abcjs_reads_the_same_pitches_and_lengths()
    {
        var theirs = Outside.Ask("abc.mjs", Tunes.Select(t => t.Source));
        foreach (var (i, (name, _, score)) in Tunes.Index())
        {
            var ours = score.Events.Select(e => ($"{e.Pitch?.Midi}", Math.Round(e.Length.ToDouble(), 4)));
            var outside = theirs[i]
                .EnumerateArray()
                .Select(n => (n[0].GetArrayLength() == 0 ? "" : n[0][0].ToString(), Math.Round(n[1].GetDouble(), 4)));
            Assert.True(ours.SequenceEqual(outside), $"{name}\n{string.Join(' ', ours)}\n{string.Join(' ', outside)}");
        }
    }

    [Theory]
    [InlineData("violin")]
    [InlineData("viola")]
    [InlineData("cello")]
    [InlineData("bass")]
    public void Verovio_loads_our_MusicXml_without_a_warning_and_plays_our_notes(string instrument)
    {
        var player = Lines.Instrument(instrument);
        var readings = Tunes
            .Select(t => PlayerReading.Of(t.Score, PrintedFor.Of(t.Score), new Player(player)))
            .ToArray();
        var theirs = Outside.Ask("engrave.mjs", readings.Select(r => MusicXmlWriter.Write(r.Score)));
        foreach (var (i, reading) in readings.Index())
        {
            var name = Tunes[i].Name;
            var outside = theirs[i];
            Assert.True(outside.GetProperty("loaded").GetBoolean(), name);
            Assert.Equal([], outside.GetProperty("warnings").EnumerateArray().Select(w => w.GetString()));
            Assert.Equal(
                reading.Score.Events.Where(e => !e.IsRest).Select(e => e.Id).Order(),
                outside
                    .GetProperty("ids")
                    .EnumerateArray()
                    .Select(e => e.GetString()!)
                    .Where(id => reading.Score.Events.Any(e => e.Id == id && !e.IsRest))
                    .Order()
            );

            // Grace notes take time from their neighbours in MIDI; the engraver lets go of every note one tick early.
            var ours = reading
                .Notes.Where(n => !n.Note.IsGrace)
                .Select(n => (n.Note.Pitch.Midi, Start: Quarters(n.Note.Start), Length: Quarters(n.Note.Length)))
                .ToArray();
            var played = outside
                .GetProperty("notes")
                .EnumerateArray()
                .Select(n =>
                    (
                        Midi: n.GetProperty("midi").GetInt32(),
                        Start: n.GetProperty("start").GetDouble(),
                        Length: n.GetProperty("length").GetDouble()
                    )
                )
                .ToArray();
            Assert.Equal(ours.Select(n => n.Midi), played.Select(n => n.Midi));
            Assert.All(
                ours.Zip(played),
                pair =>
                {
                    Assert.Equal(pair.First.Start, pair.Second.Start, 0.02);
                    Assert.Equal(pair.First.Length, pair.Second.Length, 0.02);
                }
            );
        }
    }

    [Fact] // Repeats and endings played out, against the engraver's own time map.
    public void Verovio_plays_bars_in_our_play_order_at_our_times()
    {
        var scores = Tunes
            .Select(t =>
                t.Score with
                {
                    Bars =
                    [
                        .. t.Score.Bars.Select(b =>
                            b with
                            {
                                Events = [.. b.Events.Select(e => e with { Graces = [] })],
                            }
                        ),
                    ],
                }
            )
            .ToArray();
        var theirs = Outside.Ask("timemap.mjs", scores.Select(s => MusicXmlWriter.Write(s)));
        foreach (var (i, score) in scores.Index())
        {
            var ours = new List<(string Id, double At)>();
            var at = Fraction.Zero;
            foreach (var played in PlayOrder.Of(score))
            {
                var bar = score.Bars[played.Bar];
                ours.AddRange(bar.Events.Where(e => !e.IsRest).Select(e => (e.Id, Quarters(at + e.Onset))));
                at += bar.Length;
            }

            var outside = theirs[i]
                .EnumerateArray()
                .Select(n => (Id: n[0].GetString()!, At: n[1].GetDouble()))
                .ToArray();
            Assert.Equal(ours.Select(n => n.Id), outside.Select(n => n.Id));
            Assert.All(ours.Zip(outside), pair => Assert.Equal(pair.First.At, pair.Second.At, 0.01));
        }
    }

    private static double Quarters(Fraction length) => (length * new Fraction(4, 1)).ToDouble();

    [Fact] // The demo must need everything that the first slice can show.
    public void The_demo_needs_every_low_and_high_finger_both_stretches_a_shift_slurs_a_pick_up_and_endings()
    {
        PlayerReading[] Read(Instrument player) =>
            [.. Tunes.Select(t => PlayerReading.Of(t.Score, PrintedFor.Of(t.Score), new Player(player)))];
        string[] Labels(Instrument player) =>
            [
                .. Read(player)
                    .SelectMany(r => r.Labelled())
                    .Select(label => label[(label.IndexOf('-', StringComparison.Ordinal) + 1)..])
                    .Distinct(),
            ];
        Assert.Superset(
            new HashSet<string> { "L1", "L2", "L3", "L4", "H1", "H2", "H3" },
            Labels(StringSection.Violin).ToHashSet()
        );
        Assert.Superset(new HashSet<string> { "x1", "x2", "x3", "x4" }, Labels(StringSection.Cello).ToHashSet());
        Assert.Contains(
            Read(StringSection.Bass).SelectMany(r => r.Notes),
            n => n.Placement is { } p && StringSection.Bass.Frames[p.Frame].Position == "III"
        );
        Assert.Contains(Tunes, t => t.Score.Events.Any(e => e.SlurStarts > 0));
        Assert.Contains(Tunes, t => t.Score.Bars[0].IsPickUp);
        Assert.Contains(Tunes, t => t.Score.Bars.Any(b => b.EndingStart == "2"));
        Assert.True(Tunes.Length >= 10);
    }
}
