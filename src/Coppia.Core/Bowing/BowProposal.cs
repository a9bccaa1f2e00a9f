namespace Coppia.Core;

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
        if (then >= now) (edits, then) = ([], now);
        return new BowProposal(aim, [.. edits.Select(e => Describe(score, e, style))], (int)(then / BowPrices.Missed), (int)(now / BowPrices.Missed));
    }

    /// <summary>A change in words, for the score that it is made in.</summary>
    /// <exception cref="ImpossibleBowEditException">Its note is not in the score.</exception>
    public static BowChange Describe(Score score, BowEdit edit, HouseStyle style)
    {
        ScoreEvent? before = null;
        foreach (var bar in score.Bars)
        {
            foreach (var e in bar.Events)
            {
                if (e.Id == edit.NoteId && e.Pitch is { } pitch)
                {
                    var name = Labels.Note(pitch, style);
                    var from = before?.Pitch is { } p ? Labels.Note(p, style) : "the note before";
                    var where = bar.Number == 0 ? "Pick-up" : $"Bar {bar.Number}";
                    return new BowChange(edit, bar.Number, edit.Kind switch
                    {
                        BowEditKind.Slur => $"{where}: slur {from} to {name}",
                        BowEditKind.Hook => $"{where}: hook {from} and {name}, same direction, stopped between",
                        _ => $"{where}: lift after {name}, next stroke down",
                    });
                }

                before = e;
            }
        }

        throw new ImpossibleBowEditException($"There is no note {edit.NoteId} in this tune; expected the id of a printed note.");
    }
}
