using Coppia.Core.Exercises;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Drills;

/// <summary>A card that lies in a learner's boxes.</summary>
public sealed record LearnerCard(CardKind Kind, KnownNote Note);

/// <summary>
/// The cards of a learner: every note that the class knows on the learner's instrument, asked in each way (craft 14).
/// </summary>
public static class LearnerCards
{
    /// <summary>
    /// All of them in the order in which they are learned: names first, string by string from the one that is learned
    /// first.
    /// </summary>
    public static IReadOnlyList<LearnerCard> Of(Player player)
    {
        var hand = new FirstYear(player.Instrument);
        Pitch[] strings = [.. hand.All.Select(s => player.Instrument.Strings[s])];
        var notes = (player.Known.Things ?? new HashSet<KnownThing>())
            .OfType<KnownNote>()
            .Where(n => n.Instrument == player.Instrument.Id)
            .OrderBy(n => Array.IndexOf(strings, n.Open))
            .ThenBy(n => n.Semitones)
            .ThenBy(n => n.Pitch.Step)
            .ToArray();
        return [.. Enum.GetValues<CardKind>().SelectMany(kind => notes.Select(n => new LearnerCard(kind, n)))];
    }

    /// <summary>
    /// What stands on a card: its note, under a signature that has it without a sign of its own where the class knows
    /// one.
    /// </summary>
    /// <returns>Null for a note that no finger plays on its string.</returns>
    public static SheetItem? Item(LearnerCard card, Player player)
    {
        var note = card.Note;
        var s = player
            .Instrument.Strings.Index()
            .Where(x => x.Item == note.Open)
            .Select(x => (int?)x.Index)
            .FirstOrDefault();
        if (s is not { } at || TeachingPlan.FirstWay(player.Instrument, at, note.Pitch) is not { } way)
            return null;
        var fifths = (player.Known.Things ?? new HashSet<KnownThing>())
            .OfType<KnownKey>()
            .Select(k => k.Fifths)
            .Where(f => new KeySignature(f).AlterOf(note.Pitch.Letter) == note.Pitch.Alter)
            .OrderBy(Math.Abs)
            .FirstOrDefault(0);
        return SheetItem.Of(
            CardRound.Question(card.Kind, player, new Tone(note.Pitch, way), new KeySignature(fifths)),
            player
        );
    }
}
