using ArchUnitNET.Domain;
using ArchUnitNET.Fluent;
using ArchUnitNET.Loader;

namespace Coppia.Tests;

/// <summary>
/// Dependencies point one way: the core knows nobody; formats and data know the core; server and command line know all
/// three.
/// </summary>
public class LayeringTests
{
    private static readonly ArchUnitNET.Domain.Architecture Loaded = new ArchLoader()
        .LoadAssemblies(
            typeof(Score).Assembly,
            typeof(Formats.Books.TuneReader).Assembly,
            typeof(Data.Tunes.TuneRepository).Assembly,
            typeof(Coppia.Server.CoppiaApp).Assembly,
            typeof(Cli.ReadCommand).Assembly
        )
        .Build();

    private static IObjectProvider<IType> In(params string[] layers) =>
        ArchRuleDefinition.Types().That().ResideInNamespaceMatching($@"^Coppia\.({string.Join('|', layers)})($|\.)");

    [Theory]
    [InlineData("Core", "Formats|Data|Server|Cli")]
    [InlineData("Formats", "Data|Server|Cli")]
    [InlineData("Data", "Formats|Server|Cli")]
    public void A_layer_does_not_know_those_above_it(string layer, string above)
    {
        var rule = ArchRuleDefinition.Types().That().Are(In(layer)).Should().NotDependOnAny(In(above));
        Assert.True(rule.HasNoViolations(Loaded), rule.Description);
    }

    [Fact]
    public void The_core_references_only_the_base_library() =>
        Assert.All(
            typeof(Score).Assembly.GetReferencedAssemblies(),
            a => Assert.StartsWith("System.", a.Name, StringComparison.Ordinal)
        );
}
