using BenchmarkDotNet.Attributes;
using Coppia.Core.Writing;
using Coppia.Formats.MusicXml;

namespace Coppia.Bench;

/// <summary>
/// One note written at the end of 64 bars of quarters, against reading and writing the score as it is.
/// </summary>
[MemoryDiagnoser]
public class WritingStep
{
    private readonly string _doc = MusicXmlWriter.Write(
        Enumerable
            .Range(0, 64 * 4)
            .Aggregate(
                new ScoreBuilder(Clef.Treble).In(new TimeSignature(4, 4)),
                (b, i) => b.Note(i % 3 == 0 ? "D4" : "A4")
            )
            .Build()
    );

    [Benchmark(Baseline = true)]
    public string ReadAndWritten() => MusicXmlWriter.Write(MusicXmlReader.ReadUnfinished(_doc).Lines);

    [Benchmark]
    public string WithANote()
    {
        var lines = MusicXmlReader.ReadUnfinished(_doc).Lines;
        var staff = WritingStaff.Of(lines[0].Score).ToEnd();
        staff = staff.Note(staff.Nearest(Letter.E));
        return MusicXmlWriter.Write([lines[0] with { Score = staff.Score }]);
    }
}
