using System.IO.Compression;
using System.Text;
using Coppia.Core.Wording;
using Coppia.Data;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Coppia.Server;

/// <summary>The pieces of a class: read, remarked on, given back or accepted; and its booklet.</summary>
internal static class PieceEndpoints
{
    private const int LongestRemark = 300;

    public static void MapPieces(this WebApplication app)
    {
        var one = app.MapGroup("/api/classes/{class:long}");
        one.MapGet("/pieces", List).WithName("listPieces").ProducesProblem(404);
        one.MapPost("/pieces", Bring).WithName("bringPiece").ProducesProblem(404).ProducesProblem(409).ProducesProblem(422);
        one.MapPut("/pieces/{piece:long}/state", Move).WithName("movePiece").ProducesProblem(404).ProducesProblem(409);
        one.MapPost("/pieces/{piece:long}/remarks", Remark).WithName("addRemark").ProducesProblem(404).ProducesProblem(422);
        one.MapDelete("/pieces/{piece:long}/remarks/{remark:long}", TakeBack).WithName("takeRemarkBack").ProducesProblem(404);
        one.MapGet("/pieces/{piece:long}/reading", Reading).WithName("getPieceReading").Produces<ReadingView>().ProducesProblem(404);
        one.MapGet("/pieces/{piece:long}/piece.musicxml", MusicXml).WithName("getPieceMusicXml").ProducesProblem(404);
        one.MapGet("/booklet", Booklet).WithName("getBooklet").ProducesProblem(404);
        one.MapPut("/booklet", SaveBooklet).WithName("saveBooklet").ProducesProblem(404).ProducesProblem(422);
        one.MapGet("/booklet.zip", BookletZip).WithName("getBookletZip").ProducesProblem(404);
    }

    private static Results<Ok<ClassPieces>, ProblemHttpResult> List(
        ClassRepository classes,
        HandInRepository handIns,
        Pieces pieces,
        ForWhom forWhom,
        long @class
    )
    {
        if (classes.Find(@class) is null)
            return ClassEndpoints.NoClass(@class);
        var all = pieces.OfClass(@class, forWhom);
        var remarks = handIns.Remarks(all.Select(p => p.Piece.Record.Id));
        return TypedResults.Ok(
            new ClassPieces([.. all.Select(p => Pieces.View(p.Who, p.Piece, p.Player, remarks[p.Piece.Record.Id]))], TaskWords.Ready)
        );
    }

    /// <summary>One piece of the class, or the answer that there is none.</summary>
    private static ProblemHttpResult? Missing(HttpContext context, long @class, long piece, out (LearnerRecord Who, OpenPiece Piece) found)
    {
        found = default;
        var services = context.RequestServices;
        if (
            services.GetRequiredService<HandInRepository>().Find(piece) is not { } kept
            || services.GetRequiredService<LearnerRepository>().Find(kept.LearnerId) is not { } who
            || who.ClassId != @class
        )
            return NoPiece();
        try
        {
            var player = LearnEndpoints.PlayerOf(who, services.GetRequiredService<ForWhom>());
            found = (who, services.GetRequiredService<Pieces>().Read(kept, player));
            return null;
        }
        catch (FormatException e)
        {
            return ClassEndpoints.Refused(e.Message);
        }
    }

    private static ProblemHttpResult NoPiece() => TypedResults.Problem(statusCode: 404, title: "There is no such piece in this class.");

