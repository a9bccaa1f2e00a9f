using Coppia.Core.Music;

namespace Coppia.Core.Instruments;

/// <summary>What a pair sounds in first position: the way back from string and finger to the note (craft 3).</summary>
public static class PairSound
{
    /// <summary>The written pitch under a finger, or null where the hand has no such finger there.</summary>
    /// <param name="instrument">Whose hand.</param>
    /// <param name="string">0 = lowest sounding string.</param>
    /// <param name="finger">0 (open) to 4.</param>
    /// <param name="word">Regular, or low, high, back or forward; an open string's is not asked.</param>
    /// <param name="key">Spells the note where fingers are numbered by half steps.</param>
    public static Pitch? Of(Instrument instrument, int @string, int finger, PlaceWord word, KeySignature key)
    {
        var open = instrument.Strings[@string];
        if (finger == 0)
            return open;
        foreach (
            var frame in instrument.Frames.Where(f =>
                f.Height == instrument.FirstHeight && f.PrintsLowAndHigh || IsClosedFirst(instrument, f)
            )
        )
        {
            foreach (var spot in frame.Spots.Where(s => s.Finger == finger))
            {
                if (Semitones(instrument, frame, spot, word) is not { } semitones)
                    continue;
                return spot.LetterSteps is { } steps
                    ? Spelled(open.Step + steps, open.Midi + semitones)
                    : Spelling.InKey(open.Midi + semitones, key);
            }
        }

        return null;
    }

    private static bool IsClosedFirst(Instrument instrument, HandFrame frame) =>
        frame.Height == instrument.FirstHeight && frame.Stretch == Stretch.None;

    private static int? Semitones(Instrument instrument, HandFrame frame, FingerSpot spot, PlaceWord word)
    {
        if (instrument.Numbering == Numbering.ByLetter)
        {
            return word switch
            {
                PlaceWord.Low when !spot.Reach => spot.Semitones - 1,
                PlaceWord.High when !spot.Reach => spot.Semitones + 1,
                PlaceWord.Forward when spot.Reach => spot.Semitones,
                PlaceWord.Regular when !spot.Reach => spot.Semitones,
                _ => null,
            };
        }

        return word switch
        {
            PlaceWord.Regular when frame.Stretch == Stretch.None => spot.Semitones,
            PlaceWord.Back when frame.Stretch == Stretch.Back && spot.Moved => spot.Semitones,
            PlaceWord.Forward when frame.Stretch == Stretch.Forward && spot.Moved => spot.Semitones,
            _ => null,
        };
    }

    private static Pitch Spelled(int step, int midi) => Pitch.FromStep(step, midi - Pitch.FromStep(step).Midi);
}
