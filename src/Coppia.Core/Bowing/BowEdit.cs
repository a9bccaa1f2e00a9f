using Coppia.Core.Music;

namespace Coppia.Core.Bowing;

/// <summary>What a teacher may add to a printed bowing.</summary>
public enum BowEditKind
{
    /// <summary>The note joins the one before it under a slur.</summary>
    Slur,

    /// <summary>The note takes the direction of the one before it, stopped between: dots under a slur.</summary>
    Hook,

    /// <summary>A lift after the note: what comes next starts down.</summary>
    Lift,
}

/// <summary>One change of the print, on the printed note it concerns.</summary>
public sealed record BowEdit(string NoteId, BowEditKind Kind);

/// <summary>Why a change of the bowing cannot be made.</summary>
public enum BowEditFault
{
    /// <summary>No printed note has this id; it may be a rest.</summary>
    NoNote,

    /// <summary>It is the first note, a rest comes before it, or a slur or tie binds the two already.</summary>
    CannotJoin,
}

/// <summary>A change that cannot be made on its note.</summary>
public sealed class ImpossibleBowEditException(string noteId, BowEditFault fault) : Exception($"{noteId}: {fault}")
{
    public string NoteId { get; } = noteId;

    public BowEditFault Fault { get; } = fault;
}

/// <summary>
/// Writes bowing changes into a score, so that fingers, bows, print and export all follow. One pass over the notes,
/// however many changes.
/// </summary>
public static class BowEdits
{
    /// <exception cref="ImpossibleBowEditException">The note is not there, is the first, is a rest, or is bound to the
    /// one before it already.</exception>
    public static Score Apply(Score score, IReadOnlyCollection<BowEdit> edits) =>
        Write(score, edits, (edit, fault) => throw new ImpossibleBowEditException(edit.NoteId, fault));

    /// <summary>Those of the changes that can be made together; one that cannot leaves the others.</summary>
    public static IReadOnlyList<BowEdit> Fitting(Score score, IReadOnlyCollection<BowEdit> edits)
    {
        var left = new HashSet<BowEdit>();
        Write(score, edits, (edit, _) => left.Add(edit));
        return [.. edits.Where(e => !left.Contains(e))];
    }

    /// <summary>Ids of the notes that can join the one before them.</summary>
    public static HashSet<string> Joinable(Score score)
    {
        ScoreEvent[] events = [.. score.Events];
        var joinable = new HashSet<string>();
        var open = 0;
        for (var at = 0; at < events.Length; at++)
        {
            if (!events[at].IsRest && CanJoin(events, at, open))
                joinable.Add(events[at].Id);
            open = events[at].OpenSlurs(open);
        }

        return joinable;
    }

    /// <param name="open">Slurs that are open before the note.</param>
    private static bool CanJoin(ScoreEvent[] events, int at, int open) =>
        at > 0 && !events[at - 1].IsRest && !events[at - 1].TiedOn && open == 0;

    /// <param name="refuse">Told of each change that cannot be made.</param>
    private static Score Write(Score score, IReadOnlyCollection<BowEdit> edits, Action<BowEdit, BowEditFault> refuse)
    {
        if (edits.Count == 0)
            return score;
        ScoreEvent[] events = [.. score.Events];
        var asked = edits.ToLookup(e => e.NoteId);
        var printed = events.Where(e => !e.IsRest).Select(e => e.Id).ToHashSet();
        foreach (var stray in edits.Where(e => !printed.Contains(e.NoteId)))
            refuse(stray, BowEditFault.NoNote);

        // Slurs that are open before each note, and before the note before it.
        var (open, openBefore) = (0, 0);
        for (var at = 0; at < events.Length; at++)
        {
            foreach (var edit in asked[events[at].Id].Where(_ => !events[at].IsRest).OrderBy(e => e.Kind))
            {
                if (edit.Kind == BowEditKind.Lift)
                    events[at] = events[at] with { Marks = events[at].Marks | Marks.LiftAfter };
                else if (!CanJoin(events, at, open))
                    refuse(edit, BowEditFault.CannotJoin);
                else
                {
                    Join(events, at, edit.Kind == BowEditKind.Hook);
                    open = events[at - 1].OpenSlurs(openBefore);
                }
            }

            (openBefore, open) = (open, events[at].OpenSlurs(open));
        }

        var next = 0;
        return score with
        {
            Bars = [.. score.Bars.Select(b => b with { Events = [.. b.Events.Select(_ => events[next++])] })],
        };
    }

    /// <summary>
    /// Where a slur ends on the note before, or begins on this one, it grows; else a new one is drawn.
    /// </summary>
    private static void Join(ScoreEvent[] events, int at, bool hook)
    {
        var (before, note) = (events[at - 1], events[at]);
        var dots = hook ? Marks.Staccato : Marks.None;
        before =
            before.SlurStops > 0
                ? before with
                {
                    SlurStops = before.SlurStops - 1,
                }
                : before with
                {
                    SlurStarts = before.SlurStarts + 1,
                };
        note =
            note.SlurStarts > 0
                ? note with
                {
                    SlurStarts = note.SlurStarts - 1,
                }
                : note with
                {
                    SlurStops = note.SlurStops + 1,
                };
        events[at - 1] = before with { Marks = before.Marks | dots };
        events[at] = note with { Marks = note.Marks | dots };
    }
}
