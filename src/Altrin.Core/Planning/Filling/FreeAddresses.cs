using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.Planning.Filling;

/// <summary>Addresses of a router's network that a plan may give out; where its pool leaves none, room is made in it (section 5 of the
/// format).</summary>
internal static class FreeAddresses
{
    /// <summary>Where a pool usually begins when room is made at its start: common practice, no source.</summary>
    private const uint UsualStart = 10;

    /// <param name="held">Addresses that somebody has, or is given by this plan.</param>
    /// <returns>Null where none is free and no room can be made.</returns>
    public static Ipv4Address? Take(Draft draft, int router, IReadOnlySet<Ipv4Address> held)
    {
        if (draft.Boxes[router].Lan is not { Address: { } own } lan) return null;
        var pool = lan.DhcpServer is { Enabled: true } server ? server.PoolToPlanBy(own.Prefix) : null;
        if (Beside(pool, own.Prefix, held) is { } free) return free;
        if (pool is null || !draft.MaySet(router) || Room(draft, router, pool, own.Prefix, held) is not { } smaller) return null;
        draft.Change(router, box => box.WithServer(one => one.With(smaller)));
        return Beside(smaller, own.Prefix, held);
    }

    private static Ipv4Address? Beside(AddressPool? pool, Prefix subnet, IReadOnlySet<Ipv4Address> held) =>
        subnet.FirstFree(address => held.Contains(address) || pool?.Contains(address) == true);

    /// <summary>The pool begun later, or ended earlier, so that an address is free beside it and whoever asks still has one.</summary>
    private static AddressPool? Room(Draft draft, int router, AddressPool pool, Prefix subnet, IReadOnlySet<Ipv4Address> held)
    {
        var clients = Clients(draft, router);
        var usual = subnet.Network.Plus(UsualStart);
        if (pool.Start < usual && usual < pool.End && Suits(new(usual, pool.End)) is { } begun) return begun;
        // In a small subnet, or where what comes before the usual start is held: as little as will do.
        for (var start = pool.Start; start < pool.End; start = start.Next())
            if (!held.Contains(start) && Suits(new(start.Next(), pool.End)) is { } later) return later;
        for (var end = pool.End; end > pool.Start; end = new(end.Value - 1))
            if (!held.Contains(end) && Suits(new(pool.Start, new(end.Value - 1))) is { } sooner) return sooner;
        return null;

        AddressPool? Suits(AddressPool smaller)
        {
            var taken = held.Count(smaller.Contains);
            return smaller.Count - taken >= clients && Beside(smaller, subnet, held) is not null ? smaller : null;
        }
    }

    /// <summary>Who asks the router for an address.</summary>
    private static int Clients(Draft draft, int router)
    {
        var count = 0;
        for (var i = 0; i < draft.Things.Length; i++)
            if (draft.Things[i].Address.Method == EndpointMethod.Dhcp && draft.RouterOfThing(i) == router) count++;
        for (var i = 0; i < draft.Boxes.Length; i++)
        {
            if (i == router || !draft.Use(i).IsUsed) continue;
            if (draft.Use(i).Routes ? draft.Above(i) == router && draft.Boxes[i].Wan is null or { Method: WanMethod.Dhcp }
                : draft.RouterOf(i) == router && (draft.Boxes[i].Lan is { Method: LanMethod.Dhcp } || draft.Boxes[i].Traits.AlwaysAsks))
                count++;
        }
        return count;
    }
}
