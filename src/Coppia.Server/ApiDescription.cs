using System.Reflection;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace Coppia.Server;

/// <summary>
/// The API's own description (OpenAPI), of which the front end's client is made; each address has the room that answers
/// as its tag.
/// </summary>
internal static class ApiDescription
{
    public static void Configure(OpenApiOptions options)
    {
        options.AddDocumentTransformer((document, _, _) => Head(document));
        options.AddOperationTransformer((operation, context, _) => TagByRoom(operation, context));
        options.AddSchemaTransformer((schema, context, _) => RequireAll(schema, context));
    }

    private static Task Head(OpenApiDocument document)
    {
        document.Info.Title = "Coppia";
        document.Info.Version = "1";
        // The rooms alone: the classes by which the framework would sort are nobody's business outside.
        var rooms = document
            .Paths.Values.SelectMany(p => p.Operations ?? [])
            .SelectMany(o => o.Value.Tags ?? new HashSet<OpenApiTagReference>())
            .Select(t => t.Name)
            .ToHashSet();
        document.Tags = document.Tags?.Where(t => rooms.Contains(t.Name)).ToHashSet();
        return Task.CompletedTask;
    }

    private static Task TagByRoom(OpenApiOperation operation, OpenApiOperationTransformerContext context)
    {
        var handler = context.Description.ActionDescriptor.EndpointMetadata.OfType<MethodInfo>().FirstOrDefault();
        if (handler?.DeclaringType?.Namespace?.Split('.') is ["Coppia", "Server", var room, ..])
        {
            context.Document!.Tags ??= new HashSet<OpenApiTag>();
            context.Document.Tags.Add(new OpenApiTag { Name = room });
            operation.Tags = new HashSet<OpenApiTagReference> { new(room, context.Document) };
        }

        return Task.CompletedTask;
    }

    /// <summary>
    /// A value type always has all of its parts; left to itself the document calls them optional.
    /// </summary>
    private static Task RequireAll(OpenApiSchema schema, OpenApiSchemaTransformerContext context)
    {
        if (context.JsonTypeInfo.Type.IsValueType && schema.Properties is { Count: > 0 } parts)
            schema.Required = parts.Keys.ToHashSet();
        return Task.CompletedTask;
    }
}
