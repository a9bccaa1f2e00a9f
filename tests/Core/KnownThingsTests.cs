using Coppia.Formats.Records;

namespace Coppia.Tests;

/// <summary>
/// What a class knows, stage by stage, and its text. Source: craft 15's usual order with the pairs of craft 3 and 19.
/// </summary>
public class KnownThingsTests
{
    private static IEnumerable<KnownThing> Stage(Stage stage, string instrument) =>
        UsualOrder.Of(stage, [Lines.Instrument(instrument)]);

    /// <summary>Notes as string letter and pitch, lowest string first.</summary>
    private static string Notes(IEnumerable<KnownThing> things) =>
        string.Join(
            ", ",
            things
                .OfType<KnownNote>()
                .GroupBy(n => n.Open)
                .OrderBy(g => g.Key.Midi)
                .Select(g =>
                    $"{g.Key.Letter}: "
                    + string.Join(' ', g.OrderBy(n => n.Pitch.Midi).ThenBy(n => n.Pitch.Step).Select(n => n.Pitch))
                )
        );

    private static string Fingers(IEnumerable<KnownThing> things) =>
        string.Join(
            ' ',
            things
                .OfType<KnownFinger>()
                .Select(f =>
                    Labels.FingerSign(new Pair(0, f.Place.Finger, f.Place.Word, f.Place.Reach), HouseStyle.Default)
                )
                .Order(StringComparer.Ordinal)
        );

    [Theory]
    [InlineData(Core.Knowledge.Stage.OpenStrings, "violin", "G: G3, D: D4, A: A4, E: E5", "")]
    [InlineData(Core.Knowledge.Stage.OpenStrings, "bass", "E: E2, A: A2, D: D3, G: G3", "")]
    [InlineData(Core.Knowledge.Stage.FirstFingers, "violin", "D: E4 F#4 G4, A: B4 C#5 D5", "1 2 3")]
    [InlineData(Core.Knowledge.Stage.FirstFingers, "viola", "D: E4 F#4 G4, A: B4 C#5 D5", "1 2 3")]
    [InlineData(Core.Knowledge.Stage.FirstFingers, "cello", "D: E3 F#3 G3, A: B3 C#4 D4", "1 3 4")]
    // The scale's top lies in third position: C♯ 2 and D 4 (craft 19).
    [InlineData(Core.Knowledge.Stage.FirstFingers, "bass", "D: E3 F#3, G: A3 B3 C#4 D4", "1 2 4")]
    [InlineData(Core.Knowledge.Stage.NextStringDown, "violin", "G: A3 B3 C4", "1 2 3")]
    [InlineData(Core.Knowledge.Stage.NextStringDown, "cello", "G: A2 B2 C3", "1 3 4")]
    [InlineData(Core.Knowledge.Stage.NextStringDown, "bass", "A: B2 C#3", "1 4")]
    [InlineData(Core.Knowledge.Stage.OuterString, "violin", "E: F#5 G#5 A5", "1 2 3")]
    [InlineData(Core.Knowledge.Stage.OuterString, "viola", "C: D3 E3 F3", "1 2 3")]
    [InlineData(Core.Knowledge.Stage.OuterString, "bass", "E: F#2 G#2", "1 4")]
    [InlineData(Core.Knowledge.Stage.LowSecond, "violin", "D: F4, A: C5, E: G5", "L2")]
    [InlineData(Core.Knowledge.Stage.LowSecond, "viola", "D: F4, A: C5", "L2")]
    [InlineData(Core.Knowledge.Stage.LowSecond, "cello", "D: F3, A: C4", "2")]
    [InlineData(Core.Knowledge.Stage.LowSecond, "bass", "E: G2, A: C3, D: F3", "2")]
    [InlineData(Core.Knowledge.Stage.FourthFinger, "violin", "G: D4, D: A4, A: E5, E: B5", "4")]
    [InlineData(Core.Knowledge.Stage.FourthFinger, "cello", "", "")]
    [InlineData(Core.Knowledge.Stage.LowFirst, "violin", "G: Bb3, D: Eb4, A: Bb4, E: F5", "L1 L2")]
    [InlineData(Core.Knowledge.Stage.LowFirst, "viola", "C: Eb3, G: Bb3, D: Eb4, A: Bb4", "L1 L2")]
    [InlineData(Core.Knowledge.Stage.LowFirst, "cello", "C: Eb2, G: Bb2, D: Eb3, A: Bb3", "2 x1")]
    [InlineData(Core.Knowledge.Stage.LowFirst, "bass", "E: F2, A: Bb2, D: Eb3, G: Bb3", "1 2")]
    [InlineData(
        Core.Knowledge.Stage.LowFourthHighThird,
        "violin",
        "G: C#4 Db4, D: G#4 Ab4, A: D#5 Eb5, E: A#5 Bb5",
        "H3 L4"
    )]
    [InlineData(
        Core.Knowledge.Stage.LowFourthHighThird,
        "cello",
        "C: F#2 Gb2, G: C#3 Db3, D: G#3 Ab3, A: D#4 Eb4",
        "x4"
    )]
    [InlineData(Core.Knowledge.Stage.LowFourthHighThird, "bass", "", "")]
    public void A_stage_brings_its_notes_and_fingers(Stage stage, string instrument, string notes, string fingers)
    {
        var things = Stage(stage, instrument).ToArray();
        Assert.Equal(notes, Notes(things));
        Assert.Equal(fingers, Fingers(things));
    }

