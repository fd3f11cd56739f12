using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Altrin.Core.Actions;
using Altrin.Core.Kit;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Visit;

[JsonConverter(typeof(WordConverter<StopKind>))]
public enum StopKind { Line, Gateway, Things, Box, Rooms, LeaveAlone }

/// <summary>A stop of the walk through the house.</summary>
/// <param name="Box">The box it is about; null for a stop that is about none.</param>
/// <param name="Says">How far it is, in a few words.</param>
public sealed record Stop(StopKind Kind, string? Box, string Title, string Says, bool IsDone);

/// <summary>Something nobody has looked at yet, and why it matters.</summary>
/// <param name="Box">Where it is asked; null for the house itself.</param>
public sealed record StillAsked(StopKind Stop, string? Box, string What, string Why);

/// <summary>The walk in the order of the trade, what is still missing, and what is known to follow from what was seen so far.</summary>
/// <param name="PingAll">Lines that speak to every address of the gateway’s subnet, so that a neighbour list shows who answers.</param>
/// <param name="Heard">For each listed room what a household's device may expect there, and from whom.</param>
public sealed record Walk(ImmutableArray<Stop> Stops, ImmutableArray<StillAsked> Asked, ImmutableArray<string> Meanings,
    ImmutableArray<CopyLine> PingAll, ImmutableArray<RoomHeard> Heard)
{
    public static Walk Of(NetworkState state) => new Walker(state).Go();
}

/// <param name="Mbps">As printed, with one decimal; 0 where nothing is heard.</param>
public sealed record RoomHeard(string Room, double Mbps, string Says);

/// <param name="On">Where it is typed.</param>
public sealed record CopyLine(string On, string Line);

internal sealed class Walker(NetworkState state)
{
    private readonly NetworkDocument house = state.House;

    public Walk Go()
    {
        var gateway = house.Line is { } line ? house.FindDevice(line.Device) : null;
        var stops = new List<Stop> { TheLine(), gateway is null ? new(StopKind.Gateway, null, "The gateway", "not looked at", false)
            : TheBox(gateway, StopKind.Gateway), Things() };
        stops.AddRange(house.Devices.Where(box => box != gateway).Select(box => TheBox(box, StopKind.Box)));
        stops.Add(new(StopKind.Rooms, null, "Rooms and cables", house.Rooms.IsEmpty ? "not noted"
            : $"{Count(house.Rooms.Length, "room")} · {Count(house.Runs.Count(run => run.Laid), "cable")} laid", !house.Rooms.IsEmpty));
        var alone = house.Devices.Where(box => box.LeaveAsFound == true || box.MustUse == true).Select(box => box.Name).ToList();
        stops.Add(new(StopKind.LeaveAlone, null, "Leave alone", alone.Count == 0 ? "nothing named"
            : string.Join(", ", alone), alone.Count > 0));
        return new([.. stops], [.. Asked(gateway)], [.. Meanings(gateway)], PingAll(), [.. state.AirMap.Rooms.Select(Heard)]);
    }

    private RoomHeard Heard(AirRoom at) => at.Source is { } source
        ? new(house.Rooms[at.Room].Id, at.Expected.Printed,
            $"about {(at.Expected.Mbps < 10 ? at.Expected.Printed : Math.Floor(at.Expected.Mbps)):0.#} Mb/s over Wi-Fi {source.Ssid} of {house.Devices[source.Device].Name}, heard at {at.LevelDbm:0} dBm")
        : new(house.Rooms[at.Room].Id, 0, "no Wi-Fi of this household is heard here");

