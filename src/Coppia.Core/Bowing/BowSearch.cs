namespace Coppia.Core;

/// <summary>What a proposed bowing is to achieve.</summary>
public enum BowAim
{
    /// <summary>Every bar that begins with a new stroke begins down, the repeats too.</summary>
    DownbeatsDown,

    /// <summary>As few strokes as possible run off the bow, once through.</summary>
    EvenBow,
}

/// <summary>
/// The cheapest changes of a printed bowing that reach an aim, exactly, by dynamic programming over the strokes. First the aim counts, then the number of
/// changes, then their kind: a slur is easier than a hook, a hook than a lift (common practice; the figures are ours).
/// </summary>
public sealed class BowSearch
{
    /// <summary>A place that misses the aim.</summary>
    public const long Missed = 1_000_000;

    /// <summary>Any change at all.</summary>
    public const long Change = 100;

    public const long Slur = 1;
    public const long Hook = 2;
    public const long Lift = 3;

    /// <summary>Added to a lift with no rest to make it in.</summary>
    public const long LiftInHaste = 2;

    /// <summary>Most printed strokes that are bound into one.</summary>
    private const int MostBound = 4;

    private readonly IReadOnlyList<SoundingNote> _notes;
    private readonly IReadOnlyList<ScoreEvent> _events;
    private readonly Dictionary<string, int> _eventPlaces;
    private readonly Dictionary<string, int> _noteOf;
    private readonly IReadOnlyList<double> _loudness;
    private readonly BowAim _aim;
    private readonly HouseStyle _style;
    private readonly int[] _starts;
    private readonly Dictionary<string, int> _returnTo;

    private BowSearch(Score score, BowAim aim, HouseStyle style)
    {
        (_aim, _style) = (aim, style);
        _notes = SoundingNote.Of(score);
        _events = [.. score.Events];
        _eventPlaces = _events.Index().ToDictionary(e => e.Item.Id, e => e.Index);
        _noteOf = _notes.Where(n => !n.IsGrace).ToDictionary(n => n.Event.Id, n => n.Index);
        _loudness = Loudness.Of(_notes);
        _starts = [.. _notes.Where(n => n.Index == 0 || !n.Slurred).Select(n => n.Index)];
        _returnTo = Returns(score);
    }

    /// <summary>The changes, in the order of the notes; none where the print reaches the aim as well as it can be reached.</summary>
    public static IReadOnlyList<BowEdit> Find(Score score, BowAim aim, HouseStyle style)
    {
        var search = new BowSearch(score, aim, style);
        return search._notes.Count == 0 ? [] : search.Run();
    }

    /// <summary>What a set of changes costs under an aim: the definition that <see cref="Find"/> minimises.</summary>
    public static long Price(Score score, IReadOnlyCollection<BowEdit> edits, BowAim aim, HouseStyle style)
    {
        var plain = new BowSearch(score, aim, style);
        var cost = edits.Sum(plain.PriceOf);
        var notes = SoundingNote.Of(BowEdits.Apply(score, edits));
        var order = aim == BowAim.EvenBow ? [.. score.Bars.Select((_, i) => new PlayedBar(i, 1))] : PlayOrder.Of(score);
        var bars = BowEdits.Apply(score, edits).Bars;
        var renewed = SoundingNote.Of(score with { Bars = bars });
        var bowing = Bowing.Follow(renewed, bars, order, style.AfterLongRest);
        return cost + Missed * (aim == BowAim.EvenBow
            ? BowPlace.Along(renewed, bowing.Strokes, style.LoudBow).Count(t => t.RunsOut)
            : notes.Count(n => BeginsABar(n) && (n.Index == 0 || !n.Slurred) && bowing.Directions[n.Index] == BowDirection.Up) + bowing.ComesBackWrong.Count);
    }

    private static bool BeginsABar(SoundingNote note) => !note.Bar.IsPickUp && note.Onset.IsZero;

