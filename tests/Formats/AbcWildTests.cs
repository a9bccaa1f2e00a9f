using Coppia.Formats.Books;
using Coppia.Formats.Source;

namespace Coppia.Tests;

/// <summary>ABC as people write it. Source of every expected value: ABC standard 2.1, at the section named.</summary>
public class AbcWildTests
{
    private static ReadResult Read(string text)
    {
        var read = TuneReader.Read(text);
        Assert.Empty(read.Errors);
        return read;
    }

    private static string Written(Score score) =>
        string.Join(' ', score.Events.Select(e => $"{(e.IsBarRest ? "Z" : e.Pitch?.ToString() ?? "z")}:{e.Length}"));

    private static ReadResult Music(string music, string header = "M:4/4\nL:1/4\nK:C") =>
        Read($"X:1\n{header}\n{music}\n");

    [Theory] // 7: each voice is a line of its own, whether V: stands before the line, within it, or in the header too.
    [InlineData("[V:1]CD|\n[V:2]EF|")]
    [InlineData("[V:1]CD|[V:2]EF|")]
    [InlineData("V:1\nCD|\nV:2\nEF|")]
    [InlineData("V:1 clef=treble\nV:2 clef=bass\nV:1\nCD|\nV:2\nEF|")]
    [InlineData("V:1\nC|\nV:2\nE|\nV:1\nD|\nV:2\nF|")]
    public void Voices_are_lines_and_never_joined_end_to_end(string music)
    {
        var read = Music(music);
        Assert.Equal(["1", "2"], read.Lines.Select(l => l.Key));
        Assert.Equal(["C4 D4", "E4 F4"], read.Lines.Select(l => string.Join(' ', l.Score.Events.Select(e => e.Pitch))));
        Assert.Same(read.Lines[0].Score, read.Score);
    }

    [Fact] // 7.1: a voice has its own name, clef and octave.
    public void A_voice_has_its_own_name_and_clef()
    {
        var read = Music(
            "V:M name=\"Melody line\" clef=treble\nV:B nm=\"Low\" clef=bass octave=-1\n[V:M]c4|\n[V:B]C4|"
        );
        Assert.Equal(["Melody line", "Low"], read.Lines.Select(l => l.Name));
        Assert.Equal([Clef.Treble, Clef.Bass], read.Lines.Select(l => l.Score.Clef));
        Assert.Equal(["C5", "C3"], read.Lines.Select(l => $"{l.Score.Events.Single().Pitch}"));
    }

    [Fact]
    public void A_line_is_found_by_number_name_and_key()
    {
        var read = Music("V:M name=\"Melody\"\nV:B name=\"Low\"\n[V:M]c4|\n[V:B]C4|");
        Assert.Equal("C4", $"{read.Line("low")!.Score.Events.Single().Pitch}");
        Assert.Same(read.Line("2"), read.Line("B"));
        Assert.Null(read.Line("3"));
    }

    [Theory] // 4.14: the letters that stand for decorations.
    [InlineData("~A4|", Marks.Roll)]
    [InlineData("MA4|", Marks.LowerMordent)]
    [InlineData("PA4|", Marks.UpperMordent)]
    [InlineData("TA4|", Marks.Trill)]
    [InlineData("HA4|", Marks.Fermata)]
    [InlineData("LA4|", Marks.Accent)]
    [InlineData("!open!A4|", Marks.OpenString)]
    [InlineData("!thumb!A4|", Marks.Thumb)]
    [InlineData("!snap!A4|", Marks.SnapPluck)]
    [InlineData("+plus+A4|", Marks.LeftHandPluck)] // 4.14: plus signs are the old fence
    [InlineData("!turn!A4|", Marks.Turn)]
    [InlineData("!arpeggio![A4]|", Marks.Arpeggio)]
    [InlineData("U:W=!trill!\nWA4|", Marks.Trill)] // 4.16: letters of one's own
    [InlineData("U:T=!upbow!\nTA4|", Marks.UpBow)]
    public void Decorations(string music, Marks mark) => Assert.Equal(mark, Music(music).Score!.Events.Single().Marks);

