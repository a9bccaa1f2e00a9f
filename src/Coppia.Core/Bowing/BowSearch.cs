using Coppia.Core.Form;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Bowing;

/// <summary>What a proposed bowing is to achieve.</summary>
public enum BowAim
{
    /// <summary>Every bar that begins with a new stroke begins down, the repeats too.</summary>
    DownbeatsDown,

    /// <summary>As few strokes as possible run off the bow, once through.</summary>
    EvenBow,
}

/// <summary>
/// The cheapest changes of a bowing that reach an aim, exactly, by dynamic programming over the strokes; the prices are
/// <see cref="BowPrices"/>.
/// </summary>
public sealed class BowSearch
{
    /// <summary>Most printed strokes that are bound into one.</summary>
    private const int MostBound = 4;

    /// <summary>How finely the place on the bow is told apart.</summary>
    private const int PlaceSteps = 200;

    private readonly PrintedStrokes _line;
    private readonly IReadOnlyList<SoundingNote> _notes;
    private readonly IReadOnlyList<int> _starts;
    private readonly IReadOnlyList<double> _loudness;
    private readonly BowDirection _opening;
    private readonly BowAim _aim;
    private readonly HouseStyle _style;
    private readonly HashSet<BowEdit> _refused;
    private readonly List<Way> _ways = [];
    private readonly Dictionary<State, int>[] _layers;

    private BowSearch(Score score, BowAim aim, HouseStyle style, IEnumerable<BowEdit> refused)
    {
        (_aim, _style, _refused) = (aim, style, [.. refused]);
        _line = new PrintedStrokes(score);
        (_notes, _starts) = (_line.Notes, _line.Starts);
        (_loudness, _opening) = (Loudness.Of(_notes), Bows.Opening(_notes));
        _layers = [.. Enumerable.Range(0, _starts.Count + 1).Select(_ => new Dictionary<State, int>())];
    }

    /// <summary>
    /// The changes, in the order of the notes; none where the bowing reaches the aim as well as it can be reached.
    /// </summary>
    /// <param name="refused">Changes that the teacher does not want; the search goes round them.</param>
    /// <param name="stop">Nobody waits for it any more.</param>
    public static IReadOnlyList<BowEdit> Find(
        Score score,
        BowAim aim,
        HouseStyle style,
        IEnumerable<BowEdit>? refused = null,
        CancellationToken stop = default
    ) => new BowSearch(score, aim, style, refused ?? []).Run(stop);

    /// <summary>What a set of changes costs under an aim: the definition that <see cref="Find"/> minimises.</summary>
    public static long Price(Score score, IReadOnlyCollection<BowEdit> edits, BowAim aim, HouseStyle style)
    {
        var line = new PrintedStrokes(score);
        var changed = BowEdits.Apply(score, edits);
        var notes = SoundingNote.Of(changed);
        var order =
            aim == BowAim.EvenBow ? [.. changed.Bars.Select((_, i) => new PlayedBar(i, 1))] : PlayOrder.Of(changed);
        var bowing = Bows.Follow(notes, changed.Bars, order, style.AfterLongRest);
        var missed =
            aim == BowAim.EvenBow
                ? BowPlace.Along(notes, bowing.Strokes, style.LoudBow).Count(t => t.RunsOut)
                : notes.Count(n =>
                    PrintedStrokes.BeginsABar(n)
                    && (n.Index == 0 || !n.Slurred)
                    && !bowing.Plucked[n.Index]
                    && bowing.Directions[n.Index] == BowDirection.Up
                ) + bowing.ComesBackWrong.Count;
        return BowPrices.Missed * missed + edits.Sum(line.PriceOf);
    }

