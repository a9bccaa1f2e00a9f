using CsCheck;

namespace Coppia.Tests;

/// <summary>The solver against ways counted one by one, and against a general graph library.</summary>
public class SolverTests
{
    private static readonly Gen<string> Instrument = Gen.Int[0, 3].Select(i => StringSection.All[i].Id);

    /// <summary>Short random lines in reach of the instrument, some notes slurred.</summary>
    private static Gen<(string Instrument, FingerLattice Lattice, FourthFinger Fourth)> Line(int most) =>
        from id in Instrument
        from fourth in Gen.Enum<FourthFinger>()
        from steps in Gen.Int[0, 20].Array[2, most]
        from alters in Gen.Int[-1, 1].Array[most]
        from slurred in Gen.Bool.Array[most]
        select (id, Lattice(id, steps, alters, slurred), fourth);

    private static FingerLattice Lattice(string id, int[] steps, int[] alters, bool[] slurred)
    {
        var player = Lines.Instrument(id);
        var bar = new Bar();
        var notes = steps
            .Index()
            .Select(s => new SoundingNote(
                s.Index,
                $"n{s.Index}",
                [],
                Pitch.FromStep(player.Strings[0].Step + s.Item, alters[s.Index]),
                bar,
                Fraction.Zero,
                Fraction.Zero,
                Fraction.Quarter,
                slurred[s.Index],
                Fraction.Zero,
                new ScoreEvent(),
                false
            ))
            .ToArray();
        return FingerLattice.Of(notes, new Player(player), new Dictionary<string, Pin>());
    }

    private static FingerCost CostOf(string id, FourthFinger fourth) =>
        new(new Player(Lines.Instrument(id), new HouseStyle { FourthFinger = fourth }), FingerWeights.Default);

    /// <summary>
    /// What a way through a D major line on the violin costs, tallied anew from the order of craft 6 and our figures
    /// for it; it shares no code with the cost rules. Quarter notes under their own bows in first position.
    /// </summary>
    private static int Tally(IReadOnlyList<Placement> way)
    {
        var sum = 0;
        for (var i = 0; i < way.Count; i++)
        {
            var at = way[i];
            // The weakest finger where the next open string, seven half steps up, sounds the same.
            sum += at is { Finger: 4, Semitones: 7, String: < 3 } ? 90 : 0;
            var isNew =
                i == 0
                || (way[i - 1].String, way[i - 1].Finger, way[i - 1].Semitones) != (at.String, at.Finger, at.Semitones);
            // Regular places are 2, 4, 5 and 7 half steps up; all others are low or high.
            sum += isNew && at.Finger > 0 && at.Semitones != new[] { 0, 2, 4, 5, 7 }[at.Finger] ? 2 : 0;
            if (i == 0)
                continue;
            var before = way[i - 1];
            var strings = Math.Abs(at.String - before.String);
            var sameFinger = at.Finger > 0 && at.Finger == before.Finger;
            sum += strings == 0 ? 0 : 4 + 12 * (strings - 1);
            sum += sameFinger && strings == 0 && at.Semitones != before.Semitones ? 8 : 0;
            sum +=
                !sameFinger && strings == 0 && at.Semitones == before.Semitones && at.Finger != before.Finger ? 4 : 0;
            sum +=
                sameFinger && strings == 1
                    ? at.Semitones == before.Semitones
                        ? 4
                        : 3
                    : 0;
            if (i < 2)
                continue;
            var first = way[i - 2];
            var back =
                first.Finger > 0
                && first.Finger == at.Finger
                && first.String == at.String
                && first.Semitones != at.Semitones;
            sum += back && before.Finger != at.Finger ? 5 : 0;
        }

        return sum;
    }

    [Fact]
    public void An_own_tally_of_every_way_finds_the_same_least_cost() =>
        Gen.Int[0, 15]
            .Array[2, 6]
            .Sample(
                steps =>
                {
                    var player = new Player(StringSection.Violin);
                    var key = new KeySignature(2);
                    // From the open G string up to B on the E string.
                    var score = steps
                        .Aggregate(
                            new ScoreBuilder(Clef.Treble).In(key),
                            (line, step) => line.Note(key.Apply(Pitch.FromStep(Pitch.Parse("G3").Step + step)))
                        )
                        .Build();
                    var lattice = FingerLattice.Of(SoundingNote.Of(score), player, new Dictionary<string, Pin>());
                    var solution = FingerSolver.Solve(lattice, new FingerCost(player, FingerWeights.Default));
                    var least = AllWays(lattice)
                        .Min(way => Tally([.. way.Select((choice, i) => lattice.Steps[i].Choices[choice])]));
                    Assert.Equal(least, solution.Cost);
                },
                iter: Rounds.Of(300)
            );

