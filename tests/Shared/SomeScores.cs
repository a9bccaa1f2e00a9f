using CsCheck;

namespace Coppia.Tests;

/// <summary>Scores with everything that both formats keep, made up at random.</summary>
internal static class SomeScores
{
    private static readonly TimeSignature?[] Times = [TimeSignature.CommonTime, new TimeSignature(3, 4), new TimeSignature(6, 8), null];

    private static readonly Gen<Marks> SomeMarks = Gen.Int[0, 511].Select(m => (Marks)m & ~(m % 3 == 0 ? Marks.None : (Marks)m));

    private static readonly Gen<ScoreEvent> Event =
        from rest in Gen.Int[0, 6]
        from step in Gen.Int[21, 42]
        from alter in Gen.Int[-1, 1]
        from log in Gen.Int[0, 4]
        from dots in Gen.Int[0, 1]
        from marks in SomeMarks
        from finger in Gen.Int[-6, 4]
        from grace in Gen.Int[0, 9]
        select rest == 0
            ? new ScoreEvent { Value = new NoteValue(log, dots) }
            : new ScoreEvent
            {
                Pitch = Pitch.FromStep(step, alter),
                Value = new NoteValue(log, dots),
                Marks = marks,
                PrintedFinger = finger < 0 ? null : finger,
                Graces = grace == 0 ? [new GraceNote("", Pitch.FromStep(step + 1, alter), new NoteValue(3), true)] : [],
            };

    /// <summary>A bar in four is silent, so that every rule meets music with nothing to play in it.</summary>
    private static readonly Gen<ScoreEvent[]> SomeBar =
        from silent in Gen.Int[0, 3]
        from events in Event.Array[1, 5]
        select silent == 0 ? [.. events.Select(e => new ScoreEvent { Value = e.Value })] : events;

    public static readonly Gen<Score> Any =
        from fifths in Gen.Int[-7, 7]
        from mode in Gen.Enum<Mode>()
        from clef in Gen.Int[0, 3]
        from time in Gen.Int[0, 3]
        from bars in SomeBar.Array[1, 6].Where(b => b.Any(e => e.Any(x => !x.IsRest)))
        from slurs in Gen.Bool.Array[6]
        from lines in Gen.Bool.Array[6]
        from triplets in Gen.Bool.Array[6]
        from ties in Gen.Bool.Array[6]
        from marked in Gen.Int[-6, 5].Array[6]
        from times in Gen.Int[2, 4]
        select ScoreAssembly
            .Finish(
                new Score
                {
                    Title = "100% ours",
                    Composer = "Coppia demo",
                    Clef = Clef.All[clef],
                    Key = new KeySignature(fifths, mode),
                    Time = Times[time],
                    Bars =
                    [
                        .. bars.Select(
                            (events, i) =>
                                new Bar
                                {
                                    Clef = Clef.All[clef],
                                    Key = new KeySignature(fifths, mode),
                                    Time = Times[time],
                                    Events = Tied(ties[i], Slurred(slurs[i], Tripled(triplets[i], events))),
                                    LineBreakAfter = lines[i] && i < bars.Length - 1,
                                    RepeatStart = i == 1,
                                    RepeatEnd = i == 2,
                                    RepeatTimes = i == 2 ? times : 2,
                                    Waymarks = ((Waymarks)63)
                                        .Each()
                                        .Where((_, m) => marked[m] == i)
                                        .Aggregate(Waymarks.None, (all, m) => all | m),
                                    Barline = i == bars.Length - 1 && i != 2 ? Barline.Final : Barline.Plain,
                                }
                        ),
                    ],
                },
                false
            )
            .Score;

    private static ScoreEvent[] Tripled(bool wanted, ScoreEvent[] events) =>
        wanted && events.Length > 2
            ?
            [
                .. events
                    .Take(3)
                    .Select(e =>
                        e with
                        {
                            Value = new NoteValue(events[0].Value.Log) { TupletActual = 3, TupletNormal = 2 },
                        }
                    ),
                .. events.Skip(3),
            ]
            : events;

    private static ScoreEvent[] Tied(bool wanted, ScoreEvent[] events) =>
        wanted && events.Length > 1 && !events[^1].IsRest
            ? [.. events[..^2], events[^2] with { Pitch = events[^1].Pitch, TiedOn = true }, events[^1]]
            : events;

    private static ScoreEvent[] Slurred(bool wanted, ScoreEvent[] events)
    {
        if (!wanted || events.Length < 2 || events[0].IsRest || events[^1].IsRest)
            return events;
        return [events[0] with { SlurStarts = 1 }, .. events[1..^1], events[^1] with { SlurStops = 1 }];
    }
}