    [Theory]
    [InlineData(Core.Knowledge.Stage.FirstFingers, "violin", "I")]
    [InlineData(Core.Knowledge.Stage.FirstFingers, "bass", "I III")]
    [InlineData(Core.Knowledge.Stage.LowFirst, "cello", "I")]
    [InlineData(Core.Knowledge.Stage.LowFirst, "bass", "I half")]
    [InlineData(Core.Knowledge.Stage.Positions, "violin", "III")]
    [InlineData(Core.Knowledge.Stage.Positions, "cello", "half")]
    [InlineData(Core.Knowledge.Stage.Positions, "bass", "II III II½ half")]
    public void A_stage_brings_its_positions(Stage stage, string instrument, string positions) =>
        Assert.Equal(
            positions,
            string.Join(
                ' ',
                Stage(stage, instrument).OfType<KnownPosition>().Select(p => p.Position).Order(StringComparer.Ordinal)
            )
        );

    [Fact] // The middle of craft 15's list: what a first-year class can read when it has its rests and eighths.
    public void Stages_add_up()
    {
        var things = UsualOrder.UpTo(Core.Knowledge.Stage.RestsAndEighths, [StringSection.Violin]);
        Assert.Equal(
            "key 2, meter 2/4, meter 4/4, rest 1/1, rest 1/2, rest 1/4, sign repeat, slur 2, value 1/1, value 1/2, "
                + "value 1/4, value 1/8",
            string.Join(
                ", ",
                things.Where(t => t.InstrumentId is null).Select(ThingText.Of).Order(StringComparer.Ordinal)
            )
        );
        Assert.Equal("G: G3, D: D4 E4 F#4 G4, A: A4 B4 C#5 D5, E: E5", Notes(things));
    }

    [Theory]
    [InlineData("note violin G3 A3")]
    [InlineData("note bass G3 C#4")]
    [InlineData("finger violin low 2")]
    [InlineData("finger viola reach 4")]
    [InlineData("finger cello back 1")]
    [InlineData("position bass II½")]
    [InlineData("key -3")]
    [InlineData("meter 6/8")]
    [InlineData("value 1/4.")]
    [InlineData("value 1/8 3:2")]
    [InlineData("value 2/1")]
    [InlineData("rest 1/2..")]
    [InlineData("rhythm 1/2 1/4 1/4")]
    [InlineData("slur 4")]
    [InlineData("dynamic mf")]
    [InlineData("sign hook")]
    public void The_text_of_a_thing_is_read_again(string text)
    {
        var thing = ThingText.Parse(text);
        Assert.Equal(text, ThingText.Of(thing));
        Assert.Equal(thing, ThingText.Parse(ThingText.Of(thing)));
        Assert.NotEqual("", ThingWords.Name(thing, HouseStyle.Default));
    }

    [Theory]
    [InlineData("note violin G3 C3", "no note of the violin")]
    [InlineData("note violin G4 A4", "no note of the violin")]
    [InlineData("note trumpet G3 A3", "not an instrument")]
    [InlineData("note violin G3", "expected a line such as")]
    [InlineData("note violin G3 x", "not a pitch")]
    [InlineData("finger violin low 5", "expected a line such as")]
    [InlineData("finger violin open 1", "expected a line such as")]
    [InlineData("position violin half-way", "not a position of the violin; expected one of half, I, II")]
    [InlineData("key 8", "expected a line such as")]
    [InlineData("slur 1", "expected a line such as")]
    [InlineData("sign smile", "sign and one of accidental, pickUp")]
    [InlineData("", "expected a line such as")]
    public void A_wrong_text_is_told_what_would_be_right(string text, string said) =>
        Assert.Contains(
            said,
            Assert.Throws<FormatException>(() => ThingText.Parse(text)).Message,
            StringComparison.Ordinal
        );

    [Theory] // Craft 3: a cello's forward hand is learned at once, so whichever finger comes first is the same thing.
    [InlineData("finger cello forward 2", "finger cello forward 4")]
    public void Fingers_of_the_forward_hand_are_one_thing(string one, string other) =>
        Assert.Equal(ThingText.Parse(other), ThingText.Parse(one));

    [Theory]
    [InlineData("note violin G3 A3", "A on G")]
    [InlineData("finger violin low 2", "low second finger")]
    [InlineData("finger violin reach 4", "fourth finger reaching for one letter more")]
    [InlineData("finger cello back 1", "first finger stretched back")]
    [InlineData("position cello II", "second position")]
    [InlineData("key 2", "2 sharps: F and C")]
    [InlineData("value 1/2.", "dotted half")]
    [InlineData("rest 1/4", "quarter rest")]
    [InlineData("rhythm 3/4 1/4", "long, short in one beat")]
    [InlineData("slur 4", "slur over four and more notes")]
    [InlineData("sign lift", "lift")]
    public void A_thing_has_a_name(string text, string name) =>
        Assert.Equal(name, ThingWords.Name(ThingText.Parse(text), HouseStyle.Default));

    [Fact]
    public void Every_stage_and_every_sign_has_words()
    {
        Assert.All(UsualOrder.Stages, s => Assert.NotEqual("", StageWords.Name(s)));
        Assert.All(
            Enum.GetValues<LearnedSign>(),
            s => Assert.NotEqual("", ThingWords.Name(new KnownSign(s), HouseStyle.Default))
        );
    }
}
