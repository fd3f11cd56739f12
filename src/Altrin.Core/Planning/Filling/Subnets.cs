using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Simulation;

namespace Altrin.Core.Planning.Filling;

/// <summary>Which subnet each router makes, which address each box and each thing of fixed address has in it, in the fewest changes.</summary>
internal static class Subnets
{

    /// <returns>False where no subnet is left for a router that may not be moved.</returns>
    public static bool Fill(Draft draft)
    {
        var taken = new List<Prefix>();
        taken.AddRange(draft.Found.Needs.OfType<Need.Tunnel>().Select(need => need.Prefix));
        if (draft.Found.Line is { } line && line.Seen is { } seen && line.HandOff != HandOff.Static) taken.Add(seen.Address.Prefix);
        foreach (var router in draft.Routers)
        {
            if (draft.MaySet(router)) Choose(draft, router, taken);
            if (draft.Boxes[router].Lan?.Address is { } own) taken.Add(own.Prefix);
            if (draft.MaySet(router)) Wan(draft, router);
            Serve(draft, router);
        }
        foreach (var router in draft.Routers) Members(draft, router);
        return true;
    }

    /// <summary>The subnet that most of what is fixed on its network sits in; the router's own before others.</summary>
    private static void Choose(Draft draft, int router, List<Prefix> taken)
    {
        var box = draft.Boxes[router];
        var own = box.Lan?.Address ?? new InterfaceAddress(box.Label?.DefaultAddress ?? new Ipv4Address(0xC0A80101), 24);
        var isMain = draft.IsAtLine(router);
        var things = Fixed(draft, router).ToList();
        bool IsFree(Prefix prefix) => !taken.Exists(other => other.Overlaps(prefix));
        // The subnet of a router that no longer is one here is as good as its own.
        var known = new List<InterfaceAddress> { own };
        if (isMain)
            known.AddRange(Enumerable.Range(0, draft.Boxes.Length).Where(i => i != router && !draft.Use(i).Routes && draft.Ground.AsFound.Boxes[i].Routes && draft.Found.Devices[i].Lan?.Address is not null
                && (i == draft.Ground.Root || draft.RouterOf(i) == router)).Select(i => draft.Found.Devices[i].Lan!.Address!.Value));
        var best = known.Where(address => IsFree(address.Prefix)).OrderByDescending(address => things.Count(thing => address.Prefix.Contains(thing.Address.Address) && thing.Gateway == address.Address))
            .ThenByDescending(address => things.Count(thing => address.Prefix.Contains(thing.Address.Address))).Cast<InterfaceAddress?>().FirstOrDefault();
        if (best is null)
        {
            if (Remedies.FreeSubnet(taken) is not { } free) return;
            best = new InterfaceAddress(free.FirstUsable, free.Length);
        }
        if (box.Lan is { Method: LanMethod.Static, Address: { } now } && now.Prefix == best.Value.Prefix && (now == best || things.TrueForAll(thing => thing.Gateway != best.Value.Address))) return;
        draft.Change(router, one => one with { Lan = (one.Lan ?? new()).MovedTo(best.Value) });
    }

    /// <summary>What has a fixed address on a router's network: things and pages of boxes.</summary>
    private static IEnumerable<(InterfaceAddress Address, Ipv4Address? Gateway)> Fixed(Draft draft, int router)
    {
        for (var i = 0; i < draft.Things.Length; i++)
            if (draft.Found.Endpoints[i].Address is { Method: EndpointMethod.Static, Address: { } held } address && draft.RouterOfThing(i) == router) yield return (held, address.Gateway);
    }

    private static void Wan(Draft draft, int router)
    {
        var box = draft.Boxes[router];
        var now = box.Wan ?? new();
        if (!draft.IsAtLine(router))
        {
            if (draft.Above(router) == Draft.Street) return;
            var outer = draft.Boxes[draft.Above(router)].Lan?.Address?.Prefix;
            var stands = now.Method == WanMethod.Dhcp || now is { Method: WanMethod.Static, Address: { } held } && outer?.Contains(held.Address) == true && now.Gateway == draft.Boxes[draft.Above(router)].Lan!.Address!.Value.Address;
            if (!stands) draft.Change(router, one => one with { Wan = now with { Method = WanMethod.Dhcp, Address = null, Gateway = null } });
            return;
        }
        // As found it stood there and its side is right, or is what the household agreed.
        if (draft.Found.Line is not { } line) return;
        var isThrough = draft.Ground.Root != router && Modes.Of(draft.Use(draft.Ground.Root).Mode).HandsLineOn;
        var wanted = isThrough ? WanMethod.Dhcp : line.HandOff switch { HandOff.Pppoe => WanMethod.Pppoe, HandOff.Static => WanMethod.Static, _ => WanMethod.Dhcp };
        if (now.Method == wanted && (wanted != WanMethod.Static || line.Agreed is null || now.Address == line.Agreed.Address)) return;
        if (wanted == WanMethod.Static && line.Agreed is null && draft.Found.Devices.FirstOrDefault(one => one.Wan is { Method: WanMethod.Static, Address: not null })?.Wan is { } set)
        {
            draft.Change(router, one => one with { Wan = now with { Method = WanMethod.Static, Address = set.Address, Gateway = set.Gateway } });
            return;
        }
        draft.Change(router, one => one with { Wan = now with { Method = wanted, Address = wanted == WanMethod.Static ? line.Agreed?.Address : null, Gateway = wanted == WanMethod.Static ? line.Agreed?.Gateway : null } });
    }

