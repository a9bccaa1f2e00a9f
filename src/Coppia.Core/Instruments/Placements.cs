using System.Collections.Concurrent;
using System.Runtime.CompilerServices;
using Coppia.Core.Music;

namespace Coppia.Core.Instruments;

/// <summary>All places that sound a written pitch on an instrument, from its tables (craft 3).</summary>
public static class Placements
{
    /// <summary>The fingered ways of every pitch that was asked for, as long as the instrument's table lives.</summary>
    private static readonly ConditionalWeakTable<
        Instrument,
        ConcurrentDictionary<Pitch, IReadOnlyList<Placement>>
    > Known = [];

    /// <summary>
    /// Every fingered way in every hand frame; then open strings, given once in the frame <paramref name="openFrame"/>.
    /// </summary>
    public static IEnumerable<Placement> Of(Instrument instrument, Pitch pitch, int openFrame) =>
        Fingered(instrument, pitch).Concat(Open(instrument, pitch, openFrame));

    public static IEnumerable<Placement> Open(Instrument instrument, Pitch pitch, int frame)
    {
        for (var s = 0; s < instrument.Strings.Count; s++)
        {
            if (instrument.SemitonesAbove(s, pitch) == 0)
                yield return new Placement(s, 0, 0, frame, PlaceWord.Open);
        }
    }

    /// <summary>Every fingered way, the highest string first, the lowest hand frame first.</summary>
    public static IReadOnlyList<Placement> Fingered(Instrument instrument, Pitch pitch) =>
        Known.GetOrCreateValue(instrument).GetOrAdd(pitch, p => [.. WorkOut(instrument, p)]);

    private static IEnumerable<Placement> WorkOut(Instrument instrument, Pitch pitch)
    {
        var highest = instrument.HighestPlace;
        for (var s = instrument.Strings.Count - 1; s >= 0; s--)
        {
            var semitones = instrument.SemitonesAbove(s, pitch);
            if (semitones < 1 || semitones > highest)
                continue;
            for (var f = 0; f < instrument.Frames.Count; f++)
            {
                foreach (var place in InFrame(instrument, s, semitones, pitch, f))
                    yield return place;
            }
        }
    }

    private static IEnumerable<Placement> InFrame(Instrument instrument, int s, int semitones, Pitch pitch, int f)
    {
        var frame = instrument.Frames[f];
        if (instrument.Numbering == Numbering.BySemitone)
        {
            return frame
                .Spots.Where(spot => spot.Semitones == semitones)
                .Select(spot => new Placement(s, semitones, spot.Finger, f, FrameWord(frame, spot)));
        }

        var letterSteps = pitch.Step - instrument.Strings[s].Step;
        var own = OwnFinger(frame, letterSteps, semitones);
        var ways = own is { } spot ? [Place(spot, ownLetter: true)] : new List<Placement>();
        if (
            own is null && HasLetter(frame, letterSteps)
            || SoundsLikeANeighbour(pitch) && HasLetter(frame, letterSteps)
        )
        {
            var exact = frame.Spots.Where(x => !x.Reach && x.Semitones == semitones).ToArray();
            var near =
                exact.Length > 0
                    ? exact
                    : [.. frame.Spots.Where(x => !x.Reach && Math.Abs(x.Semitones - semitones) == 1)];
            ways.AddRange(near.Where(x => x.Finger != own?.Finger).Select(x => Place(x, ownLetter: false)));
        }

        return ways;

        Placement Place(FingerSpot spot, bool ownLetter) =>
            new(s, semitones, spot.Finger, f, WordFor(spot), ownLetter, spot.Reach);

        PlaceWord WordFor(FingerSpot spot) =>
            spot.Reach ? PlaceWord.Forward
            : !frame.PrintsLowAndHigh || semitones == spot.Semitones ? PlaceWord.Regular
            : semitones < spot.Semitones ? PlaceWord.Low
            : PlaceWord.High;
    }

    /// <summary>
    /// The finger of the note's letter, when it sits at most one semitone off its regular place; a reach only at its
    /// exact place.
    /// </summary>
    private static FingerSpot? OwnFinger(HandFrame frame, int letterSteps, int semitones)
    {
        foreach (var spot in frame.Spots)
        {
            if (spot.LetterSteps == letterSteps && Math.Abs(semitones - spot.Semitones) <= (spot.Reach ? 0 : 1))
                return spot;

            // A raised open letter has no letter finger in first position: first finger against the nut.
            if (letterSteps == 0 && semitones == 1 && spot is { Finger: 1, LetterSteps: 1 })
                return spot;
        }

        return null;
    }

    /// <summary>The letter belongs to a finger of this frame, or is the open string's letter raised.</summary>
    private static bool HasLetter(HandFrame frame, int letterSteps) =>
        frame.Spots.Any(x => !x.Reach && x.LetterSteps == letterSteps)
        || letterSteps == 0 && frame.Spots[0].LetterSteps == 1;

    /// <summary>E♯, B♯, C♭, F♭ and double accidentals sound a neighbour letter's natural place.</summary>
    private static bool SoundsLikeANeighbour(Pitch pitch) =>
        (pitch.Letter, pitch.Alter) switch
        {
            (Letter.E or Letter.B, 1) or (Letter.C or Letter.F, -1) => true,
            (_, 2 or -2) => true,
            _ => false,
        };

    private static PlaceWord FrameWord(HandFrame frame, FingerSpot spot) =>
        (frame.PrintsLowAndHigh && spot.Moved, frame.Stretch) switch
        {
            (true, Stretch.Back) => PlaceWord.Back,
            (true, Stretch.Forward) => PlaceWord.Forward,
            _ => PlaceWord.Regular,
        };
}
