using Coppia.Core.Fingering;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Exercises;

/// <summary>
/// A letter in two places of one string: low against high, and one finger that moves (craft 7 and 12).
/// </summary>
internal static class SlidePlay
{
    /// <summary>Letters that a first class meets sharp; the others it meets flat.</summary>
    private static readonly Letter[] MetSharp = [Letter.F, Letter.C, Letter.G, Letter.D];

    private const int BarsOfOne = 4;

    /// <summary>A note of the ground and its other alteration, with its place, for each player.</summary>
    private sealed record Slide(Tone[] Own, Pitch[] Other, Placement[] OtherPlaces, bool OwnIsHigher);

    /// <summary>A letter low and high, with whichever finger each has.</summary>
    public static IReadOnlyList<PlayQuestion> LowAndHigh(SheetRequest request, Seeded seeded) =>
        Of(request, seeded, oneFinger: false);

    /// <summary>One finger in two places, while others play.</summary>
    public static IReadOnlyList<PlayQuestion> OneFinger(SheetRequest request, Seeded seeded) =>
        Of(request, seeded, oneFinger: true);

    private static IReadOnlyList<PlayQuestion> Of(SheetRequest request, Seeded seeded, bool oneFinger)
    {
        var ground = NoteStock.Of(request);
        Slide[] slides = [.. Slides(ground, request, oneFinger)];
        // On the same string for all the open string between is the same note, too.
        if (slides.Where(s => OnOneString(s, request)).ToArray() is { Length: > 0 } alike)
            slides = alike;
        if (slides.Length == 0)
        {
            var fault = oneFinger ? SheetFault.NoTwoPlaces : SheetFault.NoLowHigh;
            throw new SheetImpossibleException(fault, request.Kind, request.First.Instrument)
            {
                Key = request.MusicKey,
                PossibleKeys = LeftHandPlay.KeysWith(
                    request,
                    k => IsPossible(request with { Key = k, From = [] }, oneFinger)
                ),
            };
        }

        var most = ((request.Count ?? BarsOfOne * 3) + BarsOfOne - 1) / BarsOfOne;
        Slide[] chosen = [.. seeded.Shuffled(slides).OrderBy(Rarity).Take(most).OrderBy(s => s.Own[0].Pitch.Midi)];
        return LeftHandPlay.ForEach(
            request,
            (bars, p) =>
            {
                foreach (var slide in chosen)
                    Add(bars, slide, request.Players[p], p, oneFinger);
            }
        );
    }

    private static void Add(DrillBars bars, Slide slide, Player player, int p, bool oneFinger)
    {
        var own = Note(slide.Own[p].Pitch, oneFinger ? Pinned(slide.Own[p].Place) : null);
        var other = Note(slide.Other[p], oneFinger ? Pinned(slide.OtherPlaces[p]) : null);
        var (high, low) = slide.OwnIsHigher ? (own, other) : (other, own);
        var open = Note(player.Instrument.Strings[slide.Own[p].Place.String]);
        if (oneFinger)
        {
            // Other notes lie between the two places, so that the hand has to remember.
            bars.OnBeats(open, high, open, low);
            bars.OnBeats(low, open, high, open);
            bars.OnBeats(high, open, open, low);
            bars.OnBeats(low, high, low, open);
            return;
        }

        bars.Slowly(high, low);
        bars.Slowly(low, high);
        bars.OnBeats(high, low, high, low);
        bars.OnBeats(open, high, low, open);
    }

    private static bool OnOneString(Slide slide, SheetRequest request) =>
        slide.Own.Zip(request.Players, (t, p) => p.Instrument.Strings[t.Place.String].Letter).Distinct().Count() == 1;

    private static PairedNote Note(Pitch pitch, Pin? pin = null) => new(pitch, NoteValue.Quarter, pin);

    private static Pin Pinned(in Placement place) => new(place.String, place.Finger);

    /// <summary>
    /// What a class meets first comes first: F and C with their sharps, then B and E with their flats.
    /// </summary>
    private static int Rarity(Slide slide) =>
        slide.Own[0].Pitch.Letter switch
        {
            Letter.F or Letter.C => 0,
            Letter.B or Letter.E => 1,
            Letter.G => 2,
            _ => 3,
        };

    private static bool IsPossible(SheetRequest request, bool oneFinger) =>
        Possible.Is(() => Slides(NoteStock.Of(request), request, oneFinger).Any());

    private static IEnumerable<Slide> Slides(NoteStock ground, SheetRequest request, bool oneFinger)
    {
        foreach (var tones in ground.Notes)
        {
            var (letter, alter) = (tones[0].Pitch.Letter, tones[0].Pitch.Alter);
            var other =
                alter != 0 ? 0
                : MetSharp.Contains(letter) ? 1
                : -1;
            Pitch[] others = [.. tones.Select(t => new Pitch(t.Pitch.Letter, other, t.Pitch.Octave))];
            Placement?[] places =
            [
                .. others.Zip(
                    request.Players,
                    // The other place is what the drill teaches, and need not be known.
                    (o, player) =>
                        PlainPlace.Of(
                            new Player(player.Instrument, player.Style),
                            o,
                            PlainPlace.HeightOf(player.Instrument, request.MusicKey)
                        )
                ),
            ];
            var fits = tones
                .Zip(places, request.Players)
                .All(t => t.Second is { } at && IsSlide(t.First.Place, at, t.Third, oneFinger));
            if (fits)
                yield return new Slide(tones, others, [.. places.Select(p => p!.Value)], alter > other);
        }
    }

    private static bool IsSlide(in Placement a, in Placement b, Player player, bool oneFinger)
    {
        var mustBeOne = oneFinger || player.Instrument.Numbering == Numbering.ByLetter;
        return a.String == b.String
            && !a.IsOpen
            && !b.IsOpen
            && !b.Reach
            && (!mustBeOne || a.Finger == b.Finger && a.Semitones != b.Semitones);
    }
}
