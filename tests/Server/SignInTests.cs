using System.Net;
using System.Text.Json;
using Coppia.Cli;
using Coppia.Data.Door;
using Microsoft.AspNetCore.Routing;
using Microsoft.Extensions.DependencyInjection;

namespace Coppia.Tests;

/// <summary>
/// Who gets at what (OWASP ASVS 4.0.3, 2.1.1, 2.2.1, 2.2.2, 3.3.3, 4.1.1, 4.1.2): every address is asked by nobody, by
/// a learner and by a teacher.
/// </summary>
public sealed class SignInTests : IAsyncLifetime
{
    private const string Passphrase = "four wooden boats";

    // A browser lets go of a sign-in by its own clock.
    private readonly RunningServer _server = new() { Clock = { From = DateTimeOffset.UtcNow } };

    public ValueTask InitializeAsync() => _server.InitializeAsync();

    public ValueTask DisposeAsync() => _server.DisposeAsync();

    private TeacherRepository Teachers => _server.Services.GetRequiredService<TeacherRepository>();

    private static object Who(string name, string passphrase = Passphrase) => new { name, passphrase };

    /// <summary>A browser of its own: its cookies, and who it is.</summary>
    private HttpClient Browser() =>
        new(new CookieHandler(_server.TestServer.CreateHandler())) { BaseAddress = _server.TestServer.BaseAddress };

    private sealed class CookieHandler(HttpMessageHandler inner) : DelegatingHandler(inner)
    {
        private readonly CookieContainer _cookies = new();

        protected override async Task<HttpResponseMessage> SendAsync(HttpRequestMessage request, CancellationToken stop)
        {
            if (_cookies.GetCookieHeader(request.RequestUri!) is { Length: > 0 } kept)
                request.Headers.Add("Cookie", kept);
            var response = await base.SendAsync(request, stop);
            if (response.Headers.TryGetValues("Set-Cookie", out var set))
            {
                foreach (var cookie in set)
                    _cookies.SetCookies(request.RequestUri!, cookie);
            }

            return response;
        }
    }

    private static async Task<int> Status(HttpClient who, HttpMethod method, string path, object? body = null)
    {
        using var request = new HttpRequestMessage(method, path)
        {
            Content = body is null ? null : System.Net.Http.Json.JsonContent.Create(body),
        };
        using var response = await who.SendAsync(request);
        return (int)response.StatusCode;
    }

    private static async Task<HttpClient> SignedIn(HttpClient who, string name)
    {
        Assert.Equal(204, await Status(who, HttpMethod.Post, "/api/sign-in", Who(name)));
        return who;
    }

    /// <summary>
    /// Every address of the API with one of its methods, its places filled with numbers that there are none of.
    /// </summary>
    private IEnumerable<(HttpMethod Method, string Path)> Addresses() =>
        _server
            .Services.GetRequiredService<EndpointDataSource>()
            .Endpoints.OfType<RouteEndpoint>()
            .Where(e => e.RoutePattern.RawText?.StartsWith("/api/", StringComparison.Ordinal) == true)
            .SelectMany(e =>
                (e.Metadata.GetMetadata<HttpMethodMetadata>()?.HttpMethods ?? ["GET"]).Select(m =>
                    (new HttpMethod(m), string.Join('/', e.RoutePattern.RawText!.Split('/').Select(Filled)))
                )
            );

    private static string Filled(string part) =>
        !part.Contains('{', StringComparison.Ordinal) ? part
        : part.Contains("long", StringComparison.Ordinal) ? "987654"
        : "violin";

    /// <summary>What is open to everybody: who one is, signing in and out, and whether the server lives.</summary>
    private static readonly string[] Open = ["/api/me", "/api/sign-in", "/api/sign-out", "/api/health"];

    /// <summary>Addresses of learners have a key of their own; whoever has none finds nothing there.</summary>
    private static bool IsALearners(string path) => path.StartsWith("/api/learn/", StringComparison.Ordinal);

