using BenchmarkDotNet.Attributes;
using Coppia.Core;

namespace Coppia.Bench;

/// <summary>Bowing (with the bow's place), counting and form of 10,000 notes, each and together, against fingering the same notes.</summary>
public class BowCountForm
{
    private Score _score = new();
    private IReadOnlyList<SoundingNote> _notes = [];
    private IReadOnlyList<PlayedBar> _order = [];

    [Params("violin", "cello")]
    public string Player { get; set; } = "violin";

    [GlobalSetup]
    public void Prepare()
    {
        _score = LongTune.Score(10_000, Instruments.Named(Player, HouseStyle.Default));
        _notes = SoundingNote.Of(_score);
        _order = PlayOrder.Of(_score);
    }

    [Benchmark(Baseline = true)]
    public int FingeringAlone() => Fingering.Choose(_score, Instruments.Named(Player, HouseStyle.Default)!, HouseStyle.Default).Cost;

    [Benchmark]
    public int Together() => Bows() + Counts() + Forms();

    [Benchmark]
    public int Bows() =>
        BowPlace.Along(_notes, Bowing.Follow(_notes, _score.Bars, _order, AfterLongRest.RetakeDown).Strokes, LoudBow.HeavierFaster).Count;

    [Benchmark]
    public int Counts() => Counting.Of(_score, HouseStyle.Default).Count;

    [Benchmark]
    public int Forms() => Form.Of(_score, _notes, PlayOrder.Of(_score), HouseStyle.Default).Lines.Count;
}
