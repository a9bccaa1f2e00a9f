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

    public static string Of(SheetImpossibleException e, HouseStyle style)
    {
        var name = e.Instrument.Name.ToLowerInvariant();
        var kind = ExerciseWords.Name(e.Kind).ToLowerInvariant();
        var key = e.Key is { } k ? Labels.Scale(k, style) : Say("exercises.impossible.this-key");
        return e.Fault switch
        {
            SheetFault.TooFewNotes => Say(
                "exercises.impossible.that-leaves-fewer-than-two-notes-for",
                ("name", name),
                ("range", Range(e, style))
            ),
            SheetFault.NotInCommon => Say("exercises.impossible.the-chosen-instruments-share-too-few", ("key", key)),
            SheetFault.NoSuchString => Say(
                "exercises.impossible.the-has-no-string-its-strings-are",
                ("name", name),
                ("string", Letter(e.String, style)),
                ("strings", Strings(e.Instrument, style))
            ),
            SheetFault.NoStretch => Say(
                "exercises.impossible.the-hand-of-the-has-no-stretch",
                ("name", name),
                ("kind", kind),
                ("for", For(e))
            ),
            SheetFault.NoFourthForOpen => Say(
                "exercises.impossible.on-the-the-fourth-finger-does-not",
                ("name", name),
                ("kind", kind),
                ("for", For(e))
            ),
            SheetFault.NoHomeSlide => Say(
                "exercises.impossible.the-does-not-slide-between-its-lowest",
                ("name", name),
                ("kind", kind),
                ("for", For(e))
            ),
            SheetFault.NoOpenInKey => Say(
                "exercises.impossible.in-no-open-string-of-the-can",
                ("key", key),
                ("name", name),
                ("keys", Keys(e, style))
            ),
            SheetFault.NoLowHigh => Say(
                "exercises.impossible.in-no-letter-has-a-low-and",
                ("key", key),
                ("name", name),
                ("keys", Keys(e, style))
            ),
            SheetFault.NoTwoPlaces => Say(
                "exercises.impossible.in-no-finger-of-the-has-two",
                ("key", key),
                ("name", name),
                ("keys", Keys(e, style))
            ),
            SheetFault.NoTwoHeights => Say(
                "exercises.impossible.in-every-finger-of-the-stands-at",
                ("key", key),
                ("name", name),
                ("keys", Keys(e, style))
            ),
            SheetFault.KeyTooPlain => Say("exercises.impossible.c-major-has-no-signs-to-ask"),
            SheetFault.OutOfReach => Say(
                "exercises.impossible.of-not-fit-under-the-hand-of",
                ("octaves", English.Capital(Octaves(e.Possible))),
                ("key", key),
                ("possible", e.Possible),
                ("name", name),
                ("keys", Keys(e, style))
            ),
            SheetFault.NoTune => Say(
                "exercises.impossible.are-made-from-a-tune-choose-one",
                ("kind", English.Capital(kind))
            ),
            SheetFault.NothingInTune => Say("exercises.impossible.nothing-in-this-tune-is-hard-enough"),
            SheetFault.NoValues => Say("exercises.impossible.these-note-values-do-not-fill-a"),
            _ => e.Possible == 1
                ? Say("exercises.impossible.there-is-only-one-question-of-this", ("key", key))
                : Say("exercises.impossible.ask-for-1-to", ("possible", e.Possible)),
        };
    }

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