    /// <summary>A piece that came on paper or as a file is checked like one that was written here, and is handed in.</summary>
    private static Results<Ok<CheckView>, ProblemHttpResult> Bring(
        LearnerRepository learners,
        WorkRepository works,
        TaskRepository tasks,
        HandInRepository handIns,
        Pieces pieces,
        ForWhom forWhom,
        Waiting waiting,
        Asking asking,
        TimeProvider clock,
        Microsoft.Extensions.Options.IOptions<Microsoft.AspNetCore.Http.Json.JsonOptions> json,
        long @class,
        BroughtPiece asked
    )
    {
        if (learners.Find(asked.LearnerId) is not { } who || who.ClassId != @class)
            return ClassEndpoints.NoLearner();
        var set = works.Of(who, WorkEndpoints.Since(clock)).FirstOrDefault(w => w.Id == asked.WorkId);
        if (set?.TaskId is not { } id || tasks.Find(id) is not { } kept)
            return TypedResults.Problem(statusCode: 404, title: $"This task is not set to {who.Nickname}.");
        try
        {
            var doc = DeskEndpoints.DocOf(kept.Title, kept.Document, json);
            var player = LearnEndpoints.PlayerOf(who, forWhom);
            var task = doc.Plan().For(player.Instrument);
            var read = DeskEndpoints.Checked(null, asked.Text, task, player.Style, waiting);
            var open = handIns.Open(
                new HandInRecord
                {
                    LearnerId = who.Id,
                    WorkId = set.Id,
                    TaskId = kept.Id,
                    Level = doc.Level,
                    Title = kept.Title,
                    Task = kept.Document,
                    Piece = pieces.Text(PieceDoc.Begun(task)),
                }
            );
            if (handIns.Keep(open.Id, pieces.Text(read.Piece), open.Version, anew: true) is null)
                return TypedResults.Problem(statusCode: 409, title: $"{who.Nickname}’s piece is handed in. Give it back first.");
            handIns.Move(open.Id, HandInState.HandedIn);
            works.SetDone(set.Id, who, done: true, asking.Name);
            return TypedResults.Ok(read.Check);
        }
        catch (FormatException e)
        {
            return ClassEndpoints.Refused(e.Message);
        }
    }

    private static Results<NoContent, ProblemHttpResult> Move(
        HttpContext context,
        HandInRepository handIns,
        WorkRepository works,
        Asking asking,
        long @class,
        long piece,
        StateRequest asked
    )
    {
        if (Missing(context, @class, piece, out var found) is { } missing)
            return missing;
        if (asked.State is not (HandInState.GivenBack or HandInState.Accepted) || !handIns.Move(piece, asked.State))
            return TypedResults.Problem(
                statusCode: 409,
                title: $"{found.Who.Nickname} is writing on it. Only what is handed in can be given back or accepted."
            );
        // What is given back is not done any more.
        if (asked.State == HandInState.GivenBack && found.Piece.Record.WorkId is { } work)
            works.SetDone(work, found.Who, done: false, asking.Name);
        return TypedResults.NoContent();
    }

    private static Results<Ok<PieceRemark>, ProblemHttpResult> Remark(
        HttpContext context,
        HandInRepository handIns,
        Asking asking,
        long @class,
        long piece,
        RemarkRequest asked
    )
    {
        if (Missing(context, @class, piece, out var found) is { } missing)
            return missing;
        var words = asked.Words.Trim();
        if (words.Length is 0 or > LongestRemark || asked.Bar is { } bar && (bar < 1 || bar > found.Piece.Piece.Bars.Count))
            return ClassEndpoints.Refused($"Expected 1 to {LongestRemark} characters, about a bar of the piece or all of it.");
        var remark = new RemarkRecord
        {
            HandInId = piece,
            Bar = asked.Bar,
            Words = words,
            MadeBy = asking.Name,
        };
        return TypedResults.Ok(PieceRemark.Of(remark with { Id = handIns.Add(remark) }));
    }

    private static Results<NoContent, ProblemHttpResult> TakeBack(
        HttpContext context,
        HandInRepository handIns,
        long @class,
        long piece,
        long remark
    ) =>
        Missing(context, @class, piece, out _) is { } missing ? missing
        : handIns.TakeBack(piece, remark) ? TypedResults.NoContent()
        : TypedResults.Problem(statusCode: 404, title: "There is no such remark on this piece.");

    /// <summary>A piece as an instrument reads it, in an octave that fits.</summary>
    /// <param name="for">The instrument's id; null for that on which it was written.</param>
    private static Results<FileContentHttpResult, ProblemHttpResult> Reading(
        HttpContext context,
        ForWhom forWhom,
        Readings readings,
        Pieces pieces,
        long @class,
        long piece,
        string? @for
    )
    {
        if (Missing(context, @class, piece, out var found) is { } missing)
            return missing;
        if (forWhom.Missing(@for ?? found.Who.Instrument, out var player) is { } unknown)
            return unknown;
        var tune = Tune(context, pieces, forWhom, @class, found);
        return TypedResults.Bytes(readings.JsonOf(tune, player), "application/json");
    }