    /// <summary>For each bar that is played on from its repeat sign backwards: the first note that is returned to.</summary>
    private Dictionary<string, int> Returns(Score score)
    {
        var firstOf = _notes.GroupBy(n => n.Bar.Id).ToDictionary(g => g.Key, g => g.First().Index);
        var returns = new Dictionary<string, int>();
        if (_aim == BowAim.EvenBow) return returns;
        foreach (var (from, to) in PlayOrder.Of(score).Zip(PlayOrder.Of(score).Skip(1)))
        {
            if (to.Bar <= from.Bar && firstOf.TryGetValue(score.Bars[to.Bar].Id, out var first)) returns[score.Bars[from.Bar].Id] = first;
        }

        return returns;
    }

    private readonly record struct State(BowDirection Direction, BowDirection BeforeEnding, bool Lifted, int Place);

    private sealed record Node(State State, long Cost, Node? Before, IReadOnlyList<BowEdit> Edits);

    private const int PlaceSteps = 200;

    private IReadOnlyList<BowEdit> Run()
    {
        var layers = new Dictionary<State, Node>[_starts.Length + 1];
        for (var k = 0; k < layers.Length; k++) layers[k] = [];
        var opening = Bowing.Turned(Bowing.Opening(_notes));
        layers[0][new State(opening, opening, false, 0)] = new Node(new State(opening, opening, false, 0), 0, null, []);
        for (var k = 0; k < _starts.Length; k++)
        {
            foreach (var node in layers[k].Values)
            {
                foreach (var (groups, next) in From(k, node))
                {
                    if (!layers[k + groups].TryGetValue(next.State, out var known) || next.Cost < known.Cost) layers[k + groups][next.State] = next;
                }
            }
        }

        var edits = new List<BowEdit>();
        for (var node = layers[^1].Values.MinBy(n => n.Cost); node is not null; node = node.Before) edits.InsertRange(0, node.Edits);
        return edits;
    }

    /// <summary>All ways on from a state: with or without a lift, one printed stroke or several bound together.</summary>
    private IEnumerable<(int Groups, Node Next)> From(int k, Node node)
    {
        var i = _starts[k];
        var note = _notes[i];
        var before = note.Bar.EndingStart is not null && i > 0 && _notes[i - 1].Bar is { RepeatEnd: true } closed && !ReferenceEquals(closed, note.Bar) ? node.State.BeforeEnding : node.State.Direction;
        var lifted = node.State.Lifted || i > 0 && Bowing.Retakes(_notes, i - 1, i, follows: true, _style.AfterLongRest);
        foreach (var lift in new[] { false, true })
        {
            if (lift && (k == 0 || lifted || note.Event.Has(Marks.UpBow))) continue;
            var direction = note.Event.Has(Marks.DownBow) ? BowDirection.Down
                : note.Event.Has(Marks.UpBow) ? BowDirection.Up
                : k == 0 ? Bowing.Opening(_notes)
                : lifted || lift ? BowDirection.Down : Bowing.Turned(before);
            var edits = lift ? new List<BowEdit> { new(LastPrinted(i - 1), BowEditKind.Lift) } : [];
            var cost = node.Cost + (lift ? PriceOf(edits[0]) : 0);
            if (_aim == BowAim.DownbeatsDown && BeginsABar(note) && direction == BowDirection.Up) cost += Missed;
            foreach (var way in Bound(k, direction, node, edits, cost, fresh: k == 0 || lifted || lift)) yield return way;
        }
    }

    private IEnumerable<(int Groups, Node Next)> Bound(int k, BowDirection direction, Node node, List<BowEdit> before, long cost, bool fresh)
    {
        foreach (var kind in new[] { BowEditKind.Slur, BowEditKind.Hook })
        {
            var edits = before;
            var sum = cost;
            for (var size = 1; size <= MostBound && k + size <= _starts.Length; size++)
            {
                if (size > 1)
                {
                    var joined = _starts[k + size - 1];
                    if (!Joins(joined, kind)) break;
                    var edit = new BowEdit(_notes[joined].Event.Id, kind);
                    edits = [.. edits, edit];
                    sum += PriceOf(edit);
                }
                else if (kind == BowEditKind.Hook)
                {
                    continue; // a stroke by itself is the same either way
                }

                foreach (var next in After(k, size, direction, node, edits, sum, fresh)) yield return (size, next);
            }
        }
    }

