using System.Diagnostics;
using BenchmarkDotNet.Attributes;
using Coppia.Formats.MusicXml;

namespace Coppia.Bench;

/// <summary>
/// Fingering 1,000 notes against engraving them (verovio in a Node process that is kept running; load and all pages).
/// </summary>
public class FingeringAgainstEngraving
{
    private readonly Score _score = LongTune.Score(1000);
    private Process _node = null!;

    [GlobalSetup]
    public void Start()
    {
        var root = new DirectoryInfo(AppContext.BaseDirectory);
        while (root is not null && !File.Exists(Path.Combine(root.FullName, "Coppia.slnx")))
            root = root.Parent;
        var file = Path.Combine(Path.GetTempPath(), $"coppia-bench-{Environment.ProcessId}.musicxml");
        File.WriteAllText(file, MusicXmlWriter.Write(_score));
        var script = Path.Combine(root!.FullName, "bench", "engrave.mjs");
        _node = Process.Start(
            new ProcessStartInfo("node", [script, file]) { RedirectStandardInput = true, RedirectStandardOutput = true }
        )!;
        Engraving();
    }

    [GlobalCleanup]
    public void Stop()
    {
        _node.StandardInput.Close();
        _node.WaitForExit();
    }

    [Benchmark(Baseline = true)]
    public string? Engraving()
    {
        _node.StandardInput.WriteLine();
        return _node.StandardOutput.ReadLine();
    }

    [Benchmark]
    public int Fingering() => Fingers.Choose(_score, new Player(StringSection.Violin)).Cost;
}
