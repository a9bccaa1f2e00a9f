using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Reading;
using Coppia.Core.Shapes;
using Coppia.Core.Wording.Room;
using Coppia.Core.Wording.Stand;
using Coppia.Core.Wording.Terms;
using Coppia.Formats.MusicXml;
using Coppia.Formats.Records;
using Coppia.Server.Asked;
using Coppia.Server.Room;
using Coppia.Server.Stand;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Shapes;

public sealed record HandSpotView(int Semitones, string Sign, string Name, bool Changed);

/// <summary>One string's shape, with the teacher's own name and mark where there is one.</summary>
public sealed record HandShapeView(
    string String,
    bool OpenInKey,
    string OpenName,
    string Descriptive,
    string Name,
    string Mark,
    IReadOnlyList<HandSpotView> Spots,
    IReadOnlyList<HandSpotView> Besides,
    IReadOnlyList<HalfStep> HalfSteps
);

/// <summary>A scale or arpeggio, to engrave with its rows.</summary>
/// <param name="Remark">What to know about it, or null.</param>
public sealed record KeyLineView(
    string Title,
    string? Remark,
    string MusicXml,
    MusicXmlSlots Slots,
    IReadOnlyList<BarView> Bars,
    IReadOnlyList<ReadingNoteView> Notes,
    IReadOnlyList<CountView> Counts
);

/// <summary>A key on one instrument.</summary>
/// <param name="PositionSpoken">"half position".</param>
/// <param name="BesidesFirst">Its position in words where it is not the one that is taught first, or null.</param>
/// <param name="PagePositions">What a page with all instruments shows of this one.</param>
public sealed record ShapesView(
    InstrumentView Instrument,
    string KeyName,
    string KeyWords,
    string OrderOfSigns,
    string Changes,
    int ComparedFifths,
    string Position,
    string PositionSpoken,
    string? BesidesFirst,
    IReadOnlyList<string> Positions,
    IReadOnlyList<string> PagePositions,
    IReadOnlyList<HandShapeView> Shapes,
    IReadOnlyList<KeyLineView> Lines
);

/// <summary>A form of the scale with its fifteen keys, from seven flats to seven sharps.</summary>
public sealed record ScaleFormView(ScaleForm Form, string Name, IReadOnlyList<KeyView> Keys);

/// <summary>A note value to choose: "1/4" is a quarter, or a crotchet.</summary>
public sealed record ValueNameView(string Value, string Name);

/// <summary>A key to choose: "D major", "2 ♯".</summary>
public sealed record KeyView(int Fifths, string Name, string Signature);

internal static class ShapeEndpoints
{
    public static void MapShapes(this IEndpointRouteBuilder api)
    {
        api.MapGet("/api/keys", Keys).WithName("listKeys");
        api.MapGet("/api/values", Values).WithName("listValues");
        api.MapGet("/api/shapes/{instrument}", Shapes).WithName("getShapes").ProducesProblem(404).ProducesProblem(400);
        api.MapGet("/api/taping/{instrument}", Taping).WithName("getTaping").ProducesProblem(404).ProducesProblem(400);
    }

    /// <summary>Values that beginners meet, the longest first, as the house style names them.</summary>
    private static ValueNameView[] Values(HouseStyles styles)
    {
        string[] values = ["1/1", "3/4", "1/2", "3/8", "1/4", "1/8", "1/16", "1/12"];
        var names = styles.Current().Style.ValueNames;
        return [.. values.Select(v => new ValueNameView(v, ValueText.Read(v)!.Value.Words(names)))];
    }

    /// <summary>Every form of the scale in every key, to choose from.</summary>
    private static ScaleFormView[] Keys(HouseStyles styles)
    {
        var style = styles.Current().Style;
        return
        [
            .. Enum.GetValues<ScaleForm>()
                .Select(form => new ScaleFormView(form, ShapeWords.Form(form), [.. KeysOf(form)])),
        ];

        IEnumerable<KeyView> KeysOf(ScaleForm form) =>
            Enumerable
                .Range(-7, 15)
                .Select(fifths => new ScaleKey(fifths, form).Signature)
                .Select(key => new KeyView(key.Fifths, Labels.Key(key, style), ShapeWords.Short(key)));
    }

