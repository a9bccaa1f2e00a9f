using Coppia.Formats.Books;

namespace Coppia.Bench;

/// <summary>
/// What the rules that reach over a whole tune add. The baseline knows one note, one finger in a line, but not that the
/// same music has the same fingers; against it stand both rules, and neither. A rule is left out by giving its prices
/// as 0; the tune is one song A A B A after the other.
/// </summary>
internal static class SameMusic
{
    private static readonly FingerWeights OneFingerOnly = FingerWeights.Default with
    {
        OtherThanBefore = 0,
        OtherThanBeforeAtSeam = 0,
    };
    private static readonly FingerWeights Neither = OneFingerOnly with { OtherFingerInLine = 0, OtherFingerInBar = 0 };

    public static void Run()
    {
        foreach (var player in StringSection.All)
        {
            var score = TuneReader.Read(LongTune.Songs(2000, player)).Score!;
            InTurn.Work With(string rules, FingerWeights weights) =>
                new(rules, () => Fingers.Choose(score, new Player(player), weights: weights));
            InTurn.Compare(
                player.Name,
                With("one note, one finger", OneFingerOnly),
                With("and the same music", FingerWeights.Default),
                With("neither rule", Neither)
            );
        }
    }
}
