using System.Net;
using System.Net.Http.Headers;
using System.Text;

namespace Coppia.Tests;

/// <summary>Pages of other sites change nothing, and no answer helps them (OWASP ASVS 4.0.3, level 2).</summary>
public class OtherSitesTests(RunningServer server) : IClassFixture<RunningServer>
{
    private const string Tune = "{\"source\":\"X:1\\nT:Plums\\nK:D\\nD E F|\"}";

    private async Task<HttpResponseMessage> Ask(
        HttpMethod method,
        string path,
        string? body = null,
        params (string Name, string Value)[] headers
    )
    {
        using var request = new HttpRequestMessage(method, path);
        if (body is not null)
            request.Content = new StringContent(body, Encoding.UTF8, "application/json");
        foreach (var (name, value) in headers)
            request.Headers.TryAddWithoutValidation(name, value);
        return await server.Client.SendAsync(request);
    }

    private async Task<int> Tunes() => (await server.Get("/api/tunes")).GetProperty("total").GetInt32();

    [Theory] // OWASP ASVS 4.0.3, 4.2.2 and 13.2.3; W3C Fetch Metadata; RFC 6454
    [InlineData("Origin", "https://elsewhere.example")]
    [InlineData("Origin", "null")]
    [InlineData("Origin", "http://localhost.elsewhere.example")]
    [InlineData("Sec-Fetch-Site", "cross-site")]
    [InlineData("Sec-Fetch-Site", "same-site")]
    public async Task A_change_from_another_site_is_refused(string name, string value)
    {
        var before = await Tunes();
        foreach (var method in new[] { HttpMethod.Post, HttpMethod.Put, HttpMethod.Patch, HttpMethod.Delete })
        {
            using var answer = await Ask(
                method,
                method == HttpMethod.Post ? "/api/tunes" : "/api/tunes/1",
                Tune,
                (name, value)
            );
            Assert.Equal(HttpStatusCode.Forbidden, answer.StatusCode);
            Assert.Contains("another site", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
        }

        Assert.Equal(before, await Tunes());
    }

    [Fact] // A form of another site needs no script, and can send only these types.
    public async Task A_body_that_a_plain_form_sends_is_no_request()
    {
        var before = await Tunes();
        foreach (var type in new[] { "text/plain", "application/x-www-form-urlencoded" })
        {
            using var request = new HttpRequestMessage(HttpMethod.Post, "/api/tunes");
            request.Content = new StringContent(Tune, new MediaTypeHeaderValue(type));
            using var answer = await server.Client.SendAsync(request);
            Assert.Equal(HttpStatusCode.UnsupportedMediaType, answer.StatusCode);
        }

        Assert.Equal(before, await Tunes());
    }

    [Theory]
    [InlineData("Origin", "http://localhost")]
    [InlineData("Sec-Fetch-Site", "same-origin")]
    [InlineData("Sec-Fetch-Site", "none")]
    [InlineData("User-Agent", "a program that is no browser")]
    public async Task Our_own_pages_and_programs_change_what_they_like(string name, string value)
    {
        using var answer = await Ask(HttpMethod.Post, "/api/tunes", Tune, (name, value));
        Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
    }

    [Theory] // OWASP ASVS 4.0.3, 14.4.2 to 14.4.4, 14.4.6, 14.4.7 and 14.5.3
    [InlineData("GET", "/api/tunes")]
    [InlineData("GET", "/api/nothing")]
    [InlineData("GET", "/nothing.js")]
    [InlineData("DELETE", "/api/tunes")]
    [InlineData("POST", "/api/tunes")]
    public async Task Every_answer_tells_the_browser_what_to_refuse(string method, string path)
    {
        using var answer = await Ask(new HttpMethod(method), path);
        string Header(string name) => string.Join(",", answer.Headers.TryGetValues(name, out var values) ? values : []);
        Assert.Equal("nosniff", Header("X-Content-Type-Options"));
        Assert.Equal("no-referrer", Header("Referrer-Policy"));
        Assert.Contains("microphone=(self)", Header("Permissions-Policy"), StringComparison.Ordinal);
        var policy = Header("Content-Security-Policy").Split(';', StringSplitOptions.TrimEntries);
        Assert.Contains("default-src 'none'", policy);
        Assert.Contains("frame-ancestors 'none'", policy);
        // No script but files of our own: neither inline nor made of text.
        Assert.Equal(
            "script-src 'self' 'wasm-unsafe-eval'",
            Assert.Single(policy, p => p.StartsWith("script-src", StringComparison.Ordinal))
        );
        Assert.Equal("", Header("Access-Control-Allow-Origin")); // nobody else may read
        if (!path.StartsWith("/api", StringComparison.Ordinal))
            return;
        Assert.Equal("attachment", answer.Content.Headers.ContentDisposition?.DispositionType);
        Assert.Equal("no-store", Header("Cache-Control")); // OWASP ASVS 4.0.3, 8.2.1
    }

    [Theory] // RFC 9110, 15.5.5 and 15.5.6; RFC 9457
    [InlineData("GET", "/api/nothing", 404, "nothing at this address")]
    [InlineData("GET", "/api", 404, "nothing at this address")]
    [InlineData("POST", "/api/nothing", 404, "nothing at this address")]
    [InlineData("GET", "/api/tunes/one", 404, "nothing at this address")]
    [InlineData("DELETE", "/api/tunes", 405, "DELETE cannot be done at this address; expected GET, POST")]
    [InlineData("POST", "/api/tunes/1", 405, "expected DELETE, GET, PUT")]
    [InlineData("PUT", "/api/health", 405, "expected GET")]
    [InlineData("POST", "/tunes", 405, "expected GET")]
    [InlineData("TRACE", "/api/tunes", 405, "expected GET, POST")]
    public async Task An_address_or_method_that_is_none_is_a_problem_and_never_the_page(
        string method,
        string path,
        int status,
        string words
    )
    {
        using var answer = await Ask(new HttpMethod(method), path);
        Assert.Equal(
            (status, "application/problem+json"),
            ((int)answer.StatusCode, answer.Content.Headers.ContentType?.MediaType)
        );
        Assert.Contains(words, await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }

    [Fact] // DNS rebinding: the page of a site whose name points here asks under that name (common practice).
    public async Task A_name_that_is_not_ours_is_not_answered()
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/tunes")
        {
            Headers = { Host = "elsewhere.example" },
        };
        using var answer = await server.Client.SendAsync(request);
        Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
    }

    [Fact] // OWASP ASVS 4.0.3, 8.1.6
    public void The_library_and_the_logs_are_their_owners_alone()
    {
        var files = new DirectoryInfo(server.Folder)
            .EnumerateFiles("*", SearchOption.AllDirectories)
            .Where(f => f.Name != "none")
            .ToArray();
        Assert.Contains(files, f => f.Name == "coppia.db");
        const UnixFileMode others =
            UnixFileMode.GroupRead | UnixFileMode.GroupWrite | UnixFileMode.OtherRead | UnixFileMode.OtherWrite;
        Assert.All(files, f => Assert.Equal(UnixFileMode.None, f.UnixFileMode & others));
    }
}
