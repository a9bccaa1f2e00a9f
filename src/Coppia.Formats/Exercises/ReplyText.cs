using System.Text.RegularExpressions;
using Coppia.Core.Drills;
using Coppia.Core.Instruments;
using Coppia.Core.Music;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Exercises;

/// <summary>
/// Answers as they are typed: a name (<c>F#</c>, <c>Bb</c>), or string and finger (<c>D2</c>, <c>DL2</c>, <c>Dx1</c>).
/// </summary>
public static partial class ReplyText
{
    /// <summary>What an answer looks like, for error messages.</summary>
    public static string Expected(Instrument instrument) =>
        Say("exercises.reply-text.a-name-such-as-f-or-string", ("stringName", instrument.StringName(1)));

    /// <summary>
    /// The answer, or null. A letter and a digit are string and finger where the instrument has the string; else a name
    /// with its octave.
    /// </summary>
    public static Reply? Read(string text, Instrument instrument)
    {
        text = text.Trim().Replace('♯', '#').Replace('♭', 'b');
        if (
            PairPattern().Match(text) is { Success: true } pair
            && StringOf(pair.Groups["string"].Value, instrument) is { } s
        )
        {
            var finger = pair.Groups["finger"].Value[0] - '0';
            return new PairReply(s, finger, Word(pair.Groups["word"].Value, finger));
        }

        if (
            NamePattern().Match(text) is not { Success: true } name
            || !Enum.TryParse<Letter>(name.Groups["letter"].Value.ToUpperInvariant(), out var letter)
        )
            return null;
        var alter = name.Groups["sign"].Value.Sum(c => c == '#' ? 1 : -1);
        int? octave = name.Groups["octave"].Value is { Length: > 0 } digit ? digit[0] - '0' : null;
        return alter is >= -2 and <= 2 ? new NameReply(letter, alter, octave) : null;
    }

    /// <summary>A kind of mistake by its name: <c>forgot-signature</c>.</summary>
    public static string Kind(MistakeKind kind) =>
        CapitalPattern().Replace(kind.ToString(), m => (m.Index > 0 ? "-" : "") + m.Value.ToLowerInvariant());

    /// <summary>Every kind of mistake by its name.</summary>
    public static IReadOnlyDictionary<string, MistakeKind> Kinds { get; } =
        Enum.GetValues<MistakeKind>().ToDictionary(Kind);

    private static int? StringOf(string letter, Instrument instrument) =>
        instrument
            .Strings.Index()
            .Where(s => s.Item.Letter.ToString().Equals(letter, StringComparison.OrdinalIgnoreCase))
            .Select(s => (int?)s.Index)
            .FirstOrDefault();

    private static PlaceWord Word(string sign, int finger) =>
        (sign, finger) switch
        {
            (_, 0) => PlaceWord.Open,
            ("L", _) => PlaceWord.Low,
            ("H", _) => PlaceWord.High,
            ("x", 1) => PlaceWord.Back,
            ("x", _) => PlaceWord.Forward,
            _ => PlaceWord.Regular,
        };

    [GeneratedRegex("^(?<string>[A-Ga-g])-?(?<word>[LHx]?)(?<finger>[0-4])$")]
    private static partial Regex PairPattern();

    [GeneratedRegex("^(?<letter>[A-Ga-g])(?<sign>#{1,2}|b{1,2})?(?<octave>[0-9])?$")]
    private static partial Regex NamePattern();

    [GeneratedRegex("[A-Z]")]
    private static partial Regex CapitalPattern();
}
