using System.Globalization;
using Altrin.Core.Actions;
using Altrin.Core.Handover.Holding;
using Altrin.Core.Handover.Tables;
using Altrin.Core.Network;

namespace Altrin.Core.Handover.Imports;

/// <summary><c>cables.csv</c> on its way in.</summary>
internal sealed class CableMatcher(HandoverGround ground) : TableMatcher(ground, "id")
{
    private static readonly string[] Ends = ["from", "from_socket", "to", "to_socket"];

    public override void Read(NamedRow row)
    {
        if (House.FindCable(row["id"]) is not { } cable)
        {
            Miss(row, "cable");
            return;
        }
        var now = ByColumn(CableTable.Columns, CableTable.Row(cable));
        string Told(string column) => row[column] is { Length: > 0 } said ? said : now[column] ?? "";
        if (Ends.FirstOrDefault(column => New(row, column, now[column]) is not null) is { } end)
        {
            var (a, b) = (new Socket(Told("from"), Told("from_socket")), new Socket(Told("to"), Told("to_socket")));
            Deed(row, cable.Id, end, now[end], Told(end),
                house => [new UnplugCable(cable.Id), new PlugCable(house.FindCable(cable.Id)! with { A = a, B = b })]);
        }
        if (New(row, "medium", now["medium"]) is { } medium)
        {
            if (!Words<Medium>.TryRead(medium, out var wanted)) Wrong(row, "medium",
                $"is no medium. Use {string.Join(", ", Words<Medium>.All)}.");
            else Deed(row, cable.Id, "medium", now["medium"], medium,
                house => Replaced(house, cable.Id, one => one with { Medium = wanted }));
        }
        if (New(row, "category", now["category"]) is { } category)
            Deed(row, cable.Id, "category", now["category"], category,
                house => Replaced(house, cable.Id, one => one with { Category = category }));
        if (New(row, "length_m", now["length_m"]) is not { } length) return;
        // A spreadsheet of another country writes a comma.
        if (!double.TryParse(length.Replace(',', '.'), NumberStyles.AllowDecimalPoint, CultureInfo.InvariantCulture, out var metres))
            Wrong(row, "length_m", "is no length. Write metres, such as 18.5.");
        else if (metres != cable.LengthM) Deed(row, cable.Id, "length_m", now["length_m"], Csv.Number(metres)!,
            house => Replaced(house, cable.Id, one => one with { LengthM = metres }));
    }

    private static ReplaceCable Replaced(NetworkDocument house, string id, Func<Cable, Cable> with)
    {
        var cable = with(house.FindCable(id)!);
        return new(id, cable.Medium, cable.Category, cable.LengthM);
    }
}
