using System.Globalization;
using System.Security.Claims;
using System.Threading.RateLimiting;
using Coppia.Data.Door;
using Coppia.Data.Store;
using Coppia.Server.Asked;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Authentication.Cookies;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.RateLimiting;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Door;

/// <summary>Who asks.</summary>
/// <param name="Required">Somebody has a sign-in, so that everybody needs one.</param>
/// <param name="Name">Who is signed in; null for nobody.</param>
/// <param name="Beyond">Other machines can reach this Coppia.</param>
public sealed record MeView(bool Required, string? Name, bool Beyond);

public sealed record SignInRequest(string Name, string Passphrase);

public sealed record TeacherView(long Id, string Name, bool IsMe);

/// <param name="Former">The passphrase until now.</param>
public sealed record PassphraseChange(string Former, string Passphrase);

/// <summary>Whoever signs in, or where nobody can, whoever sits at this machine.</summary>
internal sealed class TeacherOrAlone : IAuthorizationRequirement;

internal sealed class TeacherOrAloneHandler(TeacherRepository teachers) : AuthorizationHandler<TeacherOrAlone>
{
    protected override Task HandleRequirementAsync(AuthorizationHandlerContext context, TeacherOrAlone requirement)
    {
        if (context.User.Identity?.IsAuthenticated == true || !teachers.Any())
            context.Succeed(requirement);
        return Task.CompletedTask;
    }
}

/// <summary>
/// Teachers sign in with a name and a passphrase; a cookie keeps them signed in (OWASP ASVS 4.0.3, 2.1.1, 2.2.1, 3.3.1,
/// 3.4.1 to 3.4.3). Every address needs it but those that say otherwise.
/// </summary>
internal static class SignIn
{
    private const string Limited = "sign-in";
    private const string Stamp = "stamp";

    /// <summary>Tries that one address has in a window of time.</summary>
    private const int Tries = 10;

    private static readonly TimeSpan Window = TimeSpan.FromMinutes(5);
    private static readonly TimeSpan Stays = TimeSpan.FromDays(14);

    public static void AddSignIn(this IServiceCollection services, LibraryFolder? folder)
    {
        var protection = services.AddDataProtection().SetApplicationName("coppia");
        if (folder is not null)
            protection.PersistKeysToFileSystem(new DirectoryInfo(folder.Keys));
        services
            .AddAuthentication(CookieAuthenticationDefaults.AuthenticationScheme)
            .AddCookie(o =>
            {
                o.Cookie.Name = "coppia-teacher";
                o.Cookie.HttpOnly = true;
                o.Cookie.SameSite = SameSiteMode.Strict;
                o.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest;
                o.ExpireTimeSpan = Stays;
                o.SlidingExpiration = true;
                o.Events.OnRedirectToLogin = c => Refuse(c.HttpContext, 401, Say("door.sign-in.sign-in-first"));
                o.Events.OnRedirectToAccessDenied = c =>
                    Refuse(c.HttpContext, 403, Say("door.sign-in.this-is-not-yours-to-see"));
                o.Events.OnValidatePrincipal = StillHolds;
            });
        services.AddSingleton<IAuthorizationHandler, TeacherOrAloneHandler>();
        services
            .AddAuthorizationBuilder()
            .SetFallbackPolicy(new AuthorizationPolicyBuilder().AddRequirements(new TeacherOrAlone()).Build());
        services.AddRateLimiter(Limit);
    }

    /// <summary>Few tries for each address in a window of time.</summary>
    private static void Limit(RateLimiterOptions limiter)
    {
        limiter.AddPolicy(
            Limited,
            context =>
                RateLimitPartition.GetFixedWindowLimiter(
                    context.Connection.RemoteIpAddress?.ToString() ?? "",
                    _ => new FixedWindowRateLimiterOptions { PermitLimit = Tries, Window = Window }
                )
        );
        limiter.OnRejected = async (context, stop) =>
        {
            var (seconds, minutes) = (Window.TotalSeconds, Window.TotalMinutes);
            context.HttpContext.Response.Headers.RetryAfter = seconds.ToString(CultureInfo.InvariantCulture);
            var title = Say(
                "door.sign-in.too-many-tries-wait-minutes-then-try",
                ("totalMinutes", minutes.ToString("0", CultureInfo.InvariantCulture))
            );
            await Results.Problem(statusCode: 429, title: title).ExecuteAsync(context.HttpContext);
        };
    }

    public static void MapSignIn(this IEndpointRouteBuilder api)
    {
        api.MapGet("/api/me", Me).WithName("getMe").AllowAnonymous();
        api.MapPost("/api/sign-in", Enter)
            .WithName("signIn")
            .AllowAnonymous()
            .RequireRateLimiting(Limited)
            .ProducesProblem(401);
        api.MapPost("/api/sign-out", (Delegate)Leave).WithName("signOut").AllowAnonymous();
        api.MapGet("/api/teachers", List).WithName("listTeachers");
        api.MapPost("/api/teachers", Add).WithName("addTeacher").ProducesProblem(409).ProducesProblem(422);
        api.MapPut("/api/teachers/{teacher:long}/passphrase", Change)
            .WithName("changePassphrase")
            .RequireRateLimiting(Limited)
            .ProducesProblem(401)
            .ProducesProblem(404)
            .ProducesProblem(422);
        api.MapPost("/api/teachers/{teacher:long}/everywhere", LeaveEverywhere)
            .WithName("signOutEverywhere")
            .ProducesProblem(404);
        api.MapDelete("/api/teachers/{teacher:long}", Remove)
            .WithName("removeTeacher")
            .ProducesProblem(404)
            .ProducesProblem(409);
    }

