using System.Reflection;

namespace Coppia.Tests;

/// <summary>Endpoints are thin: they bind, ask their own feature, and answer.</summary>
public class EndpointTests
{
    private static readonly Assembly Server = typeof(Coppia.Server.CoppiaApp).Assembly;

    private static readonly System.Type[] Endpoints =
    [
        .. Server.GetTypes().Where(t => t.Name.EndsWith("Endpoints", StringComparison.Ordinal)),
    ];

    [Fact] // What two of them need lies in neither; only what puts all together knows them.
    public void No_endpoint_class_is_called_by_another()
    {
        var wrong =
            from type in Compiled.Known
            where type.Key.StartsWith("Coppia.Server.", StringComparison.Ordinal)
            let here = Outer(type.Key)
            where here != "Coppia.Server.CoppiaApp"
            from used in type
            let there = Outer(used)
            where there != here && Endpoints.Any(e => e.FullName == there)
            select $"{here} knows {there}";
        Assert.NotEmpty(Endpoints);
        Assert.Empty(wrong.Distinct());
    }

    [Fact]
    public void No_handler_has_more_than_six_parameters()
    {
        var tooMany =
            from type in Endpoints.SelectMany(t => t.GetNestedTypes(BindingFlags.NonPublic).Append(t))
            from method in type.GetMethods(
                BindingFlags.Static | BindingFlags.Instance | BindingFlags.NonPublic | BindingFlags.Public
            )
            where method.DeclaringType == type && method.GetParameters().Length > 6
            select $"{type.FullName}.{method.Name} has {method.GetParameters().Length}";
        Assert.Empty(tooMany);
    }

    /// <summary>The class that a type is written in: lambdas and iterators are types of their own.</summary>
    private static string Outer(string type) => type.Split('+', '/', '<')[0].TrimEnd('.');
}
