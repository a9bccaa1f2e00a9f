namespace Coppia.Core;

public enum LowHighLabel { Letters, Arrows, Words }

public enum CelloBackLabel { X1, L1 }

public enum BassFingers { OneTwoFour, OneThreeFour }

/// <summary>Open string or fourth finger on violin and viola (handbook 6).</summary>
public enum FourthFinger { OpenFirst, Balanced, FourthFirst }

public enum NoteNames { English, German, FixedDo }

public enum OctaveNames { HighLow, Number, None }

/// <summary>What schools do differently (handbook 17): one immutable value, passed in wherever it matters.</summary>
public sealed record HouseStyle
{
    public static readonly HouseStyle Default = new();

    public LowHighLabel LowHigh { get; init; } = LowHighLabel.Letters;

    public CelloBackLabel CelloBack { get; init; } = CelloBackLabel.X1;

    public BassFingers BassFingers { get; init; } = BassFingers.OneTwoFour;

    public FourthFinger FourthFinger { get; init; } = FourthFinger.Balanced;

    public NoteNames NoteNames { get; init; } = NoteNames.English;

    public OctaveNames OctaveNames { get; init; } = OctaveNames.HighLow;

    /// <summary>Tapes by instrument id; an instrument that is not named has its default tapes.</summary>
    public IReadOnlyDictionary<string, IReadOnlyList<Tape>> Tapes { get; init; } = new Dictionary<string, IReadOnlyList<Tape>>();

    public IReadOnlyList<Tape> TapesOf(Instrument instrument) => Tapes.TryGetValue(instrument.Id, out var tapes) ? tapes : instrument.DefaultTapes;
}
