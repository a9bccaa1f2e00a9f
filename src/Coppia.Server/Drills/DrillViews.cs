using System.Text.Json;
using Coppia.Core.Counting;
using Coppia.Core.Exercises;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Shapes;
using Coppia.Core.Wording.Exercises;
using Coppia.Core.Wording.Room;
using Coppia.Core.Wording.Terms;
using Coppia.Formats.Exercises;
using Coppia.Formats.Records;
using Coppia.Server.Exercises;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Drills;

/// <summary>A question as it is sent to be asked or judged.</summary>
/// <param name="Kind">Name of the kind: name-it.</param>
public sealed record AskedQuestion(string Kind, JsonElement Question);

/// <summary>Something that can be answered by choosing it.</summary>
public sealed record ChoiceView(string Value, string Label);

/// <summary>A letter to choose: <c>B</c>, called H in German, with the key that types it.</summary>
public sealed record LetterView(string Letter, string Label, string Key);

/// <summary>A finger, with the kinds of places that it has in first position.</summary>
public sealed record FingerView(int Finger, IReadOnlyList<ChoiceView> Places);

/// <summary>A line or space in words.</summary>
public sealed record StaffPlaceView(int Height, string Words);

/// <summary>What one answers with: letters, fingers, lines and spaces, the same for all questions of a round.</summary>
public sealed record DrillDeskView(
    IReadOnlyList<LetterView> Letters,
    IReadOnlyList<FingerView> Fingers,
    IReadOnlyList<StaffPlaceView> Places
)
{
    private static readonly (PlaceWord Word, string Label)[] Words =
    [
        (PlaceWord.Low, "low"),
        (PlaceWord.Regular, "regular"),
        (PlaceWord.High, "high"),
        (PlaceWord.Back, Say("drills.drill-views.stretched-back")),
        (PlaceWord.Forward, "stretched"),
    ];

    /// <summary>
    /// Half-spaces from the bottom line down to under the fourth ledger line below, and up to above the fourth above.
    /// </summary>
    private const int LowestPlace = -9;
    private const int HighestPlace = 17;

    internal static DrillDeskView Of(Player player) =>
        new(
            Letters: Named(player.Style),
            Fingers:
            [
                .. Enumerable
                    .Range(0, 5)
                    .Select(f => new FingerView(f, f == 0 ? [] : PlacesOf(player, f)))
                    .Where(f => f.Finger == 0 || f.Places.Count > 0),
            ],
            Places:
            [
                .. Enumerable
                    .Range(LowestPlace, HighestPlace - LowestPlace + 1)
                    .Select(h => new StaffPlaceView(h, new StaffPlace(h).Words())),
            ]
        );

    private static ChoiceView[] PlacesOf(Player player, int finger) =>
        [
            .. Words
                .Where(w => PairSound.Of(player.Instrument, 1, finger, w.Word, default) is not null)
                .Select(w => new ChoiceView($"{w.Word}".ToLowerInvariant(), w.Label)),
        ];

    /// <summary>
    /// From C to B, and where B flat has a name of its own that too; each with the first of its own letters that no
    /// other has.
    /// </summary>
    private static LetterView[] Named(HouseStyle style)
    {
        var taken = new HashSet<char>();
        var flat = new Pitch(Letter.B, -1, 4);
        var named = Enum.GetValues<Letter>().Select(l => new Pitch(l, 0, 4));
        if (Labels.Note(flat, style).Length == 1)
            named = named.Append(flat);
        return
        [
            .. named.Select(p =>
            {
                var label = Labels.Note(p, style);
                return new LetterView(
                    $"{p.Letter}{p.AccidentalText}",
                    label,
                    $"{label.ToLowerInvariant().First(taken.Add)}"
                );
            }),
        ];
    }
}

