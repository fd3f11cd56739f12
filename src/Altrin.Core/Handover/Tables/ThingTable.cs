using Altrin.Core.Handover.Holding;
using Altrin.Core.Network;

namespace Altrin.Core.Handover.Tables;

/// <summary><c>things.csv</c>: everything that uses the network, in document order.</summary>
internal static class ThingTable
{
    public static readonly string[] Columns = ["id", "name", "kind", "room", "mac", "address", "held", "hangs_on", "by", "services"];

    public static string Write(HandoverGround ground) => Csv.Write(Columns, ground.House.Endpoints.Select(thing => Row(ground, thing)));

    public static string?[] Row(HandoverGround ground, Endpoint thing)
    {
        var held = ground.Holders.OfThing(thing);
        var (on, by) = thing.Connect?.Match(plug => (plug.Device, plug.Port), join => (ground.State.JoinedBox(thing.Id), join.Ssid))
            ?? (null, null);
        return
        [
            thing.Id, thing.Name, thing.Kind, ground.RoomOf(thing.Room), thing.Mac?.ToString(), held.Address?.Address.ToString(),
            held.By.ToString().ToLowerInvariant(), on, by,
            string.Join(' ', thing.Services.Select(Say)),
        ];
    }

    public static string Say(Service service) => $"{Words<TransportProtocol>.Of(service.Protocol)}/{service.Port}";
}
