using System.Text.Json;
using System.Text.Json.Nodes;
using Coppia.Core.Exercises;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Reading;
using Coppia.Core.Shapes;
using Coppia.Core.Wording.Exercises;
using Coppia.Core.Wording.Stand;
using Coppia.Core.Wording.Terms;
using Coppia.Formats.Exercises;
using Coppia.Formats.MusicXml;
using Coppia.Server.Stand;

namespace Coppia.Server.Exercises;

/// <summary>A key as it is asked for.</summary>
/// <param name="Fifths">−7 to +7.</param>
public sealed record KeyChoice(int Fifths, ScaleForm Form = ScaleForm.Major);

/// <summary>What a part of a sheet is asked to train.</summary>
/// <param name="Kind">Name of the kind: name-it.</param>
/// <param name="Strings">Letters of strings; empty for all.</param>
/// <param name="Lowest">The lowest note of the first instrument, such as D4, or null.</param>
/// <param name="Values">Note values such as 1/4; empty for the class's.</param>
/// <param name="Meter">A meter such as 3/4, or null for 4/4.</param>
/// <param name="TuneId">The tune that it is made from, or null.</param>
public sealed record PartRequest(
    string Kind,
    KeyChoice? Key = null,
    IReadOnlyList<string>? Strings = null,
    string? Lowest = null,
    string? Highest = null,
    IReadOnlyList<string>? Values = null,
    string? Meter = null,
    int Octaves = 1,
    int? Count = null,
    int Seed = 1,
    long? TuneId = null,
    IReadOnlyList<string>? Teach = null
);

/// <summary>A question as it is kept: what is asked, by instrument.</summary>
public sealed record SheetItemDoc(string Id, bool Pinned, IReadOnlyDictionary<string, JsonElement> Questions);

/// <summary>A part of a kept sheet.</summary>
public sealed record SheetPartDoc(PartRequest Request, IReadOnlyList<SheetItemDoc> Items);

/// <summary>A whole sheet as it is kept.</summary>
/// <param name="Heading">At most 120 characters.</param>
/// <param name="NameLine">A line for the learner's name.</param>
/// <param name="Instruments">Ids of the instruments that get it, each on its own page.</param>
public sealed record SheetDoc(
    string Heading,
    bool NameLine,
    IReadOnlyList<string> Instruments,
    IReadOnlyList<SheetPartDoc> Parts
)
{
    /// <summary>A kept sheet; null where this version cannot read it.</summary>
    internal static SheetDoc? Read(string document, JsonSerializerOptions json)
    {
        try
        {
            return JsonSerializer.Deserialize<SheetDoc>(document, json);
        }
        catch (JsonException)
        {
            return null;
        }
    }
}

/// <summary>The music of a question with its answer, and what of it the question does not show.</summary>
/// <param name="HidesStems">The question shows heads without their stems.</param>
/// <param name="HidesSignature">The question leaves room for the key signature.</param>
/// <param name="Hidden">Ids of notes that the question leaves away.</param>
/// <param name="Unseen">Ids of rests that are never drawn.</param>
/// <param name="Ringed">Ids of notes that the answer rings.</param>
/// <param name="BarlinesAfter">Ids of notes and rests after which the answer draws a barline.</param>
/// <param name="AnswerRows">Rows under or over the notes that belong to the answer.</param>
public sealed record QuestionMusicView(
    string MusicXml,
    MusicXmlSlots Slots,
    bool HidesStems,
    bool HidesSignature,
    IReadOnlyList<string> Hidden,
    IReadOnlyList<string> Unseen,
    IReadOnlyList<string> Ringed,
    IReadOnlyList<string> BarlinesAfter,
    IReadOnlyList<string> AnswerRows,
    IReadOnlyList<BarView> Bars,
    IReadOnlyList<ReadingNoteView> Notes,
    IReadOnlyList<CountView> Counts
);

/// <summary>A spot on a drawn fingerboard.</summary>
public sealed record BoardSpotView(int String, int Semitones, string Sign, string Name);

/// <summary>A drawn fingerboard.</summary>
/// <param name="Only">The one string that is meant; null for all.</param>
/// <param name="Shown">The question shows the spots, and its answer is words.</param>
public sealed record QuestionBoardView(int? Only, bool Shown, IReadOnlyList<BoardSpotView> Spots);

