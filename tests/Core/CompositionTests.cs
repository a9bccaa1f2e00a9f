using Coppia.Core.Composition;
using CsCheck;

namespace Coppia.Tests;

/// <summary>
/// Rules of a composition by property: a piece that is made to keep them passes; one that breaks a single rule is told
/// so, at its bar, and of nothing else. Source: craft 13; the palettes follow from craft 2, 3 and 19.
/// </summary>
public class CompositionTests
{
    private const int Pieces = 300;

    private static readonly WritingTask[] Tasks =
    [
        SomePieces.Violin,
        SomePieces.Cello,
        SomePieces.Viola,
        SomePieces.Bass,
        SomePieces.Natural,
    ];

    private static readonly NoteValue Eighth = new(3);

    /// <summary>Makes a piece as a careful child would: bar after bar, the given notes first.</summary>
    private static List<List<PieceNote>> Kept(WritingTask task, Random chance)
    {
        var rests = 0;
        var bars = new List<List<PieceNote>>();
        for (var bar = 1; bar <= task.Bars; bar++)
        {
            var given = task
                .Fixed.Where(f => f.Bar == bar)
                .Select(f => new PieceNote { Pitch = f.Pitch, Value = task.ValueOf(f) })
                .ToArray();
            var quarters = task.Meter.Beats - given.Length;
            List<PieceNote> row = [];
            while (quarters > 0)
            {
                var fitting = task
                    .Values.Where(v => v.Length * new Fraction(4, 1) <= new Fraction(quarters, 1))
                    .ToArray();
                var value = fitting[chance.Next(fitting.Length)];
                quarters -= (int)(value.Length * new Fraction(4, 1)).Numerator;
                var isRest = rests < (task.MostRests ?? 3) && row.Count > 0 && chance.Next(5) == 0;
                rests += isRest ? 1 : 0;
                row.Add(
                    new PieceNote
                    {
                        Pitch = isRest ? null : task.Allowed[chance.Next(task.Allowed.Count)],
                        Value = value,
                    }
                );
            }

            bars.Add([.. row, .. given]);
        }

        return bars;
    }

    private static string Broken(List<List<PieceNote>> bars, WritingTask task) =>
        string.Join(", ", PieceRules.Broken(new Piece([.. bars]), task).Select(b => $"{b.Bar} {b.Rule}"));

    /// <summary>A bar and a note in it that is not a given one.</summary>
    private static (int Bar, int At) Free(List<List<PieceNote>> bars, WritingTask task, Random chance)
    {
        while (true)
        {
            var bar = chance.Next(bars.Count);
            var free = bars[bar].Count - task.Fixed.Count(f => f.Bar == bar + 1);
            var at = chance.Next(Math.Max(1, free));
            if (at < free && !bars[bar][at].IsRest)
                return (bar, at);
        }
    }

    private static void Each(Action<WritingTask, List<List<PieceNote>>, Random> look)
    {
        for (var seed = 1; seed <= Pieces; seed++)
        {
            var chance = new Random(seed);
            var task = Tasks[seed % Tasks.Length];
            look(task, Kept(task, chance), chance);
        }
    }

    [Fact]
    public void A_piece_that_keeps_all_rules_passes() => Each((task, bars, _) => Assert.Equal("", Broken(bars, task)));

    [Fact]
    public void A_beat_too_many_is_found_in_its_bar() =>
        Each(
            (task, bars, chance) =>
            {
                var bar = chance.Next(bars.Count);
                bars[bar].Insert(0, new PieceNote { Pitch = task.Allowed[0] });
                Assert.Equal($"{bar + 1} Beats", Broken(bars, task));
            }
        );

    [Fact]
    public void A_beat_too_few_is_found_in_its_bar() =>
        Each(
            (task, bars, chance) =>
            {
                var (bar, at) = Free(bars, task, chance);
                bars[bar].RemoveAt(at);
                Assert.Equal($"{bar + 1} Beats", Broken(bars, task));
            }
        );