    private static ShapesView Shapes(
        HouseStyles styles,
        string instrument,
        int fifths,
        string form,
        string? position,
        int? compareFifths
    )
    {
        var player = styles.Player(instrument);
        var (known, style) = (player.Instrument, player.Style);
        var positions = HandShape.Positions(known);
        if (
            !KeySignature.IsOne(fifths)
            || !KeySignature.IsOne(compareFifths ?? 0)
            || !positions.Contains(position ?? positions[0])
        )
            throw new RefusedException(
                400,
                Say("shapes.shape.there-is-no-such-key-or-position", ("positions", string.Join(", ", positions)))
            );
        var key = new ScaleKey(fifths, FormOf(form));
        position ??= HandShape.BestPosition(known, key);
        var compared = new ScaleKey(compareFifths ?? style.FirstKeyFifths, ScaleForm.Major);
        return new ShapesView(
            Instrument: InstrumentView.Of(player),
            KeyName: Labels.Scale(key, style),
            KeyWords: Labels.Signature(key.Signature, style),
            OrderOfSigns: ShapeWords.OrderOfSigns(style),
            Changes: ShapeWords.Changes(key, compared, style),
            ComparedFifths: compared.Fifths,
            Position: position,
            PositionSpoken: FrameOf(known, position).Spoken,
            BesidesFirst: BesidesFirst(known, position),
            Positions: positions,
            PagePositions: HandShape.PagePositions(known, key),
            Shapes: [.. HandShape.InKey(known, key, position).Select(s => ViewOf(s, known, key, compared, style))],
            Lines: [.. Lines(player, key)]
        );
    }

    /// <exception cref="RefusedException">There is no such scale.</exception>
    private static ScaleForm FormOf(string form) =>
        Choices.Read<ScaleForm>(form, out var scale)
            ? scale
            : throw new RefusedException(
                400,
                Say(
                    "shapes.shape.is-not-a-scale-expected-one-of",
                    ("form", form),
                    ("choices", Choices.Expected<ScaleForm>())
                )
            );

    /// <summary>"half position"; null in the position that is taught first.</summary>
    private static string? BesidesFirst(Instrument instrument, string position) =>
        FrameOf(instrument, position) is var frame && frame.Height != instrument.FirstHeight ? frame.Spoken : null;

    private static HandFrame FrameOf(Instrument instrument, string position) =>
        instrument.Frames.First(f => f.Position == position);

    private static HandShapeView ViewOf(
        HandShape shape,
        Instrument instrument,
        ScaleKey key,
        ScaleKey compared,
        HouseStyle style
    )
    {
        var descriptive = ShapeWords.Name(shape, instrument);
        var own = style.ShapeNames.GetValueOrDefault(descriptive);
        return new HandShapeView(
            String: Labels.Note(instrument.Strings[shape.String], style),
            OpenInKey: shape.OpenInKey,
            OpenName: Labels.Note(instrument.Strings[shape.String], style),
            Descriptive: descriptive,
            Name: own?.Name ?? descriptive,
            Mark: own?.Mark ?? "",
            Spots: [.. shape.Spots.Select(Spot)],
            Besides: [.. shape.Besides.Select(Spot)],
            HalfSteps: shape.HalfSteps
        );

        HandSpotView Spot(ShapeSpot p) =>
            new(
                p.Placement.Semitones,
                Labels.FingerSign(p.Placement.Pair, style),
                Labels.Note(p.Pitch, style),
                key.AlterOf(p.Pitch.Letter) != compared.AlterOf(p.Pitch.Letter)
            );
    }

    private static IEnumerable<KeyLineView> Lines(Player player, ScaleKey key)
    {
        (string Title, Func<int, Score> Make)[] kinds =
        [
            ("Scale", o => KeyExercises.Scale(player, key, o)),
            ("Arpeggio", o => KeyExercises.ArpeggioLine(player, key, o)),
        ];
        foreach (var octaves in new[] { 1, 2 })
        {
            foreach (var (title, make) in kinds)
            {
                var line = make(octaves) with { Title = Labels.Scale(key, HouseStyle.Default) };
                var reading = PlayerReading.Of(line, player.Instrument, player);
                var words = new ReadingWords(reading);
                var (musicXml, slots) = ReadingMusic.ForEngraving(reading);
                yield return new KeyLineView(
                    Title: Say("shapes.shape.lines", ("title", title), ("octaves", octaves)),
                    Remark: ShapeWords.Outside(KeyExercises.Outside(player, line)),
                    MusicXml: musicXml,
                    Slots: slots,
                    Bars: ReadingView.BarsOf(reading),
                    Notes: ReadingView.NotesOf(reading, words),
                    Counts: ReadingView.CountsOf(reading, words)
                );
            }
        }
    }

    private static IReadOnlyList<TapeDistance> Taping(HouseStyles styles, string instrument, double lengthMm)
    {
        var player = styles.Player(instrument);
        if (lengthMm is not (>= TapingSheet.ShortestString and <= TapingSheet.LongestString))
            throw new RefusedException(
                400,
                Say(
                    "shapes.shape.the-string-length-must-be-to-mm",
                    ("shortestString", TapingSheet.ShortestString),
                    ("longestString", TapingSheet.LongestString)
                )
            );
        return TapingSheet.Of(player.Style.TapesOf(player.Instrument), lengthMm);
    }
}
