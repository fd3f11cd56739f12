using System.Diagnostics;
using System.Text.RegularExpressions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Simulation;
using Altrin.Core.Tests.Kernel;

namespace Altrin.KernelLab.Tests;

/// <summary>What came of one house: how much was compared, what did not agree, and how long either side took.</summary>
internal sealed record LabReport(string Name, int Facts, int Yes, int No, int Races, IReadOnlyList<string> Disagreements, string? LeftOut, TimeSpan Lab, TimeSpan Simulated)
{
    /// <summary>What the kernel confirmed, to be written down.</summary>
    public IReadOnlyList<KernelFact> Confirmed { get; init; } = [];

    /// <summary>The document and both answers: enough to do it again by hand.</summary>
    public string Say(NetworkDocument house) => $"{Name}: {string.Join("\n  ", Disagreements.Prepend("the kernel and the simulator disagree"))}\n{AltrinJson.WriteCompact(house)}";
}

/// <summary>Holds the kernel's answers against the simulator's, fact by fact.</summary>
internal sealed partial class Comparison
{
    private const int Patience = 700, MorePatience = 3000;

    private bool isPatient;
    private readonly NetworkDocument house;
    private readonly NetworkState state;
    private readonly LabHouse lab;
    private readonly Worlds worlds;
    private readonly Probes probes;
    private readonly List<string> disagreements = [];
    private readonly Dictionary<KernelFact, HashSet<bool>> races = [];
    private readonly HashSet<KernelFact> confirmed = [];
    private int facts, yes, no;

    private Comparison(NetworkDocument house, NetworkState state, LabHouse lab, Probes probes) =>
        (this.house, this.state, this.lab, this.probes, worlds) = (house, state, lab, probes, new(lab));

    public static async Task<LabReport> Of(string name, NetworkDocument house)
    {
        var watch = Stopwatch.StartNew();
        var state = Simulator.Run(house);
        var wiring = new Wiring(house, state);
        if (wiring.HasLoop != state.Segments.Any(segment => segment.IsLoop))
            return new(name, 1, 0, 0, 0, [$"loop: the graph says {wiring.HasLoop}, the simulator {!wiring.HasLoop}"], null, default, default);
        if (wiring.HasLoop) return new(name, 1, 0, 0, 0, [], "a loop is never built; the simulator finds it too", default, default);
        watch.Restart();
        using var lab = new LabHouse(house, state);
        using var probes = new Probes(lab);
        new Leasing(lab).Run();
        var comparison = new Comparison(house, state, lab, probes);
        comparison.CompareLeases();
        var leftOut = await comparison.CompareWorlds();
        var labTime = watch.Elapsed;
        return new(name, comparison.facts, comparison.yes, comparison.no, comparison.races.Count, comparison.disagreements, leftOut, labTime, Simulated(house))
        {
            // A race counts where the kernel was seen to end it both ways.
            Confirmed = [.. comparison.confirmed, .. comparison.races.Where(race => race.Value.Count == 2 && race.Key.Ask != "pings").Select(race => race.Key with { Is = Words<Answer>.Of(Answer.Sometimes) })],
        };
    }

    /// <summary>The same questions put to the simulator.</summary>
    private static TimeSpan Simulated(NetworkDocument house)
    {
        var watch = Stopwatch.StartNew();
        var state = Simulator.Run(house);
        foreach (var a in house.Endpoints)
        {
            state.Internet(a.Id);
            foreach (var b in house.Endpoints) state.Reach(a.Id, b.Id);
            foreach (var device in house.Devices) state.Admin(a.Id, device.Id);
            foreach (var service in a.Services) state.Inbound(a.Id, service.Protocol, service.Port);
        }
        return watch.Elapsed;
    }

    private void CompareLeases()
    {
        foreach (var one in state.Interfaces)
        {
            var kind = Words<InterfaceKind>.Of(one.Kind);
            if (lab.CardOf(one.Owner, kind) is not { } card)
            {
                Same(KernelFact.Of("has no lease", one.Owner, kind), "none", Words<LeaseOutcome>.Of(one.Outcome));
                continue;
            }
            if (!card.Asks) continue;
            var fact = KernelFact.Of("is offered", one.Owner, kind);
            var got = card.Leases.Select(pair => $"{pair.Value.Address} via {pair.Value.Gateway} from {pair.Key.Server}").Order(StringComparer.Ordinal).ToList();
            Same(fact, string.Join(", ", got), KernelFact.Leases(one));
            if (got.Count == 0) Same(KernelFact.Of("has no lease", one.Owner, kind), one.Kind == InterfaceKind.Wan ? "none" : "link-local", Words<LeaseOutcome>.Of(one.Outcome));
        }
    }

