using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Reading;
using Coppia.Core.Shapes;
using Coppia.Core.Wording;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Coppia.Server;

public sealed record HandSpotView(int Semitones, string Sign, string Name, bool Changed);

public sealed record HalfStepView(int Lower, int Upper);

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
    IReadOnlyList<HalfStepView> HalfSteps
);

/// <summary>A scale or arpeggio, to engrave with its rows.</summary>
/// <param name="Remark">What to know about it, or null.</param>
public sealed record KeyLineView(
    string Title,
    string? Remark,
    string MusicXml,
    IReadOnlyList<BarView> Bars,
    IReadOnlyList<ReadingNoteView> Notes,
    IReadOnlyList<CountView> Counts
);

/// <summary>A key on one instrument.</summary>
public sealed record ShapesView(
    InstrumentView Instrument,
    string KeyName,
    string KeyWords,
    string Changes,
    int ComparedFifths,
    string Position,
    IReadOnlyList<string> Positions,
    IReadOnlyList<HandShapeView> Shapes,
    IReadOnlyList<KeyLineView> Lines
);

public sealed record TapeDistanceView(string Name, int Semitones, double Millimetres);

internal static class ShapeEndpoints
{
    private static readonly string[] Positions = ["half", "I", "II", "III"];

    public static void MapShapes(this WebApplication app)
    {
        app.MapGet("/api/shapes/{instrument}", Shapes).WithName("getShapes").ProducesProblem(404).ProducesProblem(400);
        app.MapGet("/api/taping/{instrument}", Taping).WithName("getTaping").ProducesProblem(404).ProducesProblem(400);
    }

    private static Results<Ok<ShapesView>, ProblemHttpResult> Shapes(
        Styles styles,
        string instrument,
        int fifths,
        string form,
        string? position,
        int? compareFifths
    )
    {
        var style = styles.Current().Style;
        if (StringSection.Named(instrument, style) is not { } known)
            return Problems.NoInstrument(instrument);
        var positions = PositionsOf(known);
        if (fifths is < -7 or > 7 || compareFifths is < -7 or > 7 || position is not null && !positions.Contains(position))
            return TypedResults.Problem(
                statusCode: 400,
                title: $"There is no such key or position; expected −7 to 7 fifths and one of {string.Join(", ", positions)}."
            );

        if (!Enum.TryParse<ScaleForm>(form, ignoreCase: true, out var scale))
            return TypedResults.Problem(
                statusCode: 400,
                title: $"“{form}” is not a scale; expected major, naturalMinor, harmonicMinor or melodicMinor."
            );

        var key = new ScaleKey(fifths, scale);
        position ??= HandShape.BestPosition(known, key);
        var compared = new ScaleKey(compareFifths ?? style.FirstKeyFifths, ScaleForm.Major);
        return TypedResults.Ok(
            new ShapesView(
                InstrumentView.Of(known, style),
                Labels.Scale(key, style),
                Labels.Signature(key.Signature, style),
                Changes(key, compared, style),
                compared.Fifths,
                position,
                positions,
                [.. HandShape.InKey(known, key, position).Select(s => ViewOf(s, known, key, compared, style))],
                [.. Lines(known, key, style)]
            )
        );
    }

    /// <summary>Half and first for all; second and third where the hand plays by letter.</summary>
    private static string[] PositionsOf(Instrument instrument) => instrument.FingersByLetter ? Positions : Positions[..2];

    private static HandShapeView ViewOf(HandShape shape, Instrument instrument, ScaleKey key, ScaleKey compared, HouseStyle style)
    {
        var own = style.ShapeNames.GetValueOrDefault(shape.Name);
        return new HandShapeView(
            instrument.StringName(shape.String),
            shape.OpenInKey,
            Labels.Note(instrument.Strings[shape.String], style),
            shape.Name,
            own?.Name ?? shape.Name,
            own?.Mark ?? "",
            [.. shape.Spots.Select(Spot)],
            [.. shape.Besides.Select(Spot)],
            [.. shape.HalfSteps.Select(h => new HalfStepView(h.Lower, h.Upper))]
        );

        HandSpotView Spot(ShapeSpot p) =>
            new(
                p.Placement.Semitones,
                Labels.FingerSign(p.Placement, style),
                Labels.Note(p.Pitch, style),
                key.AlterOf(p.Pitch.Letter) != compared.AlterOf(p.Pitch.Letter)
            );
    }

    /// <summary>Which letters change against the comparison key: "Against D major: C is natural, B is flat".</summary>
    private static string Changes(ScaleKey key, ScaleKey compared, HouseStyle style)
    {
        var changed = Enum.GetValues<Letter>()
            .Where(l => key.AlterOf(l) != compared.AlterOf(l))
            .Select(l =>
                $"{Labels.Note(new Pitch(l, 0, 4), style)} is {key.AlterOf(l) switch { 2 => "double sharp", 1 => "sharp", 0 => "natural", -1 => "flat", _ => "double flat" }}"
            )
            .ToArray();
        return changed.Length == 0
            ? $"The same notes as {Labels.Scale(compared, style)}."
            : $"Against {Labels.Scale(compared, style)}: {string.Join(", ", changed)}.";
    }

    private static IEnumerable<KeyLineView> Lines(Instrument instrument, ScaleKey key, HouseStyle style)
    {
        (string Title, Func<int, Score> Make)[] kinds =
        [
            ("Scale", o => KeyExercises.Scale(instrument, key, o)),
            ("Arpeggio", o => KeyExercises.ArpeggioLine(instrument, key, o)),
        ];
        foreach (var octaves in new[] { 1, 2 })
        {
            foreach (var (title, make) in kinds)
            {
                var line = make(octaves);
                var reading = PlayerReading.Of(line, instrument, instrument, style);
                var outside = KeyExercises.Outside(instrument, line);
                yield return new KeyLineView(
                    $"{title}, {(octaves == 1 ? "one octave" : "two octaves")}",
                    outside == 0 ? null : $"{outside} {(outside == 1 ? "note lies" : "notes lie")} beyond the allowed positions.",
                    ReadingMusic.ForEngraving(reading),
                    ReadingView.BarsOf(reading),
                    ReadingView.NotesOf(reading),
                    ReadingView.CountsOf(reading)
                );
            }
        }
    }

    private static Results<Ok<IReadOnlyList<TapeDistanceView>>, ProblemHttpResult> Taping(Styles styles, string instrument, double lengthMm)
    {
        var style = styles.Current().Style;
        if (StringSection.Named(instrument, style) is not { } known)
            return Problems.NoInstrument(instrument);
        if (lengthMm is not (>= TapingSheet.ShortestString and <= TapingSheet.LongestString))
            return TypedResults.Problem(
                statusCode: 400,
                title: $"The string length must be {TapingSheet.ShortestString} to {TapingSheet.LongestString} mm, measured from the nut to the bridge."
            );
        return TypedResults.Ok<IReadOnlyList<TapeDistanceView>>([
            .. TapingSheet
                .Of(style.TapesOf(known), lengthMm)
                .Select(t => new TapeDistanceView(t.Tape.Name, t.Tape.Semitones, t.Millimetres)),
        ]);
    }
}
