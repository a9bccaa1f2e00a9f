using CsCheck;

namespace Coppia.Tests;

/// <summary>Bow place, uneven bars, and proposed bowings. Source: craft 8, common practice.</summary>
public class BowPlanTests
{
    private static readonly HouseStyle Style = HouseStyle.Default;

    private static (Score Score, IReadOnlyList<SoundingNote> Notes, Bows Bowing) Bowed(
        string music,
        string meter = "4/4"
    )
    {
        var score = Lines.Score("D", music, meter);
        var notes = SoundingNote.Of(score);
        return (score, notes, Bows.Follow(notes, score.Bars, PlayOrder.Of(score), Style.AfterLongRest));
    }

    private static IReadOnlyList<BowTravel> Travels(
        string music,
        string meter = "4/4",
        LoudBow loud = LoudBow.HeavierFaster
    )
    {
        var (_, notes, bowing) = Bowed(music, meter);
        return BowPlace.Along(notes, bowing.Strokes, loud);
    }

    [Fact] // Two equal halves of a bar: a whole bow each, frog to tip and back.
    public void Two_halves_take_a_whole_bow_each()
    {
        var travels = Travels("D2 E2|F2 G2");
        Assert.Equal([0, 1, 0, 1], travels.Select(t => t.From));
        Assert.All(travels, t => Assert.Equal(BowAmount.Whole, t.Amount));
        Assert.All(travels, t => Assert.False(t.RunsOut));
    }

    [Fact] // A dotted half down and a quarter up drift to the tip.
    public void Three_beats_down_and_one_up_drift_to_the_tip()
    {
        var travels = Travels("D3 E|F3 G|A3 B");
        Assert.Equal(0, travels[0].From);
        Assert.True(travels[2].RunsOut);
        var (_, notes, bowing) = Bowed("D3 E|F3 G|A3 B");
        Assert.Equal(
            "Bar 1: 3 beats down, 1 up. The up bow must travel three times as fast, or hook it, or lift.",
            BowWords.Uneven(UnevenBars.Of(notes, bowing)[0])
        );
        Assert.Equal(3, UnevenBars.Of(notes, bowing).Count);
    }

    [Theory] // How a bow is brought back is told in bow, never as a quotient with decimals (common practice).
    [InlineData("D2 E2", "", null)]
    [InlineData(
        "D3/2 E/4 F7/4 G/2",
        "3¼ beats down, ¾ up",
        "The up bow has to bring almost the whole bow back in short notes; hook it, or lift."
    )]
    [InlineData(
        "D7/2E/",
        "3½ beats down, ½ up",
        "The up bow has to bring almost the whole bow back in one short note; hook it, or lift."
    )]
    [InlineData(
        "(D3 E/) (F/4G/4)",
        "3½ beats down, ½ up",
        "The up bow has to bring almost the whole bow back in one short stroke; hook it, or lift."
    )]
    [InlineData(
        "(D2 E) F/4 G3/4",
        "3¾ beats down, ¼ up",
        "The up bow has to bring almost the whole bow back in one short note; hook it, or lift."
    )]
    [InlineData(
        "(D2 E/) F/ G",
        "3½ beats down, ½ up",
        "The up bow has to bring almost the whole bow back in one short note; hook it, or lift."
    )]
    [InlineData("D5/2 E F/", "3 beats down, 1 up", "The up bow must travel three times as fast, or hook it, or lift.")]
    public void The_way_back_is_told_in_bow(string music, string beats, string? back)
    {
        var (_, notes, bowing) = Bowed(music);
        var uneven = UnevenBars.Of(notes, bowing);
        if (back is null)
            Assert.Empty(uneven);
        else
            Assert.Equal($"Bar 1: {beats}. {back}", BowWords.Uneven(Assert.Single(uneven)));
    }

    [Theory]
    [InlineData("D E F G", "4/4", BowAmount.Half)]
    [InlineData("D/E/F/G/ A2", "4/4", BowAmount.Small)] // quick separate eighths: about 5 cm
    [InlineData("D3/2E/ F2", "4/4", BowAmount.Part)]
    [InlineData("D4", "4/4", BowAmount.Slow)] // long notes: slow bow, save it
    [InlineData("D3|E3", "3/4", BowAmount.Whole)]
    public void Amounts_of_bow_are_a_players_words(string music, string meter, BowAmount amount) =>
        Assert.Equal(amount, Travels(music, meter)[0].Amount);

    [Fact] // A single eighth between longer notes has to carry the bow back.
    public void A_lone_eighth_is_no_small_stroke() => Assert.Equal(BowAmount.Part, Travels("D3/2E/ F3/2G/")[1].Amount);

