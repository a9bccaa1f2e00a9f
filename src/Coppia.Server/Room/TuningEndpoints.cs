using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Lesson;
using Coppia.Core.Music;
using Coppia.Core.Wording.Room;
using Coppia.Core.Wording.Terms;
using Coppia.Server.Asked;

namespace Coppia.Server.Room;

/// <summary>What is said of a place on a string.</summary>
/// <param name="InTune">Where it is.</param>
public sealed record HeardPlaceView(int Semitones, string Low, string InTune, string High);

/// <summary>A string to tune and to listen to.</summary>
/// <param name="Midi">Sounding MIDI key number of the open string.</param>
/// <param name="Low">A little low; much of it: FarLow. So with high.</param>
/// <param name="WrongString">What is said where another string sounds, by the order of that string; empty for
/// itself.</param>
public sealed record TuningStringView(
    int Index,
    string Name,
    int Midi,
    string InTune,
    string Low,
    string High,
    string FarLow,
    string FarHigh,
    string OctaveHigh,
    string OctaveLow,
    string Below,
    string Above,
    string Silence,
    IReadOnlyList<string> WrongString,
    IReadOnlyList<HeardPlaceView> Places
);

/// <summary>An instrument to tune.</summary>
public sealed record TuningInstrumentView(string Instrument, string Name, IReadOnlyList<TuningStringView> Strings);

/// <summary>A string in the order of tuning.</summary>
/// <param name="Who">Who tunes it: "violins and violas".</param>
public sealed record TuningStepView(string Name, string Who, bool ByTheirOwn, IReadOnlyList<string> Instruments);

/// <summary>Everything that the tuner says; it listens and judges on the machine that hears.</summary>
/// <param name="InTuneCents">So far off a tone is in tune.</param>
/// <param name="StringCents">So far off the open string is still meant.</param>
public sealed record TuningView(
    IReadOnlyList<TuningStepView> Order,
    IReadOnlyList<TuningInstrumentView> Instruments,
    int InTuneCents,
    int StringCents,
    string Noise
);

/// <summary>Tuning the strings.</summary>
internal static class TuningEndpoints
{
    public static void MapTuning(this IEndpointRouteBuilder api) =>
        api.MapGet("/api/tuning", Get).WithName("getTuning");

    /// <summary>For the class's sections; for all instruments where no class is chosen.</summary>
    private static TuningView Get(Asker asker)
    {
        Instrument[] all = asker.Section is { Length: > 0 } section ? section : [.. StringSection.All];
        var order = TuningOrder.Of(all);
        return new TuningView(
            [
                .. order.Select(t => new TuningStepView(
                    Labels.Note(new Core.Music.Pitch(t.Letter, 0, 4), asker.Style),
                    English.List([.. t.Instruments.Select(i => English.Plural(i.Id))]),
                    t.ByTheirOwn,
                    [.. t.Instruments.Select(i => i.Id)]
                )),
            ],
            [.. all.Select(i => Of(new Player(i, asker.Style)))],
            HeardWords.InTune,
            HeardWords.StillTheString,
            HeardWords.Noise
        );
    }

    private static TuningInstrumentView Of(Player player)
    {
        var words = new HeardWords(player);
        return new TuningInstrumentView(
            player.Instrument.Id,
            player.Instrument.Name,
            [.. player.Instrument.Strings.Select((open, s) => StringOf(open, s, player, words))]
        );
    }

    private static TuningStringView StringOf(Pitch open, int s, Player player, HeardWords words)
    {
        const double far = HeardWords.StillTheString - 1;
        return new TuningStringView(
            Index: s,
            Name: Labels.Note(open, player.Style),
            Midi: open.Midi + 12 * player.Instrument.SoundingOctave,
            InTune: words.Tuning(s, 0),
            Low: words.Tuning(s, -Little),
            High: words.Tuning(s, Little),
            FarLow: words.Tuning(s, -far),
            FarHigh: words.Tuning(s, far),
            OctaveHigh: words.WrongOctave(s, higher: true),
            OctaveLow: words.WrongOctave(s, higher: false),
            Below: words.NotOnString(s, below: true),
            Above: words.NotOnString(s, below: false),
            Silence: words.Silence(s),
            WrongString:
            [
                .. player.Instrument.Strings.Select((_, other) => other == s ? "" : words.WrongString(other, s)),
            ],
            Places: [.. Enumerable.Range(0, HeardWords.Highest + 1).Select(n => PlaceOf(n, words))]
        );
    }

    private static HeardPlaceView PlaceOf(int semitones, HeardWords words) =>
        new(semitones, words.Place(semitones, -Little), words.Place(semitones, 0), words.Place(semitones, Little));

    /// <summary>In cents: just no longer in tune.</summary>
    private const double Little = HeardWords.InTune + 1;
}
