using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Readings.Parsers;
using Altrin.Core.Simulation;

namespace Altrin.Core.Visit;

/// <summary>Holds what was seen against the house as found: who is known, who is new, what differs.</summary>
internal sealed class PasteReader
{
    private readonly NetworkDocument house;
    private readonly NetworkState state;
    private readonly IReadOnlyList<PastedReading> readings;
    private readonly Dictionary<string, (LineKind Kind, string Says)> notes = new(StringComparer.OrdinalIgnoreCase);
    private readonly List<Proposal> proposals = [];
    private readonly List<(SeenNeighbour Seen, bool IsNew)> strange = [];
    private readonly List<string> meanings = [];
    /// <summary>A home has no more; what a hostile text holds beyond them is not looked at.</summary>
    private const int MostNeighbours = 600;

    private const int MostWays = 30;

    private readonly Senders senders;
    private readonly HashSet<string> ownMacs = new(StringComparer.Ordinal), ownAddresses = new(StringComparer.Ordinal),
        waysOut = new(StringComparer.Ordinal);

    private readonly Func<MacAddress, string?>? maker;

    public PasteReader(NetworkDocument house, IReadOnlyList<PastedReading> readings, Func<MacAddress, string?>? maker)
    {
        (this.house, this.readings, this.maker, state) = (house, readings, maker, Simulator.Run(house));
        senders = new(house);
        foreach (var adapter in RealAdapters())
        {
            if (adapter.Mac is not null) ownMacs.Add(adapter.Mac);
            if (Bare(adapter.Address) is { } own) ownAddresses.Add(own);
        }
        // Some lists name the adapter by the laptop's own address.
        foreach (var by in readings.Where(reading => reading.Source != "client-table").SelectMany(reading =>
            reading.Neighbours).Select(one => Scan.AddressIn(one.Adapter ?? "")).OfType<string>())
        {
            ownAddresses.Add(by);
            notes[by] = (LineKind.Laptop, "the laptop");
        }
    }

    public Paste Read(string[] lines, IReadOnlyList<PastedReading> before)
    {
        Laptop();
        Neighbours(before);
        Ways();
        new WifiSeen(house, readings, notes, proposals, meanings).Read();
        // Where who is new may be hangs on what else the paste has set right.
        foreach (var (seen, _) in strange) Note(seen, LineKind.New, "new");
        proposals.AddRange(new NewThings(house, state, proposals, maker).Of(strange));
        foreach (var ping in readings.SelectMany(reading => reading.Pings).Take(MostNeighbours))
            notes.TryAdd(ping.Target, ping.Received > 0 ? (LineKind.Known, $"{NameAt(ping.Target) ?? "somebody"} answers")
                : (LineKind.Known, "nobody answers"));
        return new([.. readings.Select(Part)], [.. lines.Take(Paste.MostLines).Select(Shown).Select(Noted)], lines.Length,
            [.. proposals.DistinctBy(one => one.Key)], [.. meanings.Distinct()], [.. Strangers().Take(MostNeighbours)]);
    }

    private static string Shown(string line) => line.Length > Paste.LongestShown ? $"{line[..Paste.LongestShown]}…" : line;

    /// <summary>Of a box that shows another MAC on its own network than on its label’s side, the label’s.</summary>
    private IEnumerable<MacAddress> Strangers()
    {
        var known = house.Devices.Select(box =>
            box.Mac).Concat(house.Endpoints.Select(thing => thing.Mac)).OfType<MacAddress>().ToHashSet();
        var seen = readings.SelectMany(reading => reading.Neighbours).Select(one => one.Mac).Where(mac => mac is null
            || !ownMacs.Contains(mac))
            .Select(mac => MacAddress.TryParse(mac, out var parsed) ? parsed : (MacAddress?)null).OfType<MacAddress>().Distinct().ToList();
        var ends = seen.Concat(known).Where(mac => !mac.IsLocallyAdministered).Select(mac => mac.WithoutFirstOctet).ToHashSet();
        return seen.Where(mac => !known.Contains(mac) && !(mac.IsLocallyAdministered && ends.Contains(mac.WithoutFirstOctet)));
    }

    private static RecognisedPart Part(PastedReading reading)
    {
        var (says, cannot) = SourceWords.Of(reading.Source);
        return new(reading.Source, says,
            reading.Adapters.Length + reading.Neighbours.Length + reading.Networks.Length + reading.Hops.Length + reading.Pings.Length,
            cannot);
    }

    private IEnumerable<SeenAdapter> RealAdapters() => readings.SelectMany(Real);

