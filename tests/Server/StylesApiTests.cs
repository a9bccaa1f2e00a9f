using System.Text.Json;

namespace Coppia.Tests;

/// <summary>House styles, pins, shapes and the taping sheet over HTTP, on a server of their own.</summary>
public sealed class StylesApiTests : IAsyncLifetime
{
    private readonly RunningServer _server = new();

    public ValueTask InitializeAsync() => _server.InitializeAsync();

    public ValueTask DisposeAsync() => _server.DisposeAsync();

    private async Task<string> Pairs(long id, string instrument) =>
        string.Join(
            ' ',
            (await _server.Get($"/api/tunes/{id}/reading?instrument={instrument}"))
                .GetProperty("notes")
                .EnumerateArray()
                .Select(n => n.GetProperty("label").GetString())
        );

    private const string Tune = "X:1\nM:2/4\nL:1/8\nK:C\nG A G F|!4!A4|]";

    [Fact]
    public async Task A_style_in_use_changes_every_reading_and_only_then()
    {
        var id = await _server.Keep(Tune);
        Assert.Equal("D3 D4 D3 D-L2 A0", await Pairs(id, "violin"));
        await _server.Send(
            HttpMethod.Post,
            "/api/styles",
            new { name = "Upstairs", style = new { fourthFinger = "openFirst" } }
        );
        var second = (
            await _server.Send(
                HttpMethod.Post,
                "/api/styles",
                new { name = "Downstairs", style = new { lowHigh = "arrows" } }
            )
        )
            .Body.GetProperty("id")
            .GetInt64();
        Assert.Equal("D3 A0 D3 D-L2 A0", await Pairs(id, "violin")); // the first style kept is the current one
        Assert.Equal(204, (await _server.Send(HttpMethod.Post, $"/api/styles/{second}/current")).Status);
        Assert.Equal("D3 D4 D3 D-↓2 A0", await Pairs(id, "violin"));
        // the one in use stays
        Assert.Equal(404, (await _server.Send(HttpMethod.Delete, $"/api/styles/{second}")).Status);
    }

    [Theory]
    [InlineData("""{"name":"","style":{}}""", "needs a name")]
    [InlineData("""{"name":"x","style":{"tapes":{"violin":[{"semitones":13,"name":"far"}]}}}""", "1 to 12 half steps")]
    [InlineData("""{"name":"x","style":{"tapes":{"flute":[]}}}""", "violin, viola, cello and bass")]
    [InlineData("""{"name":"x","style":{"firstKeyFifths":9}}""", "at most seven")]
    public async Task A_style_that_cannot_be_is_refused_in_words(string json, string words)
    {
        var (status, body) = await _server.Send(
            HttpMethod.Post,
            "/api/styles",
            JsonSerializer.Deserialize<JsonElement>(json)
        );
        Assert.Equal(422, status);
        Assert.Contains(words, body.GetProperty("errors").ToString(), StringComparison.Ordinal);
        Assert.Equal(0, (await _server.Get("/api/styles"))[0].GetProperty("id").GetInt64());
    }

    [Theory] // What each setting prints; source: craft 17, common practice.
    [InlineData("fourthFinger", "openFirst", "D2 D3 A0 D3 D3 D4 A1 A0 D3")]
    [InlineData("lowHigh", "words", "D0 D low 2 D2 A0 A low 2 D high 3 A0")]
    [InlineData("extendedFourth", "fourPlus", "E3 E4 E-4+ E4 E3 E-L2")]
    [InlineData("extendedFourth", "words", "E3 E4 E reach 4 E4 E3 E-L2")]
    [InlineData("celloBack", "l1", "D0 D-L1 D2 D0 A0 A-L1 A0")]
    [InlineData("alternatives.bass", "oneThreeFour", "E1 E4 A0 A4 D0 D3 D4")]
    [InlineData("noteNames", "german", "G A H C B A G")]
    [InlineData("octaveNames", "number", "D4 F♯4 A4 D5 C♯5 A4 D4")]
    public async Task Each_setting_has_an_example_that_it_changes(string setting, string choice, string printed)
    {
        string Printed(JsonElement examples) =>
            string.Join(
                ' ',
                examples
                    .EnumerateArray()
                    .First(e => e.GetProperty("setting").GetString() == setting)
                    .GetProperty("printed")
                    .EnumerateArray()
                    .Select(p => p.GetString())
            );
        var plain = (await _server.Send(HttpMethod.Post, "/api/styles/example", new { })).Body;
        var style = setting.Split('.') is [var group, var instrument]
            ? new Dictionary<string, object> { [group] = new Dictionary<string, string> { [instrument] = choice } }
            : new Dictionary<string, object> { [setting] = choice };
        var changed = (await _server.Send(HttpMethod.Post, "/api/styles/example", style)).Body;
        Assert.Equal(printed, Printed(changed));
        Assert.NotEqual(printed, Printed(plain));
    }

