using Coppia.Core.Composition;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Desk;
using Coppia.Core.Wording.Terms;
using Coppia.Formats.Records;
using Coppia.Server.Writing;

namespace Coppia.Server.Desk;

/// <summary>A note value of the desk.</summary>
/// <param name="Value">1/4 …</param>
/// <param name="Length">In sixty-fourths of a whole note.</param>
/// <param name="Log">0 = whole, 1 = half, 2 = quarter …</param>
public sealed record DeskValue(string Value, string Name, int Length, int Log, int Dots)
{
    internal static DeskValue Of(NoteValue v, HouseStyle style) =>
        new(ValueText.Of(v), v.Words(style.ValueNames), Units(v.Length), v.Log, v.Dots);

    internal static int Units(Fraction length) => (int)(length * new Fraction(64, 1)).ToDouble();
}

/// <summary>A note of the palette.</summary>
/// <param name="Sign">The accidental that must be written before it: −1, 0, 1; null where the signature makes
/// it.</param>
/// <param name="Step">Its step above the tonic, as tasks name it.</param>
public sealed record PaletteNote(string Pitch, string Name, string Pair, int Midi, int Height, int? Sign, string? Step);

/// <summary>A note that is given, and where.</summary>
public sealed record GivenNote(int Bar, FixedAt At, string Pitch, string Value);

/// <summary>A sign of the key signature.</summary>
public sealed record SignatureSign(int Alter, int Height);

/// <summary>A writing task as one player sees it.</summary>
/// <param name="Beats">Upper number of the meter.</param>
/// <param name="Unit">Lower number.</param>
/// <param name="BarLength">In sixty-fourths of a whole note.</param>
/// <param name="Values">The task's values; then those that the desk knows besides.</param>
/// <param name="Allowed">How many of the values are the task's.</param>
/// <param name="Spots">Every line and space with what is written there, for notes outside the palette too.</param>
/// <param name="Written">All that can be written on them, with every accidental.</param>
/// <param name="Rules">The rules in sentences.</param>
/// <param name="Tonics">Where the palette may begin on this instrument.</param>
public sealed record DeskTask(
    string Instrument,
    string InstrumentName,
    string Clef,
    int Fifths,
    IReadOnlyList<SignatureSign> Signature,
    string KeyName,
    int Beats,
    int Unit,
    int BarLength,
    int Bars,
    IReadOnlyList<DeskValue> Values,
    int Allowed,
    int? MostRests,
    IReadOnlyList<PaletteNote> Palette,
    IReadOnlyList<StaffSpot> Spots,
    IReadOnlyList<WrittenNote> Written,
    IReadOnlyList<GivenNote> Given,
    bool ByHand,
    bool Letters,
    IReadOnlyList<string> Rules,
    string Tonic,
    IReadOnlyList<string> Tonics
)
{
    private static readonly IEnumerable<int> Heights = Enumerable.Range(-8, 25);

    /// <summary>Values that one may be tempted to write; the rules say which are the task's.</summary>
    private static readonly NoteValue[] Known = [new(0), new(1), new(2), new(3)];

    internal static DeskTask Of(TaskPlan plan, Player player, bool letters)
    {
        var task = plan.For(player.Instrument);
        var (clef, key) = (task.Clef, task.Key.Signature);
        var tonic = plan.TonicOf(player.Instrument);
        NoteValue[] values = [.. task.Values, .. Known.Except(task.Values)];
        return new DeskTask(
            Instrument: player.Instrument.Id,
            InstrumentName: player.Instrument.Name,
            Clef: clef.Name,
            Fifths: key.Fifths,
            Signature: SignatureOf(key, clef),
            KeyName: Labels.Scale(task.Key, player.Style),
            Beats: task.Meter.Beats,
            Unit: task.Meter.Unit,
            BarLength: DeskValue.Units(task.Meter.BarLength),
            Bars: task.Bars,
            Values: [.. values.Select(v => DeskValue.Of(v, player.Style))],
            Allowed: task.Values.Count,
            MostRests: task.MostRests,
            Palette: [.. task.Allowed.Select(p => NoteOf(p, task, plan, tonic, player))],
            Spots: [.. Heights.Select(h => StaffSpot.Of(h, clef, key, player))],
            Written: [.. Heights.SelectMany(h => WrittenNote.On(h, clef, key, player.Instrument))],
            Given: [.. task.Fixed.Select(f => new GivenNote(f.Bar, f.At, $"{f.Pitch}", ValueText.Of(task.ValueOf(f))))],
            ByHand: task.ByHand,
            Letters: letters,
            Rules: new CompositionWords(player.Style).Rules(task),
            Tonic: tonic.ToString(),
            Tonics: [.. plan.TonicsFor(player.Instrument).Select(t => t.ToString())]
        );
    }

    private static IReadOnlyList<SignatureSign> SignatureOf(KeySignature key, Clef clef) =>
        [.. SignaturePlaces.Of(key, clef).Select(p => new SignatureSign(Math.Sign(key.Fifths), p.Height))];

    private static PaletteNote NoteOf(Pitch pitch, WritingTask task, TaskPlan plan, Pitch tonic, Player player)
    {
        const int fourth = 4;
        var bonus = player.Instrument.FourthStandsForOpen && plan.Fourth.Any(s => s.Above(tonic, plan.Key) == pitch);
        var spot = StaffSpot.Of(pitch, task.Clef, player, finger: bonus ? fourth : null);
        return new PaletteNote(
            Pitch: spot.Pitch,
            Name: spot.Name,
            Pair: spot.Pair,
            Midi: spot.Midi,
            Height: spot.Height,
            Sign: pitch == task.Key.Signature.Apply(pitch) ? null : pitch.Alter,
            Step: ScaleStep.Of(pitch, tonic, task.Key)?.ToString()
        );
    }
}

