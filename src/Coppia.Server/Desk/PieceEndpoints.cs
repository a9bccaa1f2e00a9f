using System.Text;
using Coppia.Core.School;
using Coppia.Core.Wording.Desk;
using Coppia.Data.Desk;
using Coppia.Formats.MusicXml;
using Coppia.Server.Asked;
using Coppia.Server.Stand;
using Microsoft.AspNetCore.Http.HttpResults;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Desk;

/// <summary>The pieces of a class: read, remarked on, given back or accepted.</summary>
internal static class PieceEndpoints
{
    private const string MusicXmlType = "application/vnd.recordare.musicxml+xml";

    public static void MapPieces(this IEndpointRouteBuilder api)
    {
        var one = api.MapGroup("/api/classes/{class:long}");
        one.MapGet("/pieces", List).WithName("listPieces").ProducesProblem(404);
        one.MapPost("/pieces", (BroughtPieces brought, long @class, BroughtPiece asked) => brought.Take(@class, asked))
            .WithName("bringPiece")
            .ProducesProblem(404)
            .ProducesProblem(409)
            .ProducesProblem(422);
        one.MapPut("/pieces/{piece:long}/state", Move).WithName("movePiece").ProducesProblem(404).ProducesProblem(409);
        one.MapPost("/pieces/{piece:long}/remarks", Remark)
            .WithName("addRemark")
            .ProducesProblem(404)
            .ProducesProblem(422);
        one.MapDelete("/pieces/{piece:long}/remarks/{remark:long}", TakeBack)
            .WithName("takeRemarkBack")
            .ProducesProblem(404);
        one.MapGet("/pieces/{piece:long}/reading", Reading)
            .WithName("getPieceReading")
            .Produces<ReadingView>()
            .ProducesProblem(404);
        one.MapGet("/pieces/{piece:long}/piece.musicxml", MusicXml).WithName("getPieceMusicXml").ProducesProblem(404);
    }

    private static ClassPieces List(Asker asker, HandInRepository handIns, Pieces pieces, long @class)
    {
        var all = pieces.OfClass(asker.Class.Id);
        var remarks = handIns.Remarks(all.Select(p => p.Piece.Record.Id));
        return new ClassPieces(
            [.. all.Select(p => Pieces.View(p.Who, p.Piece, p.Player, remarks[p.Piece.Record.Id]))],
            TaskWords.Ready
        );
    }

    private static NoContent Move(
        Asker asker,
        HandInRepository handIns,
        Pieces pieces,
        long @class,
        long piece,
        StateRequest asked
    )
    {
        var (who, _) = pieces.Find(@class, piece);
        return asked.State.IsAnswer() && handIns.Move(piece, asked.State, asker.Name)
            ? TypedResults.NoContent()
            : throw RefusedException.Meanwhile(
                Say("desk.piece.is-writing-on-it-only-what-is", ("nickname", who.Nickname))
            );
    }

    private static PieceRemark Remark(
        Asker asker,
        HandInRepository handIns,
        Pieces pieces,
        long @class,
        long piece,
        RemarkRequest asked
    )
    {
        var (_, found) = pieces.Find(@class, piece);
        var words = asked.Words.Trim();
        if (
            words.Length is 0 or > Limits.LongestRemark
            || asked.Bar is { } bar && (bar < 1 || bar > found.Piece.Bars.Count)
        )
            throw RefusedException.Wrong(
                Say("desk.piece.expected-1-to-characters-about-a-bar", ("longestRemark", Limits.LongestRemark))
            );
        var remark = new RemarkRecord
        {
            HandInId = piece,
            Bar = asked.Bar,
            Words = words,
            MadeBy = asker.Name,
        };
        return PieceRemark.Of(remark with { Id = handIns.Add(remark) });
    }

    private static NoContent TakeBack(HandInRepository handIns, Pieces pieces, long @class, long piece, long remark)
    {
        pieces.Find(@class, piece);
        return handIns.TakeBack(piece, remark)
            ? TypedResults.NoContent()
            : throw RefusedException.NotHere(Say("desk.piece.there-is-no-such-remark-on-this"));
    }

    /// <summary>A piece as an instrument reads it, in an octave that fits.</summary>
    /// <param name="for">The instrument's id; null for that on which it was written.</param>
    private static FileContentHttpResult Reading(
        Asker asker,
        Readings readings,
        Pieces pieces,
        long @class,
        long piece,
        string? @for
    )
    {
        var (who, found) = pieces.Find(@class, piece);
        var player = asker.Player(@for ?? who.Instrument);
        return TypedResults.Bytes(
            readings.JsonOf(Pieces.AsTune(pieces.Booklet(asker.Class), who, found), player),
            "application/json"
        );
    }

    private static FileContentHttpResult MusicXml(Asker asker, Pieces pieces, long @class, long piece)
    {
        var (who, found) = pieces.Find(@class, piece);
        var tune = Pieces.AsTune(pieces.Booklet(asker.Class), who, found);
        return TypedResults.Bytes(
            Encoding.UTF8.GetBytes(MusicXmlWriter.Write(tune.Score)),
            MusicXmlType,
            $"{FileNames.Plain(tune.Tune.Title)}.musicxml"
        );
    }
}
