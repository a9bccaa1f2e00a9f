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
/// What a class has learned, as a value: the positions and strings that its hands may use, and what it can read. Two
/// values that allow the same are equal, so that what was computed for one serves the other.
/// </summary>
public sealed record ClassKnowledge
{
    /// <summary>
    /// Note values of a first year: whole, dotted half, half, quarter, eighth (craft 15, common practice).
    /// </summary>
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

    /// <summary>
    /// Heights of the positions by instrument id; an instrument that is not named has its beginner's positions.
    /// </summary>
    public IReadOnlyDictionary<string, IReadOnlySet<int>> Heights { get; init; } =
        new Dictionary<string, IReadOnlySet<int>>();

    /// <summary>
    /// Letters of the strings in use by instrument id; an instrument that is not named has all of its strings.
    /// </summary>
    public IReadOnlyDictionary<string, IReadOnlySet<Letter>> Strings { get; init; } =
        new Dictionary<string, IReadOnlySet<Letter>>();

    /// <summary>Places of the fingers by instrument id; an instrument that is not named has all of them.</summary>
    public IReadOnlyDictionary<string, IReadOnlySet<FingerPlace>> Fingers { get; init; } =
        new Dictionary<string, IReadOnlySet<FingerPlace>>();

    public IReadOnlySet<NoteValue> Values { get; init; } = FirstYear;

    public Skills Skills { get; init; } = Skills.All;

    /// <summary>
    /// Everything that the class's record says it knows; null where no record is kept, so that nothing can be called
    /// new.
    /// </summary>
    public IReadOnlySet<KnownThing>? Things { get; init; }

    /// <summary>A name that differs between any two values that allow different things.</summary>
    public string Key =>
        string.Join(
            ';',
            ByInstrument(Heights, ':')
                .Concat(ByInstrument(Strings, '='))
                .Concat(ByInstrument(Fingers, '/'))
                .Append($"{(int)Skills}")
                .Append(string.Join(',', Values.Select(v => v.Length).Order()))
                .Concat(Things?.Select(t => $"{t}").Order(StringComparer.Ordinal).Prepend("things") ?? [])
        );

    /// <summary>What matters for where fingers are placed; what can be read is left out.</summary>
    public ClassKnowledge Hands =>
        new()
        {
            Heights = Heights,
            Strings = Strings,
            Fingers = Fingers,
            Skills = Skills | (Skills.All & ~HandSkills),
        };

    private const Skills HandSkills = Skills.FourthFinger | Skills.Stretches;

    /// <summary>
    /// The knowledge of a class whose record lists what it knows. An instrument of which the record has nothing keeps
    /// its beginner's positions.
    /// </summary>
    public static ClassKnowledge Of(IEnumerable<KnownThing> known)
    {
        var things = known.ToHashSet();
        return new()
        {
            Things = things,
            Heights = EachInstrument(
                things,
                (instrument, own) =>
                {
                    var positions = own.OfType<KnownPosition>().Select(p => p.Position).ToHashSet();
                    // Everybody begins in first position, whatever else is known.
                    return instrument
                        .Frames.Where(f => positions.Contains(f.Position))
                        .Select(f => f.Height)
                        .Append(instrument.FirstHeight);
                }
            ),
            Strings = EachInstrument(things, (_, own) => own.OfType<KnownNote>().Select(n => n.Open.Letter)),
            Fingers = EachInstrument(things, (_, own) => own.OfType<KnownFinger>().Select(f => f.Place)),
            Values = things.OfType<KnownValue>().Select(v => v.Value).ToHashSet(),
            Skills =
                HandSkills
                | If(things.Any(t => t is KnownRest), Skills.Rests)
                | If(things.Any(t => t is KnownSlur), Skills.Slurs)
                | If(things.Contains(new KnownSign(LearnedSign.Tie)), Skills.Ties)
                | If(things.Contains(new KnownSign(LearnedSign.Hook)), Skills.Hooks)
                | If(things.Contains(new KnownSign(LearnedSign.Lift)), Skills.Lifts)
                | If(things.Contains(new KnownSign(LearnedSign.PickUp)), Skills.PickUps),
        };

        static Skills If(bool known, Skills skill) => known ? skill : Skills.None;
    }

    /// <summary>The same class when it has learned some things more; where no record is kept, the same.</summary>
    public ClassKnowledge With(IEnumerable<KnownThing> learned) => Things is null ? this : Of(Things.Concat(learned));

    public bool Has(Skills skill) => (Skills & skill) != 0;

    /// <summary>The class knows a thing; where no record is kept, everything.</summary>
    public bool Knows(KnownThing thing) => Things?.Contains(thing) ?? true;

    /// <summary>The class may put a finger at this kind of place.</summary>
    public bool Allows(Instrument instrument, FingerPlace place) =>
        (place.Finger != 4 || instrument.Numbering != Numbering.ByLetter || Has(Skills.FourthFinger))
        && (!place.IsStretch || Has(Skills.Stretches))
        && (!Fingers.TryGetValue(instrument.Id, out var places) || places.Contains(place.AsLearned()));

    /// <summary>The class may play in this hand frame.</summary>
    public bool Allows(Instrument instrument, HandFrame frame) =>
        (Heights.TryGetValue(instrument.Id, out var heights) ? heights : instrument.BeginnerHeights).Contains(
            frame.Height
        );

    /// <summary>The class plays on this string.</summary>
    /// <param name="string">0 = lowest sounding.</param>
    public bool Allows(Instrument instrument, int @string) =>
        !Strings.TryGetValue(instrument.Id, out var letters) || letters.Contains(instrument.Strings[@string].Letter);

    /// <summary>For each hand frame of an instrument, in order, whether the class may play in it.</summary>
    public IReadOnlyList<bool> Frames(Instrument instrument) =>
        [.. instrument.Frames.Select(f => Allows(instrument, f))];

    private static Dictionary<string, IReadOnlySet<T>> EachInstrument<T>(
        HashSet<KnownThing> things,
        Func<Instrument, KnownThing[], IEnumerable<T>> of
    ) =>
        things
            .Where(t => t.InstrumentId is not null)
            .GroupBy(t => t.InstrumentId!)
            .Select(g => (Instrument: StringSection.Named(g.Key), Own: g.ToArray()))
            .Where(g => g.Instrument is not null)
            .ToDictionary(g => g.Instrument!.Id, g => (IReadOnlySet<T>)of(g.Instrument!, g.Own).ToHashSet());

    private static IEnumerable<string> ByInstrument<T>(IReadOnlyDictionary<string, IReadOnlySet<T>> each, char sign) =>
        each.OrderBy(e => e.Key, StringComparer.Ordinal)
            .Select(e => $"{e.Key}{sign}{string.Join(',', e.Value.Select(v => $"{v}").Order(StringComparer.Ordinal))}");

    public bool Equals(ClassKnowledge? other) => other is not null && Key == other.Key;

    public override int GetHashCode() => Key.GetHashCode(StringComparison.Ordinal);
}