    [Fact]
    public async Task A_pin_is_kept_per_instrument_and_the_rest_follows()
    {
        var id = await _server.Keep(Tune);
        Assert.Equal(204, (await _server.Pin(id, "violin", "b1n2", (2, 0))).Status);
        Assert.Equal("D3 A0 D3 D-L2 A0", await Pairs(id, "violin"));
        Assert.Equal("D3 D4 D3 D-L2 A0", await Pairs(id, "viola"));
        await _server.Pin(id, "violin", "b1n2", null, was: (2, 0));
        await _server.Send(
            HttpMethod.Patch,
            $"/api/tunes/{id}/pins/violin",
            new { changes = Array.Empty<object>(), printed = new { to = true, was = false } }
        );
        Assert.Equal("D3 D4 D3 D-L2 D4", await Pairs(id, "violin")); // the printed 4 counts as a pin
    }

    [Fact]
    public async Task An_impossible_pin_is_refused_and_says_what_is_possible()
    {
        var id = await _server.Keep(Tune);
        var (status, body) = await _server.Pin(id, "violin", "b1n1", (3, 1));
        Assert.Equal(422, status);
        Assert.StartsWith(
            "G4 in bar 1 cannot be played with 1 on the E string; possible here: ",
            body.GetProperty("title").GetString(),
            StringComparison.Ordinal
        );
        Assert.Contains("3 on D", body.GetProperty("title").GetString(), StringComparison.Ordinal);
        Assert.Equal("D3 D4 D3 D-L2 A0", await Pairs(id, "violin"));
    }

    [Fact]
    public async Task A_pin_whose_note_has_changed_is_set_aside_and_said()
    {
        var id = await _server.Keep(Tune);
        await _server.Pin(id, "violin", "b1n2", (2, 0));
        await _server.Send(
            HttpMethod.Put,
            $"/api/tunes/{id}",
            new { version = 1, source = Tune.Replace("G A G", "G B G", StringComparison.Ordinal) }
        );
        var reading = await _server.Get($"/api/tunes/{id}/reading?instrument=violin");
        Assert.Contains(
            "1 of your own fingerings no longer meet their notes",
            reading.GetProperty("warnings").ToString(),
            StringComparison.Ordinal
        );
    }

    [Fact]
    public async Task Styles_are_copied_by_number_and_come_back_when_deleted()
    {
        async Task<(long Id, string Name)> Made(string path, object? body = null)
        {
            var style = (await _server.Send(HttpMethod.Post, path, body)).Body;
            return (style.GetProperty("id").GetInt64(), style.GetProperty("name").GetString()!);
        }

        async Task<string> Names(string path) =>
            string.Join(
                ", ",
                (await _server.Get(path)).EnumerateArray().Select(s => s.GetProperty("name").GetString())
            );

        var first = await Made("/api/styles", new { name = "Upstairs", style = new { lowHigh = "arrows" } });
        var one = await Made($"/api/styles/{first.Id}/duplicate");
        var two = await Made($"/api/styles/{one.Id}/duplicate");
        Assert.Equal(("Upstairs (copy)", "Upstairs (copy 2)"), (one.Name, two.Name));
        await _server.Send(HttpMethod.Delete, $"/api/styles/{one.Id}");
        await Task.Delay(5); // the list goes by milliseconds
        await _server.Send(HttpMethod.Delete, $"/api/styles/{two.Id}");
        Assert.Equal("Upstairs", await Names("/api/styles"));
        Assert.Equal("Upstairs (copy 2), Upstairs (copy)", await Names("/api/styles/deleted"));
        Assert.Equal(204, (await _server.Send(HttpMethod.Post, $"/api/styles/{one.Id}/restore")).Status);
        Assert.Equal("Upstairs, Upstairs (copy)", await Names("/api/styles"));
        Assert.Equal(404, (await _server.Send(HttpMethod.Post, $"/api/styles/{one.Id}/restore")).Status);
    }

    [Fact] // Craft 1, common practice: a signature is told by what it changes from the first key taught.
    public async Task Shapes_compare_with_the_first_key_taught()
    {
        var shapes = await _server.Get("/api/shapes/violin?fifths=0&form=major");
        Assert.Equal("Against D major: C is natural, F is natural.", shapes.GetProperty("changes").GetString());
        var itself = await _server.Get("/api/shapes/violin?fifths=2&form=major");
        Assert.Equal("", itself.GetProperty("changes").GetString());
        await _server.Send(
            HttpMethod.Post,
            "/api/styles",
            new { name = "G first", style = new { firstKeyFifths = 1 } }
        );
        Assert.Equal(
            "Against G major: F is natural.",
            (await _server.Get("/api/shapes/violin?fifths=0&form=major")).GetProperty("changes").GetString()
        );
    }

