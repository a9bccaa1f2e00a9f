using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Bowing;

/// <summary>A change with the music that it is made in.</summary>
/// <param name="Edit">The change.</param>
/// <param name="Bar">Its bar.</param>
/// <param name="Pitch">Written pitch of its note.</param>
/// <param name="Before">That of the note before; null at the beginning or after a rest.</param>
public sealed record BowChange(BowEdit Edit, Bar Bar, Pitch Pitch, Pitch? Before)
{
    /// <summary>Changes with their music, in the order given, for the score that they are made in.</summary>
    /// <exception cref="ImpossibleBowEditException">A change's note is not in the score.</exception>
    public static IReadOnlyList<BowChange> In(Score score, IReadOnlyCollection<BowEdit> edits)
    {
        if (edits.Count == 0)
            return [];
        var wanted = edits.Select(e => e.NoteId).ToHashSet();
        var found = new Dictionary<string, (Bar Bar, Pitch Pitch, Pitch? Before)>();
        Pitch? before = null;
        foreach (var bar in score.Bars)
        {
            foreach (var e in bar.Events)
            {
                if (e.Pitch is { } pitch && wanted.Contains(e.Id))
                    found[e.Id] = (bar, pitch, before);
                before = e.Pitch;
            }
        }

        return
        [
            .. edits.Select(e =>
                found.TryGetValue(e.NoteId, out var at)
                    ? new BowChange(e, at.Bar, at.Pitch, at.Before)
                    : throw new ImpossibleBowEditException(e.NoteId, BowEditFault.NoNote)
            ),
        ];
    }
}

/// <summary>A bowing that differs from the present one by a few changes.</summary>
/// <param name="Aim">What it achieves.</param>
/// <param name="Edits">Its changes, in the order of the notes; none where the present bowing is as good.</param>
/// <param name="Left">How many places still miss the aim with all changes taken.</param>
/// <param name="Now">How many miss it now.</param>
public sealed record BowProposal(BowAim Aim, IReadOnlyList<BowEdit> Edits, int Left, int Now)
{
    /// <param name="refused">Changes that the teacher does not want.</param>
    /// <param name="stop">Nobody waits for it any more.</param>
    public static BowProposal Of(
        Score score,
        BowAim aim,
        HouseStyle style,
        IEnumerable<BowEdit>? refused = null,
        CancellationToken stop = default
    )
    {
        var edits = BowSearch.Find(score, aim, style, refused, stop);
        var now = BowSearch.Price(score, [], aim, style);
        var then = BowSearch.Price(score, edits, aim, style);
        // The search works in steps of half a hundredth of a bow; what it finds is taken only where it is really
        // better.
        if (then >= now)
            (edits, then) = ([], now);
        return new BowProposal(aim, edits, (int)(then / BowPrices.Missed), (int)(now / BowPrices.Missed));
    }
}
