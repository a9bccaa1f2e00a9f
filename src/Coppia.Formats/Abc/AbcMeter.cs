using Coppia.Core.Music;

namespace Coppia.Formats.Abc;

/// <summary>Meters as ABC spells them, for whoever asks for one in text: 4/4, 3/4, C, C|, none.</summary>
public static class AbcMeter
{
    /// <summary>The meter, null for a free one; or what was expected.</summary>
    public static (TimeSignature? Time, string? Expected) Of(string text) => AbcFields.Meter(text.Trim());
}
