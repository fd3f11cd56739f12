using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.Diagnosis.Causes;

/// <summary>Boxes without power, reset, in another mode, and servers that are on or off.</summary>
internal static class BoxCauses
{
    public static IEnumerable<Cause> Of(CauseGround ground)
    {
        foreach (var box in ground.InUse)
        {
            yield return CauseGround.OfBox("no-power", box, $"{box.Name} has no power.", "power", one => one with { Off = true });
            if (ground.State.Lan(box.Id) is not null)
                yield return CauseGround.One("as-sold", $"{box.Name} was reset: it is back to its factory settings.", $"{box.Id}.all",
                    house => new FactoryReset(box.Id).Apply(house), ("device", box.Id)) with
                { Fields = [.. Settings.Select(field => $"{box.Id}.{field}")] };
            var modes = Modes.All.Where(mode => mode.Mode != box.Mode && box.Supports.Contains(mode.Mode));
            foreach (var cause in CauseGround.Variants(modes.Select(mode => CauseGround.OfBox("other-mode", box,
                $"{box.Name} is in {mode.Say} mode, not in {box.Traits.Say} mode.", "mode", one => one with { Mode = mode.Mode },
                ("mode", Words<DeviceMode>.Of(mode.Mode)))))) yield return cause;
            if (box.Lan is not { Method: LanMethod.Static, Address: not null, DhcpServer: { } server } || !box.Traits.RunsServer) continue;
            yield return server.Enabled
                ? CauseGround.OfBox("dhcp-off", box, $"{box.Name} gives out no addresses: its DHCP server is off.", "dhcp",
                    one => Served(one, false))
                : CauseGround.OfBox("dhcp-on", box, $"{box.Name} gives out addresses too: its DHCP server is on.", "dhcp",
                    one => Served(one, true));
        }
    }

    private static readonly string[] Settings = ["mode", "dhcp", "address", "power", "wifi", "services", "uplink", "passthrough"];

    private static Device Served(Device box, bool isOn) =>
        box.Lan?.DhcpServer is { } server ? box with { Lan = box.Lan with { DhcpServer = server with { Enabled = isOn } } } : box;
}
