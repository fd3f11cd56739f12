using Altrin.Core.Handover.Holding;
using Altrin.Core.Network;

namespace Altrin.Core.Handover.Tables;

/// <summary><c>cables.csv</c>: the cables of the document.</summary>
internal static class CableTable
{
    public static readonly string[] Columns = ["id", "from", "from_socket", "to", "to_socket", "medium", "category", "length_m"];

    public static string Write(HandoverGround ground) => Csv.Write(Columns, ground.House.Cables.Select(Row));

    public static string?[] Row(Cable cable) =>
    [
        cable.Id, cable.A.Device, cable.A.Port, cable.B.Device, cable.B.Port, Words<Medium>.Of(cable.Medium), cable.Category,
            Csv.Number(cable.LengthM),
    ];
}
