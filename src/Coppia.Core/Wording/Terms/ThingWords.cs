using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;

namespace Coppia.Core.Wording.Terms;

/// <summary>What a class learns, by name.</summary>
public static class ThingWords
{
    private static readonly string[] Ordinals =
    [
        "open string",
        "first finger",
        "second finger",
        "third finger",
        "fourth finger",
    ];

    private static readonly IReadOnlyDictionary<LearnedSign, string> Signs = new Dictionary<LearnedSign, string>
    {
        [LearnedSign.Accidental] = "sharps, flats and naturals in the bar",
        [LearnedSign.PickUp] = "pick-up",
        [LearnedSign.Tie] = "tie",
        [LearnedSign.Syncopation] = "notes across the beat",
        [LearnedSign.Hook] = "hooked bow",
        [LearnedSign.Lift] = "lift",
        [LearnedSign.Dots] = "dots",
        [LearnedSign.Tenuto] = "tenuto",
        [LearnedSign.Accent] = "accent",
        [LearnedSign.Hairpin] = "growing louder and softer",
        [LearnedSign.Fermata] = "fermata",
        [LearnedSign.Repeat] = "repeat",
        [LearnedSign.Endings] = "first and second ending",
        [LearnedSign.Waymarks] = "da capo and segno",
        [LearnedSign.TempoWords] = "tempo words",
        [LearnedSign.Pizzicato] = "pizzicato",
        [LearnedSign.GraceNotes] = "grace notes",
        [LearnedSign.Ornaments] = "ornaments",
        [LearnedSign.DoubleStops] = "two strings at once",
        [LearnedSign.Harmonics] = "harmonics",
        [LearnedSign.ClefChange] = "change of clef",
    };

    /// <summary>"A on G", "low 2", "third position", "1 sharp: F", "dotted half", "slur over three notes".</summary>
    public static string Name(KnownThing thing, HouseStyle style) =>
        thing switch
        {
            KnownNote n => $"{Labels.Note(n.Pitch, style)} on {Labels.Note(n.Open, style)}",
            KnownFinger f => Finger(f.Place),
            KnownPosition p => Position(p, style),
            KnownKey k => Labels.Signature(new KeySignature(k.Fifths), style),
            KnownMeter m => $"{m.Beats}/{m.Unit}",
            KnownValue v => v.Value.Words(style.ValueNames),
            KnownRest r => r.Value.Words(style.ValueNames) + " rest",
            KnownRhythm r => Rhythm(r.Pattern) + " in one beat",
            KnownSlur s => $"slur over {English.Number(s.Notes)}{(s.Notes == KnownSlur.Most ? " and more" : "")} notes",
            KnownDynamic d => d.Sign,
            KnownSign s => Signs[s.Sign],
            _ => throw new ArgumentOutOfRangeException(
                nameof(thing),
                thing.GetType(),
                "There are no words for this kind of thing."
            ),
        };

    /// <summary>
    /// "low second finger", "fourth finger", "first finger stretched back", "forward stretch", "reaching fourth
    /// finger".
    /// </summary>
    public static string Finger(FingerPlace place) =>
        place.Word switch
        {
            _ when place.Reach => "fourth finger reaching for one letter more",
            PlaceWord.Low => "low " + Ordinals[place.Finger],
            PlaceWord.High => "high " + Ordinals[place.Finger],
            PlaceWord.Back => Ordinals[place.Finger] + " stretched back",
            PlaceWord.Forward => "hand stretched forward",
            _ => Ordinals[place.Finger],
        };

    /// <summary>"two quick, half"; a pattern without a name by its parts.</summary>
    public static string Rhythm(string pattern) =>
        WordRhythms.Shipped.FirstOrDefault(s => s.Pattern == pattern).Name ?? pattern.Replace(' ', '–');

    private static string Position(KnownPosition known, HouseStyle style) =>
        style.Instrument(known.Instrument)?.Frames.Where(f => f.Position == known.Position).ToArray()
            is { Length: > 0 } frames
            // Where a position has a lower or upper half, the shorter name is the position's own.
            ? frames.MinBy(f => f.Spoken.Length)!.Spoken
            : known.Position;
}