/// <summary>A question to be answered on the screen.</summary>
/// <param name="Asks">What it asks: by it the way to answer is chosen.</param>
/// <param name="Name">Of its kind.</param>
/// <param name="Prompt">What it is about; empty where the music says it.</param>
/// <param name="Picture">Its music in words, for who cannot see it.</param>
/// <param name="Choices">What can be chosen, where the answer is a choice or a row of syllables.</param>
/// <param name="Events">Ids of the notes and rests of its music, in order.</param>
/// <param name="Moments">For syllables: the event that each counted moment belongs to.</param>
/// <param name="Help">Questions that lead on, with what is so.</param>
/// <param name="Answer">The right answer as it stands in a sheet's file.</param>
public sealed record DrillQuestionView(
    string Kind,
    QuestionKind Asks,
    string Name,
    string Instruction,
    string Prompt,
    string Picture,
    SheetQuestionView Sheet,
    IReadOnlyList<ChoiceView> Choices,
    IReadOnlyList<string> Events,
    IReadOnlyList<string> Moments,
    IReadOnlyList<HelpStep> Help,
    JsonElement Answer
)
{
    /// <summary>Keys of a signature question at least, as fifths; from memory.</summary>
    private const int UsualSigns = 4;

    private static readonly NoteValue[] UsualValues =
    [
        new(0),
        new(1, 1),
        new(1),
        new(2, 1),
        NoteValue.Quarter,
        new(3, 1),
        new(3),
        new(4),
    ];

    internal static DrillQuestionView Of(SheetItem item, Player player)
    {
        var kind = ExerciseKind.Of(item.Question.Kind);
        return new DrillQuestionView(
            Kind: kind.Id,
            Asks: item.Question.Kind,
            Name: ExerciseWords.Name(kind),
            Instruction: ExerciseWords.OnScreen(item.Question),
            // Of a sum of beats the instruction says it all.
            Prompt: item.Question is BeatQuestion ? "" : QuestionWords.Prompt(item, player),
            Picture: PictureWords.Of(item, player),
            Sheet: SheetQuestionView.Of(item, player),
            Choices: ChoicesOf(item, player),
            Events: item.Question is BeatQuestion or BarsQuestion or ScaleQuestion
                ? [.. QuestionMusic.Of(item, player)!.Score.Events.Select(e => e.Id)]
                : [],
            Moments: item.Answer is CountAnswer c
                ? [.. c.Marks.Where(m => CountWords.Syllable(m, player.Style).Length > 0).Select(m => m.EventId)]
                : [],
            Help: HelpWords.Of(item, player),
            Answer: JsonSerializer.SerializeToElement<System.Text.Json.Nodes.JsonNode>(SheetAnswers.Write(item, player))
        );
    }

    private static ChoiceView[] ChoicesOf(SheetItem item, Player player) =>
        (item.Question, item.Answer) switch
        {
            (SignatureQuestion { Written: false } q, _) => Keys(Math.Max(UsualSigns, Math.Abs(q.Fifths)), player.Style),
            (ShapeQuestion { Drawn: false } q, ShapeAnswer a) => Shapes(q, a.Shape, player),
            (BeatQuestion { Sum: BeatSum.Gap }, ValueAnswer a) => Values(a.Value, player.Style),
            (BeatQuestion { Sum: BeatSum.IsItRight }, _) =>
            [
                new ChoiceView("right", "right"),
                new ChoiceView("short", Say("drills.drill-views.too-short")),
                new ChoiceView("long", Say("drills.drill-views.too-long")),
            ],
            (_, CountAnswer a) => Syllables(a, player.Style),
            _ => [],
        };

    /// <summary>Keys from most flats to most sharps.</summary>
    private static ChoiceView[] Keys(int most, HouseStyle style) =>
        [
            .. Enumerable
                .Range(-most, 2 * most + 1)
                .Select(f => new KeySignature(f))
                .Select(k => new ChoiceView(KeyText.Of(new ScaleKey(k.Fifths, ScaleForm.Major)), Labels.Key(k, style))),
        ];

    /// <summary>
    /// The shapes of all strings in the keys of a first year by their names; a name stands for one shape.
    /// </summary>
    private static ChoiceView[] Shapes(ShapeQuestion asked, HandShape shape, Player player)
    {
        var instrument = player.Instrument;
        int[] fifths = [0, 1, 2, 3, -1, -2, -3];
        return
        [
            .. fifths
                .Select(f => new ScaleKey(f, ScaleForm.Major))
                .SelectMany(k => HandShape.InKey(instrument, k, HandShape.BestPosition(instrument, k)))
                .Where(s => s.Spots.Count > 1)
                .Prepend(shape)
                .Select(s => new ChoiceView(
                    string.Join(',', s.Spots.Select(p => p.Placement.Semitones)),
                    ShapeWords.Name(s, instrument)
                ))
                .DistinctBy(c => c.Label)
                .OrderBy(c => c.Label, StringComparer.Ordinal),
        ];
    }

    private static ChoiceView[] Values(NoteValue right, HouseStyle style) =>
        [
            .. UsualValues
                .Append(right)
                .Distinct()
                .OrderByDescending(v => v.Length)
                .Select(v => new ChoiceView(ValueText.Of(v), v.Words(style.ValueNames))),
        ];

    /// <summary>
    /// Each syllable of the answer once, as note and as rest: the order and the brackets are the question.
    /// </summary>
    private static ChoiceView[] Syllables(CountAnswer answer, HouseStyle style)
    {
        var rests = answer.Marks.Any(m => m.Kind == CountKind.Rest);
        string[] said =
        [
            .. answer.Marks.Select(m => CountWords.Syllable(m, style)).Where(s => s.Length > 0).Distinct(),
        ];
        if (style.Counting is CountingSystem.Numbers or CountingSystem.Te)
            said = [.. said.OrderBy(s => char.IsDigit(s[0]) ? 0 : 1).ThenBy(s => s, StringComparer.Ordinal)];
        return
        [
            .. said.Select(s => new ChoiceView(s, s)),
            .. rests
                ? said.Where(s => !s.Equals("&", StringComparison.Ordinal))
                    .Select(s => new ChoiceView($"({s})", $"({s})"))
                : [],
        ];
    }
}

/// <summary>Questions to be answered one at a time.</summary>
/// <param name="Heading">What they are about.</param>
public sealed record DrillView(string Heading, DrillDeskView Desk, IReadOnlyList<DrillQuestionView> Questions);

/// <summary>What happened in an answer.</summary>
/// <param name="Mistake">Name of the kind of mistake, forgot-signature; right for none.</param>
/// <param name="Answer">The right answer in words.</param>
/// <param name="Next">What is asked next because of it; null after a right answer.</param>
public sealed record JudgementView(bool Right, string Mistake, string Words, string Answer, DrillQuestionView? Next);

/// <summary>How a round went.</summary>
/// <param name="Grade">all, most or morePractice.</param>
/// <param name="Words">In a sentence.</param>
/// <param name="LookAt">What to look at next time.</param>
public sealed record RoundEndView(int Right, int Count, string Grade, string Words, IReadOnlyList<string> LookAt);
