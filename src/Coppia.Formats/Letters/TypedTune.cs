using System.Text.RegularExpressions;
using Coppia.Core.Music;
using Coppia.Core.Writing;
using Coppia.Formats.Source;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Letters;

/// <summary>
/// What typed letters and typed fingers have in common (craft 20): the head, barlines and repeats, slurs, rests, and
/// lengths in beats. A number behind a note lengthens it, a dot makes it half as long again, <c>1/2</c> or <c>/</c>
/// halves it.
/// </summary>
internal abstract partial class TypedTune
{
    private readonly List<SourceError> _errors = [];
    private readonly TuneSize _size;
    private readonly BarDraft _draft;
    private readonly List<ScoreEvent> _loose = [];
    private bool _hasBarlines;
    private int _slurs;
    private int _notes;

    /// <param name="stop">Nobody waits for it any more.</param>
    protected TypedTune(CancellationToken stop)
    {
        _size = new TuneSize(stop);
        _draft = new BarDraft(_size);
    }

    protected TypedHead Head { get; } = new();

    protected KeySignature Key => Head.Key ?? default;

    protected LeftOut LeftOut { get; } = new();

    protected string Line { get; private set; } = "";

    protected int At { get; set; }

    protected int LineNumber { get; private set; }

    protected SourcePosition Here => new(LineNumber, At + 1);

    protected char Now => At < Line.Length ? Line[At] : '\0';

    /// <summary>What a token may be, for the error that one is none.</summary>
    protected abstract string Expected { get; }

    /// <summary>One beat, in whole notes: the lower number of the meter.</summary>
    private Fraction Beat => Head.Time?.Beat ?? Fraction.Quarter;

    /// <summary>Reads what stands at the cursor, if it is a note or a sign of its own kind.</summary>
    /// <returns>False where it is none.</returns>
    protected abstract bool ReadOwn();

    public ReadResult Read(string text) => TuneSize.Bounded(() => ReadLines(text));

    private ReadResult ReadLines(string text)
    {
        var lines = text.Replace("\r\n", "\n", StringComparison.Ordinal)
            .Replace('\r', '\n')
            .TrimStart('\uFEFF')
            .Split('\n');
        var inHead = true;
        foreach (var (i, line) in lines.Index())
        {
            (Line, LineNumber, At) = (line, i + 1, 0);
            if (line.Trim().Length == 0 || inHead && Head.Take(line, LineNumber, _errors))
                continue;
            inHead = false;
            while (At < Line.Length)
                Token();
            _draft.BreakLine();
        }

        if (_hasBarlines && _loose.Count > 0)
            CloseBar(Barline.Plain, repeatEnd: false);
        return Finished();
    }

    protected void Wrong(string wrong)
    {
        _errors.Add(new SourceError(Here, wrong, Expected));
        while (At < Line.Length && !char.IsWhiteSpace(Now) && Now is not '|')
            At++;
    }

    /// <summary>A note, or a rest where the pitch is null, with the length that stands behind it.</summary>
    /// <param name="at">Where it begins.</param>
    /// <param name="beats">Beats that are read already, or null to read them here.</param>
    protected void Add(Pitch? pitch, SourcePosition at, Fraction? beats = null)
    {
        var length = (beats ?? ReadBeats()) * Beat;
        var e = new ScoreEvent
        {
            Pitch = pitch,
            At = at,
            SlurStarts = pitch is null ? 0 : _slurs,
        };
        if (pitch is not null)
            _slurs = 0;
        var spread = BarFilling.Spread(e, length);
        if (spread.Count == 0)
            _errors.Add(
                new SourceError(
                    at,
                    Say("letters.typed-tune.a-length-that-no-note-values-make"),
                    Say("letters.typed-tune.a-length-such-as-2-1-2")
                )
            );
        _loose.AddRange(spread);
        _notes += spread.Count;
        // Without barlines what is typed is one long row.
        _size.Add(graces: 0, inBar: 0, _notes, at);
    }

    /// <summary>
    /// Beats behind a note: <c>2</c>, <c>1/2</c>, <c>/</c>, <c>3/2</c>, then dots; one where nothing stands.
    /// </summary>
    protected Fraction ReadBeats()
    {
        var match = LengthPattern().Match(Line, At);
        var above =
            match.Groups[1].Length > 0
                ? int.Parse(match.Groups[1].ValueSpan, System.Globalization.CultureInfo.InvariantCulture)
                : 1;
        var below =
            match.Groups[3].Length > 0
                ? int.Parse(match.Groups[3].ValueSpan, System.Globalization.CultureInfo.InvariantCulture)
                : 1 << Math.Min(6, match.Groups[2].Length);
        var dots = Math.Min(3, match.Groups[4].Length);
        if (above is < 1 or > 64 || below is < 1 or > 64)
        {
            Wrong(Say("letters.typed-tune.is-not-a-length-in-beats", ("match", match.Value)));
            return Fraction.Whole;
        }

        At += match.Length;
        return new Fraction(above, below) * new Fraction((1 << (dots + 1)) - 1, 1 << dots);
    }

