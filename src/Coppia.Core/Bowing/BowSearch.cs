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
    private readonly int[] _returns;
    private readonly HashSet<BowEdit> _refused;

    private BowSearch(Score score, BowAim aim, HouseStyle style, IEnumerable<BowEdit> refused)
    {
        (_aim, _style, _refused) = (aim, style, [.. refused]);
        _notes = SoundingNote.Of(score);
        _events = [.. score.Events];
        _eventPlaces = _events.Index().ToDictionary(e => e.Item.Id, e => e.Index);
        _noteOf = _notes.Where(n => !n.IsGrace).ToDictionary(n => n.Event.Id, n => n.Index);
        _loudness = Loudness.Of(_notes);
        _starts = [.. _notes.Where(n => n.Index == 0 || !n.Slurred).Select(n => n.Index)];
        _returnTo = Returns(score);
        _returns = [.. _returnTo.Values.Distinct()];
    }

    /// <summary>The changes, in the order of the notes; none where the print reaches the aim as well as it can be reached.</summary>
    /// <param name="refused">Changes that the teacher does not want; the search goes round them.</param>
    public static IReadOnlyList<BowEdit> Find(Score score, BowAim aim, HouseStyle style, IEnumerable<BowEdit>? refused = null)
    {
        var search = new BowSearch(score, aim, style, refused ?? []);
        return search._notes.Count == 0 ? [] : search.Run();
    }

    /// <summary>What a set of changes costs under an aim: the definition that <see cref="Find"/> minimises.</summary>
    public static long Price(Score score, IReadOnlyCollection<BowEdit> edits, BowAim aim, HouseStyle style)
    {
        var plain = new BowSearch(score, aim, style, []);
        var changed = BowEdits.Apply(score, edits);
        var notes = SoundingNote.Of(changed);
        var order = aim == BowAim.EvenBow ? [.. changed.Bars.Select((_, i) => new PlayedBar(i, 1))] : PlayOrder.Of(changed);
        var bowing = Bowing.Follow(notes, changed.Bars, order, style.AfterLongRest);
        var missed = aim == BowAim.EvenBow
            ? BowPlace.Along(notes, bowing.Strokes, style.LoudBow).Count(t => t.RunsOut)
            : notes.Count(n => BeginsABar(n) && (n.Index == 0 || !n.Slurred) && bowing.Directions[n.Index] == BowDirection.Up) + bowing.ComesBackWrong.Count;
        return Missed * missed + edits.Sum(plain.PriceOf);
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

    /// <summary>Where the bow is after a stroke.</summary>
    /// <param name="Direction">Direction of the stroke.</param>
    /// <param name="BeforeEnding">Direction before the last first ending, from which a later ending goes on.</param>
    /// <param name="AtReturn">Direction, the first time, of the note that the next repeat sign goes back to.</param>
    /// <param name="Lifted">A lift follows.</param>
    /// <param name="Place">Place on the bow, in steps; only for an even bow.</param>
    private readonly record struct State(BowDirection Direction, BowDirection BeforeEnding, BowDirection AtReturn, bool Lifted, int Place);

    /// <summary>A way to a state: how the last stroke was made, and which way led there.</summary>
    private readonly record struct Way(State State, long Cost, int Before, Stroke Stroke);

    /// <summary>A stroke of one or more printed ones bound together, a lift before it, a lift after it.</summary>
    private readonly record struct Stroke(int Start, int Size, BowEditKind Kind, bool LiftBefore, bool LiftAfter);

    private const int PlaceSteps = 200;

    private IReadOnlyList<BowEdit> Run()
    {
        var ways = new List<Way>();
        var layers = new Dictionary<State, int>[_starts.Length + 1];
        for (var k = 0; k < layers.Length; k++) layers[k] = [];
        var opening = Bowing.Turned(Bowing.Opening(_notes));
        layers[0][new State(opening, opening, opening, false, 0)] = 0;
        ways.Add(new Way(new State(opening, opening, opening, false, 0), 0, -1, default));
        for (var k = 0; k < _starts.Length; k++)
        {
            var bound = Bindings(k);
            foreach (var from in layers[k].Values) Onward(k, from, bound, ways, layers);
        }

        var best = layers[^1].Values.MinBy(w => ways[w].Cost);
        var edits = new List<BowEdit>();
        for (var w = best; w > 0; w = ways[w].Before) edits.InsertRange(0, EditsOf(ways[w].Stroke));
        return edits;
    }

    private IEnumerable<BowEdit> EditsOf(Stroke stroke)
    {
        var k = stroke.Start;
        if (stroke.LiftBefore) yield return new BowEdit(LastPrinted(_starts[k] - 1), BowEditKind.Lift);
        for (var j = 1; j < stroke.Size; j++) yield return new BowEdit(_notes[_starts[k + j]].Event.Id, stroke.Kind);
        if (stroke.LiftAfter) yield return new BowEdit(LastPrinted(LastOf(k, stroke.Size)), BowEditKind.Lift);
    }

    private int LastOf(int k, int size) => (k + size < _starts.Length ? _starts[k + size] : _notes.Count) - 1;

    /// <summary>How printed stroke k may be bound to those after it, what that costs, and how much bow it takes.</summary>
    private List<(int Size, BowEditKind Kind, long Cost, double Travel)> Bindings(int k)
    {
        var found = new List<(int, BowEditKind, long, double)>();
        foreach (var kind in new[] { BowEditKind.Slur, BowEditKind.Hook })
        {
            var cost = 0L;
            for (var size = 1; size <= MostBound && k + size <= _starts.Length; size++)
            {
                if (size > 1)
                {
                    if (!Joins(_starts[k + size - 1], kind)) break;
                    cost += PriceOf(new BowEdit(_notes[_starts[k + size - 1]].Event.Id, kind));
                }
                else if (kind == BowEditKind.Hook)
                {
                    continue; // a stroke by itself is the same either way
                }

                var stroke = new PlayedStroke(_starts[k], LastOf(k, size), BowDirection.Down, 1, false);
                found.Add((size, kind, cost, _aim == BowAim.EvenBow ? BowPlace.Travel(_notes, stroke, _loudness[_starts[k]], _style.LoudBow).Travel : 0));
            }
        }

        return found;
    }

    /// <summary>All ways on from a state: with or without a lift, one printed stroke or several bound together.</summary>
    private void Onward(int k, int from, List<(int Size, BowEditKind Kind, long Cost, double Travel)> bound, List<Way> ways, Dictionary<State, int>[] layers)
    {
        var state = ways[from].State;
        var i = _starts[k];
        var note = _notes[i];
        var before = note.Bar.EndingStart is not null && i > 0 && _notes[i - 1].Bar is { RepeatEnd: true } closed && !ReferenceEquals(closed, note.Bar) ? state.BeforeEnding : state.Direction;
        var lifted = state.Lifted || i > 0 && Bowing.Retakes(_notes, i - 1, i, follows: true, _style.AfterLongRest);
        foreach (var lift in new[] { false, true })
        {
            if (lift && (k == 0 || lifted || note.Event.Has(Marks.UpBow) || IsRefused(LastPrinted(i - 1), BowEditKind.Lift))) continue;
            var direction = note.Event.Has(Marks.DownBow) ? BowDirection.Down
                : note.Event.Has(Marks.UpBow) ? BowDirection.Up
                : k == 0 ? Bowing.Opening(_notes)
                : lifted || lift ? BowDirection.Down : Bowing.Turned(before);
            var cost = ways[from].Cost + (lift ? PriceOf(new BowEdit(LastPrinted(i - 1), BowEditKind.Lift)) : 0);
            if (_aim == BowAim.DownbeatsDown && BeginsABar(note) && direction == BowDirection.Up) cost += Missed;
            foreach (var (size, kind, price, travel) in bound)
            {
                var stroke = new Stroke(k, size, kind, lift, false);
                if (_aim == BowAim.EvenBow) Along(stroke, direction, travel, cost + price, fresh: lifted || lift);
                else After(stroke, direction, cost + price);
            }
        }

        void Along(Stroke stroke, BowDirection direction, double travel, long cost, bool fresh)
        {
            IEnumerable<double> places = k == 0 ? BowPlace.Openings(direction, travel)
                : [fresh ? direction == BowDirection.Down ? 0 : Math.Min(1, travel) : state.Place / (double)PlaceSteps];
            foreach (var place in places)
            {
                var to = direction == BowDirection.Down ? place + travel : place - travel;
                var missed = to > 1 + BowPlace.Tolerance || to < -BowPlace.Tolerance ? Missed : 0;
                Reach(new State(direction, direction, direction, false, (int)Math.Round(Math.Clamp(to, 0, 1) * PlaceSteps)), cost + missed, stroke);
            }
        }

        // At a repeat sign, with or without a lift before going back.
        void After(Stroke stroke, BowDirection direction, long cost)
        {
            var last = LastOf(k, stroke.Size);
            var isReturn = _returns.Any(t => t >= _starts[k] && t <= last);
            var plain = new State(direction, NextOpensFirstEnding(last) ? direction : state.BeforeEnding, isReturn ? direction : state.AtReturn, false, 0);
            if (!LeavesFor(last, out var target))
            {
                Reach(plain, cost, stroke);
                return;
            }

            var signed = _notes[target].Event.Has(Marks.DownBow | Marks.UpBow);
            var returning = _notes[last].Event.Has(Marks.LiftAfter) ? BowDirection.Down : Bowing.Turned(direction);
            var right = signed || returning == plain.AtReturn;
            Reach(plain, cost + (right ? 0 : Missed), stroke);
            if (!right && plain.AtReturn == BowDirection.Down && !IsRefused(LastPrinted(last), BowEditKind.Lift))
                Reach(plain with { Lifted = true }, cost + PriceOf(new BowEdit(LastPrinted(last), BowEditKind.Lift)), stroke with { LiftAfter = true });
        }

        void Reach(State next, long cost, Stroke stroke)
        {
            var layer = layers[k + stroke.Size];
            if (layer.TryGetValue(next, out var known) && ways[known].Cost <= cost) return;
            layer[next] = ways.Count;
            ways.Add(new Way(next, cost, from, stroke));
        }
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
        return (kind == BowEditKind.Hook || note.Pitch != _notes[i - 1].Pitch) && !note.Slurred && !IsRefused(note.Event.Id, kind);
    }

    private bool IsRefused(string noteId, BowEditKind kind) => _refused.Contains(new BowEdit(noteId, kind));

    private string LastPrinted(int i) => _notes[i].TiedIds is [.., var last] ? last : _notes[i].Event.Id;

    /// <summary>Price of one change. Among equal ones a join late in its bar is better.</summary>
    private long PriceOf(BowEdit edit)
    {
        if (edit.Kind == BowEditKind.Lift)
        {
            var next = _eventPlaces[edit.NoteId] + 1;
            return Change + Lift + (next < _events.Count && _events[next].IsRest ? 0 : LiftInHaste);
        }

        var later = 0;
        var joined = _noteOf[edit.NoteId];
        for (var i = joined + 1; i < _notes.Count && later < 10 && ReferenceEquals(_notes[i].Bar, _notes[joined].Bar); i++) later += _notes[i].Slurred ? 0 : 1;
        return Change + (edit.Kind == BowEditKind.Slur ? Slur : Hook) + 4 * later;
    }
}
