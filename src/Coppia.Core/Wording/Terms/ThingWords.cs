using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Terms;

/// <summary>What a class learns, by name.</summary>
public static class ThingWords
{
    private static readonly string[] Ordinals =
    [
        Say("terms.thing.open-string"),
        Say("terms.thing.first-finger"),
        Say("terms.thing.second-finger"),
        Say("terms.thing.third-finger"),
        Say("terms.thing.fourth-finger"),
    ];

    private static readonly IReadOnlyDictionary<LearnedSign, string> Signs = new Dictionary<LearnedSign, string>
    {
        [LearnedSign.Accidental] = Say("terms.thing.sharps-flats-and-naturals-in-the-bar"),
        [LearnedSign.PickUp] = Say("terms.thing.pick-up"),
        [LearnedSign.Tie] = Say("terms.thing.tie"),
        [LearnedSign.Syncopation] = Say("terms.thing.notes-across-the-beat"),
        [LearnedSign.Hook] = Say("terms.thing.hooked-bow"),
        [LearnedSign.Lift] = Say("terms.thing.lift"),
        [LearnedSign.Dots] = Say("terms.thing.dots"),
        [LearnedSign.Tenuto] = Say("terms.thing.tenuto"),
        [LearnedSign.Accent] = Say("terms.thing.accent"),
        [LearnedSign.Hairpin] = Say("terms.thing.growing-louder-and-softer"),
        [LearnedSign.Fermata] = Say("terms.thing.fermata"),
        [LearnedSign.Repeat] = Say("terms.thing.repeat"),
        [LearnedSign.Endings] = Say("terms.thing.first-and-second-ending"),
        [LearnedSign.Waymarks] = Say("terms.thing.da-capo-and-segno"),
        [LearnedSign.TempoWords] = Say("terms.thing.tempo-words"),
        [LearnedSign.Pizzicato] = Say("terms.thing.pizzicato"),
        [LearnedSign.GraceNotes] = Say("terms.thing.grace-notes"),
        [LearnedSign.Ornaments] = Say("terms.thing.ornaments"),
        [LearnedSign.DoubleStops] = Say("terms.thing.two-strings-at-once"),
        [LearnedSign.Harmonics] = Say("terms.thing.harmonics"),
        [LearnedSign.ClefChange] = Say("terms.thing.change-of-clef"),
    };

    /// <summary>"A on G", "low 2", "third position", "1 sharp: F", "dotted half", "slur over three notes".</summary>
    public static string Name(KnownThing thing, HouseStyle style) =>
        thing switch
        {
            KnownNote n => Say(
                "terms.thing.name-on",
                ("pitch", Labels.Note(n.Pitch, style)),
                ("open", Labels.Note(n.Open, style))
            ),
            KnownFinger f => Finger(f.Place),
            KnownPosition p => Position(p, style),
            KnownKey k => Labels.Signature(new KeySignature(k.Fifths), style),
            KnownMeter m => $"{m.Beats}/{m.Unit}",
            KnownValue v => v.Value.Words(style.ValueNames),
            KnownRest r => Say("terms.thing.name-rest", ("r", r.Value.Words(style.ValueNames))),
            KnownRhythm r => Say("terms.thing.in-one-beat", ("rhythm", Rhythm(r.Pattern))),
            KnownSlur s => Say(
                "terms.thing.slur-over-notes",
                ("notes", s.Notes),
                ("what", s.Notes == KnownSlur.Most ? Say("terms.thing.and-more") : "")
            ),
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
            _ when place.Reach => Say("terms.thing.fourth-finger-reaching-for-one-letter"),
            PlaceWord.Low => Say("terms.thing.finger-low", ("ordinals", Ordinals[place.Finger])),
            PlaceWord.High => Say("terms.thing.finger-high", ("ordinals", Ordinals[place.Finger])),
            PlaceWord.Back => Say("terms.thing.stretched-back", ("ordinals", Ordinals[place.Finger])),
            PlaceWord.Forward => Say("terms.thing.hand-stretched-forward"),
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
