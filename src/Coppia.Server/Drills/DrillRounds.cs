using System.Text.Json;
using Coppia.Core.Drills;
using Coppia.Core.Exercises;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Drills;
using Coppia.Core.Wording.Exercises;
using Coppia.Core.Wording.Terms;
using Coppia.Formats.Exercises;
using Coppia.Server.Exercises;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Drills;

/// <summary>Opens rounds of questions and cards, judges answers, and says how a round went.</summary>
internal sealed class DrillRounds(SheetParts parts)
{
    private const int MostQuestions = 300;

    public DrillView Open(OpenDrill asked)
    {
        if (asked.Questions.Count > MostQuestions)
            throw new FormatException(
                Say("drills.drill-rounds.these-are-too-many-questions-at-most", ("mostQuestions", MostQuestions))
            );
        var player = parts.Players([asked.Instrument])[0];
        return View(
            asked.Heading,
            player,
            asked.Questions.Index().Select(q => Read(q.Item.Kind, q.Item.Question, player, q.Index))
        );
    }

    public JudgementView Judge(AnswerToJudge asked)
    {
        var player = parts.Players([asked.Instrument])[0];
        var item = Read(asked.Given.Kind, asked.Given.Question, player, 0);
        if (Judged(item, asked.Given.Reply, player) is not { } judgement)
            return new JudgementView(
                false,
                "shown",
                "",
                QuestionWords.Answer(item, player),
                DrillQuestionView.Of(item, player)
            );
        var next = FollowUp.After(judgement, item.Question, player) is { } question
            ? SheetItem.Of(question, player)
            : null;
        return new JudgementView(
            judgement.IsRight,
            ReplyText.Kind(judgement.Kind),
            JudgementWords.Of(judgement, item, player),
            QuestionWords.Answer(item, player),
            next is null ? null : DrillQuestionView.Of(next, player)
        );
    }

    public RoundEndView End(EndRound asked)
    {
        if (asked.Given.Count is 0 or > MostQuestions)
            throw new FormatException(
                Say("drills.drill-rounds.expected-1-to-answers", ("mostQuestions", MostQuestions))
            );
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
    }

    public DrillView Deal(DealCards asked)
    {
        var player = parts.Learner(asked.Instrument);
        if (asked.String < 0 || asked.String >= player.Instrument.Strings.Count || !KeySignature.IsOne(asked.Fifths))
            throw new FormatException(Say("drills.drill-rounds.there-is-no-such-string-or-key"));
        var key = new KeySignature(asked.Fifths);
        var round = CardRound.Of(player, asked.Card, asked.Stage, asked.String, key, asked.Seed);
        return View(CardWords.Of(round, player, Labels.Key(key, player.Style)), player, round.Cards);
    }

    public static DrillView View(string heading, Player player, IEnumerable<SheetItem> items) =>
        new(heading, DrillDeskView.Of(player), [.. items.Select(i => DrillQuestionView.Of(i, player))]);

    public static SheetItem Read(string kind, JsonElement question, Player player, int number)
    {
        var known = SheetParts.KindOf(kind);
        if (known.IsPlayed)
            throw new FormatException(
                Say("drills.drill-rounds.is-music-to-play-it-is-not", ("known", ExerciseWords.Name(known)))
            );
        try
        {
            return SheetReader.Item(known, question, player);
        }
        catch (FormatException e)
        {
            throw new FormatException(
                Say(
                    "drills.drill-rounds.read-question",
                    ("number", number + 1),
                    ("kind", kind),
                    ("trimEnd", e.Message.TrimEnd('.'))
                ),
                e
            );
        }
    }

    /// <summary>What happened; null where the answer was shown.</summary>
    public static Judgement? Judged(SheetItem item, JsonElement? reply, Player player)
    {
        if (reply is not { ValueKind: not JsonValueKind.Null } given)
            return null;
        try
        {
            return Judging.Of(item, player, ReplyJson.Read(item, given, player));
        }
        catch (WrongReplyException e)
        {
            throw new FormatException(
                Say(
                    "drills.drill-rounds.the-answer-is-not-complete",
                    ("kind", ExerciseWords.Name(ExerciseKind.Of(e.Kind)))
                ),
                e
            );
        }
    }
}
