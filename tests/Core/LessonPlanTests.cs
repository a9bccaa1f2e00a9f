using Coppia.Core.Lesson;
using Coppia.Core.Wording.Lessons;
using CsCheck;

namespace Coppia.Tests;

/// <summary>
/// The run-sheet: the order of craft 21, and its times by the formula of craft 21, reckoned by hand. Tempo, repeats and
/// talk are defaults from memory.
/// </summary>
public class LessonPlanTests
{
    private static readonly string[] AllFour = ["violin", "viola", "cello", "bass"];

    private static Player[] Players(params string[] who) =>
        [.. (who.Length > 0 ? who : AllFour).Select(i => new Player(Lines.Instrument(i)))];

    private static LessonTune Tune(
        long id,
        Score score,
        int news = 0,
        int goal = 72,
        bool review = false,
        params int[] reached
    ) =>
        new(
            id,
            [.. Players().Select(p => PlayerReading.Of(score, PrintedFor.Of(score), p))],
            news,
            goal,
            review,
            reached.ToHashSet()
        );

    /// <summary>One line of four bars in D, nothing in it that is hard; its likeliest slip becomes its chunk.</summary>
    private static Score Plain => Lines.Score("D", "D E F G | A2 A2 | G F E2 | D4", "4/4");

    private static string[] Parts(IEnumerable<LessonStep> steps) => [.. steps.Select(s => $"{s.Part}")];

    [Fact] // Reckoned by hand; 16 quarters a line, a bar of 4 counted in, 15 s a thing said.
    public void A_lesson_on_one_line_takes_what_the_formula_says()
    {
        var steps = LessonPlan.Of([Tune(1, Plain)], Players(), new LessonPace(), set: 1);
        (string, double)[] expected =
        [
            ("Tuning", 9 * 15), // A D G E C together, G D A E for the basses
            ("Shapes", 16 + 4 + 2 * 15), // two strings of eight quarters
            ("ScaleHalves", 32 + 4 + 15),
            ("ScaleQuarters", 16 + 4 + 15),
            ("ScaleEighths", 8 + 4 + 15),
            ("ScaleFaster", 12 * 60 / 80.0 + 15),
            ("Beat", 4 * 4 + 4 + 15),
            ("Look", 2 * 15),
            ("Line", 5 * 3 * (16 + 4) + 15), // bar by bar, by two bars, the line
            ("Chunk", 4 * 3 * (5 + 4) + 15), // four stages, five bars in all, three times each
            ("Join", 16 + 4 + 15),
            ("Slow", 16 + 4),
            ("AtTempo", 20 * 60 / 72.0),
            ("Home", 15),
        ];
        Assert.Equal(expected.Select(e => e.Item1), Parts(steps));
        Assert.Equal(expected.Select(e => Math.Round(e.Item2, 6)), steps.Select(s => Math.Round(s.Seconds(15), 6)));
        Assert.Equal(911.667, LessonTime.Of(steps, 15, 45).Seconds, 3);
    }

    [Fact] // Craft 21: tune, shapes, scale, what is new, the beat, then tune by tune; equal lines are learned once.
    public void The_steps_come_in_the_order_that_teachers_keep()
    {
        var waltz = Lines.Score("G", "G2 A | B2 A | G3 | D3 | G2 A | B2 A | G3 | D3", "3/4");
        var steps = LessonPlan.Of(
            [Tune(1, Plain, review: true), Tune(2, Plain, news: 2), Tune(3, waltz, news: 1)],
            Players(),
            new LessonPace(),
            set: 3
        );
        const string key = "Shapes ScaleHalves ScaleQuarters ScaleEighths ScaleFaster";
        // In the waltz cellos lift all four fingers at once, and put them down at once.
        Assert.Equal(
            $"Tuning {key} {key} News News Beat Beat Review Look Line Chunk Join Slow AtTempo Look Line Chunk Chunk "
                + "Join Slow AtTempo Home",
            string.Join(' ', Parts(steps))
        );
        Assert.Equal(["4/4", "3/4"], steps.Where(s => s.Part == LessonPart.Beat).Select(s => s.Meter));
    }

    [Fact] // A pick-up of one beat: the line has its three quarters more, and a whole bar is counted in.
    public void A_pick_up_belongs_to_its_line()
    {
        var line = LessonPlan
            .Of([Tune(1, Lines.Score("D", "A | d2 c | B2 A | F2 A | D2", "3/4"))], Players(), new LessonPace(), 0)
            .Single(s => s.Part == LessonPart.Line);
        Assert.Equal((12.0, 3.0), (line.Beats, line.CountIn));
    }

    // A crossing with a shift for basses and cellos: bar 3 is the worst, and becomes a chunk: 5 bars of 4, three times
    // each.
    [Fact]
    public void A_trouble_spot_is_grown()
    {
        var hard = Lines.Score("D", "D E F G | A2 A2 | (D B) (E c) | D4", "4/4");
        var chunk = LessonPlan
            .Of([Tune(1, hard)], Players(), new LessonPace(), 0)
            .First(s => s.Part == LessonPart.Chunk);
        Assert.Equal((2, 3, 4, 5.0, 3), (chunk.FirstBar, chunk.EndBar, chunk.Ways, chunk.Beats, chunk.Repeats));
        Assert.Equal(3 * (20 + 4 * 4) + 15, chunk.Seconds(15)); // each stage is counted in
    }

    [Fact]
    public void What_was_reached_is_known_next_week()
    {
        var steps = LessonPlan.Of([Tune(1, Plain, reached: 0)], Players(), new LessonPace(), 0);
        Assert.True(steps.Single(s => s.Part == LessonPart.Line).IsKnown);
    }

