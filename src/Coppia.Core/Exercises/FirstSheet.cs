using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Reading;

namespace Coppia.Core.Exercises;

/// <summary>
/// The sheet that a teacher would make of a tune before its first lesson: its notes, drills for what is new in it, its
/// key's scale, its commonest rhythm, drills for what makes it hard, and its trouble spots grown note by note (craft
/// 12).
/// </summary>
public static class FirstSheet
{
    private const int Notes = 8;
    private const int MostDrills = 2;
    private const int DrillBars = 8;
    private const int Spots = 2;

    /// <summary>
    /// What is asked for, in the order of the page; whatever cannot be made for the players is left out.
    /// </summary>
    /// <param name="readings">The tune as each player reads it.</param>
    /// <param name="fresh">What is new to the class in it.</param>
    public static IReadOnlyList<SheetRequest> Of(
        IReadOnlyList<PlayerReading> readings,
        int seed,
        IEnumerable<KnownThing> fresh
    )
    {
        var tune = new SheetRequest
        {
            Kind = ExerciseKind.FingerIt,
            Players = [.. readings.Select(r => r.Player)],
            From = readings,
            Seed = seed,
        };
        ExerciseKind[] teaching = [.. fresh.SelectMany(DrillsFor).Distinct()];
        var notes = tune with { Count = Notes };
        var scale = tune with { Kind = ExerciseKind.Scale };
        var rhythm = tune with { Kind = ExerciseKind.Rhythm };
        var chunks = tune with { Kind = ExerciseKind.Chunk, Count = Spots };
        SheetRequest[] wanted =
        [
            notes,
            .. teaching.Select(Drill).Where(IsPossible).Take(MostDrills),
            scale,
            rhythm,
            .. Drills(readings).Except(teaching).Select(Drill).Where(IsPossible).Take(MostDrills),
            chunks,
        ];
        return [.. wanted.Where(IsPossible)];

        SheetRequest Drill(ExerciseKind kind) =>
            tune with
            {
                Kind = kind,
                Count = DrillBars,
                From = [],
                Key = tune.MusicKey,
                Meter = kind == ExerciseKind.CountIt ? tune.MusicMeter : null,
            };
    }

    /// <summary>
    /// What trains a new thing, the nearest first; nothing for what one only has to be shown (craft 12).
    /// </summary>
    public static IReadOnlyList<ExerciseKind> DrillsFor(KnownThing thing) =>
        thing switch
        {
            KnownFinger { Place: { Reach: true } or { IsStretch: true } } => [ExerciseKind.Stretch],
            KnownFinger { Place: { Finger: 4, Word: PlaceWord.Regular } } => [ExerciseKind.OpenOrFour],
            KnownFinger { Place.Word: PlaceWord.Low or PlaceWord.High } =>
            [
                ExerciseKind.LowHigh,
                ExerciseKind.TwoPlaces,
            ],
            KnownPosition => [ExerciseKind.BassFrames, ExerciseKind.TwoHeights],
            KnownNote or KnownFinger => [ExerciseKind.WriteIt],
            KnownKey => [ExerciseKind.Signature, ExerciseKind.ShapeDrill],
            KnownMeter or KnownValue or KnownRest or KnownRhythm => [ExerciseKind.CountIt],
            KnownSlur => [ExerciseKind.Slurs],
            KnownSign { Sign: LearnedSign.Hook } => [ExerciseKind.Hooked],
            _ => [],
        };

    /// <summary>Drills for what makes the steps of the tune hard, the worst first.</summary>
    private static IEnumerable<ExerciseKind> Drills(IReadOnlyList<PlayerReading> readings) =>
        readings
            .SelectMany(r => r.Trouble)
            .SelectMany(t =>
                t.Parts.Select(p => (Kind: DrillFor(p.Part), p.Points))
                    .Append((Kind: t.IsQuick ? ExerciseKind.QuickFigure : null as ExerciseKind, Points: t.Points / 3))
            )
            .Where(d => d.Kind is not null)
            .GroupBy(d => d.Kind!)
            .OrderByDescending(g => g.Sum(d => d.Points))
            .ThenBy(g => g.Key.Order)
            .Select(g => g.Key);

    private static ExerciseKind? DrillFor(TroublePart part) =>
        part switch
        {
            TroublePart.Crossing
            or TroublePart.SkippedString
            or TroublePart.SlurOverCrossing
            or TroublePart.FingerHops => ExerciseKind.Crossing,
            TroublePart.Skip or TroublePart.FingersPut or TroublePart.FingersLifted => ExerciseKind.Thirds,
            TroublePart.FingerMoves => ExerciseKind.TwoPlaces,
            TroublePart.TwoHeights => ExerciseKind.TwoHeights,
            TroublePart.Stretch => ExerciseKind.Stretch,
            TroublePart.Shift or TroublePart.Slide => ExerciseKind.BassFrames,
            TroublePart.OddRhythm => ExerciseKind.CountIt,
            _ => null,
        };

    private static bool IsPossible(SheetRequest request) => Possible.Is(() => Sheet.Of(request).Count > 0);
}
