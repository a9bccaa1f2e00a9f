using Coppia.Core.Music;

namespace Coppia.Core.Composition;

/// <summary>Looks a composition over: each rule of its task by itself, bar by bar (craft 13).</summary>
public static class PieceRules
{
    private static readonly Func<Piece, WritingTask, IEnumerable<Breach>>[] Rules =
    [
        Beats,
        Notes,
        Values,
        Rests,
        FixedNotes,
        Stems,
        Heads,
        SignHeights,
        OnlyRests,
        Length,
    ];

    /// <summary>Every rule that is broken, in the order of the bars.</summary>
    public static IReadOnlyList<Breach> Broken(Piece piece, WritingTask task) =>
        [
            .. Rules
                .SelectMany(rule => rule(piece, task))
                .OrderBy(b => b.Bar)
                .ThenBy(b => b.At ?? -1)
                .ThenBy(b => b.Rule),
        ];

    private static IEnumerable<(int Bar, int At, PieceNote Note)> All(Piece piece) =>
        piece.Bars.SelectMany((bar, b) => bar.Select((n, at) => (b + 1, at, n)));

    private static IEnumerable<Breach> Beats(Piece piece, WritingTask task) =>
        piece
            .Bars.Select((bar, b) => (Bar: b + 1, Has: Piece.LengthOf(bar)))
            .Where(b => b.Has != task.Meter.BarLength)
            .Select(b => new BeatsBreach(b.Bar, b.Has, task.Meter));

    /// <summary>Notes outside the palette; where only its accidental is missing, that is what is wrong.</summary>
    private static IEnumerable<Breach> Notes(Piece piece, WritingTask task) =>
        piece
            .Notes.Where(n => !task.Allowed.Contains(n.Note.Pitch!.Value))
            .Select<(int Bar, int At, PieceNote Note), Breach>(n =>
                Meant(n.Note, task) is { } meant
                    ? new AccidentalBreach(n.Bar, n.At, n.Note.Pitch!.Value, meant)
                    : new NoteBreach(n.Bar, n.At, n.Note.Pitch!.Value)
            );

    /// <summary>The note of the palette on the same line or space that this one would be with its accidental.</summary>
    private static Pitch? Meant(PieceNote note, WritingTask task)
    {
        var written = note.Pitch!.Value;
        foreach (var p in task.Allowed)
        {
            if (p.Step == written.Step && (note.BySignature || Math.Abs(written.Alter) < Math.Abs(p.Alter)))
                return p;
        }

        return null;
    }

    private static IEnumerable<Breach> Values(Piece piece, WritingTask task) =>
        All(piece)
            .Where(n => !task.Values.Contains(n.Note.Value))
            .Select(n => new ValueBreach(n.Bar, n.At, n.Note.Value, n.Note.IsRest));

    private static IEnumerable<Breach> Rests(Piece piece, WritingTask task)
    {
        if (task.MostRests is not { } most)
            return [];
        var rests = All(piece).Where(n => n.Note.IsRest).ToArray();
        return rests.Skip(most).Take(1).Select(r => new RestsBreach(r.Bar, r.At, rests.Length, most));
    }

    private static IEnumerable<Breach> FixedNotes(Piece piece, WritingTask task) =>
        task
            .Fixed.Where(f => f.Bar <= piece.Bars.Count)
            .Select(f => (Fixed: f, Bar: piece.Bars[f.Bar - 1], Value: task.ValueOf(f)))
            .Where(f => !Stands(f.Fixed, f.Bar))
            .Select(f => new FixedBreach(f.Fixed, f.Value, BarIsEmpty: f.Bar.Count == 0));

    private static bool Stands(FixedNote wanted, IReadOnlyList<PieceNote> bar)
    {
        var notes = bar.Where(n => !n.IsRest);
        var there = wanted.At == FixedAt.First ? notes.FirstOrDefault() : notes.LastOrDefault();
        return there?.Pitch == wanted.Pitch && (wanted.Value is null || there.Value == wanted.Value);
    }

    private static IEnumerable<Breach> Stems(Piece piece, WritingTask task)
    {
        foreach (var (bar, at, note) in piece.Notes)
        {
            // One that was not drawn is the engraver's, unless the task asks for it.
            if (note.Stem is null && (!task.ByHand || note.Hand is null))
                continue;
            var head = StaffPlace.Of(note.Pitch!.Value, task.Clef);
            var rule = Stem.ByRule(head);
            StemFault? fault = (note.Stem, HasStem: note.Value.Log > 0) switch
            {
                (null, true) => StemFault.Missing,
                ({ }, false) => StemFault.NotNeeded,
                ({ } s, _) when s.IsUp != rule.IsUp => StemFault.WrongWay,
                ({ } s, _) when s.OnRight != rule.OnRight => StemFault.WrongSide,
                _ => null,
            };
            if (fault is { } f)
                yield return new StemBreach(bar, at, f, head);
        }
    }

    private static IEnumerable<Breach> Heads(Piece piece, WritingTask task) =>
        piece.Notes.Where(n => n.Note.Hand is { IsClear: false }).Select(n => new HeadBreach(n.Bar, n.At));

    private static IEnumerable<Breach> SignHeights(Piece piece, WritingTask task) =>
        piece
            .Notes.Where(n => n.Note.Hand is { SignIsBefore: false })
            .Select(n => new AccidentalBreach(n.Bar, n.At, n.Note.Pitch!.Value, null));

    private static IEnumerable<Breach> OnlyRests(Piece piece, WritingTask task) =>
        piece.Notes.Any() || piece.Bars.All(b => b.Count == 0) ? [] : [new OnlyRestsBreach()];

    private static IEnumerable<Breach> Length(Piece piece, WritingTask task) =>
        piece.Bars.Count == task.Bars
            ? []
            : [new LengthBreach(Math.Min(piece.Bars.Count, task.Bars) + 1, piece.Bars.Count, task.Bars)];
}
