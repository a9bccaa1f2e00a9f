using System.Text.Json;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Wording.Terms;

namespace Coppia.Core.Wording.Room;

/// <summary>One way that a school may choose.</summary>
/// <param name="Value">As a kept style names it.</param>
/// <param name="Label">As it is printed to choose from.</param>
public sealed record StyleOption(string Value, string Label);

/// <summary>One thing that schools do differently, in plain words, with its choices (craft 17).</summary>
/// <param name="Key">Its name in a kept style.</param>
/// <param name="Instrument">For a choice of one instrument's fingers, which; null for one that all share.</param>
public sealed record StyleSetting(
    string Key,
    string Label,
    string About,
    IReadOnlyList<StyleOption> Options,
    string? Instrument = null
)
{
    /// <summary>All settings that are one choice each: about fingers first, then names, counting and bow.</summary>
    public static IReadOnlyList<StyleSetting> All { get; } =
    [.. Fingers(), .. Alternatives(), .. Names(), .. CountsAndBow()];

    private static StyleSetting[] Fingers() =>
        [
            Of(
                nameof(HouseStyle.FourthFinger),
                "Open string or fourth finger",
                $"{Those(i => i.FourthStandsForOpen)}, where both sound the same.",
                (FourthFinger.OpenFirst, "Open first"),
                (FourthFinger.Balanced, "Balanced"),
                (FourthFinger.FourthFirst, "Fourth first")
            ),
            Of(
                nameof(HouseStyle.LowHigh),
                "Low and high fingers",
                "How a finger off its regular place is printed.",
                (LowHighLabel.Letters, "L2 H3"),
                (LowHighLabel.Arrows, "↓2 ↑3"),
                (LowHighLabel.Words, "low 2")
            ),
            Of(
                nameof(HouseStyle.ExtendedFourth),
                $"{Those(i => i.Frames.Any(f => f.Spots.Any(s => s.Reach)))}, fourth finger reaching",
                "One letter farther than it stands: C on the E string.",
                (ExtendedFourthLabel.X4, "x4"),
                (ExtendedFourthLabel.FourPlus, "4+"),
                (ExtendedFourthLabel.Words, "reach 4")
            ),
            Of(
                nameof(HouseStyle.CelloBack),
                $"{Those(i => i.Frames.Any(f => f.Stretch == Stretch.Back))}, first finger reaching back",
                "Some print an extended, some a low first finger.",
                (CelloBackLabel.X1, "x1"),
                (CelloBackLabel.L1, "L1")
            ),
        ];

    private static IEnumerable<StyleSetting> Alternatives() =>
        StringSection
            .All.Where(i => i.Alternatives.Count > 1)
            .Select(i => new StyleSetting(
                Key: $"{Named(nameof(HouseStyle.Alternatives))}.{i.Id}",
                Label: $"{i.Name} fingers",
                About: "The same places under other fingers.",
                Options: [.. i.Alternatives.Select(a => new StyleOption(a.Name, a.Label))],
                Instrument: i.Id
            ));

    private static StyleSetting[] Names() =>
        [
            Of(
                nameof(HouseStyle.NoteNames),
                "Note names",
                "German prints B as H and B flat as B.",
                (NoteNames.English, "A B C"),
                (NoteNames.German, "A H C"),
                (NoteNames.FixedDo, "la si do")
            ),
            Of(
                nameof(HouseStyle.OctaveNames),
                "Octaves",
                "When a tune has a letter twice.",
                (OctaveNames.HighLow, "high D"),
                (OctaveNames.Number, "D5"),
                (OctaveNames.None, "only D")
            ),
        ];

    private static StyleSetting[] CountsAndBow() =>
        [
            Of(
                nameof(HouseStyle.Counting),
                "Counting",
                "What is said under the notes.",
                (CountingSystem.Numbers, "1 & 2 &"),
                (CountingSystem.Ta, "ta ti-ti"),
                (CountingSystem.Te, "1-te 2-te"),
                (CountingSystem.Words, "Words")
            ),
            Of(
                nameof(HouseStyle.Compound),
                "6/8 and its kind",
                "Counted in eighths or in dotted beats.",
                (CompoundCounting.Eighths, "Eighths"),
                (CompoundCounting.DottedBeats, "Dotted beats")
            ),
            Of(
                nameof(HouseStyle.ValueNames),
                "Note values",
                "What the lengths are called.",
                (ValueNames.American, "Quarter, half"),
                (ValueNames.British, "Crotchet, minim")
            ),
            Of(
                nameof(HouseStyle.LoudBow),
                "Louder means",
                "More weight, and a bow that is",
                (LoudBow.HeavierFaster, "Faster"),
                (LoudBow.HeavierSlower, "Slower")
            ),
            Of(
                nameof(HouseStyle.AfterLongRest),
                "After a bar of rest",
                "Which way the bow starts again.",
                (AfterLongRest.RetakeDown, "Down again"),
                (AfterLongRest.GoOn, "Go on alternating")
            ),
        ];

    private static StyleSetting Of<T>(
        string property,
        string label,
        string about,
        params (T Value, string Label)[] options
    )
        where T : struct, Enum =>
        new(
            Named(property),
            label,
            about,
            [.. options.Select(o => new StyleOption(Named(o.Value.ToString()), o.Label))]
        );

    private static string Named(string name) => JsonNamingPolicy.CamelCase.ConvertName(name);

    /// <summary>The instruments that have something, as a sentence begins with them: "Violin and viola".</summary>
    private static string Those(Func<Instrument, bool> have) =>
        English.Capital(English.List([.. StringSection.All.Where(have).Select(i => English.LowerFirst(i.Name))]));
}
