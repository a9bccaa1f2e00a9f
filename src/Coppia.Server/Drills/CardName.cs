using System.Text.Json;
using Coppia.Core.Drills;
using Coppia.Core.Knowledge;
using Coppia.Formats.Records;
using Coppia.Server.Asked;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Drills;

/// <summary>The name of a learner's card: how it is asked, and its note: <c>noteToName note violin D4 E4</c>.</summary>
internal static class CardName
{
    public static string Of(LearnerCard card) =>
        $"{JsonNamingPolicy.CamelCase.ConvertName($"{card.Kind}")} {ThingText.Of(card.Note)}";

    /// <exception cref="FormatException">It is none.</exception>
    public static LearnerCard Read(string name) =>
        name.Split(' ', 2) is [var kind, var thing]
        && Choices.Read<CardKind>(kind, out var asked)
        && ThingText.Parse(thing) is KnownNote note
            ? new LearnerCard(asked, note)
            : throw new FormatException(Say("drills.card-name.is-no-card-expected-one-such-as", ("name", name)));

    /// <summary>The card of a name; null where it is none that this version knows.</summary>
    public static LearnerCard? Find(string name)
    {
        try
        {
            return Read(name);
        }
        catch (FormatException)
        {
            return null;
        }
    }
}
