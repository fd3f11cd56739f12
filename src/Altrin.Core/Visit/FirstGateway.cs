using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Kit;
using Altrin.Core.Network;
using Altrin.Core.Readings.Parsers;

namespace Altrin.Core.Visit;

/// <summary>An empty house begun from a paste: the laptop's way out is taken as the box at the line.</summary>
internal static class FirstGateway
{
    private const string Id = "gateway";

    /// <returns>Null where the house has a line or a box already, or the paste shows no way out.</returns>
    public static Proposal? Of(NetworkDocument house, IReadOnlyList<PastedReading> readings)
    {
        if (house.Line is not null || !house.Devices.IsEmpty || house.Endpoints.Any(thing => thing.Id == Id)) return null;
        foreach (var adapter in readings.SelectMany(PasteReader.Real))
            if (Ipv4Address.TryParse(adapter.Gateway, out var gateway) && AddressRanges.IsPrivate(gateway)) return Begin(adapter, gateway);
        return null;
    }

    private static Proposal Begin(SeenAdapter adapter, Ipv4Address gateway)
    {
        var sold = KitShelf.UsualGateway.Make(Id, "ISP gateway");
        // Nobody has looked at its pool, its Wi-Fi or its password.
        var box = sold with
        {
            DefaultPassword = null,
            Wifi = [],
            Lan = sold.Lan is { DhcpServer: { } server } lan
            ? lan with { DhcpServer = server with { Start = null, End = null } } : sold.Lan
        };
        var length = InterfaceAddress.TryParse(adapter.Address, out var held) && adapter.Address!.Contains('/', StringComparison.Ordinal)
            ? held.Prefix.Length : InterfaceAddress.BareLength;
        return new($"begin {gateway}", $"Begin with the gateway at {gateway}",
            $"The laptop leaves by it ({adapter.Name}). Taken as {KitShelf.UsualGateway.Name.ToLowerInvariant()} until somebody says otherwise.",
            [
                new AddDevice(box),
                new SetLanAddress(Id, new(gateway, length)),
                new SetLine(new() { Device = Id, Port = sold.Ports.First(port => port.Role == PortRole.Wan).Id }),
            ], Address: gateway.ToString());
    }
}
