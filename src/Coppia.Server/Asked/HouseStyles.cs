using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Wording.Terms;
using Coppia.Data.Room;
using Coppia.Formats.Records;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Asked;

/// <summary>The house style in force, and who plays in it.</summary>
internal sealed class HouseStyles(StyleRepository repository)
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

    /// <summary>
    /// A kept style; one that this version cannot read takes no screen down: the defaults stand in for it.
    /// </summary>
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

    /// <summary>An instrument as a style plays it.</summary>
    /// <exception cref="RefusedException">It is no instrument.</exception>
    public static Instrument Instrument(HouseStyle style, string name) =>
        style.Instrument(name) ?? throw NoInstrument(name);

    public static RefusedException NoInstrument(string name) =>
        RefusedException.NotHere(
            Say("asked.house-styles.is-not-an-instrument-expected", ("name", name), ("instruments", Labels.Instruments))
        );

    /// <summary>The player of this instrument in the current style.</summary>
    /// <exception cref="RefusedException">It is no instrument.</exception>
    public Player Player(string instrument)
    {
        var style = Current().Style;
        return new Player(Instrument(style, instrument), style);
    }
}
