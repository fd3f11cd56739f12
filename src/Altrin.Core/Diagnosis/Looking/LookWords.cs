using Altrin.Core.Diagnosis.Sightings;
using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.Diagnosis.Looking;

/// <summary>Looks in words, as one tradesperson would ask another.</summary>
internal static class LookWords
{
    public static string Do(Ground ground, Look look)
    {
        var house = ground.House;
        var there = look.From is { } from ? $"{Place(house, from, ground.PlaceOf(from) == ground.LastPlace)}: " : "";
        return there + look.Reading switch
        {
            ReadingKind.Laptop => "which address, gateway and name servers does it show, and does the internet answer?",
            ReadingKind.Page => $"open http://{look.At}. Whose page is it?",
            ReadingKind.Ping => $"ping {look.At}. Does anybody answer?",
            ReadingKind.Joined when look.From is not null => "which box has it joined?",
            ReadingKind.Joined => $"Which box has {house.NameOf(look.Who!)} joined?",
            ReadingKind.Network => $"Is the name {look.Ssid} in the list of Wi-Fi networks?",
            ReadingKind.Internet => $"Does {house.NameOf(look.Who!)} have internet?",
            ReadingKind.Address => $"Which address does {house.NameOf(look.Who!)} show?",
            ReadingKind.Reach => $"Does {house.NameOf(look.Who!)} reach {house.NameOf(look.To!)}?",
            ReadingKind.Outside => $"Over mobile data: does port {look.OutsidePort} of {house.NameOf(look.Endpoint!)} answer?",
            ReadingKind.WanAddress => $"On the page of {house.NameOf(look.Device!)}: which outside address does it show?",
            ReadingKind.Listed => $"On the page of {house.NameOf(look.Device!)}: is {Whose(house, look.Mac!.Value)} in its list of leases?",
            ReadingKind.Mode => $"On the page of {house.NameOf(look.Device!)}: which mode does it show?",
            ReadingKind.Dhcp => $"On the page of {house.NameOf(look.Device!)}: is its DHCP server on?",
            ReadingKind.Power => $"Does {house.NameOf(look.Device!)} have power?",
            ReadingKind.Link => $"What does the lamp at {house.SocketName(new(look.Device!, look.Port!))} show?",
            _ => $"What does {Words<ReadingKind>.Of(look.Reading)} show?",
        };
    }

    private static string Place(NetworkDocument house, LaptopPlace place, bool isHere)
    {
        if (isHere) return "With the laptop where it is";
        return place.Connect?.Match(plug => $"Plug the laptop into {house.SocketName(plug.Into)}",
            join => $"Join {join.Ssid} of {house.NameOf(join.Near ?? "")}")
            ?? "With the laptop unplugged";
    }

    private static string Whose(NetworkDocument house, MacAddress mac) =>
        house.Devices.FirstOrDefault(box => box.Mac == mac)?.Name ?? house.Endpoints.FirstOrDefault(thing => thing.Mac == mac)?.Name
            ?? $"{mac}";
}
