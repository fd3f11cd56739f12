using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.Planning.Filling;

/// <summary>Addresses that must not change, and the ports let in from the street: at every router on the way, and at none that is gone.</summary>
internal static class Doors
{
    public static void Fill(Draft draft)
    {
        foreach (var need in draft.Found.Needs.OfType<Need.FixedAddress>())
            if (Thing(draft, need.Endpoint) is >= 0 and var thing) Fix(draft, thing);
        if (draft.Structure is { IsDmz: true, HandsTo: >= 0 and var heir } && draft.MaySet(draft.Ground.Root) && Stable(draft, heir) is { } host && draft.Boxes[draft.Ground.Root].DmzHost != host)
            draft.Change(draft.Ground.Root, box => box with { DmzHost = host });
        Retarget(draft);
        // A carrier's translation lets nobody in, whatever is set at home.
        if (draft.Ground.State.IsLineShared) return;
        foreach (var need in draft.Found.Needs.OfType<Need.Inbound>())
            if (Thing(draft, need.Endpoint) is >= 0 and var thing) Open(draft, thing, need.Protocol, need.Port);
    }

    private static int Thing(Draft draft, string id) => Array.FindIndex(draft.Things, thing => thing.Id == id);

    /// <summary>Opens a service's port at every translating router on the way in.</summary>
    private static void Open(Draft draft, int thing, TransportProtocol protocol, int port)
    {
        if (draft.RouterOfThing(thing) is not { } router || router < 0) return;
        var chain = draft.Chain(router).Where(i => draft.Boxes[i].Nat).ToList();
        if (chain.Count == 0 || !draft.IsAtLine(chain[0])) return;
        // One router, and the thing may open its own door.
        if (chain is [var only] && draft.Boxes[only].Upnp) return;
        var found = draft.Ground.Found.Devices.SelectMany(box => box.PortForwards).FirstOrDefault(one => one.Protocol == protocol && (one.ToPort ?? one.Port) == port && HeldBy(draft, one.ToAddress) == draft.Things[thing].Id);
        var outside = found?.Port ?? port;
        for (var i = 0; i < chain.Count; i++)
        {
            var last = i == chain.Count - 1;
            var isDmz = !last && draft.Structure.IsDmz && chain[i] == draft.Ground.Root && chain[i + 1] == draft.Structure.HandsTo;
            if (isDmz) continue;
            if ((last ? FixedAt(draft, thing) : Stable(draft, chain[i + 1])) is not { } target) return;
            Forward(draft, chain[i], new() { Protocol = protocol, Port = outside, ToAddress = target, ToPort = last && port != outside ? port : null });
        }
    }

    private static void Forward(Draft draft, int router, PortForward wanted)
    {
        var all = draft.Boxes[router].PortForwards;
        bool Goes(PortForward one) => one.Protocol == wanted.Protocol && one.ToAddress == wanted.ToAddress && (one.ToPort ?? one.Port) == (wanted.ToPort ?? wanted.Port);
        if (all.DistinctBy(one => (one.Protocol, one.Port)).Any(Goes) || !draft.MaySet(router)) return;
        draft.Change(router, box => box with { PortForwards = [.. all.Where(one => (one.Protocol, one.Port) != (wanted.Protocol, wanted.Port)), wanted] });
    }

    /// <summary>A forward to a thing that now has another address, or another router, goes along; one whose way is gone goes.</summary>
    private static void Retarget(Draft draft)
    {
        foreach (var router in draft.Routers.Where(draft.MaySet))
        {
            var found = draft.Found.Devices[router];
            var kept = new List<PortForward>();
            foreach (var one in draft.Boxes[router].PortForwards)
            {
                if (HeldBy(draft, one.ToAddress) is not { } owner || Thing(draft, owner) is not (>= 0 and var thing) || draft.RouterOfThing(thing) != router) kept.Add(one);
                else if (draft.Things[thing].Address is { Method: EndpointMethod.Static, Address: { } now }) kept.Add(one.ToAddress == now.Address ? one : one with { ToAddress = now.Address });
                else kept.Add(one);
            }
            if (!kept.SequenceEqual(found.PortForwards)) draft.Change(router, box => box with { PortForwards = [.. kept] });
        }
        // The forwards of a box that routed and no longer does are the next router's matter.
        for (var i = 0; i < draft.Boxes.Length; i++)
        {
            if (!draft.Ground.AsFound.Boxes[i].Routes || draft.Use(i).Routes) continue;
            foreach (var one in draft.Found.Devices[i].PortForwards.DistinctBy(one => (one.Protocol, one.Port)))
            {
                if (HeldBy(draft, one.ToAddress) is not { } owner || Thing(draft, owner) is not (>= 0 and var thing)) continue;
                if (draft.RouterOfThing(thing) is not (>= 0 and var router) || !draft.IsAtLine(router) || !draft.MaySet(router) || draft.Ground.State.IsLineShared) continue;
                if (FixedAt(draft, thing) is { } target) Forward(draft, router, one with { ToAddress = target });
            }
        }
    }