    [Fact] // Craft 8: on the bow's speed teachers disagree; a school setting.
    public void Louder_is_faster_or_slower_by_the_schools_setting()
    {
        double Quarter(LoudBow loud) => Travels("!f!D E F G", loud: loud)[0].To;
        Assert.True(Quarter(LoudBow.HeavierFaster) > 0.5);
        Assert.True(Quarter(LoudBow.HeavierSlower) < 0.5);
    }

    [Fact] // What repeats is told once, with its bars.
    public void A_hint_that_repeats_is_told_once_with_its_bars()
    {
        var (_, notes, bowing) = Bowed("(.D.E) (.F.G)|(.D.E) (.F.G)|(.D.E) (.F.G)|(.D.E) (.F.G)|D E F G|(.D.E) F G");
        var told = BowUse.InBars(notes, BowUse.Of(notes, []));
        Assert.Equal(
            ("Bars 1–4 and 6", "Hooked: the same direction, stopped between the notes."),
            (BowWords.Where(Assert.Single(told)), BowWords.Action(told[0].Action, Style))
        );
    }

    [Fact]
    public void A_lift_starts_again_at_the_frog() => Assert.Equal(0, Travels("D3 !breath!E|F3 G")[2].From);

    [Fact] // A dynamic holds until the next sign.
    public void Dynamics_hold() =>
        Assert.Equal([0, -1, -1, 1, 1], Loudness.Of(SoundingNote.Of(Lines.Score("D", "D !p!E F !f!G A"))));

    private static string[] Hints(string music, HouseStyle? style = null)
    {
        var (_, notes, bowing) = Bowed(music);
        return
        [
            .. BowUse
                .Of(notes, BowPlace.Along(notes, bowing.Strokes, Style.LoudBow))
                .Select(h => BowWords.Action(h.Action, style ?? Style)),
        ];
    }

    [Theory]
    [InlineData(".D .E F2", "Dots: the bow moves quickly and stops; the pulse does not speed up.")]
    [InlineData("!accent!D E F2", "Accent: more bite at the start of the note, then let go.")]
    [InlineData("(.D.E) F2", "Hooked: the same direction, stopped between the notes.")]
    [InlineData("(DEF) G", "Slur: 3 notes in one bow, the bow does not stop.")]
    [InlineData("\"^pizz.\"D E F2", "Pluck: the bow rests in the hand; the left hand stays as it is.")]
    [InlineData("!f!D E F2", "f, louder: more weight, nearer the bridge, a faster bow.")]
    [InlineData("!f!D E !p!F2", "p, softer: less weight, nearer the fingerboard, a slower bow.")]
    public void Bow_use_is_said_where_it_starts(string music, string words) => Assert.Single(Hints(music), words);

    [Fact]
    public void A_school_that_slows_down_for_loud_is_heard() =>
        Assert.Contains(
            "f, louder: more weight, nearer the bridge, a slower bow.",
            Hints("!f!D E F2", new HouseStyle { LoudBow = LoudBow.HeavierSlower })
        );

    [Theory]
    [InlineData("D E F|G A B|c3", "3/4", "b1n3 Slur, b2n3 Slur")] // three strokes a bar: bind the last two
    [InlineData("D E E|F G G|A3", "3/4", "b1n3 Hook, b2n3 Hook")] // one pitch twice is hooked
    [InlineData("D E F G|A B c d", "4/4", "")]
    [InlineData("D4|E2 F2|G4|A4", "4/4", "b1n1 Lift, b3n1 Lift")]
    [InlineData("D3|E3|F3|G3", "3/4", "b1n1 Lift, b2n1 Lift, b3n1 Lift")]
    public void Downbeats_down_with_the_fewest_changes(string music, string meter, string edits) =>
        Assert.Equal(
            edits,
            string.Join(
                ", ",
                BowSearch
                    .Find(Lines.Score("D", music, meter), BowAim.DownbeatsDown, Style)
                    .Select(e => $"{e.NoteId} {e.Kind}")
            )
        );

    [Fact]
    public void Refused_changes_are_never_proposed()
    {
        var score = Lines.Score("D", "D E F|G A B|c3", "3/4");
        var refused = new List<BowEdit>();
        while (
            BowSearch.Find(score, BowAim.DownbeatsDown, Style, refused) is { Count: > 0 } found && refused.Count < 40
        )
        {
            Assert.DoesNotContain(found, refused.Contains);
            refused.Add(found[0]);
        }

        Assert.True(refused.Count < 40);
    }

