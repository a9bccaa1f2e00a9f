using System.Text.Json;
using Coppia.Core.Composition;
using Coppia.Core.Music;
using Coppia.Core.Wording.Desk;
using Coppia.Core.Wording.Terms;
using Coppia.Formats.Records;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Desk;

/// <summary>A fixed note of a task, as a step of the scale.</summary>
/// <param name="Bar">From 1.</param>
/// <param name="Step">1 = tonic, 5 = fifth; #4, b3 against the key.</param>
/// <param name="Value">Its value such as 1/2; null for a quarter where the task has it.</param>
public sealed record FixedDoc(int Bar, FixedAt At, string Step, string? Value = null);

/// <summary>
/// A writing task for one instrument or several: its notes are steps of the scale, and move to each one's clef and
/// string.
/// </summary>
/// <param name="Level">1 to 5, or 0 for one that belongs to no level.</param>
/// <param name="Instruments">Ids of those it is for.</param>
/// <param name="Key">D, Bb, Em …</param>
/// <param name="Steps">The palette: 1 = tonic, 5 = fifth; #4, b3 against the key.</param>
/// <param name="Values">Values of notes and rests, 1/4 …</param>
/// <param name="MostRests">Null where any number will do.</param>
/// <param name="ByHand">Heads, stems and signs are put by hand.</param>
/// <param name="Letters">Letters are shown beside the palette.</param>
/// <param name="Fourth">Steps that are played with the fourth finger where that stands for an open string.</param>
/// <param name="Tonics">Where the steps begin on an instrument, such as D4; the others begin where they lie
/// best.</param>
public sealed record TaskDoc(
    int Level,
    IReadOnlyList<string> Instruments,
    string Key,
    string Meter,
    int Bars,
    IReadOnlyList<string> Steps,
    IReadOnlyList<string> Values,
    IReadOnlyList<FixedDoc> Fixed,
    int? MostRests = null,
    bool ByHand = false,
    bool Letters = false,
    IReadOnlyDictionary<string, string>? Tonics = null,
    IReadOnlyList<string>? Fourth = null
)
{
    private const int MostSteps = 24;

    internal static TaskDoc Of(TaskPlan plan, int level, IReadOnlyList<string> instruments, bool letters = false) =>
        new(
            Level: level,
            Instruments: instruments,
            Key: KeyText.Of(plan.Key),
            Meter: plan.Meter.ToString(),
            Bars: plan.Bars,
            Steps: [.. plan.Steps.Select(s => s.ToString())],
            Values: [.. plan.Values.Select(ValueText.Of)],
            Fixed:
            [
                .. plan.Fixed.Select(f => new FixedDoc(
                    f.Bar,
                    f.At,
                    f.Step.ToString(),
                    f.Value is { } v ? ValueText.Of(v) : null
                )),
            ],
            MostRests: plan.MostRests,
            ByHand: plan.ByHand,
            Letters: letters,
            Tonics: plan.Tonics.ToDictionary(t => t.Key, t => t.Value.ToString()),
            Fourth: [.. plan.Fourth.Select(s => s.ToString())]
        );

    /// <exception cref="FormatException">Something in it is none of what it must be; the message says what was
    /// expected.</exception>
    internal TaskPlan Plan()
    {
        if (Level is < 0 or > TaskLevel.Last)
            throw new FormatException(Say("desk.expected-a-level-from-1-to-or", ("last", TaskLevel.Last)));
        if (Steps.Count > MostSteps || Fixed.Count > WritingTask.MostBars * 2)
            throw new FormatException(Say("desk.the-palette-has-too-many-notes", ("mostSteps", MostSteps)));
        return new TaskPlan
        {
            Key =
                KeyText.Read(Key)
                ?? throw new FormatException(
                    Say("desk.is-not-a-key-expected", ("key", Key), ("expected", KeyText.Expected))
                ),
            Meter =
                ValueText.Meter(Meter)
                ?? throw new FormatException(Say("desk.is-not-a-meter-expected-one-such", ("meter", Meter))),
            Bars = Bars,
            Steps = [.. Steps.Select(StepOf).Distinct()],
            Values = [.. Values.Select(ValueOf).Distinct().OrderByDescending(v => v.Length)],
            MostRests = MostRests,
            Fixed =
            [
                .. Fixed.Select(f => new FixedStep(f.Bar, f.At, StepOf(f.Step), f.Value is { } v ? ValueOf(v) : null)),
            ],
            ByHand = ByHand,
            Fourth = [.. (Fourth ?? []).Select(StepOf).Distinct()],
            Tonics = (Tonics ?? new Dictionary<string, string>()).ToDictionary(t => t.Key, t => Pitch.Parse(t.Value)),
        };
    }

    private static ScaleStep StepOf(string text) =>
        ScaleStep.Read(text) ?? throw new FormatException(Say("desk.is-not-a-step-of-the-scale", ("text", text)));

    internal static NoteValue ValueOf(string text) =>
        ValueText.Read(text) is { InTuplet: false } value
            ? value
            : throw new FormatException(Say("desk.is-not-a-note-value-of-the", ("text", text)));

    internal static TaskDoc? Read(string json, JsonSerializerOptions options)
    {
        try
        {
            return JsonSerializer.Deserialize<TaskDoc>(json, options);
        }
        catch (JsonException)
        {
            return null;
        }
    }
}