    [Fact]
    public void A_note_that_is_not_in_the_palette_is_found_in_its_bar() =>
        Each(
            (task, bars, chance) =>
            {
                var (bar, at) = Free(bars, task, chance);
                var above = task.Allowed[^1];
                bars[bar][at] = bars[bar][at] with { Pitch = Pitch.FromStep(above.Step + 1 + chance.Next(3)) };
                Assert.Equal($"{bar + 1} Note", Broken(bars, task));
            }
        );

    [Fact]
    public void A_note_without_its_sharp_is_another_note() =>
        Each(
            (_, _, chance) =>
            {
                var bars = Kept(SomePieces.Cello, chance);
                var (bar, at) = Free(bars, SomePieces.Cello, chance);
                bars[bar][at] = bars[bar][at] with { Pitch = Pitch.Parse("F3") };
                Assert.Equal($"{bar + 1} Accidental", Broken(bars, SomePieces.Cello));
            }
        );

    [Fact]
    public void A_value_that_is_not_allowed_is_found_in_its_bar() =>
        Each(
            (task, bars, chance) =>
            {
                var (bar, at) = Free(bars, task, chance);
                var note = bars[bar][at];
                var eighths = (int)(note.Value.Length / Eighth.Length).Numerator;
                bars[bar].RemoveAt(at);
                bars[bar].InsertRange(at, Enumerable.Repeat(note with { Value = Eighth }, eighths));
                Assert.Equal(string.Join(", ", Enumerable.Repeat($"{bar + 1} Value", eighths)), Broken(bars, task));
            }
        );

    [Fact]
    public void The_first_rest_too_many_is_found_in_its_bar() =>
        Each(
            (task, bars, chance) =>
            {
                if (task.MostRests is not { } most)
                    return;
                int[] Rests() => [.. bars.SelectMany((b, i) => b.Where(n => n.IsRest).Select(_ => i + 1))];
                while (Rests().Length <= most)
                {
                    var (bar, at) = Free(bars, task, chance);
                    bars[bar][at] = bars[bar][at] with { Pitch = null };
                }

                // On two bars all may be rests by then.
                var only = bars.SelectMany(b => b).All(n => n.IsRest);
                Assert.Equal(only ? "1 OnlyRests" : $"{Rests()[most]} Rests", Broken(bars, task).Split(", ")[0]);
            }
        );

    [Fact]
    public void A_given_note_that_is_changed_is_found_in_its_bar() =>
        Each(
            (task, bars, chance) =>
            {
                if (task.Fixed.Count == 0)
                    return;
                var given = task.Fixed[chance.Next(task.Fixed.Count)];
                var other = task.Allowed.First(p => p != given.Pitch);
                bars[given.Bar - 1][^1] = bars[given.Bar - 1][^1] with { Pitch = other };
                Assert.Equal($"{given.Bar} Fixed", Broken(bars, task));
            }
        );

    [Fact] // Craft 12.
    public void A_stem_that_points_the_wrong_way_is_found_in_its_bar() =>
        Each(
            (task, bars, chance) =>
            {
                var (bar, at) = Free(bars, task, chance);
                var line = task.Clef.PitchAt(4);
                var isBelow = bars[bar][at].Pitch!.Value.Step < line.Step;
                bars[bar][at] = bars[bar][at] with { Stem = new Stem(IsUp: !isBelow, OnRight: !isBelow) };
                Assert.Equal($"{bar + 1} Stem", Broken(bars, task));
                bars[bar][at] = bars[bar][at] with { Stem = new Stem(IsUp: isBelow, OnRight: isBelow) };
                Assert.Equal("", Broken(bars, task));
            }
        );

    [Fact]
    public void A_bar_too_few_or_too_many_is_found_where_it_is() =>
        Each(
            (task, bars, chance) =>
            {
                var more = bars.Append(Kept(SomePieces.Natural, chance)[0]).Select(b => b.ToList()).ToList();
                more[^1] = [.. bars[0].Take(bars[0].Count - task.Fixed.Count(f => f.Bar == 1)).Where(n => !n.IsRest)];
                Assert.Contains($"{task.Bars + 1} Length", Broken(more, task), StringComparison.Ordinal);
                bars.RemoveAt(bars.Count - 1);
                Assert.Equal($"{task.Bars} Length", Broken(bars, task));
            }
        );

