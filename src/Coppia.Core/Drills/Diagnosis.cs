using Coppia.Core.Exercises;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Shapes;

namespace Coppia.Core.Drills;

/// <summary>What happened when a note was answered: the first kind that gives exactly the answer (craft 14).</summary>
/// <param name="Kind">The first kind that fits.</param>
/// <param name="Shown">The note that was shown.</param>
/// <param name="Answered">The note that the answer names or sounds; null for a pair that the hand does not
/// have.</param>
public sealed record Diagnosis(MistakeKind Kind, Pitch Shown, Pitch? Answered) : Judgement(Kind)
{
    /// <summary>The signature that the note was shown under.</summary>
    public KeySignature Key { get; init; }

    /// <summary>For another clef: those in which the note would have the answer's letter.</summary>
    public IReadOnlyList<Clef> Clefs { get; init; } = [];

    /// <summary>For another instrument: whose finger it is.</summary>
    public Instrument? Other { get; init; }

    /// <summary>Where the note is played.</summary>
    public Placement? Place { get; init; }

    /// <summary>For a string and finger, or a spot on the fingerboard: what was pressed.</summary>
    public Reply? Pressed { get; init; }

    /// <summary>In which form the note was asked.</summary>
    public QuestionKind AskedAs { get; init; } = QuestionKind.Name;

    /// <param name="player">Who answers; the note is shown in the instrument's first clef.</param>
    /// <param name="shown">The written note.</param>
    /// <param name="key">The signature that it is shown under; a note that it would alter otherwise has an
    /// accidental.</param>
    public static Diagnosis Of(Player player, Pitch shown, KeySignature key, Reply reply)
    {
        var height = PlainPlace.HeightOf(player.Instrument, new ScaleKey(key.Fifths, ScaleForm.Major));
        var ways = PlainPlace.All(player, shown, height);
        var found = reply switch
        {
            NameReply name => new ReadNote(player, shown, key).OfName(name),
            StaffReply staff => new ReadNote(player, shown, key).OfStaff(staff.Place),
            PairReply pair => new PressedNote(player, shown, key, ways).OfPair(pair),
            SpotReply spot => new PressedNote(player, shown, key, ways).OfSpot(spot),
            _ => throw new ArgumentOutOfRangeException(nameof(reply), reply, null),
        };
        return found with { Key = key, Place = found.Place ?? (ways.Count > 0 ? ways[0] : null) };
    }
}