    /// <summary>What is no virtual adapter and says anything.</summary>
    internal static IEnumerable<SeenAdapter> Real(PastedReading reading) =>
        reading.Adapters.Where(adapter => adapter.Kind != AdapterKind.Virtual && (adapter.Address is not null || adapter.Mac is not null));

    private void Laptop()
    {
        foreach (var unreal in readings.SelectMany(reading => reading.Adapters).Where(adapter => adapter.Kind == AdapterKind.Virtual))
            foreach (var token in new[] { Bare(unreal.Address), unreal.Mac, unreal.Gateway }.OfType<string>())
                notes.TryAdd(token, (LineKind.Laptop, "a virtual adapter of the laptop: not the house"));
        foreach (var adapter in RealAdapters())
        {
            if (Bare(adapter.Address) is { } own) notes[own] = (LineKind.Laptop, "the laptop");
            if (adapter.Mac is { } mac) notes[mac] = (LineKind.Laptop, "the laptop");
            if (adapter.LinkLocal == true
                || Scan.IsLinkLocal(adapter.Address)) meanings.Add($"{adapter.Name} gave itself {Bare(adapter.Address)}: nobody answered when the laptop asked for an address.");
            if (adapter.Gateway is not { } gateway) continue;
            Gateway(adapter, gateway);
            if (adapter.Server is { } server && server != gateway && Ipv4Address.TryParse(server, out _))
                meanings.Add($"Addresses come from {NameAt(server) ?? server}, the way out is {NameAt(gateway) ?? gateway}: two boxes, one of them perhaps too many.");
        }
        // Of one look: the laptop may have been carried from one network to another between two.
        foreach (var reading in readings)
        {
            var nets = Real(reading).Where(adapter => adapter.Gateway is not null).Select(adapter => adapter.Gateway!).Distinct().ToList();
            if (nets.Count > 1) meanings.Add($"The laptop hangs on two networks at once ({string.Join(", ", nets)}): pull the cable or turn its Wi-Fi off before anything is set.");
        }
    }

    private void Gateway(SeenAdapter adapter, string gateway)
    {
        if (DeviceAt(gateway) is { } known)
        {
            notes[gateway] = (LineKind.Known, known.Name);
            meanings.Add($"The laptop hangs on the network of {known.Name}.");
            return;
        }
        waysOut.Add(gateway);
        notes[gateway] = (LineKind.New, "the way out: no box of the house has this address");
        var routers = house.Devices.Where(box => box.Traits.IsRouter && box.Lan is { Method: LanMethod.Static }).ToList();
        var byMac = readings.SelectMany(reading => reading.Neighbours).FirstOrDefault(seen => seen.Address == gateway
            && seen.Mac is not null)?.Mac is { } mac
            ? routers.Find(box => box == senders.Of(mac)) : null;
        if (byMac is null) routers = routers.FindAll(box => state.IsInUse(box.Id));
        if ((byMac ?? (routers is [var one] ? one : null)) is not { } only || !Ipv4Address.TryParse(gateway, out var address)) return;
        var length = InterfaceAddress.TryParse(adapter.Address, out var held) && adapter.Address!.Contains('/', StringComparison.Ordinal)
            ? held.Prefix.Length : InterfaceAddress.BareLength;
        proposals.Add(new($"gateway {gateway}", $"{only.Name} is at {gateway}",
            $"The laptop’s gateway; the record says {only.Lan!.Address?.Address}.",
            [new SetLanAddress(only.Id, new(address, length))], Address: gateway));
    }

    private void Neighbours(IReadOnlyList<PastedReading> before)
    {
        var hadList = before.Any(reading => !reading.Neighbours.IsEmpty);
        var old = before.SelectMany(reading => reading.Neighbours).Select(one => one.Mac ?? one.Address
            ?? one.Name).ToHashSet(StringComparer.OrdinalIgnoreCase);
        var came = new List<SeenNeighbour>();
        foreach (var seen in Joined().Take(MostNeighbours))
        {
            if (seen.Mac is { } own && ownMacs.Contains(own) || seen.Address is { } ownAddress && ownAddresses.Contains(ownAddress))
            {
                Note(seen, LineKind.Laptop, "the laptop");
                continue;
            }
            // The box everything leaves by is one to set right or to add, never a thing that uses the network.
            if (seen.Address is { } at && waysOut.Contains(at))
            {
                Note(seen, LineKind.New, "the way out: no box of the house has this address");
                continue;
            }
            var isNew = hadList && !old.Contains(seen.Mac ?? seen.Address ?? seen.Name ?? "");
            if (isNew) came.Add(seen);
            if (Known(seen) is { } name) Note(seen, LineKind.Known, name);
            else strange.Add((seen, isNew));
        }
        if (hadList) Came(came);
    }

