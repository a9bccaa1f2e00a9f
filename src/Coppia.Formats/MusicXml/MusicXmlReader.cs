using System.Globalization;
using System.Xml;
using System.Xml.Linq;
using Coppia.Core.Music;
using Coppia.Formats.Source;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.MusicXml;

/// <summary>
/// Reads every line of a MusicXML 4.0 score: its parts, their staves and voices (W3C MusicXML 4.0). What is left out is
/// said.
/// </summary>
public static class MusicXmlReader
{
    /// <summary>
    /// The score, or every error with its line and column. DTDs are not read and nothing outside the text is opened.
    /// </summary>
    public static ReadResult Read(string xml, CancellationToken stop = default) =>
        TuneSize.Bounded(() =>
        {
            var read = Read(xml, withSilence: false, new TuneSize(stop));
            return read.IsSilent ? read with { Silent = Read(xml, withSilence: true, new TuneSize(stop)).Score } : read;
        });

    /// <summary>A score that is being written: lines that only rest are lines too.</summary>
    public static ReadResult ReadUnfinished(string xml, CancellationToken stop = default) =>
        TuneSize.Bounded(() => Read(xml, withSilence: true, new TuneSize(stop)));

    private static ReadResult Read(string xml, bool withSilence, TuneSize size)
    {
        XElement root;
        try
        {
            root = PlainXml.Load(xml.TrimStart('\uFEFF', ' ', '\t', '\r', '\n'));
        }
        catch (XmlException e)
        {
            return ReadResult.Failed(NotWellFormed(e));
        }

        // Some programs write MusicXML in a namespace; its names are the same.
        if (root.Name.Namespace != XNamespace.None)
        {
            foreach (var element in root.DescendantsAndSelf())
                element.Name = element.Name.LocalName;
        }

        if (root.Name.LocalName is not ("score-partwise" or "score-timewise"))
            return ReadResult.Failed(
                new SourceError(
                    At(root),
                    Say("musicxml.reader.the-outermost-element-is", ("localName", root.Name.LocalName)),
                    Say("musicxml.reader.score-partwise-musicxml-as-most")
                )
            );
        var parts = Parts(root);
        if (parts.Count == 0)
            return ReadResult.Failed(
                new SourceError(At(root), Say("musicxml.reader.there-is-no-part-with-music"), "a <part> element")
            );
        return Read(root, parts, withSilence, size);
    }

    private static SourceError NotWellFormed(XmlException e)
    {
        var message = e.Message.Contains(" Line ", StringComparison.Ordinal)
            ? e.Message[..e.Message.LastIndexOf(" Line ", StringComparison.Ordinal)]
            : e.Message;
        return new SourceError(
            new(Math.Max(1, e.LineNumber), Math.Max(1, e.LinePosition)),
            Say("musicxml.reader.the-xml-is-not-well-formed", ("trimEnd", message.TrimEnd('.'))),
            Say("musicxml.reader.well-formed-musicxml-without-entities")
        );
    }

    private static ReadResult Read(
        XElement root,
        IReadOnlyList<(string Id, List<XElement> Measures)> parts,
        bool withSilence,
        TuneSize size
    )
    {
        var read = new Reading(root, withSilence, size);
        foreach (var (id, measures) in parts)
            read.Add(id, measures);
        return read.Result();
    }

    /// <summary>The lines of a score, part after part; what is said of it is said of its main line.</summary>
    private sealed class Reading(XElement root, bool withSilence, TuneSize size)
    {
        private readonly LeftOut _leftOut = new();
        private readonly List<SourceError> _errors = [];
        private readonly List<Notice> _notices = [];
        private readonly List<ScoreLine> _lines = [];
        private readonly ILookup<string, string>? _names = root.Element("part-list")
            ?.Elements("score-part")
            .ToLookup(p => (string?)p.Attribute("id") ?? "", NameOf);
        private ScoreLine? _main;
        private MusicXmlPart? _first;

