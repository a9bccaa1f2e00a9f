using Coppia.Core.Instruments;
using Coppia.Core.Music;

namespace Coppia.Core.Knowledge;

/// <summary>What a class can do beside reading notes and placing fingers.</summary>
[Flags]
public enum Skills
{
    None = 0,
    FourthFinger = 1,
    Stretches = 2,
    Rests = 4,
    Ties = 8,
    Slurs = 16,
    Hooks = 32,
    Lifts = 64,
    PickUps = 128,
    All = 255,
}

/// <summary>
/// What a class has learned, as a value: the positions and strings that its hands may use, and what it can read. Two values that allow
/// the same are equal, so that what was computed for one serves the other.
/// </summary>
public sealed record ClassKnowledge
{
    /// <summary>Note values of a first year: whole, dotted half, half, quarter, eighth (craft 15, common practice).</summary>
    private static readonly IReadOnlySet<NoteValue> FirstYear = new HashSet<NoteValue>
    {
        new(0),
        new(1, 1),
        new(1),
        NoteValue.Quarter,
        new(3),
    };

    /// <summary>A class in its first year, with what each instrument's table gives beginners.</summary>
    public static readonly ClassKnowledge Beginner = new();

    /// <summary>Heights of the positions by instrument id; an instrument that is not named has its beginner's positions.</summary>
    public IReadOnlyDictionary<string, IReadOnlySet<int>> Heights { get; init; } = new Dictionary<string, IReadOnlySet<int>>();

    /// <summary>Letters of the strings in use by instrument id; an instrument that is not named has all of its strings.</summary>
    public IReadOnlyDictionary<string, IReadOnlySet<Letter>> Strings { get; init; } = new Dictionary<string, IReadOnlySet<Letter>>();

    public IReadOnlySet<NoteValue> Values { get; init; } = FirstYear;

    public Skills Skills { get; init; } = Skills.All;

    /// <summary>A name that differs between any two values that allow different things.</summary>
    public string Key =>
        string.Join(
            ';',
            Heights
                .OrderBy(h => h.Key, StringComparer.Ordinal)
                .Select(h => $"{h.Key}:{string.Join(',', h.Value.Order())}")
                .Concat(Strings.OrderBy(s => s.Key, StringComparer.Ordinal).Select(s => $"{s.Key}={string.Join(',', s.Value.Order())}"))
                .Append($"{(int)Skills}")
                .Append(string.Join(',', Values.Select(v => v.Length).Order()))
        );

    public bool Has(Skills skill) => (Skills & skill) != 0;

    /// <summary>The class may play in this hand frame.</summary>
    public bool Allows(Instrument instrument, HandFrame frame) =>
        (Heights.TryGetValue(instrument.Id, out var heights) ? heights : instrument.BeginnerHeights).Contains(frame.Height);

    /// <summary>The class plays on this string.</summary>
    /// <param name="string">0 = lowest sounding.</param>
    public bool Allows(Instrument instrument, int @string) =>
        !Strings.TryGetValue(instrument.Id, out var letters) || letters.Contains(instrument.Strings[@string].Letter);

    /// <summary>For each hand frame of an instrument, in order, whether the class may play in it.</summary>
    public IReadOnlyList<bool> Frames(Instrument instrument) => [.. instrument.Frames.Select(f => Allows(instrument, f))];

    public bool Equals(ClassKnowledge? other) => other is not null && Key == other.Key;

    public override int GetHashCode() => Key.GetHashCode(StringComparison.Ordinal);
}
