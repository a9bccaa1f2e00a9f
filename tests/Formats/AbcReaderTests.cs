using Coppia.Formats.Abc;
using Coppia.Formats.Books;
using Coppia.Formats.MusicXml;

namespace Coppia.Tests;

/// <summary>Reading ABC. Source of the notation: ABC standard 2.1.</summary>
public class AbcReaderTests
{
    private static Score Read(string music, string header = "M:4/4\nL:1/4\nK:C") =>
        AbcReader.Read($"X:1\n{header}\n{music}\n").Score ?? throw new InvalidOperationException();

    private static string Notes(Score score) =>
        string.Join(' ', score.Events.Select(e => $"{e.Pitch?.ToString() ?? "z"}:{e.Length}"));

    [Theory]
    [InlineData("C, C c c'|", "C3:1/4 C4:1/4 C5:1/4 C6:1/4")]
    [InlineData("C2 C/ C// C3/2 |", "C4:1/2 C4:1/8 C4:1/16 C4:3/8")]
    [InlineData("A>B c<d|", "A4:3/8 B4:1/8 C5:1/8 D5:3/8")]
    [InlineData("A>>B|", "A4:7/16 B4:1/16")]
    [InlineData("(3ABc d2|", "A4:1/6 B4:1/6 C5:1/6 D5:1/2")]
    [InlineData("(3:2:2A2B d2|", "A4:1/3 B4:1/6 D5:1/2")]
    [InlineData("^F _B =B ^^C __D|", "F#4:1/4 Bb4:1/4 B4:1/4 C##4:1/4 Dbb4:1/4")]
    [InlineData("A z2 z/|", "A4:1/4 z:1/2 z:1/8")]
    [InlineData("A5|", "A4:1 A4:1/4")] // no single value has five quarters, so it is written tied
    public void Notes_and_lengths(string music, string expected) => Assert.Equal(expected, Notes(Read(music)));

    [Fact]
    public void Key_fields_with_modes_and_clefs()
    {
        Assert.Equal(new KeySignature(1, Mode.Dorian), Read("A|", "K:Ador").Key);
        Assert.Equal(new KeySignature(-3, Mode.Minor), Read("C|", "K:Cm clef=alto").Key);
        Assert.Equal(Clef.Alto, Read("C|", "K:C minor clef=alto").Clef);
        Assert.Equal(new KeySignature(6), Read("C|", "K:F#").Key);
        Assert.Equal(Clef.Bass, Read("C|", "K:G bass").Clef);
    }

    [Fact]
    public void C_is_a_time_signature_and_no_key()
    {
        var score = Read("D|", "M:C\nL:1/4\nK:D");
        Assert.Equal(TimeSignature.CommonTime, score.Time);
        Assert.Equal(2, score.Key.Fifths);
    }

    [Fact]
    public void Marks_slurs_ties_and_graces()
    {
        var events = Read("u.A v!accent!B (c {de}d)|!fermata!!3!A2- A !breath!B|").Events.ToArray();
        Assert.Equal(Marks.UpBow | Marks.Staccato, events[0].Marks);
        Assert.Equal(Marks.DownBow | Marks.Accent, events[1].Marks);
        Assert.Equal((1, 1), (events[2].SlurStarts, events[3].SlurStops));
        Assert.Equal(["D5", "E5"], events[3].Graces.Select(g => g.Pitch.ToString()));
        Assert.Equal((Marks.Fermata, 3, true), (events[4].Marks, events[4].PrintedFinger, events[4].TiedOn));
        Assert.True(events[6].Has(Marks.LiftAfter));
    }

    [Fact]
    public void Repeats_and_endings()
    {
        var bars = Read("|:A4|B4|1 c4:|2 d4||e4|]").Bars;
        Assert.True(bars[0].RepeatStart);
        Assert.Equal(("1", true, true), (bars[2].EndingStart, bars[2].RepeatEnd, bars[2].EndingStop));
        Assert.Equal(("2", true), (bars[3].EndingStart, bars[3].EndingStop));
        Assert.Null(bars[4].EndingStart);
        Assert.Equal(Barline.Final, bars[4].Barline);
    }

