using System.Text.Json;
using Coppia.Core.Drills;
using Coppia.Core.Wording.Drills;
using Coppia.Formats.Exercises;

namespace Coppia.Tests;

/// <summary>
/// Answers to every kind of question but names and pairs (those stand in <see cref="DiagnosisTests"/>), with what
/// happened in each and what is asked next: signed by hand before the program said anything, with the reason beside it
/// (craft 1, 5, 8, 9, 12 and 14).
/// </summary>
public class JudgingTests
{
    private const string Bars44 = """ "meter":"4/4","fifths":0,"clef":"treble","bars": """;

    /// <summary>Quarter, quarter, half, in one bar.</summary>
    private static string QuarterQuarterHalf(string first = "", string second = "", string third = "") =>
        $$"""
            {{{Bars44}}[[{"note":"D4","value":"1/4"{{first}}},{"note":"E4","value":"1/4"{{second}}},
            {"note":"F4","value":"1/2"{{third}}}]]}
            """;

    private static readonly Dictionary<string, string> Music = new()
    {
        ["<half eighths rest>"] =
            $$"""{{{Bars44}}[[{"note":"D4","value":"1/2"},{"note":"D4","value":"1/8"},"""
            + """{"note":"D4","value":"1/8"},{"rest":true,"value":"1/4"}]]}""",
        ["<whole tied on>"] =
            $$"""{{{Bars44}}[[{"note":"D4","value":"1/1","tie":true}],[{"note":"D4","value":"1/4"},"""
            + """{"note":"D4","value":"3/4"}]]}""",
        ["<q q h>"] = QuarterQuarterHalf(),
        ["<hook>"] = QuarterQuarterHalf(""","slur":"start","dot":true""", ""","slur":"stop","dot":true"""),
        ["<slur>"] = QuarterQuarterHalf(second: ""","slur":"start" """, third: ""","slur":"stop" """),
        ["<lift>"] = QuarterQuarterHalf(""","lift":true"""),
        ["<pick-up>"] =
            $$"""{{{Bars44}}[[{"note":"D4","value":"1/4"}],[{"note":"E4","value":"1/2"},"""
            + """{"note":"F4","value":"1/2"}]]}""",
        ["<other note>"] =
            $$"""{{{Bars44}}[[{"note":"G4","value":"1/4"},{"note":"A4","value":"1/4"},"""
            + """{"note":"B4","value":"1/2"}],[{"note":"G4","value":"1/4"},{"note":"C5","value":"1/4"},"""
            + """{"note":"B4","value":"1/2"}]]}""",
        ["<other beat>"] =
            $$"""{{{Bars44}}[[{"note":"G4","value":"1/4"},{"note":"A4","value":"1/4"},"""
            + """{"note":"B4","value":"1/2"}],[{"note":"G4","value":"1/4"},{"note":"A4","value":"1/8"},"""
            + """{"note":"A4","value":"1/8"},{"note":"B4","value":"1/2"}]]}""",
        ["<D scale>"] = """{"first":"D4","key":"D","octaves":1}""",
        ["<gap 1/2>"] = """{"task":"gap","meter":"4/4","values":["1/4","?","1/4"]}""",
        ["<gap 3/4>"] = """{"task":"gap","meter":"4/4","values":["?","1/4"]}""",
        ["<row>"] = """{"task":"barlines","meter":"3/4","values":["1/4","1/2","3/4","1/2","1/4"]}""",
        ["<three>"] = """{"task":"is-it-right","meter":"4/4","values":["1/4","1/4","1/4"]}""",
        ["<five>"] = """{"task":"is-it-right","meter":"4/4","values":["1/4","1/2","1/4","1/4"]}""",
        ["<four>"] = """{"task":"is-it-right","meter":"4/4","values":["1/4","1/2","1/4"]}""",
    };

