using Coppia.Core.Exercises;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Core.Wording.Exercises;

/// <summary>Why a sheet cannot be made, and what could be.</summary>
public static class ImpossibleWords
{
    private const int MostKeys = 4;

    public static string Of(SheetImpossibleException e, HouseStyle style) =>
        OfHand(e)
        ?? OfKey(e, style)
        ?? e.Fault switch
        {
            SheetFault.TooFewNotes => Say(
                "exercises.impossible.that-leaves-fewer-than-two-notes-for",
                ("name", Name(e)),
                ("range", Range(e, style))
            ),
            SheetFault.NotInCommon => Say(
                "exercises.impossible.the-chosen-instruments-share-too-few",
                ("key", Key(e, style))
            ),
            SheetFault.NoSuchString => Say(
                "exercises.impossible.the-has-no-string-its-strings-are",
                ("name", Name(e)),
                ("string", Letter(e.String, style)),
                ("strings", Strings(e.Instrument, style))
            ),
            SheetFault.KeyTooPlain => Say("exercises.impossible.c-major-has-no-signs-to-ask"),
            SheetFault.NoTune => Say(
                "exercises.impossible.are-made-from-a-tune-choose-one",
                ("kind", English.Capital(Kind(e)))
            ),
            SheetFault.NothingInTune => Say("exercises.impossible.nothing-in-this-tune-is-hard-enough"),
            SheetFault.NoValues => Say("exercises.impossible.these-note-values-do-not-fill-a"),
            _ => e.Possible == 1
                ? Say("exercises.impossible.there-is-only-one-question-of-this", ("key", Key(e, style)))
                : Say("exercises.impossible.ask-for-1-to", ("possible", e.Possible)),
        };

    /// <summary>What no hand on this instrument does, whatever the key; else null.</summary>
    private static string? OfHand(SheetImpossibleException e) =>
        e.Fault is SheetFault.NoStretch or SheetFault.NoFourthForOpen or SheetFault.NoHomeSlide
            ? Say(
                e.Fault switch
                {
                    SheetFault.NoStretch => "exercises.impossible.the-hand-of-the-has-no-stretch",
                    SheetFault.NoFourthForOpen => "exercises.impossible.on-the-the-fourth-finger-does-not",
                    _ => "exercises.impossible.the-does-not-slide-between-its-lowest",
                },
                ("name", Name(e)),
                ("kind", Kind(e)),
                ("for", For(e))
            )
            : null;

    /// <summary>What another key has; else null.</summary>
    private static string? OfKey(SheetImpossibleException e, HouseStyle style)
    {
        if (e.Fault == SheetFault.OutOfReach)
            return Say(
                "exercises.impossible.of-not-fit-under-the-hand-of",
                ("octaves", English.Capital(Octaves(e.Possible))),
                ("key", Key(e, style)),
                ("possible", e.Possible),
                ("name", Name(e)),
                ("keys", Keys(e, style))
            );
        return
            e.Fault
                is SheetFault.NoOpenInKey
                    or SheetFault.NoLowHigh
                    or SheetFault.NoTwoPlaces
                    or SheetFault.NoTwoHeights
            ? Say(
                e.Fault switch
                {
                    SheetFault.NoOpenInKey => "exercises.impossible.in-no-open-string-of-the-can",
                    SheetFault.NoLowHigh => "exercises.impossible.in-no-letter-has-a-low-and",
                    SheetFault.NoTwoPlaces => "exercises.impossible.in-no-finger-of-the-has-two",
                    _ => "exercises.impossible.in-every-finger-of-the-stands-at",
                },
                ("key", Key(e, style)),
                ("name", Name(e)),
                ("keys", Keys(e, style))
            )
            : null;
    }

    private static string Name(SheetImpossibleException e) => e.Instrument.Name.ToLowerInvariant();

    private static string Kind(SheetImpossibleException e) => ExerciseWords.Name(e.Kind).ToLowerInvariant();

    private static string Key(SheetImpossibleException e, HouseStyle style) =>
        e.Key is { } key ? Labels.Scale(key, style) : Say("exercises.impossible.this-key");

    private static string Range(SheetImpossibleException e, HouseStyle style) =>
        e.PossibleRange is { } range
            ? Say(
                "exercises.impossible.choose-from-to",
                ("noteAndNumber", Labels.NoteAndNumber(range.Lowest, style)),
                ("noteAndNumber2", Labels.NoteAndNumber(range.Highest, style))
            )
            : Say("exercises.impossible.choose-more-strings-or-another-key");

    private static string Keys(SheetImpossibleException e, HouseStyle style) =>
        e.PossibleKeys.Count == 0
            ? Say("exercises.impossible.no-usual-key-has-any-choose-other")
            : Say("exercises.impossible.it-works-in", ("few", English.Either([.. Few(e.PossibleKeys, style)])));

    private static IEnumerable<string> Few(IEnumerable<Shapes.ScaleKey> keys, HouseStyle style) =>
        keys.Take(MostKeys).Select(k => Labels.Scale(k, style));

    private static string Octaves(int octaves) =>
        octaves == 1
            ? Say("exercises.impossible.one-octave")
            : Say("exercises.impossible.octaves-octaves", ("octaves", octaves));

    private static string For(SheetImpossibleException e) =>
        e.PossibleFor.Count == 0
            ? Say("exercises.impossible.no-instrument")
            : Say(
                "exercises.impossible.for-the",
                ("possibleFor", English.List([.. e.PossibleFor.Select(i => i.Name.ToLowerInvariant())]))
            );

    private static string Letter(Letter? letter, HouseStyle style) =>
        letter is { } l ? Labels.Note(new Pitch(l, 0, 4), style) : Say("exercises.impossible.such");

    private static string Strings(Instrument instrument, HouseStyle style) =>
        English.List([.. instrument.Strings.Select(s => Labels.Note(s, style))]);
}
