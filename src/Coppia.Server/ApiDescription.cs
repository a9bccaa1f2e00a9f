using Microsoft.AspNetCore.OpenApi;

namespace Coppia.Server;

/// <summary>The API's own description (OpenAPI), of which the front end's client is made.</summary>
internal static class ApiDescription
{
    public static void Configure(OpenApiOptions options)
    {
        options.AddDocumentTransformer(
            (document, _, _) =>
            {
                document.Info.Title = "Coppia";
                document.Info.Version = "1";
                return Task.CompletedTask;
            }
        );
        options.AddSchemaTransformer(
            (schema, context, _) =>
            {
                // A value type always has all of its parts; left to itself the document calls them optional.
                if (context.JsonTypeInfo.Type.IsValueType && schema.Properties is { Count: > 0 } parts)
                    schema.Required = parts.Keys.ToHashSet();
                return Task.CompletedTask;
            }
        );
    }
}