    /// <summary>The state after a stroke; at a repeat sign, with or without a lift before going back.</summary>
    private IEnumerable<Node> After(int k, int size, BowDirection direction, Node node, IReadOnlyList<BowEdit> edits, long cost, bool fresh)
    {
        var first = _starts[k];
        var last = (k + size < _starts.Length ? _starts[k + size] : _notes.Count) - 1;
        if (_aim == BowAim.EvenBow)
        {
            var travel = BowPlace.Travel(_notes, new PlayedStroke(first, last, direction, 1, fresh), _loudness[first], _style.LoudBow).Travel;
            double[] froms = k == 0 ? [.. BowPlace.Openings(direction, travel)] : [fresh ? direction == BowDirection.Down ? 0 : Math.Min(1, travel) : node.State.Place / (double)PlaceSteps];
            foreach (var from in froms)
            {
                var to = direction == BowDirection.Down ? from + travel : from - travel;
                var missed = to > 1 + BowPlace.Tolerance || to < -BowPlace.Tolerance ? Missed : 0;
                yield return new Node(new State(direction, direction, false, (int)Math.Round(Math.Clamp(to, 0, 1) * PlaceSteps)), cost + missed, node, edits);
            }

            yield break;
        }

        var saved = NextOpensFirstEnding(last) ? direction : node.State.BeforeEnding;
        var plain = new State(direction, saved, false, 0);
        if (!LeavesFor(last, out var target))
        {
            yield return new Node(plain, cost, node, edits);
            yield break;
        }

        var wanted = target == 0 ? Bowing.Opening(_notes) : BeginsABar(_notes[target]) ? BowDirection.Down : (BowDirection?)null;
        var sign = _notes[target].Event.Has(Marks.DownBow) || _notes[target].Event.Has(Marks.UpBow) || _notes[last].Event.Has(Marks.LiftAfter);
        var right = sign || wanted is null || Bowing.Turned(direction) == wanted;
        yield return new Node(plain, cost + (right ? 0 : Missed), node, edits);
        if (right || wanted != BowDirection.Down) yield break;
        var lift = new BowEdit(LastPrinted(last), BowEditKind.Lift);
        yield return new Node(plain with { Lifted = true }, cost + PriceOf(lift), node, [.. edits, lift]);
    }

    private bool NextOpensFirstEnding(int last) =>
        last + 1 < _notes.Count && !ReferenceEquals(_notes[last].Bar, _notes[last + 1].Bar) && _notes[last + 1].Bar.EndingStart is not null && !_notes[last].Bar.RepeatEnd;

    /// <summary>The note is the last of a bar from which a repeat goes back.</summary>
    private bool LeavesFor(int last, out int target)
    {
        target = 0;
        var endsBar = last + 1 == _notes.Count || !ReferenceEquals(_notes[last].Bar, _notes[last + 1].Bar);
        return endsBar && _returnTo.TryGetValue(_notes[last].Bar.Id, out target);
    }

    /// <summary>A stroke may join the one before within its bar, over no rest, against no printed sign; one pitch twice is hooked, for a slur would read as a tie.</summary>
    private bool Joins(int i, BowEditKind kind)
    {
        var note = _notes[i];
        if (!ReferenceEquals(note.Bar, _notes[i - 1].Bar) || !note.RestBefore.IsZero || note.Event.Has(Marks.UpBow | Marks.DownBow) || _notes[i - 1].Event.Has(Marks.LiftAfter)) return false;
        return (kind == BowEditKind.Hook || note.Pitch != _notes[i - 1].Pitch) && BowEdits.CanJoin(_events, _eventPlaces[note.Event.Id]);
    }

    private string LastPrinted(int i) => _notes[i].TiedIds is [.., var last] ? last : _notes[i].Event.Id;

    /// <summary>Price of one change. Among equal ones a join late in its bar is better.</summary>
    private long PriceOf(BowEdit edit)
    {
        var at = _eventPlaces[edit.NoteId];
        if (edit.Kind == BowEditKind.Lift) return Change + Lift + (at + 1 < _events.Count && _events[at + 1].IsRest ? 0 : LiftInHaste);
        var note = _notes[_noteOf[edit.NoteId]];
        var later = _notes.Skip(note.Index + 1).TakeWhile(n => ReferenceEquals(n.Bar, note.Bar)).Count(n => !n.Slurred);
        return Change + (edit.Kind == BowEditKind.Slur ? Slur : Hook) + 4 * Math.Min(later, 10);
    }
}