    /// <summary>instrument | kind | question | answer | what happened | kind asked next | why.</summary>
    private const string Signed = """
        violin|line-or-space|{"note":"F4"}|{"height":1}|right||space 1
        violin|line-or-space|{"note":"F4"}|{"height":0}|one-step|line-or-space|line 1 for the space above it
        violin|line-or-space|{"note":"F4"}|{"height":2}|one-step|line-or-space|line 2 for the space below it
        violin|line-or-space|{"note":"F4"}|{"height":7}|wrong-end|line-or-space|space 1 counted from the top is space 4
        violin|line-or-space|{"note":"G4"}|{"height":6}|wrong-end|line-or-space|line 2 from the top is line 4
        violin|line-or-space|{"note":"B4"}|{"height":4}|right||the middle line is the third from either end
        violin|line-or-space|{"note":"B4"}|{"height":8}|unclear|line-or-space|neither near nor from the other end
        violin|line-or-space|{"note":"E4"}|{"height":7}|unclear|line-or-space|lines and spaces know no octave
        viola|line-or-space|{"note":"C4"}|{"height":4}|right||alto clef has C on line 3
        cello|line-or-space|{"note":"F3"}|{"height":6}|right||bass clef has F on line 4
        violin|write-it|{"name":"F#","octave":4,"string":"D","fifths":2}|{"height":1}|right||\
          space 1; the signature makes it sharp
        violin|write-it|{"name":"F#","octave":4,"string":"D","fifths":2}|{"height":0}|one-step|line-or-space|that is E
        violin|write-it|{"name":"F#","octave":4,"string":"D","fifths":2}|{"height":7}|wrong-end|line-or-space|\
          space 1 from the top
        violin|write-it|{"name":"F#","octave":4,"string":"D","fifths":2}|{"height":8}|wrong-octave|find-it|\
          the high F sharp
        violin|write-it|{"name":"F#","octave":4,"string":"D","fifths":2}|{"height":9}|other-clef|name-it|\
          F4 in tenor clef
        violin|write-it|{"name":"F#","octave":4,"string":"D","fifths":2}|{"height":4}|unclear|line-or-space|that is B
        violin|write-it|{"string":"D","finger":2,"place":"regular","fifths":2}|{"height":1}|right||2 on D is F sharp
        viola|write-it|{"name":"D","octave":4,"string":"D","fifths":2}|{"height":5}|right||space 3 of alto clef
        viola|write-it|{"name":"D","octave":4,"string":"D","fifths":2}|{"height":-1}|other-clef|name-it|\
          D4 in treble clef
        bass|write-it|{"string":"G","finger":1,"place":"regular","fifths":2}|{"height":8}|right||\
          A on line 5, written an octave above its sound
        violin|find-it|{"note":"F#4","string":"D","fifths":2}|{"string":"D","semitones":4}|right||2 on D
        violin|find-it|{"note":"F#4","string":"D","fifths":2}|{"string":"D","semitones":3}|low-high|find-it|\
          low 2 is F natural
        violin|find-it|{"note":"F#4","string":"D","fifths":2}|{"string":"D","semitones":5}|low-high|find-it|\
          a half step too high
        violin|find-it|{"note":"F#4","string":"D","fifths":2}|{"string":"A","semitones":4}|neighbour-string|name-it|\
          the same place on A
        violin|find-it|{"note":"F#4","string":"D","fifths":2}|{"string":"G","semitones":4}|neighbour-string|name-it|\
          the same place on G
        violin|find-it|{"note":"F#4","string":"D","fifths":2}|{"string":"E","semitones":2}|wrong-octave|find-it|\
          the high F sharp
        violin|find-it|{"note":"F#4","string":"D","fifths":2}|{"string":"G","semitones":11}|wrong-octave|find-it|\
          the right sound on another string than asked
        violin|find-it|{"note":"F#4","string":"D","fifths":2}|{"string":"D","semitones":0}|unclear|find-it|\
          open D; nothing was read, so nothing is asked of the staff
        cello|find-it|{"note":"E3","string":"D","fifths":2}|{"string":"D","semitones":2}|right||1 on D
        violin|stems|{"note":"B4"}|{"stem":"down","side":"left"}|right||on the middle line down
        violin|stems|{"note":"B4"}|{"stem":"up","side":"right"}|stem-direction|line-or-space|\
          the middle line counts as above
        violin|stems|{"note":"B4"}|{"stem":"down","side":"right"}|stem-side|line-or-space|down stands at the left
        violin|stems|{"note":"A4"}|{"stem":"up","side":"right"}|right||below the middle line
        violin|stems|{"note":"A4"}|{"stem":"up","side":"left"}|stem-side|line-or-space|up stands at the right
        violin|stems|{"note":"A4"}|{"stem":"down","side":"left"}|stem-direction|line-or-space|below the middle line up
        violin|stems|{"note":"A3"}|{"stem":"down","side":"left"}|stem-direction|stems|\
          under the staff there is no line or space to ask for
        cello|stems|{"note":"D3"}|{"stem":"down","side":"left"}|right||the middle line of bass clef
        violin|signature|{"fifths":2}|{"key":"D","letters":["F","C"]}|right||two sharps
        violin|signature|{"fifths":2}|{"key":"D","letters":["C","F"]}|right||in any order
        violin|signature|{"fifths":2}|{"key":"D","letters":["F"]}|sign-letter|signature|C is sharp too
        violin|signature|{"fifths":2}|{"key":"D","letters":["F","C","G"]}|sign-letter|signature|G stays
        violin|signature|{"fifths":2}|{"key":"Bb","letters":["F","C"]}|other-signs|signature|two flats would be B flat
        violin|signature|{"fifths":2}|{"key":"C#","letters":["F","C"]}|last-sign|signature|\
          C sharp is the last sharp, not the key
        violin|signature|{"fifths":2}|{"key":"B","letters":["F","C"]}|relative-minor|signature|B minor has two sharps
        violin|signature|{"fifths":2}|{"key":"A","letters":["F","C"]}|sign-count|signature|three sharps
        violin|signature|{"fifths":2}|{"key":"G","letters":["F"]}|sign-count|signature|one sharp
        violin|signature|{"fifths":2}|{"key":"E","letters":[]}|unclear|signature|four sharps are not nearly two
        violin|signature|{"fifths":0}|{"key":"C","letters":[]}|right||no signs
        violin|signature|{"fifths":0}|{"key":"A","letters":[]}|relative-minor|signature|\
          A minor has no signs; there is no other form to ask
        violin|signature|{"fifths":-1}|{"key":"F","letters":["B"]}|right||one flat
        violin|signature|{"fifths":-1}|{"key":"Bb","letters":["B"]}|last-sign|signature|the flat itself
        violin|signature|{"fifths":-1}|{"key":"G","letters":["B"]}|other-signs|signature|one sharp
        violin|signature|{"fifths":-2}|{"key":"G","letters":["B","E"]}|relative-minor|signature|G minor
        violin|signature|{"key":"D","write":true}|{"sign":"sharp","heights":[8,5]}|right||F on line 5, C in space 3
        violin|signature|{"key":"D","write":true}|{"sign":"sharp","heights":[5,8]}|sign-order|signature|F comes first
        violin|signature|{"key":"D","write":true}|{"sign":"sharp","heights":[1,5]}|sign-place|signature|\
          the F sharp of treble clef stands on line 5
        violin|signature|{"key":"D","write":true}|{"sign":"sharp","heights":[8]}|sign-count|signature|C is missing
        violin|signature|{"key":"D","write":true}|{"sign":"flat","heights":[8,5]}|other-signs|signature|\
          D major has sharps
        violin|signature|{"key":"D","write":true}|{"sign":"sharp","heights":[7,5]}|one-step|signature|E for F
        violin|signature|{"key":"D","write":true}|{"sign":"sharp","heights":[7,4]}|other-clef|signature|\
          as alto clef has it
        violin|signature|{"key":"D","write":true}|{"sign":"sharp","heights":[8,2]}|sign-letter|signature|\
          G is not sharp in D major
        violin|signature|{"key":"F","write":true}|{"sign":"flat","heights":[4]}|right||B flat on line 3
        violin|signature|{"key":"F","write":true}|{"sign":"none","heights":[]}|sign-count|signature|nothing is written
        cello|signature|{"key":"D","write":true}|{"sign":"sharp","heights":[6,3]}|right||line 4 and space 2 of bass clef
        cello|signature|{"key":"D","write":true}|{"sign":"sharp","heights":[8,5]}|other-clef|signature|\
          as treble clef has it
        viola|signature|{"key":"D","write":true}|{"sign":"sharp","heights":[7,4]}|right||space 4 and line 3 of alto clef
        violin|hand-shape|{"key":"D","string":"D","position":"I","draw":true}|{"semitones":[2,4,5,7]}|right||\
          E F sharp G A
        violin|hand-shape|{"key":"D","string":"D","position":"I","draw":true}|{"semitones":[0,7,5,4,2]}|right||\
          the open string needs no finger
        violin|hand-shape|{"key":"D","string":"D","position":"I","draw":true}|{"semitones":[2,3,5,7]}|low-high|\
          hand-shape|low 2
        violin|hand-shape|{"key":"D","string":"D","position":"I","draw":true}|{"semitones":[2,4,6,7]}|low-high|\
          hand-shape|high 3
        violin|hand-shape|{"key":"D","string":"D","position":"I","draw":true}|{"semitones":[2,4,5]}|missing-finger|\
          hand-shape|the fourth
        violin|hand-shape|{"key":"D","string":"D","position":"I","draw":true}|{"semitones":[2,4,5,7,9]}|extra-finger|\
          hand-shape|beyond the hand
        violin|hand-shape|{"key":"D","string":"D","position":"I","draw":false}|{"semitones":[2,4,5,7]}|right||\
          2 and 3 touch
        violin|hand-shape|{"key":"D","string":"D","position":"I","draw":false}|{"semitones":[2,3,5,7]}|other-shape|\
          hand-shape|that is 1 and 2
        cello|hand-shape|{"key":"D","string":"D","position":"I","draw":true}|{"semitones":[2,4,5]}|right||1 3 4
        bass|hand-shape|{"key":"F","string":"D","position":"half","draw":true}|{"semitones":[2,3]}|right||\
          E with 2, F with 4
        bass|hand-shape|{"key":"F","string":"D","position":"half","draw":true}|{"semitones":[1,3]}|low-high|\
          hand-shape|E flat for E
        violin|beat-sums|<gap 1/2>|{"value":"1/2"}|right||two quarters and a half
        violin|beat-sums|<gap 1/2>|{"value":"1/4"}|too-short|beat-sums|\
          three beats; the bar as it was filled is asked next
        violin|beat-sums|<gap 1/2>|{"value":"3/4"}|too-long|beat-sums|five beats
        violin|beat-sums|<gap 3/4>|{"value":"1/2"}|forgot-dot|beat-sums|the dot is the third beat
        violin|beat-sums|<gap 3/4>|{"value":"3/4"}|right||
        violin|beat-sums|<row>|{"after":[2,3]}|right||three beats each
        violin|beat-sums|<row>|{"after":[3,2]}|right||in any order
        violin|beat-sums|<row>|{"after":[1,3]}|too-short|beat-sums|the first bar has one beat
        violin|beat-sums|<row>|{"after":[3]}|too-long|beat-sums|the first bar has six
        violin|beat-sums|<row>|{"after":[2]}|too-long|beat-sums|the second bar has six
        violin|beat-sums|<row>|{"after":[2,3,4]}|too-short|beat-sums|the third bar has two
        violin|beat-sums|<three>|{"sum":"short"}|right||
        violin|beat-sums|<three>|{"sum":"right"}|too-short|beat-sums|a beat is missing
        violin|beat-sums|<three>|{"sum":"long"}|too-short|beat-sums|
        violin|beat-sums|<five>|{"sum":"short"}|too-long|beat-sums|a beat too many
        violin|beat-sums|<four>|{"sum":"right"}|right||
        violin|beat-sums|<four>|{"sum":"long"}|unclear|beat-sums|it comes out
        violin|count-it|<half eighths rest>|{"syllables":["1","2","3","&","(4)"]}|right||\
          a half goes on counting, a rest is in brackets
        violin|count-it|<half eighths rest>|{"syllables":["1","2","3","&","4"]}|rest-count|count-it|\
          the rest has no brackets
        violin|count-it|<half eighths rest>|{"syllables":["1","&","3","&","(4)"]}|held-count|count-it|\
          the second beat of the half
        violin|count-it|<half eighths rest>|{"syllables":["1","2","&","3","(4)"]}|beat-count|count-it|\
          beat 3 begins with the first eighth
        violin|count-it|<half eighths rest>|{"syllables":["1","2"]}|beat-count|count-it|what is not said is not right
        violin|count-it|<whole tied on>|{"syllables":["1","2","3","4","1","2","3","4"]}|right||a tie goes on counting
        violin|count-it|<whole tied on>|{"syllables":["1","2","3","4","5","2","3","4"]}|held-count|count-it|\
          each bar begins with 1
        violin|bow-it|<q q h>|{"bows":["down","up","down"]}|right||in turn
        violin|bow-it|<q q h>|{"bows":["up","down","up"]}|first-stroke|bow-it|without a pick-up down
        violin|bow-it|<q q h>|{"bows":["down","down","up"]}|turn-stroke|bow-it|each new stroke turns
        violin|bow-it|<q q h>|{"bows":["down",null,"down"]}|turn-stroke|bow-it|the second stroke has no sign
        violin|bow-it|<hook>|{"bows":["down","down","up"]}|right||hooked: down down up
        violin|bow-it|<hook>|{"bows":["down",null,"up"]}|right||one sign for both is enough
        violin|bow-it|<hook>|{"bows":["down","up","down"]}|slur-stroke|bow-it|under one curve one direction
        violin|bow-it|<slur>|{"bows":["down","up",null]}|right||
        violin|bow-it|<slur>|{"bows":["down","up","down"]}|slur-stroke|bow-it|
        violin|bow-it|<lift>|{"bows":["down","down","up"]}|right||set anew after the lift
        violin|bow-it|<lift>|{"bows":["down","up","down"]}|after-lift|bow-it|
        violin|bow-it|<pick-up>|{"bows":["up","down","up"]}|right||so that the full bar begins down
        violin|bow-it|<pick-up>|{"bows":["down","up","down"]}|pick-up-stroke|bow-it|
        violin|spot-difference|<other note>|{"event":4}|right||A and C
        violin|spot-difference|<other note>|{"event":1}|right||ringed in the first bar
        violin|spot-difference|<other note>|{"event":3}|same-there|spot-difference|G in both
        violin|spot-difference|<other note>|{"event":2}|same-there|spot-difference|B in both
        violin|spot-difference|<other beat>|{"event":5}|right||one of the two eighths
        violin|spot-difference|<other beat>|{"event":1}|right||the quarter in the first bar
        violin|spot-difference|<other beat>|{"event":6}|same-there|spot-difference|B in both
        violin|scale-builder|<D scale>|<0 2 4 5 7 9 11 12; 3 7>|right||whole whole half whole whole whole half
        violin|scale-builder|<D scale>|<0 2 4 5 7 9 11 12; 3>|half-steps|hand-shape|C sharp to D too
        violin|scale-builder|<D scale>|<0 2 4 5 7 9 11 12; 3 6 7>|half-steps|hand-shape|B to C sharp is whole
        violin|scale-builder|<D scale>|<0 2 3 5 7 9 11 12; 3 7>|step-too-small|hand-shape|F for F sharp
        violin|scale-builder|<D scale>|<0 2 4 6 7 9 11 12; 3 7>|step-too-large|hand-shape|G sharp for G
        violin|scale-builder|<D scale>|<7 9 11 12 14 16 18 19; 3 7>|unclear|scale-builder|it begins on A
        violin|pen-work|{"sign":"quarter-rest"}|{"covered":90,"astray":5}|right||
        violin|pen-work|{"sign":"quarter-rest"}|{"covered":40,"astray":5}|pen-missing|pen-work|half of it
        violin|pen-work|{"sign":"quarter-rest"}|{"covered":90,"astray":60}|pen-astray|pen-work|all over the staff
        violin|pen-work|{"sign":"quarter-rest"}|{"onPaper":true}|right||nothing can be measured
        """;

