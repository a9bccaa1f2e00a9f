using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.School;
using Coppia.Core.Wording.Terms;
using Coppia.Formats.Records;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Room;

/// <summary>What a house style cannot be, although it can be read.</summary>
internal static class StyleRules
{
    private const int MostFifths = 7;
    private const int LongestTapeName = 30;
    private const int LongestShapeName = 40;
    private const int LongestShapeMark = 2;

    /// <summary>The setting that is wrong, as JSON names it, with what is said of it; null for none.</summary>
    public static (string Setting, string Wrong)? FirstWrong(HouseStyle style) =>
        Math.Abs(style.FirstKeyFifths) > MostFifths
            ? ("style.firstKeyFifths", Say("room.style.the-first-key-has-at-most-seven"))
        : WrongTapes(style) is { } tapes ? ("style.tapes", tapes)
        : style.Alternatives.Select(a => StyleFile.WrongAlternative(a.Key, a.Value)).FirstOrDefault(w => w is not null)
            is { } fingers
            ? ("style.alternatives", fingers + ".")
        : style.WordRhythms.Select(w => WordRhythms.Wrong(w.Key, w.Value)).FirstOrDefault(w => w is not null)
            is { } words
            ? ("style.wordRhythms", words)
        : !style.ShapeNames.Values.All(s =>
            s.Name is { Length: >= 1 and <= LongestShapeName } && s.Mark is { Length: <= LongestShapeMark }
        )
            ? ("style.shapeNames", Say("room.style.a-shapes-own-name-has-1-to"))
        : null;

    private static string? WrongTapes(HouseStyle style)
    {
        foreach (var (instrument, tapes) in style.Tapes)
        {
            if (StringSection.Named(instrument) is null)
            {
                var instruments = English.List([.. StringSection.All.Select(i => i.Id)]);
                return Say("room.style.tapes-are-kept-for", ("instruments", instruments));
            }

            if (
                !tapes.All(t =>
                    t is { Semitones: >= 1 and <= Limits.HighestTape, Name.Length: >= 1 and <= LongestTapeName }
                )
            )
                return Say("room.style.a-tape-lies-1-to-half-steps", ("highestTape", Limits.HighestTape));
            if (tapes.DistinctBy(t => t.Semitones).Count() < tapes.Count)
                return Say("room.style.two-tapes-lie-at-the-same-place");
        }

        return null;
    }
}
