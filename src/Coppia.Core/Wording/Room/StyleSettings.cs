using System.Text.Json;
using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Wording.Terms;
using static Coppia.Core.Wording.Messages.Catalogue;

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
                Say("room.style-settings.open-string-or-fourth-finger"),
                Say("room.style-settings.where-both-sound-the-same", ("those", Those(i => i.FourthStandsForOpen))),
                (FourthFinger.OpenFirst, Say("room.style-settings.open-first")),
                (FourthFinger.Balanced, Say("room.style-settings.balanced")),
                (FourthFinger.FourthFirst, Say("room.style-settings.fourth-first"))
            ),
            Of(
                nameof(HouseStyle.LowHigh),
                Say("room.style-settings.low-and-high-fingers"),
                Say("room.style-settings.how-a-finger-off-its-regular-place"),
                (LowHighLabel.Letters, "L2 H3"),
                (LowHighLabel.Arrows, "↓2 ↑3"),
                (LowHighLabel.Words, Say("room.style-settings.low-2"))
            ),
            Of(
                nameof(HouseStyle.ExtendedFourth),
                Say(
                    "room.style-settings.fourth-finger-reaching",
                    ("those", Those(i => i.Frames.Any(f => f.Spots.Any(s => s.Reach))))
                ),
                Say("room.style-settings.one-letter-farther-than-it-stands-c"),
                (ExtendedFourthLabel.X4, "x4"),
                (ExtendedFourthLabel.FourPlus, "4+"),
                (ExtendedFourthLabel.Words, Say("room.style-settings.reach-4"))
            ),
            Of(
                nameof(HouseStyle.CelloBack),
                Say(
                    "room.style-settings.first-finger-reaching-back",
                    ("those", Those(i => i.Frames.Any(f => f.Stretch == Stretch.Back)))
                ),
                Say("room.style-settings.some-print-an-extended-some-a-low"),
                (CelloBackLabel.X1, "x1"),
                (CelloBackLabel.L1, "L1")
            ),
        ];

    private static IEnumerable<StyleSetting> Alternatives() =>
        StringSection
            .All.Where(i => i.Alternatives.Count > 1)
            .Select(i => new StyleSetting(
                Key: $"{Named(nameof(HouseStyle.Alternatives))}.{i.Id}",
                Label: Say("room.style-settings.alternatives-fingers", ("i", i.Name)),
                About: Say("room.style-settings.the-same-places-under-other-fingers"),
                Options: [.. i.Alternatives.Select(a => new StyleOption(a.Name, a.Label))],
                Instrument: i.Id
            ));

    private static StyleSetting[] Names() =>
        [
            Of(
                nameof(HouseStyle.NoteNames),
                Say("room.style-settings.note-names"),
                Say("room.style-settings.german-prints-b-as-h-and-b"),
                (NoteNames.English, "A B C"),
                (NoteNames.German, "A H C"),
                (NoteNames.FixedDo, Say("room.style-settings.la-si-do"))
            ),
            Of(
                nameof(HouseStyle.OctaveNames),
                Say("room.style-settings.octaves"),
                Say("room.style-settings.when-a-tune-has-a-letter-twice"),
                (OctaveNames.HighLow, Say("room.style-settings.high-d")),
                (OctaveNames.Number, "D5"),
                (OctaveNames.None, Say("room.style-settings.only-d"))
            ),
        ];

    private static StyleSetting[] CountsAndBow() =>
        [
            Of(
                nameof(HouseStyle.Counting),
                Say("room.style-settings.counting"),
                Say("room.style-settings.what-is-said-under-the-notes"),
                (CountingSystem.Numbers, "1 & 2 &"),
                (CountingSystem.Ta, Say("room.style-settings.ta-ti-ti")),
                (CountingSystem.Te, Say("room.style-settings.1-te-2-te")),
                (CountingSystem.Words, Say("room.style-settings.words"))
            ),
            Of(
                nameof(HouseStyle.Compound),
                Say("room.style-settings.6-8-and-its-kind"),
                Say("room.style-settings.counted-in-eighths-or-in-dotted-beats"),
                (CompoundCounting.Eighths, Say("room.style-settings.eighths")),
                (CompoundCounting.DottedBeats, Say("room.style-settings.dotted-beats"))
            ),
            Of(
                nameof(HouseStyle.ValueNames),
                Say("room.style-settings.note-values"),
                Say("room.style-settings.what-the-lengths-are-called"),
                (ValueNames.American, Say("room.style-settings.quarter-half")),
                (ValueNames.British, Say("room.style-settings.crotchet-minim"))
            ),
            Of(
                nameof(HouseStyle.LoudBow),
                Say("room.style-settings.louder-means"),
                Say("room.style-settings.more-weight-and-a-bow-that-is"),
                (LoudBow.HeavierFaster, Say("room.style-settings.faster")),
                (LoudBow.HeavierSlower, Say("room.style-settings.slower"))
            ),
            Of(
                nameof(HouseStyle.AfterLongRest),
                Say("room.style-settings.after-a-bar-of-rest"),
                Say("room.style-settings.which-way-the-bow-starts-again"),
                (AfterLongRest.RetakeDown, Say("room.style-settings.down-again")),
                (AfterLongRest.GoOn, Say("room.style-settings.go-on-alternating"))
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