    /// <summary>Nothing for a subnet of more than 256: that would take an hour.</summary>
    private ImmutableArray<CopyLine> PingAll()
    {
        var router = house.Devices.FirstOrDefault(box => box.Traits.IsRouter && state.IsInUse(box.Id)
            && box.Lan is { Method: LanMethod.Static });
        if (router?.Lan?.Address is not { } own || own.Prefix.Length < 24) return [];
        var text = own.Prefix.Network.ToString();
        var stem = text[..text.LastIndexOf('.')];
        var (first, last) = (own.Prefix.FirstUsable.Value & 255, own.Prefix.LastUsable.Value & 255);
        return
        [
            new("Windows", $"for /L %i in ({first},1,{last}) do @ping -n 1 -w 150 {stem}.%i >nul & arp -a"),
            new("Linux, macOS", $"for i in $(seq {first} {last}); do ping -c 1 -W 1 {stem}.$i >/dev/null & done; wait; arp -a"),
        ];
    }

    private Stop TheLine()
    {
        if (house.Line is not { } line) return new(StopKind.Line, null, "The line", "not proved", false);
        var words = new List<string>();
        if (line.DownMbps is { } down) words.Add(line.UpMbps is { } up ? $"{down:0.#} down, {up:0.#} up" : $"{down:0.#} down");
        if (line.Seen is { } seen) words.Add(KindOf(seen.Address.Address));
        else if (line.Agreed is not null) words.Add("agreed address");
        var isProved = line.DownMbps is not null && (line.Seen is not null || line.HandOff == HandOff.Static && line.Agreed is not null);
        return new(StopKind.Line, line.Device, "The line", words.Count == 0 ? "not proved"
            : $"{(isProved ? "proved: " : "")}{string.Join(" · ", words)}", isProved);
    }

    private Stop TheBox(Device box, StopKind kind)
    {
        var words = new List<string> { !IsLabelRead(box) ? "label not read" : IsAsItsKindIsSold(box) ? "as its kind is sold"
            : "label read" };
        if (box.DefaultPassword == true) words.Add("password as sold");
        var used = house.Cables.Count(cable => cable.A.Device == box.Id
            || cable.B.Device == box.Id) + house.Endpoints.Count(thing => thing.Connect?.Socket?.Device == box.Id);
        var lans = box.Ports.Count(port => port.Role == PortRole.Lan);
        words.Add(!state.IsInUse(box.Id) ? "at hand" : lans > 0 ? $"{used} of {lans} sockets" : "in use");
        return new(kind, box.Id, box.Name, string.Join(" · ", words), IsLabelRead(box)
            && (box.Room is not null || !box.Serves.IsDefaultOrEmpty));
    }

    private Stop Things()
    {
        var count = house.Endpoints.Length;
        var loose = house.Endpoints.Count(thing => thing.Connect is null);
        return new(StopKind.Things, null, "What is on it now", count == 0 ? "not looked at" : loose == 0 ? Count(count, "thing")
            : $"{Count(count, "thing")}, {loose} on nothing yet", count > 0 && loose == 0);
    }

    /// <summary>A box with a page has an address on its label, unless it asks for one; then its MAC is how it is found.</summary>
    private static bool IsLabelRead(Device box) =>
        box.Traits.IsRouter ? box.Label?.DefaultAddress is not null : box.Lan is null || box.Mac is not null
        || box.Label?.DefaultAddress is not null;

    /// <summary>What stands there as its label is its kind's: nobody has said that it was read off the box.</summary>
    private bool IsAsItsKindIsSold(Device box) =>
        box.Mac is null && house.KindOf(box)?.Sold is { Label: { } sold } && box.Label?.DefaultAddress == sold.DefaultAddress;

