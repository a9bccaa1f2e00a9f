namespace Coppia.Core.Music;

/// <summary>
/// Makes a score in code, note by note: <c>new
/// ScoreBuilder(Clef.Treble).In(key).Note("D4").Note("E4").Bar().Build()</c>. A bar that its meter fills is closed by
/// itself.
/// </summary>
public sealed class ScoreBuilder(Clef clef)
{
    private readonly List<Bar> _bars = [];
    private readonly List<ScoreEvent> _events = [];
    private KeySignature _key;
    private TimeSignature? _time;
    private Fraction _filled = Fraction.Zero;

    /// <summary>The key from here on.</summary>
    public ScoreBuilder In(KeySignature key)
    {
        _key = key;
        return this;
    }

    /// <summary>The meter from here on; null is free.</summary>
    public ScoreBuilder In(TimeSignature? time)
    {
        _time = time;
        return this;
    }

    /// <summary>A quarter note, or one of the given value.</summary>
    /// <exception cref="FormatException">Not a pitch such as F#4.</exception>
    public ScoreBuilder Note(string pitch, NoteValue? value = null) =>
        Add(new ScoreEvent { Pitch = Pitch.Parse(pitch), Value = value ?? NoteValue.Quarter });

    public ScoreBuilder Note(Pitch pitch, NoteValue? value = null) =>
        Add(new ScoreEvent { Pitch = pitch, Value = value ?? NoteValue.Quarter });

    public ScoreBuilder Rest(NoteValue? value = null) => Add(new ScoreEvent { Value = value ?? NoteValue.Quarter });

    public ScoreBuilder Add(ScoreEvent e)
    {
        _events.Add(e);
        _filled += e.Value.Length;
        return _time is { } time && _filled >= time.BarLength ? Bar() : this;
    }

    /// <summary>Closes the bar.</summary>
    public ScoreBuilder Bar()
    {
        _bars.Add(
            new Bar
            {
                Clef = clef,
                Key = _key,
                Time = _time,
                Events = [.. _events],
            }
        );
        _events.Clear();
        _filled = Fraction.Zero;
        return this;
    }

    /// <summary>The score, its last bar closed by a final barline.</summary>
    public Score Build()
    {
        if (_events.Count > 0)
            Bar();
        if (_bars.Count > 0)
            _bars[^1] = _bars[^1] with { Barline = Barline.Final };
        var key = _bars.Count > 0 ? _bars[0].Key : _key;
        return ScoreAssembly
            .Finish(
                new Score
                {
                    Clef = clef,
                    Key = key,
                    Time = _bars.Count > 0 ? _bars[0].Time : _time,
                    Bars = [.. _bars],
                }
            )
            .Score;
    }
}
