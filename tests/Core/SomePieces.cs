using System.Globalization;
using Coppia.Core.Composition;

namespace Coppia.Tests;

/// <summary>
/// Short pieces as a line of text: <c>G3 A3h r | D4</c>. After the pitch e, q, h or w and a dot for the value (a
/// quarter without); ' a stem up on the right, , one down on the left, ` and ; on the wrong side; @0.4 a head so many
/// half-spaces off its place by hand.
/// </summary>
internal static class SomePieces
{
    public static Piece Read(string text, WritingTask task, KeySignature? signature = null) =>
        new([.. text.Split('|').Select(bar => Bar(bar, task, signature ?? task.Key.Signature))]);

    private static IReadOnlyList<PieceNote> Bar(string text, WritingTask task, KeySignature signature) =>
        [.. text.Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(word => Note(word, task, signature))];

    private static PieceNote Note(string word, WritingTask task, KeySignature signature)
    {
        Stem? stem = word[^1] switch
        {
            '\'' => new Stem(IsUp: true, OnRight: true),
            ',' => new Stem(IsUp: false, OnRight: false),
            '`' => new Stem(IsUp: true, OnRight: false),
            ';' => new Stem(IsUp: false, OnRight: true),
            _ => null,
        };
        var parts = word.TrimEnd('\'', ',', '`', ';').Split('@');
        var value = parts[0].TrimEnd('.')[^1] switch
        {
            'e' => new NoteValue(3),
            'h' => new NoteValue(1),
            'w' => new NoteValue(0),
            _ => NoteValue.Quarter,
        };
        value = value with { Dots = parts[0].EndsWith('.') ? 1 : 0 };
        var name = parts[0].TrimEnd('.', 'e', 'q', 'h', 'w');
        if (name == "r")
            return new PieceNote { Value = value };
        var pitch = Pitch.Parse(name);
        return new PieceNote
        {
            Pitch = pitch,
            Value = value,
            Stem = stem,
            BySignature = pitch.Alter == signature.AlterOf(pitch.Letter),
            Hand = task.ByHand
                ? new HandHead(
                    task.Clef.HeightOf(pitch)
                        + (parts.Length > 1 ? double.Parse(parts[1], CultureInfo.InvariantCulture) : 0)
                )
                : null,
        };
    }

    private static NoteValue[] Values(string values) =>
        [
            .. values
                .Split(' ')
                .Select(v => new NoteValue(
                    v[0] switch
                    {
                        'e' => 3,
                        'h' => 1,
                        'w' => 0,
                        _ => 2,
                    },
                    v.EndsWith('.') ? 1 : 0
                )),
        ];

    private static WritingTask Task(
        string instrument,
        int fifths,
        string meter,
        int bars,
        string allowed,
        string values,
        int? rests
    ) =>
        new()
        {
            Instrument = StringSection.Named(instrument)!,
            Key = new ScaleKey(fifths, ScaleForm.Major),
            Meter = TimeSignature.Of(meter[..1], meter[2] - '0')!.Value,
            Bars = bars,
            Allowed = [.. allowed.Split(' ').Select(Pitch.Parse)],
            Values = Values(values),
            MostRests = rests,
        };

    /// <summary>The violin's G string in four bars, half-way on D, home on G (craft 13).</summary>
    public static readonly WritingTask Violin = Task("violin", 1, "4/4", 4, "G3 A3 B3 C4 D4", "q", 5) with
    {
        Fixed = [new FixedNote(2, FixedAt.Last, Pitch.Parse("D4")), new FixedNote(4, FixedAt.Last, Pitch.Parse("G3"))],
    };

    /// <summary>The cello's D string.</summary>
    public static readonly WritingTask Cello = Task("cello", 2, "4/4", 4, "D3 E3 F#3 G3 A3", "q", 4);

    /// <summary>The viola's C string in three quarters, with halves and dotted halves.</summary>
    public static readonly WritingTask Viola = Task("viola", 0, "3/4", 4, "C3 D3 E3 F3 G3", "q h h.", 2) with
    {
        Fixed = [new FixedNote(4, FixedAt.Last, Pitch.Parse("C3"))],
    };

    /// <summary>Two bars on the bass without a rest.</summary>
    public static readonly WritingTask Bass = Task("bass", 1, "2/4", 2, "G2 A2 B2 C3 D3", "q h", 0);

    /// <summary>F natural on the violin's D string.</summary>
    public static readonly WritingTask Natural = Task("violin", 0, "4/4", 2, "D4 E4 F4 G4 A4", "q", null);

    /// <summary>F sharp without a signature.</summary>
    public static readonly WritingTask Sharp = Task("violin", 0, "4/4", 2, "D4 E4 F#4 G4 A4", "q", null);

    /// <summary>Heads and stems by hand in one bar.</summary>
    public static readonly WritingTask Hand = Task("violin", 2, "4/4", 1, "D4 E4 F#4 G4 A4 B4 D5", "q h w", null) with
    {
        ByHand = true,
    };

    /// <summary>Nothing but two open strings.</summary>
    public static readonly WritingTask Open = Task("viola", 1, "4/4", 2, "G3 D4", "q h", 8);

    public static readonly IReadOnlyDictionary<string, WritingTask> Tasks = new Dictionary<string, WritingTask>
    {
        ["violin"] = Violin,
        ["cello"] = Cello,
        ["viola"] = Viola,
        ["bass"] = Bass,
        ["natural"] = Natural,
        ["sharp"] = Sharp,
        ["hand"] = Hand,
        ["open"] = Open,
    };
}
