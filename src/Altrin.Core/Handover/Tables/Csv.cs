using System.Globalization;
using System.Text;

namespace Altrin.Core.Handover.Tables;

/// <summary>Comma-separated values as RFC 4180 has them: CRLF after every row, the last too; what holds a comma, a quote or a line break
/// stands in quotes.</summary>
internal static class Csv
{
    private const string Risky = "=+-@\t\r\n";

    public static string Write(IReadOnlyList<string> head, IEnumerable<IReadOnlyList<string?>> rows)
    {
        var text = new StringBuilder();
        Row(text, head);
        foreach (var row in rows) Row(text, row);
        return text.ToString();
    }

    /// <summary>In the shortest form, with a point.</summary>
    public static string? Number(double? value) => value?.ToString(CultureInfo.InvariantCulture);

    /// <summary>A cell that a spreadsheet would take for a formula gets an apostrophe in front, and one that has apostrophes there one
    /// more.</summary>
    public static string Guard(string cell) => IsRisky(cell.TrimStart('\'')) ? $"'{cell}" : cell;

    /// <summary>What <see cref="Guard"/> has put in front is taken away.</summary>
    public static string Unguard(string cell) => cell.StartsWith('\'') && IsRisky(cell.TrimStart('\'')) ? cell[1..] : cell;

    private static bool IsRisky(string cell) => cell.Length > 0 && Risky.Contains(cell[0], StringComparison.Ordinal);

    private static void Row(StringBuilder text, IReadOnlyList<string?> cells)
    {
        for (var i = 0; i < cells.Count; i++)
        {
            if (i > 0) text.Append(',');
            var cell = Guard(cells[i] ?? "");
            if (cell.AsSpan().IndexOfAny(",\"\r\n") < 0) text.Append(cell);
            else text.Append('"').Append(cell.Replace("\"", "\"\"", StringComparison.Ordinal)).Append('"');
        }
        text.Append("\r\n");
    }
}
