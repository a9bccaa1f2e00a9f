using System.Text.Json;
using Coppia.Core.Composition;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Desk;

/// <summary>Tasks and pieces as they are kept: JSON.</summary>
internal sealed class DeskText(IOptions<JsonOptions> json)
{
    private JsonSerializerOptions Json => json.Value.SerializerOptions;

    public string Of<T>(T doc) => JsonSerializer.Serialize(doc, Json);

    /// <summary>A kept task; null for one that this version cannot read.</summary>
    public TaskDoc? Task(string document) => TaskDoc.Read(document, Json);

    /// <param name="title">By which it is told.</param>
    /// <exception cref="FormatException">This version cannot read it.</exception>
    public TaskDoc Task(string title, string document) =>
        Task(document)
        ?? throw new FormatException(Say("desk.text.this-version-of-coppia-cannot-read", ("title", title)));

    /// <summary>A kept piece; one that this version cannot read begins anew.</summary>
    public PieceDoc Piece(string document, WritingTask task) => PieceDoc.Read(document, Json) ?? PieceDoc.Begun(task);
}