    [Theory]
    [InlineData(
        "X:1\nK:Q\nD|",
        "2:3: “Q” is not a key; expected a key such as K:D, K:Bb or K:Am, with a clef if need be: K:G clef=bass"
    )]
    [InlineData(
        "X:1\nM:4/5\nK:D\nD|",
        "2:3: “4/5” is not a meter; expected a meter such as M:4/4, M:6/8, M:C, M:C| or M:none"
    )]
    [InlineData(
        "X:1\nD E F|",
        "2:1: music begins before the key is known; expected a header that ends with a key line such as K:D"
    )]
    [InlineData("", "1:1: the text is empty; expected a tune in ABC or MusicXML")]
    [InlineData(
        "X:1\nT:No key\n",
        "3:1: there is no key line before the end; expected a header that ends with a key line such as K:D"
    )]
    [InlineData("X:1\nK:D\n", "3:1: there are no notes; expected at least one note")]
    [InlineData(
        "X:1\nK:D\n(3AB|",
        "3:1: the tune ends before the tuplet is full; 1 more of its notes are missing; "
            + "expected all notes of the tuplet"
    )]
    [InlineData("X:1\nK:D\n{AB", "3:1: grace notes begin with { and never end; expected a closing }")]
    [InlineData(
        "X:1\nK:D\nD3>D|",
        "3:3: a dotted quarter note cannot be lengthened or shortened so; expected a plain note before < or >"
    )]
    [InlineData(
        "X:1\nK:D\n[FA-]1/7 d|",
        "3:1: a length of 1/56 of a whole note cannot be written; expected lengths made of whole to 128th notes"
    )]
    [InlineData(
        "X:1\nK:D\nA [FA-]1/7|",
        "3:3: a length of 1/56 of a whole note cannot be written; expected lengths made of whole to 128th notes"
    )]
    public void Bad_input_names_the_place_and_what_would_be_right(string text, string error)
    {
        var read = TuneReader.Read(text);
        Assert.Null(read.Score);
        Assert.Equal(error, read.Errors[0].ToString());
    }

    [Fact]
    public void Several_errors_are_told_at_once()
    {
        var read = AbcReader.Read("X:1\nK:D\nD C,,,,,,,, E|\nF \"G|\n");
        Assert.Equal(["3:3", "4:3"], read.Errors.Select(e => e.At.ToString()));
    }