    /// <summary>Several lists are one: what one leaves out another may show.</summary>
    private IEnumerable<SeenNeighbour> Joined()
    {
        foreach (var same in readings.SelectMany(reading => reading.Neighbours).Where(one => one.Address is null
            || Scan.IsSomebody(one.Address)).GroupBy(one => one.Mac ?? one.Address ?? one.Name))
            yield return new(same.Select(one => one.Address).FirstOrDefault(one => one is not null), same.First().Mac,
                same.Select(one => one.Name).FirstOrDefault(one => one is not null),
                same.Select(one => one.Adapter).FirstOrDefault(one => one is not null))
            { Held = same.Select(one => one.Held).FirstOrDefault(one => one is not null) };
    }

    private void Came(List<SeenNeighbour> came)
    {
        if (came is not [var only])
        {
            meanings.Add(came.Count == 0
                ? "Nothing came between the two lists. Ping the whole subnet first, or look whether the box’s lamp is lit."
                : $"{came.Count} came between the two lists: {string.Join(", ", came.Select(one => one.Address ?? one.Name ?? one.Mac))}. Unplug it and plug it in again to be sure.");
            return;
        }
        meanings.Add($"{only.Address ?? only.Mac} came between the two lists: that is the box.");
        if (only.Mac is null || Box(only) is not null) return;
        var waiting = house.Devices.Where(box => box.Mac is null && !box.Traits.IsRouter).ToList();
        foreach (var box in waiting)
            proposals.Insert(0,
                new($"box {box.Id} {only.Mac}", $"It is {box.Name}",
                $"{only.Mac} came between the two lists, and {box.Name} has no MAC in the record.",
                [new DescribeDevice(box with { Mac = MacAddress.Parse(only.Mac) })], Address: only.Address, Mac: only.Mac));
    }

    private Device? Box(SeenNeighbour seen) => seen.Mac is { } mac ? house.Devices.FirstOrDefault(box => box.Mac?.ToString() == mac) : null;

    /// <summary>Its name in the house; null for one that is not there. What the record lacks, or has otherwise, is proposed.</summary>
    private string? Known(SeenNeighbour seen)
    {
        if (Box(seen) is { } box)
        {
            Moved(box, seen);
            return box.Name;
        }
        if (seen.Mac is { } mac && house.Endpoints.FirstOrDefault(one => one.Mac?.ToString() == mac) is { } thing)
        {
            if (thing.Address is { Method: EndpointMethod.Static, Address: { } recorded }
                && Ipv4Address.TryParse(seen.Address, out var now) && now != recorded.Address)
                proposals.Add(new($"address {thing.Id} {now}", $"{thing.Name} is at {now}",
                    $"The record has it fixed at {recorded.Address}.",
                    [new SetEndpointAddress(thing.Id, EndpointAddress.Fixed(new(now, recorded.Prefix.Length), thing.Address.Gateway))],
                        Address: seen.Address, Mac: mac));
            return thing.Name;
        }
        if (seen.Address is { } at && DeviceAt(at) is { } there)
        {
            // Of a router the label’s MAC is its WAN side’s; on its own network it shows another.
            if (seen.Mac is { } own && there.Mac is null
                && !there.Traits.IsRouter) NoteMac(there.Name, there.Id, own,
                new DescribeDevice(there with { Mac = MacAddress.Parse(own) }), at);
            return there.Name;
        }
        var alike = seen.Name is { } said
            ? house.Endpoints.FirstOrDefault(one => one.Mac is null && string.Equals(one.Name, said, StringComparison.OrdinalIgnoreCase))
            : null;
        alike ??= seen.Address is { } held
            ? house.Endpoints.FirstOrDefault(one => one.Mac is null
            && one.Address is { Method: EndpointMethod.Static, Address: { } fixedAt } && fixedAt.Address.ToString() == held) : null;
        if (alike is null) return null;
        if (seen.Mac is { } its) NoteMac(alike.Name, alike.Id, its, new DescribeEndpoint(alike with { Mac = MacAddress.Parse(its) }),
            seen.Address);
        return alike.Name;
    }

    /// <summary>A box that is known by its MAC and answers elsewhere than the record has it. Of a router the label’s MAC is its WAN side’s,
    /// and the address a lease.</summary>
    private void Moved(Device box, SeenNeighbour seen)
    {
        if (box.Traits.IsRouter || box.Lan is not { Method: LanMethod.Static } lan || !Ipv4Address.TryParse(seen.Address, out var at)
            || lan.Address?.Address == at) return;
        proposals.Add(new($"at {box.Id}", $"{box.Name} is at {at}",
            $"Seen there under the MAC of its label; the record says {(lan.Address is { } noted ? noted.Address.ToString() : "nothing")}.",
            [new SetLanAddress(box.Id, new(at, PrefixOf(at) ?? lan.Address?.Prefix.Length ?? InterfaceAddress.BareLength))],
                Address: seen.Address, Mac: seen.Mac));
    }

