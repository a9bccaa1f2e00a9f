using System.Text.Json.Nodes;
using Coppia.Core.Fingering;
using Coppia.Core.Instruments;
using Coppia.Core.Music;
using Coppia.Formats.Records;

namespace Coppia.Formats.Exercises;

/// <summary>Notes, rests and pairs of a sheet as JSON.</summary>
internal static class SheetNotes
{
    /// <summary><c>{"string":"D","finger":2,"place":"low"}</c>.</summary>
    public static JsonObject Pair(Pair pair, Instrument instrument) =>
        new()
        {
            ["string"] = instrument.StringName(pair.String),
            ["finger"] = pair.Finger,
            ["place"] = PlaceName(pair.Word),
        };

    public static string PlaceName(PlaceWord word) => word.ToString().ToLowerInvariant();

    /// <summary>A note's line or space: <c>{"on":"line","number":2}</c>; beyond the staff its ledger line.</summary>
    public static void AddPlace(JsonObject to, StaffPlace place)
    {
        if (place.OnStaff)
        {
            to["on"] = place.OnLine ? "line" : "space";
            to["number"] = place.Height / 2 + 1;
            return;
        }

        var ledger = (place.Height < 0 ? -place.Height : place.Height - StaffPlace.TopLine) / 2;
        to["on"] = (place.OnLine, place.Height < 0) switch
        {
            (true, true) => "ledger line below",
            (true, false) => "ledger line above",
            (false, true) => ledger == 0 ? "below the staff" : "under ledger line below",
            _ => ledger == 0 ? "above the staff" : "over ledger line above",
        };
        if (ledger > 0)
            to["number"] = ledger;
    }

    /// <summary>Name without octave: F#.</summary>
    public static string Name(Pitch pitch) => pitch.Letter + pitch.AccidentalText;

    public static JsonArray Bars(Score music, Instrument instrument, IReadOnlyDictionary<string, Pin>? pins = null) =>
        [.. music.Bars.Select(b => Events(b, instrument, pins))];

    public static JsonArray Events(Bar bar, Instrument instrument, IReadOnlyDictionary<string, Pin>? pins = null) =>
        [.. bar.Events.Select(e => Event(e, instrument, pins))];

    private static JsonNode Event(ScoreEvent e, Instrument instrument, IReadOnlyDictionary<string, Pin>? pins)
    {
        var json = new JsonObject
        {
            [e.Pitch is null ? "rest" : "note"] = e.Pitch is { } p ? p.ToString() : true,
            ["value"] = ValueText.Of(e.Value),
        };
        if (e.IsBarRest)
            json["bar"] = true;
        Add("tie", e.TiedOn);
        if (e.SlurStarts + e.SlurStops > 0)
            json["slur"] =
                (e.SlurStarts, e.SlurStops) is (> 0, > 0) ? "through"
                : e.SlurStarts > 0 ? "start"
                : "stop";
        Add("dot", e.Has(Marks.Staccato));
        Add("lift", e.Has(Marks.LiftAfter));
        Add("up", e.Has(Marks.UpBow));
        Add("down", e.Has(Marks.DownBow));
        if (e.Words is { } words)
            json["words"] = words;
        if (pins?.TryGetValue(e.Id, out var pin) == true)
            json["pair"] = new JsonObject
            {
                ["string"] = pin.String is { } s ? instrument.StringName(s) : null,
                ["finger"] = pin.Finger,
            };
        return json;

        void Add(string name, bool isSet)
        {
            if (isSet)
                json[name] = true;
        }
    }
}
