using Coppia.Core.Fingering;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Reading;
using Coppia.Core.Wording.Stand;
using Coppia.Core.Wording.Terms;
using Coppia.Core.Wording.Writing;
using Coppia.Core.Writing;
using Coppia.Formats.Abc;
using Coppia.Formats.MusicXml;
using Coppia.Formats.Source;
using Coppia.Server.Stand;

namespace Coppia.Server.Writing;

/// <summary>A place of the caret: before the event of this order in its bar.</summary>
public sealed record CaretView(int Bar, int At)
{
    internal static CaretView Of(Caret c) => new(c.Bar, c.At);

    internal Caret ToCaret() => new(Bar, At);
}

/// <summary>The value of the next note.</summary>
/// <param name="Log">0 = whole, 1 = half, 2 = quarter …</param>
/// <param name="Dots">0 or 1.</param>
/// <param name="Triplet">Three in the time of two.</param>
public sealed record ValueView(int Log, int Dots, bool Triplet)
{
    internal static ValueView Of(NoteValue v) => new(v.Log, v.Dots, v.InTuplet);

    internal NoteValue ToValue() =>
        new NoteValue(Math.Clamp(Log, 0, 6), Math.Clamp(Dots, 0, 1)) is var v && Triplet
            ? v with
            {
                TupletActual = 3,
                TupletNormal = 2,
            }
            : v;
}

/// <summary>
/// What is being written: all that a step starts from, so that to undo is to go back to one that was.
/// </summary>
/// <param name="Doc">The whole score as MusicXML.</param>
/// <param name="Key">Names the score, so that the next step need not send it.</param>
/// <param name="Line">Which of its lines is written on, from 0.</param>
/// <param name="PickUp">Length of the pick-up as a part of a whole note (1/4), or null.</param>
public sealed record WritingState(
    string Doc,
    string Key,
    int Line,
    CaretView Caret,
    CaretView? Anchor,
    ValueView Value,
    string? PickUp
);

/// <summary>What a step starts from: the state before, with the score by its key or as it is.</summary>
/// <param name="Key">Of the score; null where it is sent.</param>
/// <param name="Doc">The score as MusicXML; null where its key tells it.</param>
/// <param name="PickUp">Length of the pick-up as a part of a whole note (1/4), or null.</param>
public sealed record WritingFrom(
    int Line,
    CaretView Caret,
    CaretView? Anchor,
    ValueView Value,
    string? PickUp,
    string? Key = null,
    string? Doc = null
);

/// <summary>One step on the writing staff.</summary>
/// <param name="Do">What: letter, pitch, rest, delete, step …</param>
/// <param name="By">How far, which way, how many.</param>
/// <param name="Text">A letter, a pitch, a mark, a clef, a meter, music to put in.</param>
/// <param name="Select">The caret takes the selection with it; for clef and key: the notes stay at their place.</param>
/// <param name="At">Where.</param>
public sealed record WritingCommand(
    string Do,
    int? By = null,
    string? Text = null,
    bool? Select = null,
    CaretView? At = null
);

/// <param name="State">What the step starts from.</param>
/// <param name="Instrument">Who reads.</param>
/// <param name="Command">The step, or null for the staff as the state has it.</param>
/// <param name="PerLine">Bars in a line that is drawn, 1 to 8.</param>
public sealed record WritingRequest(
    WritingFrom State,
    string Instrument,
    WritingCommand? Command = null,
    int PerLine = WritingView.UsualPerLine
);

/// <summary>An empty staff to write on.</summary>
public sealed record NewWriting(
    string Instrument,
    int Fifths = 0,
    string? Meter = "4/4",
    string? Clef = null,
    string? PickUp = null,
    int PerLine = WritingView.UsualPerLine
);

/// <summary>A few bars that are drawn together.</summary>
public sealed record WritingSystem(string MusicXml, IReadOnlyList<int> Bars);

/// <summary>A bar, and what it lacks.</summary>
public sealed record WritingBar(
    string Id,
    string Name,
    string? Lacks,
    bool RepeatStart,
    bool RepeatEnd,
    string? Ending
);

/// <summary>A note or rest on the writing staff.</summary>
public sealed record WritingEvent(string Id, int Bar, int At, int? Height, int? Midi, string Name);

