using Coppia.Core.Instruments;
using Coppia.Core.Music;

namespace Coppia.Core.Composition;

/// <summary>Why nobody could meet a task.</summary>
public enum TaskFaultKind
{
    /// <summary>There are no bars, or more than a task may have.</summary>
    Bars,

    /// <summary>The palette is empty.</summary>
    NoNotes,

    /// <summary>A note of the palette lies where no finger reaches.</summary>
    OutOfReach,

    /// <summary>No note values are given.</summary>
    NoValues,

    /// <summary>No row of the values fills a bar.</summary>
    BarNotFilled,

    /// <summary>A fixed note is not in the palette.</summary>
    FixedOutsidePalette,

    /// <summary>A fixed note stands in a bar that the task does not have.</summary>
    FixedOutsideBars,

    /// <summary>Two fixed notes want the same place.</summary>
    FixedTwice,

    /// <summary>The value of a fixed note is not among the values.</summary>
    FixedValue,

    /// <summary>Rests may fill the whole piece.</summary>
    OnlyRests,

    /// <summary>Fewer than no rests.</summary>
    RestsBelowZero,
}

/// <summary>What is wrong with a task.</summary>
/// <param name="Fixed">The fixed note that is meant, or null.</param>
/// <param name="Note">The note of the palette that is meant, or null.</param>
/// <param name="Bar">The bar that is meant, or 0.</param>
public sealed record TaskFault(TaskFaultKind Kind, FixedNote? Fixed = null, Pitch? Note = null, int Bar = 0)
{
    /// <summary>All that is wrong with a task, in the order in which a teacher would mend it.</summary>
    public static IReadOnlyList<TaskFault> In(WritingTask task)
    {
        if (task.Bars is < 1 or > WritingTask.MostBars)
            return [new TaskFault(TaskFaultKind.Bars)];
        if (task.Allowed.Count == 0)
            return [new TaskFault(TaskFaultKind.NoNotes)];
        if (task.Values.Count == 0)
            return [new TaskFault(TaskFaultKind.NoValues)];
        List<TaskFault> faults =
        [
            .. task
                .Allowed.Where(p => !Placements.Of(task.Instrument, p, task.Instrument.FirstFrame).Any())
                .Select(p => new TaskFault(TaskFaultKind.OutOfReach, Note: p)),
            .. task
                .Fixed.Where(f => !task.Allowed.Contains(f.Pitch))
                .Select(f => new TaskFault(TaskFaultKind.FixedOutsidePalette, f, f.Pitch, f.Bar)),
            .. task
                .Fixed.Where(f => f.Bar < 1 || f.Bar > task.Bars)
                .Select(f => new TaskFault(TaskFaultKind.FixedOutsideBars, f, f.Pitch, f.Bar)),
            .. task
                .Fixed.Where(f => f.Value is { } v && !task.Values.Contains(v))
                .Select(f => new TaskFault(TaskFaultKind.FixedValue, f, f.Pitch, f.Bar)),
            .. task
                .Fixed.GroupBy(f => (f.Bar, f.At))
                .Where(g => g.Count() > 1)
                .Select(g => new TaskFault(TaskFaultKind.FixedTwice, g.First(), g.First().Pitch, g.Key.Bar)),
        ];
        if (faults.Count > 0)
            return faults;
        // A first and a last note may be one and the same only where they are the same note and fill the bar.
        foreach (var bar in Enumerable.Range(1, task.Bars))
        {
            if (!Fills(task, task.Meter.BarLength - Piece.LengthOf(Printed(task, bar))))
                return [new TaskFault(TaskFaultKind.BarNotFilled, Bar: bar)];
        }

        if (task.MostRests < 0)
            return [new TaskFault(TaskFaultKind.RestsBelowZero)];
        return task.MostRests is { } most && RestsFill(task, most) ? [new TaskFault(TaskFaultKind.OnlyRests)] : [];
    }

    private static IEnumerable<PieceNote> Printed(WritingTask task, int bar) =>
        task.Fixed.Where(f => f.Bar == bar).Select(f => new PieceNote { Pitch = f.Pitch, Value = task.ValueOf(f) });

    /// <summary>Some row of the values has this length.</summary>
    private static bool Fills(WritingTask task, Fraction room)
    {
        if (room < Fraction.Zero)
            return false;
        var reached = new HashSet<Fraction> { Fraction.Zero };
        var next = new Stack<Fraction>([Fraction.Zero]);
        while (next.TryPop(out var at))
        {
            foreach (var value in task.Values)
            {
                if (at + value.Length is var longer && longer <= room && reached.Add(longer))
                    next.Push(longer);
            }
        }

        return reached.Contains(room);
    }

    /// <summary>
    /// The rests that are allowed leave no place for a note, even in the shortest value; a fixed note is one.
    /// </summary>
    private static bool RestsFill(WritingTask task, int most) =>
        task.Fixed.Count == 0
        && task.Values.Min(v => v.Length) * new Fraction(most, 1) >= task.Meter.BarLength * new Fraction(task.Bars, 1);
}
