using Coppia.Core.Music;

namespace Coppia.Core.Bowing;

/// <summary>What the bow does at a place (craft 8).</summary>
public enum BowHintKind
{
    /// <summary>The notes are plucked from here.</summary>
    Pluck,

    /// <summary>They are bowed again.</summary>
    BowAgain,
    Louder,
    Softer,

    /// <summary>Several notes in one direction, stopped between.</summary>
    Hooked,
    Accent,
    Dots,

    /// <summary>Several notes in one bow.</summary>
    Slur,

    /// <summary>So much of the bow.</summary>
    Amount,
}

/// <summary>What the bow does, wherever it does so.</summary>
/// <param name="Sign">For a dynamic: the printed sign.</param>
/// <param name="Notes">For a slur: how many notes it binds.</param>
/// <param name="Amount">For an amount of bow: how much.</param>
public readonly record struct BowAction(BowHintKind Kind, string? Sign = null, int Notes = 0, BowAmount? Amount = null);

/// <summary>What the bow does from a place on.</summary>
/// <param name="NoteId">Where it starts.</param>
/// <param name="Bar">Printed bar number.</param>
public sealed record BowHint(string NoteId, int Bar, BowAction Action);

/// <summary>What the bow does, told once for all the bars in which it does so.</summary>
/// <param name="Bars">Printed bar numbers.</param>
/// <param name="NoteIds">Where it starts each time.</param>
public sealed record BowHintInBars(BowAction Action, IReadOnlyList<int> Bars, IReadOnlyList<string> NoteIds);

/// <summary>
/// Bow use where an articulation or a dynamic starts (craft 8, common practice). A dynamic holds until the next sign.
/// </summary>
public static class BowUse
{
    public static IReadOnlyList<BowHint> Of(IReadOnlyList<SoundingNote> notes, IReadOnlyList<BowTravel> travels)
    {
        var hints = new List<BowHint>();
        var loudness = Loudness.Of(notes);
        var touches = Touches(notes);
        BowAction? touch = null;
        foreach (var note in notes.Where(n => !n.IsGrace))
        {
            void Add(BowAction action) => hints.Add(new BowHint(note.Id, note.Bar.Number, action));
            var i = note.Index;
            if (Plucking.Begins(note.Event.Words) is { } pluck)
                Add(new BowAction(pluck ? BowHintKind.Pluck : BowHintKind.BowAgain));
            if (Dynamic(note, i == 0 ? null : loudness[i - 1], loudness[i]) is { } dynamic)
                Add(dynamic);
            if (touches[i] is { } now && now != touch)
                Add(now);
            touch = touches[i];
        }

        hints.AddRange(Amounts(notes, travels));
        var order = notes.ToDictionary(n => n.Id, n => n.Index);
        return [.. hints.OrderBy(h => order[h.NoteId])];
    }

    /// <summary>
    /// The same hints, each told once with its bars; a touch of the bow counts in every bar that has it.
    /// </summary>
    public static IReadOnlyList<BowHintInBars> InBars(IReadOnlyList<SoundingNote> notes, IReadOnlyList<BowHint> hints)
    {
        var touches = Touches(notes);
        var bars = notes.Where(n => !n.IsGrace).ToLookup(n => touches[n.Index], n => n.Bar.Number);
        return
        [
            .. hints
                .GroupBy(h => h.Action)
                .Select(g => new BowHintInBars(
                    g.Key,
                    [.. g.Select(h => h.Bar).Concat(bars[g.Key])],
                    [.. g.Select(h => h.NoteId).Distinct()]
                )),
        ];
    }

    /// <summary>A dynamic against what went before; the first against the middle.</summary>
    private static BowAction? Dynamic(SoundingNote note, double? before, double now)
    {
        var against = before ?? 0;
        if (note.Event.Dynamic is not { } sign || now == against)
            return null;
        return new BowAction(now > against ? BowHintKind.Louder : BowHintKind.Softer, Sign: sign);
    }

    /// <summary>What the bow does on each note, the notes of one slur together; null where it only changes.</summary>
    private static BowAction?[] Touches(IReadOnlyList<SoundingNote> notes)
    {
        var touches = new BowAction?[notes.Count];
        for (var first = 0; first < notes.Count; )
        {
            var end = first + 1;
            while (end < notes.Count && notes[end].Slurred)
                end++;
            for (var i = first; i < end; i++)
                touches[i] = Touch(notes[i].Event, end - first);
            first = end;
        }

        return touches;
    }

    private static BowAction? Touch(ScoreEvent note, int inOneBow)
    {
        if (inOneBow > 1 && note.Has(Marks.Staccato | Marks.Tenuto))
            return new BowAction(BowHintKind.Hooked);
        if (note.Has(Marks.Accent | Marks.StrongAccent))
            return new BowAction(BowHintKind.Accent);
        if (note.Has(Marks.Staccato))
            return new BowAction(BowHintKind.Dots);
        return inOneBow > 1 ? new BowAction(BowHintKind.Slur, Notes: inOneBow) : null;
    }

    /// <summary>Each amount of bow is told where it begins.</summary>
    private static IEnumerable<BowHint> Amounts(IReadOnlyList<SoundingNote> notes, IReadOnlyList<BowTravel> travels)
    {
        BowAmount? told = null;
        foreach (var travel in travels.Where(t => t.Stroke.Pass == 1))
        {
            if (travel.Amount != told && travel.Amount != BowAmount.Part)
            {
                var note = notes[travel.Stroke.First];
                yield return new BowHint(
                    note.Id,
                    note.Bar.Number,
                    new BowAction(BowHintKind.Amount, Amount: travel.Amount)
                );
            }

            told = travel.Amount;
        }
    }
}
