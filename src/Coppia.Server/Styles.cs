using Coppia.Core.Knowledge;
using Coppia.Data;
using Coppia.Formats;
using Microsoft.AspNetCore.Http.HttpResults;

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

    /// <summary>The player of this instrument in the current style, or the answer that it is not known.</summary>
    public ProblemHttpResult? Missing(string instrument, out Player player)
    {
        var style = Current().Style;
        var known = style.Instrument(instrument);
        player = known is null ? null! : new Player(known, style);
        return known is null ? Problems.NoInstrument(instrument) : null;
    }
}
