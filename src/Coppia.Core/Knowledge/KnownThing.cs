using Coppia.Core.Instruments;
using Coppia.Core.Music;

namespace Coppia.Core.Knowledge;

/// <summary>What kind of thing a class learns (craft 15), in the order in which it is told.</summary>
public enum ThingKind
{
    Position,
    Finger,
    Note,
    Key,
    Meter,
    Value,
    Rhythm,
    Rest,
    Slur,
    Dynamic,
    Sign,
}

/// <summary>A sign or a thing of the page that is learned once, whatever stands beside it.</summary>
public enum LearnedSign
{
    /// <summary>A sharp, flat or natural before a note, other than the signature says.</summary>
    Accidental,
    PickUp,
    Tie,

    /// <summary>A note off the beat that sounds on over the next one.</summary>
    Syncopation,
    Hook,
    Lift,
    Dots,
    Tenuto,
    Accent,
    Hairpin,
    Fermata,
    Repeat,
    Endings,

    /// <summary>Da capo, segno and their kind.</summary>
    Waymarks,
    TempoWords,
    Pizzicato,
    GraceNotes,
    Ornaments,
    DoubleStops,
    Harmonics,
    ClefChange,
}

/// <summary>
/// One thing that a class knows or meets in a tune. Things that are the same are equal.
/// </summary>
public abstract record KnownThing(ThingKind Kind)
{
    /// <summary>The instrument whose players learn it; null for what all of a class learn together.</summary>
    public virtual string? InstrumentId => null;
}

/// <summary>A written note on a string.</summary>
/// <param name="Instrument">The instrument's id.</param>
/// <param name="Open">The written pitch of the open string.</param>
/// <param name="Pitch">The written pitch of the note.</param>
public sealed record KnownNote(string Instrument, Pitch Open, Pitch Pitch) : KnownThing(ThingKind.Note)
{
    public override string? InstrumentId => Instrument;

    /// <summary>Height above the open string.</summary>
    public int Semitones => Pitch.Midi - Open.Midi;
}

/// <summary>A finger at a kind of place: the fourth finger, low 2, the stretch back.</summary>
/// <param name="Place">As it is learned.</param>
public sealed record KnownFinger(string Instrument, FingerPlace Place) : KnownThing(ThingKind.Finger)
{
    public FingerPlace Place { get; } = Place.AsLearned();

    public override string? InstrumentId => Instrument;
}

/// <summary>A position, by its printed name.</summary>
public sealed record KnownPosition(string Instrument, string Position) : KnownThing(ThingKind.Position)
{
    public override string? InstrumentId => Instrument;
}

/// <summary>A key signature.</summary>
/// <param name="Fifths">−7 (seven flats) to +7 (seven sharps).</param>
public sealed record KnownKey(int Fifths) : KnownThing(ThingKind.Key);

/// <summary>A meter.</summary>
public sealed record KnownMeter(int Beats, int Unit) : KnownThing(ThingKind.Meter);

/// <summary>A note value.</summary>
public sealed record KnownValue(NoteValue Value) : KnownThing(ThingKind.Value);

/// <summary>A rest of a value.</summary>
public sealed record KnownRest(NoteValue Value) : KnownThing(ThingKind.Rest);

/// <summary>How a beat is filled with uneven notes.</summary>
/// <param name="Pattern">Their lengths as parts of the beat: "1/2 1/4 1/4".</param>
public sealed record KnownRhythm(string Pattern) : KnownThing(ThingKind.Rhythm);

/// <summary>A slur over so many notes.</summary>
/// <param name="Notes">2 or 3; 4 stands for four and more.</param>
public sealed record KnownSlur(int Notes) : KnownThing(ThingKind.Slur)
{
    public const int Most = 4;
}

/// <summary>A dynamic sign.</summary>
/// <param name="Sign">As printed: p, mf.</param>
public sealed record KnownDynamic(string Sign) : KnownThing(ThingKind.Dynamic);

/// <summary>A sign, or a thing of the page.</summary>
public sealed record KnownSign(LearnedSign Sign) : KnownThing(ThingKind.Sign);
