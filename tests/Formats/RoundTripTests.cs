using Coppia.Formats.Abc;
using Coppia.Formats.Books;
using Coppia.Formats.MusicXml;
using CsCheck;

namespace Coppia.Tests;

/// <summary>What a score holds comes back from both formats.</summary>
public class RoundTripTests
{
    /// <summary>Everything both formats claim to keep, as text.</summary>
    private static string Kept(Score score) =>
        string.Join(
            '\n',
            new[] { $"{score.Title}|{score.Composer}|{score.Clef}|{score.Key}|{score.Time}|{score.PartOrder}" }.Concat(
                score.Bars.Select(b =>
                    $"{b.Number} {b.RepeatStart} {b.RepeatEnd} {b.RepeatTimes} {b.Waymarks} {b.EndingStart} "
                    + $"{b.EndingStop} {b.Barline} {b.LineBreakAfter} {b.Key} {b.Time} {b.Clef} {b.Label} "
                    + $"{b.IsUncounted}: "
                    + string.Join(
                        ", ",
                        b.Events.Select(e =>
                            $"{e.Id} {e.Pitch} {e.Value} {e.Onset} {e.TiedOn} {e.SlurStarts} {e.SlurStops} {e.Marks} "
                            + $"{e.PrintedFinger}-{e.PrintedFingerTo} {e.Hairpin} {e.HairpinStop} {e.ClefChange} "
                            + $"“{string.Join('/', e.Lyrics)}” {e.IsBarRest} {e.TupletStart} {e.TupletStop} "
                            + $"{e.Words} {e.Dynamic} "
                            + $"[{string.Join(' ', e.Graces.Select(g => $"{g.Id} {g.Pitch} {g.Slashed}"))}] "
                            + $"[{string.Join(' ', e.Chord)}]"
                        )
                    )
                )
            )
        );

    [Fact]
    public void MusicXml_keeps_a_score() =>
        SomeScores.Any.Sample(
            score => Assert.Equal(Kept(score), Kept(MusicXmlReader.Read(MusicXmlWriter.Write(score)).Score!)),
            iter: 300
        );

    [Fact]
    public void Abc_keeps_a_score() =>
        SomeScores.Any.Sample(score => Assert.Equal(Kept(score), Kept(ReadAbc(AbcWriter.Write(score)))), iter: 300);

    private static Score ReadAbc(string abc)
    {
        var read = AbcReader.Read(abc);
        return read.Score ?? throw new InvalidOperationException($"{string.Join('\n', read.Errors)}\n{abc}");
    }

    public static TheoryData<string> Demo() => [.. Lines.DemoFiles().Select(f => Path.GetFileName(f)!)];

    [Theory]
    [MemberData(nameof(Demo))]
    public void A_demo_tune_survives_both_formats(string file)
    {
        var read = TuneReader.Read(File.ReadAllText(Path.Combine(Lines.Root(), "demo", "tunes", file)));
        Assert.Empty(read.Errors);
        Assert.Empty(read.Notices);
        Assert.Equal(Kept(read.Score!), Kept(MusicXmlReader.Read(MusicXmlWriter.Write(read.Score!)).Score!));
        Assert.Equal(Kept(read.Score!), Kept(AbcReader.Read(AbcWriter.Write(read.Score!)).Score!));
    }

    [Fact]
    public void Any_text_is_answered_with_a_score_or_errors_and_never_a_crash() =>
        Gen.String[Gen.Char["ABCDEFGabcdefg|:[](){}<>/^_=,'-z123456 \n!\"K:X:MLQ%&~."], 0, 80]
            .Sample(
                text =>
                {
                    var read = TuneReader.Read("X:1\nK:D\n" + text);
                    Assert.True(read.Score is not null || read.Errors.Count > 0);
                },
                iter: 3000
            );
}
