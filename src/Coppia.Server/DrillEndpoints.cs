using System.Text.Json;
using Coppia.Core.Drills;
using Coppia.Core.Exercises;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording;
using Coppia.Formats;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Coppia.Server;

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

/// <summary>Questions answered on the screen, and cards. Nothing is kept: what is asked and answered comes with each request.</summary>
internal static class DrillEndpoints
{
    private const int MostQuestions = 300;

    public static void MapDrills(this WebApplication app)
    {
        var drills = app.MapGroup("/api/drills");
        drills.MapPost("/open", Open).WithName("openDrill").ProducesProblem(422);
        drills.MapPost("/answer", Judge).WithName("judgeAnswer").ProducesProblem(422);
        drills.MapPost("/end", End).WithName("endRound").ProducesProblem(422);
        var cards = app.MapGroup("/api/cards");
        cards.MapGet("", Choices).WithName("listCards");
        cards.MapPost("/round", Deal).WithName("dealCards").ProducesProblem(422);
    }

    private static Results<Ok<DrillView>, ProblemHttpResult> Open(SheetParts parts, Styles styles, OpenDrill asked) =>
        ExerciseEndpoints.Made(
            () =>
            {
                if (asked.Questions.Count > MostQuestions)
                    throw new FormatException($"These are too many questions; at most {MostQuestions}.");
                var player = parts.Players([asked.Instrument])[0];
                return View(
                    asked.Heading,
                    player,
                    asked.Questions.Index().Select(q => Read(q.Item.Kind, q.Item.Question, player, q.Index))
                );
            },
            styles
        );

    internal static Results<Ok<JudgementView>, ProblemHttpResult> Judge(SheetParts parts, Styles styles, AnswerToJudge asked) =>
        ExerciseEndpoints.Made(
            () =>
            {
                var player = parts.Players([asked.Instrument])[0];
                var item = Read(asked.Given.Kind, asked.Given.Question, player, 0);
                if (Judged(item, asked.Given.Reply, player) is not { } judgement)
                    return new JudgementView(false, "shown", "", QuestionWords.Answer(item, player), DrillQuestionView.Of(item, player));
                var next = FollowUp.After(judgement, item.Question, player) is { } question ? SheetItem.Of(question, player) : null;
                return new JudgementView(
                    judgement.IsRight,
                    ReplyText.Kind(judgement.Kind),
                    JudgementWords.Of(judgement, item, player),
                    QuestionWords.Answer(item, player),
                    next is null ? null : DrillQuestionView.Of(next, player)
                );
            },
            styles
        );

    internal static Results<Ok<RoundEndView>, ProblemHttpResult> End(SheetParts parts, Styles styles, EndRound asked) =>
        ExerciseEndpoints.Made(
            () =>
            {
                if (asked.Given.Count is 0 or > MostQuestions)
                    throw new FormatException($"Expected 1 to {MostQuestions} answers.");
                var player = parts.Players([asked.Instrument])[0];
                var judged = asked
                    .Given.Index()
                    .Select(g => Judged(Read(g.Item.Kind, g.Item.Question, player, g.Index), g.Item.Reply, player))
                    .ToArray();
                var end = RoundEnd.Of([.. judged.OfType<Judgement>()], player, shown: judged.Count(j => j is null));
                return new RoundEndView(
                    end.Right,
                    end.Count,
                    JsonNamingPolicy.CamelCase.ConvertName($"{end.Grade}"),
                    RoundWords.Of(end),
                    RoundWords.LookAt(end, player)
                );
            },
            styles
        );

    private static CardChoicesView Choices(Styles styles) =>
        new(
            [.. Enum.GetValues<CardKind>().Select(k => new ChoiceView(JsonNamingPolicy.CamelCase.ConvertName($"{k}"), CardWords.Name(k)))],
            [.. Enum.GetValues<CardStage>().Select(s => new ChoiceView(JsonNamingPolicy.CamelCase.ConvertName($"{s}"), CardWords.Name(s)))],
            styles.Current().Style.FirstKeyFifths
        );

    private static Results<Ok<DrillView>, ProblemHttpResult> Deal(SheetParts parts, Styles styles, DealCards asked) =>
        ExerciseEndpoints.Made(
            () =>
            {
                var player = parts.Learner(asked.Instrument);
                if (asked.String < 0 || asked.String >= player.Instrument.Strings.Count || asked.Fifths is < -7 or > 7)
                    throw new FormatException("There is no such string or key.");
                var key = new KeySignature(asked.Fifths);
                var round = CardRound.Of(player, asked.Card, asked.Stage, asked.String, key, asked.Seed);
                return View(CardWords.Of(round, player, Labels.Key(key, player.Style)), player, round.Cards);
            },
            styles
        );

    internal static DrillView View(string heading, Player player, IEnumerable<SheetItem> items) =>
        new(heading, DrillDeskView.Of(player), [.. items.Select(i => DrillQuestionView.Of(i, player))]);

    internal static SheetItem Read(string kind, JsonElement question, Player player, int number)
    {
        var known = SheetParts.KindOf(kind);
        if (known.IsPlayed())
            throw new FormatException($"“{ExerciseWords.Name(known)}” is music to play; it is not answered.");
        try
        {
            return SheetReader.Item(known, question, player);
        }
        catch (FormatException e)
        {
            throw new FormatException($"Question {number + 1} ({kind}): {e.Message.TrimEnd('.')}.", e);
        }
    }

    /// <summary>What happened; null where the answer was shown.</summary>
    internal static Judgement? Judged(SheetItem item, JsonElement? reply, Player player)
    {
        if (reply is not { ValueKind: not JsonValueKind.Null } given)
            return null;
        try
        {
            return Judging.Of(item, player, ReplyJson.Read(item, given, player));
        }
        catch (WrongReplyException e)
        {
            throw new FormatException($"The answer is not complete ({ExerciseWords.Name(e.Kind)}).", e);
        }
    }
}
