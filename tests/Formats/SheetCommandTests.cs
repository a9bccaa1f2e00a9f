using System.Text.Json;
using Coppia.Cli;
using Coppia.Formats.MusicXml;
using Coppia.Formats.Records;

namespace Coppia.Tests;

/// <summary>The contract of <c>coppia sheet</c>.</summary>
public sealed class SheetCommandTests : IDisposable
{
    private readonly string _file = Path.Combine(Path.GetTempPath(), $"{Guid.NewGuid():N}");

    public void Dispose() => File.Delete(_file);

    private static (int Exit, string Out, string Error) Run(string args)
    {
        using StringWriter output = new() { NewLine = "\n" },
            error = new() { NewLine = "\n" };
        return (SheetCommand.Run(args.Split(' '), output, error), output.ToString(), error.ToString());
    }

    private static JsonElement Json(string args)
    {
        var (exit, output, error) = Run(args);
        Assert.Equal("", error);
        Assert.Equal(0, exit);
        return JsonSerializer.Deserialize<JsonElement>(output);
    }

    private static IEnumerable<(JsonElement Question, JsonElement Answer)> Items(JsonElement sheet) =>
        sheet.GetProperty("items").EnumerateArray().Select(i => (i.GetProperty("question"), i.GetProperty("answer")));

    private static string? Text(JsonElement e, string name) => e.GetProperty(name).GetString();

    [Fact]
    public void A_sheet_names_its_kind_seed_and_instrument()
    {
        var sheet = Json("finger-it --for cello --key D --count 5 --seed 42");
        Assert.Equal(
            ("finger-it", 42, "cello"),
            (Text(sheet, "kind"), sheet.GetProperty("seed").GetInt32(), Text(sheet, "instrument"))
        );
        Assert.Equal(5, sheet.GetProperty("items").GetArrayLength());
        Assert.Equal(12, Json("finger-it --for cello").GetProperty("items").GetArrayLength());
    }

    [Theory] // Worked out by hand (craft 1, 3, 12 and 19).
    [InlineData(
        "finger-it --for violin --key C --strings D --range F4..G4 --count 2",
        """{"note":"F4"}""",
        """{"string":"D","finger":2,"place":"low"}"""
    )]
    [InlineData(
        "finger-it --for cello --key Bb --strings D --range Eb3..G3 --count 4",
        """{"note":"Eb3"}""",
        """{"string":"D","finger":1,"place":"back"}"""
    )]
    [InlineData(
        "finger-it --for bass --key D --strings G --count 9",
        """{"note":"D4"}""",
        """{"string":"G","finger":4,"place":"regular"}"""
    )]
    [InlineData("line-or-space --for violin --count 9", """{"note":"F4"}""", """{"on":"space","number":1}""")]
    [InlineData("line-or-space --for cello --count 9", """{"note":"B2"}""", """{"on":"line","number":2}""")]
    [InlineData("signature --for violin --count 30", """{"fifths":2}""", """{"key":"D","letters":["F","C"]}""")]
    [InlineData("signature --for cello --count 30", """{"fifths":-3}""", """{"key":"Eb","letters":["B","E","A"]}""")]
    [InlineData("stems --for violin --key C --count 30", """{"note":"B4"}""", """{"stem":"down"}""")]
    [InlineData("stems --for violin --key C --count 30", """{"note":"A4"}""", """{"stem":"up"}""")]
    [InlineData("name-it --for viola --key F --count 40", """{"note":"Bb3"}""", """{"name":"Bb","bySignature":true}""")]
    [InlineData(
        "find-it --for violin --key D --count 40",
        """{"note":"F#4","string":"D"}""",
        """{"semitones":4,"finger":2}"""
    )]
    [InlineData(
        "write-it --for violin --key D --count 40",
        """{"name":"C#","octave":4,"string":"G"}""",
        """{"note":"C#4","on":"ledger line below","number":1}"""
    )]
    [InlineData("hand-shape --for violin --key F --count 4", """{"string":"E"}""", """{"shape":"0–1 and 3–4"}""")]
    [InlineData("scale-builder --for cello --key F --count 1", """{"first":"F2"}""", """{"halfSteps":[3,7]}""")]
    public void A_question_has_its_answer(string args, string question, string answer)
    {
        var (wanted, right) = (
            JsonSerializer.Deserialize<JsonElement>(question),
            JsonSerializer.Deserialize<JsonElement>(answer)
        );
        var asked = Items(Json(args)).Where(i => Has(i.Question, wanted)).ToArray();
        Assert.NotEmpty(asked);
        Assert.All(asked, i => Assert.True(Has(i.Answer, right), i.Answer.ToString()));

        static bool Has(JsonElement all, JsonElement some) =>
            some.EnumerateObject()
                .All(p => all.TryGetProperty(p.Name, out var v) && JsonElement.DeepEquals(v, p.Value));
    }

