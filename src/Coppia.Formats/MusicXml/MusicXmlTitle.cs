using System.Globalization;
using System.Xml.Linq;

namespace Coppia.Formats.MusicXml;

/// <summary>
/// Title and composer of a MusicXML score: of its work and movement, else as printed on the first page.
/// </summary>
internal static class MusicXmlTitle
{
    public static string Of(XElement root)
    {
        string[] named =
        [
            .. new[] { root.Element("work")?.Element("work-title"), root.Element("movement-title") }
                .Select(e => e?.Value.Trim() ?? "")
                .Where(t => t.Length > 0)
                .Distinct(),
        ];
        // A movement that repeats its work's title says it all.
        return named switch
        {
            [var work, var movement] when movement.StartsWith(work, StringComparison.OrdinalIgnoreCase) => movement,
            [var work, var movement] when work.Contains(movement, StringComparison.OrdinalIgnoreCase) => work,
            [var work, var movement] => $"{work}: {movement}",
            [var one] => one,
            _ => Printed(root, "title") ?? Largest(root) ?? "",
        };
    }

    public static string? Composer(XElement root) =>
        root.Element("identification")
            ?.Elements("creator")
            .Where(c => (string?)c.Attribute("type") is "composer" or null)
            .Select(c => c.Value.Trim())
            .FirstOrDefault(c => c.Length > 0)
        ?? Printed(root, "composer");

    private static IEnumerable<XElement> FirstPage(XElement root) =>
        root.Elements("credit").Where(c => (string?)c.Attribute("page") is null or "1");

    private static string? Printed(XElement root, string type) =>
        FirstPage(root)
            .Where(c =>
                c.Elements("credit-type").Any(t => t.Value.Trim().Equals(type, StringComparison.OrdinalIgnoreCase))
            )
            .Select(Words)
            .FirstOrDefault(w => w.Length > 0);

    /// <summary>The largest words in the middle of the first page.</summary>
    private static string? Largest(XElement root) =>
        FirstPage(root)
            .Where(c => !c.Elements("credit-type").Any())
            .SelectMany(c => c.Elements("credit-words"))
            .Where(w =>
                (string?)w.Attribute("justify") is null or "center" || (string?)w.Attribute("halign") == "center"
            )
            .Select(w => (Text: w.Value.Trim(), Size: Size(w)))
            .Where(w => w.Text.Length > 0)
            .OrderByDescending(w => w.Size)
            .Select(w => w.Text.ReplaceLineEndings(" "))
            .FirstOrDefault();

    private static string Words(XElement credit) =>
        string.Join(' ', credit.Elements("credit-words").Select(w => w.Value.Trim().ReplaceLineEndings(" "))).Trim();

    private static double Size(XElement words) =>
        double.TryParse((string?)words.Attribute("font-size"), CultureInfo.InvariantCulture, out var size) ? size : 0;
}