    [Fact]
    public async Task Every_address_is_closed_to_nobody_and_open_to_a_teacher()
    {
        Teachers.Add("Rosalind", Passphrase);
        var (nobody, teacher) = (Browser(), await SignedIn(Browser(), "Rosalind"));
        var learner = await WithALink(teacher);
        var addresses = Addresses().ToArray();
        Assert.True(addresses.Length > 80);
        foreach (var (method, path) in addresses.Where(a => !Open.Contains(a.Path)))
        {
            var (of, to) = (await Status(nobody, method, path), await Status(teacher, method, path));
            if (IsALearners(path))
            {
                Assert.True(
                    of is 400 or 401 or 404 && to is 400 or 404 or 415,
                    $"{method} {path} answered {of} to nobody, {to} to a teacher"
                );
                continue;
            }

            Assert.True(of == 401, $"{method} {path} answered {of} to nobody");
            Assert.True(await Status(learner, method, path) == 401, $"{method} {path} is open to a learner");
            Assert.True(to is not (401 or 403), $"{method} {path} answered {to} to a teacher");
        }

        Assert.Equal(200, await Status(nobody, HttpMethod.Get, "/api/me"));
    }

    /// <summary>A browser that shows a learner's link wherever a key can be shown.</summary>
    private async Task<HttpClient> WithALink(HttpClient teacher)
    {
        var learners = new[]
        {
            new
            {
                nickname = "Ada",
                instrument = "violin",
                size = "1/2",
            },
        };
        Assert.Equal(200, await Status(teacher, HttpMethod.Post, "/api/classes", new { name = "Year 1", learners }));
        Assert.Equal(
            204,
            await Status(teacher, HttpMethod.Post, "/api/classes/1/links", new { learners = new[] { 1 } })
        );
        var links = JsonSerializer.Deserialize<JsonElement>(await teacher.GetStringAsync("/api/classes/1/links"));
        var link = links[0].GetProperty("address").GetString()!.Split('/')[^1];
        var learner = new HttpClient(_server.TestServer.CreateHandler())
        {
            BaseAddress = _server.TestServer.BaseAddress,
        };
        Assert.Equal(200, await Status(learner, HttpMethod.Get, $"/api/learn/{link}"));
        learner.DefaultRequestHeaders.Add("Authorization", $"Bearer {link}");
        learner.DefaultRequestHeaders.Add("Cookie", $"coppia-teacher={link}");
        return learner;
    }

    [Fact]
    public async Task Where_nobody_can_sign_in_nobody_needs_to()
    {
        var alone = Browser();
        Assert.Equal(200, await Status(alone, HttpMethod.Get, "/api/tunes"));
        var me = await _server.Get("/api/me");
        Assert.False(me.GetProperty("required").GetBoolean());
        // The first sign-in is in force at once, and whoever made it is in.
        Assert.Equal(204, await Status(alone, HttpMethod.Post, "/api/teachers", Who("Rosalind")));
        Assert.Equal(200, await Status(alone, HttpMethod.Get, "/api/tunes"));
        Assert.Equal(401, await Status(Browser(), HttpMethod.Get, "/api/tunes"));
    }

    [Theory]
    [InlineData("", Passphrase, "name of 1 to 60")]
    [InlineData("Rosalind", "elevenchars", "passphrase of 12 to 200 characters")]
    [InlineData("Rosalind", "aaaaaaaaaaaaaaa", "too easily guessed")]
    [InlineData("Rosalind", "rosalind teaches", "too easily guessed")]
    public async Task A_passphrase_has_twelve_characters_and_is_no_riddle(string name, string passphrase, string words)
    {
        var (status, body) = await _server.Send(HttpMethod.Post, "/api/teachers", Who(name, passphrase));
        Assert.Equal(422, status);
        Assert.Contains(words, body.GetProperty("title").GetString(), StringComparison.Ordinal);
        Assert.False(Teachers.Any());
    }