    /// <summary>Where the bow is after a stroke.</summary>
    /// <param name="Direction">Direction of the stroke.</param>
    /// <param name="BeforeEnding">Direction before the last first ending, from which a later ending goes on.</param>
    /// <param name="AtReturn">Direction, the first time, of the note that the next repeat sign goes back to.</param>
    /// <param name="Lifted">A lift or plucked notes follow.</param>
    /// <param name="Place">Place on the bow, in steps; only for an even bow.</param>
    private readonly record struct State(
        BowDirection Direction,
        BowDirection BeforeEnding,
        BowDirection AtReturn,
        bool Lifted,
        int Place
    );

    /// <summary>A way to a state: how the last stroke was made, and which way led there.</summary>
    private readonly record struct Way(State State, long Cost, int Before, Stroke Stroke);

    /// <summary>A stroke of one or more printed ones bound together, a lift before it, a lift after it.</summary>
    private readonly record struct Stroke(
        int Start,
        int Size,
        BowEditKind Kind,
        bool LiftBefore = false,
        bool LiftAfter = false
    );

    /// <summary>A printed stroke bound to those after it: what that costs, and how much bow it takes.</summary>
    private readonly record struct Binding(int Size, BowEditKind Kind, long Cost, double Travel);

    private IReadOnlyList<BowEdit> Run(CancellationToken stop)
    {
        if (_notes.Count == 0)
            return [];
        var before = BowStep.Turned(_opening);
        var start = new State(before, before, before, false, 0);
        _layers[0][start] = 0;
        _ways.Add(new Way(start, 0, -1, default));
        for (var k = 0; k < _starts.Count; k++)
        {
            stop.ThrowIfCancellationRequested();
            Binding[] bindings = [.. BindingsOf(k)];
            foreach (var from in _layers[k].Values)
                Onward(k, from, bindings);
        }

        var strokes = new List<Stroke>();
        for (var w = _layers[^1].Values.MinBy(w => _ways[w].Cost); w > 0; w = _ways[w].Before)
            strokes.Add(_ways[w].Stroke);
        strokes.Reverse();
        return [.. strokes.SelectMany(EditsOf)];
    }

    private IEnumerable<BowEdit> EditsOf(Stroke stroke)
    {
        var k = stroke.Start;
        if (stroke.LiftBefore)
            yield return LiftAfter(_starts[k] - 1);
        for (var j = 1; j < stroke.Size; j++)
            yield return new BowEdit(_notes[_starts[k + j]].Event.Id, stroke.Kind);
        if (stroke.LiftAfter)
            yield return LiftAfter(_line.LastOf(k, stroke.Size));
    }

    private BowEdit LiftAfter(int note) => new(_line.LastPrinted(note), BowEditKind.Lift);

    private IEnumerable<Binding> BindingsOf(int k)
    {
        foreach (var kind in new[] { BowEditKind.Slur, BowEditKind.Hook })
        {
            var cost = 0L;
            for (var size = 1; size <= MostBound && k + size <= _starts.Count; size++)
            {
                if (size > 1)
                {
                    var edit = new BowEdit(_notes[_starts[k + size - 1]].Event.Id, kind);
                    if (!_line.Joins(_starts[k + size - 1], kind) || _refused.Contains(edit))
                        break;
                    cost += _line.PriceOf(edit);
                }
                else if (kind == BowEditKind.Hook)
                {
                    continue; // a stroke by itself is the same either way
                }

                var stroke = new PlayedStroke(_starts[k], _line.LastOf(k, size), BowDirection.Down, 1, false);
                yield return new Binding(
                    size,
                    kind,
                    cost,
                    _aim == BowAim.EvenBow
                        ? BowPlace.Travel(_notes, stroke, _loudness[_starts[k]], _style.LoudBow).Travel
                        : 0
                );
            }
        }
    }

