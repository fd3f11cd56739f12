using System.Collections.Immutable;
using Altrin.Core.Handover.Holding;
using Altrin.Core.Handover.Tables;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Handover.Imports;

/// <summary>Tables that come back from a spreadsheet. Section 8 of the format.</summary>
public static class TableImports
{
    private static readonly (string Kind, string[] Columns, Func<HandoverGround, TableMatcher> Match)[] Kinds =
    [
        ("boxes.csv", BoxTable.Columns, ground => new BoxMatcher(ground)),
        ("things.csv", ThingTable.Columns, ground => new ThingMatcher(ground)),
        ("addresses.csv", AddressTable.Columns, ground => new AddressMatcher(ground)),
        ("cables.csv", CableTable.Columns, ground => new CableMatcher(ground)),
    ];

    public static IEnumerable<string> All => Kinds.Select(one => one.Kind);

    /// <param name="kind">Null: by the columns of the head.</param>
    /// <param name="problem">Why nothing can be read of it, and what to do.</param>
    public static TableImport? Read(NetworkDocument house, byte[] table, string? kind, out string problem)
    {
        problem = "";
        if (CsvReader.Read(table) is not { } rows)
        {
            problem = $"A quote is opened and never closed, or there are more than {CsvReader.MostRows} rows. Save it as CSV anew.";
            return null;
        }
        if (rows is not [var head, .. var rest])
        {
            problem = "The table is empty. Its first row names the columns.";
            return null;
        }
        var names = head.Cells.Select(cell => cell.Trim().ToLowerInvariant()).ToList();
        var meant = kind is null ? Kinds.MaxBy(one => one.Columns.Count(names.Contains)) : Kinds.FirstOrDefault(one => one.Kind == kind);
        if (meant.Kind is null)
        {
            problem = $"There is no table “{kind}”. Use {string.Join(", ", All)}.";
            return null;
        }
        var matcher = meant.Match(new(Simulator.Run(house)));
        if (!names.Exists(matcher.Keys.Contains))
        {
            problem = $"Its first row names none of {string.Join(", ", matcher.Keys)}: no row can be told from another. Name the columns as in {meant.Kind}.";
            return null;
        }
        foreach (var row in rest) matcher.Read(new(row.Row, names, row.Cells));
        return new(meant.Kind, [.. matcher.Deeds], [.. matcher.Unmatched],
            [.. head.Cells.Where(cell => !meant.Columns.Contains(cell.Trim().ToLowerInvariant()))], [.. matcher.Problems]);
    }
}
