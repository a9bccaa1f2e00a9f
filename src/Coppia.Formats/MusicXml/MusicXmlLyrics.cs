using System.Xml.Linq;

namespace Coppia.Formats.MusicXml;

/// <summary>Words to sing under a note (MusicXML 4.0, lyric).</summary>
internal static class MusicXmlLyrics
{
    /// <summary>One text a verse; a syllable whose word goes on ends with a hyphen.</summary>
    public static IReadOnlyList<string> Of(XElement note)
    {
        List<string>? verses = null;
        foreach (var lyric in note.Elements("lyric"))
        {
            var text = string.Concat(lyric.Elements().Select(Part)).Trim();
            if (text.Length == 0)
                continue;
            if (lyric.Elements("syllabic").LastOrDefault()?.Value.Trim() is "begin" or "middle")
                text += "-";
            verses ??= [];
            var verse =
                int.TryParse((string?)lyric.Attribute("number"), out var number) && number is >= 1 and <= 20
                    ? number - 1
                    : verses.Count;
            while (verses.Count <= verse)
                verses.Add("");
            verses[verse] = text;
        }

        return verses ?? [];
    }

    public static IEnumerable<XElement> Write(IReadOnlyList<string> verses) =>
        verses
            .Index()
            .Where(v => v.Item.Length > 0)
            .Select(v =>
            {
                var goesOn = v.Item.Length > 1 && v.Item.EndsWith('-');
                return new XElement(
                    "lyric",
                    new XAttribute("number", v.Index + 1),
                    new XElement("syllabic", goesOn ? "begin" : "single"),
                    new XElement("text", goesOn ? v.Item[..^1] : v.Item)
                );
            });

    /// <summary>Two syllables under one note are parted by an elision, a blank where it says nothing.</summary>
    private static string Part(XElement element) =>
        element.Name.LocalName switch
        {
            "text" => element.Value,
            "elision" => element.Value.Length > 0 ? element.Value : " ",
            _ => "",
        };
}
