using Coppia.Core.Drills;
using Coppia.Core.Knowledge;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Drills;

/// <summary>What cards and their stages are called.</summary>
public static class CardWords
{
    public static string Name(CardKind kind) =>
        kind switch
        {
            CardKind.NoteToName => Say("drills.card.note-name"),
            CardKind.NoteToPair => Say("drills.card.note-string-and-finger"),
            CardKind.PairToNote => Say("drills.card.string-and-finger-note"),
            _ => Say("drills.card.name-place"),
        };

    public static string Name(CardStage stage) =>
        stage switch
        {
            CardStage.InOrder => Say("drills.card.one-string-in-order"),
            CardStage.Mixed => Say("drills.card.one-string-mixed"),
            CardStage.TwoStrings => Say("drills.card.two-strings"),
            _ => Say("drills.card.all-strings"),
        };

    /// <summary>"D and A strings, D major".</summary>
    public static string Of(CardRound round, Player player, string key)
    {
        var names = round.Strings.Select(s => Labels.Note(player.Instrument.Strings[s], player.Style)).ToArray();
        var strings =
            names.Length == player.Instrument.Strings.Count ? Say("drills.card.all-strings")
            : names.Length == 1 ? Say("drills.card.of-string", ("names", names[0]))
            : Say("drills.card.of-strings", ("names", English.List(names)));
        return $"{English.Capital(strings)}, {key}";
    }
}