    [Theory] // 4.14, 10: signs that send the player elsewhere, by letter, by name, and as text.
    [InlineData("SA4|B4|!D.S.!|", "1 2 1 2")]
    [InlineData("A4|!fine!B4|c4!D.C.!|", "1 2 3 1 2")]
    [InlineData("A4|!dacoda!B4|c4!D.C.!|!coda!d4|", "1 2 3 1 2 4")]
    [InlineData("A4|B4 \"^Fine\"|c4 \"^D.C. al Fine\"|]", "1 2 3 1 2")]
    [InlineData("A4|OB4|c4!dacapo!|Od4|]", "1 2 3 1 2 4")]
    public void The_order_of_playing(string music, string bars) => Assert.Equal(bars, Played(Music(music).Score!));

    [Theory] // 3.1.9: the order of the parts.
    [InlineData("P:AABB", "[P:A]A4|B4|[P:B]c4|d4|", "1 2 1 2 3 4 3 4")]
    [InlineData("P:A2B", "P:A\nA4|B4|\nP:B\nc4|", "1 2 1 2 3")]
    [InlineData("P:(AB)2A", "P:A\nA4|\nP:B\nc4|", "1 2 1 2 1")]
    [InlineData("P:AABB", "P:A\n|:A4|B4:|\nP:B\n|:c4|d4:|", "1 2 1 2 3 4 3 4")] // what the repeat signs say already
    [InlineData("P:AXB", "P:A\nA4|\nP:B\nc4|", "1 2")] // a part that is not there
    public void Parts_are_played_in_their_order(string order, string music, string bars) =>
        Assert.Equal(bars, Played(Music(music, $"{order}\nM:4/4\nL:1/4\nK:C").Score!));

    private static string Played(Score score) =>
        string.Join(' ', Coppia.Core.Form.PlayOrder.Of(score).Select(p => score.Bars[p.Bar].Number));

    [Theory] // 2.2.1, 2.2.3: what stands around, between and in the middle of the music and is no music.
    [InlineData("Here are some tunes.\n\nX:1\nL:1/4\nK:C\nABcd|\n")]
    [InlineData("X:1\nL:1/4\nK:C\nABcd|\n\nThis is a tune for a cold evening.\nPlay it slowly.\n")]
    [InlineData("X:1\nL:1/4\nH:This tune is old.\nNobody knows its maker.\nA good tale.\nK:C\nABcd|\n")]
    [InlineData("X:1\nL:1/4\nN:Some notes\n+:and more of them\nK:C\nABcd|\n")]
    [InlineData("X:1\nL:1/4\nK:C\n%%begintext\nA B c d and more | words\n%%endtext\nABcd|\n")]
    [InlineData("X:1\nL:1/4\nK:C\n%%text A B c d\nABcd|\n%%vskip 12\n")]
    [InlineData("X:1\nL:1/4\nK:C\n% A comment\nABcd| % more\n")]
    [InlineData("X:1\nL:1/4\nK:C\nN:in the body\nr:a remark\nABcd|[r:here]\nZ:someone\nG:reel\n")]
    public void Words_around_the_music_are_no_music(string text) =>
        Assert.Equal("A4 B4 C5 D5", string.Join(' ', Read(text).Score!.Events.Select(e => e.Pitch)));

