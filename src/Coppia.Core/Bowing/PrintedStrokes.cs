using Coppia.Core.Form;
using Coppia.Core.Music;

namespace Coppia.Core.Bowing;

/// <summary>
/// The strokes of a tune as they are bowed now, which of them can be changed, and what a change costs.
/// </summary>
internal sealed class PrintedStrokes
{
    private readonly IReadOnlyList<ScoreEvent> _events;
    private readonly Dictionary<string, int> _eventPlaces;
    private readonly Dictionary<string, int> _noteOf;

    /// <summary>For each note from which playing goes back: to which note, and after how much rest.</summary>
    private readonly Dictionary<int, (int Target, Fraction Silence)> _returnTo = [];

    /// <summary>
    /// For each note the one played before it, and the rest between them, the first time it is played.
    /// </summary>
    private readonly (int Before, Fraction Silence)[] _cameFrom;

    private readonly HashSet<int> _beforeEnding;

    /// <summary>
    /// How many notes before each one a repeat sign goes back to: with thousands of repeats they are not looked
    /// through.
    /// </summary>
    private readonly int[] _returnsBefore;

    public PrintedStrokes(Score score)
    {
        Notes = SoundingNote.Of(score);
        Plucked = Plucking.Of(Notes);
        Starts = [.. Notes.Where(n => n.Index == 0 || !n.Slurred).Select(n => n.Index)];
        _events = [.. score.Events];
        _eventPlaces = _events.Index().ToDictionary(e => e.Item.Id, e => e.Index);
        _noteOf = Notes.Where(n => !n.IsGrace).ToDictionary(n => n.Event.Id, n => n.Index);
        _cameFrom = new (int, Fraction)[Notes.Count];
        Array.Fill(_cameFrom, (Unplayed, Fraction.Zero));
        var before = -1;
        foreach (var (note, _, silence, _) in PlayedNote.In(Notes, score.Bars, PlayOrder.Of(score)))
        {
            if (before >= note)
                _returnTo[before] = (note, silence);
            if (_cameFrom[note].Before == Unplayed)
                _cameFrom[note] = (before, silence);
            before = note;
        }

        _beforeEnding = [.. Notes.Where(n => GoesOnFromElsewhere(n.Index)).Select(n => _cameFrom[n.Index].Before)];
        var returns = _returnTo.Values.Select(r => r.Target).ToHashSet();
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

    private const int Unplayed = -2;

    /// <summary>
    /// The note is reached over an earlier ending, and never straight after the note printed before it.
    /// </summary>
    public bool GoesOnFromElsewhere(int i) => i > 0 && _cameFrom[i].Before >= 0 && _cameFrom[i].Before < i - 1;

    /// <summary>From this note playing goes on, the last time, over the endings that were played.</summary>
    public bool GoesOverEndings(int last) => _beforeEnding.Contains(last);

    /// <summary>Rest before a note the first time it is played, in whole notes.</summary>
    public Fraction SilenceBefore(int i) => _cameFrom[i].Silence;

    /// <summary>A repeat sign goes back to one of these notes.</summary>
    public bool HoldsReturn(int first, int last) => _returnsBefore[last + 1] > _returnsBefore[first];

    /// <summary>After the note playing goes back.</summary>
    /// <param name="silence">Rest in between, in whole notes.</param>
    public bool LeavesFor(int last, out int target, out Fraction silence)
    {
        var leaves = _returnTo.TryGetValue(last, out var back);
        (target, silence) = back;
        return leaves;
    }

    /// <summary>
    /// A stroke may join the one before within its bar, over no rest, against no printed sign; one pitch twice is
    /// hooked, for a slur would read as a tie.
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
            return BowPrices.Change
                + BowPrices.Lift
                + (next < _events.Count && _events[next].IsRest ? 0 : BowPrices.LiftInHaste);
        }

        var later = 0;
        var joined = _noteOf[edit.NoteId];
        for (var i = joined + 1; i < Notes.Count && later < 10 && ReferenceEquals(Notes[i].Bar, Notes[joined].Bar); i++)
            later += Notes[i].Slurred ? 0 : 1;
        return BowPrices.Change
            + (edit.Kind == BowEditKind.Slur ? BowPrices.Slur : BowPrices.Hook)
            + BowPrices.EarlyInBar * later;
    }
}
