using System.Text;
using System.Text.Json;

namespace Coppia.Tests;

/// <summary>
/// What the sender did wrong is the sender's to mend: 4xx, with the part of the request that is wrong (RFC 9457; OWASP
/// ASVS 4.0.3, 5.1.3, 5.1.4 and 7.4.1).
/// </summary>
public class WrongRequestTests(RunningServer server) : IClassFixture<RunningServer>
{
    [Theory]
    [InlineData("POST", "/api/tunes", "{}", 400, "at the beginning: source is missing")]
    [InlineData("POST", "/api/tunes", "{\"source\":null}", 400, "at source")]
    [InlineData(
        "POST",
        "/api/tunes",
        "{\"source\":\"K:D\\nD|\",\"title\":\"a\\u0000b\"}",
        400,
        "“title” has the character U+0000 in place 2, which cannot be kept"
    )]
    [InlineData("POST", "/api/tunes", "{\"source\":\"K:D\\nD|\",\"source\":\"K:D\\nE|\"}", 400, "cannot be read")]
    [InlineData(
        "POST",
        "/api/tunes",
        "{\"source\":\"X:1\\nK:D\\nD \\u0007 E|\"}",
        422,
        "Line 3, column 3: the character U+0007 cannot be kept or printed"
    )]
    [InlineData("POST", "/api/tunes", "{\"source\":", 400, "cannot be read")]
    [InlineData("POST", "/api/tunes/many", "{\"tunes\":[null]}", 400, "“tunes” has an empty place")]
    [InlineData("POST", "/api/tunes/many", "{}", 400, "tunes is missing")]
    [InlineData("POST", "/api/tunes/1/before", "{\"instrument\":\"violin\"}", 400, "starts is missing")]
    [InlineData(
        "PATCH",
        "/api/tunes/1/pins/violin",
        "{\"changes\":[{\"noteId\":\"b1n1\",\"to\":{\"string\":1}}]}",
        400,
        "at changes[0].to: finger is missing"
    )]
    [InlineData(
        "PATCH",
        "/api/tunes/1/bowing",
        "{\"changes\":[{\"noteId\":\"b1n1\",\"kind\":7,\"to\":\"taken\",\"was\":\"open\"}]}",
        400,
        "at changes[0].kind"
    )]
    [InlineData("POST", "/api/styles", "{\"name\":\"A\",\"style\":{\"tapes\":null}}", 400, "at style.tapes")]
    [InlineData(
        "POST",
        "/api/styles",
        "{\"name\":\"A\",\"style\":{\"tapes\":{\"violin\":[null]}}}",
        400,
        "“tapes” has an empty place"
    )]
    [InlineData("POST", "/api/styles", "{\"name\":\"A\",\"style\":{\"lowHigh\":1}}", 400, "at style.lowHigh")]
    [InlineData(
        "POST",
        "/api/cards/round",
        "{\"instrument\":\"violin\",\"card\":99,\"stage\":\"mixed\",\"string\":1,\"fifths\":2}",
        400,
        "at card"
    )]
    [InlineData("GET", "/api/tunes/1/reading", null, 400, "“instrument” is missing")]
    [InlineData("GET", "/api/tunes?from=x", null, 400, "“from” is missing, or is not of its kind")]
    [InlineData("GET", "/api/tunes?order=age", null, 400, "expected one of title, added, changed, shortest, key")]
    [InlineData("GET", "/api/tunes?count=5000", null, 400, "1 to 200 at once")]
    [InlineData("GET", "/api/tunes?instrument=flute", null, 404, "“flute” is not an instrument")]
    public async Task The_part_that_is_wrong_is_named(
        string method,
        string path,
        string? body,
        int status,
        string words
    )
    {
        using var request = new HttpRequestMessage(new HttpMethod(method), path);
        if (body is not null)
            request.Content = new StringContent(body, Encoding.UTF8, "application/json");
        using var answer = await server.Client.SendAsync(request);
        var said = JsonSerializer.Deserialize<JsonElement>(await answer.Content.ReadAsStringAsync());
        Assert.Equal(status, (int)answer.StatusCode);
        var sentence =
            $"{said.GetProperty("title").GetString()} "
            + $"{(said.TryGetProperty("detail", out var detail) ? detail.GetString() : "")}";
        Assert.Contains(words, sentence, StringComparison.Ordinal);
        Assert.Equal(0, (await server.Get("/api/tunes")).GetProperty("total").GetInt32());
    }

    [Fact] // RFC 8259, 8.1
    public async Task Json_in_another_charset_is_refused()
    {
        using var content = new StringContent("{\"source\":\"D E F\"}", Encoding.Unicode, "application/json");
        using var answer = await server.Client.PostAsync("/api/tunes", content);
        Assert.Equal(415, (int)answer.StatusCode);
        Assert.Contains("expected UTF-8", await answer.Content.ReadAsStringAsync(), StringComparison.Ordinal);
    }
}