/// <summary>A note as it is written on a line or space.</summary>
/// <param name="Height">Half-spaces above the bottom line.</param>
/// <param name="Alter">−2 to 2, double flat to double sharp.</param>
/// <param name="Midi">As it sounds.</param>
/// <param name="Sign">The accidental that is printed before it; null where the signature makes it so.</param>
public sealed record WrittenNote(int Height, int Alter, string Pitch, int Midi, int? Sign)
{
    internal static IEnumerable<WrittenNote> On(int height, Clef clef, KeySignature key, Instrument instrument) =>
        from alter in Enumerable.Range(-2, 5)
        let plain = clef.PitchAt(height)
        let pitch = new Pitch(plain.Letter, alter, plain.Octave)
        select new WrittenNote(
            Height: height,
            Alter: alter,
            Pitch: pitch.ToString(),
            Midi: pitch.Midi + 12 * instrument.SoundingOctave,
            Sign: pitch == key.Apply(pitch) ? null : alter
        );
}

/// <summary>A rule that is broken.</summary>
/// <param name="Bar">From 1.</param>
/// <param name="At">Which note of the bar, from 0; null where the bar is meant.</param>
/// <param name="Unfinished">It goes away by writing on.</param>
public sealed record FindingView(int Bar, int? At, PieceRule Rule, string Words, bool Unfinished);

/// <summary>Something to notice.</summary>
public sealed record AdviceView(int Bar, AdviceKind Kind, string Words, bool Good);

/// <summary>What is found in a piece.</summary>
/// <param name="Kept">No rule is broken.</param>
/// <param name="Rests">How many rests it has.</param>
public sealed record CheckView(
    IReadOnlyList<FindingView> Findings,
    IReadOnlyList<AdviceView> Advice,
    bool Kept,
    int Rests
)
{
    internal static CheckView Of(Piece piece, WritingTask task, HouseStyle style)
    {
        var words = new CompositionWords(style);
        var broken = PieceRules.Broken(piece, task);
        return new CheckView(
            [.. broken.Select(b => new FindingView(b.Bar, b.At, b.Rule, words.Breach(b), b.OnlyUnfinished))],
            [.. Heard.In(piece, task).Select(a => new AdviceView(a.Bar, a.Kind, words.Advice(a), a.IsGood))],
            broken.Count == 0,
            piece.Bars.Sum(b => b.Count(n => n.IsRest))
        );
    }
}
