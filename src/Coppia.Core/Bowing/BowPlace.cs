using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Bowing;

/// <summary>How much bow a stroke takes.</summary>
public enum BowAmount
{
    Whole,
    Half,
    Part,
    Small,
    Slow,
}

/// <summary>Where one stroke goes along the bow.</summary>
/// <param name="Stroke">The stroke.</param>
/// <param name="From">Contact at its beginning, 0 = frog, 1 = tip.</param>
/// <param name="To">Contact at its end, held within the bow.</param>
/// <param name="Overrun">By how much of a bow it would run off the end; 0 where it fits.</param>
/// <param name="Amount">How much bow, in words a player uses.</param>
public readonly record struct BowTravel(PlayedStroke Stroke, double From, double To, double Overrun, BowAmount Amount)
{
    public bool RunsOut => Overrun > BowPlace.Tolerance;
}

/// <summary>
/// The bow's place along a tune at even speed (craft 8, common practice): two equal halves of a bar take a whole bow
/// each, travel grows with length and with loudness, quick separate notes take small strokes, a note longer than a
/// whole bow is played slower.
/// </summary>
public static class BowPlace
{
    /// <summary>An overrun that nobody notices, in bows.</summary>
    public const double Tolerance = 0.02;

    /// <summary>About 5 cm of a bow of 65 cm of hair (common practice).</summary>
    public const double SmallStroke = 0.08;

    private static readonly Fraction Quick = new(1, 8);

    public static IReadOnlyList<BowTravel> Along(
        IReadOnlyList<SoundingNote> notes,
        IReadOnlyList<PlayedStroke> strokes,
        LoudBow loud
    )
    {
        if (strokes.Count == 0)
            return [];
        var loudness = Loudness.Of(notes);
        return Openings(strokes[0].Direction, Travel(notes, strokes[0], loudness[0], loud).Travel)
            .Select(start => Along(notes, strokes, loudness, loud, start))
            .MinBy(way => (way.Count(t => t.RunsOut), way.Sum(t => t.Overrun)))!;
    }

    /// <summary>
    /// Where a player may set the bow for a first stroke: a down bow at the frog; an up bow anywhere it has room.
    /// </summary>
    internal static IEnumerable<double> Openings(BowDirection direction, double travel)
    {
        if (direction == BowDirection.Down)
            return [0];
        var least = Math.Min(1, travel);
        return Enumerable.Range(0, 11).Select(k => Math.Round(k * 0.1, 1)).Where(place => place > least).Prepend(least);
    }

    private static List<BowTravel> Along(
        IReadOnlyList<SoundingNote> notes,
        IReadOnlyList<PlayedStroke> strokes,
        IReadOnlyList<double> loudness,
        LoudBow loud,
        double start
    )
    {
        var travels = new List<BowTravel>(strokes.Count);
        var place = start;
        foreach (var (i, stroke) in strokes.Index())
        {
            var (travel, amount) = Travel(notes, stroke, loudness[stroke.First], loud);
            if (i > 0 && stroke.Lifted)
                place = BowStep.FreshStart(stroke.Direction, travel);
            var (to, overrun) = BowStep.Along(stroke.Direction, place, travel);
            // What runs out has not been saved for: only one of them is told.
            travels.Add(
                new BowTravel(
                    stroke,
                    place,
                    to,
                    overrun,
                    overrun > Tolerance && amount == BowAmount.Slow ? BowAmount.Whole : amount
                )
            );
            place = to;
        }

        return travels;
    }

    /// <summary>How much of the bow a stroke takes, 0 to 1, and the word for it.</summary>
    public static (double Travel, BowAmount Amount) Travel(
        IReadOnlyList<SoundingNote> notes,
        PlayedStroke stroke,
        double loudness,
        LoudBow loud
    )
    {
        if (
            stroke.First == stroke.Last
            && IsQuick(notes, stroke.First)
            && (IsQuick(notes, stroke.First - 1) || IsQuick(notes, stroke.First + 1))
        )
            return (SmallStroke, BowAmount.Small);

        var length = 0.0;
        for (var k = stroke.First; k <= stroke.Last; k++)
            length += notes[k].Length.ToDouble();
        var share = length / WholeBow(notes[stroke.First].Bar.Time).ToDouble();
        if (share > 1.05)
            return (1, BowAmount.Slow);
        // Stopped strokes move quickly but a shorter way.
        var stopped = stroke.First == stroke.Last && notes[stroke.First].Event.Has(Marks.Staccato) ? 0.5 : 1;
        var travel = Math.Min(
            1,
            share * stopped * Math.Pow(1.25, loud == LoudBow.HeavierFaster ? loudness : -loudness)
        );
        return (
            travel,
            travel > 0.9 ? BowAmount.Whole
            : travel is > 0.4 and < 0.6 ? BowAmount.Half
            : travel <= SmallStroke * 1.5 ? BowAmount.Small
            : BowAmount.Part
        );
    }

    /// <summary>A single short note among longer ones is no small stroke: it has to carry the bow back.</summary>
    private static bool IsQuick(IReadOnlyList<SoundingNote> notes, int i) =>
        i >= 0 && i < notes.Count && !notes[i].IsGrace && notes[i].Length <= Quick;

    /// <summary>
    /// The length that takes a whole bow at the tune's even speed: half a bar where it halves, else a bar.
    /// </summary>
    public static Fraction WholeBow(TimeSignature? time)
    {
        if (time is not { } t)
            return new Fraction(1, 2);
        var felt = t.BarLength.WholeTimes(t.FeltBeat);
        return felt % 2 == 0 ? t.BarLength * new Fraction(1, 2) : t.BarLength;
    }
}
