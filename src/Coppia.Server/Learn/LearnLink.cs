using Coppia.Data.Classes;
using Coppia.Server.Asked;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Learn;

/// <summary>A link that cannot be guessed, by which a learner sees what is theirs and nobody signs in.</summary>
internal static class LearnLink
{
    /// <summary>Addresses below a learner's link.</summary>
    public static RouteGroupBuilder ByLink(this IEndpointRouteBuilder api) =>
        api.MapGroup(LearnAddress.Root + "{link}").AllowAnonymous().AddEndpointFilter(Open);

    /// <summary>Finds whose link it is; all that follows is for that learner, in their class.</summary>
    private static async ValueTask<object?> Open(EndpointFilterInvocationContext call, EndpointFilterDelegate next)
    {
        var (context, services) = (call.HttpContext, call.HttpContext.RequestServices);
        var link = context.Request.RouteValues["link"] as string ?? "";
        if (
            services.GetRequiredService<LinkRepository>().LearnerOf(link) is not { } id
            || services.GetRequiredService<LearnerRepository>().Find(id) is not { } learner
        )
            throw RefusedException.NotHere(Say("learn.link.this-link-has-ended-ask-your-teacher"));
        services
            .GetRequiredService<Own>()
            .Open(learner, services.GetRequiredService<ClassRepository>().Find(learner.ClassId));
        return await next(call);
    }
}