    [Fact]
    public async Task A_wrong_name_and_a_wrong_passphrase_are_told_alike_and_not_tried_for_ever()
    {
        Teachers.Add("Rosalind", Passphrase);
        var (_, name) = await _server.Send(HttpMethod.Post, "/api/sign-in", Who("Somebody"));
        var (_, phrase) = await _server.Send(HttpMethod.Post, "/api/sign-in", Who("Rosalind", "four wooden ships"));
        Assert.Equal("The name or the passphrase is not right.", name.GetProperty("title").GetString());
        Assert.Equal(name.GetProperty("title").GetString(), phrase.GetProperty("title").GetString());
        var statuses = new List<int>();
        for (var i = 0; i < 10; i++)
            statuses.Add(
                (await _server.Send(HttpMethod.Post, "/api/sign-in", Who("Rosalind", $"guess number {i}"))).Status
            );
        Assert.Equal([401, 401, 401, 401, 401, 401, 401, 401, 429, 429], statuses);
        // The right one does not help the guesser now.
        Assert.Equal(429, await Status(Browser(), HttpMethod.Post, "/api/sign-in", Who("Rosalind")));
    }

    [Fact]
    public async Task Signing_out_everywhere_ends_every_sign_in_of_that_teacher_alone()
    {
        var rosalind = Teachers.Add("Rosalind", Passphrase)!;
        Teachers.Add("Edmund", Passphrase);
        var (home, school, other) = (
            await SignedIn(Browser(), "Rosalind"),
            await SignedIn(Browser(), "rosalind"),
            await SignedIn(Browser(), "Edmund")
        );
        Assert.Equal(204, await Status(home, HttpMethod.Post, "/api/sign-out"));
        Assert.Equal(
            (401, 200),
            (await Status(home, HttpMethod.Get, "/api/tunes"), await Status(school, HttpMethod.Get, "/api/tunes"))
        );
        Assert.Equal(204, await Status(other, HttpMethod.Post, $"/api/teachers/{rosalind.Id}/everywhere"));
        Assert.Equal(
            (401, 200),
            (await Status(school, HttpMethod.Get, "/api/tunes"), await Status(other, HttpMethod.Get, "/api/tunes"))
        );
    }

    [Fact]
    public async Task A_changed_passphrase_ends_other_sign_ins_and_needs_the_former_one()
    {
        var rosalind = Teachers.Add("Rosalind", Passphrase)!;
        var (home, school) = (await SignedIn(Browser(), "Rosalind"), await SignedIn(Browser(), "Rosalind"));
        var path = $"/api/teachers/{rosalind.Id}/passphrase";
        Assert.Equal(
            401,
            await Status(home, HttpMethod.Put, path, new { former = "not this one", passphrase = "seven iron kettles" })
        );
        Assert.Equal(422, await Status(home, HttpMethod.Put, path, new { former = Passphrase, passphrase = "short" }));
        Assert.Equal(
            204,
            await Status(home, HttpMethod.Put, path, new { former = Passphrase, passphrase = "seven iron kettles" })
        );
        Assert.Equal(
            (200, 401),
            (await Status(home, HttpMethod.Get, "/api/tunes"), await Status(school, HttpMethod.Get, "/api/tunes"))
        );
        Assert.Null(Teachers.Check("Rosalind", Passphrase));
    }