    private static readonly string[][] Rows =
    [
        .. Table.Rows(Signed).Split('\n', StringSplitOptions.TrimEntries).Select(l => l.Split('|')),
    ];

    private static SheetItem Item(string[] row, Player player) =>
        SheetReader.Item(ExerciseKind.Named(row[1])!, Json(Music.GetValueOrDefault(row[2], row[2])), player);

    private static JsonElement Json(string text) => JsonDocument.Parse(text).RootElement;

    /// <summary>
    /// A scale in half steps above the D string, each on the highest string below it, with its half steps.
    /// </summary>
    private static string Scale(string text)
    {
        var parts = text.Trim('<', '>').Split(';');
        var spots = parts[0]
            .Split(' ')
            .Select(int.Parse)
            .Select(n => (On: n / 7, n % 7))
            .Select(s => $$"""{"string":"{{"DAE"[s.On]}}","semitones":{{s.Item2}}}""");
        var halfSteps = string.Join(',', parts[1].Trim().Split(' '));
        return $$"""{"spots":[{{string.Join(',', spots)}}],"halfSteps":[{{halfSteps}}]}""";
    }

    private static Judgement Judged(string[] row, out SheetItem item, out Player player)
    {
        player = new Player(Lines.Instrument(row[0]));
        item = Item(row, player);
        var reply = row[3].StartsWith('<') ? Scale(row[3]) : row[3];
        return Judging.Of(item, player, ReplyJson.Read(item, Json(reply), player));
    }

