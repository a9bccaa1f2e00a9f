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

    /// <summary>Length of the printed value, in beats.</summary>
    public required Fraction Beats { get; init; }

    /// <summary>The rhythm that it is part of, where rhythms are told by words and one fills the beat.</summary>
    public BeatRhythm? Rhythm { get; init; }
}

/// <summary>
/// What is counted (craft 9, common practice): every new note, every beat that is held, every beat of rest. The beginning of each beat is
/// counted exactly once.
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
            var rhythms = new Dictionary<string, BeatRhythm>();
            foreach (var beatOf in style.Counting == CountingSystem.Words ? FilledBeat.In(bar, beat, tied) : [])
            {
                foreach (var (part, id) in beatOf.NoteIds.Index())
                    rhythms[id] = new BeatRhythm(beatOf.Pattern, part);
            }

            foreach (var e in bar.Events)
            {
                var at = bar.StartsAt + e.Onset;
                var kind =
                    e.IsRest ? CountKind.Rest
                    : tied ? CountKind.Held
                    : CountKind.Struck;
                BeatRhythm? rhythm = rhythms.TryGetValue(e.Id, out var found) ? found : null;
                marks.Add(Mark(e, at, at, kind, beat) with { Rhythm = rhythm });
                var end = at + e.Length;
                for (var n = at.WholeTimes(beat) + 1; ; n++)
                {
                    var later = new Fraction(n, 1) * beat;
                    if (later >= end)
                        break;
                    marks.Add(Mark(e, at, later, e.IsRest ? CountKind.Rest : CountKind.Held, beat));
                }

                tied = e.TiedOn;
            }
        }

        return marks;
    }

    /// <summary>The length of one counted beat. A word holds a whole felt beat, in compound time a dotted one.</summary>
    public static Fraction BeatOf(TimeSignature? time, HouseStyle style)
    {
        if (time is not { } t)
            return Fraction.Quarter;
        var dotted = style.Compound == CompoundCounting.DottedBeats || style.Counting == CountingSystem.Words;
        return t.IsCompound && dotted ? t.FeltBeat : t.Beat;
    }

    private static CountMark Mark(ScoreEvent e, Fraction start, Fraction at, CountKind kind, Fraction beat)
    {
        var beats = at / beat;
        return new CountMark(e.Id, at - start, kind)
        {
            Beat = beats.Numerator / beats.Denominator,
            Within = new Fraction(beats.Numerator % beats.Denominator, beats.Denominator),
            Beats = e.Value.Length / beat,
        };
    }
}
