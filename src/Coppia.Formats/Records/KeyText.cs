using Coppia.Core.Shapes;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Formats.Records;

/// <summary>A key in plain text: <c>D</c>, <c>Bb</c>, <c>Em</c>, <c>E harmonic minor</c>.</summary>
public static class KeyText
{
    /// <summary>What a key looks like, for error messages.</summary>
    public static string Expected => Say("records.key-text.a-key");

    public static string Of(ScaleKey key)
    {
        var tonic = $"{key.Tonic.Letter}{key.Tonic.AccidentalText}";
        return key.Form switch
        {
            ScaleForm.Major => tonic,
            ScaleForm.NaturalMinor => tonic + "m",
            ScaleForm.HarmonicMinor => $"{tonic} harmonic minor",
            _ => $"{tonic} melodic minor",
        };
    }

    /// <summary>The key of this name, with at most seven signs; null where it is none.</summary>
    public static ScaleKey? Read(string text)
    {
        var words = text.Trim().Split(' ', 2, StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries);
        if (words.Length == 0)
            return null;
        var tonic = words[0].Replace('♯', '#').Replace('♭', 'b');
        var form = words is [_, var said] ? Form(said) : ScaleForm.Major;
        if (words.Length == 1 && tonic is [_, .., 'm'])
            (tonic, form) = (tonic[..^1], ScaleForm.NaturalMinor);
        return form is { } known
            ? Enumerable
                .Range(-7, 15)
                .Select(f => new ScaleKey(f, known))
                .Where(k => $"{k.Tonic.Letter}{k.Tonic.AccidentalText}" == tonic)
                .Select(k => (ScaleKey?)k)
                .FirstOrDefault()
            : null;
    }

    private static ScaleForm? Form(string said) =>
        said.ToLowerInvariant() switch
        {
            "major" => ScaleForm.Major,
            "minor" or "natural minor" => ScaleForm.NaturalMinor,
            "harmonic minor" => ScaleForm.HarmonicMinor,
            "melodic minor" => ScaleForm.MelodicMinor,
            _ => null,
        };
}
