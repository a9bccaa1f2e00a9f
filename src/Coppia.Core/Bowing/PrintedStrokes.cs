using Coppia.Core.Form;
using Coppia.Core.Music;

namespace Coppia.Core.Bowing;

/// <summary>The strokes of a tune as they are bowed now, which of them can be changed, and what a change costs.</summary>
internal sealed class PrintedStrokes
{
    private readonly IReadOnlyList<ScoreEvent> _events;
    private readonly Dictionary<string, int> _eventPlaces;
    private readonly Dictionary<string, int> _noteOf;
    private readonly Dictionary<string, int> _returnTo = [];

    /// <summary>How many notes before each one a repeat sign goes back to: with thousands of repeats they are not looked through.</summary>
    private readonly int[] _returnsBefore;

    public PrintedStrokes(Score score)
    {
        Notes = SoundingNote.Of(score);
        Plucked = Plucking.Of(Notes);
        Starts = [.. Notes.Where(n => n.Index == 0 || !n.Slurred).Select(n => n.Index)];
        _events = [.. score.Events];
        _eventPlaces = _events.Index().ToDictionary(e => e.Item.Id, e => e.Index);
        _noteOf = Notes.Where(n => !n.IsGrace).ToDictionary(n => n.Event.Id, n => n.Index);
        var firstOf = Notes.GroupBy(n => n.Bar.Id).ToDictionary(g => g.Key, g => g.First().Index);
        var order = PlayOrder.Of(score);
        foreach (var (from, to) in order.Zip(order.Skip(1)))
        {
            if (to.Bar <= from.Bar && firstOf.TryGetValue(score.Bars[to.Bar].Id, out var first))
                _returnTo[score.Bars[from.Bar].Id] = first;
        }

        var returns = _returnTo.Values.ToHashSet();
        _returnsBefore = new int[Notes.Count + 1];
        for (var i = 0; i < Notes.Count; i++)
            _returnsBefore[i + 1] = _returnsBefore[i] + (returns.Contains(i) ? 1 : 0);
    }

    public IReadOnlyList<SoundingNote> Notes { get; }

    public IReadOnlyList<bool> Plucked { get; }

    /// <summary>Orders of the notes that begin a stroke, plucked notes among them.</summary>
    public IReadOnlyList<int> Starts { get; }

    public static bool BeginsABar(SoundingNote note) => !note.Bar.IsPickUp && note.Onset.IsZero;

    /// <summary>The last note of so many strokes from stroke k on.</summary>
    public int LastOf(int k, int size) => (k + size < Starts.Count ? Starts[k + size] : Notes.Count) - 1;

    /// <summary>The printed note on which a lift after a sounding note stands.</summary>
    public string LastPrinted(int i) => Notes[i].TiedIds is [.., var last] ? last : Notes[i].Event.Id;

    /// <summary>The note opens an ending that is never played straight after the note printed before it.</summary>
    public bool GoesOnFromElsewhere(int i) =>
        i > 0
        && Notes[i].Bar.EndingStart is not null
        && Notes[i - 1].Bar is { RepeatEnd: true } closed
        && !ReferenceEquals(closed, Notes[i].Bar);

    /// <summary>The first ending begins after this note.</summary>
    public bool NextOpensFirstEnding(int last) =>
        EndsBar(last) && last + 1 < Notes.Count && Notes[last + 1].Bar.EndingStart is not null && !Notes[last].Bar.RepeatEnd;

    /// <summary>A repeat sign goes back to one of these notes.</summary>
    public bool HoldsReturn(int first, int last) => _returnsBefore[last + 1] > _returnsBefore[first];

    /// <summary>The note is the last of a bar from which a repeat goes back.</summary>
    public bool LeavesFor(int last, out int target)
    {
        target = 0;
        return EndsBar(last) && _returnTo.TryGetValue(Notes[last].Bar.Id, out target);
    }

    /// <summary>
    /// A stroke may join the one before within its bar, over no rest, against no printed sign; one pitch twice is hooked, for a slur
    /// would read as a tie.
    /// </summary>
    public bool Joins(int i, BowEditKind kind)
    {
        var (before, note) = (Notes[i - 1], Notes[i]);
        if (Plucked[i] || note.Slurred || !ReferenceEquals(note.Bar, before.Bar) || !note.RestBefore.IsZero)
            return false;
        return !note.Event.Has(Marks.UpBow | Marks.DownBow)
            && !before.Event.Has(Marks.LiftAfter)
            && (kind == BowEditKind.Hook || note.Pitch != before.Pitch);
    }

    /// <summary>Price of one change.</summary>
    public long PriceOf(BowEdit edit)
    {
        if (edit.Kind == BowEditKind.Lift)
        {
            var next = _eventPlaces[edit.NoteId] + 1;
            return BowPrices.Change + BowPrices.Lift + (next < _events.Count && _events[next].IsRest ? 0 : BowPrices.LiftInHaste);
        }

        var later = 0;
        var joined = _noteOf[edit.NoteId];
        for (var i = joined + 1; i < Notes.Count && later < 10 && ReferenceEquals(Notes[i].Bar, Notes[joined].Bar); i++)
            later += Notes[i].Slurred ? 0 : 1;
        return BowPrices.Change + (edit.Kind == BowEditKind.Slur ? BowPrices.Slur : BowPrices.Hook) + BowPrices.EarlyInBar * later;
    }

    private bool EndsBar(int last) => last + 1 == Notes.Count || !ReferenceEquals(Notes[last].Bar, Notes[last + 1].Bar);
}
