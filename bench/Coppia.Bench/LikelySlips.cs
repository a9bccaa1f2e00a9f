namespace Coppia.Bench;

/// <summary>
/// What it takes to find where a hand is likeliest to slip, against the reading that it is found in: 2,000 notes.
/// </summary>
internal static class LikelySlips
{
    private const int Notes = 2_000;

    public static void Run()
    {
        foreach (var instrument in StringSection.All)
        {
            var score = LongTune.Score(Notes, instrument);
            var player = new Player(instrument);
            var reading = PlayerReading.Of(score, instrument, player);
            InTurn.Compare(
                instrument.Name,
                new InTurn.Work("its fingers alone", () => Fingers.Choose(score, player)),
                new InTurn.Work("the whole reading", () => PlayerReading.Of(score, instrument, player)),
                new InTurn.Work("its slips", () => TroubleSpot.Of(reading.Fingering, reading.Tune.Form.Lines))
            );
        }
    }
}
