using Coppia.Core.Music;
using Coppia.Formats.Source;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Abc;

/// <summary>Reads one tune in ABC with all its voices (ABC standard 2.1). What is left out is said.</summary>
public static partial class AbcReader
{
    /// <summary>The first tune of a text, or every error with its line and column.</summary>
    public static ReadResult Read(string text, CancellationToken stop = default)
    {
        var tunes = AbcBook.Of(text);
        var read = Read(tunes[0], stop);
        return tunes.Count == 1
            ? read
            : read with
            {
                Notices =
                [
                    .. read.Notices,
                    new Notice(
                        new(tunes[1].FirstLine, 1),
                        null,
                        Say("abc.reader.only-the-first-of-tunes-is-read", ("tunes", tunes.Count)),
                        IsLoss: true
                    ),
                ],
            };
    }

    /// <summary>One tune of a book.</summary>
    internal static ReadResult Read(AbcTuneText source, CancellationToken stop = default) =>
        TuneSize.Bounded(() => Read(source, new AbcTune(new TuneSize(stop))));

    private static ReadResult Read(AbcTuneText source, AbcTune tune)
    {
        AbcLine[] lines = [.. source.Lines];
        var body = ReadHeader(lines, tune);
        if (body < 0)
        {
            if (tune.Errors.Count == 0)
                tune.Errors.Add(NoKey(source, lines));
            return new ReadResult(null, tune.Errors, [.. tune.LeftOut.Notices()]);
        }

        var voices = AbcBody.Read(lines.AsSpan(body), tune);
        var read = voices.Select(v => new ReadVoice(v, BarDraft.MendBindings(v.Finish(), tune.LeftOut))).ToArray();
        var sounding = read.Where(r => r.Sounds).ToArray();
        if (tune.Errors.Count == 0 && sounding.Length == 0)
        {
            var rests = read.FirstOrDefault(r => !r.Voice.IsUnpitched && r.Bars.Any(b => b.Events.Count > 0));
            var at = new SourcePosition(body < lines.Length ? lines[body].Number : lines[^1].Number, 1);
            return new ReadResult(null, [SourceError.NoNotes(at)], [.. tune.LeftOut.Notices()])
            {
                Silent = rests is null ? null : ScoreAssembly.Finish(Draft(tune, rests.Voice, rests.Bars)).Score,
            };
        }

        if (tune.Errors.Count > 0)
            return new ReadResult(null, [.. tune.Errors.OrderBy(e => e.At)], [.. tune.LeftOut.Notices()]);
        var notices = Unpitched(read, source);
        var lined = ScoreLines.WithSharedWays(Lined(sounding, tune, notices));
        return new ReadResult(lined[0].Score, [], [.. tune.LeftOut.Notices(), .. notices]) { Lines = lined };
    }

    private sealed record ReadVoice(AbcVoice Voice, IReadOnlyList<Bar> Bars)
    {
        public bool Sounds => !Voice.IsUnpitched && Bars.Any(b => b.Events.Any(e => !e.IsRest));
    }

    private static List<Notice> Unpitched(IEnumerable<ReadVoice> read, AbcTuneText source) =>
        [
            .. read.Where(r => r.Voice.IsUnpitched)
                .Select(r => new Notice(
                    new(source.FirstLine, 1),
                    null,
                    Say("abc.reader.voice-has-no-pitches-and-is-left", ("id", r.Voice.Id)),
                    IsLoss: true
                )),
        ];

    /// <summary>The voices as lines of a score; what is said of it is said of the first.</summary>
    private static List<ScoreLine> Lined(ReadVoice[] sounding, AbcTune tune, List<Notice> notices)
    {
        var lined = new List<ScoreLine>();
        foreach (var (voice, bars) in sounding)
        {
            var (score, faults) = ScoreAssembly.Finish(Draft(tune, voice, bars));
            var name = voice.Name ?? (sounding.Length > 1 ? Say("abc.reader.read-voice", ("id", voice.Id)) : "");
            lined.Add(new ScoreLine(voice.Id, name, score));
            if (lined.Count > 1)
                continue;
            if (voice.MissingLastBarline)
            {
                var last = score.Bars[^1];
                var open = Say("abc.reader.bar-has-no-closing-barline-it-is", ("last", last.Number));
                notices.Add(new Notice(last.At, last.Number, open));
            }

            notices.AddRange(faults.Select(Notice.Of));
        }

        return lined;
    }

    /// <summary>
    /// Fields of a tune that say where it comes from and are no music: they stay when its notes are written anew.
    /// </summary>
    public static IReadOnlyList<string> FieldsToKeep(string text) =>
        [
            .. AbcBook
                .Of(text)[0]
                .Lines.TakeWhile(l => l.Kind != AbcLineKind.Field || l.Field != 'K')
                .Where(l => l.Kind == AbcLineKind.Field && "ABDFGHNORSZ".Contains(l.Field, StringComparison.Ordinal))
                .Select(l => l.Text),
        ];