    [Fact]
    public async Task The_command_line_adds_resets_and_removes()
    {
        (int Exit, string Out, string Error) Run(string input, params string[] args)
        {
            using StringWriter output = new(),
                error = new();
            return (
                TeacherCommand.Run([.. args, "--data", _server.Folder], new StringReader(input), output, error),
                output.ToString(),
                error.ToString()
            );
        }

        Assert.Equal(2, Run("too short\n", "add", "Rosalind").Exit);
        Assert.Equal(0, Run(Passphrase + "\n", "add", "Rosalind").Exit);
        Assert.Contains("already", Run(Passphrase + "\n", "add", "rosalind").Error, StringComparison.Ordinal);
        Assert.StartsWith("Rosalind", Run("", "list").Out, StringComparison.Ordinal);
        var browser = await SignedIn(Browser(), "Rosalind");
        Assert.Equal(0, Run("seven iron kettles\n", "reset", "Rosalind").Exit);
        Assert.Equal(401, await Status(browser, HttpMethod.Get, "/api/tunes"));
        Assert.NotNull(Teachers.Check("Rosalind", "seven iron kettles"));
        Assert.Contains("expected Rosalind", Run("", "remove", "Edmund").Error, StringComparison.Ordinal);
        Assert.Contains("Nobody needs to now", Run("", "remove", "Rosalind").Out, StringComparison.Ordinal);
        Assert.Equal(2, Run("", "remove").Exit);
        Assert.Equal(200, await Status(Browser(), HttpMethod.Get, "/api/tunes"));
    }

    [Fact] // OWASP ASVS 4.0.3, 2.4.1: kept salted and hashed, and never sent.
    public async Task A_passphrase_is_kept_nowhere()
    {
        Teachers.Add("Rosalind", Passphrase);
        Teachers.Add("Edmund", Passphrase);
        var browser = await SignedIn(Browser(), "Rosalind");
        Assert.DoesNotContain(
            Passphrase,
            SomeLibrary.Dump(Path.Combine(_server.Folder, "coppia.db")),
            StringComparison.Ordinal
        );
        Assert.NotEqual(Teachers.Named("Rosalind")!.Passphrase, Teachers.Named("Edmund")!.Passphrase);
        var list = await browser.GetStringAsync("/api/teachers");
        Assert.Equal(
            ["id", "isMe", "name"],
            JsonDocument.Parse(list).RootElement[0].EnumerateObject().Select(p => p.Name).Order()
        );
    }

    [Fact] // OWASP ASVS 4.0.3, 3.4.2 and 3.4.3
    public async Task The_cookie_is_for_the_server_alone()
    {
        Teachers.Add("Rosalind", Passphrase);
        using var response = await _server.Client.PostAsync(
            "/api/sign-in",
            System.Net.Http.Json.JsonContent.Create(Who("Rosalind"))
        );
        var cookie = response.Headers.GetValues("Set-Cookie").Single();
        Assert.Contains("httponly", cookie, StringComparison.OrdinalIgnoreCase);
        Assert.Contains("samesite=strict", cookie, StringComparison.OrdinalIgnoreCase);
    }

    [Fact]
    public async Task A_library_from_before_the_sign_in_opens_no_door()
    {
        var backup = await _server.Client.GetByteArrayAsync("/api/keeping/backup");
        Teachers.Add("Rosalind", Passphrase);
        var browser = await SignedIn(Browser(), "Rosalind");
        using var file = new ByteArrayContent(backup);
        file.Headers.ContentType = new("application/octet-stream");
        using var restored = await browser.PostAsync("/api/keeping/restore", file);
        Assert.Equal(200, (int)restored.StatusCode);
        Assert.Equal(
            (401, 200),
            (await Status(Browser(), HttpMethod.Get, "/api/tunes"), await Status(browser, HttpMethod.Get, "/api/tunes"))
        );
    }

    [Fact]
    public async Task What_is_ticked_says_by_whom()
    {
        Teachers.Add("Rosalind", Passphrase);
        var browser = await SignedIn(Browser(), "Rosalind");
        var learners = new[]
        {
            new
            {
                nickname = "Ada",
                instrument = "violin",
                size = "4/4",
            },
        };
        await Status(
            browser,
            HttpMethod.Post,
            "/api/classes",
            new
            {
                name = "Year 1",
                learners,
                start = new { stage = "openStrings" },
            }
        );
        var plan = JsonDocument.Parse(await browser.GetStringAsync("/api/classes/1/known")).RootElement;
        Assert.Equal("Rosalind", plan.GetProperty("changes")[0].GetProperty("madeBy").GetString());
    }
}
