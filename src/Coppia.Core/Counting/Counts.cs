using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Counting;

public enum CountKind
{
    Struck,
    Held,
    Rest,
}

/// <summary>Which note of a rhythm that fills its beat with new notes alone.</summary>
/// <param name="Pattern">The lengths of the rhythm's notes, as parts of the beat: "1/2 1/2".</param>
/// <param name="Part">Order of the note in it, from 0.</param>
public readonly record struct BeatRhythm(string Pattern, int Part);

/// <summary>A moment that is counted.</summary>
/// <param name="EventId">The printed note or rest it belongs to.</param>
/// <param name="Offset">How far into that note or rest, in whole notes.</param>
/// <param name="Kind">A new note, one that is held, or a rest.</param>
public sealed record CountMark(string EventId, Fraction Offset, CountKind Kind)
{
    /// <summary>Whole beats since the barline.</summary>
    public required long Beat { get; init; }

    /// <summary>Part of a beat since then, 0 up to but not 1.</summary>
    public required Fraction Within { get; init; }

    /// <summary>Length of the printed note or rest, in whole notes.</summary>
    public required Fraction Length { get; init; }

    /// <summary>The beat is a dotted one, which is parted in three and six.</summary>
    public bool BeatIsDotted { get; init; }

    /// <summary>It begins an eighth, counted from the barline, and is not the second sixteenth of one.</summary>
    public bool OnEighth { get; init; }

    /// <summary>Which third of its triplet it begins, from 0; null outside of triplets.</summary>
    public int? Third { get; init; }

    /// <summary>The rhythm that it is part of, where rhythms are told by words and one fills the beat.</summary>
    public BeatRhythm? Rhythm { get; init; }
}

/// <summary>
/// What is counted (craft 9, common practice): every new note, every beat that is held, every beat of rest. The
/// beginning of each beat is counted exactly once.
/// </summary>
public static class Counts
{
    public static IReadOnlyList<CountMark> Of(Score score, HouseStyle style)
    {
        var marks = new List<CountMark>();
        var tied = false;
        foreach (var bar in score.Bars)
        {
            var beat = BeatOf(bar.Time, style);
            var isDotted = beat.Numerator == 3;
            var thirds = ThirdsIn(bar);
            var rhythms = style.Counting == CountingSystem.Words ? RhythmsIn(bar, beat, tied) : [];
            foreach (var e in bar.Events)
            {
                var at = bar.StartsAt + e.Onset;
                var kind =
                    e.IsRest ? CountKind.Rest
                    : tied ? CountKind.Held
                    : CountKind.Struck;
                BeatRhythm? rhythm = rhythms.TryGetValue(e.Id, out var found) ? found : null;
                int? third = thirds.TryGetValue(e.Id, out var part) ? part : null;
                marks.Add(Mark(e, at, at, kind, beat, isDotted) with { Rhythm = rhythm, Third = third });
                var end = at + e.Length;
                for (var n = at.WholeTimes(beat) + 1; ; n++)
                {
                    var later = new Fraction(n, 1) * beat;
                    if (later >= end)
                        break;
                    marks.Add(Mark(e, at, later, e.IsRest ? CountKind.Rest : CountKind.Held, beat, isDotted));
                }

                tied = e.TiedOn;
            }
        }

        return marks;
    }

    private static Dictionary<string, BeatRhythm> RhythmsIn(Bar bar, Fraction beat, bool tied)
    {
        var rhythms = new Dictionary<string, BeatRhythm>();
        foreach (var filled in FilledBeat.In(bar, beat, tied))
        {
            foreach (var (part, id) in filled.NoteIds.Index())
                rhythms[id] = new BeatRhythm(filled.Pattern, part);
        }

        return rhythms;
    }

    /// <summary>
    /// The length of one counted beat. A word holds a whole felt beat, in compound time a dotted one.
    /// </summary>
    public static Fraction BeatOf(TimeSignature? time, HouseStyle style)
    {
        if (time is not { } t)
            return Fraction.Quarter;
        var dotted = style.Compound == CompoundCounting.DottedBeats || style.Counting == CountingSystem.Words;
        return t.IsCompound && dotted ? t.FeltBeat : t.Beat;
    }

    /// <summary>For each note or rest of a triplet the third of it that it begins.</summary>
    private static Dictionary<string, int> ThirdsIn(Bar bar)
    {
        var thirds = new Dictionary<string, int>();
        for (var i = 0; i < bar.Events.Count; i++)
        {
            if (!bar.Events[i].TupletStart || bar.Events[i].Value.TupletActual != 3)
                continue;
            var end = i;
            while (end + 1 < bar.Events.Count && !bar.Events[end].TupletStop)
                end++;
            var start = bar.Events[i].Onset;
            var length = bar.Events[end].Onset + bar.Events[end].Length - start;
            for (; i <= end; i++)
                thirds[bar.Events[i].Id] = (int)(new Fraction(3, 1) * (bar.Events[i].Onset - start)).WholeTimes(length);
            i--;
        }

        return thirds;
    }

    private static readonly Fraction Eighth = new(1, 8);

    private static CountMark Mark(
        ScoreEvent e,
        Fraction start,
        Fraction at,
        CountKind kind,
        Fraction beat,
        bool isDotted
    )
    {
        var beats = at / beat;
        return new CountMark(e.Id, at - start, kind)
        {
            Beat = beats.Numerator / beats.Denominator,
            Within = new Fraction(beats.Numerator % beats.Denominator, beats.Denominator),
            Length = e.Value.Length,
            BeatIsDotted = isDotted,
            OnEighth = (at / Eighth).Denominator == 1,
        };
    }
}
