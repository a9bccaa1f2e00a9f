using Coppia.Formats.Abc;
using Coppia.Formats.MusicXml;
using CsCheck;

namespace Coppia.Tests;

/// <summary>Random scores as other programs read and play them: what we write is what they find.</summary>
public class InventedTunesTests
{
    private static readonly Score[] Tunes = SomeScores.Any.Array[60].Single(_ => true, "0N0XIzNsQ0O2");

    [Fact]
    public void Abcjs_reads_our_Abc()
    {
        var theirs = Outside.Ask("abc.mjs", Tunes.Select(AbcWriter.Write));
        foreach (var (i, score) in Tunes.Index())
        {
            // abcjs gives a note that is tied on to no pitch of its own, and takes a whole rest for a rest of the bar.
            var tiedTo = score
                .Events.Zip(score.Events.Skip(1))
                .Where(p => p.First.TiedOn)
                .Select(p => p.Second.Id)
                .ToHashSet();
            var ours = score.Events.Select(e =>
                (tiedTo.Contains(e.Id) ? "" : $"{e.Pitch?.Midi}", Math.Round(e.Length.ToDouble(), 4))
            );
            var outside = theirs[i]
                .EnumerateArray()
                .Select(n => (n[0].GetArrayLength() == 0 ? "" : n[0][0].ToString(), Math.Round(n[1].GetDouble(), 4)));
            Assert.True(
                ours.Zip(outside).All(p => p.First == p.Second || p.First is ("", _) && p.Second is ("", _))
                    && ours.Count() == outside.Count(),
                $"{AbcWriter.Write(score)}\n{string.Join(' ', ours)}\n{string.Join(' ', outside)}"
            );
        }
    }

    [Fact]
    public void Verovio_plays_our_MusicXml()
    {
        // Grace notes and trills take time from their neighbours in MIDI; of a dal segno before any segno it warns, and
        // rightly; of segno and coda over one bar it keeps one.
        var plain = Tunes
            .Select(s =>
                s with
                {
                    Bars =
                    [
                        .. s.Bars.Select(
                            (b, i) =>
                                b with
                                {
                                    Events =
                                    [
                                        .. b.Events.Select(e => e with { Graces = [], Marks = e.Marks & ~Marks.Trill }),
                                    ],
                                    Waymarks = s.Bars.Take(i + 1).Any(x => x.Waymarks.HasFlag(Waymarks.Segno))
                                        ? b.Waymarks
                                            & (b.Waymarks.HasFlag(Waymarks.Segno) ? ~Waymarks.Coda : ~Waymarks.None)
                                        : b.Waymarks & ~Waymarks.DalSegno,
                                }
                        ),
                    ],
                }
            )
            .ToArray();
        var theirs = Outside.Ask("engrave.mjs", plain.Select(s => MusicXmlWriter.Write(s)));
        foreach (var (i, score) in plain.Index())
        {
            var ours = SoundingNote
                .Of(score)
                .Where(n => !n.IsGrace)
                .Select(n => (n.Pitch.Midi, (n.Start * new Fraction(4, 1)).ToDouble()));
            var outside = theirs[i]
                .GetProperty("notes")
                .EnumerateArray()
                .Select(n => (n.GetProperty("midi").GetInt32(), n.GetProperty("start").GetDouble()));
            Assert.True(
                ours.Zip(outside)
                    .All(p => p.First.Item1 == p.Second.Item1 && Math.Abs(p.First.Item2 - p.Second.Item2) < 0.02),
                $"{AbcWriter.Write(score)}\n{string.Join(' ', ours)}\n{string.Join(' ', outside)}"
            );
            var warned = string.Join(
                '\n',
                theirs[i].GetProperty("warnings").EnumerateArray().Select(w => w.GetString())
            );
            Assert.True(warned.Length == 0, $"{warned}\n{AbcWriter.Write(score)}");
        }
    }
}