        public void Add(string id, List<XElement> measures)
        {
            size.AddLine(measures.Count > 0 ? At(measures[0]) : At(root));
            var part = new MusicXmlPart(_leftOut, _errors);
            part.Read(measures);
            _first ??= part;
            var name = _names?[id].FirstOrDefault() ?? "";
            var own = MusicXmlLine.Of(part, id, name, _leftOut, withSilence, size);
            if (own.Count == 0 && part.HasUnpitched)
            {
                var what = name.Length > 0 ? $"“{name}”" : id;
                var left = Say("musicxml.reader.the-part-has-no-pitches-and-is", ("what", what));
                _notices.Add(new Notice(At(root), null, left, IsLoss: true));
            }

            if (_errors.Count > 0)
                return;
            foreach (var line in own)
            {
                var bars = BarDraft.MendBindings(line.Draft.Finish(), _leftOut);
                var (score, faults) = ScoreAssembly.Finish(HeadOf(root, _first, part, name, bars), part.PickUpMarked);
                _lines.Add(new ScoreLine(line.Key, line.Name, score));
                if (_main is not null || line != MusicXmlLine.Main(own))
                    continue;
                _main = _lines[^1];
                _notices.AddRange(faults.Select(Notice.Of));
            }
        }

        public ReadResult Result()
        {
            if (_errors.Count == 0 && _lines.Count == 0)
                return ReadResult.Failed(SourceError.NoNotes(At(root))) with
                {
                    IsSilent = true,
                    Notices = [.. _leftOut.Notices()],
                };
            if (_errors.Count > 0)
                return new ReadResult(null, [.. _errors.OrderBy(e => e.At)], [.. _leftOut.Notices()]);
            var shared = ScoreLines.WithSharedWays(_lines);
            var score = shared.First(l => l.Key == _main!.Key).Score;
            return new ReadResult(score, [], [.. _leftOut.Notices(), .. _notices]) { Lines = shared };
        }
    }

    private static Score HeadOf(
        XElement root,
        MusicXmlPart first,
        MusicXmlPart part,
        string name,
        IReadOnlyList<Bar> bars
    ) =>
        new()
        {
            Title = MusicXmlTitle.Of(root),
            Composer = MusicXmlTitle.Composer(root),
            InstrumentName = name.Length > 0 ? name : null,
            Clef = bars[0].Clef,
            Key = bars[0].Key,
            Time = bars[0].Time,
            // Many scores print the tempo over their top part only.
            Tempo = part.Directions.Tempo ?? first.Directions.Tempo,
            TempoWords = part.Directions.TempoWords ?? first.Directions.TempoWords,
            PartOrder = root.Element("identification")
                ?.Element("miscellaneous")
                ?.Elements("miscellaneous-field")
                .FirstOrDefault(f => (string?)f.Attribute("name") == MusicXmlWriter.PartOrderField)
                ?.Value,
            Bars = bars,
        };

    /// <summary>The measures of each part, whichever way the score is nested.</summary>
    private static List<(string Id, List<XElement> Measures)> Parts(XElement root)
    {
        if (root.Name.LocalName == "score-partwise")
            return
            [
                .. root.Elements("part")
                    .Select(p => ((string?)p.Attribute("id") ?? "", p.Elements("measure").ToList())),
            ];
        var parts = new List<(string Id, List<XElement> Measures)>();
        foreach (var measure in root.Elements("measure"))
        {
            foreach (var part in measure.Elements("part"))
            {
                var id = (string?)part.Attribute("id") ?? "";
                if (parts.Find(p => p.Id == id) is not { Measures: { } measures })
                    parts.Add((id, measures = []));
                part.Name = "measure";
                part.ReplaceAttributes(measure.Attributes());
                measures.Add(part);
            }
        }

        return parts;
    }

    private static string NameOf(XElement part) =>
        new[]
        {
            part.Element("part-name"),
            part.Element("score-instrument")?.Element("instrument-name"),
            part.Element("part-abbreviation"),
        }
            .Select(e => e?.Value.Trim() ?? "")
            .FirstOrDefault(n => n.Length > 0)
        ?? "";

    internal static SourcePosition At(XElement element)
    {
        var info = (IXmlLineInfo)element;
        return info.HasLineInfo() ? new(info.LineNumber, Math.Max(1, info.LinePosition - 1)) : new(1, 1);
    }

    internal static int? Int(XElement? element) =>
        element is not null
        && int.TryParse(element.Value.Trim(), NumberStyles.AllowLeadingSign, CultureInfo.InvariantCulture, out var n)
            ? n
            : null;
}
