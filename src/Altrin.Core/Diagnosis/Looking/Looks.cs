using Altrin.Core.Diagnosis.Sightings;
using Altrin.Core.Network;

namespace Altrin.Core.Diagnosis.Looking;

/// <summary>Every look that hands can do in this house and that was not done, with its minutes (common practice).</summary>
internal static class Looks
{
    private const double Here = 0.5, Page = 1, Lamp = 1, AtThing = 1, Outside = 2;

    public static IEnumerable<Look> Of(Ground ground, List<Suspect> suspects)
    {
        var done = Done(ground);
        return All(ground, suspects).Where(look => done.Add(LookKeys.Of(ground, look)));
    }

    public static double Minutes(Ground ground, Look look)
    {
        if (look.From is { } from) return Here + ground.MinutesTo(ground.PlaceOf(from));
        return look.Reading switch
        {
            ReadingKind.Network => Here,
            ReadingKind.WanAddress or ReadingKind.Listed or ReadingKind.Mode or ReadingKind.Dhcp => Page,
            ReadingKind.Link or ReadingKind.Power => Lamp,
            ReadingKind.Outside => Outside,
            _ => AtThing,
        };
    }

    /// <summary>What was seen; all that a laptop shows at a place is one look, done when all of it was seen there.</summary>
    private static HashSet<string> Done(Ground ground)
    {
        var done = ground.Seen.Select(one => LookKeys.Of(ground, one.Look)).ToHashSet(StringComparer.Ordinal);
        foreach (var place in ground.Places)
            if (Look.OfLaptop.Where(kind => kind != ReadingKind.NatLayers).All(kind =>
                done.Contains(LookKeys.Of(ground, new(kind, place)))))
                done.Add(LookKeys.Of(ground, new(ReadingKind.Laptop, place)));
        return done;
    }

    private static IEnumerable<Look> All(Ground ground, List<Suspect> suspects)
    {
        var house = ground.House;
        var addresses = Addresses(ground, suspects).ToList();
        foreach (var place in ground.TestPlaces.Select(at => ground.Places[at]))
        {
            yield return new(ReadingKind.Laptop, place);
            if (place.Connect is Attachment.Join) yield return new(ReadingKind.Joined, place);
            if (IsGuest(ground, place)) continue;
            foreach (var address in addresses)
            {
                yield return new(ReadingKind.Page, place, At: address);
                yield return new(ReadingKind.Ping, place, At: address);
            }
        }
        foreach (var ssid in suspects.SelectMany(one => one.Hypothesis.House.Devices).SelectMany(box => box.Wifi).Select(one =>
            one.Ssid).Distinct(StringComparer.Ordinal))
            yield return new(ReadingKind.Network, Ssid: ssid);
        foreach (var thing in house.Endpoints)
        {
            yield return new(ReadingKind.Internet, Who: thing.Id);
            yield return new(ReadingKind.Address, Who: thing.Id);
            if (thing.Connect is Attachment.Join) yield return new(ReadingKind.Joined, Who: thing.Id);
            foreach (var service in thing.Services) yield return new(ReadingKind.Outside, Endpoint: thing.Id, OutsidePort: service.Port);
        }
        foreach (var (from, to) in Pairs(ground)) yield return new(ReadingKind.Reach, Who: from, To: to);
        foreach (var box in house.Devices.Where(box => ground.State.IsInUse(box.Id)))
        {
            yield return new(ReadingKind.Power, Device: box.Id);
            foreach (var port in box.Ports) yield return new(ReadingKind.Link, Device: box.Id, Port: port.Id);
            if (box.Lan is null && !box.Traits.AlwaysAsks) continue;
            yield return new(ReadingKind.WanAddress, Device: box.Id);
            yield return new(ReadingKind.Mode, Device: box.Id);
            yield return new(ReadingKind.Dhcp, Device: box.Id);
            foreach (var mac in box.Lan?.DhcpServer is null ? []
                : Macs(house)) yield return new(ReadingKind.Listed, Device: box.Id, Mac: mac);
        }
    }

    private static IEnumerable<MacAddress> Macs(NetworkDocument house) =>
        house.Devices.Select(box => box.Mac).Concat(house.Endpoints.Select(thing => thing.Mac)).OfType<MacAddress>().Distinct();

    /// <summary>What boxes have set and labels say, in any house that is left.</summary>
    private static IEnumerable<Ipv4Address> Addresses(Ground ground, List<Suspect> suspects) =>
        suspects.Select(one => one.Hypothesis.House).Prepend(ground.House).SelectMany(house => house.Devices)
            .SelectMany(box =>
                new[] { box.Lan is { Method: LanMethod.Static } lan ? lan.Address?.Address : null, box.Label?.DefaultAddress })
            .OfType<Ipv4Address>().Distinct();

    /// <summary>Only pairs that a want or a sighting names.</summary>
    private static IEnumerable<(string From, string To)> Pairs(Ground ground) =>
        ground.House.Needs.OfType<Need.Reach>().Select(need => (need.From, need.To))
            .Concat(ground.Seen.Where(one => one.Look.Reading == ReadingKind.Reach).Select(one =>
                (one.Look.Who!, one.Look.To!))).Distinct();

    private static bool IsGuest(Ground ground, LaptopPlace place) => place.Connect is Attachment.Join { Near: { } near } join
        && ground.House.FindDevice(near) is { RoutesForItsOwn: true } box
            && box.Wifi.Any(one => one.Guest && one.Ssid == join.Ssid && one.Key == join.Key);
}
