using Coppia.Core.Music;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Source;

/// <summary>Collects bars while a source is read; both readers end here.</summary>
/// <param name="size">What the whole source may have.</param>
internal sealed class BarDraft(TuneSize size)
{
    private const int MostTimes = 8;
    private readonly List<Bar> _bars = [];
    private List<ScoreEvent> _events = [];
    private SourcePosition _barAt;
    private bool _repeatStart;
    private string? _endingStart;
    private bool _inEnding;
    private int _times = 2;
    private Waymarks _waymarks;
    private string? _label;
    private bool _uncounted;
    private int _lastEnding;
    private int _inBar;
    private int _inLine;

    /// <summary>The clef at the beginning of the next bar.</summary>
    public Clef Clef { get; set; } = Clef.Treble;

    public KeySignature Key { get; set; }

    public TimeSignature? Time { get; set; }

    public IReadOnlyList<Bar> Bars => _bars;

    /// <summary>The number that the source gives to the next bar, where counting on would give another one.</summary>
    public int? NextNumber { get; set; }

    /// <summary>The clef in force where the bar in hand has come to.</summary>
    public Clef ClefNow => _events.LastOrDefault(e => e.ClefChange is not null)?.ClefChange ?? Clef;

    public bool BarIsEmpty => _events.Count == 0;

    public List<ScoreEvent> Events => _events;

    public int EventCount { get; private set; }

    /// <exception cref="TuneTooLargeException">The bar or the tune is full.</exception>
    public void Add(ScoreEvent e)
    {
        if (_events.Count == 0)
            (_barAt, _inBar) = (e.At, 0);
        _inBar += 1 + e.Graces.Count;
        _inLine += 1 + e.Graces.Count;
        size.Add(e.Graces.Count, _inBar, _inLine, e.At);
        _events.Add(e);
        EventCount++;
    }

    /// <summary>
    /// Changes the note or rest read last, in this bar or the one before; the change may refuse by giving null.
    /// </summary>
    /// <returns>False where there is none, or the change refused.</returns>
    public bool ChangeLast(Func<ScoreEvent, ScoreEvent?> change)
    {
        var events =
            _events.Count > 0 ? _events
            : _bars.Count > 0 ? (List<ScoreEvent>)_bars[^1].Events
            : null;
        if (events is null || change(events[^1]) is not { } changed)
            return false;
        events[^1] = changed;
        return true;
    }

    /// <summary>The part that begins with the bar in hand.</summary>
    public void Label(string label) => _label = label.Length is > 0 and <= 40 ? label : null;

    /// <summary>The bar in hand has no number of its own.</summary>
    public void Uncounted() => _uncounted = true;

    /// <param name="times">How often the section is played, where its beginning says so.</param>
    public void StartRepeat(int times = 2) => (_repeatStart, _times) = (true, Math.Clamp(times, 2, MostTimes));

    /// <summary>A waymark on the bar in hand, or at the end of the tune on its last bar.</summary>
    public void Mark(Waymarks marks) => _waymarks |= marks;

    /// <param name="number">Its number or numbers (1, 1,3 or 1-3); null for the one after those before it.</param>
    public void StartEnding(string? number)
    {
        number = Spread(number ?? $"{_lastEnding + 1}");
        _lastEnding = number.Split(',').Select(n => int.TryParse(n, out var last) ? last : 0).Max();
        if (_inEnding && _bars.Count > 0)
            _bars[^1] = _bars[^1] with { EndingStop = true };
        _endingStart = number;
        _inEnding = true;
    }

    /// <summary>A range such as 1-3 as the numbers it holds.</summary>
    private static string Spread(string numbers) =>
        string.Join(
            ',',
            numbers
                .Split(',', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries)
                .SelectMany(part =>
                    part.Split('-') is [var a, var b]
                    && int.TryParse(a, out var first)
                    && int.TryParse(b, out var last)
                    && first < last
                    && last <= 16
                        ? Enumerable.Range(first, last - first + 1).Select(n => $"{n}")
                        : [part]
                )
        );

