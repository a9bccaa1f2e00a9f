using Coppia.Core.Music;

namespace Coppia.Core.Exercises;

/// <summary>Signs to trace and then to write, in the order in which a class meets them (craft 12).</summary>
internal static class PenQuestions
{
    /// <summary>Letters that a first class never meets with the sign.</summary>
    private static readonly Letter[] NeverSharp = [Letter.E, Letter.B];
    private static readonly Letter[] NeverFlat = [Letter.C, Letter.F];

    /// <exception cref="SheetImpossibleException">The request leaves fewer than two notes.</exception>
    public static IReadOnlyList<Candidate> Pool(SheetRequest request, Seeded seeded)
    {
        var ground = NoteStock.Of(request with { Key = new Shapes.ScaleKey(0, Shapes.ScaleForm.Major), From = [] });
        if (OnStaff(ground).Count() < 2)
            throw request.Impossible(SheetFault.TooFewNotes);
        Candidate[] signs =
        [
            Sign(0, PenSign.Clef, null),
            Sign(0, PenSign.TimeSignature, null),
            Sign(1, PenSign.QuarterNote, Note(p => p.StemUp)),
            Sign(1, PenSign.QuarterNote, Note(p => !p.StemUp)),
            Sign(1, PenSign.HalfNote, Note(p => p.StemUp)),
            Sign(1, PenSign.HalfNote, Note(p => !p.StemUp)),
            Sign(2, PenSign.QuarterRest, null),
            Sign(3, PenSign.Sharp, Note(p => p.OnLine, NeverSharp)),
            Sign(3, PenSign.Sharp, Note(p => !p.OnLine, NeverSharp)),
            Sign(3, PenSign.Flat, Note(p => p.OnLine, NeverFlat)),
            Sign(3, PenSign.Flat, Note(p => !p.OnLine, NeverFlat)),
        ];
        // Few notes may leave only one to write with its stem up or down.
        return [.. signs.DistinctBy(s => s.ForEach[0])];

        Candidate Sign(int difficulty, PenSign sign, int? note) =>
            new(
                [
                    .. Enumerable
                        .Range(0, request.Players.Count)
                        .Select(p => new PenQuestion(
                            sign,
                            note is { } n ? WithSign(ground.Notes[n][p].Pitch, sign) : null,
                            request.MusicMeter
                        )),
                ],
                difficulty,
                sign
            );

        int Note(Func<StaffPlace, bool> fits, Letter[]? without = null) =>
            seeded.Of(NotesFor(ground, request.First.Instrument.FirstClef, fits, without ?? []));
    }

    /// <summary>Notes on the staff of the class's own that fit, or any of them.</summary>
    private static int[] NotesFor(NoteStock ground, Clef clef, Func<StaffPlace, bool> fits, Letter[] without)
    {
        int[] onStaff = [.. OnStaff(ground)];
        int[] usual = [.. onStaff.Where(n => !without.Contains(ground.First(n).Pitch.Letter))];
        int[] fitting = [.. usual.Where(n => fits(StaffPlace.Of(ground.First(n).Pitch, clef)))];
        return fitting.Length > 0 ? fitting
            : usual.Length > 0 ? usual
            : onStaff;
    }

    private static IEnumerable<int> OnStaff(NoteStock ground) =>
        Enumerable.Range(0, ground.Count).Where(n => ground.LedgerLines(n) == 0);

    private static Pitch WithSign(Pitch pitch, PenSign sign) =>
        sign switch
        {
            PenSign.Sharp => new Pitch(pitch.Letter, 1, pitch.Octave),
            PenSign.Flat => new Pitch(pitch.Letter, -1, pitch.Octave),
            _ => pitch,
        };
}
