using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Terms;
using Coppia.Formats.MusicXml;
using Coppia.Server.Asked;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Room;

/// <param name="Letter">By which it is asked for.</param>
/// <param name="Name">What it is called in the school’s note names.</param>
/// <param name="Open">Written pitch of the open string.</param>
/// <param name="Midi">What it sounds.</param>
public sealed record StringView(int Index, string Letter, string Name, string Open, int Midi, double Thickness);

/// <summary>A way that schools finger an instrument, to choose from.</summary>
public sealed record AlternativeView(string Name, string Label);

/// <summary>What a screen needs to draw an instrument.</summary>
/// <param name="Distances">Of each place from the nut, as parts of the string length; from the open string to the
/// highest place.</param>
public sealed record InstrumentView(
    string Id,
    string Name,
    string Clef,
    IReadOnlyList<StringView> Strings,
    IReadOnlyList<Tape> Tapes,
    IReadOnlyList<InstrumentSize> Sizes,
    int HighestPlace,
    IReadOnlyList<double> Distances,
    IReadOnlyList<AlternativeView> Alternatives
)
{
    public static InstrumentView Of(Player player)
    {
        var i = player.Instrument;
        return new(
            Id: i.Id,
            Name: i.Name,
            Clef: i.FirstClef.Name,
            Strings:
            [
                .. i
                    .Strings.Index()
                    .Select(s => new StringView(
                        Index: s.Index,
                        Letter: i.StringName(s.Index),
                        Name: Labels.StringName(s.Index, player),
                        Open: s.Item.ToString(),
                        Midi: s.Item.Midi + 12 * i.SoundingOctave,
                        Thickness: i.StringThickness[s.Index]
                    )),
            ],
            Tapes: player.Style.TapesOf(i),
            Sizes: i.Sizes,
            HighestPlace: i.HighestPlace,
            Distances: DistancesOf(i),
            Alternatives: [.. i.Alternatives.Select(a => new AlternativeView(a.Name, a.Label))]
        );
    }

    private static double[] DistancesOf(Instrument instrument) =>
        [
            .. Enumerable
                .Range(0, instrument.HighestPlace + 1)
                .Select(n => Math.Round(Core.Instruments.Tapes.Distance(1, n), 5)),
        ];
}

/// <summary>One place on the fingerboard as a note on the staff.</summary>
/// <param name="Pitch">Written pitch, plain text.</param>
/// <param name="Name">Name as the house style prints it.</param>
/// <param name="Staff">Where it lies on the staff, in words.</param>
/// <param name="Label">The pair, or null when no allowed finger stands there.</param>
/// <param name="Words">Where the finger goes.</param>
/// <param name="MusicXml">The note alone on its staff, to engrave.</param>
public sealed record PlaceView(string Pitch, string Name, string Staff, string? Label, string Words, string MusicXml);

internal static class InstrumentEndpoints
{
    public static void MapInstruments(this IEndpointRouteBuilder api)
    {
        api.MapGet("/api/instruments", List).WithName("listInstruments");
        api.MapGet("/api/instruments/{instrument}/place", Place)
            .WithName("getPlace")
            .ProducesProblem(404)
            .ProducesProblem(400);
    }

    private static InstrumentView[] List(HouseStyles styles)
    {
        var style = styles.Current().Style;
        return [.. StringSection.All.Select(i => InstrumentView.Of(new Player(i, style)))];
    }

    /// <summary>The note at a place, spelled as the key has it.</summary>
    private static PlaceView Place(HouseStyles styles, string instrument, int @string, int semitones, int fifths)
    {
        var player = styles.Player(instrument);
        var (known, style) = (player.Instrument, player.Style);
        if (
            @string < 0
            || @string >= known.Strings.Count
            || semitones < 0
            || semitones > 24
            || !KeySignature.IsOne(fifths)
        )
            throw new RefusedException(
                400,
                Say("room.instrument.there-is-no-such-place-expected", ("strings", known.Strings.Count - 1))
            );

        var key = new KeySignature(fifths);
        var pitch = Spelling.InKey(known.Strings[@string].Midi + semitones, key);
        var firstFrame = known.FirstFrame;
        Placement? placement = Placements
            .Of(known, pitch, firstFrame)
            .Where(p => p.String == @string && player.Allows(p.Frame))
            .OrderBy(p => known.Frames[p.Frame].Stretch)
            .ThenBy(p => Math.Abs(p.Frame - firstFrame))
            .Select(p => (Placement?)p)
            .FirstOrDefault();
        var score = new ScoreBuilder(known.FirstClef).In(key).Note(pitch, new NoteValue(0)).Build();
        return new PlaceView(
            Pitch: pitch.ToString(),
            Name: Labels.Note(pitch, style),
            Staff: StaffPlace.Of(pitch, known.FirstClef).Words(),
            Label: placement is { } at ? Labels.Pair(at.Pair, player) : null,
            Words: TapeWords.Of(semitones, style.TapesOf(known)),
            MusicXml: MusicXmlWriter.Write(score)
        );
    }
}