    [Fact]
    public void Rests_alone_are_no_piece()
    {
        var rests = Enumerable.Range(0, 2).Select(_ => Enumerable.Repeat(new PieceNote(), 4).ToList()).ToList();
        Assert.Equal("1 OnlyRests", Broken(rests, SomePieces.Natural));
    }

    [Theory] // Sounds and written notes by craft 2 and 3; the fourth finger of the upper string where a hand has it.
    [InlineData(1, 2, "violin", "D4 E4 F#4 G4 A4", "2 A4, 4 D4")]
    [InlineData(1, 2, "viola", "D4 E4 F#4 G4 A4", "2 A4, 4 D4")]
    [InlineData(1, 2, "cello", "D3 E3 F#3 G3 A3", "2 A3, 4 D3")]
    [InlineData(1, 2, "bass", "D3 E3 F#3 G3 A3", "2 A3, 4 D3")]
    [InlineData(1, 1, "violin", "G3 A3 B3 C4 D4", "2 D4, 4 G3")]
    [InlineData(1, 1, "cello", "G2 A2 B2 C3 D3", "2 D3, 4 G2")]
    [InlineData(1, 1, "bass", "G2 A2 B2 C3 D3", "2 D3, 4 G2")]
    [InlineData(2, 0, "viola", "C3 D3 E3 F3 G3", "")]
    [InlineData(2, 0, "violin", "C4 D4 E4 F4 G4", "")]
    [InlineData(3, 2, "violin", "D4 E4 F#4 G4 A4 B4 C#5 D5 E5", "")]
    [InlineData(3, 2, "viola", "D4 E4 F#4 G4 A4 B4 C#5 D5 E5", "")]
    [InlineData(3, 2, "cello", "D3 E3 F#3 G3 A3 B3 C#4 D4", "")]
    [InlineData(3, 2, "bass", "D3 E3 F#3 G3 A3 B3", "")]
    [InlineData(4, 2, "cello", "D3 E3 F#3 G3 A3 B3 C#4 D4", "4 A3, 8 D3")]
    public void The_palette_of_a_level_moves_to_each_instrument(
        int level,
        int fifths,
        string instrument,
        string palette,
        string given
    )
    {
        var task = TaskLevel.Plan(level, new(fifths, ScaleForm.Major)).For(StringSection.Named(instrument)!);
        Assert.Equal(palette, string.Join(' ', task.Allowed));
        Assert.Equal(given, string.Join(", ", task.Fixed.Select(f => $"{f.Bar} {f.Pitch}")));
        Assert.Empty(TaskFault.In(task));
    }

    [Fact] // Craft 13: fixed endings, without, two strings, eight bars with, then without.
    public void Each_level_goes_on_from_the_one_before()
    {
        var plan = TaskLevel.Plan(1, new(2, ScaleForm.Major)) with { MostRests = 4, ByHand = true };
        List<string> levels = [];
        for (var level = 1; plan is not null; level++)
        {
            levels.Add($"{plan.Bars} bars, {plan.Steps.Count} notes, {plan.Fixed.Count} given");
            Assert.Equal((4, true), (plan.MostRests, plan.ByHand));
            plan = TaskLevel.After(level, plan)!;
        }

        Assert.Equal(
            [
                "4 bars, 5 notes, 2 given",
                "4 bars, 5 notes, 0 given",
                "4 bars, 9 notes, 0 given",
                "8 bars, 9 notes, 2 given",
                "8 bars, 9 notes, 0 given",
            ],
            levels
        );
    }