    /// <summary>Ends the bar in hand; with no events, the barline belongs to the bar before.</summary>
    /// <param name="times">How often the section that ends here is played in all.</param>
    public void EndBar(Barline barline, bool repeatEnd, bool endingStop, int times = 2)
    {
        times = Math.Max(Math.Clamp(times, 2, MostTimes), _times);
        if (repeatEnd)
            _times = 2;
        var stops = _inEnding && (endingStop || repeatEnd || barline is Barline.Final or Barline.Double);
        if (_events.Count > 0)
        {
            var bar = BarInHand();
            _bars.Add(
                bar with
                {
                    Barline = barline,
                    RepeatEnd = repeatEnd,
                    RepeatTimes = repeatEnd ? times : 2,
                    EndingStop = stops,
                }
            );
            BeginBar();
        }
        else if (_bars.Count > 0)
        {
            var last = _bars[^1];
            _bars[^1] = last with
            {
                RepeatEnd = last.RepeatEnd || repeatEnd,
                RepeatTimes = repeatEnd ? Math.Max(times, last.RepeatTimes) : last.RepeatTimes,
                Barline = barline > last.Barline && barline != Barline.None ? barline : last.Barline,
                EndingStop = last.EndingStop || stops && _endingStart is null,
            };
        }

        if (stops && _endingStart is null)
            _inEnding = false;
        if (!_inEnding && !repeatEnd)
            _lastEnding = 0;
    }

    /// <summary>What is written of the bar, without its end.</summary>
    private Bar BarInHand() =>
        new()
        {
            Events = _events,
            Clef = Clef,
            Key = Key,
            Time = Time,
            RepeatStart = _repeatStart,
            EndingStart = _endingStart,
            Waymarks = _waymarks,
            Label = _label,
            IsUncounted = _uncounted,
            SourceNumber = NextNumber,
            At = _barAt,
        };

    private void BeginBar()
    {
        Clef = ClefNow;
        _events = [];
        (_label, _uncounted, NextNumber) = (null, false, null);
        _repeatStart = false;
        _waymarks = Waymarks.None;
        _endingStart = null;
    }

    public void BreakLine()
    {
        if (_events.Count == 0 && _bars.Count > 0)
            _bars[^1] = _bars[^1] with { LineBreakAfter = true };
    }

    /// <summary>Closes the tune: an open ending stops at its last bar.</summary>
    public IReadOnlyList<Bar> Finish()
    {
        if (_bars.Count > 0)
        {
            var last = _bars[^1];
            _bars[^1] = last with
            {
                LineBreakAfter = false,
                EndingStop = last.EndingStop || _inEnding,
                Waymarks = last.Waymarks | _waymarks,
            };
        }

        // Of two coda signs the first says where to leave; many sources print the same sign for both.
        if (
            _bars.FindIndex(b => b.Waymarks.HasFlag(Waymarks.Coda)) is >= 0 and var first
            && _bars.All(b => !b.Waymarks.HasFlag(Waymarks.ToCoda))
            && _bars.FindLastIndex(b => b.Waymarks.HasFlag(Waymarks.Coda)) > first
        )
            _bars[first] = _bars[first] with { Waymarks = _bars[first].Waymarks & ~Waymarks.Coda | Waymarks.ToCoda };

        return _bars;
    }

    /// <summary>Drops ties, slurs and hairpins that lead nowhere, saying so.</summary>
    public static IReadOnlyList<Bar> MendBindings(IReadOnlyList<Bar> bars, LeftOut leftOut) =>
        Bindings.Mended(bars, (end, e) => leftOut.Add(MessageOf(end), e.At));

    private static string MessageOf(LooseEnd end) =>
        end switch
        {
            LooseEnd.Tie => Say("source.bar-draft.a-tie-that-does-not-lead-to"),
            LooseEnd.SlurWithoutBeginning => Say("source.bar-draft.a-slur-that-ends-and-never-begins"),
            LooseEnd.SlurWithoutEnd => Say("source.bar-draft.a-slur-that-begins-and-never-ends"),
            LooseEnd.HairpinWithoutBeginning => Say("source.bar-draft.a-hairpin-that-ends-and-never-begins"),
            _ => Say("source.bar-draft.a-hairpin-that-begins-and-never-ends"),
        };
}
