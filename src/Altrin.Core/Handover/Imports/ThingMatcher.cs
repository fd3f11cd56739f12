using System.Collections.Immutable;
using System.Globalization;
using Altrin.Core.Actions;
using Altrin.Core.Handover.Holding;
using Altrin.Core.Handover.Tables;
using Altrin.Core.Network;

namespace Altrin.Core.Handover.Imports;

/// <summary><c>things.csv</c> on its way in. What is computed there (hangs_on, by) says nothing.</summary>
internal sealed class ThingMatcher(HandoverGround ground) : TableMatcher(ground, "id", "mac", "name")
{
    public override void Read(NamedRow row)
    {
        if (Find(row, House.Endpoints, thing => thing.Id, thing => thing.Mac, thing => thing.Name) is not { } thing)
        {
            Miss(row, "thing");
            return;
        }
        var now = ByColumn(ThingTable.Columns, ThingTable.Row(Ground, thing));
        string? Said(string column) => New(row, column, now[column]);
        void Describe(string column, string to, Func<Endpoint, Endpoint> with) =>
            Deed(row, thing.Id, column, now[column], to, house => new DescribeEndpoint(with(house.FindEndpoint(thing.Id)!)));

        if (Said("name") is { } name) Deed(row, thing.Id, "name", thing.Name, name, _ => new Rename(thing.Id, name));
        if (Said("kind") is { } kind) Describe("kind", kind, one => one with { Kind = kind });
        if (Said("room") is { } room) Describe("room", room, one => one with { Room = Room(room) });
        Mac(row, thing.Id, thing.Mac, (house, mac) => new DescribeEndpoint(house.FindEndpoint(thing.Id)! with { Mac = mac }));
        if (Said("services") is { } services)
        {
            if (Services(services) is not { } read) Wrong(row, "services",
                "is no list of services. Write tcp/443 udp/53, a blank between two.");
            else Describe("services", services, one => one with { Services = read });
        }
        Address(row, thing);
    }

    private void Address(NamedRow row, Endpoint thing)
    {
        var held = Ground.Holders.OfThing(thing);
        var (was, said, how) = (held.Address?.Address.ToString(), row["address"], row["held"]);
        if (held.By == HeldBy.Fixed && how is "leased" or "none")
        {
            Deed(row, thing.Id, "held", "fixed", "leased", _ => new SetEndpointAddress(thing.Id, new()));
            return;
        }
        var isToBeFixed = how == "fixed" || (held.By == HeldBy.Fixed && how.Length == 0);
        if (!isToBeFixed || said.Length == 0 || (said == was && held.By == HeldBy.Fixed)) return;
        if (!InterfaceAddress.TryParse(said, out var address))
        {
            Wrong(row, "address", "is no address. Write four numbers, such as 192.168.1.20.");
            return;
        }
        var length = said.Contains('/', StringComparison.Ordinal) ? address.Prefix.Length
            : held.Address?.Prefix.Length ?? InterfaceAddress.BareLength;
        var gateway = thing.Address.Gateway ?? (Ground.State.Net(thing.Id)?.Candidates is [{ Gateway: { } own }, ..] ? own : null);
        var before = thing.Address;
        Deed(row, thing.Id, "address", was, address.Address.ToString(), _ => new SetEndpointAddress(thing.Id,
            EndpointAddress.Fixed(new(address.Address, length), gateway) is var made && before.Dns.IsDefaultOrEmpty ? made
                : made with { Dns = before.Dns }));
    }

    private static ImmutableArray<Service>? Services(string text)
    {
        var all = ImmutableArray.CreateBuilder<Service>();
        foreach (var word in text.Split([' ', ','], StringSplitOptions.RemoveEmptyEntries))
        {
            if (word.Split('/') is not [var protocol, var port]
                || !Words<TransportProtocol>.TryRead(protocol.ToLowerInvariant(), out var over)
                || !int.TryParse(port, NumberStyles.None, CultureInfo.InvariantCulture, out var number)
                    || number is < 1 or > 65535) return null;
            all.Add(new() { Protocol = over, Port = number });
        }
        return all.ToImmutable();
    }
}
