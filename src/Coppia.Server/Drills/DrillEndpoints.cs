using System.Text.Json;
using Coppia.Core.Drills;
using Coppia.Core.Wording.Drills;
using Coppia.Server.Asked;

namespace Coppia.Server.Drills;

/// <summary>Questions to be asked on the screen, at most 300.</summary>
public sealed record OpenDrill(string Instrument, string Heading, IReadOnlyList<AskedQuestion> Questions);

/// <summary>An answer to be judged; null where the learner had it shown.</summary>
public sealed record GivenAnswer(string Kind, JsonElement Question, JsonElement? Reply);

/// <summary>An answer with who gave it.</summary>
public sealed record AnswerToJudge(string Instrument, GivenAnswer Given);

/// <summary>All first answers of a round.</summary>
public sealed record EndRound(string Instrument, IReadOnlyList<GivenAnswer> Given);

/// <summary>A round of cards to be dealt.</summary>
/// <param name="Card">noteToName, noteToPair, pairToNote or nameToPlace.</param>
/// <param name="Stage">inOrder, mixed, twoStrings or allStrings.</param>
/// <param name="String">Order of the string, 0 = lowest sounding; of two the lower.</param>
/// <param name="Fifths">−7 to +7.</param>
public sealed record DealCards(string Instrument, CardKind Card, CardStage Stage, int String, int Fifths, int Seed = 1);

/// <summary>What rounds of cards there are.</summary>
public sealed record CardChoicesView(IReadOnlyList<ChoiceView> Cards, IReadOnlyList<ChoiceView> Stages, int FirstKey);

/// <summary>
/// Questions answered on the screen, and cards. Nothing is kept: what is asked and answered comes with each request.
/// </summary>
internal static class DrillEndpoints
{
    public static void MapDrills(this IEndpointRouteBuilder api)
    {
        var drills = api.MapGroup("/api/drills");
        drills
            .MapPost("/open", (DrillRounds rounds, OpenDrill asked) => rounds.Open(asked))
            .WithName("openDrill")
            .ProducesProblem(422);
        drills
            .MapPost("/answer", (DrillRounds rounds, AnswerToJudge asked) => rounds.Judge(asked))
            .WithName("judgeAnswer")
            .ProducesProblem(422);
        drills
            .MapPost("/end", (DrillRounds rounds, EndRound asked) => rounds.End(asked))
            .WithName("endRound")
            .ProducesProblem(422);
        var cards = api.MapGroup("/api/cards");
        cards.MapGet("", Choices).WithName("listCards");
        cards
            .MapPost("/round", (DrillRounds rounds, DealCards asked) => rounds.Deal(asked))
            .WithName("dealCards")
            .ProducesProblem(422);
    }

    private static CardChoicesView Choices(HouseStyles styles) =>
        new(
            [
                .. Enum.GetValues<CardKind>()
                    .Select(k => new ChoiceView(JsonNamingPolicy.CamelCase.ConvertName($"{k}"), CardWords.Name(k))),
            ],
            [
                .. Enum.GetValues<CardStage>()
                    .Select(s => new ChoiceView(JsonNamingPolicy.CamelCase.ConvertName($"{s}"), CardWords.Name(s))),
            ],
            styles.Current().Style.FirstKeyFifths
        );
}