    private static MeView Me(HttpContext context, TeacherRepository teachers, ServerOptions options) =>
        new(teachers.Any(), context.User.Identity?.Name, Listening.IsBeyond(options));

    private static async Task<NoContent> Enter(HttpContext context, TeacherRepository teachers, SignInRequest asked)
    {
        if (teachers.Check(asked.Name, asked.Passphrase) is not { } teacher)
            throw new RefusedException(401, Say("door.sign-in.the-name-or-the-passphrase-is-not"));
        await KeepSignedIn(context, teacher);
        return TypedResults.NoContent();
    }

    private static Task KeepSignedIn(HttpContext context, TeacherRecord teacher)
    {
        var claims = new[]
        {
            new Claim(ClaimTypes.NameIdentifier, teacher.Id.ToString(CultureInfo.InvariantCulture)),
            new Claim(ClaimTypes.Name, teacher.Name),
            new Claim(Stamp, teacher.Stamp),
        };
        return context.SignInAsync(
            new ClaimsPrincipal(new ClaimsIdentity(claims, CookieAuthenticationDefaults.AuthenticationScheme)),
            new AuthenticationProperties { IsPersistent = true }
        );
    }

    private static async Task<NoContent> Leave(HttpContext context)
    {
        await context.SignOutAsync();
        return TypedResults.NoContent();
    }

    private static TeacherView[] List(HttpContext context, TeacherRepository teachers) =>
        [.. teachers.List().Select(t => new TeacherView(t.Id, t.Name, t.Id == IdOf(context.User)))];

    /// <summary>Gives someone a sign-in. The first one turns signing in on, and is signed in at once.</summary>
    private static async Task<NoContent> Add(HttpContext context, TeacherRepository teachers, SignInRequest asked)
    {
        if (TeacherRepository.Wrong(asked.Name, asked.Passphrase) is { } wrong)
            throw new RefusedException(422, wrong);
        var isFirst = !teachers.Any();
        if (teachers.Add(asked.Name, asked.Passphrase) is not { } teacher)
            throw new RefusedException(
                409,
                Say("door.sign-in.there-is-a-teacher-already", ("asked", asked.Name.Trim()))
            );
        if (isFirst)
            await KeepSignedIn(context, teacher);
        return TypedResults.NoContent();
    }

    /// <summary>Changes one's own passphrase; every other sign-in of this teacher ends.</summary>
    private static async Task<NoContent> Change(
        HttpContext context,
        TeacherRepository teachers,
        long teacher,
        PassphraseChange change
    )
    {
        if (teachers.Find(teacher) is not { } kept)
            throw NoTeacher();
        if (teachers.Check(kept.Name, change.Former) is null)
            throw new RefusedException(401, Say("door.sign-in.the-passphrase-until-now-is-not-right"));
        if (TeacherRepository.Wrong(kept.Name, change.Passphrase) is { } wrong)
            throw new RefusedException(422, wrong);
        teachers.Change(teacher, change.Passphrase);
        if (teacher == IdOf(context.User))
            await KeepSignedIn(context, teachers.Find(teacher)!);
        return TypedResults.NoContent();
    }

    private static NoContent LeaveEverywhere(TeacherRepository teachers, long teacher) =>
        teachers.EndSignIns(teacher) ? TypedResults.NoContent() : throw NoTeacher();

    /// <summary>
    /// Takes a sign-in away. Without the last one nobody needs any, which is never so beyond this machine.
    /// </summary>
    private static NoContent Remove(TeacherRepository teachers, ServerOptions options, long teacher)
    {
        if (Listening.IsBeyond(options) && teachers.List() is [var last] && last.Id == teacher)
            throw new RefusedException(409, Say("door.sign-in.other-machines-can-reach-this-coppia"));
        return teachers.Remove(teacher) ? TypedResults.NoContent() : throw NoTeacher();
    }

    private static RefusedException NoTeacher() =>
        new RefusedException(404, Say("door.sign-in.there-is-no-such-teacher"));

    private static long? IdOf(ClaimsPrincipal who) =>
        long.TryParse(
            who.FindFirstValue(ClaimTypes.NameIdentifier),
            NumberStyles.None,
            CultureInfo.InvariantCulture,
            out var id
        )
            ? id
            : null;

    /// <summary>A sign-in that was ended elsewhere, or whose teacher is gone, holds no more.</summary>
    private static async Task StillHolds(CookieValidatePrincipalContext context)
    {
        var teachers = context.HttpContext.RequestServices.GetRequiredService<TeacherRepository>();
        if (
            context.Principal is { } who
            && IdOf(who) is { } id
            && teachers.Find(id)?.Stamp == who.FindFirstValue(Stamp)
        )
            return;
        context.RejectPrincipal();
        await context.HttpContext.SignOutAsync();
    }

    private static Task Refuse(HttpContext context, int status, string title) =>
        Results.Problem(statusCode: status, title: title).ExecuteAsync(context);
}
