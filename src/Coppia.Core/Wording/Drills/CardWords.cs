using Coppia.Core.Drills;
using Coppia.Core.Knowledge;
using Coppia.Core.Wording.Terms;

namespace Coppia.Core.Wording.Drills;

/// <summary>What cards and their stages are called.</summary>
public static class CardWords
{
    public static string Name(CardKind kind) =>
        kind switch
        {
            CardKind.NoteToName => "Note → name",
            CardKind.NoteToPair => "Note → string and finger",
            CardKind.PairToNote => "String and finger → note",
            _ => "Name → place",
        };

    public static string Name(CardStage stage) =>
        stage switch
        {
            CardStage.InOrder => "one string, in order",
            CardStage.Mixed => "one string, mixed",
            CardStage.TwoStrings => "two strings",
            _ => "all strings",
        };

    /// <summary>"D and A strings, D major".</summary>
    public static string Of(CardRound round, Player player, string key)
    {
        var names = round.Strings.Select(s => Labels.Note(player.Instrument.Strings[s], player.Style)).ToArray();
        var strings =
            names.Length == player.Instrument.Strings.Count ? "all strings"
            : names.Length == 1 ? $"{names[0]} string"
            : $"{English.List(names)} strings";
        return $"{English.Capital(strings)}, {key}";
    }
}
