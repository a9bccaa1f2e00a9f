using System.Xml.Linq;
using Coppia.Formats.Books;
using Coppia.Formats.MusicXml;
using Coppia.Formats.Source;

namespace Coppia.Tests;

/// <summary>
/// Who draws a score adds to its text where the writer says, without looking: what is added there must be read as
/// belonging to just that note or bar by a reader of XML that knows nothing of ours (System.Xml.Linq).
/// </summary>
public class MusicXmlSlotsTests
{
    private const string Tune =
        "X:1\nT:Odds & <ends>\nM:3/4\nL:1/4\nK:D\n\"^a < b\"D {g}F A|\"^dolce\"d2 z|$\n[FA] (3d/e/f/ z|D3|]";

    private static (string Text, MusicXmlSlots Slots) Written(string tune) =>
        MusicXmlWriter.WriteSlotted([new ScoreLine("P1", "", TuneReader.Read(tune).Score!)]);

    private static string With(string text, int from, int to, string added) => text[..from] + added + text[to..];

    [Fact]
    public void A_syllable_lands_in_its_note()
    {
        var (text, slots) = Written(Tune);
        var notes = XDocument.Parse(text).Descendants("note").ToArray();
        var pitched = notes.Where(n => n.Element("pitch") is not null && n.Element("grace") is null).ToArray();
        Assert.Equal(
            pitched.Where(n => n.Element("chord") is null).Select(n => n.Attribute("id")!.Value),
            slots.Notes.OrderBy(n => n.Value).Select(n => n.Key)
        );
        foreach (var (id, at) in slots.Notes)
        {
            var found = XDocument.Parse(With(text, at, at, "<lyric/>")).Descendants("lyric").Single().Parent!;
            Assert.Equal("note", found.Name.LocalName);
            Assert.Equal(id, found.Attribute("id")!.Value);
        }
    }

    [Fact]
    public void A_break_stands_first_in_its_bar_and_in_place_of_the_tunes_own()
    {
        var (text, slots) = Written(Tune);
        Assert.Equal(4, slots.Bars.Count);
        Assert.Single(slots.Bars.Values, b => b.From < b.To);
        foreach (var (id, at) in slots.Bars)
        {
            var found = XDocument.Parse(With(text, at.From, at.To, "<print new-page=\"yes\"/>"));
            var bar = found.Descendants("measure").Single(m => m.Attribute("id")!.Value == id);
            Assert.Equal("yes", ((XElement)bar.FirstNode!).Attribute("new-page")?.Value);
            Assert.Single(bar.Elements("print"));
        }
    }

    [Fact]
    public void Words_are_told_as_they_are_written()
    {
        var (text, slots) = Written(Tune);
        Assert.Equal(["a &lt; b", "dolce"], slots.Words.Select(w => text[w.From..w.To]));
    }

    [Theory] // The text is that of the platform's own writer.
    [InlineData(Tune)]
    [InlineData("X:1\nL:1/4\nM:none\nK:C\nC D E F|]")]
    [InlineData("X:1\nM:6/8\nL:1/8\nK:Gm\n|:G2A B2c|1 d3 d3:|2 g6|]")]
    public void It_is_the_text_of_the_same_elements(string tune)
    {
        var (text, _) = Written(tune);
        var root = XDocument.Parse(text, LoadOptions.PreserveWhitespace).Root!;
        Assert.Equal(
            $"<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n{root.ToString(SaveOptions.DisableFormatting)}\n",
            text
        );
    }
}
