namespace Coppia.Tests;

public class ReadingApiTests(RunningServer server) : IClassFixture<RunningServer>
{
    private const string Source = "X:1\nT:River Stones\nM:C\nL:1/4\nK:D\nD E F G|A4|]\n";

    [Theory] // Craft 19, common practice.
    [InlineData("violin", "D0 D1 D2 D3 A0", "treble", null)]
    [InlineData("viola", "D0 D1 D2 D3 A0", "alto", null)]
    [InlineData("cello", "D0 D1 D3 D4 A0", "bass", "an octave lower")]
    [InlineData("bass", "D0 D1 D4 G0 G1", "bass", "an octave lower")]
    public async Task Each_instrument_reads_the_tune_in_its_own_clef_and_octave(
        string instrument,
        string pairs,
        string clef,
        string? moved
    )
    {
        var id = await server.Keep(Source);
        var reading = await server.Get($"/api/tunes/{id}/reading?instrument={instrument}");
        Assert.Equal(
            pairs,
            string.Join(
                ' ',
                reading.GetProperty("notes").EnumerateArray().Select(n => n.GetProperty("label").GetString())
            )
        );
        Assert.Equal(clef, reading.GetProperty("clef").GetString());
        Assert.Equal(moved, reading.GetProperty("moved").GetString());
    }

    [Fact] // Craft 1: the C is a time signature; where it stands beside a key, say so.
    public async Task The_sign_C_is_told_apart_from_the_key()
    {
        var id = await server.Keep(Source);
        var words = (await server.Get($"/api/tunes/{id}/reading?instrument=violin"))
            .GetProperty("meterWords")
            .GetString();
        Assert.Equal(
            "The C on the staff is a time signature, four quarter beats; the key, D major, "
                + "comes from the signature alone.",
            words
        );
    }

    // Craft 19, common practice: cello G sharp on D is a stretched fourth finger; violin F natural on D is low 2.
    [Theory]
    [InlineData("cello", 2, 6, 3, "G#3", "D-x4")]
    [InlineData("violin", 1, 3, 0, "F4", "D-L2")]
    [InlineData("bass", 3, 4, 2, "B3", "G4")]
    [InlineData("violin", 3, 0, 0, "E5", "E0")]
    public async Task A_place_on_the_fingerboard_is_a_note(
        string instrument,
        int @string,
        int semitones,
        int fifths,
        string pitch,
        string label
    )
    {
        var place = await server.Get(
            $"/api/instruments/{instrument}/place?string={@string}&semitones={semitones}&fifths={fifths}"
        );
        Assert.Equal((pitch, label), (place.GetProperty("pitch").GetString(), place.GetProperty("label").GetString()));
    }

    [Fact] // Kept for that tune and instrument, exported, and let go again.
    public async Task A_teachers_octave_is_kept_and_exported()
    {
        var id = await server.Keep(Source);
        async Task<string> Labels(string instrument) =>
            string.Join(
                ' ',
                (await server.Get($"/api/tunes/{id}/reading?instrument={instrument}"))
                    .GetProperty("notes")
                    .EnumerateArray()
                    .Select(n => n.GetProperty("label").GetString())
            );
        Assert.Equal(204, (await server.Octave(id, "cello", -2, was: null)).Status);
        Assert.Equal("C1 C-x2 C-x4 G0 G1", await Labels("cello"));
        Assert.Equal("D0 D1 D2 D3 A0", await Labels("violin"));
        Assert.Contains(
            "<octave>2</octave>",
            await server.Client.GetStringAsync($"/api/tunes/{id}/export?format=musicxml&instrument=cello"),
            StringComparison.Ordinal
        );
        var refused = await server.Octave(id, "cello", 4, was: -2);
        Assert.Equal(422, refused.Status);
        Assert.Contains(
            "out of the cello’s reach; expected",
            refused.Body.GetProperty("title").GetString(),
            StringComparison.Ordinal
        );
        Assert.Equal(204, (await server.Octave(id, "cello", null, was: -2)).Status);
        Assert.Equal("D0 D1 D3 D4 A0", await Labels("cello"));
    }

    // Nothing is lost: a pin that cannot be played in another octave waits for the tune to come back, also when another
    // pin is set meanwhile.
    [Fact]
    public async Task A_pin_waits_for_its_octave()
    {
        var id = await server.Keep(Source);
        async Task<(string Labels, int Pins, int Warnings)> Read()
        {
            var reading = await server.Get($"/api/tunes/{id}/reading?instrument=violin");
            return (
                string.Join(
                    ' ',
                    reading.GetProperty("notes").EnumerateArray().Select(n => n.GetProperty("label").GetString())
                ),
                reading.GetProperty("pins").GetArrayLength(),
                reading.GetProperty("warnings").GetArrayLength()
            );
        }

        Assert.Equal(204, (await server.Pin(id, "violin", "b2n1", (1, 4))).Status);
        Assert.Equal(("D0 D1 D2 D3 D4", 1, 0), await Read());
        Assert.Equal(204, (await server.Octave(id, "violin", 1, was: null)).Status);
        Assert.Equal(("A3 E0 E1 E-L2 E3", 0, 1), await Read());
        Assert.Equal(204, (await server.Pin(id, "violin", "b1n2", (2, 4))).Status);
        Assert.Equal(204, (await server.Octave(id, "violin", null, was: 1)).Status);
        Assert.Equal("D0 D1 D2 D3 D4", (await Read()).Labels);
    }

    [Fact]
    public async Task An_edit_is_read_anew()
    {
        var id = await server.Keep(Source);
        await server.Get($"/api/tunes/{id}/reading?instrument=violin");
        await server.Send(
            HttpMethod.Put,
            $"/api/tunes/{id}",
            new { version = 1, source = Source.Replace("A4", "d4", StringComparison.Ordinal) }
        );
        var reading = await server.Get($"/api/tunes/{id}/reading?instrument=violin");
        Assert.Equal("A3", reading.GetProperty("notes")[4].GetProperty("label").GetString());
    }
}
