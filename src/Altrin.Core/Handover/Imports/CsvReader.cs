using System.Globalization;
using System.Text;
using CsvHelper;
using CsvHelper.Configuration;

namespace Altrin.Core.Handover.Imports;

/// <param name="Row">Its place in the table: the head is 1.</param>
internal sealed record CsvRow(int Row, IReadOnlyList<string> Cells);

/// <summary>A table as a spreadsheet saves it: comma, semicolon or tab between cells, with a byte order mark or without.</summary>
internal static class CsvReader
{
    /// <summary>Far beyond any home.</summary>
    public const int MostRows = 20_000;

    private static readonly char[] Marks = [',', ';', '\t'];

    /// <returns>Rows with their cells, empty ones left out; null where it is no table.</returns>
    public static List<CsvRow>? Read(byte[] bytes)
    {
        // A byte order mark tells how it is written; without one it is UTF-8.
        using var decoder = new StreamReader(new MemoryStream(bytes), new UTF8Encoding(false), detectEncodingFromByteOrderMarks: true);
        var text = decoder.ReadToEnd();
        // What is quoted and never closed would swallow the rest.
        if (text.Count(letter => letter == '"') % 2 != 0) return null;
        var rows = new List<CsvRow>();
        var manners = new CsvConfiguration(CultureInfo.InvariantCulture)
        {
            Delimiter = MarkOf(text).ToString(),
            TrimOptions = TrimOptions.Trim,
            BadDataFound = null
        };
        using var parser = new CsvParser(new StringReader(text), manners);
        while (parser.Read())
        {
            var cells = parser.Record!.Select(Tables.Csv.Unguard).ToList();
            if (cells.Exists(cell => cell.Length > 0)) rows.Add(new(parser.Row, cells));
            if (rows.Count > MostRows) return null;
        }
        return rows;
    }

    /// <summary>What stands between the cells of the head.</summary>
    private static char MarkOf(string text)
    {
        var head = text.AsSpan(0, text.AsSpan().IndexOfAny('\r', '\n') is >= 0 and var end ? end : text.Length).ToString();
        return Marks.MaxBy(mark => head.Count(letter => letter == mark));
    }
}
