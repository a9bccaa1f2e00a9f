using CsCheck;

namespace Coppia.Tests;

/// <summary>Scores with everything that both formats keep, made up at random.</summary>
internal static class SomeScores
{
    private static readonly TimeSignature?[] Times =
    [
        TimeSignature.CommonTime,
        new TimeSignature(3, 4),
        new TimeSignature(6, 8),
        null,
        TimeSignature.Of("2+3", 8),
    ];

    /// <summary>One note in four is marked, with about two marks.</summary>
    private static readonly Gen<Marks> SomeMarks =
        from marked in Gen.Int[0, 3]
        from one in Gen.Int[0, 21]
        from two in Gen.Int[0, 21]
        select marked == 0 ? (Marks)(1 << one | 1 << two) : Marks.None;

    /// <summary>What is rarer on a note: a second finger, a hairpin, words over it and to sing, another clef.</summary>
    private static readonly Gen<Func<ScoreEvent, ScoreEvent>> SomeRarity =
        from kind in Gen.Int[0, 40]
        from clef in Gen.Int[0, 3]
        select (Func<ScoreEvent, ScoreEvent>)(
            e =>
                kind switch
                {
                    0 => e with { PrintedFinger = 1, PrintedFingerTo = 2 },
                    1 => e with { Hairpin = Hairpin.Louder },
                    2 => e with { Hairpin = Hairpin.Softer },
                    3 => e with { HairpinStop = true },
                    4 => e with { Lyrics = ["la-", "100%"] },
                    5 => e with { Lyrics = ["", "half a word"] },
                    6 => e with { Words = "pizz." },
                    7 => e with { Dynamic = "mf" },
                    8 => e with { ClefChange = Clef.All[clef] },
                    _ => e,
                }
        );

    private static readonly Gen<ScoreEvent> Event =
        from rest in Gen.Int[0, 6]
        from step in Gen.Int[21, 42]
        from alter in Gen.Int[-1, 1]
        from log in Gen.Int[0, 4]
        from dots in Gen.Int[0, 1]
        from marks in SomeMarks
        from finger in Gen.Int[-6, 4]
        from grace in Gen.Int[0, 9]
        from rare in SomeRarity
        select rest == 0
            ? new ScoreEvent { Value = new NoteValue(log, dots) }
            : rare(
                new ScoreEvent
                {
                    Pitch = Pitch.FromStep(step, alter),
                    Value = new NoteValue(log, dots),
                    Marks = marks,
                    PrintedFinger = finger < 0 ? null : finger,
                    Graces =
                        grace == 0 ? [new GraceNote("", Pitch.FromStep(step + 1, alter), new NoteValue(3), true)] : [],
                }
            );

    /// <summary>A bar in four is silent, so that every rule meets music with nothing to play in it.</summary>
    private static readonly Gen<ScoreEvent[]> SomeBar =
        from silent in Gen.Int[0, 3]
        from events in Event.Array[1, 5]
        select silent == 0 ? [.. events.Select(e => new ScoreEvent { Value = e.Value })] : events;

    public static readonly Gen<Score> Any =
        from fifths in Gen.Int[-7, 7]
        from mode in Gen.Enum<Mode>()
        from clef in Gen.Int[0, 3]
        from time in Gen.Int[0, 4]
        from bars in SomeBar.Array[1, 6].Where(b => b.Any(e => e.Any(x => !x.IsRest)))
        from slurs in Gen.Bool.Array[6]
        from lines in Gen.Bool.Array[6]
        from triplets in Gen.Bool.Array[6]
        from ties in Gen.Bool.Array[6]
        from marked in Gen.Int[-6, 5].Array[6]
        from times in Gen.Int[2, 4]
        from label in Gen.Int[-4, 5]
        from uncounted in Gen.Int[-4, 5]
        from jump in Gen.Int[-8, 5]
        select ScoreAssembly
            .Finish(
                new Score
                {
                    Title = "100% ours",
                    Composer = "Coppia demo",
                    Clef = Clef.All[clef],
                    Key = new KeySignature(fifths, mode),
                    Time = Times[time],
                    PartOrder = label < 0 ? null : "A2",
                    Bars =
                    [
                        .. WithHairpins(
                            WithClefs(
                                bars.Select(
                                    (events, i) =>
                                        new Bar
                                        {
                                            Clef = Clef.All[clef],
                                            Label = i == label ? "A" : null,
                                            IsUncounted = i > 0 && i == uncounted,
                                            SourceNumber = i > 0 && i == jump && i != uncounted ? 20 : null,
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
                                )
                            )
                        ),
                    ],
                },
                false
            )
            .Score;

    /// <summary>A hairpin ends before the next begins, and every one ends.</summary>
    private static Bar[] WithHairpins(IEnumerable<Bar> bars)
    {
        Bar[] all = [.. bars];
        var last = all.SelectMany(b => b.Events).Last();
        var open = false;
        return
        [
            .. all.Select(b =>
                b with
                {
                    Events =
                    [
                        .. b.Events.Select(e =>
                        {
                            var begins = e.Hairpin != Hairpin.None && !ReferenceEquals(e, last);
                            var stops = open && (begins || e.HairpinStop || ReferenceEquals(e, last));
                            open = begins || open && !stops;
                            return e with { Hairpin = begins ? e.Hairpin : Hairpin.None, HairpinStop = stops };
                        }),
                    ],
                }
            ),
        ];
    }

    /// <summary>A clef is printed where it changes, at the beginning of a bar or before a note in its middle.</summary>
    private static IEnumerable<Bar> WithClefs(IEnumerable<Bar> bars)
    {
        var now = (Clef?)null;
        foreach (var bar in bars)
        {
            now ??= bar.Clef;
            var start = now;
            var events = new List<ScoreEvent>();
            foreach (var e in bar.Events)
            {
                var changes = e.ClefChange is { } clef && clef != now;
                if (changes && events.Count == 0)
                    start = e.ClefChange!;
                events.Add(changes && events.Count > 0 ? e : e with { ClefChange = null });
                now = changes ? e.ClefChange! : now;
            }

            yield return bar with
            {
                Clef = start,
                Events = events,
            };
        }
    }

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
