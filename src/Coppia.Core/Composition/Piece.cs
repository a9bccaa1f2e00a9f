using Coppia.Core.Music;

namespace Coppia.Core.Composition;

/// <summary>A stem as it was drawn.</summary>
/// <param name="IsUp">It points up from the head.</param>
/// <param name="OnRight">It stands on the right of the head.</param>
public readonly record struct Stem(bool IsUp, bool OnRight)
{
    /// <summary>
    /// As the rule has it: up on the right below the middle line; on it and above it down on the left (craft 12).
    /// </summary>
    public static Stem ByRule(StaffPlace place) => new(place.StemUp, place.StemUp);
}

/// <summary>An accidental as it was written before a head.</summary>
/// <param name="Alter">−1 flat, 0 natural, 1 sharp.</param>
/// <param name="Height">Half-spaces of its middle above the bottom line.</param>
public readonly record struct HandSign(int Alter, double Height);

/// <summary>A head as a hand put it, which is not quite on its line or in its space.</summary>
/// <param name="Height">Half-spaces of its middle above the bottom line, −8 to 16; whole numbers lie on lines and in
/// spaces.</param>
/// <param name="Sign">The accidental before it, or null.</param>
public readonly record struct HandHead(double Height, HandSign? Sign = null)
{
    /// <summary>
    /// A head further off than so many half-spaces may be read as its neighbour (from memory: a quarter of a space).
    /// </summary>
    public const double ClearWithin = 0.25;

    /// <summary>The line or space that lies nearest.</summary>
    public int Nearest => (int)Math.Round(Height, MidpointRounding.AwayFromZero);

    /// <summary>Nobody doubts which line or space is meant.</summary>
    public bool IsClear => Math.Abs(Height - Nearest) <= ClearWithin;

    /// <summary>The accidental stands before the head, at its height.</summary>
    public bool SignIsBefore => Sign is not { } sign || Math.Abs(sign.Height - Nearest) <= 2 * ClearWithin;

    /// <summary>What it is read as: an accidental that stands elsewhere does not count.</summary>
    public Pitch Read(Clef clef, KeySignature key)
    {
        var natural = clef.PitchAt(Nearest);
        return Sign is { } sign && SignIsBefore
            ? new Pitch(natural.Letter, sign.Alter, natural.Octave)
            : key.Apply(natural);
    }
}

/// <summary>A note or a rest of a composition.</summary>
public sealed record PieceNote
{
    /// <summary>The written pitch; null for a rest.</summary>
    public Pitch? Pitch { get; init; }

    public NoteValue Value { get; init; } = NoteValue.Quarter;

    /// <summary>The head as a hand put it; null where the note was not written by hand.</summary>
    public HandHead? Hand { get; init; }

    /// <summary>The stem, where one was drawn.</summary>
    public Stem? Stem { get; init; }

    /// <summary>The pitch is the one that the signature alone gives to its line or space.</summary>
    public bool BySignature { get; init; }

    public bool IsRest => Pitch is null;
}

/// <summary>What makes a score none that the writing desk can hold.</summary>
public enum NoPiece
{
    Empty,
    Chord,
    GraceNotes,
    TooLong,
}

/// <summary>A composition: bars of single notes and rests, whatever their length.</summary>
/// <param name="Bars">Up to <see cref="MostBars"/>.</param>
public sealed record Piece(IReadOnlyList<IReadOnlyList<PieceNote>> Bars)
{
    public const int MostBars = 64;

    /// <summary>Most notes and rests in a bar.</summary>
    public const int MostInBar = 64;

    /// <summary>The notes in order, each with its bar from 1 and its place in the bar from 0.</summary>
    public IEnumerable<(int Bar, int At, PieceNote Note)> Notes =>
        Bars.SelectMany((bar, b) => bar.Select((n, at) => (b + 1, at, n))).Where(n => !n.n.IsRest);

    public static Fraction LengthOf(IEnumerable<PieceNote> bar) =>
        bar.Aggregate(Fraction.Zero, (sum, n) => sum + n.Value.Length);

    /// <summary>The music of a score; slurs, signs and words are left behind.</summary>
    /// <returns>Null with what is in the way, and the bar from 1 where it stands.</returns>
    public static (Piece? Piece, NoPiece Fault, int Bar) Of(Score score)
    {
        if (!score.Events.Any())
            return (null, NoPiece.Empty, 1);
        if (score.Bars.Count > MostBars || score.Bars.Any(b => b.Events.Count > MostInBar))
            return (
                null,
                NoPiece.TooLong,
                1 + score.Bars.Index().FirstOrDefault(b => b.Item.Events.Count > MostInBar).Index
            );
        foreach (var (i, bar) in score.Bars.Index())
        {
            if (bar.Events.Any(e => e.Chord.Count > 0))
                return (null, NoPiece.Chord, i + 1);
            if (bar.Events.Any(e => e.Graces.Count > 0))
                return (null, NoPiece.GraceNotes, i + 1);
        }

        return (new Piece([.. score.Bars.Select(NotesOf)]), NoPiece.Empty, 0);
    }

    private static IReadOnlyList<PieceNote> NotesOf(Bar bar)
    {
        // In a beam the stems go by the head that lies farthest out, so that one alone does not tell.
        var beams = Beams.Of(bar);
        return
        [
            .. bar.Events.Select(
                (e, i) =>
                    new PieceNote
                    {
                        Pitch = e.Pitch,
                        Value = e.IsBarRest ? NoteValue.Exactly(e.Length) ?? e.Value : e.Value,
                        Stem = e.StemUp is { } up && beams[i].Count == 0 ? new Stem(up, up) : null,
                        BySignature = e.Pitch is { } p && p == bar.Key.Apply(p),
                    }
            ),
        ];
    }
}