    [Fact]
    public void What_happened_and_what_is_asked_next_are_as_signed()
    {
        var wrong = new List<string>();
        foreach (var row in Rows)
        {
            var judgement = Judged(row, out var item, out var player);
            var next = FollowUp.After(judgement, item.Question, player);
            var said = $"{ReplyText.Kind(judgement.Kind)}|{(next is null ? null : ExerciseKind.Of(next.Kind))}";
            if (said != $"{row[4]}|{row[5]}")
                wrong.Add($"{string.Join('|', row)}: {said}");
        }

        Assert.Empty(wrong);
    }

    [Fact]
    public void Every_kind_of_mistake_and_of_question_is_among_them()
    {
        string[] ofNames = ["forgot-signature", "forgot-accidental", "other-instrument"];
        Assert.Equal(
            Enum.GetValues<MistakeKind>().Select(ReplyText.Kind).Except(ofNames).Order(),
            Rows.Select(r => r[4]).Distinct().Order()
        );
        Assert.Equal(
            ExerciseKind.All.Where(k => !k.IsPlayed).Select(k => k.Id).Except(["name-it", "finger-it"]).Order(),
            Rows.Select(r => r[1]).Distinct().Order()
        );
    }

    [Fact]
    public void Every_wrong_answer_has_a_sentence_of_its_kind()
    {
        var said = new Dictionary<string, string>();
        foreach (var row in Rows.Where(r => r[4] != "right"))
        {
            var judgement = Judged(row, out var item, out var player);
            var words = JudgementWords.Of(judgement, item, player);
            Assert.True(words.Length > 20 && words.EndsWith('.'), $"{row[4]}: “{words}”");
            // A sentence is never said of two kinds of mistakes.
            Assert.True(said.TryAdd(words, row[4]) || said[words] == row[4], words);
        }
    }