    private async Task<string?> CompareWorlds()
    {
        var (list, isAll) = worlds.List();
        string? leftOut = null;
        foreach (var world in list)
        {
            if (lab.House.Devices.Any(device => Overlaps(device, world)))
            {
                leftOut = "what crosses a router with one subnet on both sides: real boxes differ";
                continue;
            }
            worlds.Apply(world);
            await CompareWorld(world);
        }
        // A race in which nobody answered in any world may be the machine's haste, not the house's: each world once more, slowly.
        if (leftOut is null && !isPatient && races.Values.Any(ends => ends.SetEquals([false])))
        {
            isPatient = true;
            return await CompareWorlds();
        }
        // Only where every way was tried must a race have shown both its ends; who holds an address twice is no race of leases.
        var twins = state.Interfaces.Where(one => one.Segment >= 0 && one.Address is not null).GroupBy(one => (one.Segment, one.Address!.Value.Address)).Any(group => group.Skip(1).Any());
        if (isAll && !twins && leftOut is null && list.Count > 1 && !state.Interfaces.Any(one => one.Candidates.Any(candidate => candidate.Address is null)))
            foreach (var (fact, ends) in races)
                if (ends.Count < 2) disagreements.Add($"{fact}: the simulator says sometimes, but in all {list.Count} worlds the kernel says {ends.Single()}");
        return leftOut;
    }

    private bool Overlaps(Device device, World world) =>
        lab.CardOf(device.Id, "wan") is { } wan && lab.CardOf(device.Id, "lan") is { Fixed: { } inside }
        && Worlds.AddressIn(wan, world) is { } outside && outside.Prefix.Overlaps(inside.Prefix);

    private async Task CompareWorld(World world)
    {
        var asked = new List<Task>();
        for (var i = 0; i < house.Endpoints.Length; i++)
        {
            var a = house.Endpoints[i];
            if (IsOdd(a.Id, world)) continue;
            asked.Add(Internet(a, i, world));
            foreach (var b in house.Endpoints)
            {
                if (a == b || IsOdd(b.Id, world)) continue;
                var to = AddressOf(b.Id, world);
                var said = state.Reach(a.Id, b.Id);
                asked.Add(Ask(KernelFact.Of("reaches", a.Id, b.Id), said.Reachable, async patience =>
                    to is { } there && await probes.Ask(a.Id, TransportProtocol.Tcp, there, Probes.Hello, patience) == b.Id));
                // An echo does not say who sent it: where another may hold the address it proves nothing. And Linux answers an echo
                // that a broadcast address seems to have sent, though it takes no connection from there.
                if (IsHosts(a.Id, world) && said is { Reachable: Answer.Yes } or { Reachable: Answer.No, Why: not (ReachProblem.HeldByAnother or ReachProblem.NobodyThere) } && to is { } pinged && !IsHeldElsewhere(b.Id, world))
                    asked.Add(Ask(KernelFact.Of("pings", a.Id, b.Id), said.Reachable, patience => probes.Ping(a.Id, pinged, patience)));
            }
            foreach (var device in house.Devices)
            {
                if (state.Lan(device.Id) is not { Candidates.IsEmpty: false } || lab.CardOf(device.Id, "lan") is not { } page) continue;
                var to = Worlds.AddressIn(page, world)?.Address ?? LinkLocalOf(page, world);
                asked.Add(Ask(KernelFact.Of("opens", a.Id, device.Id), state.Admin(a.Id, device.Id).Reachable, async patience =>
                    to is { } there && await probes.Ask(a.Id, TransportProtocol.Tcp, there, Probes.Page, patience) == device.Id));
            }
            foreach (var service in a.Services.DistinctBy(one => (one.Protocol, one.Port))) asked.Add(Inbound(a, service, world));
        }
        await Task.WhenAll(asked);
    }

    private async Task Internet(Endpoint from, int number, World world)
    {
        _ = world;
        var said = state.Internet(from.Id);
        var port = 10_000 + number;
        var host = Ipv4Address.Parse("198.51.100.1");
        var online = await Ask(KernelFact.Of("has internet", from.Id), said.Reachable, async patience =>
            await probes.Ask(from.Id, TransportProtocol.Tcp, host, port, patience) == LabHouse.Internet);
        if (!online || said.Reachable != Answer.Yes) return;
        // Another run of this endpoint's probe in another world may have left its port too; ways differ between worlds only where
        // the simulator says so by its candidates.
        if (state.Interfaces.Any(one => one.Outcome == LeaseOutcome.Contested)) return;
        var hops = house.Devices.Where(device => device.Mode == DeviceMode.Router).Select(device => device.Id).Append("carrier")
            .Where(hop => Translated(hop == "carrier" ? LabHouse.Provider : hop, port)).Order(StringComparer.Ordinal).ToList();
        lock (disagreements)
        {
            Same(KernelFact.Of("is translated by", from.Id), string.Join(", ", hops), string.Join(", ", said.Hops.Order(StringComparer.Ordinal)));
            if (hops.Count != said.NatLayers) disagreements.Add($"{from.Id}: {said.NatLayers} NAT layers, but {hops.Count} hops translate");
        }
    }

    private bool Translated(string owner, int port)
    {
        var set = Kernel.In(lab.Space(owner), () => Kernel.Run("nft", $"list set ip lab {Worlds.SeenSet}", mayFail: true));
        return Numbers().Matches(set).Any(match => match.Value == $"{port}");
    }

