using Coppia.Core.Bowing;
using Coppia.Core.Counting;
using Coppia.Core.Form;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Reading;

/// <summary>
/// What all players of a tune share, whatever they play it on: sounding notes, play order, form, counting, and the bow.
/// Worked out once a tune.
/// </summary>
/// <param name="Score">The tune as printed, with the changes of its bowing written in.</param>
/// <param name="Style">The house style it is counted and bowed in.</param>
/// <param name="Notes">Sounding notes in written order.</param>
/// <param name="Order">Bars in the order of playing.</param>
/// <param name="Form">How the tune is built.</param>
/// <param name="Counts">What is counted, rests and held beats included.</param>
/// <param name="Bowing">Every stroke in the order of playing.</param>
/// <param name="Travels">Where each stroke goes along the bow.</param>
public sealed record TuneMusic(
    Score Score,
    HouseStyle Style,
    IReadOnlyList<SoundingNote> Notes,
    IReadOnlyList<PlayedBar> Order,
    TuneForm Form,
    IReadOnlyList<CountMark> Counts,
    Bows Bowing,
    IReadOnlyList<BowTravel> Travels
)
{
    /// <param name="printed">The tune as printed.</param>
    /// <param name="bows">Changes of the printed bowing.</param>
    /// <exception cref="ImpossibleBowEditException">A change of the bowing cannot be made.</exception>
    public static TuneMusic Of(Score printed, HouseStyle style, IReadOnlyCollection<BowEdit>? bows = null)
    {
        var score = BowEdits.Apply(printed, bows ?? []);
        var notes = SoundingNote.Of(score);
        var order = PlayOrder.Of(score);
        var bowing = Bows.Follow(notes, score.Bars, order, style.AfterLongRest);
        return new TuneMusic(
            Score: score,
            Style: style,
            Notes: notes,
            Order: order,
            Form: TuneForm.Of(score, notes),
            Counts: Counting.Counts.Of(score, style),
            Bowing: bowing,
            Travels: BowPlace.Along(notes, bowing.Strokes, style.LoudBow)
        );
    }

    /// <summary>What can be said and done about its bow.</summary>
    /// <param name="refused">Changes that the teacher does not want.</param>
    /// <param name="stop">Nobody waits for it any more.</param>
    public BowAdvice Advice(IReadOnlyCollection<BowEdit>? refused = null, CancellationToken stop = default) =>
        new(
            WrongWay: WrongWayMends.Of(Score, Notes, Bowing),
            Proposals: [.. Enum.GetValues<BowAim>().Select(aim => BowProposal.Of(Score, aim, Style, refused, stop))],
            Uneven: UnevenBars.Of(Notes, Bowing),
            Hints: BowUse.InBars(Notes, BowUse.Of(Notes, Travels))
        );
}

/// <summary>What can be said and done about the bow of a tune.</summary>
/// <param name="WrongWay">Repeats that turn the bow round.</param>
/// <param name="Proposals">A bowing for each aim.</param>
/// <param name="Uneven">Bars in which the bow drifts.</param>
/// <param name="Hints">What the bow does, told once for all bars that have it.</param>
public sealed record BowAdvice(
    IReadOnlyList<WrongWayAdvice> WrongWay,
    IReadOnlyList<BowProposal> Proposals,
    IReadOnlyList<UnevenBar> Uneven,
    IReadOnlyList<BowHintInBars> Hints
);
