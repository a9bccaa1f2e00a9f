using System.Text;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Coppia.Server.Asked;

/// <summary>Rows of cells as text (RFC 4180).</summary>
internal sealed class CsvText
{
    private readonly StringBuilder _text = new();

    public CsvText Row(params IEnumerable<string> cells)
    {
        _text.AppendJoin(',', cells.Select(Quoted)).Append("\r\n");
        return this;
    }

    /// <summary>
    /// A table to save; the mark at its beginning tells spreadsheets that it is UTF-8 (common practice).
    /// </summary>
    /// <param name="name">Of the file, without its ending.</param>
    public static FileContentHttpResult File(string table, string name) =>
        TypedResults.Bytes(
            [.. Encoding.UTF8.Preamble, .. Encoding.UTF8.GetBytes(table)],
            "text/csv; charset=utf-8",
            $"{name}.csv"
        );

    public override string ToString() => _text.ToString();

    private static string Quoted(string cell)
    {
        // A cell that a spreadsheet would take for a formula is text (common practice).
        var safe = cell is ['=' or '+' or '-' or '@' or '\t' or '\r', ..] ? "'" + cell : cell;
        return safe.AsSpan().IndexOfAny("\",\r\n") < 0
            ? safe
            : $"\"{safe.Replace("\"", "\"\"", StringComparison.Ordinal)}\"";
    }
}
