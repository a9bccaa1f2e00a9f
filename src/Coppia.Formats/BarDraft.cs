using Coppia.Core;

namespace Coppia.Formats;

/// <summary>Collects bars while a source is read; both readers end here.</summary>
internal sealed class BarDraft
{
    private readonly List<Bar> _bars = [];
    private List<ScoreEvent> _events = [];
    private SourcePosition _barAt;
    private bool _repeatStart;
    private string? _endingStart;
    private bool _inEnding;

    public Clef Clef { get; set; } = Clef.Treble;

    public KeySignature Key { get; set; }

    public TimeSignature? Time { get; set; }

    public IReadOnlyList<Bar> Bars => _bars;

    public bool BarIsEmpty => _events.Count == 0;

    public List<ScoreEvent> Events => _events;

    public int EventCount { get; private set; }

    public void Add(ScoreEvent e)
    {
        if (_events.Count == 0) _barAt = e.At;
        _events.Add(e);
        EventCount++;
    }

    public void StartRepeat() => _repeatStart = true;

    public void StartEnding(string number)
    {
        if (_inEnding && _bars.Count > 0) _bars[^1] = _bars[^1] with { EndingStop = true };
        _endingStart = number;
        _inEnding = true;
    }

    /// <summary>Ends the bar in hand; with no events, the barline belongs to the bar before.</summary>
    public void EndBar(Barline barline, bool repeatEnd, bool endingStop)
    {
        var stops = _inEnding && (endingStop || repeatEnd || barline is Barline.Final or Barline.Double);
        if (_events.Count > 0)
        {
            _bars.Add(new Bar
            {
                Events = _events,
                Clef = Clef,
                Key = Key,
                Time = Time,
                RepeatStart = _repeatStart,
                EndingStart = _endingStart,
                Barline = barline,
                RepeatEnd = repeatEnd,
                EndingStop = stops,
                At = _barAt,
            });
            _events = [];
            _repeatStart = false;
            _endingStart = null;
        }
        else if (_bars.Count > 0)
        {
            var last = _bars[^1];
            _bars[^1] = last with
            {
                RepeatEnd = last.RepeatEnd || repeatEnd,
                Barline = barline > last.Barline && barline != Barline.None ? barline : last.Barline,
                EndingStop = last.EndingStop || stops && _endingStart is null,
            };
        }

        if (stops && _endingStart is null) _inEnding = false;
    }

    public void BreakLine()
    {
        if (_events.Count == 0 && _bars.Count > 0) _bars[^1] = _bars[^1] with { LineBreakAfter = true };
    }

    /// <summary>Closes the tune: an open ending stops at its last bar.</summary>
    public IReadOnlyList<Bar> Finish()
    {
        if (_bars.Count > 0)
        {
            var last = _bars[^1];
            _bars[^1] = last with { LineBreakAfter = false, EndingStop = last.EndingStop || _inEnding };
        }

        return _bars;
    }

    /// <summary>Drops ties and slurs that lead nowhere, saying so.</summary>
    public static IReadOnlyList<Bar> MendBindings(IReadOnlyList<Bar> bars, List<Notice> notices)
    {
        var flat = bars.SelectMany((b, bi) => b.Events.Select((e, ei) => (Bar: bi, Event: ei, Value: e))).ToArray();
        var mended = bars.Select(b => b.Events.ToArray()).ToArray();
        var open = new Stack<(int Bar, int Event)>();
        for (var i = 0; i < flat.Length; i++)
        {
            var (bar, at, e) = flat[i];
            if (e.TiedOn && !(i + 1 < flat.Length && flat[i + 1].Value.Pitch == e.Pitch))
            {
                mended[bar][at] = mended[bar][at] with { TiedOn = false };
                notices.Add(new Notice(e.At, null, $"The tie at {e.At} does not lead to the same note and is left out; a slur joins different notes."));
            }

            for (var k = 0; k < e.SlurStops; k++)
            {
                if (open.Count > 0) open.Pop();
                else Drop(bar, at, x => x with { SlurStops = x.SlurStops - 1 }, $"The slur that ends at {e.At} never begins; it is left out.", e.At);
            }

            for (var k = 0; k < e.SlurStarts; k++) open.Push((bar, at));
        }

        foreach (var (bar, at) in open)
            Drop(bar, at, x => x with { SlurStarts = x.SlurStarts - 1 }, $"The slur that begins at {mended[bar][at].At} never ends; it is left out.", mended[bar][at].At);
        return [.. bars.Select((b, i) => b with { Events = mended[i] })];

        void Drop(int bar, int at, Func<ScoreEvent, ScoreEvent> change, string message, SourcePosition where)
        {
            mended[bar][at] = change(mended[bar][at]);
            notices.Add(new Notice(where, null, message));
        }
    }
}