    private static Score Draft(AbcTune tune, AbcVoice voice, IReadOnlyList<Bar> bars) =>
        new()
        {
            Title = tune.Title,
            Composer = tune.Composers.Count == 0 ? null : string.Join(", ", tune.Composers),
            InstrumentName = voice.Name,
            Clef = bars[0].Clef,
            Key = bars[0].Key,
            Time = bars[0].Time,
            Tempo = tune.Tempo,
            TempoWords = tune.TempoWords,
            PartOrder = tune.PartOrder,
            Bars = bars,
        };

    /// <summary>
    /// Reads up to and with K:. Returns the index of the first line after it, or −1 when there is none to read.
    /// </summary>
    private static int ReadHeader(AbcLine[] lines, AbcTune tune)
    {
        for (var i = 0; i < lines.Length; i++)
        {
            var line = lines[i];
            if (line.Kind == AbcLineKind.Music)
            {
                tune.Errors.Add(
                    new SourceError(
                        new(line.Number, line.Text.Length - line.Text.TrimStart().Length + 1),
                        Say("abc.reader.music-begins-before-the-key-is-known"),
                        Say("abc.reader.a-header-that-ends-with-a-key")
                    )
                );
                return -1;
            }

            if (line.Kind == AbcLineKind.Empty && line.Text.StartsWith("%%", StringComparison.Ordinal))
                Directive(line.Text[2..].Trim(), tune);
            if (line.Kind != AbcLineKind.Field)
                continue;
            HeaderField(line, tune);
            if (line.Field == 'K')
                return i + 1;
        }

        return -1;
    }

    private static void HeaderField(AbcLine line, AbcTune tune)
    {
        var (value, at) = (line.Value, new SourcePosition(line.Number, 3));
        switch (line.Field)
        {
            case 'T':
                tune.Title = tune.Title.Length == 0 ? AbcText.Plain(value) : tune.Title;
                break;
            case 'C' when value.Length > 0:
                tune.Composers.Add(AbcText.Plain(value));
                break;
            case 'M':
                SetMeter(value, at, tune);
                break;
            case 'L':
                tune.Unit = AbcFields.UnitLength(value);
                if (tune.Unit is null)
                    tune.Errors.Add(NoLength(value, at));
                break;
            case 'P' when value.Length is > 0 and <= 100:
                tune.PartOrder = value;
                break;
            case 'U':
                tune.DefineSign(value);
                break;
            case 'I':
                Directive(value, tune);
                break;
            case 'Q':
                SetTempo(value, at, tune);
                break;
            case 'K':
                SetKey(AbcKey.Of(value), at, tune);
                break;
            case 'V':
                tune.HeaderVoices.Add((value, at));
                break;
        }
    }

    private static void SetMeter(string value, SourcePosition at, AbcTune tune)
    {
        var (time, expected) = AbcFields.Meter(value);
        if (expected is not null)
            tune.Errors.Add(new SourceError(at, Say("abc.reader.is-not-a-meter", ("value", value)), expected));
        tune.Time = time;
    }

    private static void SetTempo(string value, SourcePosition at, AbcTune tune)
    {
        (tune.Tempo, tune.TempoWords) = AbcFields.Tempo(value);
        if (tune is { Tempo: null, TempoWords: null })
            tune.LeftOut.Add(Say("abc.reader.q-is-not-a-tempo-that-coppia", ("value", value)), at);
    }

    private static SourceError NoLength(string value, SourcePosition at) =>
        new(at, Say("abc.reader.is-not-a-note-length", ("value", value)), Say("abc.reader.a-fraction-such-as-l-1-8"));

    private static void SetKey(AbcKey key, SourcePosition at, AbcTune tune)
    {
        tune.Key = key;
        if (key.Wrong is { } wrong)
            tune.Errors.Add(new SourceError(at, wrong, Say("abc.reader.a-key-such-as-k-d-k")));
        foreach (var message in key.LeftOut)
            tune.LeftOut.Add(message, at);
    }

    private static void Directive(string directive, AbcTune tune)
    {
        if (directive.StartsWith("setbarnb", StringComparison.Ordinal) && int.TryParse(directive[8..], out var number))
            tune.FirstBarNumber = number;
        else if (directive.StartsWith("linebreak", StringComparison.Ordinal))
            tune.BreaksAtExclamation = directive.Contains('!', StringComparison.Ordinal);
    }

    private static SourceError NoKey(AbcTuneText source, AbcLine[] lines)
    {
        return lines.All(l => l.Kind == AbcLineKind.Empty)
            ? new SourceError(
                new(1, 1),
                Say("abc.reader.the-text-is-empty"),
                Say("abc.reader.a-tune-in-abc-or-musicxml")
            )
            : new SourceError(
                new(Math.Max(1, source.LastLine), 1),
                Say("abc.reader.there-is-no-key-line-before-the"),
                Say("abc.reader.a-header-that-ends-with-a-key")
            );
    }
}
