using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Handover.Holding;
using Altrin.Core.Network;

namespace Altrin.Core.Handover.Imports;

/// <summary>A row by the names of its columns.</summary>
internal sealed class NamedRow(int row, IReadOnlyList<string> names, IReadOnlyList<string> cells)
{
    public int Row => row;

    /// <summary>Empty where there is no such column, or nothing in it: then it says nothing.</summary>
    public string this[string column]
    {
        get
        {
            for (var i = 0; i < names.Count && i < cells.Count; i++)
                if (names[i] == column) return cells[i];
            return "";
        }
    }
}

/// <summary>Holds the rows of one kind of table against a house.</summary>
internal abstract class TableMatcher(HandoverGround ground, params string[] keys)
{
    /// <summary>The columns by which a row is told from another.</summary>
    public IReadOnlyList<string> Keys => keys;

    public List<ImportDeed> Deeds { get; } = [];
    public List<ImportProblem> Unmatched { get; } = [];
    public List<ImportProblem> Problems { get; } = [];

    protected HandoverGround Ground => ground;
    protected NetworkDocument House => ground.House;

    public abstract void Read(NamedRow row);

    /// <summary>By id, then MAC, then name.</summary>
    protected static T? Find<T>(NamedRow row, IEnumerable<T> all, Func<T, string> id, Func<T, MacAddress?> mac, Func<T,
        string> name) where T : class
    {
        var list = all.ToList();
        if (row["id"] is { Length: > 0 } its && list.Find(one => id(one) == its) is { } byId) return byId;
        if (MacAddress.TryParse(row["mac"], out var number) && list.Find(one => mac(one) == number) is { } byMac) return byMac;
        return row["name"] is { Length: > 0 } said ? list.Find(one => string.Equals(name(one), said, StringComparison.OrdinalIgnoreCase))
            : null;
    }

    protected void Miss(NamedRow row, string what) => Unmatched.Add(new(row.Row, null,
        $"No {what} of the house has this {(keys.FirstOrDefault(key => row[key].Length > 0) is { } key ? $"{key}, “{row[key]}”" : "row")}."));

    protected void Wrong(NamedRow row, string column, string mend) => Problems.Add(new(row.Row, column, $"“{row[column]}” {mend}"));

    protected void Deed(NamedRow row, string subject, string column, string? from, string to, Func<NetworkDocument,
        InstallerAction> make) =>
        Deed(row, subject, column, from, to, house => ImmutableArray.Create(make(house)));

    protected void Deed(NamedRow row, string subject, string column, string? from, string to, Func<NetworkDocument,
        ImmutableArray<InstallerAction>> make) =>
        Deeds.Add(new(Deeds.Count + 1, row.Row, subject, column, from ?? "", to,
            $"{House.NameOf(subject)}: {column.Replace('_', ' ')} was {(string.IsNullOrEmpty(from) ? "empty" : from)}, is to be {to}",
                make));

    /// <summary>The row as it went out, by its columns.</summary>
    protected static Dictionary<string, string?> ByColumn(string[] columns, string?[] row) =>
        columns.Zip(row).ToDictionary(one => one.First, one => one.Second, StringComparer.Ordinal);

    /// <summary>A MAC that is another, however it is written.</summary>
    protected void Mac(NamedRow row, string subject, MacAddress? now, Func<NetworkDocument, MacAddress, InstallerAction> make)
    {
        if (row["mac"] is not { Length: > 0 } said) return;
        if (!MacAddress.TryParse(said, out var number)) Wrong(row, "mac", "is no MAC. Write six pairs of hexadecimal digits.");
        else if (number != now) Deed(row, subject, "mac", now?.ToString(), number.ToString(), house => make(house, number));
    }

    /// <summary>What a cell says otherwise; null where it says nothing or the same.</summary>
    protected static string? New(NamedRow row, string column, string? now) =>
        row[column] is { Length: > 0 } said && said != (now ?? "") ? said : null;

    /// <summary>As the document names a room.</summary>
    protected string Room(string said) => Rooms.Find(House, said)?.Id ?? said;
}