    [Theory] // The words are ours; the facts in them are those of the rows above.
    [InlineData(
        """violin|line-or-space|{"note":"F4"}|{"height":0}""",
        "One step off. The head lies between two lines: space 1."
    )]
    [InlineData(
        """viola|write-it|{"name":"D","octave":4,"string":"D","fifths":2}|{"height":-1}""",
        "There it is in treble clef. In alto clef D is space 3."
    )]
    [InlineData(
        """violin|stems|{"note":"B4"}|{"stem":"up","side":"right"}""",
        "This head is on the middle line: the stem goes down, at the left of it."
    )]
    [InlineData(
        """violin|signature|{"fifths":2}|{"key":"C#","letters":[]}""",
        "That is the last sharp. The key lies a half step above it: D major."
    )]
    [InlineData(
        """violin|hand-shape|{"key":"D","string":"D","position":"I","draw":true}|{"semitones":[2,3,5,7]}""",
        "Finger 2 is a half step too low: the key has F♯ with 2."
    )]
    [InlineData(
        """violin|beat-sums|<gap 1/2>|{"value":"1/4"}""",
        "With it the bar holds 3 beats; the meter wants 4 beats."
    )]
    [InlineData("""violin|beat-sums|<row>|{"after":[2]}""", "Bar 2 then holds 6 beats; the meter wants 3 beats.")]
    [InlineData(
        """violin|count-it|<half eighths rest>|{"syllables":["1","&","3","&","(4)"]}""",
        "A long note goes on counting: here 2."
    )]
    [InlineData(
        """violin|bow-it|<hook>|{"bows":["down","up","down"]}""",
        "Notes under one curve share a stroke: note 2 goes on down."
    )]
    [InlineData("violin|scale-builder|<D scale>|<0 2 3 5 7 9 11 12; 3 7>", "Too near: after E comes F♯, a whole step.")]
    [InlineData(
        """violin|find-it|{"note":"F#4","string":"D","fifths":2}|{"string":"D","semitones":0}""",
        "There D sounds. This F♯ is 2 on D."
    )]
    public void A_mistake_is_told_in_a_sentence(string row, string words)
    {
        var judgement = Judged(row.Split('|'), out var item, out var player);
        Assert.Equal(words, JudgementWords.Of(judgement, item, player));
    }

    [Theory]
    [InlineData(
        """violin|name-it|{"note":"F#4","fifths":2}|{"name":"X"}""",
        "“X” is not a name; expected one such as F#."
    )]
    [InlineData("""violin|name-it|{"note":"F#4","fifths":2}|[]""", "The answer is not an object.")]
    [InlineData(
        """violin|finger-it|{"note":"F#4"}|{"string":"C","finger":1,"place":"low"}""",
        "The answer’s “string” is not one; expected G, D, A, E."
    )]
    [InlineData(
        """violin|finger-it|{"note":"F#4"}|{"string":"D","finger":7,"place":"low"}""",
        "The answer’s “finger” is not one; expected 0 to 4."
    )]
    [InlineData(
        """violin|stems|{"note":"B4"}|{"stem":"sideways"}""",
        "The answer’s “stem” is not one; expected down or up."
    )]
    [InlineData("""violin|beat-sums|<gap 1/2>|{"value":"much"}""", "Expected a note value such as 1/4, 3/8 or 1/12.")]
    public void What_is_no_answer_says_what_would_be_one(string row, string message)
    {
        var refusal = Assert.Throws<FormatException>(() => Judged(row.Split('|'), out _, out _));
        Assert.Equal(message, refusal.Message);
    }
}