    /// <summary>Small random tunes: lengths of a bar in eighths, some slurs, rests and a repeat.</summary>
    private static readonly Gen<Score> Small =
        from bars in Gen.OneOf(
            Gen.Const("D2 E F"),
            Gen.Const("D E F G"),
            Gen.Const("D3 E"),
            Gen.Const("D4"),
            Gen.Const("(DE) F2"),
            Gen.Const("D E E z"),
            Gen.Const("z D E2"),
            Gen.Const("z4"),
            Gen.Const("D2 E2")
        ).Array[1, 2]
        from repeat in Gen.Bool
        from pickUp in Gen.Bool
        where bars.Any(b => b != "z4")
        select Lines.Score(
            "D",
            $"{(pickUp ? "A|" : "")}{(repeat ? "|:" : "")}{string.Join('|', bars)}{(repeat ? ":|" : "")}",
            "4/4"
        );

    private static IEnumerable<BowEdit[]> EverySet(Score score)
    {
        var one = score
            .Events.Where(e => !e.IsRest)
            .SelectMany(e =>
                new[]
                {
                    new BowEdit(e.Id, BowEditKind.Slur),
                    new BowEdit(e.Id, BowEditKind.Hook),
                    new BowEdit(e.Id, BowEditKind.Lift),
                }
            )
            .ToArray();
        for (var size = 0; size <= 3; size++)
        {
            foreach (var set in Choose(one, size))
                yield return set;
        }
    }

    private static IEnumerable<BowEdit[]> Choose(BowEdit[] from, int size, int start = 0)
    {
        if (size == 0)
            yield return [];
        else
        {
            for (var i = start; i < from.Length; i++)
            {
                foreach (var rest in Choose(from, size - 1, i + 1))
                    yield return [from[i], .. rest];
            }
        }
    }

    /// <summary>
    /// The print as a player may be shown it: no new slur goes over a barline, nor binds one pitch so that it reads as
    /// a tie.
    /// </summary>
    private static bool IsReadable(Score changed) =>
        SoundingNote
            .Of(changed)
            .Zip(SoundingNote.Of(changed).Skip(1), (before, note) => (before, note))
            .Where(p => p.note.Slurred)
            .All(p =>
                p.before.Bar.Id == p.note.Bar.Id && (p.before.Pitch != p.note.Pitch || p.note.Event.Has(Marks.Staccato))
            );

    [Fact] // The search against every set of up to three changes.
    public void No_set_of_changes_is_cheaper_than_the_one_found() => Small.Sample(CheapestIsFound, iter: Rounds.Of(60));

    private static void CheapestIsFound(Score score)
    {
        foreach (var aim in Enum.GetValues<BowAim>())
        {
            var found = BowSearch.Price(score, BowSearch.Find(score, aim, Style), aim, Style);
            var tried = 0;
            foreach (var set in EverySet(score).Where(s => BowEdits.Fitting(score, s).Count == s.Length))
            {
                if (!IsReadable(BowEdits.Apply(score, set)))
                    continue;
                tried++;
                Assert.True(
                    found <= BowSearch.Price(score, set, aim, Style),
                    $"{aim}: {string.Join(", ", set.Select(e => e.ToString()))}"
                );
            }

            Assert.True(tried > score.Events.Count(e => !e.IsRest), "each note can be lifted after, at least");
        }
    }

    [Theory] // Repeats that begin with a rest or a pick-up, where the bow must come back as it set out.
    [InlineData("A|:z D E2|D4:|")]
    [InlineData("|:A|D2 E F|G4 z3:|")]
    [InlineData("|:D4|1E4:|2F4|]")]
    [InlineData("|:D4|E2F2|z4:|A4|]")] // with a bar of rest before the sign, in an ending, and after it
    [InlineData("|:D4|E2F2|1D4:|2z4|A4|]")]
    [InlineData("|:z4|D4|E2F2:|A4|]")]
    [InlineData("|:D4|1z4:|2E4|F4|]")]
    public void Nor_where_a_repeat_begins_off_the_beat(string music) => CheapestIsFound(Lines.Score("D", music, "4/4"));

    [Fact] // What is proposed reaches its aim.
    public void Proposed_downbeats_are_down_in_every_demo_tune()
    {
        foreach (var file in Lines.DemoFiles())
        {
            var score = Formats.Books.TuneReader.Read(File.ReadAllText(file)).Score!;
            var proposal = BowProposal.Of(score, BowAim.DownbeatsDown, Style);
            Assert.Equal(0, proposal.Left);
            var even = BowProposal.Of(score, BowAim.EvenBow, Style);
            Assert.True(even.Left <= even.Now);
        }
    }

    [Fact]
    public void Changes_of_the_bow_leave_the_notes_as_they_are_and_none_leaves_the_print() =>
        Small.Sample(
            score =>
            {
                var edits = BowSearch.Find(score, BowAim.DownbeatsDown, Style);
                Assert.Same(score, BowEdits.Apply(score, []));
                var changed = BowEdits.Apply(score, edits);
                Assert.Equal(
                    score.Events.Select(e => (e.Id, e.Pitch, e.Length)),
                    changed.Events.Select(e => (e.Id, e.Pitch, e.Length))
                );
                Assert.Equal(edits.Count > 0, !score.Events.SequenceEqual(changed.Events));
            },
            iter: Rounds.Of(50)
        );

