using System.Text.Json;
using Coppia.Core.Drills;
using Coppia.Core.Wording.Drills;
using Coppia.Formats.Books;
using Coppia.Formats.Exercises;
using Coppia.Formats.MusicXml;

namespace Coppia.Tests;

/// <summary>
/// A kind of exercise is one row: two that Coppia does not have are added here, and are made, printed, answered and
/// saved without a line for them anywhere else.
/// </summary>
public class NewKindTests
{
    /// <summary>The open strings, to be named.</summary>
    private static readonly ExerciseKind OpenStrings = new(
        "open-strings",
        Training.Reading,
        QuestionKind.Name,
        (request, _, _) =>
            [
                .. Enumerable
                    .Range(0, 4)
                    .Select(s => new Candidate(
                        [.. request.Players.Select(p => Named(p.Instrument.Strings[s]))],
                        Difficulty: 0
                    )),
            ]
    )
    {
        AsksOnce = true,
        Words = "name-it",
    };

    /// <summary>Two whole notes on each open string.</summary>
    private static readonly ExerciseKind OpenBows = new(
        "open-bows",
        Training.BowArm,
        (request, _) =>
            [
                [.. request.Players.Select(p => new PlayQuestion(Bows(p), new Dictionary<string, Pin>()))],
            ]
    )
    {
        IsInKey = true,
        Words = "long-bow",
    };

    private static NoteQuestion Named(Pitch note) => new(QuestionKind.Name, note, default);

    private static Score Bows(Player player)
    {
        var music = new ScoreBuilder(player.Instrument.FirstClef).In(new TimeSignature(4, 4));
        foreach (var open in player.Instrument.Strings)
            music.Note(open, new NoteValue(0)).Note(open, new NoteValue(0));
        return music.Build();
    }

    private static IReadOnlyList<Sheet> Made(ExerciseKind kind) =>
        Sheet.Of(
            new SheetRequest
            {
                Kind = kind,
                Players = [.. StringSection.All.Select(i => new Player(i))],
                Seed = 7,
            }
        );

    // The open strings of the four instruments as they are written, the bass an octave above its sound; facts of the
    // trade.
    [Theory]
    [InlineData("violin", "G3 D4 A4 E5")]
    [InlineData("viola", "C3 G3 D4 A4")]
    [InlineData("cello", "C2 G2 D3 A3")]
    [InlineData("bass", "E2 A2 D3 G3")]
    public void It_is_made_for_all_four_and_printed_under_its_words(string instrument, string open)
    {
        var sheets = Made(OpenStrings);
        var sheet = sheets.Single(s => s.Player.Instrument.Id == instrument);
        Assert.Equal(open.Split(' ').Order(), Printed(sheet).Order());
        var played = Made(OpenBows).Single(s => s.Player.Instrument.Id == instrument);
        Assert.Equal(open.Split(' ').SelectMany(n => new[] { n, n }), Printed(played));
        Assert.Equal("Name the notes", ExerciseWords.Name(sheet.Kind));
        Assert.Equal("Long bows", ExerciseWords.Name(played.Kind));
    }

    /// <summary>The notes of its music, read as another program would read them.</summary>
    private static IEnumerable<string> Printed(Sheet sheet) =>
        TuneReader.Read(MusicXmlWriter.Write(SheetMusic.Of(sheet))).Score!.Events.Select(e => $"{e.Pitch}");

    [Fact]
    public void Each_question_is_answered_helped_and_judged()
    {
        foreach (var sheet in Made(OpenStrings))
        {
            foreach (var item in sheet.Items)
            {
                var letter = $"{((NoteQuestion)item.Question).Note.Letter}";
                Assert.True(Judged(letter, item, sheet.Player).IsRight);
                var wrong = Judged(letter == "B" ? "C" : "B", item, sheet.Player);
                Assert.False(wrong.IsRight);
                Assert.NotEmpty(JudgementWords.Of(wrong, item, sheet.Player));
                Assert.NotNull(FollowUp.After(wrong, item.Question, sheet.Player));
                Assert.NotEmpty(HelpWords.Of(item, sheet.Player));
                Assert.NotEmpty(PictureWords.Of(item, sheet.Player));
            }
        }
    }

    private static Judgement Judged(string letter, SheetItem item, Player player) =>
        Judging.Of(
            item,
            player,
            ReplyJson.Read(item, JsonSerializer.SerializeToElement(new { name = letter }), player)
        );

    [Fact]
    public void It_is_saved_by_its_name_and_read_again()
    {
        foreach (var kind in new[] { OpenStrings, OpenBows })
        {
            foreach (var sheet in Made(kind))
            {
                using var file = JsonDocument.Parse(SheetJson.Write(sheet));
                Assert.Equal(kind.Id, file.RootElement.GetProperty("kind").GetString());
                foreach (var item in sheet.Items)
                {
                    var saved = SheetQuestions.Write(item.Question, sheet.Player);
                    var again = SheetReader.Item(kind, JsonSerializer.SerializeToElement(saved), sheet.Player);
                    Assert.Equal(
                        SheetAnswers.Write(item, sheet.Player).ToJsonString(),
                        SheetAnswers.Write(again, sheet.Player).ToJsonString()
                    );
                }
            }
        }
    }

    [Fact] // Names stand in kept sheets and addresses.
    public void No_two_kinds_have_one_name()
    {
        Assert.Equal(31, ExerciseKind.All.Select(k => k.Id).Distinct().Count());
        Assert.All(ExerciseKind.All, k => Assert.Same(k, ExerciseKind.Named(k.Id)));
        Assert.All(Enum.GetValues<QuestionKind>(), t => Assert.Equal(t, ExerciseKind.Of(t).Asks));
    }
}