    /// <summary>One server on a router's network, its own, with a pool in its subnet.</summary>
    private static void Serve(Draft draft, int router)
    {
        if (!draft.MaySet(router) || draft.Boxes[router].Lan is not { Address: { } own } lan) return;
        var server = lan.DhcpServer ?? new();
        var others = draft.Found.Devices.Any(one => one.Lan?.DhcpServer is { Enabled: true } && one.LeaveAsFound == true && draft.RouterOf(draft.Ground.IndexOf[one.Id]) == router && draft.Ground.IndexOf[one.Id] != router);
        if (!server.Enabled && !others && (!draft.Ground.AsFound.Boxes[router].Routes || draft.Found.Devices[router].Lan?.DhcpServer is null || !draft.Ground.State.Servers.Any(one => one.Segment == draft.Ground.State.InsideOf(draft.Boxes[router].Id))))
            server = server with { Enabled = true };
        if (server.Enabled && (server.IsPoolUnknown && lan.DhcpServer is null || server.Pool is { } pool && !(own.Prefix.Contains(pool.Start) && own.Prefix.Contains(pool.End))))
        {
            server = server.With(AddressPool.Usual(own.Prefix));
        }
        if (server.Gateway is not null && server.Gateway != own.Address) server = server with { Gateway = null };
        if (!ReferenceEquals(server, lan.DhcpServer)) draft.Change(router, box => box with { Lan = lan with { DhcpServer = server } });
    }

    /// <summary>Boxes and things of fixed address on a router's network that are not in its subnet, or not alone at their address.</summary>
    private static void Members(Draft draft, int router)
    {
        if (draft.Boxes[router].Lan?.Address is not { } own) return;
        var (prefix, pool) = (own.Prefix, draft.Boxes[router].Lan!.DhcpServer is { Enabled: true } server ? server.PoolToPlanBy(own.Prefix) : null);
        var held = new HashSet<Ipv4Address> { own.Address };
        foreach (var reservation in draft.Boxes[router].Lan!.DhcpServer?.Reservations ?? []) held.Add(reservation.Address);
        var things = Enumerable.Range(0, draft.Things.Length).Where(i => draft.Things[i].Address is { Method: EndpointMethod.Static, Address: not null } && draft.RouterOfThing(i) == router).ToList();
        var boxes = Enumerable.Range(0, draft.Boxes.Length).Where(i => i != router && draft.Use(i).IsUsed && !draft.Use(i).Routes && draft.RouterOf(i) == router && Page(draft, i) is not null).ToList();
        foreach (var i in things.Where(i => Suits(draft.Things[i].Address.Address!.Value))) held.Add(draft.Things[i].Address.Address!.Value.Address);
        foreach (var i in boxes.Where(i => !draft.MaySet(i))) held.Add(Page(draft, i)!.Value.Address);
        foreach (var i in boxes.Where(draft.MaySet))
        {
            var now = Page(draft, i)!.Value;
            // As found and alone there: it stays, though the pool be over it; that is a caution's matter.
            var stays = prefix.Contains(now.Address) && now.Prefix == prefix && !held.Contains(now.Address) && (draft.Ground.InUse[i] && draft.Found.Devices[i].Lan?.Address == now || pool?.Contains(now.Address) != true);
            if (stays) held.Add(now.Address);
            else if (Free() is { } free)
            {
                held.Add(free);
                draft.Change(i, box => box with { Lan = box.Lan!.MovedTo(new(free, prefix.Length)) });
            }
            // No address is free and none can be made free: it asks for one.
            else draft.Change(i, box => box with { Lan = box.Lan! with { Method = LanMethod.Dhcp, Address = null } });
        }
        foreach (var i in things.Where(i => !Suits(draft.Things[i].Address.Address!.Value) || IsStranded(draft, i, own)))
        {
            var thing = draft.Things[i];
            // Carried about, it takes whatever it is given where it comes to.
            if (thing.IsCarried) draft.Things[i] = thing with { Address = new() };
            else if (Suits(thing.Address.Address!.Value)) draft.Things[i] = thing with { Address = Readdressed(thing, thing.Address.Address!.Value.Address, own) };
            else if (Free() is { } free)
            {
                held.Add(free);
                draft.Things[i] = thing with { Address = Readdressed(thing, free, own) };
            }
        }

        bool Suits(InterfaceAddress address) => prefix.IsUsable(address.Address) && address.Prefix.Length >= prefix.Length - 8 && prefix.Contains(address.Address);

        Ipv4Address? Free() => FreeAddresses.Take(draft, router, held);
    }

    /// <summary>Its gateway is nobody on this network, and it had internet as found.</summary>
    private static bool IsStranded(Draft draft, int thing, InterfaceAddress router) =>
        draft.Things[thing].Address.Gateway != router.Address && draft.Ground.State.Internet(draft.Things[thing].Id).Reachable == Answer.Yes;

    private static EndpointAddress Readdressed(Endpoint thing, Ipv4Address address, InterfaceAddress router) => thing.Address with
    {
        Address = new(address, router.Prefix.Length),
        Gateway = router.Address,
        Dns = thing.Address.Dns.IsDefaultOrEmpty || thing.Address.Dns.All(dns => dns == thing.Address.Gateway) ? [router.Address] : thing.Address.Dns,
    };

    private static InterfaceAddress? Page(Draft draft, int box) => draft.Boxes[box] is { Lan: { Method: LanMethod.Static, Address: { } own }, Traits.AlwaysAsks: false } ? own : null;
}
