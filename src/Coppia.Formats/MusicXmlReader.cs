using System.Globalization;
using System.Xml;
using System.Xml.Linq;
using Coppia.Core.Music;

namespace Coppia.Formats;

/// <summary>
/// Reads the first voice of the first part of a MusicXML 4.0 partwise score (W3C MusicXML 4.0). What is left out is said.
/// </summary>
public static class MusicXmlReader
{
    /// <summary>The score, or every error with its line and column. DTDs are not read and nothing outside the text is opened.</summary>
    public static ReadResult Read(string xml)
    {
        XDocument document;
        try
        {
            var settings = new XmlReaderSettings
            {
                DtdProcessing = DtdProcessing.Ignore,
                XmlResolver = null,
                MaxCharactersInDocument = TuneReader.MostCharacters,
                MaxCharactersFromEntities = 0,
            };
            using var reader = XmlReader.Create(new StringReader(xml.TrimStart('\uFEFF', ' ', '\t', '\r', '\n')), settings);
            document = XDocument.Load(reader, LoadOptions.SetLineInfo);
        }
        catch (XmlException e)
        {
            var message = e.Message.Contains(" Line ", StringComparison.Ordinal)
                ? e.Message[..e.Message.LastIndexOf(" Line ", StringComparison.Ordinal)]
                : e.Message;
            return ReadResult.Failed(
                new SourceError(
                    new(Math.Max(1, e.LineNumber), Math.Max(1, e.LinePosition)),
                    $"the XML is not well formed ({message.TrimEnd('.')})",
                    "well-formed MusicXML without entities of its own"
                )
            );
        }

        var root = document.Root!;
        if (root.Name.LocalName != "score-partwise")
            return ReadResult.Failed(
                new SourceError(
                    At(root),
                    $"the outermost element is <{root.Name.LocalName}>",
                    "<score-partwise>, MusicXML as most programs save it"
                )
            );
        if (root.Element("part") is not { } part)
            return ReadResult.Failed(new SourceError(At(root), "there is no part with music", "a <part> element"));

        var notices = new List<Notice>();
        var parts = root.Elements("part").Count();
        if (parts > 1)
            notices.Add(new Notice(At(part), null, $"Only the first of {parts} parts is read."));
        var reading = new MusicXmlPart(notices);
        reading.Read(part);
        if (reading.Errors.Count == 0 && TuneReader.CheckSize(reading.Draft.EventCount, reading.AnyNote, At(part)) is { } size)
            reading.Errors.Add(size);
        if (reading.Errors.Count > 0)
            return new ReadResult(null, [.. reading.Errors.OrderBy(e => e.At)], notices);

        var bars = BarDraft.MendBindings(reading.Draft.Finish(), notices);
        var (score, faults) = ScoreAssembly.Finish(
            new Score
            {
                Title = Title(root),
                Composer = root.Element("identification")
                    ?.Elements("creator")
                    .FirstOrDefault(c => (string?)c.Attribute("type") is "composer" or null)
                    ?.Value.Trim(),
                InstrumentName = root.Element("part-list")?.Element("score-part")?.Element("part-name")?.Value.Trim(),
                Clef = bars[0].Clef,
                Key = bars[0].Key,
                Time = bars[0].Time,
                Tempo = reading.Tempo,
                TempoWords = reading.TempoWords,
                Bars = bars,
            },
            reading.PickUpMarked
        );
        return new ReadResult(score, [], [.. notices, .. faults.Select(Notice.Of)]);
    }

    internal static SourcePosition At(XElement element)
    {
        var info = (IXmlLineInfo)element;
        return info.HasLineInfo() ? new(info.LineNumber, Math.Max(1, info.LinePosition - 1)) : new(1, 1);
    }

    internal static int? Int(XElement? element) =>
        element is not null && int.TryParse(element.Value.Trim(), NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var n)
            ? n
            : null;

    private static string Title(XElement root) =>
        (root.Element("work")?.Element("work-title") ?? root.Element("movement-title"))?.Value.Trim() ?? "";
}
