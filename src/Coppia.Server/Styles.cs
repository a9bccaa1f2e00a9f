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
    public (HouseStyle Style, string Key) Current() => Of(null);

    /// <summary>A kept style, or the current one in place of none and of one that is gone.</summary>
    public (HouseStyle Style, string Key) Of(long? id)
    {
        var kept = (id is { } own ? repository.Find(own) : null) ?? repository.Current();
        if (kept is null)
            return (HouseStyle.Default, "");
        var last = _last;
        if (last.Json != kept.Json)
            _last = last = (kept.Json, Read(kept.Json, out _));
        return (last.Style, kept.Json);
    }

    /// <summary>A kept style; one that this version cannot read takes no screen down: the defaults stand in for it.</summary>
    /// <param name="wrong">What is wrong with it, or null.</param>
    public static HouseStyle Read(string json, out string? wrong)
    {
        try
        {
            wrong = null;
            return StyleFile.Read(json);
        }
        catch (FormatException e)
        {
            wrong = e.Message;
            return HouseStyle.Default;
        }
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
