using System.Text.Json;
using Coppia.Core.Drills;
using Coppia.Core.Practice;
using Coppia.Core.Wording.Learn;
using Coppia.Data.Classes;
using Coppia.Data.Logbook;
using Coppia.Server.Asked;
using Coppia.Server.Classes;
using Coppia.Server.Drills;
using Coppia.Server.Exercises;
using Coppia.Server.Logbook;
using Coppia.Server.Room;
using Coppia.Server.Stand;
using Microsoft.AspNetCore.Http.HttpResults;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Learn;

/// <summary>
/// One learner's own things, by a link that cannot be guessed. There is no account and no name beside the nickname.
/// </summary>
internal static class LearnEndpoints
{
    public static void MapLearn(this IEndpointRouteBuilder api)
    {
        var learn = api.ByLink();
        learn.MapGet("", Get).WithName("getLearn").ProducesProblem(404);
        learn.MapGet("/app.webmanifest", Manifest).WithName("getLearnManifest").ProducesProblem(404);
        learn.MapGet("/tunes/{tune:long}", Tune).WithName("getLearnTune").Produces<ReadingView>().ProducesProblem(404);
        learn.MapGet("/tunes/{tune:long}/ladders", TroubleSpots).WithName("getLearnLadders").ProducesProblem(404);
        learn.MapGet("/sheets/{sheet:long}", Sheet).WithName("getLearnSheet").ProducesProblem(404).ProducesProblem(422);
        learn.MapGet("/cards", Cards).WithName("getLearnCards").ProducesProblem(404).ProducesProblem(422);
        learn.MapPost("/answer", Judge).WithName("judgeLearnAnswer").ProducesProblem(404).ProducesProblem(422);
        learn.MapPost("/end", End).WithName("endLearnRound").ProducesProblem(404).ProducesProblem(422);
        learn
            .MapPost("/report", (LearnReports reports, string link, LearnReport report) => reports.Take(report))
            .WithName("sendReport")
            .ProducesProblem(404)
            .ProducesProblem(422);
    }

    /// <summary>What a phone needs to put the page among its programs (W3C Web Application Manifest).</summary>
    private static JsonHttpResult<AppManifest> Manifest(string link)
    {
        var page = $"/learn/{link}";
        return TypedResults.Json(
            new AppManifest(
                Say("learn.coppia-my-music"),
                "Coppia",
                page,
                page,
                page,
                "standalone",
                "#FBF7EE",
                "#2A211D",
                AppIcon.All
            ),
            new JsonSerializerOptions { PropertyNamingPolicy = JsonNamingPolicy.SnakeCaseLower },
            "application/manifest+json"
        );
    }

    private static LearnView Get(
        Own own,
        Asker asker,
        SetWork set,
        WorkRepository work,
        ReportRepository reports,
        string link
    )
    {
        var who = own.Who;
        var done = work.Done(who.ClassId).Where(d => d.LearnerId == who.Id).Select(d => d.WorkId).ToHashSet();
        return new LearnView(
            who.Nickname,
            asker.ClassIfAny?.Name ?? "",
            InstrumentView.Of(own.Player),
            [.. own.Work.Select(w => WorkOf(w, done.Contains(w.Id)))],
            [
                .. reports
                    .Practice(who.Id, set.Since)
                    .Where(p => p.Minutes > 0)
                    .GroupBy(p => p.Day)
                    .Select(g => new DayMinutes(g.Key, g.Sum(p => p.Minutes))),
            ],
            [
                .. Enum.GetValues<LearnerNote>()
                    .Select(n => new NoteChoice(n, LearnWords.Note(n), n is LearnerNote.Help or LearnerNote.Well)),
            ]
        );
    }

    private static LearnWork WorkOf(WorkRecord set, bool isDone) =>
        new(
            set.Id,
            set.Kind,
            SetWork.TitleOf(set),
            set.TuneId,
            set.SheetId,
            set.TaskId,
            set.Tempo,
            set.Due,
            isDone,
            LadderView.To(set.Tempo)
        );

    /// <summary>A tune that is set to the learner; another one is not there for them.</summary>
    private static FileContentHttpResult Tune(Own own, Readings readings, string link, long tune) =>
        TypedResults.Bytes(readings.JsonOf(own.Tune(tune), own.Player), "application/json");

    /// <summary>The trouble spots of a tune that is set to the learner, each from its two notes to the whole.</summary>
    private static LaddersView TroubleSpots(Own own, Readings readings, string link, long tune)
    {
        var kept = own.Tune(tune);
        return Ladders.Of(kept, readings.Of(kept, own.Player), Ladders.Usual);
    }

    /// <summary>
    /// The questions of a sheet that is set to the learner, to be answered on the screen; music to play is left to the
    /// paper.
    /// </summary>
    private static DrillView Sheet(Own own, KeptSheets sheets, SheetParts parts, string link, long sheet)
    {
        var instrument = own.Who.Instrument;
        var (doc, player) = (sheets.DocOf(own.Sheet(sheet)), parts.Players([instrument])[0]);
        var asked = doc
            .Parts.Where(p => !SheetParts.KindOf(p.Request.Kind).IsPlayed)
            .SelectMany(p => p.Items.Select(i => (p.Request.Kind, i.Questions)))
            .Where(q => q.Questions.ContainsKey(instrument));
        return DrillRounds.View(
            doc.Heading,
            player,
            asked.Index().Select(q => DrillRounds.Read(q.Item.Kind, q.Item.Questions[instrument], player, q.Index))
        );
    }

    /// <summary>The round of cards that is due.</summary>
    /// <param name="day">The learner's own day.</param>
    private static LearnCards Cards(Own own, ReportRepository reports, string link, string day)
    {
        if (Days.Read(day) is not { } today)
            throw RefusedException.Wrong(Say("learn.expected-a-day-such-as-2026-09"));
        var (who, player) = (own.Who, own.Player);
        var boxed = reports.Boxes(who.Id).ToDictionary(b => b.Card, b => new BoxedCard(b.Box, b.Due));
        var all = LearnerCards.Of(player).ToDictionary(CardName.Of);
        var round = CardBoxes
            .Round([.. all.Keys], boxed, today, CardRound.Length)
            .Select(name => (Name: name, Item: LearnerCards.Item(all[name], player)))
            .Where(c => c.Item is not null)
            .ToArray();
        return new LearnCards(
            [.. round.Select(c => c.Name)],
            DrillRounds.View("Cards", player, round.Select(c => c.Item!))
        );
    }

    /// <summary>Says what happened in an answer; it is kept when it is reported.</summary>
    private static JudgementView Judge(Own own, DrillRounds rounds, string link, GivenAnswer given) =>
        rounds.Judge(new AnswerToJudge(own.Who.Instrument, given));

    /// <summary>How a round went.</summary>
    private static RoundEndView End(Own own, DrillRounds rounds, string link, IReadOnlyList<GivenAnswer> given) =>
        rounds.End(new EndRound(own.Who.Instrument, given));
}