    [Fact] // One sign that is not known never refuses a tune; it is said once, with its places.
    public void A_sign_that_is_not_known_is_left_out_and_said()
    {
        var read = AbcReader.Read("X:1\nL:1/4\nK:D\nD ? E F|? G ? A|]\n");
        Assert.Equal("D4 E4 F#4 G4 A4", string.Join(' ', read.Score!.Events.Select(e => e.Pitch)));
        var notice = read.Notices[0];
        Assert.Equal("4:3", $"{notice.At}");
        Assert.StartsWith("“?” is left out", notice.Message, StringComparison.Ordinal);
        Assert.EndsWith("(also at 4:9, 4:13)", notice.Message, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("A4|B3|c4|]", "Bar 2 is too short: it holds 3 of 4 beats in 4/4.")]
    [InlineData("A4|B5|c4|]", "Bar 2 is too long: it holds 5 of 4 beats in 4/4.")]
    [InlineData("A4|B4", "Bar 2 has no closing barline; it is read as the last bar.")]
    [InlineData("\"G\"A4|]", "Chord symbols are left out.")]
    public void What_is_odd_is_read_with_a_notice(string music, string notice)
    {
        var read = AbcReader.Read($"X:1\nM:4/4\nL:1/4\nK:C\n{music}\n");
        Assert.NotNull(read.Score);
        Assert.Equal(notice, Assert.Single(read.Notices).Message);
    }

    // ABC standard 2.1, section 3.1.8: beats a minute, of a note value or not, and a word in quotes before or after.
    [Theory]
    [InlineData("1/4=96", "1/4", 96, null)]
    [InlineData(" 3/8 = 72", "3/8", 72, null)]
    [InlineData("\"Gently\" 1/2=60", "1/2", 60, "Gently")]
    [InlineData("1/4=60 \"Slowly\"", "1/4", 60, "Slowly")]
    [InlineData("120", "1/4", 120, null)]
    public void A_tempo_is_read(string field, string beat, int perMinute, string? words)
    {
        var read = AbcReader.Read($"X:1\nQ:{field}\nL:1/4\nM:4/4\nK:C\nA4|]\n");
        Assert.Equal((beat, perMinute), ($"{read.Score!.Tempo!.Value.Beat}", read.Score.Tempo.Value.PerMinute));
        Assert.Equal(words, read.Score.TempoWords);
        Assert.Empty(read.Notices);
    }

    [Theory] // What is no tempo is said at its place, and never taken for one.
    [InlineData("fast")]
    [InlineData("1/4=quick")]
    [InlineData("1/4=0")]
    [InlineData("1/0=90")]
    [InlineData("1/4=1000")]
    [InlineData("1/4=")]
    [InlineData("-90")]
    public void A_tempo_that_cannot_be_read_is_said(string field)
    {
        var read = AbcReader.Read($"X:1\nQ:{field}\nL:1/4\nM:4/4\nK:C\nA4|]\n");
        Assert.Null(read.Score!.Tempo);
        var notice = Assert.Single(read.Notices);
        Assert.Equal(
            $"“Q:{field}” is not a tempo that Coppia reads, and is left out; expected one such as Q:1/4=96.",
            notice.Message
        );
        Assert.Equal("2:3", $"{notice.At}");
    }

    [Fact]
    public void A_key_and_a_meter_before_the_first_note_are_those_of_the_tune()
    {
        var score = AbcReader.Read("X:1\nM:4/4\nL:1/4\nK:C\nK:D\nM:3/4\nF3|F3|]\n").Score!;
        Assert.Equal(
            (2, "3/4", "F#4"),
            (score.Key.Fifths, score.Time.ToString(), score.Events.First().Pitch.ToString())
        );
    }

    [Theory] // ABC 2.1, 4.13: (3 is three in the time of two; (p:q:r names any ratio; a rest has its share.
    [InlineData("(3zAB", "1/12 1/12 1/12")]
    [InlineData("(10:8:3ABc", "1/10 1/10 1/10")]
    [InlineData("(3:2:4A/B/cd", "1/24 1/24 1/12 1/12")]
    public void Tuplets(string music, string lengths)
    {
        var score = AbcReader.Read($"X:1\nL:1/8\nK:D\n{music}|]\n").Score!;
        Assert.Equal(lengths, string.Join(' ', score.Events.Select(e => e.Length)));
        Assert.Equal(
            lengths,
            string.Join(' ', MusicXmlReader.Read(MusicXmlWriter.Write(score)).Score!.Events.Select(e => e.Length))
        );
    }

    [Theory]
    [InlineData("(1ABc")]
    [InlineData("(10ABc")]
    [InlineData("(65:64:3ABc")]
    public void A_tuplet_of_no_ratio_is_refused(string music) =>
        Assert.Equal(
            "4:1: not a tuplet that Coppia reads; expected (2 to (9, as in (3abc, or both numbers, "
                + "as in (10:8abcdefgabc",
            $"{Assert.Single(AbcReader.Read($"X:1\nL:1/8\nK:D\n{music}|]\n").Errors)}"
        );

    [Fact]
    public void Free_meter_is_read()
    {
        var read = AbcReader.Read("X:1\nM:none\nL:1/4\nK:C\nA B c|d|]\n");
        Assert.Null(read.Score!.Time);
        Assert.StartsWith("Free meter", Assert.Single(read.Notices).Message, StringComparison.Ordinal);
    }

    [Fact]
    public void A_pick_up_completed_by_the_last_bar_is_no_short_bar() =>
        Assert.Empty(AbcReader.Read("X:1\nM:3/4\nL:1/4\nK:C\nA|B2 c|d2|]\n").Notices);

    [Fact]
    public void Ids_are_the_same_for_the_same_source() =>
        Assert.Equal(Read("A B|c").Events.Select(e => e.Id), Read("A B|c").Events.Select(e => e.Id));
}