    [Fact]
    public void Cost_equals_the_least_of_all_ways_enumerated() =>
        Line(5)
            .Where(l =>
                l.Lattice.Steps.Count > 0 && l.Lattice.Steps.Aggregate(1L, (n, s) => n * s.Choices.Length) < 60_000
            )
            .Sample(
                l =>
                {
                    var cost = CostOf(l.Instrument, l.Fourth);
                    var solution = FingerSolver.Solve(l.Lattice, cost);
                    Assert.Equal(AllWays(l.Lattice).Min(way => cost.Of(l.Lattice, way)), solution.Cost);
                    Assert.Equal(solution.Cost, cost.Of(l.Lattice, solution.Way));
                },
                iter: Rounds.Of(300)
            );

    [Fact] // With what notes ought to agree with, and pins: still the least of all ways.
    public void With_habits_and_pins_it_is_still_the_least() =>
        (from l in Line(5) from told in Gen.Int[0, 9].Array[5] from seam in Gen.Bool.Array[5] select (l, told, seam))
            .Where(x =>
                x.l.Lattice.Steps.Count > 0 && x.l.Lattice.Steps.Aggregate(1L, (n, s) => n * s.Choices.Length) < 60_000
            )
            .Sample(
                x =>
                {
                    var cost = CostOf(x.l.Instrument, x.l.Fourth);
                    var lattice = x.l.Lattice with
                    {
                        Steps =
                        [
                            .. x.l.Lattice.Steps.Select(
                                (s, i) =>
                                    x.told[i] switch
                                    {
                                        < 3 => s with
                                        {
                                            Habit = new Habit(
                                                InLine: s.Choices[x.told[i] % s.Choices.Length],
                                                InBar: x.seam[i]
                                            ),
                                        },
                                        < 6 => s with
                                        {
                                            Habit = new Habit(
                                                AsBefore: s.Choices[x.told[i] % s.Choices.Length],
                                                AtSeam: x.seam[i]
                                            ),
                                        },
                                        6 => s with { Pin = new Pin(s.Choices[^1].String, s.Choices[^1].Finger) },
                                        _ => s,
                                    }
                            ),
                        ],
                    };
                    var solution = FingerSolver.Solve(lattice, cost);
                    Assert.Equal(AllWays(lattice).Min(way => cost.Of(lattice, way)), solution.Cost);
                    Assert.Equal(solution.Cost, cost.Of(lattice, solution.Way));
                },
                iter: Rounds.Of(300)
            );

    [Fact]
    public void What_a_way_through_each_choice_costs_is_exact() =>
        Line(4)
            .Where(l =>
                l.Lattice.Steps.Count > 1 && l.Lattice.Steps.Aggregate(1L, (n, s) => n * s.Choices.Length) < 5_000
            )
            .Sample(
                l =>
                {
                    var cost = CostOf(l.Instrument, l.Fourth);
                    var through = FingerSolver.Solve(l.Lattice, cost).Through.Value;
                    var ways = AllWays(l.Lattice).Select(w => (Way: w, Cost: cost.Of(l.Lattice, w))).ToArray();
                    for (var i = 0; i < through.Count; i++)
                    {
                        for (var k = 0; k < through[i].Length; k++)
                            Assert.Equal(ways.Where(w => w.Way[i] == k).Min(w => w.Cost), through[i][k]);
                    }
                },
                iter: Rounds.Of(100)
            );

    [Fact] // QuikGraph's Dijkstra on the same lattice, unfolded to pairs of neighbouring choices.
    public void A_general_shortest_path_finds_the_same_cost() =>
        Line(14)
            .Where(l => l.Lattice.Steps.Count > 1)
            .Sample(
                l =>
                {
                    var cost = CostOf(l.Instrument, l.Fourth);
                    Assert.Equal(FingerSolver.Solve(l.Lattice, cost).Cost, GeneralGraph.LeastCost(l.Lattice, cost));
                },
                iter: Rounds.Of(60)
            );

    [Fact]
    public void No_note_sounds_other_than_written() =>
        Line(12)
            .Sample(
                l =>
                {
                    var player = Lines.Instrument(l.Instrument);
                    foreach (var step in l.Lattice.Steps)
                    {
                        foreach (var way in step.Choices)
                            Assert.Equal(step.Note.Pitch.Midi, player.Strings[way.String].Midi + way.Semitones);
                    }
                },
                iter: Rounds.Of(300)
            );