/// <summary>The writing staff after a step.</summary>
/// <param name="LeftOut">What the step had to leave out, said; null where nothing.</param>
public sealed record WritingView(
    WritingState State,
    string Clef,
    int Fifths,
    string Meter,
    IReadOnlyList<WritingSystem> Systems,
    IReadOnlyList<WritingBar> Bars,
    IReadOnlyList<WritingEvent> Events,
    IReadOnlyList<string> Clefs,
    string Said,
    string Left,
    string? LeftOut,
    string? Copied
)
{
    /// <summary>So many bars stand in a line, so that a change draws only its own line anew.</summary>
    public const int UsualPerLine = 4;

    internal static WritingView Of(
        WritingStaff staff,
        IReadOnlyList<ScoreLine> lines,
        int line,
        Player player,
        int perLine,
        WrittenMemory memory
    )
    {
        var score = staff.Score;
        ScoreLine[] whole = [.. lines.Select((l, i) => i == line ? l with { Score = score } : l)];
        var doc = MusicXmlWriter.Write(whole);
        return new WritingView(
            State: new WritingState(
                Doc: doc,
                Key: memory.Keep(doc, [.. whole.Select(l => l with { Score = AsRead.Of(l.Score) })]),
                Line: line,
                Caret: CaretView.Of(staff.Caret),
                Anchor: staff.Anchor is { } a ? CaretView.Of(a) : null,
                Value: ValueView.Of(staff.Value),
                PickUp: staff.PickUp?.ToString()
            ),
            Clef: score.Bars[0].Clef.Name,
            Fifths: score.Bars[0].Key.Fifths,
            Meter: MeterOf(score.Bars[0].Time),
            Systems: SystemsOf(score, perLine),
            Bars: BarsOf(staff),
            Events: [.. score.Bars.SelectMany((b, bar) => EventsOf(b, bar, player))],
            Clefs: [.. Core.Music.Clef.All.Select(c => c.Name)],
            Said: WritingWords.At(staff, player.Style),
            Left: WritingWords.Left(staff),
            LeftOut: WritingWords.LeftOut(staff.LeftOut),
            Copied: Copy(staff)
        );
    }

    private static string MeterOf(TimeSignature? time) =>
        time switch
        {
            null => "none",
            { Symbol: TimeSymbol.Common } => "C",
            { Symbol: TimeSymbol.Cut } => "C|",
            { } t => t.ToString(),
        };

    private static WritingSystem[] SystemsOf(Score score, int perLine) =>
        [
            .. score
                .Bars.Index()
                .Chunk(Math.Clamp(perLine, 1, 8))
                .Select(c => System(score, [.. c.Select(b => b.Index)])),
        ];

    private static WritingBar[] BarsOf(WritingStaff staff) =>
        [
            .. staff.Score.Bars.Select(
                (b, i) =>
                    new WritingBar(
                        b.Id,
                        English.Capital(b.Named()),
                        WritingWords.Lacks(staff, i),
                        b.RepeatStart,
                        b.RepeatEnd,
                        b.EndingStart
                    )
            ),
        ];

    private static IEnumerable<WritingEvent> EventsOf(Bar b, int bar, Player player) =>
        b.Events.Select(
            (e, at) =>
                new WritingEvent(
                    Id: e.Id,
                    Bar: bar,
                    At: at,
                    Height: e.Pitch is { } p ? b.ClefOf(e).HeightOf(p) : null,
                    Midi: e.Pitch is { } q ? q.Midi + 12 * player.Instrument.SoundingOctave : null,
                    Name: e.Pitch is { } n ? Labels.Note(n, player.Style) : ""
                )
        );

    private static WritingSystem System(Score score, IReadOnlyList<int> bars)
    {
        var part = score with { Bars = [.. bars.Select(b => score.Bars[b])] };
        // The meter is printed once, at the beginning or where it changes.
        var goesOn = bars[0] > 0 && score.Bars[bars[0]].Time == score.Bars[bars[0] - 1].Time;
        return new WritingSystem(ReadingMusic.ForEngraving(part, goesOn), bars);
    }

    /// <summary>What is selected as ABC, for the clipboard.</summary>
    private static string? Copy(WritingStaff staff)
    {
        if (staff.Selection is not { } s)
            return null;
        var bars = staff
            .Score.Bars.Index()
            .Where(b => b.Index >= s.First.Bar && b.Index <= s.End.Bar)
            .Select(b =>
                b.Item with
                {
                    Events =
                    [
                        .. b.Item.Events.Where(
                            (_, at) =>
                                !new Caret(b.Index, at).IsBefore(s.First) && new Caret(b.Index, at).IsBefore(s.End)
                        ),
                    ],
                }
            )
            .Where(b => b.Events.Count > 0)
            .ToArray();
        return bars.Length == 0
            ? null
            : AbcWriter.Write(
                ScoreAssembly.Finish(staff.Score with { Title = "", Bars = Bindings.Mended(bars) }).Score
            );
    }
}

/// <summary>A line or space that can be written on, with what it is called and how it is played.</summary>
/// <param name="Height">Half-spaces above the bottom line.</param>
/// <param name="Pair">String and finger as the house style prints them; a dash where no finger reaches.</param>
public sealed record StaffSpot(int Height, string Pitch, string Name, string Pair, int Midi)
{
    internal static StaffSpot Of(int height, Clef clef, KeySignature key, Player player) =>
        Of(key.Apply(clef.PitchAt(height)), clef, player, key);

    /// <param name="key">The key that it is read in; C major where there is none.</param>
    /// <param name="finger">The finger that plays it; null for the plain one.</param>
    internal static StaffSpot Of(Pitch pitch, Clef clef, Player player, KeySignature key = default, int? finger = null)
    {
        var score = new ScoreBuilder(clef).In(key).Note(pitch).Build();
        var pins = finger is { } f ? score.Events.ToDictionary(e => e.Id, _ => new Pin(null, f)) : [];
        var reading = PlayerReading.Of(score, player.Instrument, player, pins, chosenOctaves: 0);
        return new StaffSpot(
            Height: clef.HeightOf(pitch),
            Pitch: pitch.ToString(),
            Name: Labels.Note(pitch, player.Style),
            Pair: new ReadingWords(reading).Label(reading.Notes[0]),
            Midi: pitch.Midi + 12 * player.Instrument.SoundingOctave
        );
    }
}