/// <summary>A question with its answer as one instrument gets it.</summary>
/// <param name="Prompt">What is asked in words; empty where the music says it.</param>
/// <param name="Answer">In words.</param>
/// <param name="Copies">How often a sign is written, where it is traced and written; else 1.</param>
public sealed record SheetQuestionView(
    string Prompt,
    string Answer,
    int Copies,
    QuestionMusicView? Music,
    QuestionBoardView? Board,
    JsonElement Question
)
{
    private const int PenCopies = 5;

    internal static SheetQuestionView Of(SheetItem item, Player player)
    {
        var json = JsonSerializer.SerializeToElement<JsonNode>(SheetQuestions.Write(item.Question, player));
        return new SheetQuestionView(
            Prompt: QuestionWords.Prompt(item, player),
            Answer: QuestionWords.Answer(item, player),
            Copies: item.Question is PenQuestion ? PenCopies : 1,
            Music: MusicOf(item, player),
            Board: BoardOf(item, player),
            Question: json
        );
    }

    internal static QuestionMusicView? MusicOf(SheetItem item, Player player)
    {
        if (QuestionMusic.Of(item, player) is not { } music)
            return null;
        var reading = item.Answer switch
        {
            PlayAnswer a => a.Reading,
            ScaleAnswer a => a.Reading,
            _ => PlayerReading.Of(music.Score, player.Instrument, player, chosenOctaves: 0),
        };
        var words = new ReadingWords(reading);
        var (musicXml, slots) = ReadingMusic.ForEngraving(reading);
        return new QuestionMusicView(
            MusicXml: musicXml,
            Slots: slots,
            HidesStems: music.Away == LeftAway.Stems,
            HidesSignature: music.Away == LeftAway.Signature,
            Hidden: music.Away == LeftAway.Events ? music.EventIds : [],
            Unseen: music.Unseen,
            Ringed: item.Answer is DifferenceAnswer d ? d.NoteIds : [],
            BarlinesAfter: item.Answer is BarlinesAnswer b
                ? [.. b.After.Select(n => music.Score.Bars[0].Events[n - 1].Id)]
                : [],
            AnswerRows: item.Question.Kind switch
            {
                QuestionKind.Count => ["count"],
                QuestionKind.Bow => ["bow"],
                QuestionKind.Scale => ["pair"],
                _ => [],
            },
            Bars: ReadingView.BarsOf(reading),
            // The pairs belong to the exercise; they are not marked as a teacher's.
            Notes: [.. ReadingView.NotesOf(reading, words).Select(n => n with { Pinned = false })],
            Counts: ReadingView.CountsOf(reading, words)
        );
    }

    private static QuestionBoardView? BoardOf(SheetItem item, Player player)
    {
        var style = player.Style;
        return item switch
        {
            { Question: NoteQuestion { Kind: QuestionKind.Find } q, Answer: PairAnswer a } => new QuestionBoardView(
                Only: null,
                Shown: false,
                [.. a.All.Select(p => Spot(p, q.Note))]
            ),
            { Question: ShapeQuestion q, Answer: ShapeAnswer a } => new QuestionBoardView(
                Only: q.String,
                Shown: !q.Drawn,
                [.. a.Shape.Spots.Select(s => Spot(s.Placement, s.Pitch))]
            ),
            _ => null,
        };

        BoardSpotView Spot(Placement p, Pitch pitch) =>
            new(p.String, p.Semitones, Labels.FingerSign(p.Pair, style), Labels.Note(pitch, style));
    }
}

/// <summary>A question of a sheet, by instrument.</summary>
public sealed record SheetItemView(string Id, bool Pinned, IReadOnlyDictionary<string, SheetQuestionView> Each);

/// <summary>A part of a sheet as it is shown and printed.</summary>
/// <param name="Asks">What its questions ask: by it they are laid out.</param>
/// <param name="TakesRhythm">A meter and note values can be chosen for it.</param>
/// <param name="TakesOctaves">One octave or two can be chosen for it.</param>
/// <param name="Key">The key in words, where music is in one.</param>
/// <param name="Apart">Why the instruments do not all get the same; null where they do.</param>
public sealed record SheetPartView(
    PartRequest Request,
    string Name,
    string Instruction,
    QuestionKind Asks,
    bool IsPlayed,
    bool TakesRhythm,
    bool TakesOctaves,
    string? Key,
    string? Care,
    string? Apart,
    IReadOnlyList<SheetItemView> Items
);

/// <summary>A sheet for another instrument.</summary>
/// <param name="LeftOut">How many questions it has no answer for.</param>
public sealed record SheetCopyView(IReadOnlyList<SheetPartView> Parts, int LeftOut);

/// <summary>A kept sheet.</summary>
public sealed record SheetView(
    long Id,
    int Version,
    string Heading,
    bool NameLine,
    IReadOnlyList<string> Instruments,
    IReadOnlyList<SheetPartView> Parts
);

/// <summary>A sheet in the list.</summary>
public sealed record SheetSummary(
    long Id,
    string Heading,
    IReadOnlyList<string> Instruments,
    IReadOnlyList<string> Kinds,
    DateTime ChangedAt,
    DateTime? DeletedAt
);

/// <summary>Some of the sheets that were asked for, the last changed first.</summary>
/// <param name="Total">How many there are in all.</param>
public sealed record SheetListView(IReadOnlyList<SheetSummary> Sheets, int Total);