    [Theory]
    [InlineData("Ay2Bcd|", "A4:1/4 B4:1/4 C5:1/4 D5:1/4")] // 6.1.2: room between notes
    [InlineData("A>>>B|", "A4:15/32 B4:1/32")] // 4.4: each sign halves again
    [InlineData("A<<<B|", "A4:1/32 B4:15/32")]
    // 4.13: the three notes stand on both sides of a barline
    [InlineData("z(3AB|c z2|", "z:1/4 A4:1/6 B4:1/6 C5:1/6 z:1/2")]
    [InlineData("Z2|A4|", "Z:1 Z:1 A4:1")] // 4.5
    [InlineData("A-|A2.-A|", "A4:1/4 A4:1/2 A4:1/4")] // 4.11: a dotted tie is a tie
    [InlineData("(A.(Bc)d)|", "A4:1/4 B4:1/4 C5:1/4 D5:1/4")]
    [InlineData("A\\\nB|", "A4:1/4 B4:1/4")]
    [InlineData("AB!\ncd|", "A4:1/4 B4:1/4 C5:1/4 D5:1/4")] // 2.0 and older: a single ! ends the line
    [InlineData("AB*\ncd|", "A4:1/4 B4:1/4 C5:1/4 D5:1/4")]
    [InlineData("[K:G]F[M:3/4][L:1/8]FF|", "F#4:1/4 F#4:1/8 F#4:1/8")] // 3.2: fields within a line
    [InlineData("{/g}A {gab}B {g\"x\"}c|", "A4:1/4 B4:1/4 C5:1/4")] // 4.12
    [InlineData("[!fermata!A.c]B|", "A4:1/4 B4:1/4")] // 4.17
    public void Music_is_read(string music, string expected) => Assert.Equal(expected, Written(Music(music).Score!));

    [Theory] // 4.8, 4.9: repeats and endings however they are spaced.
    [InlineData("|:A4: |B4|]", "1 1 2")]
    [InlineData("|:A4:| |:B4:|", "1 1 2 2")]
    [InlineData("|:A4|1B4:|2c4||", "1 2 1 3")]
    [InlineData("|:A4|[1B4:|[2c4|]", "1 2 1 3")]
    [InlineData("|:A4|[1,3B4:|[2c4:|]", "1 2 1 3 1 2")]
    [InlineData("|:A4|[1-3B4:|4c4|]", "1 2 1 2 1 2 1 3")]
    [InlineData("|:A4|[1B4:|[\"last\"c4|]", "1 2 1 3")]
    [InlineData("|::A4::|", "1 1 1")]
    [InlineData("A4::B4:|", "1 1 2 2")]
    [InlineData("A4:||:B4:|]", "1 1 2 2")]
    [InlineData("|:A4|1,2B4:|3c4|]", "1 2 1 2 1 3")]
    public void Repeats(string music, string bars) => Assert.Equal(bars, Played(Music(music).Score!));

    [Theory] // 3.1.14: signs in the key line change their letters in every octave.
    [InlineData("D exp _b _e ^f", "Bb4 Eb4 F#4 C4 F#5 Bb3")]
    [InlineData("D =c", "B4 E4 F#4 C4 F#5 B3")]
    [InlineData("D Phr ^f", "Bb4 Eb4 F#4 C4 F#5 Bb3")]
    [InlineData("Dphr^f", null)]
    [InlineData("A exp ^f ^c", "B4 E4 F#4 C#4 F#5 B3")]
    [InlineData("none", "B4 E4 F4 C4 F5 B3")]
    [InlineData("HP", "B4 E4 F#4 C#4 F#5 B3")]
    [InlineData("", "B4 E4 F4 C4 F5 B3")]
    [InlineData("G clef=bass", "B4 E4 F#4 C4 F#5 B3")]
    [InlineData("C treble+8", "B4 E4 F4 C4 F5 B3")] // 4.6: the notes stay where they are printed
    [InlineData("C octave=-1", "B3 E3 F3 C3 F4 B2")]
    [InlineData("Bb major", "Bb4 Eb4 F4 C4 F5 Bb3")]
    [InlineData("A minor", "B4 E4 F4 C4 F5 B3")]
    [InlineData("B♭", "Bb4 Eb4 F4 C4 F5 Bb3")]
    public void Keys_with_signs_of_their_own(string key, string? notes)
    {
        var read = TuneReader.Read($"X:1\nL:1/4\nK:{key}\nBEFCfB,|]\n");
        if (notes is null)
            Assert.NotEmpty(read.Errors);
        else
            Assert.Equal(notes, string.Join(' ', read.Score!.Events.Select(e => e.Pitch)));
    }

