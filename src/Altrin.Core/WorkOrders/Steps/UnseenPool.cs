using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Readings;

namespace Altrin.Core.WorkOrders.Steps;

/// <summary>Addresses that the plan takes beside a pool that nobody has looked at: the order looks before the first of them is given to a box
/// (section 5 of the format).</summary>
/// <param name="Server">The box that gives out addresses there.</param>
internal sealed record UnseenPool(string Server, Ipv4Address Begin, ImmutableArray<Ipv4Address> Taken)
{
    /// <returns>Null where nothing is taken beside such a pool of that box.</returns>
    public static UnseenPool? Of(WorkInProgress work, string server)
    {
        if (work.House.FindDevice(server) is not { Lan: { Address: { } own, DhcpServer: { Enabled: true, IsPoolUnknown: true } } }) return null;
        if (work.Planned.FindDevice(server) is { Lan.DhcpServer.IsPoolUnknown: false }) return null;
        var held = work.House.Devices.Select(box => box.Lan?.Address?.Address).Concat(work.House.Endpoints.Select(thing => thing.Address.Address?.Address)).ToHashSet();
        var taken = work.Planned.Devices.Where(box => box.Id != server).Select(box => box.Lan?.Address?.Address)
            .Concat(work.Planned.Endpoints.Select(thing => thing.Address.Address?.Address)).OfType<Ipv4Address>()
            .Where(address => own.Prefix.Contains(address) && !(held.Contains(address) && IsKept(work, address))).Distinct().Order().ToImmutableArray();
        return taken.IsEmpty || AddressPool.Unseen(own.Prefix) is not { } pool ? null : new(server, pool.Start, taken);
    }

    /// <summary>Whoever has it now has it in the end.</summary>
    private static bool IsKept(WorkInProgress work, Ipv4Address address) =>
        work.Planned.Devices.Any(box => box.Lan?.Address?.Address == address && work.House.FindDevice(box.Id)?.Lan?.Address?.Address == address && work.State.IsInUse(box.Id))
        || work.Planned.Endpoints.Any(thing => thing.Address.Address?.Address == address && work.House.FindEndpoint(thing.Id)?.Address.Address?.Address == address);

    public IEnumerable<Reading> MustBeSilent => Taken.Select(address => new PingReading(address, Answers: false));

    public IEnumerable<string> Cautions(NetworkDocument house)
    {
        var which = Rules.Facts.Join(Taken.Select(address => address.ToString()));
        yield return $"On its DHCP page: {which} must lie outside what it gives out. Write the pool down.";
        yield return house.FindDevice(Server)?.LeaveAsFound == true
            ? $"Where it gives out {which} too: nothing is set there. Take another address outside its pool at which nobody answers, and note it in the plan."
            : $"Where it gives out {which} too: begin the pool at {Begin}, save, and note it.";
    }
}
