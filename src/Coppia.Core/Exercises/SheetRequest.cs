using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Reading;
using Coppia.Core.Shapes;

namespace Coppia.Core.Exercises;

/// <summary>What a sheet is asked to train, and with what.</summary>
public sealed record SheetRequest
{
    /// <summary>Most questions, or bars of music to play, in one exercise.</summary>
    public const int MostCount = 60;

    public required ExerciseKind Kind { get; init; }

    /// <summary>
    /// Who gets it: one player, or several that get the same content, each in their own clef and octave.
    /// </summary>
    public required IReadOnlyList<Player> Players { get; init; }

    /// <summary>
    /// The key; null for the tune's, else the school's first, or for kinds that ask about keys the usual ones.
    /// </summary>
    public ScaleKey? Key { get; init; }

    /// <summary>Letters of the strings that may be used; empty for all that the class has.</summary>
    public IReadOnlyList<Letter> Strings { get; init; } = [];

    /// <summary>The lowest written note of the first player; null for no limit.</summary>
    public Pitch? Lowest { get; init; }

    /// <summary>The highest written note of the first player; null for no limit.</summary>
    public Pitch? Highest { get; init; }

    /// <summary>Note values to use; empty for those that the class knows, or a kind's own.</summary>
    public IReadOnlyList<NoteValue> Values { get; init; } = [];

    /// <summary>Meter of rhythms and exercises; null for the tune's, else 4/4.</summary>
    public TimeSignature? Meter { get; init; }

    /// <summary>One octave or two, for scales and arpeggios.</summary>
    public int Octaves { get; init; } = 1;

    /// <summary>Questions, or bars to play, 1 to 60; null for the kind's usual number.</summary>
    public int? Count { get; init; }

    public int Seed { get; init; } = 1;

    /// <summary>The tune that it is made from, as each player reads it; empty for none.</summary>
    public IReadOnlyList<PlayerReading> From { get; init; } = [];

    public Player First => Players[0];

    /// <summary>The key that music is made in.</summary>
    public ScaleKey MusicKey =>
        Key ?? (From.Count > 0 ? OfTune(From[0].Score.Key) : new ScaleKey(First.Style.FirstKeyFifths, ScaleForm.Major));

    public TimeSignature MusicMeter => Meter ?? (From.Count > 0 ? From[0].Score.Time : null) ?? new TimeSignature(4, 4);

    /// <summary>A note of this value may be written: one that is asked for, or else one that everybody knows.</summary>
    public bool MayWrite(NoteValue value) =>
        Values.Count > 0 ? Values.Contains(value) : Players.All(p => p.Known.Values.Contains(value));

    /// <summary>A rest of this value may be written: one that everybody knows.</summary>
    public bool MayRest(NoteValue value) =>
        Players.All(p => p.Known.Things is null ? p.Known.Has(Skills.Rests) : p.Known.Knows(new KnownRest(value)));

    /// <summary>So many notes of this value fill a bar of a drill, with nothing over.</summary>
    public bool FillsDrillBar(NoteValue value) => Fills(value, DrillMeter);

    /// <summary>So many notes of this value fill a bar, with nothing over.</summary>
    internal static bool Fills(NoteValue value, TimeSignature meter) =>
        (meter.BarLength / value.Length).Denominator == 1;

    /// <summary>
    /// Opened hands belong to a sheet that asks for them: a drill of stretches, a scale that has to be whole, a key
    /// whose flats the hand reaches back for, or a class that knows them by its record.
    /// </summary>
    internal bool Stretches(Player player, in Placement at, Pitch pitch) =>
        !at.Place.IsStretch
        || at.Word == PlaceWord.Back && pitch.Alter < 0
        || Kind.OpensTheHand
        || player.Known.Things is not null && player.Known.Knows(new KnownFinger(player.Instrument.Id, at.Place));

    /// <summary>The meter of drills, whose patterns are of four beats whatever the tune's meter is.</summary>
    public TimeSignature DrillMeter => Meter ?? new TimeSignature(4, 4);

    /// <summary>A fault that concerns one of the players.</summary>
    public SheetImpossibleException Impossible(SheetFault fault, Instrument? whose = null) =>
        new(fault, Kind, whose ?? First.Instrument) { Key = MusicKey };

    private static ScaleKey OfTune(KeySignature key) =>
        new(key.Fifths, key.Mode == Mode.Minor ? ScaleForm.NaturalMinor : ScaleForm.Major);
}