    [Theory]
    [InlineData("b1n1", BowEditKind.Slur)] // nothing before it
    [InlineData("b1n3", BowEditKind.Slur)] // bound already
    [InlineData("b1n5", BowEditKind.Hook)] // a rest
    [InlineData("b9n1", BowEditKind.Lift)] // no such note
    public void A_change_that_cannot_be_made_is_refused(string note, BowEditKind kind) =>
        Assert.Throws<ImpossibleBowEditException>(() =>
            BowEdits.Apply(Lines.Score("D", "D (E F) G z"), [new BowEdit(note, kind)])
        );

    // A bar of rest sets the bow anew also where playing jumps over it (craft 8): directions by hand; the second time
    // in brackets.
    [Theory]
    [InlineData("|:D4|E2F2|z4:|A4|]", "D U D D")]
    [InlineData("|:D4|E2F2|1D4:|2z4|A4|]", "D U D U D")]
    [InlineData("|:z4|D4|E2F2:|A4|]", "D U D U")]
    [InlineData("|:D4|E2F2|z2z2:|A4|]", "D U D D")]
    [InlineData("|:D4|E2F2|z2G2:|A4|]", "D U D U D")]
    [InlineData("|:D4|E4|F2z2:|A4|]", "D(U) U(D) D(U) D")] // half a bar of rest does not
    public void A_bar_of_rest_sets_the_bow_anew_over_a_repeat(string music, string directions)
    {
        var (_, notes, bowing) = Bowed(music);
        Assert.Equal(
            directions,
            string.Join(
                ' ',
                notes.Select(n =>
                    Sign(bowing.Directions[n.Index]) + (bowing.Again[n.Index] is { } again ? $"({Sign(again)})" : "")
                )
            )
        );

        static string Sign(BowDirection way) => way == BowDirection.Down ? "D" : "U";
    }

    [Fact] // Where the school goes on after a rest, the sign stands at the end of the bar of rest.
    public void The_bar_that_is_named_is_the_one_with_the_sign()
    {
        var goesOn = new HouseStyle { AfterLongRest = AfterLongRest.GoOn };
        var score = Lines.Score("D", "|:D4|E2F2|z4:|A4|]", "4/4");
        var notes = SoundingNote.Of(score);
        var bowing = Bows.Follow(notes, score.Bars, PlayOrder.Of(score), goesOn.AfterLongRest);
        Assert.Equal(
            "After bar 3 the repeat goes back to bar 1 with the bow the other way round: D is down the first time, "
                + "up the second.",
            BowWords.WrongWay(notes, Assert.Single(bowing.ComesBackWrong), goesOn)
        );
    }

    [Fact] // A long note that runs out has not been saved for.
    public void Slow_bow_and_running_out_are_not_both_said() =>
        Gen.Select(Gen.Int[0, 5].Array[1, 8], Gen.Bool)
            .Sample(
                g =>
                {
                    string[] bars = ["D4", "E2F2", "G3A", "A G3", "D2-D/ E3/2", "d B A/G/F"];
                    var (_, notes, bowing) = Bowed(string.Join('|', g.Item1.Select(b => bars[b])) + "|]");
                    var travels = BowPlace.Along(
                        notes,
                        bowing.Strokes,
                        g.Item2 ? LoudBow.HeavierFaster : LoudBow.HeavierSlower
                    );
                    Assert.DoesNotContain(travels, t => t is { RunsOut: true, Amount: BowAmount.Slow });
                },
                iter: 200
            );

    [Fact]
    public void A_repeat_that_turns_the_bow_round_is_told_with_what_helps()
    {
        var (score, notes, bowing) = Bowed("|:D E F2:|");
        var wrong = Assert.Single(bowing.ComesBackWrong);
        Assert.Equal(
            "After bar 1 the repeat goes back to bar 1 with the bow the other way round: D is down the first time, "
                + "up the second.",
            BowWords.WrongWay(notes, wrong, Style)
        );
        var mends = Assert.Single(WrongWayMends.Of(score, notes, bowing)).Mends;
        Assert.Equal([BowEditKind.Slur, BowEditKind.Hook, BowEditKind.Lift], mends.Select(m => m.Kind));
        Assert.All(
            mends,
            m =>
            {
                var mended = BowEdits.Apply(score, [m]);
                Assert.Empty(
                    Bows.Follow(
                        SoundingNote.Of(mended),
                        mended.Bars,
                        PlayOrder.Of(mended),
                        Style.AfterLongRest
                    ).ComesBackWrong
                );
            }
        );
    }
}
