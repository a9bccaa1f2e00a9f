using BenchmarkDotNet.Attributes;

namespace Coppia.Bench;

/// <summary>
/// Bowing (with the bow's place), counting and form of 10,000 notes, each and together, against fingering the same
/// notes.
/// </summary>
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
        _score = LongTune.Score(10_000, HouseStyle.Default.Instrument(Player));
        _notes = SoundingNote.Of(_score);
        _order = PlayOrder.Of(_score);
    }

    [Benchmark(Baseline = true)]
    public int FingeringAlone() => Fingers.Choose(_score, new Player(HouseStyle.Default.Instrument(Player)!)).Cost;

    [Benchmark]
    public int Together() => BowPlaces() + CountingRow() + Forms();

    [Benchmark]
    public int BowPlaces() =>
        BowPlace
            .Along(
                _notes,
                Bows.Follow(_notes, _score.Bars, _order, AfterLongRest.RetakeDown).Strokes,
                LoudBow.HeavierFaster
            )
            .Count;

    [Benchmark]
    public int CountingRow() => Counts.Of(_score, HouseStyle.Default).Count;

    [Benchmark]
    public int Forms() => TuneForm.Of(_score, _notes).Lines.Count;
}