    [Fact]
    public void Low_and_high_words_agree_with_the_semitones() =>
        Line(12)
            .Where(l => l.Instrument is "violin" or "viola")
            .Sample(
                l =>
                {
                    // Craft 3: regular places of the fingers in first position, common practice.
                    int[] regular = [0, 2, 4, 5, 7];
                    var player = Lines.Instrument(l.Instrument);
                    foreach (
                        var way in l
                            .Lattice.Steps.SelectMany(s => s.Choices)
                            .Where(w => player.Frames[w.Frame].Position == "I")
                    )
                    {
                        if (way.Word == PlaceWord.Forward)
                        {
                            // Extended 4, craft 3: the next letter where that lies eight semitones up.
                            Assert.Equal((4, 8), (way.Finger, way.Semitones));
                            continue;
                        }

                        var off = way.Word switch
                        {
                            PlaceWord.Low => -1,
                            PlaceWord.High => 1,
                            _ => 0,
                        };
                        Assert.Equal(regular[way.Finger] + off, way.Semitones);
                    }
                },
                iter: Rounds.Of(300)
            );

    [Fact]
    public void Pins_are_always_honoured() =>
        (from l in Line(8) from which in Gen.Int[0, 100] from choice in Gen.Int[0, 100] select (l, which, choice))
            .Where(x => x.l.Lattice.Steps.Count > 0)
            .Sample(
                x =>
                {
                    var step = x.l.Lattice.Steps[x.which % x.l.Lattice.Steps.Count];
                    var pinned = step.Choices[x.choice % step.Choices.Length];
                    var pins = new Dictionary<string, Pin> { [step.Note.Id] = new(pinned.String, pinned.Finger) };
                    var lattice = FingerLattice.Of(
                        [.. x.l.Lattice.Steps.Select(s => s.Note)],
                        new Player(Lines.Instrument(x.l.Instrument)),
                        pins
                    );
                    var solution = FingerSolver.Solve(lattice, CostOf(x.l.Instrument, x.l.Fourth));
                    var at = lattice.Steps[
                        step.Note.Index < 0 ? 0 : lattice.Steps.Index().First(s => s.Item.Note.Id == step.Note.Id).Index
                    ];
                    var taken = at.Choices[solution.Way[lattice.Steps.Index().First(s => s.Item == at).Index]];
                    Assert.Equal((pinned.String, pinned.Finger), (taken.String, taken.Finger));
                },
                iter: Rounds.Of(200)
            );

    [Fact]
    public void An_impossible_pin_says_what_is_possible()
    {
        var score = Lines.Score("D", "D E F G");
        var wrong = Assert.Throws<ImpossiblePinException>(() =>
            Fingers.Choose(
                score,
                new Player(StringSection.Violin),
                new Dictionary<string, Pin> { ["b1n2"] = new(3, 1) }
            )
        );
        Assert.Equal(
            "E4 in bar 1 cannot be played with 1 on the E string; possible here: 2 on D, 1 on D, 4 on G, 3 on G, "
                + "2 on G, 1 on G.",
            PinWords.Impossible(wrong, new Player(StringSection.Violin))
        );
    }

    [Fact] // Two notes with one way each part a line: nothing that follows them reaches back across.
    public void What_comes_later_does_not_change_what_two_certain_notes_have_closed_off() =>
        (
            from id in Gen.Bool.Select(b => b ? "violin" : "viola")
            from head in Gen.Int[0, 14].Array[2, 8]
            from tail in Gen.Int[0, 14].Array[1, 8]
            from other in Gen.Int[0, 14].Array[1, 8]
            select (id, head, tail, other)
        ).Sample(
            x =>
            {
                // Without alterations the lowest open string, and the letter above it, are played in one way only.
                string[] Taken(int[] rest)
                {
                    var lattice = Lattice(x.id, [.. x.head, 0, 1, .. rest], new int[30], new bool[30]);
                    var way = FingerSolver.Solve(lattice, CostOf(x.id, FourthFinger.Balanced)).Way;
                    return [.. x.head.Select((_, i) => lattice.Steps[i].Choices[way[i]].ToString())];
                }

                if (
                    Lattice(x.id, [.. x.head, 0, 1, .. x.tail, .. x.other], new int[30], new bool[30])
                        .Steps.Any(s => s.Choices.Any(c => c.Frame != 1))
                )
                    return;
                Assert.Equal(Taken(x.tail), Taken(x.other));
            },
            iter: Rounds.Of(300)
        );

    private static IEnumerable<int[]> AllWays(FingerLattice lattice)
    {
        var way = new int[lattice.Steps.Count];
        while (true)
        {
            yield return [.. way];
            var i = 0;
            while (i < way.Length && ++way[i] == lattice.Steps[i].Choices.Length)
                way[i++] = 0;
            if (i == way.Length)
                yield break;
        }
    }
}
