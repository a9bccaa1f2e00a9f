using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording;

namespace Coppia.Core.Bowing;

/// <summary>One change that a proposal makes, in words.</summary>
/// <param name="Edit">The change.</param>
/// <param name="Bar">Printed bar number.</param>
/// <param name="Text">What it is: "Bar 3: slur G to A".</param>
public sealed record BowChange(BowEdit Edit, int Bar, string Text);

/// <summary>A bowing that differs from the present one by a few changes.</summary>
/// <param name="Aim">What it achieves.</param>
/// <param name="Changes">Its changes, in the order of the notes; none where the present bowing is as good.</param>
/// <param name="Left">How many places still miss the aim with all changes taken.</param>
/// <param name="Now">How many miss it now.</param>
public sealed record BowProposal(BowAim Aim, IReadOnlyList<BowChange> Changes, int Left, int Now)
{
    /// <param name="refused">Changes that the teacher does not want.</param>
    public static BowProposal Of(Score score, BowAim aim, HouseStyle style, IEnumerable<BowEdit>? refused = null)
    {
        var edits = BowSearch.Find(score, aim, style, refused);
        var now = BowSearch.Price(score, [], aim, style);
        var then = BowSearch.Price(score, edits, aim, style);
        // The search works in steps of half a hundredth of a bow; what it finds is taken only where it is really better.
        if (then >= now)
            (edits, then) = ([], now);
        return new BowProposal(aim, Describe(score, edits, style), (int)(then / BowPrices.Missed), (int)(now / BowPrices.Missed));
    }

    /// <summary>Changes in words and in the order given, for the score that they are made in.</summary>
    /// <exception cref="ImpossibleBowEditException">A change's note is not in the score.</exception>
    public static IReadOnlyList<BowChange> Describe(Score score, IReadOnlyCollection<BowEdit> edits, HouseStyle style)
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
                    ? new BowChange(
                        e,
                        at.Bar.Number,
                        $"{at.Bar.Spoken}: {Words(e.Kind, Labels.Note(at.Pitch, style), at.Before is { } p ? Labels.Note(p, style) : "the note before")}"
                    )
                    : throw new ImpossibleBowEditException($"There is no note {e.NoteId} in this tune; expected the id of a printed note.")
            ),
        ];
    }

    private static string Words(BowEditKind kind, string note, string before) =>
        kind switch
        {
            BowEditKind.Slur => $"slur {before} to {note}",
            BowEditKind.Hook => $"hook {before} and {note}, same direction, stopped between",
            _ => $"lift after {note}, next stroke down",
        };
}