/// <summary>A stem as it was drawn.</summary>
public sealed record StemDoc(bool Up, bool Right);

/// <summary>A head as a hand put it.</summary>
/// <param name="Height">Half-spaces above the bottom line, −8 to 16.</param>
/// <param name="Sign">The accidental before it: −1, 0, 1; null without.</param>
/// <param name="SignHeight">Height of that accidental.</param>
public sealed record HandDoc(double Height, int? Sign = null, double? SignHeight = null);

/// <summary>A note or rest of a piece.</summary>
/// <param name="Note">Written pitch such as F#4; null for a rest, and where a hand puts the head.</param>
/// <param name="Value">1/4 …</param>
public sealed record NoteDoc(string? Note, string Value, HandDoc? Hand = null, StemDoc? Stem = null);

/// <summary>A piece, bar by bar.</summary>
public sealed record PieceDoc(IReadOnlyList<IReadOnlyList<NoteDoc>> Bars)
{
    private const double Lowest = -8;
    private const double Highest = 16;

    /// <exception cref="FormatException">It is no piece; the message names the bar and the note.</exception>
    internal Piece Piece(WritingTask task)
    {
        if (Bars.Count > Core.Composition.Piece.MostBars || Bars.Any(b => b.Count > Core.Composition.Piece.MostInBar))
            throw new FormatException(English.Sentence(CompositionWords.None(NoPiece.TooLong, bar: 0)));
        return new Piece([
            .. Bars.Select(
                (bar, b) => (IReadOnlyList<PieceNote>)[.. bar.Select((n, at) => NoteOf(n, task, b + 1, at + 1))]
            ),
        ]);
    }

    private static PieceNote NoteOf(NoteDoc note, WritingTask task, int bar, int at)
    {
        try
        {
            var hand = note.Hand is { } h ? HandOf(h) : (HandHead?)null;
            var pitch = hand?.Read(task.Clef, task.Key.Signature) ?? (note.Note is { } name ? PitchOf(name) : null);
            return new PieceNote
            {
                Pitch = pitch,
                // Whatever a file holds; the task says which values it allows.
                Value =
                    ValueText.Read(note.Value)
                    ?? throw new FormatException(
                        Say("desk.is-not-a-note-value-expected", ("note", note.Value), ("expected", ValueText.Expected))
                    ),
                Hand = hand,
                Stem = note.Stem is { } s ? new Stem(s.Up, s.Right) : null,
                BySignature = pitch is { } p && p == task.Key.Signature.Apply(p),
            };
        }
        catch (FormatException e)
        {
            throw new FormatException(Say("desk.bar-note", ("bar", bar), ("at", at), ("message", e.Message)), e);
        }
    }

    private static HandHead HandOf(HandDoc hand) =>
        hand
            is {
                Height: >= Lowest and <= Highest,
                Sign: null or (>= -1 and <= 1),
                SignHeight: null or (>= Lowest and <= Highest)
            }
            ? new HandHead(
                hand.Height,
                hand.Sign is { } sign ? new HandSign(sign, hand.SignHeight ?? hand.Height) : null
            )
            : throw new FormatException(
                Say("desk.expected-a-head-and-its-sign-between", ("lowest", Lowest), ("highest", Highest))
            );

    private static Pitch? PitchOf(string name) =>
        Pitch.Parse(name) is { Octave: >= 0 and <= 8 } pitch
            ? pitch
            : throw new FormatException(Say("desk.expected-an-octave-from-0-to-8"));

    internal static PieceDoc Of(Piece piece) =>
        new([
            .. piece.Bars.Select(b =>
                (IReadOnlyList<NoteDoc>)[.. b.Select(n => new NoteDoc(n.Pitch?.ToString(), ValueText.Of(n.Value)))]
            ),
        ]);

    /// <summary>Empty bars with the notes that are given.</summary>
    internal static PieceDoc Begun(WritingTask task) =>
        new([
            .. Enumerable
                .Range(1, task.Bars)
                .Select(bar =>
                    (IReadOnlyList<NoteDoc>)
                        [
                            .. task
                                .Fixed.Where(f => f.Bar == bar)
                                .OrderBy(f => f.At)
                                .Select(f => new NoteDoc(f.Pitch.ToString(), ValueText.Of(task.ValueOf(f)))),
                        ]
                ),
        ]);

    internal static PieceDoc? Read(string json, JsonSerializerOptions options)
    {
        try
        {
            return JsonSerializer.Deserialize<PieceDoc>(json, options);
        }
        catch (JsonException)
        {
            return null;
        }
    }
}