    private void Token()
    {
        if (char.IsWhiteSpace(Now))
        {
            At++;
        }
        else if (BarlinePattern().Match(Line, At) is { Success: true } barline)
        {
            Barlines(barline.Value);
            At += barline.Length;
        }
        else if (RestPattern().Match(Line, At) is { Success: true } rest)
        {
            var at = Here;
            At += rest.Length;
            Add(null, at);
        }
        else if (Now == '(')
        {
            _slurs++;
            At++;
        }
        else if (Now == ')')
        {
            if (_loose.Count > 0)
                _loose[^1] = _loose[^1] with { SlurStops = _loose[^1].SlurStops + 1 };
            At++;
        }
        else if (!ReadOwn())
        {
            var word = WordPattern().Match(Line, At).Value;
            Wrong(Say("letters.typed-tune.token-is", ("word", word), ("notWhat", NotWhat)));
        }
    }

    /// <summary>What a wrong token is not: "not a note".</summary>
    protected abstract string NotWhat { get; }

    private void Barlines(string signs)
    {
        _hasBarlines = true;
        CloseBar(
            signs.Contains("|]", StringComparison.Ordinal) ? Barline.Final
                : signs == "||" ? Barline.Double
                : Barline.Plain,
            signs[0] == ':'
        );
        if (signs.Length > 1 && signs[^1] == ':')
            _draft.StartRepeat();
    }

    private void CloseBar(Barline line, bool repeatEnd)
    {
        foreach (var e in _loose)
            _draft.Add(e);
        _loose.Clear();
        _draft.EndBar(line, repeatEnd, endingStop: false);
    }

    private ReadResult Finished()
    {
        var written = _draft.Finish();
        var time =
            Head.Time
            ?? (_hasBarlines ? Usual(written) : TimeSignature.CommonTime with { Symbol = TimeSymbol.Numbers });
        var clef = Head.Clef ?? Head.For.FirstClef;
        // Without barlines a bar that is full goes on to the next (craft 20).
        var bars = _hasBarlines
            ? written
            : [.. BarFilling.Of(_loose, time).Select(events => new Bar { Events = events, At = events[0].At })];
        bars = [.. bars.Select(b => b with { Clef = clef, Key = Key, Time = time })];
        if (bars.Count > 0 && bars[^1] is { RepeatEnd: false, Barline: Barline.Plain })
            bars = [.. bars.SkipLast(1), bars[^1] with { Barline = Barline.Final }];
        bars = BarDraft.MendBindings(bars, LeftOut);
        var isSilent = !bars.Any(b => b.Events.Any(e => !e.IsRest));
        var hasRests = _errors.Count == 0 && bars.Any(b => b.Events.Count > 0);
        if (_errors.Count == 0 && isSilent)
            _errors.Add(SourceError.NoNotes(new(Math.Max(1, LineNumber), 1)));
        if (_errors.Count > 0 && !(isSilent && hasRests))
            return new ReadResult(null, [.. _errors.OrderBy(e => e.At)], [.. LeftOut.Notices()]);

        var (score, faults) = ScoreAssembly.Finish(
            new Score
            {
                Title = Head.Title,
                InstrumentName = Head.Instrument?.Name,
                Bars = bars,
            }
        );
        if (isSilent)
            return new ReadResult(null, _errors, [.. LeftOut.Notices()]) { Silent = score };
        return new ReadResult(score, [], [.. LeftOut.Notices(), .. faults.Select(Notice.Of)])
        {
            Lines = [new ScoreLine("1", "", score)],
        };
    }

    /// <summary>The meter that most bars fill; a first bar that is shorter is a pick-up.</summary>
    private static TimeSignature? Usual(IReadOnlyList<Bar> bars)
    {
        var length = bars.Select(b => b.Events.Aggregate(Fraction.Zero, (sum, e) => sum + e.Value.Length))
            .GroupBy(l => l)
            .OrderByDescending(g => g.Count())
            .ThenByDescending(g => g.Key)
            .Select(g => (Fraction?)g.Key)
            .FirstOrDefault();
        if (length is not { } usual)
            return null;
        var quarters = usual * new Fraction(4, 1);
        var eighths = usual * new Fraction(8, 1);
        return quarters.Denominator == 1 && quarters.Numerator is >= 2 and <= 12
                ? new TimeSignature((int)quarters.Numerator, 4)
            : eighths.Denominator == 1 && eighths.Numerator is >= 1 and <= 16
                ? new TimeSignature((int)eighths.Numerator, 8)
            : null;
    }

    [GeneratedRegex(@"\G([0-9]{0,2})(/*)(?:(?<=/)([0-9]{1,2}))?(\.*)")]
    private static partial Regex LengthPattern();

    [GeneratedRegex(@"\G(?::\|\|?:|:\|\|?|:\||\|\|?:|\|\]|\|\||\|)")]
    private static partial Regex BarlinePattern();

    /// <summary>A dash or a z alone.</summary>
    [GeneratedRegex(@"\G(?:[zZ]|[-–—](?![A-Za-z]))")]
    private static partial Regex RestPattern();

    [GeneratedRegex(@"\G[^\s|]+")]
    private static partial Regex WordPattern();
}
