using Coppia.Core.Music;

namespace Coppia.Formats;

/// <summary>Reads one voice of one tune in ABC (ABC standard 2.1). Fields X T C M L Q K; w: and chord symbols are skipped.</summary>
public static class AbcReader
{
    /// <summary>The score, or every error with its line and column.</summary>
    public static ReadResult Read(string text)
    {
        var errors = new List<SourceError>();
        var notices = new List<Notice>();
        var lines = text.Replace("\r\n", "\n", StringComparison.Ordinal).Replace('\r', '\n').TrimStart('\uFEFF').Split('\n');
        var header = new Header();
        var first = ReadHeader(lines, header, errors, notices);
        if (first < 0)
        {
            if (errors.Count == 0)
                errors.Add(NoKey(lines));
            return new ReadResult(null, errors, notices);
        }

        var unit = header.Unit ?? AbcFields.DefaultUnit(header.Time);
        var body = new AbcBody(errors, notices, unit)
        {
            Draft =
            {
                Clef = header.Clef,
                Key = header.Key,
                Time = header.Time,
            },
        };
        body.Read(lines, first);
        var bars = BarDraft.MendBindings(body.Draft.Finish(), notices);
        if (
            TuneReader.CheckSize(
                body.Draft.EventCount,
                bars.Any(b => b.Events.Any(e => !e.IsRest)),
                new(Math.Min(first + 1, lines.Length), 1)
            )
                is { } size
            && errors.Count == 0
        )
            errors.Add(size);
        if (errors.Count > 0)
            return new ReadResult(null, [.. errors.OrderBy(e => e.At)], notices);

        var (score, faults) = ScoreAssembly.Finish(
            new Score
            {
                Title = header.Title,
                Composer = header.Composer,
                Clef = header.Clef,
                Key = header.Key,
                Time = header.Time,
                Tempo = header.Tempo,
                TempoWords = header.TempoWords,
                Bars = bars,
            }
        );
        if (body.MissingLastBarline)
            notices.Add(
                new Notice(
                    bars[^1].At,
                    score.Bars[^1].Number,
                    $"Bar {score.Bars[^1].Number} has no closing barline; it is read as the last bar."
                )
            );
        return new ReadResult(score, [], [.. notices, .. faults.Select(Notice.Of)]);
    }

    /// <summary>Reads up to and with K:. Returns the index of the first line of music, or −1 when there is none to read.</summary>
    private static int ReadHeader(string[] lines, Header header, List<SourceError> errors, List<Notice> notices)
    {
        for (var i = 0; i < lines.Length; i++)
        {
            var line = lines[i];
            var bare = line.TrimStart();
            if (bare.Length == 0 || bare[0] == '%')
                continue;
            if (!IsField(bare))
            {
                var column = line.Length - bare.Length + 1;
                errors.Add(
                    new SourceError(
                        new(i + 1, column),
                        "music begins before the key is known",
                        "a header that ends with a key line such as K:D"
                    )
                );
                return -1;
            }

            var value = StripComment(bare[2..]).Trim();
            var at = new SourcePosition(i + 1, line.Length - bare.Length + 3);
            switch (bare[0])
            {
                case 'X':
                    if (header.Number is not null)
                        return -1;
                    header.Number = value;
                    break;
                case 'T':
                    header.Title = header.Title.Length == 0 ? AbcFields.Text(value) : header.Title;
                    break;
                case 'C':
                    header.Composer ??= AbcFields.Text(value);
                    break;
                case 'M':
                    var (time, expected) = AbcFields.Meter(value);
                    if (expected is not null)
                        errors.Add(new SourceError(at, $"“{value}” is not a meter", expected));
                    header.Time = time;
                    break;
                case 'L':
                    header.Unit = AbcFields.UnitLength(value);
                    if (header.Unit is null)
                        errors.Add(new SourceError(at, $"“{value}” is not a note length", "a fraction such as L:1/8"));
                    break;
                case 'Q':
                    (header.Tempo, header.TempoWords) = AbcFields.Tempo(value);
                    if (header is { Tempo: null, TempoWords: null })
                        notices.Add(
                            new Notice(
                                at,
                                null,
                                $"“Q:{value}” is not a tempo that Coppia reads, and is left out; expected one such as Q:1/4=96."
                            )
                        );
                    break;
                case 'K':
                    var (key, clef, wrong, leftOut) = AbcFields.Key(value);
                    if (wrong is not null)
                        errors.Add(new SourceError(at, wrong, "a key such as K:D, K:Bb or K:Am, with a clef if need be: K:G clef=bass"));
                    if (leftOut is not null)
                        notices.Add(new Notice(at, null, $"“{leftOut}” in the key line is left out."));
                    header.Key = key ?? default;
                    header.Clef = clef ?? Clef.Treble;
                    return i + 1;
            }
        }

        return -1;
    }

    private static SourceError NoKey(string[] lines)
    {
        var last = Math.Max(1, lines.Length);
        return lines.All(l => l.Trim().Length == 0)
            ? new SourceError(new(1, 1), "the text is empty", "a tune in ABC or MusicXML")
            : new SourceError(new(last, 1), "there is no key line before the end", "a header that ends with a key line such as K:D");
    }

    internal static bool IsField(string line) => line.Length >= 2 && line[1] == ':' && char.IsAsciiLetter(line[0]);

    internal static string StripComment(string line)
    {
        for (var i = 0; i < line.Length; i++)
        {
            if (line[i] == '%' && (i == 0 || line[i - 1] != '\\'))
                return line[..i];
        }

        return line;
    }

    private sealed class Header
    {
        public string? Number;
        public string Title = "";
        public string? Composer;
        public TimeSignature? Time;
        public Fraction? Unit;
        public (Fraction Beat, int PerMinute)? Tempo;
        public string? TempoWords;
        public KeySignature Key;
        public Clef Clef = Clef.Treble;
    }
}
