using System.Collections.Immutable;
using Altrin.Core.Network;
using Altrin.Core.Readings;

namespace Altrin.Core.WorkOrders.Steps;

/// <summary>Addresses that the plan fixes on the network of one box: nobody may answer there before, and they must lie outside its pool.
/// It is looked
/// at from the house's network, at the start (section 5 of the format).</summary>
/// <param name="Server">The box that gives out addresses there.</param>
/// <param name="Begin">Where its pool is begun if it covers them; null where the pool is known.</param>
internal sealed record NewAddresses(string Server, ImmutableArray<Ipv4Address> Taken, Ipv4Address? Begin)
{
    /// <returns>Null where the plan fixes no new address there.</returns>
    public static NewAddresses? Of(WorkInProgress work, string server)
    {
        if (work.House.FindDevice(server) is not { Lan: { Address: { } own, DhcpServer: { Enabled: true } pool } }) return null;
        // Where somebody has it now and is to give it up, or may have it out of a pool that is known, an answer says nothing.
        var held = Fixed(work.House, work.State.IsInUse).Concat(pool.Reservations.Select(one => one.Address)).ToHashSet();
        var taken = Fixed(work.Planned, _ => true).Where(address => own.Prefix.Contains(address) && !held.Contains(address))
            .Where(address => pool.Pool?.Contains(address) != true).Distinct().Order().ToImmutableArray();
        var isUnseen = pool.IsPoolUnknown && work.Planned.FindDevice(server)?.Lan?.DhcpServer is { IsPoolUnknown: true };
        return taken.IsEmpty ? null : new(server, taken, isUnseen ? AddressPool.Unseen(own.Prefix)?.Start : null);
    }

    private static IEnumerable<Ipv4Address> Fixed(NetworkDocument house, Func<string, bool> isThere) =>
        house.Devices.Where(box => isThere(box.Id)).Select(box => box.Lan?.Address)
            .Concat(house.Endpoints.Select(thing => thing.Address.Address)).Where(own => own is not null).Select(own => own!.Value.Address);

    public IEnumerable<Reading> MustBeSilent => Taken.Select(address => new PingReading(address, Answers: false));

    public bool IsPoolUnseen => Begin is not null;

    public IEnumerable<string> Cautions(NetworkDocument house)
    {
        if (Begin is not { } begin) yield break;
        var which = Rules.Facts.Join(Taken.Select(address => address.ToString()));
        yield return $"Its DHCP page says which addresses it gives out: write them down. {which} must not be among them.";
        yield return house.FindDevice(Server)?.LeaveAsFound == true
            ? $"If {which} is among them, nothing is changed here: note the pool, and plan again."
            : $"If {which} is among them, let the pool begin at {begin}, save, and note it.";
    }
}
