using Coppia.Formats.Abc;
using Coppia.Formats.Books;
using Coppia.Formats.MusicXml;
using CsCheck;

namespace Coppia.Tests;

/// <summary>
/// Tunes with slips of the pen: a character lost, doubled, changed or moved. Each is read or refused in words, and what
/// is read goes all the way to the paper.
/// </summary>
public class TornTunesTests
{
    private static readonly string[] Tunes = [.. Lines.DemoFiles().Select(File.ReadAllText)];

    private static readonly string[] Files =
    [
        .. Tunes.Select(text => MusicXmlWriter.Write(TuneReader.Read(text).Score!)),
    ];

    private const string Signs = "ABCDEFGabcdefg|:[](){}<>/^_=,'-z0123456789 \n!\"KXMLQw%&~.+#xSTuvHJ";

    /// <summary>Up to four slips: where, which kind, and the sign that comes in.</summary>
    private static Gen<string> Torn(string[] whole) =>
        from tune in Gen.Int[0, whole.Length - 1]
        from slips in Gen.Select(Gen.Double[0, 1], Gen.Int[0, 4], Gen.Char[Signs]).Array[1, 4]
        select slips.Aggregate(
            whole[tune],
            (text, slip) =>
            {
                var at = (int)(slip.Item1 * (text.Length - 1));
                var length = Math.Min(text.Length - at, 12);
                return slip.Item2 switch
                {
                    0 => text.Remove(at, 1),
                    1 => text.Insert(at, $"{slip.Item3}"),
                    2 => text.Remove(at, 1).Insert(at, $"{slip.Item3}"),
                    3 => text.Remove(at, length),
                    _ => text.Insert(at, text.Substring(at, length)),
                };
            }
        );

    private static IEnumerable<string> Sounds(Score score) =>
        SoundingNote.Of(score).Select(n => $"{n.Bar.Number} {n.Start} {n.Length} {n.Pitch} {n.Slurred} {n.IsGrace}");

    private static void GoesAllTheWay(string text)
    {
        var read = TuneReader.Read(text);
        Assert.True(read.Score is null == read.Errors.Count > 0);
        Assert.All(
            read.Errors,
            e => Assert.True(e.At.Line >= 1 && e.At.Column >= 1 && e.Wrong.Length > 0 && e.Expected.Length > 0)
        );
        if (read.Score is not { } score)
            return;
        foreach (var instrument in StringSection.All)
        {
            var reading = PlayerReading.Of(score, Lines.Instrument("violin"), new Player(instrument));
            Assert.All(
                reading.Notes,
                n =>
                    Assert.True(
                        n.Placement is not { } at
                            || instrument.Strings[at.String].Midi + at.Semitones == n.Note.Pitch.Midi
                    )
            );
            for (var i = 0; i < reading.Notes.Count; i++)
                Assert.NotEmpty(Why.Of(reading.Fingering, i, false).Finger);
            BeforeLine.Of(reading, 0, reading.Score.Bars.Count);
            foreach (var aim in Enum.GetValues<BowAim>())
                BowEdits.Apply(reading.Score, BowProposal.Of(reading.Score, aim, HouseStyle.Default).Edits);
            Assert.Equal(Sounds(reading.Score), Sounds(TuneReader.Read(MusicXmlWriter.Write(reading.Score)).Score!));
        }

        Assert.Equal(Sounds(score), Sounds(TuneReader.Read(AbcWriter.Write(score)).Score!));
    }

    [Fact]
    public void In_abc() => Torn(Tunes).Sample(GoesAllTheWay, iter: 300);

    [Fact]
    public void In_MusicXml() => Torn(Files).Sample(GoesAllTheWay, iter: 100);
}
