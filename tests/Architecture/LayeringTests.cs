namespace Coppia.Tests;

/// <summary>
/// Dependencies point one way: the core knows nobody; formats and data know the core; server and command line know all
/// three.
/// </summary>
public class LayeringTests
{
    [Theory]
    [InlineData("Core", "Formats", "Data", "Server", "Cli")]
    [InlineData("Formats", "Data", "Server", "Cli")]
    [InlineData("Data", "Formats", "Server", "Cli")]
    [InlineData("Server", "Cli")]
    public void A_layer_does_not_know_those_above_it(string layer, params string[] above)
    {
        var types = Compiled.Known.Where(k => LayerOf(k.Key) == layer).ToArray();
        Assert.True(types.Length > 10, $"{layer} has {types.Length} types.");
        Assert.Empty(
            from type in types
            from used in type
            where above.Contains(LayerOf(used))
            select $"{type.Key} knows {used}"
        );
    }

    private static string LayerOf(string type) => type.Split('.')[1];

    [Fact]
    public void The_core_references_only_the_base_library() =>
        Assert.All(
            typeof(Score).Assembly.GetReferencedAssemblies(),
            a => Assert.StartsWith("System.", a.Name, StringComparison.Ordinal)
        );
}