    [Fact] // American and British names of the same values: common practice.
    public async Task Values_are_chosen_by_the_names_of_the_house_style()
    {
        async Task<string> Names() =>
            string.Join(
                ", ",
                (await _server.Get("/api/values"))
                    .EnumerateArray()
                    .Select(v => $"{v.GetProperty("value").GetString()} {v.GetProperty("name").GetString()}")
            );
        Assert.Equal(
            "1/1 whole, 3/4 dotted half, 1/2 half, 3/8 dotted quarter, 1/4 quarter, 1/8 eighth, 1/16 sixteenth, "
                + "1/12 triplet eighth",
            await Names()
        );
        await _server.Send(
            HttpMethod.Post,
            "/api/styles",
            new { name = "British", style = new { valueNames = "british" } }
        );
        Assert.Equal(
            "1/1 semibreve, 3/4 dotted minim, 1/2 minim, 3/8 dotted crotchet, 1/4 crotchet, 1/8 quaver, "
                + "1/16 semiquaver, 1/12 triplet quaver",
            await Names()
        );
    }

    [Theory]
    [InlineData("bass", -1, "half")] // an F major scale lies wholly in half position (craft 6)
    [InlineData("bass", 2, "I")]
    [InlineData("cello", -3, "I")]
    [InlineData("violin", -3, "I")]
    public async Task The_position_follows_the_key_where_none_is_asked(
        string instrument,
        int fifths,
        string position
    ) =>
        Assert.Equal(
            position,
            (await _server.Get($"/api/shapes/{instrument}?fifths={fifths}&form=major"))
                .GetProperty("position")
                .GetString()
        );

    [Fact]
    public async Task A_shape_keeps_the_teachers_own_name_and_mark()
    {
        await _server.Send(
            HttpMethod.Post,
            "/api/styles",
            new
            {
                name = "Ours",
                style = new
                {
                    shapeNames = new Dictionary<string, object> { ["2–3"] = new { name = "the twins", mark = "★" } },
                },
            }
        );
        var shape = (await _server.Get("/api/shapes/violin?fifths=2&form=major")).GetProperty("shapes")[1];
        Assert.Equal(
            ("the twins", "★", "2–3"),
            (
                shape.GetProperty("name").GetString(),
                shape.GetProperty("mark").GetString(),
                shape.GetProperty("descriptive").GetString()
            )
        );
    }

    [Theory] // d = L (1 − 2^(−n/12)), equal temperament, rounded to 0.5 mm as craft 4 asks; worked by hand.
    [InlineData("violin", 328, "36 67.5 82.5")]
    [InlineData("cello", 692, "75.5 143 173.5")]
    [InlineData("bass", 1055, "115 217.5")]
    public async Task The_taping_sheet_gives_half_millimetres(string instrument, int length, string distances)
    {
        var sheet = await _server.Get($"/api/taping/{instrument}?lengthMm={length}");
        Assert.Equal(
            distances,
            string.Join(
                ' ',
                sheet
                    .EnumerateArray()
                    .Select(t =>
                        t.GetProperty("millimetres")
                            .GetDouble()
                            .ToString(System.Globalization.CultureInfo.InvariantCulture)
                    )
            )
        );
    }

    [Fact]
    public async Task A_string_that_cannot_be_is_refused()
    {
        var (status, body) = await _server.Send(HttpMethod.Get, "/api/taping/violin?lengthMm=32");
        Assert.Equal(400, status);
        Assert.Contains("150 to 1300 mm", body.GetProperty("title").GetString(), StringComparison.Ordinal);
    }

    [Fact]
    public async Task Before_a_line_the_server_says_what_the_core_says()
    {
        var id = await _server.Keep(Tune);
        var lines = (
            await _server.Send(
                HttpMethod.Post,
                $"/api/tunes/{id}/before",
                new { instrument = "violin", starts = new[] { 0, 1 } }
            )
        ).Body;
        Assert.Equal("Only the D string.", lines[0][0].GetProperty("text").GetString());
        Assert.Equal("Only the A string.", lines[1][0].GetProperty("text").GetString());
        var refused = await _server.Send(
            HttpMethod.Post,
            $"/api/tunes/{id}/before",
            new { instrument = "violin", starts = new[] { 0, 9 } }
        );
        Assert.Equal(
            (400, "Line 2 cannot begin at bar order 9; expected ascending orders from 0 to 1."),
            (refused.Status, refused.Body.GetProperty("title").GetString())
        );
    }
}
