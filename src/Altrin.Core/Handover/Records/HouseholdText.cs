using Altrin.Core.Handover.Holding;
using Altrin.Core.Handover.Letters;
using Altrin.Core.Kit;
using Altrin.Core.Network;

namespace Altrin.Core.Handover.Records;

/// <summary>What a household must know of its network, on one page. Common practice, no source.</summary>
internal static class HouseholdText
{
    public static IReadOnlyList<RecordPart> Of(HandoverGround ground)
    {
        var house = ground.House;
        var used = Used(ground);
        var parts = new List<RecordPart>();
        var networks = ground.Networks.ToList();
        if (networks.Count > 0)
        {
            parts.Add(RecordPart.Heading(2, "Your Wi-Fi"));
            parts.Add(RecordPart.List(networks.Select(network =>
                $"{Isolated.Name(network.Ssid)}{(network.Guest ? ", for guests" : "")}{(network.Security == WifiSecurity.Open ? ", open to everybody" : "")}")));
        }
        parts.Add(RecordPart.Heading(2, "Your boxes"));
        parts.Add(RecordPart.List(used.Select(box =>
            $"{Isolated.Name(box.Name)}{(box.Room is { } room ? $", in {Isolated.Name(ground.RoomOf(room)!)}" : "")}{AllIsWell(house, box)}")));
        parts.Add(RecordPart.Heading(2, "No internet?"));
        parts.Add(RecordPart.List(Try(house, used)));
        parts.Add(RecordPart.Heading(2, "Please"));
        parts.Add(RecordPart.List(Keep(ground)));
        parts.Add(RecordPart.Heading(2, "Whom to call"));
        parts.Add(RecordPart.Line("Your installer: ______________________________"));
        parts.Add(RecordPart.Line("Your provider: ______________________________"));
        return parts;
    }

    private static List<Device> Used(HandoverGround ground) => [.. ground.House.Devices.Where(box => ground.State.IsInUse(box.Id))];

    /// <summary>By which lamp its kind says that all is well.</summary>
    private static string AllIsWell(NetworkDocument house, Device box) =>
        house.KindOf(box) is { } kind
            && (kind.Lamps.GetValueOrDefault(Lamp.Joined) ?? kind.Lamps.GetValueOrDefault(Lamp.ReadyToSet)) is { } lamp
            ? $". All is well: {lamp}" : "";

    private static IEnumerable<string> Try(NetworkDocument house, List<Device> used)
    {
        yield return "Look at the lamps first, and that every plug is in.";
        var first = house.Line is { } line ? used.Find(box => box.Id == line.Device) : null;
        if (first is not null)
        {
            yield return $"Switch {Isolated.Name(first.Name)} off, wait ten seconds, switch it on, wait five minutes.";
            if (house.KindOf(first)?.Lamps.GetValueOrDefault(Lamp.NoLine) is { } dead) yield return $"“{dead}”: no line comes in. Call the provider.";
        }
        if (used.Where(box => box.Id != first?.Id).Select(box => Isolated.Name(box.Name)).ToList() is { Count: > 0 } rest)
            yield return $"Then the same with {Actions.Naming.Join(rest, 9)}, one after the other.";
    }

    /// <summary>What not to unplug, what a reset wipes, whom to call.</summary>
    public static IEnumerable<string> GoodToKnow(HandoverGround ground) => Keep(ground).Append("Whom to call: not noted.");

    /// <summary>What to leave as it is.</summary>
    private static IEnumerable<string> Keep(HandoverGround ground)
    {
        var used = Used(ground);
        if (ground.House.Line is { } line && ground.House.FindDevice(line.Device) is { } gateway)
            yield return $"The line comes in at {Isolated.Name(gateway.Name)}: leave it on, and its plugs in.";
        if (used.Where(box => box.Id != ground.House.Line?.Device).Select(box => Isolated.Name(box.Name)).ToList() is { Count: > 0 } others)
            yield return $"Do not unplug {Actions.Naming.Join(others, 9)}: {(others.Count == 1 ? "it belongs" : "they belong")} to the network.";
        if (used.Where(box => box.Lan is not null).Select(box => Isolated.Name(box.Name)).ToList() is { Count: > 0 } wiped)
            yield return $"Never hold the reset of {Actions.Naming.Join(wiped, 9)} unless you are told to: it wipes all that is set there.";
    }
}