    private IEnumerable<StillAsked> Asked(Device? gateway)
    {
        if (house.Line is not { } line) yield return new(StopKind.Line, null, "Where does the line come in?",
            "Without it nothing here has internet.");
        else
        {
            if (line.Seen is null
                && line.HandOff != HandOff.Static) yield return new(StopKind.Line, null,
                "Which outside address does the gateway’s page show?", "Decides whether anything from outside can be let in.");
            if (line.DownMbps is null) yield return new(StopKind.Line, null, "What does the line give?",
                "Without it no speed can be promised in any room.");
        }
        foreach (var box in house.Devices)
        {
            var stop = box == gateway ? StopKind.Gateway : StopKind.Box;
            if (!IsLabelRead(box)) yield return new(stop, box.Id, $"{box.Name}: what its label says",
                "Without it nobody knows which page to open after a reset.");
            if (box.Room is null
                && box.Serves.IsDefaultOrEmpty) yield return new(stop, box.Id, $"{box.Name}: where it stands",
                "Without a room no plan knows which cable reaches it.");
            if (box.Lan?.DhcpServer is { Enabled: true, IsPoolUnknown: true }
                && box.Traits.RunsServer) yield return new(stop, box.Id, $"{box.Name}: which addresses it gives out",
                "A fixed address may be inside its pool.");
        }
        foreach (var box in house.Devices.Where(box => box.Uplink is not null && box.Room is not null && gateway?.Room is not null
            && !Rooms.AreSame(house, box.Room, gateway.Room)))
            if (!house.Runs.Any(run => Rooms.AreJoined(house, run, box.Room!, gateway!.Room!)))
                yield return new(StopKind.Rooms, null,
                    $"{Rooms.Say(house, gateway!.Room!)} to {Rooms.Say(house, box.Room!)}: is a cable laid, or could one be?",
                    "Decides between radio and cable.");
        var loose = house.Endpoints.Count(thing => thing.Connect is null);
        if (loose > 0) yield return new(StopKind.Things, null, $"{Count(loose, "thing")} on nothing yet",
            "Until it is known where they hang nothing is said of them.");
        foreach (var room in house.Needs.OfType<Need.Speed>().Select(need => need.Room
            ?? house.FindEndpoint(need.Endpoint ?? "")?.Room).OfType<string>().Distinct(StringComparer.Ordinal))
            if (!house.Measured.Any(one => Rooms.AreSame(house, one.Room, room)))
                yield return new(StopKind.Rooms, null, $"What is measured in {Rooms.Say(house, room)} today?",
                    "Without it nobody can show afterwards what the work has changed.");
        if (house.Country is null) yield return new(StopKind.Rooms, null, "Which country is it?",
            "Decides which channels and powers are lawful.");
    }

    private IEnumerable<string> Meanings(Device? gateway)
    {
        if (house.Line?.Seen is { } seen && gateway is not null)
        {
            var at = seen.Address.Address;
            yield return KindOf(at) switch
            {
                "public" => $"The outside address {at} of {gateway.Name} is public: doors can be opened from outside.",
                "shared" => $"The outside address {at} of {gateway.Name} is one that the carrier shares (RFC 6598): nothing from outside can be let in, whatever is set here. A fixed address from the provider, a tunnel or a relay is needed.",
                _ => $"The outside address {at} of {gateway.Name} is private (RFC 1918): another router stands in front of it. Until that one lets things through, nothing from outside comes in.",
            };
        }
        foreach (var box in house.Devices.Where(box => !state.IsInUse(box.Id) && box.Label?.DefaultAddress is not null))
            foreach (var other in house.Devices.Where(other => state.IsInUse(other.Id)
                && other.Lan is { Method: LanMethod.Static, Address: { } own } && own.Address == box.Label!.DefaultAddress))
                yield return $"{box.Name} is sold with the address {box.Label!.DefaultAddress}, which {other.Name} has. Do not plug it in yet.";
        foreach (var run in house.Runs.Where(run => run.Medium == Medium.Ethernet
            && Buildings.Between(house, run.A, run.B) == BuildingsApart.Yes))
            yield return $"The cable from {Rooms.Say(house, run.A)} to {Rooms.Say(house, run.B)} joins two buildings: lightning and a difference of earth potential. Fibre or radio is preferred, else protectors by a licensed person.";
    }

    private static string KindOf(Ipv4Address address) =>
        AddressRanges.Shared.Contains(address) ? "shared" : AddressRanges.IsPrivate(address) ? "private" : "public";

    private static string Count(int count, string what) => $"{count} {what}{(count == 1 ? "" : "s")}";
}
