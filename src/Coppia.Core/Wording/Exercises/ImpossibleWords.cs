using Coppia.Core.Exercises;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Music;
using Coppia.Core.Wording.Terms;

namespace Coppia.Core.Wording.Exercises;

/// <summary>Why a sheet cannot be made, and what could be.</summary>
public static class ImpossibleWords
{
    private const int MostKeys = 4;

    public static string Of(SheetImpossibleException e, HouseStyle style)
    {
        var name = e.Instrument.Name.ToLowerInvariant();
        var kind = ExerciseWords.Name(e.Kind).ToLowerInvariant();
        var key = e.Key is { } k ? Labels.Scale(k, style) : "this key";
        return e.Fault switch
        {
            SheetFault.TooFewNotes => $"That leaves fewer than two notes for the {name}; {Range(e, style)}",
            SheetFault.NotInCommon => $"The chosen instruments share too few notes in {key}; choose fewer instruments, "
                + "another key or more strings.",
            SheetFault.NoSuchString =>
                $"The {name} has no {Letter(e.String, style)} string; its strings are {Strings(e.Instrument, style)}.",
            SheetFault.NoStretch => $"The hand of the {name} has no stretch; {kind} can be made for {For(e)}.",
            SheetFault.NoFourthForOpen =>
                $"On the {name} the fourth finger does not stand for an open string; {kind} can be made for {For(e)}.",
            SheetFault.NoHomeSlide =>
                $"The {name} does not slide between its lowest positions; {kind} can be made for {For(e)}.",
            SheetFault.NoOpenInKey =>
                $"In {key} no open string of the {name} can be played by the fourth finger on the string below; "
                    + $"{Keys(e, style)}",
            SheetFault.NoLowHigh =>
                $"In {key} no letter has a low and a high place on these strings of the {name}; {Keys(e, style)}",
            SheetFault.NoTwoPlaces =>
                $"In {key} no finger of the {name} has two places on one of these strings; {Keys(e, style)}",
            SheetFault.NoTwoHeights =>
                $"In {key} every finger of the {name} stands at one height on neighbouring strings; {Keys(e, style)}",
            SheetFault.KeyTooPlain =>
                "C major has no signs to ask about; choose another key, or none for all up to four sharps and flats.",
            SheetFault.OutOfReach =>
                $"{English.Capital(Octaves(e.Possible))} of {key} {(e.Possible > 1 ? "do" : "does")} not fit under the "
                    + $"hand of the {name}; "
                    + Keys(e, style),
            SheetFault.NoTune => $"{English.Capital(kind)} are made from a tune; choose one.",
            SheetFault.NothingInTune =>
                "Nothing in this tune is hard enough to practise by itself; choose another tune or another kind.",
            SheetFault.NoValues =>
                "These note values do not fill a bar of this meter by themselves; choose others, such as the quarter, "
                    + "or another meter.",
            _ => e.Possible == 1
                ? $"There is only one question of this kind in {key}; ask for one, "
                    + "or choose no key for all the usual ones."
                : $"Ask for 1 to {e.Possible}.",
        };
    }

    private static string Range(SheetImpossibleException e, HouseStyle style) =>
        e.PossibleRange is { } range
            ? $"choose from {Labels.NoteAndNumber(range.Lowest, style)} to "
                + $"{Labels.NoteAndNumber(range.Highest, style)}."
            : "choose more strings or another key.";

    private static string Keys(SheetImpossibleException e, HouseStyle style) =>
        e.PossibleKeys.Count == 0
            ? "no usual key has any; choose other strings, another instrument or another kind."
            : $"it works in {English.List([.. Few(e.PossibleKeys, style)], "or")}.";

    private static IEnumerable<string> Few(IEnumerable<Shapes.ScaleKey> keys, HouseStyle style) =>
        keys.Take(MostKeys).Select(k => Labels.Scale(k, style));

    private static string Octaves(int octaves) => octaves == 1 ? "one octave" : $"{English.Number(octaves)} octaves";

    private static string For(SheetImpossibleException e) =>
        e.PossibleFor.Count == 0
            ? "no instrument"
            : $"the {English.List([.. e.PossibleFor.Select(i => i.Name.ToLowerInvariant())], "and")}";

    private static string Letter(Letter? letter, HouseStyle style) =>
        letter is { } l ? Labels.Note(new Pitch(l, 0, 4), style) : "such";

    private static string Strings(Instrument instrument, HouseStyle style) =>
        English.List([.. instrument.Strings.Select(s => Labels.Note(s, style))]);
}
