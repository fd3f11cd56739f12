using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.WorkOrders;

/// <summary>The settings of a box that have no step of their own, as rows of old and new.</summary>
internal static class OtherSettings
{
    public static ImmutableArray<SettingChange> Rows(Device now, Device planned)
    {
        var rows = ImmutableArray.CreateBuilder<SettingChange>();
        var isRouter = planned.Mode == DeviceMode.Router;
        if (isRouter && Describe(now.Wan ?? new()) != Describe(planned.Wan ?? new())) rows.Add(new("WAN", Describe(now.Wan ?? new()), Describe(planned.Wan ?? new())));
        if (isRouter) Switch("NAT", now.Nat, planned.Nat);
        Switch("Firewall", now.Firewall, planned.Firewall);
        Switch("UPnP", now.Upnp, planned.Upnp);
        if (isRouter) Switch("Hairpin", now.Hairpin, planned.Hairpin);
        if (planned.Mode == DeviceMode.ClientBridge) Switch("Its own Wi-Fi", now.ServesWifi, planned.ServesWifi);
        if (isRouter) Forwards(now, planned, rows);
        foreach (var port in planned.Ports)
            if (now.FindPort(port.Id) is { } old && VlansOf(old) != VlansOf(port)) rows.Add(new($"VLAN of {Naming.PortName(planned, port.Id)}", VlansOf(old), VlansOf(port)));
        return rows.ToImmutable();

        void Switch(string name, bool old, bool wanted)
        {
            if (old != wanted) rows.Add(new(name, old ? "on" : "off", wanted ? "on" : "off"));
        }
    }

    private static void Forwards(Device now, Device planned, ImmutableArray<SettingChange>.Builder rows)
    {
        foreach (var forward in planned.PortForwards.Where(one => !now.PortForwards.Contains(one)))
            rows.Add(new($"Forward {Words<TransportProtocol>.Of(forward.Protocol)} {forward.Port}", null, $"{forward.ToAddress}:{forward.ToPort ?? forward.Port}"));
        foreach (var forward in now.PortForwards.Where(one => !planned.PortForwards.Any(other => (other.Protocol, other.Port) == (one.Protocol, one.Port))))
            rows.Add(new($"Forward {Words<TransportProtocol>.Of(forward.Protocol)} {forward.Port}", $"{forward.ToAddress}", "remove"));
        if (now.DmzHost != planned.DmzHost) rows.Add(new("DMZ host", now.DmzHost?.ToString(), planned.DmzHost?.ToString() ?? "none"));
    }

    private static string VlansOf(Port port)
    {
        var own = port.Vlan is { } vlan ? $"{vlan} untagged" : "its own network";
        return port.Tagged.IsDefaultOrEmpty ? own : $"{own}, {string.Join(", ", port.Tagged)} tagged";
    }

    private static string Describe(WanSettings wan) =>
        wan.Method == WanMethod.Static ? $"fixed, {wan.Address}" : wan.Method switch { WanMethod.Dhcp => "automatic", WanMethod.Pppoe => "PPPoE", _ => "off" };
}