    [Theory] // A signature is used where one has the signs; only what none has is printed at the notes.
    [InlineData("D =c", 1)]
    [InlineData("D exp ^f ^c", 2)]
    [InlineData("A exp ^f ^c", 2)]
    [InlineData("F =b", 0)]
    public void Signs_that_are_a_signature_are_one(string key, int fifths)
    {
        var read = Read($"X:1\nL:1/4\nK:{key}\nB E|]\n");
        Assert.Equal(fifths, read.Score!.Key.Fifths);
        Assert.DoesNotContain(read.Notices, n => n.Message.Contains("key line", StringComparison.Ordinal));
    }

    [Theory] // 8.2: letters with accents.
    [InlineData("Caf\\'e", "Café")]
    [InlineData("\\`a la gar\\ccon", "à la garçon")]
    [InlineData("M\\\"adchen", "Mädchen")]
    [InlineData("Sk\\aal \\/or\\/o", "Skål ørø")]
    [InlineData("Caf\\u00e9", "Café")]
    [InlineData("Caf&eacute; &amp; more", "Café & more")]
    [InlineData("100\\% \\\\ ours", "100% \\ ours")]
    [InlineData("Die Stra\\sse", "Die Straße")]
    public void Titles_with_accents(string field, string title) =>
        Assert.Equal(title, Read($"X:1\nT:{field}\nK:C\nA|]\n").Score!.Title);

    [Fact] // 5.1: syllables, hyphens, holds, skips and the next bar.
    public void Words_stand_under_their_notes()
    {
        var score = Music("C D E F|G A B c|\nw:Ma-ry had a|lit-tle lamb__\nw:Two~in * one _").Score!;
        Assert.Equal(
            ["Ma-/Two in", "ry", "had/one", "a", "lit-", "tle", "lamb", ""],
            score.Events.Select(e => string.Join('/', e.Lyrics))
        );
    }

    [Fact]
    public void Hairpins_fingers_clefs_and_labels_are_kept()
    {
        var score = Music("[P:A]!<(!C !1!!2!D [K:clef=bass]!<)!E F|[K:clef=treble]G4|").Score!;
        ScoreEvent[] events = [.. score.Events];
        Assert.Equal((Hairpin.Louder, true), (events[0].Hairpin, events[2].HairpinStop));
        Assert.Equal((1, 2), (events[1].PrintedFinger, events[1].PrintedFingerTo));
        Assert.Equal(Clef.Bass, events[2].ClefChange);
        Assert.Equal(
            (Clef.Treble, Clef.Bass, Clef.Treble, "A"),
            (score.Bars[0].Clef, score.Bars[0].ClefAtEnd, score.Bars[1].Clef, score.Bars[0].Label)
        );
    }

    [Theory] // Silence about a loss is the worst fault.
    [InlineData("\"G\"A4|", "Chord symbols are left out.")]
    [InlineData("A2B2 & c4|", "A second voice within the bar (&) is left out.")]
    [InlineData("!strange!A4|", "The decoration !strange! is left out.")]
    [InlineData("A4|\nW:words below", "Words below the tune (W: lines) are left out.")]
    [InlineData("A4|\n\nSome words after it.", "Lines of text are left out.")]
    [InlineData("A4|[Q:1/4=80]B4|", "A change of tempo inside the tune is left out.")]
    [InlineData("(A4|", "A slur that begins and never ends is left out.")]
    [InlineData("A4)|", "A slur that ends and never begins is left out.")]
    [InlineData("A4-|B4|", "A tie that does not lead to the same note is left out; a slur joins different notes.")]
    public void What_is_left_out_is_said(string music, string notice) =>
        Assert.Contains(notice, Music(music).Notices.Select(n => n.Message));

    [Fact]
    public void No_message_shows_the_name_of_a_thing_of_the_program() =>
        Assert.All(
            new[] { "D3>D|", "D3<D|", "(3D>D|", "[DF]3>D|", "z7>D|" },
            music =>
                Assert.DoesNotContain(
                    "System.",
                    string.Join(' ', TuneReader.Read($"X:1\nK:D\n{music}\n").Errors),
                    StringComparison.Ordinal
                )
        );
}