    private static string Played(string args, string of = "pairs") =>
        string.Join(
            " | ",
            Items(Json(args))
                .Select(i =>
                    string.Join(
                        ' ',
                        i.Answer.GetProperty(of)
                            .EnumerateArray()
                            .Select(p =>
                                of == "pairs" ? $"{Text(p, "string")}{p.GetProperty("finger")}" : p.GetString()
                            )
                    )
                )
        );

    [Theory] // Check values of craft 19, and rules of 8 and 12.
    [InlineData("scale --for violin --key D", "D0 D1 D2 D3 | A0 A1 A2 A3 | A2 A1 A0 D3 | D2 D1 D0")]
    [InlineData("scale --for cello --key D", "D0 D1 D3 D4 | A0 A1 A3 A4 | A3 A1 A0 D4 | D3 D1 D0")]
    [InlineData("scale --for bass --key F", "E1 E4 A0 A1 | A4 D0 D2 D4 | D2 D0 A4 A1 | A0 E4 E1")]
    [InlineData("arpeggio --for violin --key D", "D0 D2 A0 A3 | A0 D2 D0")]
    [InlineData("open-or-four --for violin --strings D --key D", "A0 D4 | D3 D4 D3 D4 | D4 A0 D4 A0 | D3 A0 D3 D4")]
    [InlineData("bass-frames --for bass --strings D --key D", "D1 D1 D1 D1 | D1 D2 D4 D0 | D1 D2 D4 D0")]
    [InlineData(
        "stretch --for cello --strings D --key D",
        "D1 D1 | D1 D1 D1 D1 | D1 D2 D3 D4 | D4 D3 D2 D1 | D4 D4 | D4 D4 D4 D4 | D1 D2 D4 | D4 D2 D1"
    )]
    [InlineData("crossing --for violin --strings D,A --key D", "D0 A0 D0 A0 | D0 D1 A0 A1 | A1 D1 A0 D0 | D0 A0 D1 A1")]
    [InlineData("two-heights --for violin --strings D,A --key G", "D2 A2 | D2 A2 D2 A2 | D0 D2 A0 A2 | A2 A0 D2 D0")]
    public void Music_to_play_has_its_pairs(string args, string pairs) => Assert.Equal(pairs, Played(args));

    [Fact] // Craft 19: hooked quarter quarter half: down down up; its mirror half quarter quarter: down up up.
    public void Hooks_and_their_mirror()
    {
        var bars = Played("hooked --for violin --key D", "bows").Split(" | ");
        Assert.Equal(Enumerable.Repeat("down down up", 6).Concat(Enumerable.Repeat("down up up", 6)), bars);
    }

    [Theory] // Each says what would be possible.
    [InlineData(
        "stretch --for bass",
        "The hand of the double bass has no stretch; stretches can be made for the violin, viola and cello."
    )]
    [InlineData(
        "open-or-four --for cello",
        "On the cello the fourth finger does not stand for an open string; "
            + "open or fourth finger can be made for the violin and viola."
    )]
    [InlineData(
        "bass-frames --for violin",
        "The violin does not slide between its lowest positions; "
            + "half and first position can be made for the double bass."
    )]
    [InlineData(
        "name-it --for violin --range D4..D4",
        "That leaves fewer than two notes for the violin; choose from G3 to B5."
    )]
    [InlineData("name-it --for cello --strings E", "The cello has no E string; its strings are C, G, D and A.")]
    [InlineData("name-it --for violin --key Z", "“Z” is not a key; expected a key such as D, Bb, F# or Em")]
    [InlineData("name-it --for violin --key G#", "“G#” is not a key; expected a key such as D, Bb, F# or Em")]
    [InlineData("name-it --for oboe", "“oboe” is not an instrument; expected all, violin, viola, cello or bass")]
    [InlineData("name-it --for violin --count 99", "Ask for 1 to 60.")]
    [InlineData("name-it --for violin --count 0", "Ask for 1 to 60.")]
    [InlineData(
        "signature --for violin --key C",
        "C major has no signs to ask about; choose another key, or none for all up to four sharps and flats."
    )]
    [InlineData(
        "scale --for violin --key D --octaves 2",
        "Two octaves of D major do not fit under the hand of the violin; it works in G major, B♭ major, "
            + "A major or A♭ major."
    )]
    [InlineData("chunk --for violin", "Trouble spots are made from a tune; choose one.")]
    [InlineData(
        "count-it --for violin --values 1/1 --meter 3/4",
        "These note values do not fill a bar of this meter by themselves; choose others"
    )]
    [InlineData(
        "two-heights --for violin --key D --strings D,A",
        "In D major every finger of the violin stands at one height on neighbouring strings; it works in "
    )]
    [InlineData("name-it --for violin --range D4", "“D4” is not a range; expected two notes such as D4..B4")]
    [InlineData("what --for violin", "“what” is not a kind of exercise; expected name-it, finger-it, ")]
    [InlineData("name-it", "usage: coppia sheet KIND ")]
    public void What_cannot_be_made_says_what_could(string args, string error)
    {
        var (exit, output, told) = Run(args);
        Assert.Equal((2, ""), (exit, output));
        Assert.StartsWith(error, told, StringComparison.Ordinal);
        Assert.Single(told.TrimEnd('\n').Split('\n'));
    }

