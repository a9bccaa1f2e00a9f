using System.IO.Compression;
using System.Text;
using Coppia.Core.School;
using Coppia.Data.Classes;
using Coppia.Data.Desk;
using Coppia.Formats.MusicXml;
using Coppia.Server.Asked;
using Coppia.Server.Stand;
using Microsoft.AspNetCore.Http.HttpResults;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Desk;

/// <summary>The booklet of a class: which pieces stand in it, and all of them as files.</summary>
internal static class BookletEndpoints
{
    public static void MapBooklet(this IEndpointRouteBuilder api)
    {
        var one = api.MapGroup("/api/classes/{class:long}");
        one.MapGet("/booklet", (Asker asker, Pieces pieces, long @class) => pieces.Booklet(asker.Class))
            .WithName("getBooklet")
            .ProducesProblem(404);
        one.MapPut("/booklet", Save).WithName("saveBooklet").ProducesProblem(404).ProducesProblem(422);
        one.MapGet("/booklet.zip", Zip).WithName("getBookletZip").ProducesProblem(404);
    }

    private static BookletDoc Save(
        Asker asker,
        BookletRepository booklets,
        Pieces pieces,
        long @class,
        BookletDoc asked
    )
    {
        var one = asker.Class;
        if (
            string.IsNullOrWhiteSpace(asked.Title)
            || asked.Title.Length > Limits.LongestTaskTitle
            || asked.PerPage is not (1 or 2)
        )
            throw RefusedException.Wrong(
                Say("desk.booklet.expected-a-title-of-1-to-characters", ("longestTitle", Limits.LongestTaskTitle))
            );
        booklets.Save(
            new BookletRecord
            {
                ClassId = one.Id,
                Title = asked.Title,
                PerPage = asked.PerPage,
                Pairs = asked.Pairs,
                Names = asked.Names,
                Shown = asked.Shown,
            },
            asked.Pieces
        );
        return pieces.Booklet(one);
    }

    /// <summary>
    /// The booklet as MusicXML, a file a piece; those that are gone or that cannot be read are left out.
    /// </summary>
    private static FileContentHttpResult Zip(Asker asker, Pieces pieces, long @class)
    {
        var one = asker.Class;
        var booklet = pieces.Booklet(one);
        using var whole = new MemoryStream();
        using (var zip = new ZipArchive(whole, ZipArchiveMode.Create, leaveOpen: true))
        {
            foreach (var (i, id) in booklet.Pieces.Index())
            {
                if (Readable(pieces, one, booklet, id) is not { } piece)
                    continue;
                using var entry = zip.CreateEntry($"{i + 1:00}-{FileNames.Plain(piece.Tune.Title)}.musicxml").Open();
                entry.Write(Encoding.UTF8.GetBytes(MusicXmlWriter.Write(piece.Score)));
            }
        }

        return TypedResults.Bytes(whole.ToArray(), "application/zip", $"booklet-{FileNames.Plain(one.Name)}.zip");
    }

    private static KeptTune? Readable(Pieces pieces, ClassRecord one, BookletDoc booklet, long piece)
    {
        try
        {
            var (who, found) = pieces.Find(one.Id, piece);
            return Pieces.AsTune(booklet, who, found);
        }
        catch (Exception e) when (e is RefusedException or FormatException)
        {
            return null;
        }
    }
}
