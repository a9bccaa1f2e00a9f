using System.Xml;
using BenchmarkDotNet.Attributes;
using Coppia.Formats.Books;
using Coppia.Formats.MusicXml;

namespace Coppia.Bench;

/// <summary>
/// A tune of 1,000 notes from MusicXML text to its Reading, against one bare XmlReader pass over the same text.
/// </summary>
[MemoryDiagnoser]
public class TextToReading
{
    private readonly string _xml = MusicXmlWriter.Write(LongTune.Score(1000));

    [Benchmark(Baseline = true)]
    public int BareXmlPass()
    {
        using var reader = XmlReader.Create(new StringReader(_xml));
        var nodes = 0;
        while (reader.Read())
            nodes++;
        return nodes;
    }

    [Benchmark]
    public PlayerReading Reading()
    {
        var score = TuneReader.Read(_xml).Score!;
        return PlayerReading.Of(score, StringSection.Violin, new Player(StringSection.Violin));
    }
}
