using Coppia.Core.Knowledge;
using Coppia.Data;
using Coppia.Formats;

namespace Coppia.Server;

/// <summary>The house style in force, and who plays in it.</summary>
internal sealed class Styles(StyleRepository repository)
{
    private (string Json, HouseStyle Style) _last = ("", HouseStyle.Default);

    /// <summary>The current style, and a key that differs between any two styles that differ.</summary>
    public (HouseStyle Style, string Key) Current()
    {
        if (repository.Current() is not { } kept)
            return (HouseStyle.Default, "");
        var last = _last;
        if (last.Json != kept.Json)
            _last = last = (kept.Json, StyleFile.Read(kept.Json));
        return (last.Style, kept.Json);
    }

    /// <summary>The player of this instrument in the current style; null for an unknown instrument.</summary>
    public Player? Player(string instrument)
    {
        var style = Current().Style;
        return style.Instrument(instrument) is { } known ? new Player(known, style) : null;
    }
}
