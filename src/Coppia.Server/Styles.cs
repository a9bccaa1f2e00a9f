using Coppia.Core.Knowledge;
using Coppia.Data;
using Coppia.Formats;

namespace Coppia.Server;

/// <summary>The house style in force.</summary>
internal sealed class Styles(StyleRepository repository)
{
    /// <summary>The current style, and a key that differs between any two styles that differ.</summary>
    public (HouseStyle Style, string Key) Current() =>
        repository.Current() is { } kept ? (StyleFile.Read(kept.Json), kept.Json) : (HouseStyle.Default, "");
}
