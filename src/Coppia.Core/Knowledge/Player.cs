using Coppia.Core.Instruments;

namespace Coppia.Core.Knowledge;

/// <summary>
/// Who plays: an instrument as the school fingers it, in a house style, by a class that knows so much.
/// </summary>
public sealed record Player
{
    private readonly IReadOnlyList<bool> _allowed;
    private readonly HandLearned _hand;

    public Player(Instrument instrument, HouseStyle? style = null, ClassKnowledge? known = null)
    {
        Style = style ?? HouseStyle.Default;
        Known = known ?? ClassKnowledge.Beginner;
        Instrument = Style.Fingered(instrument);
        _allowed = Known.Frames(Instrument);
        _hand = HandLearned.Of(Instrument, Known);
    }

    public Instrument Instrument { get; }

    public HouseStyle Style { get; }

    public ClassKnowledge Known { get; }

    /// <summary>The class may play in this hand frame, by its index.</summary>
    public bool Allows(int frame) => _allowed[frame];

    /// <summary>The class may play a note in this way; an open string always.</summary>
    public bool Allows(in Placement way) => way.IsOpen || _allowed[way.Frame] && HasLearned(way);

    /// <summary>The class has learned the finger's place, in whatever position; an open string always.</summary>
    public bool HasLearned(in Placement way) => way.IsOpen || _hand.Places(way.Place);

    /// <summary>The class plays on this string.</summary>
    /// <param name="string">0 = lowest sounding.</param>
    public bool PlaysOn(int @string) => _hand.Strings[@string];

    /// <summary>The class may play a note in this way, on a string that it plays on.</summary>
    public bool Knows(Placement way) => PlaysOn(way.String) && Allows(way);

    public HandFrame FrameOf(in Placement way) => Instrument.Frames[way.Frame];
}
