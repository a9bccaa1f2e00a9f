using Coppia.Core.Exercises;
using Coppia.Core.Music;

namespace Coppia.Core.Drills;

/// <summary>Sums of beats: a gap, barlines, and whether a bar is right (craft 12).</summary>
internal static class BeatDrill
{
    public static BeatJudgement Judge(BeatQuestion asked, ValueAnswer answer, ValueReply reply)
    {
        var (bar, time) = (asked.Row.Bars[0], asked.Row.Bars[0].Time!.Value);
        var holds = time.BarLength - answer.Value.Length + reply.Value.Length;
        var kind =
            reply.Value.Length == answer.Value.Length ? MistakeKind.Right
            : answer.Value.Dots > 0 && reply.Value == answer.Value with { Dots = 0 } ? MistakeKind.ForgotDot
            : TooLongOrShort(holds, time);
        return new BeatJudgement(kind, holds, time.BarLength, time.Beat)
        {
            Answered = Part(
                asked.Row,
                bar.Events.Select((e, i) => i == asked.Gap ? e with { Value = reply.Value } : e)
            ),
        };
    }

    public static BeatJudgement Judge(BeatQuestion asked, BarlinesAnswer answer, BarlinesReply reply)
    {
        var (bar, time) = (asked.Row.Bars[0], asked.Row.Bars[0].Time!.Value);
        int[] given = [.. reply.After.Where(a => a > 0 && a < bar.Events.Count).Distinct().Order()];
        if (given.SequenceEqual(answer.After))
            return new BeatJudgement(MistakeKind.Right, time.BarLength, time.BarLength, time.Beat);
        // The first bar that does not come out.
        int[] ends = [0, .. given, bar.Events.Count];
        for (var b = 0; ; b++)
        {
            var events = bar.Events.Take(ends[b + 1]).Skip(ends[b]).ToArray();
            var holds = events.Aggregate(Fraction.Zero, (sum, e) => sum + e.Value.Length);
            if (holds != time.BarLength)
                return new BeatJudgement(TooLongOrShort(holds, time), holds, time.BarLength, time.Beat, b)
                {
                    Answered = Part(asked.Row, events),
                };
        }
    }

    public static BeatJudgement Judge(BeatQuestion asked, SumAnswer answer, SumReply reply)
    {
        var time = asked.Row.Bars[0].Time!.Value;
        var off = answer.Holds.CompareTo(answer.Wanted);
        var kind =
            Math.Sign(off) == Math.Sign(reply.Off) ? MistakeKind.Right
            : off == 0 ? MistakeKind.Unclear
            : TooLongOrShort(answer.Holds, time);
        return new BeatJudgement(kind, answer.Holds, answer.Wanted, time.Beat);
    }

    private static MistakeKind TooLongOrShort(Fraction holds, TimeSignature time) =>
        holds > time.BarLength ? MistakeKind.TooLong : MistakeKind.TooShort;

    /// <summary>Notes of a row as a bar of their own.</summary>
    private static Score Part(Score row, IEnumerable<ScoreEvent> events)
    {
        var bar = row.Bars[0];
        var placed = new List<ScoreEvent>();
        var at = Fraction.Zero;
        foreach (var e in events)
        {
            placed.Add(e with { Onset = at, Length = e.Value.Length });
            at += e.Value.Length;
        }

        return row with
        {
            Bars = [bar with { Events = placed }],
        };
    }
}
