using System.Globalization;
using System.Text;
using CsvHelper;
using CsvHelper.Configuration;
using Microsoft.AspNetCore.Http.HttpResults;

namespace Coppia.Server.Asked;

/// <summary>Rows of cells as text (RFC 4180).</summary>
internal sealed class CsvText
{
    private static readonly CsvConfiguration Form = new(CultureInfo.InvariantCulture)
    {
        NewLine = "\r\n",
        ShouldQuote = cell => cell.Field.AsSpan().IndexOfAny("\",\r\n") >= 0,
    };

    private readonly List<string[]> _rows = [];

    public CsvText Row(params IEnumerable<string> cells)
    {
        _rows.Add([.. cells.Select(Plain)]);
        return this;
    }

    /// <summary>A cell that a spreadsheet would take for a formula is text (common practice).</summary>
    private static string Plain(string cell) =>
        cell is ['=' or '+' or '-' or '@' or '\t' or '\r', ..] ? "'" + cell : cell;

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

    public override string ToString()
    {
        using var text = new StringWriter(CultureInfo.InvariantCulture);
        using (var rows = new CsvWriter(text, Form, leaveOpen: true))
        {
            foreach (var row in _rows)
            {
                foreach (var cell in row)
                    rows.WriteField(cell);
                rows.NextRecord();
            }
        }

        return text.ToString();
    }
}
