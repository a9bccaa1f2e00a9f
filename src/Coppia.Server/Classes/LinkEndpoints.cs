using Coppia.Data.Classes;
using Coppia.Server.Asked;
using Microsoft.AspNetCore.Http.HttpResults;
using QRCoder;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Classes;

/// <summary>A learner's link.</summary>
/// <param name="Address">Where it leads; null where the learner has none.</param>
/// <param name="Qr">The address as a QR code (ISO/IEC 18004), drawn in SVG.</param>
public sealed record LinkView(long LearnerId, string Nickname, string? Address, string? Qr);

/// <summary>Learners to be given a link; those who have one get a new one, and the former ends.</summary>
public sealed record RenewRequest(IReadOnlyList<long> Learners);

/// <summary>The links by which the learners of a class see what is theirs.</summary>
internal static class LinkEndpoints
{
    public static void MapLinks(this IEndpointRouteBuilder api)
    {
        var one = api.MapGroup("/api/classes/{class:long}/links");
        one.MapGet("", List).WithName("listLinks").ProducesProblem(404);
        one.MapPost("", Renew).WithName("renewLinks").ProducesProblem(404).ProducesProblem(422);
        one.MapDelete("/{learner:long}", End).WithName("endLink").ProducesProblem(404);
    }

    private static LinkView[] List(
        HttpContext context,
        Asker asker,
        LearnerRepository learners,
        LinkRepository links,
        long @class
    )
    {
        var one = asker.Class;
        var tokens = links.Of(one.Id).ToDictionary(l => l.LearnerId, l => l.Token);
        return
        [
            .. learners
                .Of(one.Id)
                .Select(l =>
                {
                    var address = tokens.TryGetValue(l.Id, out var token)
                        ? $"{context.Request.Scheme}://{context.Request.Host}/learn/{token}"
                        : null;
                    return new LinkView(l.Id, l.Nickname, address, address is null ? null : Qr(address));
                }),
        ];
    }

    private static string Qr(string address)
    {
        using var data = QRCodeGenerator.GenerateQrCode(address, QRCodeGenerator.ECCLevel.M);
        using var code = new SvgQRCode(data);
        return code.GetGraphic(
            4,
            "#211A16",
            "#FFFFFF",
            drawQuietZones: true,
            sizingMode: SvgQRCode.SizingMode.ViewBoxAttribute
        );
    }

    private static NoContent Renew(LearnerRepository learners, LinkRepository links, long @class, RenewRequest asked)
    {
        var own = learners.Of(@class).Select(l => l.Id).ToHashSet();
        if (asked.Learners.Any(l => !own.Contains(l)))
            throw RefusedException.Wrong(Say("classes.link.one-of-these-learners-is-not-in"));
        links.Renew(asked.Learners.Distinct());
        return TypedResults.NoContent();
    }

    private static NoContent End(LearnerRepository learners, LinkRepository links, long @class, long learner) =>
        learners.Find(learner)?.ClassId == @class && links.End(learner)
            ? TypedResults.NoContent()
            : throw new RefusedException(404, Say("classes.link.this-learner-has-no-link"));
}
