using Coppia.Formats.Books;

namespace Coppia.Bench;

/// <summary>
/// A tune read by all four instruments, what they share worked out once, against one reading by itself (the four of
/// them from scratch, one after the other, are four of these on average).
/// </summary>
internal static class FourInstruments
{
    public static void Run()
    {
        foreach (var bars in new[] { 32, 500 })
        {
            var score = TuneReader.Read(LongTune.Songs(8 * bars, StringSection.Violin)).Score!;
            var printedFor = StringSection.Violin;
            Player[] players = [.. StringSection.All.Select(i => new Player(i))];
            InTurn.Compare(
                $"{score.Events.Count()} notes",
                new InTurn.Work(
                    "each from scratch",
                    () => Array.ForEach(players, p => PlayerReading.Of(score, printedFor, p))
                ),
                new InTurn.Work("what they share once", () => Together(score, printedFor, players))
            );
        }
    }

    private static void Together(Score score, Instrument printedFor, Player[] players)
    {
        var tune = TuneMusic.Of(score, HouseStyle.Default);
        Array.ForEach(players, p => PlayerReading.Of(tune, printedFor, p));
    }
}
