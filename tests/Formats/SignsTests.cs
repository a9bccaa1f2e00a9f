using System.Xml.Linq;
using Coppia.Formats.Abc;
using Coppia.Formats.MusicXml;

namespace Coppia.Tests;

/// <summary>Each sign in both notations. Sources: ABC standard 2.1, section 4; W3C MusicXML 4.0, notations.</summary>
public class SignsTests
{
    private static Score Abc(string music, string header = "M:4/4\nL:1/4\nK:C") =>
        AbcReader.Read($"X:1\n{header}\n{music}\n").Score ?? throw new InvalidOperationException(music);

    [Theory]
    [InlineData(".A", Marks.Staccato, "articulations", "staccato")]
    [InlineData("!staccato!A", Marks.Staccato, "articulations", "staccato")]
    [InlineData("!tenuto!A", Marks.Tenuto, "articulations", "tenuto")]
    [InlineData("!accent!A", Marks.Accent, "articulations", "accent")]
    [InlineData("!>!A", Marks.Accent, "articulations", "accent")]
    [InlineData("LA", Marks.Accent, "articulations", "accent")]
    [InlineData("!marcato!A", Marks.StrongAccent, "articulations", "strong-accent")]
    [InlineData("!breath!A", Marks.LiftAfter, "articulations", "breath-mark")]
    [InlineData("uA", Marks.UpBow, "technical", "up-bow")]
    [InlineData("!upbow!A", Marks.UpBow, "technical", "up-bow")]
    [InlineData("vA", Marks.DownBow, "technical", "down-bow")]
    [InlineData("!downbow!A", Marks.DownBow, "technical", "down-bow")]
    [InlineData("TA", Marks.Trill, "ornaments", "trill-mark")]
    [InlineData("!trill!A", Marks.Trill, "ornaments", "trill-mark")]
    public void A_mark_is_read_from_ABC_and_written_to_MusicXML(string abc, Marks mark, string group, string element)
    {
        var score = Abc(abc + "4|]");
        Assert.Equal(mark, score.Events.Single().Marks);
        var notations = XDocument.Parse(MusicXmlWriter.Write(score)).Descendants("notations").Single();
        Assert.NotNull(notations.Element(group)?.Element(element));
        Assert.Equal(mark, MusicXmlReader.Read(MusicXmlWriter.Write(score)).Score!.Events.Single().Marks);
        Assert.Equal(mark, AbcReader.Read(AbcWriter.Write(score)).Score!.Events.Single().Marks);
    }

    [Theory] // ABC standard 2.1, section 4.14 and common words; MusicXML 4.0: the attributes of sound.
    [InlineData("!segno!A4|]", Waymarks.Segno, "segno")]
    [InlineData("!coda!A4|]", Waymarks.Coda, "coda")]
    [InlineData("!dacoda!A4|]", Waymarks.ToCoda, null)] // it leads nowhere, so it is printed only
    [InlineData("A4 !fine!|]", Waymarks.Fine, "fine")]
    [InlineData("!D.C.!A4|]", Waymarks.DaCapo, "dacapo")]
    [InlineData("!dacapo!A4|]", Waymarks.DaCapo, "dacapo")]
    [InlineData("\"^D.C. al Fine\"A4|]", Waymarks.DaCapo, "dacapo")]
    [InlineData("!D.S.alcoda!A4|]", Waymarks.DalSegno, null)]
    [InlineData("\"^Dal Segno\"A4|]", Waymarks.DalSegno, null)]
    public void A_waymark_is_read_from_ABC_and_written_to_MusicXML(string abc, Waymarks mark, string? attribute)
    {
        var score = Abc(abc);
        Assert.Equal(mark, score.Bars.Single().Waymarks);
        Assert.Null(score.Events.Single().Words);
        Assert.Equal(
            attribute,
            XDocument
                .Parse(MusicXmlWriter.Write(score))
                .Descendants("sound")
                .SingleOrDefault()
                ?.FirstAttribute?.Name.LocalName
        );
        Assert.Equal(mark, MusicXmlReader.Read(MusicXmlWriter.Write(score)).Score!.Waymarks);
        Assert.Equal(mark, AbcReader.Read(AbcWriter.Write(score)).Score!.Waymarks);
    }

    [Fact]
    public void Signs_that_lead_somewhere_are_told_to_players_of_sound()
    {
        var sounds = XDocument
            .Parse(MusicXmlWriter.Write(Abc("!segno!A4|!dacoda!B4|!D.S.!c4|!coda!d4|]")))
            .Descendants("sound")
            .Select(s => s.FirstAttribute!.ToString());
        Assert.Equal(["segno=\"segno\"", "tocoda=\"coda\"", "dalsegno=\"segno\"", "coda=\"coda\""], sounds);
    }