    [Theory] // Craft 21: "A first, then D, G and the outer string; basses by their own" (common practice).
    [InlineData("violin", "A D G E")]
    [InlineData("viola", "A D G C")]
    [InlineData("violin viola cello", "A D G E C")]
    [InlineData("violin cello bass", "A D G E C | G D A E")]
    [InlineData("bass", "G D A E")]
    public void Strings_are_tuned_in_order(string who, string order)
    {
        var tuned = TuningOrder.Of([.. who.Split(' ').Select(i => Lines.Instrument(i))]);
        var own = tuned.Where(t => t.ByTheirOwn).Select(t => t.Letter).ToArray();
        Assert.Equal(
            order,
            string.Join(' ', tuned.Where(t => !t.ByTheirOwn).Select(t => t.Letter))
                + (own.Length > 0 ? " | " + string.Join(' ', own) : "")
        );
    }

    [Fact]
    public void Tuning_is_told_in_a_sentence()
    {
        var words = new LessonWords(HouseStyle.Default, [.. AllFour.Select(i => Lines.Instrument(i))]);
        Assert.Equal(
            "A, D, G, then E (violins) and C (violas and cellos); basses by their own: G, D, A, E.",
            words.Detail(new LessonStep { Part = LessonPart.Tuning }, "", "")
        );
    }

    [Fact] // Fewer repeats of known lines, review tunes out, last tune to next week, in this order (craft 21).
    public void Too_long_a_lesson_is_offered_less_in_order()
    {
        var steps = LessonPlan.Of(
            [
                Tune(1, Plain, review: true),
                Tune(2, Plain, reached: 0),
                Tune(3, Lines.Score("G", "G A B c | d4", "4/4")),
            ],
            Players(),
            new LessonPace(),
            0
        );
        var time = LessonTime.Of(steps, 15, 5);
        Assert.Equal(
            [LessonOfferKind.FewerRepeats, LessonOfferKind.ReviewOut, LessonOfferKind.LastTuneOut],
            time.Offers.Select(o => o.Kind)
        );
        Assert.Equal(5 * 2 * 20, time.Offers[0].Seconds); // five ways twice less, 16 quarters and 4 counted in
        Assert.Equal(20 * 60 / 72.0, time.Offers[1].Seconds, 6);
        Assert.Equal(3, time.Offers[2].TuneId);
        // Just too long: the first offer is enough.
        var total = time.Seconds;
        Assert.Single(LessonTime.Of(steps, 15, (int)(total / 60)).Offers);
        Assert.Empty(LessonTime.Of(steps, 15, (int)(total / 60) + 1).Offers);
    }

    [Fact] // Nothing is dropped silently: what an offer leaves out is told, and with what stays it is the whole plan.
    public void Over_long_plans_drop_nothing_silently() =>
        (
            from seeds in Gen.Int[0, 500].Array[1, 4]
            from review in Gen.Bool.Array[4]
            from reached in Gen.Int[0, 3].Array[4]
            from pins in Gen.Int[0, 5].Array[80]
            from minutes in Gen.Int[5, 60]
            from talk in Gen.Int[0, 40]
            select (seeds, review, reached, pins, minutes, talk)
        ).Sample(
            g =>
            {
                LessonTune[] tunes =
                [
                    .. g.seeds.Select(
                        (seed, i) => Tune(i + 1, RandomTunes.Song(seed, 29, 38), 1, 80, g.review[i], [g.reached[i]])
                    ),
                ];
                LessonStep[] plan =
                [
                    .. LessonPlan
                        .Of(tunes, Players(), new LessonPace(), 1)
                        .Select((s, i) => s with { IsPinned = g.pins[i % g.pins.Length] == 0 }),
                ];
                var time = LessonTime.Of(plan, g.talk, g.minutes);
                IReadOnlyList<LessonStep> steps = plan;
                var left = new List<LessonStep>();
                foreach (var offer in time.Offers)
                {
                    var before = steps.Sum(s => s.Seconds(g.talk));
                    Assert.True(before > g.minutes * 60, "an offer that is not needed");
                    var (next, out_) = LessonTime.Take(steps, offer);
                    Assert.Equal(offer.Seconds, before - next.Sum(s => s.Seconds(g.talk)), 6);
                    left.AddRange(out_);
                    steps = next;
                }

                Assert.Equal(plan.Select(s => s.Id).Order(), steps.Concat(left).Select(s => s.Id).Order());
                Assert.DoesNotContain(left, s => s.IsPinned);
                Assert.All(steps.Where(s => s.IsPinned), s => Assert.Contains(s, plan));
            },
            iter: 60
        );

    [Fact] // Craft 18: a few minutes with breaks; twenty without one are told (from memory).
    public void Long_playing_without_a_rest_is_told()
    {
        LessonStep Playing(double minutes) => new() { Part = LessonPart.Line, Minutes = minutes };
        var rest = new LessonStep { Part = LessonPart.Break, Minutes = 1 };
        Assert.True(LessonTime.Of([Playing(12), Playing(9)], 15, 45).NeedsBreak);
        Assert.False(LessonTime.Of([Playing(12), rest, Playing(9)], 15, 45).NeedsBreak);
        // Half a minute of talk is no rest.
        Assert.True(
            LessonTime
                .Of([Playing(12), new LessonStep { Part = LessonPart.Look, Said = 2 }, Playing(9)], 15, 45)
                .NeedsBreak
        );
    }

    [Theory]
    [InlineData(10, "½ minute")]
    [InlineData(60, "1 minute")]
    [InlineData(95, "1½ minutes")]
    [InlineData(600, "10 minutes")]
    public void Minutes_are_told_in_halves(double seconds, string words) =>
        Assert.Equal(words, LessonWords.Minutes(seconds));
}
