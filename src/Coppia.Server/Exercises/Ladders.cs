using Coppia.Core.Exercises;
using Coppia.Core.Wording.Exercises;
using Coppia.Core.Wording.Stand;
using Coppia.Core.Wording.Terms;
using Coppia.Server.Stand;

namespace Coppia.Server.Exercises;

/// <summary>Trouble spots of a tune, each from its two notes to the whole.</summary>
internal static class Ladders
{
    /// <summary>So many spots are practised at a time.</summary>
    public const int Usual = 3;

    public static LaddersView Of(KeptTune kept, Core.Reading.PlayerReading reading, int most)
    {
        var trouble = new TroubleWords(reading.Fingering);
        return new LaddersView(
            kept.Tune.Title,
            reading.Instrument.Name,
            Core.Practice.TempoLadder.CleanToClimb,
            [
                .. ChunkLadder
                    .Of(reading, most)
                    .Select(l => new ChunkView(
                        reading.Notes[l.Spot.To].Note.Id,
                        trouble.Where(l.Spot),
                        trouble.Of(l.Spot),
                        [.. l.Rungs.Select(RungOf)]
                    )),
            ]
        );

        RungView RungOf(ChunkRung rung)
        {
            var bars = English.Bars(
                reading.Score.Bars.Skip(rung.FirstBar).Take(rung.EndBar - rung.FirstBar).Select(b => b.Number)
            );
            var music = rung.Music is { } play
                ? SheetQuestionView.MusicOf(SheetItem.Of(play, reading.Player), reading.Player)
                : null;
            return new RungView(rung.Rung, RungWords.Of(rung.Rung, bars), rung.FirstBar, rung.EndBar, music);
        }
    }
}