    [Fact]
    public void A_tune_gives_its_notes_its_key_and_its_trouble()
    {
        File.WriteAllText(_file, "X:1\nM:4/4\nL:1/4\nK:G\nG A B c | d2 B2 | c B A F | G4 |]\n");
        var notes = Items(Json($"finger-it --for violin --from {_file} --count 12"))
            .Select(i => Text(i.Question, "note"))
            .Distinct();
        Assert.Equal(["A4", "B4", "C5", "D5", "F#4", "G4"], notes.Order());
        Assert.Equal(
            "D3 A0 A1 A2 | A3 E0 E1 E2 | E1 E0 A3 A2 | A1 A0 D3",
            Played($"scale --for violin --from {_file}")
        );
        Assert.NotEmpty(Items(Json($"chunk --for violin --from {_file}")));
    }

    [Fact]
    public void What_a_class_knows_bounds_it()
    {
        File.WriteAllText(_file, """{"strings":{"violin":["D","A"]},"values":["1/4","1/2"],"not":["rests","ties"]}""");
        var pairs = Items(Json($"finger-it --for violin --known {_file} --count 20"))
            .Select(i => Text(i.Answer, "string"))
            .Distinct();
        Assert.Equal(["A", "D"], pairs.Order());
        File.WriteAllText(_file, """{"strings":{"violin":["C"]}}""");
        Assert.EndsWith(
            "“C” is not a string of the violin; expected one of G, D, A, E\n",
            Run($"name-it --for violin --known {_file}").Error,
            StringComparison.Ordinal
        );
        File.WriteAllText(_file, "{\"knows\":1}");
        Assert.Contains(
            "not what a class knows; expected a JSON object",
            Run($"name-it --for violin --known {_file}").Error,
            StringComparison.Ordinal
        );
    }

    /// <summary>
    /// A sheet stays within what the class knows (craft 12): a cello class that plays D and A strings in D major.
    /// </summary>
    [Theory]
    [InlineData("name-it", "D3 E3 F#3 G3 A3 B3 C#4 D4 C2 G2")]
    [InlineData("finger-it", "D3 E3 F#3 G3 A3 B3 C#4 D4 C2 G2")]
    public void A_sheet_asks_for_nothing_that_the_class_does_not_know(string kind, string notes)
    {
        File.WriteAllText(_file, KnownFile.Write(UsualOrder.UpTo(Stage.FirstFingers, [StringSection.Cello])));
        var asked = Items(Json($"{kind} --for cello --known {_file} --count 40"))
            .Select(i => Text(i.Question, "note"))
            .Distinct()
            .Order(StringComparer.Ordinal);
        Assert.Subset(notes.Split(' ').ToHashSet(), asked.ToHashSet()!);
        Assert.True(asked.Count() > 5);
    }

    // W3C MusicXML 4.0, read again by our own reader; other readers are asked in the suite of outside references.
    [Fact]
    public void Every_kind_with_music_is_written_as_a_score()
    {
        foreach (
            var kind in ExerciseKind.All.Where(k => k.Id is not ("chunk" or "bass-frames" or "find-it" or "hand-shape"))
        )
        {
            var (exit, xml, _) = Run($"{kind.Id} --for violin --format musicxml");
            Assert.Equal(0, exit);
            var read = MusicXmlReader.ReadUnfinished(xml);
            Assert.Empty(read.Errors);
            Assert.NotEmpty(read.Lines[0].Score.Bars);
        }
    }

    [Theory]
    [InlineData("D", 2, ScaleForm.Major)]
    [InlineData("Bb", -2, ScaleForm.Major)]
    [InlineData("F#", 6, ScaleForm.Major)]
    [InlineData("Em", 1, ScaleForm.NaturalMinor)]
    [InlineData("E harmonic minor", 1, ScaleForm.HarmonicMinor)]
    [InlineData("C melodic minor", -3, ScaleForm.MelodicMinor)]
    public void A_key_is_read_and_written(string text, int fifths, ScaleForm form)
    {
        Assert.Equal(new ScaleKey(fifths, form), KeyText.Read(text));
        Assert.Equal(text, KeyText.Of(new ScaleKey(fifths, form)));
    }

    [Theory]
    [InlineData("1/4", 2, 0, 1)]
    [InlineData("3/8", 2, 1, 1)]
    [InlineData("1/12", 3, 0, 3)]
    [InlineData("1/1", 0, 0, 1)]
    public void A_value_is_read_and_written(string text, int log, int dots, int tuplet)
    {
        var value = ValueText.Read(text)!.Value;
        Assert.Equal((log, dots, tuplet), (value.Log, value.Dots, value.TupletActual));
        Assert.Equal(text, ValueText.Of(value));
        Assert.Null(ValueText.Read("1/5"));
        Assert.Null(ValueText.Read("quarter"));
    }
}
