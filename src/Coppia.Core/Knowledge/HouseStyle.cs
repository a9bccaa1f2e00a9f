using Coppia.Core.Instruments;

namespace Coppia.Core.Knowledge;

public enum LowHighLabel
{
    Letters,
    Arrows,
    Words,
}

public enum CelloBackLabel
{
    X1,
    L1,
}

/// <summary>How extended 4 of violin and viola is printed: x4, 4+, or "reach 4".</summary>
public enum ExtendedFourthLabel
{
    X4,
    FourPlus,
    Words,
}

/// <summary>Open string or fourth finger on violin and viola (craft 6).</summary>
public enum FourthFinger
{
    OpenFirst,
    Balanced,
    FourthFirst,
}

public enum NoteNames
{
    English,
    German,
    FixedDo,
}

public enum OctaveNames
{
    HighLow,
    Number,
    None,
}

/// <summary>How beats are said (craft 9).</summary>
public enum CountingSystem
{
    Numbers,
    Ta,
    Te,
    Words,
}

/// <summary>Whether 6/8 and its kind are counted in dotted beats or in their eighths.</summary>
public enum CompoundCounting
{
    Eighths,
    DottedBeats,
}

public enum ValueNames
{
    American,
    British,
}

/// <summary>What louder asks of the bow besides more weight; teachers disagree (craft 8).</summary>
public enum LoudBow
{
    HeavierFaster,
    HeavierSlower,
}

public enum AfterLongRest
{
    RetakeDown,
    GoOn,
}

/// <summary>A teacher's own name and mark for a hand shape.</summary>
/// <param name="Name">At most 40 characters.</param>
/// <param name="Mark">A sign of one or two characters; may be empty.</param>
public sealed record ShapeNickname(string Name, string Mark);

/// <summary>What schools do differently (craft 17): one immutable value, passed in wherever it matters.</summary>
public sealed record HouseStyle
{
    public static readonly HouseStyle Default = new();

    public LowHighLabel LowHigh { get; init; } = LowHighLabel.Letters;

    public CelloBackLabel CelloBack { get; init; } = CelloBackLabel.X1;

    public ExtendedFourthLabel ExtendedFourth { get; init; } = ExtendedFourthLabel.X4;

    public FourthFinger FourthFinger { get; init; } = FourthFinger.Balanced;

    public NoteNames NoteNames { get; init; } = NoteNames.English;

    public OctaveNames OctaveNames { get; init; } = OctaveNames.HighLow;

    public CountingSystem Counting { get; init; } = CountingSystem.Numbers;

    public CompoundCounting Compound { get; init; } = CompoundCounting.Eighths;

    public ValueNames ValueNames { get; init; } = ValueNames.American;

    public LoudBow LoudBow { get; init; } = LoudBow.HeavierFaster;

    public AfterLongRest AfterLongRest { get; init; } = AfterLongRest.RetakeDown;

    /// <summary>
    /// Words for the rhythms of a beat, by pattern (Wording/WordRhythms); a pattern that is not named keeps its shipped
    /// word.
    /// </summary>
    public IReadOnlyDictionary<string, string> WordRhythms { get; init; } = new Dictionary<string, string>();

    /// <summary>
    /// The first key that classes learn, as a major signature of −7 to +7 fifths: what other keys are compared with. D
    /// major by default (common practice).
    /// </summary>
    public int FirstKeyFifths { get; init; } = 2;

    /// <summary>Tapes by instrument id; an instrument that is not named has its default tapes.</summary>
    public IReadOnlyDictionary<string, IReadOnlyList<Tape>> Tapes { get; init; } =
        new Dictionary<string, IReadOnlyList<Tape>>();

    /// <summary>
    /// The teacher's own names of hand shapes, by the shape's descriptive name; a shape that is not named keeps its
    /// descriptive name.
    /// </summary>
    public IReadOnlyDictionary<string, ShapeNickname> ShapeNames { get; init; } =
        new Dictionary<string, ShapeNickname>();

    /// <summary>
    /// For an instrument that schools finger in several ways, which one, by instrument id; else the first of its table.
    /// </summary>
    public IReadOnlyDictionary<string, string> Alternatives { get; init; } = new Dictionary<string, string>();

    /// <summary>The instrument of this name as the school fingers it; null for an unknown name.</summary>
    public Instrument? Instrument(string id) => StringSection.Named(id) is { } known ? Fingered(known) : null;

    /// <summary>An instrument with the hand frames that the school has chosen.</summary>
    public Instrument Fingered(Instrument instrument) =>
        Alternatives.TryGetValue(instrument.Id, out var name)
        && instrument.Alternatives.FirstOrDefault(a => a.Name == name) is { } chosen
            ? instrument with
            {
                Frames = chosen.Frames,
            }
            : instrument;

    public IReadOnlyList<Tape> TapesOf(Instrument instrument) =>
        Tapes.TryGetValue(instrument.Id, out var tapes) ? tapes : instrument.DefaultTapes;
}