    [Theory] // ABC standard 2.1, section 4.8: |:: … ::| is played three times.
    [InlineData("|::A4|B4::|", 3)]
    [InlineData("|:A4|B4:|", 2)]
    [InlineData("|:A4|B4::|:c4:|", 3)]
    [InlineData("|:A4|B4::c4:|", 2)]
    public void A_repeat_says_how_often(string abc, int times)
    {
        var score = Abc(abc);
        Assert.Equal(times, score.Bars[1].RepeatTimes);
        Assert.Equal(times, MusicXmlReader.Read(MusicXmlWriter.Write(score)).Score!.Bars[1].RepeatTimes);
        Assert.Equal(times, AbcReader.Read(AbcWriter.Write(score)).Score!.Bars[1].RepeatTimes);
    }

    [Theory]
    [InlineData("p")]
    [InlineData("mp")]
    [InlineData("mf")]
    [InlineData("f")]
    [InlineData("ff")]
    [InlineData("pp")]
    public void A_dynamic_goes_both_ways(string sign)
    {
        var score = Abc($"!{sign}!A4|]");
        Assert.Equal(sign, MusicXmlReader.Read(MusicXmlWriter.Write(score)).Score!.Events.Single().Dynamic);
        Assert.Equal(sign, AbcReader.Read(AbcWriter.Write(score)).Score!.Events.Single().Dynamic);
    }

    [Theory]
    [InlineData("4/4", 4, 4, TimeSymbol.Numbers)]
    [InlineData("C", 4, 4, TimeSymbol.Common)]
    [InlineData("C|", 2, 2, TimeSymbol.Cut)]
    [InlineData("6/8", 6, 8, TimeSymbol.Numbers)]
    [InlineData("12/8", 12, 8, TimeSymbol.Numbers)]
    [InlineData("3/2", 3, 2, TimeSymbol.Numbers)]
    [InlineData("(2+3)/8", 5, 8, TimeSymbol.Numbers, "2+3")]
    [InlineData("2+3/8", 5, 8, TimeSymbol.Numbers, "2+3")]
    public void Meters_are_read_and_written(string field, int beats, int unit, TimeSymbol symbol, string? sum = null)
    {
        var time = new TimeSignature(beats, unit, symbol, sum);
        var score = Abc("A|]", $"M:{field}\nL:1/4\nK:C");
        Assert.Equal(time, score.Time);
        Assert.Equal(time, MusicXmlReader.Read(MusicXmlWriter.Write(score)).Score!.Time);
    }

    [Theory] // ABC 2.1, section 3.1.7: below 0.75 a sixteenth, else an eighth, where no L: field is given.
    [InlineData("2/4", "1/16")]
    [InlineData("3/4", "1/8")]
    [InlineData("4/4", "1/8")]
    [InlineData("6/8", "1/8")]
    [InlineData("3/8", "1/16")]
    public void The_unit_length_follows_the_meter(string meter, string length) =>
        Assert.Equal(length, Abc("A|]", $"M:{meter}\nK:C").Events.First().Length.ToString());

    [Theory]
    [InlineData("Am", -0, Mode.Minor)]
    [InlineData("Dmix", 1, Mode.Mixolydian)]
    [InlineData("Edor", 2, Mode.Dorian)]
    [InlineData("Ephr", 0, Mode.Phrygian)]
    [InlineData("Flyd", 0, Mode.Lydian)]
    [InlineData("Bloc", 0, Mode.Locrian)]
    [InlineData("G major", 1, Mode.Major)]
    [InlineData("G minor", -2, Mode.Minor)]
    public void Modes_have_their_signatures(string field, int fifths, Mode mode) =>
        Assert.Equal(new KeySignature(fifths, mode), Abc("A|]", $"K:{field}").Key);

    [Theory] // Which instrument a tune is printed for, where nobody has said.
    [InlineData("clef=treble", "violin")]
    [InlineData("clef=alto", "viola")]
    [InlineData("clef=bass", "cello")]
    [InlineData("clef=tenor", "cello")]
    public void The_clef_tells_the_usual_reader(string clef, string instrument) =>
        Assert.Equal(instrument, PrintedFor.Of(Abc("C|]", $"K:C {clef}")).Id);

    [Theory]
    [InlineData("Double bass", "bass")]
    [InlineData("Contrabass", "bass")]
    [InlineData("Viola II", "viola")]
    [InlineData("Violin 1", "violin")]
    [InlineData("Violoncello", "cello")]
    public void A_part_name_tells_the_instrument(string part, string instrument) =>
        Assert.Equal(instrument, PrintedFor.Of(Abc("C|]") with { InstrumentName = part }).Id);

    [Theory] // A taken change of the bowing is in both files.
    [InlineData(BowEditKind.Slur, "slur")]
    [InlineData(BowEditKind.Hook, "slur")]
    [InlineData(BowEditKind.Lift, "breath-mark")]
    public void Bowing_changes_are_written(BowEditKind kind, string element)
    {
        var changed = BowEdits.Apply(Abc("A B c d|]"), [new BowEdit("b1n2", kind)]);
        Assert.NotEmpty(XDocument.Parse(MusicXmlWriter.Write(changed)).Descendants(element));
        var back = AbcReader.Read(AbcWriter.Write(changed)).Score!;
        Assert.Equal(
            changed.Events.Select(e => (e.SlurStarts, e.SlurStops, e.Marks)),
            back.Events.Select(e => (e.SlurStarts, e.SlurStops, e.Marks))
        );
    }
}
