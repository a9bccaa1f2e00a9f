using ArchUnitNET.Loader;

namespace Coppia.Tests;

/// <summary>All that was compiled, looked at once for all rules.</summary>
internal static class Compiled
{
    public static readonly ArchUnitNET.Domain.Architecture All = new ArchLoader()
        .LoadAssemblies(
            typeof(Score).Assembly,
            typeof(Formats.Books.TuneReader).Assembly,
            typeof(Data.Store.Database).Assembly,
            typeof(Coppia.Server.CoppiaApp).Assembly,
            typeof(Cli.ReadCommand).Assembly
        )
        .Build();

    /// <summary>Who of ours knows whom, by their full names; framework and packages left out.</summary>
    public static readonly ILookup<string, string> Known = (
        from type in All.Types
        where IsOurs(type.FullName)
        from used in type.Dependencies
        where IsOurs(used.Target.FullName)
        select (type.FullName, used.Target.FullName)
    ).ToLookup(k => k.Item1, k => k.Item2);

    private static bool IsOurs(string name) => name.StartsWith("Coppia.", StringComparison.Ordinal);
}