    private async Task Inbound(Endpoint to, Service service, World world)
    {
        var said = state.Inbound(to.Id, service.Protocol, service.Port);
        var line = lab.Street?.Link;
        var outside = lab.Cards.Select(card => Worlds.AddressIn(card, world)?.Address).OfType<Ipv4Address>().Where(address => line?.Contains(address) == true).Distinct().ToList();
        var ports = house.Devices.SelectMany(device => device.PortForwards.Where(one => one.Protocol == service.Protocol).Select(one => one.Port)
            .Concat(worlds.UpnpMappings(device, world).Where(one => one.Protocol == service.Protocol).Select(one => one.At))).Append(service.Port).Distinct().ToList();
        await Ask(KernelFact.Of("is reached from the internet on", to.Id, KernelFact.Service(service.Protocol, service.Port)), said.Reachable, patience => AnyAnswers(LabHouse.Internet, patience));

        // From inside: by somebody else whose own way out ends at the same outermost translator. A guest is not inside: nothing of the
        // home is open to guests, by whatever address.
        var outermost = state.Internet(to.Id).Hops.LastOrDefault();
        var insider = house.Endpoints.FirstOrDefault(one => one != to && !IsOdd(one.Id, world) && !IsGuest(one.Id) && state.Internet(one.Id) is { Reachable: Answer.Yes } way && way.Hops.LastOrDefault() == outermost);
        if (insider is not null && said.Reachable == Answer.Yes)
            await Ask(KernelFact.Of("is reached from inside by its public address on", to.Id, KernelFact.Service(service.Protocol, service.Port)), said.FromInside, patience => AnyAnswers(insider.Id, patience));

        async Task<bool> AnyAnswers(string from, int patience)
        {
            var answers = await Task.WhenAll(outside.SelectMany(address => ports.Select(port => probes.Ask(from, service.Protocol, address, port, patience))));
            return answers.Contains(to.Id);
        }
    }

    /// <summary>Asks the kernel; what does not agree at first is asked again with more patience, for the machine may be busy.</summary>
    private async Task<bool> Ask(KernelFact fact, Answer said, Func<int, Task<bool>> ask)
    {
        var answer = await ask(isPatient && said == Answer.Sometimes ? MorePatience : Patience);
        if (said == Answer.Yes && !answer) answer = await ask(MorePatience);
        lock (disagreements)
        {
            facts++;
            if (answer) yes++;
            else no++;
            if (said == Answer.Sometimes) (races.TryGetValue(fact, out var ends) ? ends : races[fact] = []).Add(answer);
            else if (answer != (said == Answer.Yes)) disagreements.Add($"{fact}: the kernel says {(answer ? "yes" : "no")}, the simulator {Words<Answer>.Of(said)}");
            else if (fact.Ask != "pings") confirmed.Add(fact with { Is = Words<Answer>.Of(said) });
        }
        return answer;
    }

    private void Same(KernelFact fact, string kernel, string simulator)
    {
        facts++;
        if (kernel != simulator) disagreements.Add($"{fact}: the kernel says “{kernel}”, the simulator “{simulator}”");
        else confirmed.Add(fact with { Is = kernel });
    }

    private Ipv4Address? AddressOf(string endpoint, World world) => lab.CardOf(endpoint, "net") is { } card
        ? Worlds.AddressIn(card, world)?.Address ?? LinkLocalOf(card, world) : null;

    /// <summary>The address that a card without a lease gave itself, counted as <see cref="Worlds.Apply"/> counts.</summary>
    private Ipv4Address? LinkLocalOf(Card card, World world)
    {
        if (card is not { Asks: true, Kind: not "wan" }) return null;
        var before = lab.Cards.GroupBy(one => one.Owner).SelectMany(group => group)
            .TakeWhile(one => one != card).Count(one => one is { Asks: true, Kind: not "wan" } && Worlds.AddressIn(one, world) is null);
        return Ipv4Address.Parse("169.254.1.0").Plus((uint)before);
    }

    /// <summary>Fixed at the network address of its own subnet: since 5.14 (value from memory) Linux takes that for a host's, the RFC does not.</summary>
    private bool IsOdd(string endpoint, World world) => lab.CardOf(endpoint, "net") is { } card
        && Worlds.AddressIn(card, world) is { } own && own.Prefix.Length < 31 && own.Address == own.Prefix.Network;

    private bool IsGuest(string endpoint) => state.Net(endpoint) is { } net && house.Devices.Any(device => state.GuestsOf(device.Id) == net.Segment && net.Segment >= 0);

    private bool IsHosts(string endpoint, World world) => lab.CardOf(endpoint, "net") is not { } card
        || Worlds.AddressIn(card, world) is not { } own || own.Prefix.IsUsable(own.Address);

    private bool IsHeldElsewhere(string owner, World world)
    {
        var mine = AddressOf(owner, world);
        return lab.Cards.Count(card => (Worlds.AddressIn(card, world)?.Address ?? LinkLocalOf(card, world)) == mine) > 1;
    }

    [GeneratedRegex(@"\b\d{5}\b")]
    private static partial Regex Numbers();
}
