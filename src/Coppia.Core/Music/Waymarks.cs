namespace Coppia.Core.Music;

/// <summary>
/// Signs that send the player elsewhere (common practice). Segno and coda stand at the beginning of their bar, the
/// others at its end.
/// </summary>
[Flags]
public enum Waymarks
{
    None = 0,
    Segno = 1,

    /// <summary>Where the coda begins.</summary>
    Coda = 2,

    /// <summary>From here to the coda, when the music is played again.</summary>
    ToCoda = 4,

    /// <summary>The end, when the music is played again.</summary>
    Fine = 8,

    /// <summary>Back to the beginning.</summary>
    DaCapo = 16,

    /// <summary>Back to the segno.</summary>
    DalSegno = 32,
}

/// <summary>Sets of waymarks.</summary>
public static class WaymarkSets
{
    /// <summary>The single marks of a set, those at the beginning of the bar first.</summary>
    public static IEnumerable<Waymarks> Each(this Waymarks marks) =>
        Enum.GetValues<Waymarks>().Where(m => m != Waymarks.None && marks.HasFlag(m));
}
