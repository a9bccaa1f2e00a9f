using System.Text.RegularExpressions;
using Coppia.Core.Instruments;
using Coppia.Formats.Source;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Letters;

/// <summary>
/// Reads a tune typed as strings and fingers, as young classes read it: <c>D: 0 0 A: 0 0 | 1 1 0 - |</c> (craft 20). A
/// letter with a colon changes the string; L, H or x before a finger is its place. Beats follow a finger after
/// <c>*</c>: <c>0*2</c>.
/// </summary>
internal sealed partial class TypedFingers(CancellationToken stop) : TypedTune(stop)
{
    private int? _string;

    protected override string Expected =>
        Say(
            "letters.typed-fingers.a-string-with-a-colon-a-finger",
            ("strings", string.Join(' ', Strings.Select(s => s + ":")))
        );

    protected override string NotWhat => "not a finger";

    private IEnumerable<string> Strings => Enumerable.Range(0, Head.For.Strings.Count).Select(Head.For.StringName);

    public static ReadResult ReadText(string text, CancellationToken stop = default) =>
        new TypedFingers(stop).Read(text);

    protected override bool ReadOwn()
    {
        if (StringPattern().Match(Line, At) is { Success: true } named)
        {
            Take(named);
            return true;
        }

        var match = FingerPattern().Match(Line, At);
        if (!match.Success)
            return false;
        if (_string is { } on)
            Finger(match, on);
        else
            Wrong(
                Say("letters.typed-fingers.finger-comes-before-a-string-is-named", ("groups", match.Groups[2].Value))
            );
        return true;
    }

    /// <summary>A string is named, on which the fingers that follow are put.</summary>
    private void Take(Match named)
    {
        var letter = named.Groups[1].Value.ToUpperInvariant();
        _string = Strings.Index().Where(s => s.Item == letter).Select(s => (int?)s.Index).FirstOrDefault();
        if (_string is null)
            Wrong(
                Say(
                    "letters.typed-fingers.the-has-no-string",
                    ("for", Head.For.Name.ToLowerInvariant()),
                    ("letter", letter)
                )
            );
        else
            At += named.Length;
    }

    private void Finger(Match match, int on)
    {
        var finger = match.Groups[2].Value[0] - '0';
        var sign = match.Groups[1].Value.ToUpperInvariant();
        var pitch = Words(sign, finger)
            .Select(w => PairSound.Of(Head.For, on, finger, w, Key))
            .FirstOrDefault(p => p is not null);
        if (pitch is null)
        {
            Wrong(
                Say(
                    "letters.typed-fingers.the-has-no-in-first-position",
                    ("for", Head.For.Name.ToLowerInvariant()),
                    ("trimEnd", match.Value.TrimEnd('*'))
                )
            );
            return;
        }

        var at = Here;
        At += match.Length;
        Add(pitch, at);
    }

    /// <summary>
    /// What a sign before a finger may mean: L is low, or reaching back; x reaches back with 1 and forward with the
    /// others.
    /// </summary>
    private static PlaceWord[] Words(string sign, int finger) =>
        sign switch
        {
            "L" => [PlaceWord.Low, PlaceWord.Back],
            "H" => [PlaceWord.High],
            "X" => finger == 1 ? [PlaceWord.Back, PlaceWord.Forward] : [PlaceWord.Forward],
            _ => [PlaceWord.Regular],
        };

    [GeneratedRegex(@"\G([A-Ga-g])\s*:")]
    private static partial Regex StringPattern();

    [GeneratedRegex(@"\G([LHXlhx]?)([0-4])(?![0-9])\*?")]
    private static partial Regex FingerPattern();
}