    /// <summary>The prefix that the laptop has there.</summary>
    private int? PrefixOf(Ipv4Address at) =>
        RealAdapters().Where(adapter => adapter.Address?.Contains('/', StringComparison.Ordinal) == true)
        .Select(adapter => InterfaceAddress.TryParse(adapter.Address, out var held) && held.Prefix.Contains(at) ? held.Prefix.Length
            : (int?)null).FirstOrDefault(length => length is not null);

    private void NoteMac(string name, string id, string mac, InstallerAction note, string? at) =>
        proposals.Add(new($"mac {id}", $"{name} has the MAC {mac}",
            "The record has none: with it the box is found again wherever it goes.", [note], Address: at, Mac: mac));

    private void Ways()
    {
        foreach (var way in readings.Where(reading => !reading.Hops.IsEmpty).Select(reading => reading.Hops).Take(MostWays))
        {
            foreach (var hop in way.Where(hop => hop.Address is not null)) notes.TryAdd(hop.Address!,
                (LineKind.Known, NameAt(hop.Address!) ?? "on the way out"));
            var inside = way.TakeWhile(hop => hop.Address is null || Ipv4Address.TryParse(hop.Address, out var at)
                && AddressRanges.IsPrivate(at)).Where(hop => hop.Address is not null).Select(hop => hop.Address!).ToList();
            var shared = way.Any(hop => Ipv4Address.TryParse(hop.Address, out var at) && AddressRanges.Shared.Contains(at));
            if (inside.Count > 1) meanings.Add($"{string.Join(", then ", inside.Select(at => NameAt(at) is { } name ? $"{name} ({at})" : at))}: more than one router before the street, perhaps two translations in a row.");
            if (shared) meanings.Add("An address of 100.64.0.0/10 is on the way: the carrier shares addresses (RFC 6598), and nothing from outside can be let in here.");
        }
    }

    private void Note(SeenNeighbour seen, LineKind kind, string says)
    {
        foreach (var token in new[] { seen.Address, seen.Mac, seen.Name }.OfType<string>())
            if (!notes.TryGetValue(token, out var already) || already.Kind != LineKind.Laptop) notes[token] = (kind, says);
    }

    private NotedLine Noted(string text, int at)
    {
        var number = at + 1;
        foreach (var word in Scan.Words(text))
        {
            // Nought and all ones are hardware addresses, and nobody's.
            if (Scan.Mac(word) is null && Scan.IsMacLike(word)) return new(number, text, LineKind.NoBox, "everyone: not a box");
            // Some systems add a word in brackets to an address.
            var token = Scan.Mac(word) ?? Scan.Address(word) ?? Scan.Address(word.Split('(')[0]) ?? Bare(Scan.AddressWithPrefix(word));
            if (token is null) continue;
            if (Ipv4Address.TryParse(token, out var address) && !Scan.IsSomebody(token)
                && !IsMask(address)) return new(number, text, LineKind.NoBox, address.Value >> 28 == 14 ? "a group: not a box"
                : "everyone: not a box");
            if (notes.TryGetValue(token, out var note)) return new(number, text, note.Kind, note.Says);
        }
        foreach (var (name, note) in notes)
            if (!Ipv4Address.TryParse(name, out _) && Scan.Mac(name) is null && name.Length > 2
                && text.Contains(name, StringComparison.Ordinal)) return new(number, text, note.Kind, note.Says);
        return readings.Any(reading => reading.Unread.Contains(number)) ? new(number, text, LineKind.Unread, "not used")
            : new(number, text, LineKind.Plain, null);
    }

    /// <summary>Ones and then noughts, and not ones alone.</summary>
    private static bool IsMask(Ipv4Address address) =>
        address.Value >> 24 == 255 && address.Value != uint.MaxValue && (~address.Value & (~address.Value + 1)) == 0;

    private Device? DeviceAt(string address) => Ipv4Address.TryParse(address, out var at)
        ? house.Devices.FirstOrDefault(box => state.Lan(box.Id)?.Candidates is [{ Address: { } only }] && only.Address == at)
        : null;

    private string? NameAt(string address) => DeviceAt(address)?.Name
        ?? (Ipv4Address.TryParse(address, out var at)
            ? house.Endpoints.FirstOrDefault(thing => state.Net(thing.Id)?.Candidates is [{ Address: { } only }]
            && only.Address == at)?.Name : null);

    private static string? Bare(string? address) => address?.Split('/')[0];
}