    /// <summary>Who has the address as found, for certain.</summary>
    private static string? HeldBy(Draft draft, Ipv4Address address) => draft.Ground.State.Interfaces.FirstOrDefault(one => one.Candidates.Length == 1 && one.Address?.Address == address && one.Kind == Simulation.InterfaceKind.Net)?.Owner;

    /// <summary>An address that the thing will still have tomorrow, made so if need be.</summary>
    private static Ipv4Address? FixedAt(Draft draft, int thing)
    {
        Fix(draft, thing);
        var one = draft.Things[thing];
        if (one.Address is { Method: EndpointMethod.Static, Address: { } held }) return held.Address;
        return draft.RouterOfThing(thing) is >= 0 and var router && one.Mac is { } mac ? Reserved(draft, router, mac) : null;
    }

    private static void Fix(Draft draft, int thing)
    {
        var one = draft.Things[thing];
        if (one.Address.Method == EndpointMethod.Static || draft.RouterOfThing(thing) is not (>= 0 and var router)) return;
        if (one.Mac is { } mac && (Reserved(draft, router, mac) is not null || Reserve(draft, router, mac) is not null)) return;
        // Where the router is not ours to set, or the MAC is not known, it is fixed at the thing itself.
        if (draft.Boxes[router].Lan?.Address is { } own && Free(draft, router) is { } free)
            draft.Things[thing] = one with { Address = EndpointAddress.Fixed(new(free, own.Prefix.Length), own.Address) };
    }

    /// <summary>The address of a router's WAN side that does not change.</summary>
    private static Ipv4Address? Stable(Draft draft, int router)
    {
        if (draft.Boxes[router].Wan is { Method: WanMethod.Static, Address: { } fixedAt }) return fixedAt.Address;
        if (draft.Above(router) is not (>= 0 and var above)) return null;
        if (draft.Boxes[router].Mac is { } mac && (Reserved(draft, above, mac) ?? Reserve(draft, above, mac)) is { } reserved) return reserved;
        if (!draft.MaySet(router) || draft.Boxes[above].Lan?.Address is not { } own || Free(draft, above) is not { } free) return null;
        draft.Change(router, box => box with { Wan = (box.Wan ?? new()) with { Method = WanMethod.Static, Address = new(free, own.Prefix.Length), Gateway = own.Address, Dns = [own.Address] } });
        return free;
    }

    private static Ipv4Address? Reserved(Draft draft, int router, MacAddress mac) => draft.Boxes[router].Lan is { Address: { } own, DhcpServer: { Enabled: true } server }
        && server.Reservations.FirstOrDefault(one => one.Mac == mac) is { } reservation && own.Prefix.Contains(reservation.Address) ? reservation.Address : null;

    private static Ipv4Address? Reserve(Draft draft, int router, MacAddress mac)
    {
        if (!draft.MaySet(router) || draft.Boxes[router].Lan?.DhcpServer is not { Enabled: true } || Free(draft, router) is not { } free) return null;
        draft.Change(router, box => box.WithServer(server => server with { Reservations = [.. server.Reservations.Where(one => one.Mac != mac), new() { Mac = mac, Address = free }] }));
        return free;
    }

    /// <summary>An address of a router's network outside its pool that nobody holds.</summary>
    private static Ipv4Address? Free(Draft draft, int router)
    {
        if (draft.Boxes[router].Lan is not { Address: { } own } lan) return null;
        var held = new HashSet<Ipv4Address> { own.Address };
        foreach (var reservation in lan.DhcpServer?.Reservations ?? []) held.Add(reservation.Address);
        for (var i = 0; i < draft.Things.Length; i++)
            if (draft.Things[i].Address is { Method: EndpointMethod.Static, Address: { } address }) held.Add(address.Address);
        foreach (var box in draft.Boxes)
        {
            if (box.Lan is { Method: LanMethod.Static, Address: { } page }) held.Add(page.Address);
            if (box.Wan is { Method: WanMethod.Static, Address: { } wan }) held.Add(wan.Address);
        }
        return FreeAddresses.Take(draft, router, held);
    }
}