    /// <summary>The piece as the booklet has it, with a name or without.</summary>
    private static KeptTune Tune(
        HttpContext context,
        Pieces pieces,
        ForWhom forWhom,
        long @class,
        (LearnerRecord Who, OpenPiece Piece) found
    )
    {
        var classes = context.RequestServices.GetRequiredService<ClassRepository>();
        var booklet = pieces.Booklet(forWhom.Class ?? classes.Find(@class)!);
        var number = booklet.Pieces.Index().FirstOrDefault(p => p.Item == found.Piece.Record.Id).Index + 1;
        return found.Piece.AsTune(Pieces.TitleOf(found.Who, found.Piece, booklet.Names, number), booklet.Names ? found.Who.Nickname : null);
    }

    private static Results<FileContentHttpResult, ProblemHttpResult> MusicXml(
        HttpContext context,
        Pieces pieces,
        ForWhom forWhom,
        long @class,
        long piece
    )
    {
        if (Missing(context, @class, piece, out var found) is { } missing)
            return missing;
        var tune = Tune(context, pieces, forWhom, @class, found).Tune;
        return TypedResults.Bytes(Encoding.UTF8.GetBytes(tune.Source), MusicXmlType, $"{FileNames.Plain(tune.Title)}.musicxml");
    }

    private const string MusicXmlType = "application/vnd.recordare.musicxml+xml";

    private static Results<Ok<BookletDoc>, ProblemHttpResult> Booklet(ClassRepository classes, Pieces pieces, long @class) =>
        classes.Find(@class) is { } one ? TypedResults.Ok(pieces.Booklet(one)) : ClassEndpoints.NoClass(@class);

    private static Results<Ok<BookletDoc>, ProblemHttpResult> SaveBooklet(
        ClassRepository classes,
        BookletRepository booklets,
        Pieces pieces,
        long @class,
        BookletDoc asked
    )
    {
        if (classes.Find(@class) is not { } one)
            return ClassEndpoints.NoClass(@class);
        if (string.IsNullOrWhiteSpace(asked.Title) || asked.Title.Length > DeskEndpoints.LongestTitle || asked.PerPage is not (1 or 2))
            return ClassEndpoints.Refused(
                $"Expected a title of 1 to {DeskEndpoints.LongestTitle} characters, and one or two pieces a page."
            );
        booklets.Save(
            new BookletRecord
            {
                ClassId = @class,
                Title = asked.Title,
                PerPage = asked.PerPage,
                Pairs = asked.Pairs,
                Names = asked.Names,
                Shown = asked.Shown,
            },
            asked.Pieces
        );
        return TypedResults.Ok(pieces.Booklet(one));
    }

    /// <summary>The booklet as MusicXML, a file a piece.</summary>
    private static Results<FileContentHttpResult, ProblemHttpResult> BookletZip(
        HttpContext context,
        ClassRepository classes,
        Pieces pieces,
        ForWhom forWhom,
        long @class
    )
    {
        if (classes.Find(@class) is not { } one)
            return ClassEndpoints.NoClass(@class);
        var booklet = pieces.Booklet(one);
        using var whole = new MemoryStream();
        using (var zip = new ZipArchive(whole, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var (i, id) in booklet.Pieces.Index())
            {
                if (Missing(context, @class, id, out var found) is not null)
                    continue;
                var tune = Tune(context, pieces, forWhom, @class, found).Tune;
                using var entry = zip.CreateEntry($"{i + 1:00}-{FileNames.Plain(tune.Title)}.musicxml").Open();
                entry.Write(Encoding.UTF8.GetBytes(tune.Source));
            }
        }

        return TypedResults.Bytes(whole.ToArray(), "application/zip", $"booklet-{FileNames.Plain(one.Name)}.zip");
    }
}
