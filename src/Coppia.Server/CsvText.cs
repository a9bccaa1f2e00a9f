using System.Text;

namespace Coppia.Server;

/// <summary>Rows of cells as text (RFC 4180).</summary>
internal sealed class CsvText
{
    private readonly StringBuilder _text = new();

    public CsvText Row(params IEnumerable<string> cells)
    {
        _text.AppendJoin(',', cells.Select(Quoted)).Append("\r\n");
        return this;
    }

    public override string ToString() => _text.ToString();

    private static string Quoted(string cell)
    {
        // A cell that a spreadsheet would take for a formula is text (common practice).
        var safe = cell is ['=' or '+' or '-' or '@' or '\t' or '\r', ..] ? "'" + cell : cell;
        return safe.AsSpan().IndexOfAny("\",\r\n") < 0 ? safe : $"\"{safe.Replace("\"", "\"\"", StringComparison.Ordinal)}\"";
    }
}
