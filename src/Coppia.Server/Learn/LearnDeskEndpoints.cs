using Coppia.Server.Asked;
using Coppia.Server.Desk;
using Coppia.Server.Stand;
using Microsoft.AspNetCore.Http.HttpResults;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Learn;

/// <summary>
/// The writing desk on a learner's page: their own pieces, kept at every note, and the booklet of their class.
/// </summary>
internal static class LearnDeskEndpoints
{
    public static void MapLearnDesk(this IEndpointRouteBuilder api)
    {
        var learn = api.ByLink();
        learn.MapGet("/desk/{work:long}", Get).WithName("getLearnDesk").ProducesProblem(404).ProducesProblem(422);
        learn
            .MapPut("/desk/{work:long}", Keep)
            .WithName("keepPiece")
            .ProducesProblem(404)
            .ProducesProblem(409)
            .ProducesProblem(422);
        learn
            .MapPost("/desk/{work:long}/hand-in", HandIn)
            .WithName("handIn")
            .ProducesProblem(404)
            .ProducesProblem(409)
            .ProducesProblem(422);
        learn
            .MapGet("/desk/{work:long}/versions", Versions)
            .WithName("listVersions")
            .ProducesProblem(404)
            .ProducesProblem(422);
        learn.MapPost("/desk/{work:long}/take", Take).WithName("takePiece").ProducesProblem(404).ProducesProblem(422);
        learn.MapGet("/pieces", Booklet).WithName("listBookletPieces");
        learn
            .MapGet("/pieces/{piece:long}", Piece)
            .WithName("getLearnPiece")
            .Produces<ReadingView>()
            .ProducesProblem(404);
    }

    private static LearnDesk Get(LearnDesks desks, string link, long work, int? level) =>
        desks.Show(desks.Of(work, level));

    private static KeptPiece Keep(LearnDesks desks, string link, long work, KeepPiece asked) =>
        desks.Keep(desks.Of(work, asked.Level), asked);

    private static NoContent HandIn(LearnDesks desks, string link, long work, AtLevel asked)
    {
        desks.HandIn(desks.Of(work, asked.Level));
        return TypedResults.NoContent();
    }

    private static PieceVersion[] Versions(LearnDesks desks, string link, long work, int? level) =>
        [.. desks.Versions(desks.Of(work, level))];

    /// <summary>A piece out of a file; it is kept when the desk keeps it.</summary>
    private static CheckedPiece Take(LearnDesks desks, Asker asker, string link, long work, PieceText asked)
    {
        var desk = desks.Of(work, asked.Level);
        return PieceCheck.Of(null, asked.Text, desk.Task, desk.Player.Style, asker.Gone);
    }

    private static BookletPiece[] Booklet(Pieces pieces, Asker asker, string link) =>
        [.. Shown(pieces, asker).Select(p => p.View)];

    /// <summary>The pieces of the booklet, where it is shown.</summary>
    private static IEnumerable<(BookletPiece View, OpenPiece Piece)> Shown(Pieces pieces, Asker asker)
    {
        if (asker.ClassIfAny is not { } one || pieces.Booklet(one) is not { Shown: true } booklet)
            yield break;
        var all = pieces.OfClass(one.Id).ToDictionary(p => p.Piece.Record.Id);
        foreach (var (i, id) in booklet.Pieces.Where(all.ContainsKey).Index())
        {
            var (who, piece, _) = all[id];
            yield return (
                new BookletPiece(
                    id,
                    Pieces.TitleOf(who, piece, booklet.Names, i + 1),
                    booklet.Names ? who.Nickname : null,
                    piece.Task.Instrument.Name
                ),
                piece
            );
        }
    }

    /// <summary>A piece of the booklet as the learner's own instrument reads it, in an octave that fits.</summary>
    private static FileContentHttpResult Piece(
        Own own,
        Pieces pieces,
        Asker asker,
        Readings readings,
        string link,
        long piece
    )
    {
        var found = Shown(pieces, asker).FirstOrDefault(p => p.View.Id == piece);
        return found.Piece is null
            ? throw RefusedException.NotHere(Say("learn.desk.this-piece-is-not-in-the-booklet"))
            : TypedResults.Bytes(
                readings.JsonOf(found.Piece.AsTune(found.View.Title, found.View.By), own.Player),
                "application/json"
            );
    }
}
