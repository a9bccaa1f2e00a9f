using System.Collections.Concurrent;
using System.ComponentModel.DataAnnotations;
using System.Text.Json;

namespace Coppia.Server.Asked;

/// <summary>What of a request lies beyond the limits that stand at its fields.</summary>
internal static class Checks
{
    private static readonly ConcurrentDictionary<Type, bool> HaveLimits = new();

    /// <summary>The first wrong field, as JSON names it, and what is said of it; null for none.</summary>
    public static (string Field, string Wrong)? FirstWrong(object? request)
    {
        if (request is null || !HaveLimits.GetOrAdd(request.GetType(), Has))
            return null;
        var found = new List<ValidationResult>();
        if (Validator.TryValidateObject(request, new ValidationContext(request), found, validateAllProperties: true))
            return null;
        return (JsonNamingPolicy.CamelCase.ConvertName(found[0].MemberNames.First()), found[0].ErrorMessage!);
    }

    /// <exception cref="RefusedException">A field of the request lies beyond its limits.</exception>
    public static void OrRefuse(object? request)
    {
        if (FirstWrong(request) is var (field, wrong))
            throw RefusedException.Field(field, wrong);
    }

    private static bool Has(Type type) =>
        type.Namespace?.StartsWith("Coppia.Server", StringComparison.Ordinal) == true
        && (
            type.IsAssignableTo(typeof(IValidatableObject))
            || type.GetProperties().Any(p => p.IsDefined(typeof(ValidationAttribute), inherit: true))
        );
}