    /// <summary>
    /// All ways on from a state: with or without a lift, one printed stroke or several bound together.
    /// </summary>
    private void Onward(int k, int from, Binding[] bindings)
    {
        var (state, cost, _, _) = _ways[from];
        var i = _starts[k];
        if (_line.Plucked[i])
        {
            // No stroke; the bow is set anew after it.
            Reach(from, state with { Lifted = true }, cost, new Stroke(k, 1, BowEditKind.Slur));
            return;
        }

        var note = _notes[i];
        var lifted =
            state.Lifted || i > 0 && Bows.Retakes(_notes, i - 1, i, _line.SilenceBefore(i), _style.AfterLongRest);
        foreach (var lift in new[] { false, true })
        {
            if (lift && (k == 0 || lifted || note.Event.Has(Marks.UpBow) || _refused.Contains(LiftAfter(i - 1))))
                continue;
            BowDirection? before =
                k == 0 ? null
                : _line.GoesOnFromElsewhere(i) ? state.BeforeEnding
                : state.Direction;
            var direction = BowStep.Direction(note, before, lifted || lift, _opening);
            var sofar = cost + (lift ? _line.PriceOf(LiftAfter(i - 1)) : 0);
            if (_aim == BowAim.DownbeatsDown && PrintedStrokes.BeginsABar(note) && direction == BowDirection.Up)
                sofar += BowPrices.Missed;
            foreach (var binding in bindings)
            {
                var stroke = new Stroke(k, binding.Size, binding.Kind, lift);
                if (_aim == BowAim.EvenBow)
                    AlongTheBow(from, stroke, direction, binding.Travel, sofar + binding.Cost, fresh: lifted || lift);
                else
                    ToTheNextStroke(from, stroke, direction, sofar + binding.Cost);
            }
        }
    }

    private void AlongTheBow(int from, Stroke stroke, BowDirection direction, double travel, long cost, bool fresh)
    {
        IEnumerable<double> places =
            stroke.Start == 0 ? BowPlace.Openings(direction, travel)
            : fresh ? [BowStep.FreshStart(direction, travel)]
            : [_ways[from].State.Place / (double)PlaceSteps];
        foreach (var place in places)
        {
            var (to, overrun) = BowStep.Along(direction, place, travel);
            var missed = overrun > BowPlace.Tolerance ? BowPrices.Missed : 0;
            Reach(
                from,
                new State(direction, direction, direction, false, (int)Math.Round(to * PlaceSteps)),
                cost + missed,
                stroke
            );
        }
    }

    /// <summary>At a repeat sign, with or without a lift before going back.</summary>
    private void ToTheNextStroke(int from, Stroke stroke, BowDirection direction, long cost)
    {
        var state = _ways[from].State;
        var last = _line.LastOf(stroke.Start, stroke.Size);
        var next = new State(
            direction,
            _line.GoesOverEndings(last) ? direction : state.BeforeEnding,
            _line.HoldsReturn(_starts[stroke.Start], last) ? direction : state.AtReturn,
            false,
            0
        );
        if (!_line.LeavesFor(last, out var target, out var silence))
        {
            Reach(from, next, cost, stroke);
            return;
        }

        var returning = BowStep.Direction(
            _notes[target],
            direction,
            Bows.Retakes(_notes, last, target, silence, _style.AfterLongRest),
            _opening
        );
        var right = _notes[target].Event.Has(Marks.DownBow | Marks.UpBow) || returning == next.AtReturn;
        Reach(from, next, cost + (right ? 0 : BowPrices.Missed), stroke);
        if (!right && next.AtReturn == BowDirection.Down && !_refused.Contains(LiftAfter(last)))
            Reach(
                from,
                next with
                {
                    Lifted = true,
                },
                cost + _line.PriceOf(LiftAfter(last)),
                stroke with
                {
                    LiftAfter = true,
                }
            );
    }

    private void Reach(int from, State next, long cost, Stroke stroke)
    {
        var layer = _layers[stroke.Start + stroke.Size];
        if (layer.TryGetValue(next, out var known) && _ways[known].Cost <= cost)
            return;
        layer[next] = _ways.Count;
        _ways.Add(new Way(next, cost, from, stroke));
    }
}
