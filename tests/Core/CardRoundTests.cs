using Coppia.Core.Drills;
using Coppia.Core.Wording.Drills;

namespace Coppia.Tests;

/// <summary>Rounds of cards and their ends (craft 14).</summary>
public class CardRoundTests
{
    private static readonly KeySignature D = new(2);

    private static Player Of(string instrument) => new(Lines.Instrument(instrument));

    private static Pitch[] Notes(CardRound round) => [.. round.Cards.Select(c => ((NoteQuestion)c.Question).Note)];

    // Common practice: one string's notes as they lie, up and down. The next open string is learned open, so it is not
    // among them.
    [Theory]
    [InlineData("violin", 1, "D4 E4 F#4 G4 F#4 E4 D4 E4 F#4 G4 F#4 E4")]
    [InlineData("violin", 2, "A4 B4 C#5 D5 C#5 B4 A4 B4 C#5 D5 C#5 B4")]
    [InlineData("viola", 0, "C#3 D3 E3 F#3 E3 D3 C#3 D3 E3 F#3 E3 D3")]
    [InlineData("cello", 2, "D3 E3 F#3 G3 F#3 E3 D3 E3 F#3 G3 F#3 E3")]
    [InlineData("bass", 2, "D3 E3 F#3 E3 D3 E3 F#3 E3 D3 E3 F#3 E3")]
    public void One_string_in_order_goes_up_and_down(string instrument, int s, string notes) =>
        Assert.Equal(
            notes,
            string.Join(' ', Notes(CardRound.Of(Of(instrument), CardKind.NoteToName, CardStage.InOrder, s, D, seed: 1)))
        );

    [Fact]
    public void A_round_has_twelve_cards_of_its_strings_and_no_neighbours_alike()
    {
        foreach (var instrument in StringSection.All)
        foreach (var kind in Enum.GetValues<CardKind>())
        foreach (var stage in Enum.GetValues<CardStage>())
        foreach (var s in Enumerable.Range(0, instrument.Strings.Count))
        foreach (var seed in Enumerable.Range(1, 10))
        {
            var player = new Player(instrument);
            var round = CardRound.Of(player, kind, stage, s, D, seed);
            var notes = Notes(round);
            var said = $"{instrument.Id} {kind} {stage} {s} {seed}: {string.Join(' ', notes)}";
            Assert.True(notes.Length == 12, said);
            Assert.True(notes.Zip(notes.Skip(1)).All(n => n.First != n.Second), said);
            // Where a note is played, by staff and string alone: not under its lowest string, and not beyond the hand's
            // reach on its highest.
            var strings = round.Strings.Select(i => instrument.Strings[i].Midi).ToArray();
            Assert.True(notes.All(n => strings.Any(open => n.Midi - open is >= 0 and <= 8)), said);
            Assert.Equal(
                stage switch
                {
                    CardStage.TwoStrings => 2,
                    CardStage.AllStrings => instrument.Strings.Count,
                    _ => 1,
                },
                round.Strings.Count
            );
            if (stage == CardStage.InOrder)
                continue;
            var often = notes.GroupBy(n => n).Select(g => g.Count()).ToArray();
            Assert.True(often.Max() - often.Min() <= 1, said);
        }
    }

    [Fact]
    public void The_same_deal_gives_the_same_cards_and_another_seed_others()
    {
        CardRound Deal(int seed) => CardRound.Of(Of("cello"), CardKind.NoteToPair, CardStage.AllStrings, 0, D, seed);
        Assert.Equal(Notes(Deal(7)), Notes(Deal(7)));
        Assert.NotEqual(Notes(Deal(7)), Notes(Deal(8)));
    }

    private static Judgement[] Answers(Player player, params (string Shown, string Said)[] answers) =>
        [
            .. answers.Select(a =>
            {
                var said = Pitch.Parse(a.Said + "4");
                return Diagnosis.Of(player, Pitch.Parse(a.Shown), default, new NameReply(said.Letter, said.Alter));
            }),
        ];

    [Fact]
    public void Three_notes_of_alto_clef_one_step_too_low_are_read_as_treble()
    {
        var player = Of("viola");
        // Line 3 is C and would be B in treble clef, and so on (craft 14).
        var end = RoundEnd.Of(Answers(player, ("C4", "B"), ("D4", "C"), ("G3", "F"), ("A3", "A")), player);
        var slip = Assert.Single(end.Slips);
        Assert.Equal((MistakeKind.OneStep, 3, Clef.Treble), (slip.Kind, slip.Times, slip.Clef));
        Assert.Equal(
            [
                "Three times: the notes were read as in treble clef. Look at the sign at the left: "
                    + "alto clef has C on line 3.",
            ],
            RoundWords.LookAt(end, player)
        );
    }

    [Fact]
    public void Two_of_them_are_slips_and_steps_up_and_down_are_no_clef()
    {
        var player = Of("viola");
        var two = Assert.Single(RoundEnd.Of(Answers(player, ("C4", "B"), ("D4", "C"), ("G3", "G")), player).Slips);
        Assert.Equal((false, null), (two.IsHabit, two.Clef));
        var mixed = Assert.Single(RoundEnd.Of(Answers(player, ("C4", "B"), ("D4", "E"), ("G3", "F")), player).Slips);
        Assert.Equal((true, null), (mixed.IsHabit, mixed.Clef));
    }

    [Theory] // All; at least two of three; else more practice (the bound is common practice).
    [InlineData(12, 0, RoundGrade.All)]
    [InlineData(11, 1, RoundGrade.Most)]
    [InlineData(8, 4, RoundGrade.Most)]
    [InlineData(7, 5, RoundGrade.MorePractice)]
    [InlineData(0, 12, RoundGrade.MorePractice)]
    public void A_round_ends_in_one_of_three_grades(int right, int wrong, RoundGrade grade)
    {
        var player = Of("violin");
        var answers = Enumerable.Repeat(("G4", "G"), right).Concat(Enumerable.Repeat(("G4", "A"), wrong));
        var end = RoundEnd.Of(Answers(player, [.. answers]), player);
        Assert.Equal((right, 12, grade), (end.Right, end.Count, end.Grade));
    }

    [Fact]
    public void What_was_shown_is_counted_and_is_no_mistake()
    {
        var player = Of("violin");
        var end = RoundEnd.Of(Answers(player, ("G4", "G"), ("A4", "A")), player, shown: 1);
        Assert.Equal((2, 3, 0), (end.Right, end.Count, end.Slips.Count));
    }
}
