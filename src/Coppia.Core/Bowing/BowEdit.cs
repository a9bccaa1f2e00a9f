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

/// <summary>A change that cannot be made on its note: which one, and why.</summary>
public sealed class ImpossibleBowEditException(string message) : Exception(message);

/// <summary>Writes bowing changes into a score, so that fingers, bows, print and export all follow.</summary>
public static class BowEdits
{
    /// <exception cref="ImpossibleBowEditException">The note is not there, is the first, is a rest, or is bound to the one before it already.</exception>
    public static Score Apply(Score score, IReadOnlyCollection<BowEdit> edits)
    {
        if (edits.Count == 0)
            return score;
        var events = score.Events.ToArray();
        var places = events.Index().ToDictionary(e => e.Item.Id, e => e.Index);
        foreach (var edit in edits.OrderBy(e => places.GetValueOrDefault(e.NoteId, -1)).ThenBy(e => e.Kind))
        {
            if (!places.TryGetValue(edit.NoteId, out var at) || events[at].IsRest)
                throw new ImpossibleBowEditException(
                    $"There is no note {edit.NoteId} in this tune to change the bow of; expected the id of a printed note."
                );
            if (edit.Kind == BowEditKind.Lift)
                events[at] = events[at] with { Marks = events[at].Marks | Marks.LiftAfter };
            else
                Join(events, at, edit.Kind == BowEditKind.Hook);
        }

        var next = 0;
        return score with { Bars = [.. score.Bars.Select(b => b with { Events = [.. b.Events.Select(_ => events[next++])] })] };
    }

    /// <summary>True when a note can be bound to the one before it: both sound, and no slur holds them together yet.</summary>
    private static bool CanJoin(IReadOnlyList<ScoreEvent> events, int at) =>
        at > 0 && !events[at].IsRest && !events[at - 1].IsRest && !events[at - 1].TiedOn && !InOneSlur(events, at);

    private static bool InOneSlur(IReadOnlyList<ScoreEvent> events, int at)
    {
        var open = 0;
        for (var i = 0; i < at; i++)
            open = Math.Max(0, open + events[i].SlurStarts - events[i].SlurStops);
        return open > 0;
    }

    private static void Join(ScoreEvent[] events, int at, bool hook)
    {
        if (!CanJoin(events, at))
            throw new ImpossibleBowEditException(
                $"Note {events[at].Id} cannot join the note before it; expected two neighbouring notes that no slur or tie binds yet."
            );
        var before = events[at - 1];
        var note = events[at];
        // Where a slur ends on the note before, or begins on this one, it grows; else a new one is drawn.
        var grows = before.SlurStops > 0;
        var reaches = note.SlurStarts > 0;
        before = grows ? before with { SlurStops = before.SlurStops - 1 } : before with { SlurStarts = before.SlurStarts + 1 };
        note = reaches ? note with { SlurStarts = note.SlurStarts - 1 } : note with { SlurStops = note.SlurStops + 1 };
        if (hook)
        {
            before = before with { Marks = before.Marks | Marks.Staccato };
            note = note with { Marks = note.Marks | Marks.Staccato };
        }

        events[at - 1] = before;
        events[at] = note;
    }
}
