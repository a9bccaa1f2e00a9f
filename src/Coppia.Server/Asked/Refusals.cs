using Coppia.Core.Exercises;
using Coppia.Core.Wording.Exercises;

namespace Coppia.Server.Asked;

/// <summary>
/// Answers with problem details (RFC 9457) where a handler, or what it calls, finds that what was asked cannot be: the
/// one place where a failed check becomes an answer.
/// </summary>
internal static class Refusals
{
    /// <summary>Addresses whose handlers say by an exception that they cannot do what is asked.</summary>
    public static IEndpointRouteBuilder Refusing(this WebApplication app) => app.MapGroup("").AddEndpointFilter(Answer);

    private static async ValueTask<object?> Answer(EndpointFilterInvocationContext call, EndpointFilterDelegate next)
    {
        try
        {
            foreach (var asked in call.Arguments)
                Checks.OrRefuse(asked);
            return await next(call);
        }
        catch (RefusedException e)
        {
            return e.Problem;
        }
        catch (SheetImpossibleException e)
        {
            var style = call.HttpContext.RequestServices.GetRequiredService<HouseStyles>().Current().Style;
            return RefusedException.Wrong(ImpossibleWords.Of(e, style)).Problem;
        }
        catch (FormatException e)
        {
            return RefusedException.Wrong(e.Message).Problem;
        }
    }
}
