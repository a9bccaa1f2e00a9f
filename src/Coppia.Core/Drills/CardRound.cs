using Coppia.Core.Exercises;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Shapes;

namespace Coppia.Core.Drills;

/// <summary>What stands on a card and what is answered (craft 14).</summary>
public enum CardKind
{
    NoteToName,
    NoteToPair,
    PairToNote,
    NameToPlace,
}

/// <summary>How far a round goes (craft 14).</summary>
public enum CardStage
{
    /// <summary>One string's notes in order, up and down.</summary>
    InOrder,

    /// <summary>One string's notes, mixed.</summary>
    Mixed,

    /// <summary>Two strings' notes, mixed.</summary>
    TwoStrings,

    /// <summary>All notes of the class's range.</summary>
    AllStrings,
}

/// <summary>A round of cards.</summary>
/// <param name="Cards">Twelve, in the order in which they are asked.</param>
/// <param name="Strings">Orders of the strings that they are taken from.</param>
public sealed record CardRound(IReadOnlyList<SheetItem> Cards, IReadOnlyList<int> Strings)
{
    /// <summary>Twelve cards, two minutes (craft 14).</summary>
    public const int Length = 12;

    /// <param name="string">The string that is asked for, or the lower of two, 0 = lowest sounding.</param>
    /// <exception cref="SheetImpossibleException">There are fewer than two notes.</exception>
    public static CardRound Of(Player player, CardKind kind, CardStage stage, int @string, KeySignature key, int seed)
    {
        int[] strings = StringsOf(player, stage, @string);
        var request = new SheetRequest
        {
            Kind = KindOf(kind),
            Players = [player],
            Key = new ScaleKey(key.Fifths, ScaleForm.Major),
            Strings = [.. strings.Select(s => player.Instrument.Strings[s].Letter)],
            Count = Length,
            Seed = seed,
        };
        var ground = NoteStock.Of(request);
        Candidate[] pool = [.. Enumerable.Range(0, ground.Count).Select(n => Card(kind, player, ground.First(n), key))];
        var order =
            stage == CardStage.InOrder
                ? UpAndDown(pool.Length)
                : EvenOrder.Of(pool, Length, new Seeded(seed, $"{kind} {stage}"));
        return new CardRound([.. order.Select(c => SheetItem.Of(pool[c].ForEach[0], player))], strings);
    }

    /// <summary>
    /// The strings of a stage: the one that is asked for, with the next higher one or, from the highest, the next
    /// lower.
    /// </summary>
    private static int[] StringsOf(Player player, CardStage stage, int first)
    {
        var count = player.Instrument.Strings.Count;
        return stage switch
        {
            CardStage.AllStrings => [.. Enumerable.Range(0, count)],
            CardStage.TwoStrings => first + 1 < count ? [first, first + 1] : [first - 1, first],
            _ => [first],
        };
    }

    private static ExerciseKind KindOf(CardKind kind) =>
        kind switch
        {
            CardKind.NoteToName => ExerciseKind.NameIt,
            CardKind.NoteToPair => ExerciseKind.FingerIt,
            CardKind.PairToNote => ExerciseKind.WriteIt,
            _ => ExerciseKind.FindIt,
        };

    private static Candidate Card(CardKind kind, Player player, Tone tone, KeySignature key) =>
        // Mixed cards are mixed: none comes late for being hard.
        new([Question(kind, player, tone, key)], Difficulty: 0, tone.Place.String, tone.Pitch);

    internal static NoteQuestion Question(CardKind kind, Player player, Tone tone, KeySignature key)
    {
        var asksForPlace = kind is CardKind.PairToNote or CardKind.NameToPlace;
        // A pair that the key could mean otherwise is asked by its name.
        var byPair = kind == CardKind.PairToNote && PairNote.Of(player, tone.Place.Pair, key) == tone.Pitch;
        return new NoteQuestion(KindOf(kind).Asks, tone.Pitch, key, asksForPlace ? tone.Place.Pair : null, byPair);
    }

    /// <summary>0 1 2 3 2 1 0 1 … : neighbours, and the ends once each time.</summary>
    private static int[] UpAndDown(int count) =>
        [
            .. Enumerable
                .Range(0, Length)
                .Select(i => i % (2 * count - 2))
                .Select(i => i < count ? i : 2 * count - 2 - i),
        ];
}
