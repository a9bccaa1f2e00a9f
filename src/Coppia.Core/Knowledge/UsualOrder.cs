using Coppia.Core.Instruments;
using Coppia.Core.Music;

namespace Coppia.Core.Knowledge;

/// <summary>A stage of the usual first-year order (craft 15, common practice).</summary>
public enum Stage
{
    OpenStrings,
    FirstFingers,
    SlursByTwo,
    RestsAndEighths,
    NextStringDown,
    OuterString,
    LowSecond,
    DottedHalf,
    FourthFinger,
    LowFirst,
    LowFourthHighThird,
    Sixteenths,
    Positions,
}

/// <summary>
/// What a class usually learns first, and then (craft 15, common practice), from the tables of its instruments.
/// </summary>
public static class UsualOrder
{
    public static readonly IReadOnlyList<Stage> Stages = Enum.GetValues<Stage>();

    /// <summary>
    /// What the D-major scale is built of above an open string, in semitones, as far as a closed hand reaches.
    /// </summary>
    private static readonly int[] FirstPlaces = [2, 4, 5];

    /// <summary>Everything up to a stage, it included.</summary>
    /// <param name="section">The instruments of the class.</param>
    public static IReadOnlySet<KnownThing> UpTo(Stage stage, IReadOnlyCollection<Instrument> section) =>
        Stages.Where(s => s <= stage).SelectMany(s => Of(s, section)).ToHashSet();

    /// <summary>What a stage adds.</summary>
    public static IReadOnlySet<KnownThing> Of(Stage stage, IReadOnlyCollection<Instrument> section) =>
        Shared(stage).Concat(section.SelectMany(i => OfInstrument(stage, i))).ToHashSet();

    private static KnownThing[] Shared(Stage stage) =>
        stage switch
        {
            Stage.OpenStrings =>
            [
                new KnownMeter(4, 4),
                new KnownValue(new NoteValue(2)),
                new KnownValue(new NoteValue(1)),
            ],
            Stage.FirstFingers =>
            [
                new KnownKey(2),
                new KnownValue(new NoteValue(0)),
                new KnownMeter(2, 4),
                new KnownSign(LearnedSign.Repeat),
            ],
            Stage.SlursByTwo => [new KnownSlur(2)],
            Stage.RestsAndEighths =>
            [
                new KnownValue(new NoteValue(3)),
                .. Enumerable.Range(0, 3).Select(log => new KnownRest(new NoteValue(log))),
            ],
            Stage.NextStringDown => [new KnownKey(1)],
            Stage.LowSecond => [new KnownKey(0), new KnownSign(LearnedSign.Accidental)],
            Stage.DottedHalf => [new KnownValue(new NoteValue(1, 1)), new KnownMeter(3, 4)],
            Stage.LowFirst => [new KnownKey(-1), new KnownKey(-2)],
            Stage.LowFourthHighThird => [new KnownKey(3), new KnownKey(-3)],
            Stage.Sixteenths => [new KnownValue(new NoteValue(4))],
            _ => [],
        };

    private static IEnumerable<KnownThing> OfInstrument(Stage stage, Instrument instrument)
    {
        var hand = new FirstYear(instrument);
        return stage switch
        {
            Stage.OpenStrings => hand.First.Concat(hand.Later).Select(hand.Open),
            Stage.FirstFingers => hand.First.SelectMany(s => hand.At(s, FirstPlaces)).Concat(hand.RestOfTheScale()),
            Stage.NextStringDown => hand.Later.Take(1).SelectMany(s => hand.At(s, FirstPlaces)),
            Stage.OuterString => hand.Later.Skip(1).SelectMany(s => hand.At(s, FirstPlaces)),
            Stage.LowSecond => hand.All.SelectMany(s => hand.At(s, [3], p => p.Alter == 0)),
            Stage.FourthFinger => instrument.FourthStandsForOpen ? hand.All.SelectMany(s => hand.At(s, [7])) : [],
            Stage.LowFirst => hand
                .All.SelectMany(s => hand.At(s, [1], p => p.Alter == 0 || Flats.Contains(p.Name)))
                .Concat(hand.All.SelectMany(s => hand.At(s, [3], p => Flats.Contains(p.Name)))),
            Stage.LowFourthHighThird => hand.All.SelectMany(s => hand.At(s, [6], p => Math.Abs(p.Alter) == 1)),
            Stage.Positions => hand.NextPositions(),
            _ => [],
        };
    }

    /// <summary>The flats that low first fingers play first.</summary>
    private static readonly string[] Flats = ["B♭", "E♭"];
}