    // "Nothing comes again" is said where no bar, no three notes and no rhythm of them do; of silence nothing is said.
    [Fact]
    public void Advice_says_only_what_is_so()
    {
        string[] bars =
        [
            "G3h A3 B3",
            "D4 C4h A3",
            "B3e C4e D4 A3h",
            "C4h. G3",
            "G3 A3 B3 C4",
            "r r r r",
            "r G3 r r",
            "D4h B3h",
            "A3 r B3 r",
            "G3 G3 G3 G3",
            "D4e C4e B3e A3e G3h",
            "C4 A3 C4 A3",
            "rh G3h",
            "B3w",
        ];
        Gen.Int[0, bars.Length - 1]
            .Array[4]
            .Sample(
                chosen =>
                {
                    string[] piece = [.. chosen.Select(b => bars[b])];
                    var advice = Heard.In(
                        SomePieces.Read(string.Join(" | ", piece), SomePieces.Violin),
                        SomePieces.Violin
                    );
                    string[] words = [.. piece.SelectMany(b => b.Split(' '))];
                    string[] rhythms = [.. piece.Select(b => string.Join(' ', b.Split(' ').Select(Rhythm)))];
                    string[] threes =
                    [
                        .. Enumerable
                            .Range(0, Math.Max(0, words.Length - 2))
                            .Select(i => string.Join(' ', words[i..(i + 3)].Select(Rhythm))),
                    ];
                    if (advice.Any(a => a is { Kind: AdviceKind.Repetition, IsGood: false, Rhythm: false }))
                    {
                        Assert.Equal(rhythms.Length, rhythms.Distinct().Count());
                        Assert.DoesNotContain(threes.Index(), t => threes.Skip(t.Index + 3).Contains(t.Item));
                    }

                    if (
                        advice.FirstOrDefault(a => a is { Kind: AdviceKind.Repetition, IsGood: true, Rhythm: true }) is
                        { AsBar: { } like } again
                    )
                        Assert.Equal(rhythms[like - 1], rhythms[again.Bar - 1]);
                    if (2 * words.Count(w => w.StartsWith('r')) > words.Length)
                        Assert.Empty(advice);
                },
                iter: 2_000
            );

        static string Rhythm(string word) =>
            (word[0] == 'r' ? "r" : "n") + word.TrimStart('r', 'A', 'B', 'C', 'D', 'E', 'F', 'G', '3', '4');
    }

    [Fact] // What nobody could meet is told with the note, the bar, and what would be right.
    public void A_task_that_cannot_be_met_is_refused()
    {
        var task = SomePieces.Violin;
        Assert.Empty(TaskFault.In(task));
        (WritingTask Task, TaskFaultKind Kind)[] wrong =
        [
            (task with { Allowed = [] }, TaskFaultKind.NoNotes),
            (task with { Values = [] }, TaskFaultKind.NoValues),
            (task with { Bars = 0 }, TaskFaultKind.Bars),
            (task with { Bars = 33 }, TaskFaultKind.Bars),
            (task with { MostRests = -1 }, TaskFaultKind.RestsBelowZero),
            (task with { MostRests = 16, Fixed = [] }, TaskFaultKind.OnlyRests),
            (task with { Allowed = [.. task.Allowed, Pitch.Parse("C2")] }, TaskFaultKind.OutOfReach),
            (task with { Allowed = [.. task.Allowed.Take(4)] }, TaskFaultKind.FixedOutsidePalette),
            (task with { Bars = 3 }, TaskFaultKind.FixedOutsideBars),
            (
                task with
                {
                    Fixed = [task.Fixed[0], task.Fixed[0] with { Pitch = Pitch.Parse("A3") }],
                },
                TaskFaultKind.FixedTwice
            ),
            (task with { Fixed = [task.Fixed[0] with { Value = new NoteValue(1) }] }, TaskFaultKind.FixedValue),
            (
                task with
                {
                    Meter = new TimeSignature(3, 4),
                    Values = [new NoteValue(1)],
                    Fixed = [],
                },
                TaskFaultKind.BarNotFilled
            ),
            // A half that is given leaves a quarter of the bar.
            (
                task with
                {
                    Meter = new TimeSignature(3, 4),
                    Values = [new NoteValue(1), new NoteValue(1, 1)],
                    Fixed = [task.Fixed[0]],
                },
                TaskFaultKind.BarNotFilled
            ),
        ];
        Assert.All(wrong, w => Assert.Equal(w.Kind, Assert.Single(TaskFault.In(w.Task)).Kind));
        // Sixteen beats: with the two notes that are given, or with one that is left, it is a piece.
        Assert.Empty(TaskFault.In(task with { MostRests = 14 }));
        Assert.Empty(TaskFault.In(task with { MostRests = 15, Fixed = [] }));
        Assert.Empty(TaskFault.In(task with { MostRests = null }));
    }
}
