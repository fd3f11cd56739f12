using Altrin.Core.Network;

namespace Altrin.Core.Tests.Trade;

/// <summary>The jobs of the trade as they are entered in five minutes. Common practice, no source.</summary>
internal static class TradeJobs
{
    public static readonly IReadOnlyDictionary<string, Func<NetworkDocument>> All = new Dictionary<string, Func<NetworkDocument>>(StringComparer.Ordinal)
    {
        // 1: a spare router with a past, the same default address, no cable to the loft.
        ["01-repeat-into-the-loft"] = () => AsEntered.Hall("gateway-locked", "192.168.1.1").Rooms("Hall", "Loft")
            .Brought("router-mode-switch", "spare", "Spare router", "Loft", "192.168.1.1", used: true).OnWifi("Phone", "phone", room: "Hall").OnWifi("Tablet", "tablet", room: "Loft").Done,
        // 2: a second router and a cable; the study's things must print on the printer at the gateway.
        ["02-second-router-and-a-cable"] = () => AsEntered.Hall("gateway-modem-mode", "192.168.0.1", pool: "192.168.0.100-192.168.0.199").Rooms("Hall", "Study").Run("Hall", "Study")
            .Brought("router-old-300", "second", "Second router", "Study", "192.168.0.1").Plugged("Printer", "printer", "gateway", "lan1", "Hall").OnWifi("Laptop", "laptop", room: "Study")
            .Wants(new Need.Reach { Id = "n1", From = "thing-2", To = "thing-1", Discovery = true }).Done,
        // 4: no cable; a new router whose page offers WISP first.
        ["04-wisp-is-offered-first"] = () => AsEntered.Hall("gateway-locked", "192.168.1.1").Rooms("Hall", "Attic")
            .Brought("router-wisp-first", "new", "New router", "Attic").OnWifi("Phone", "phone", room: "Hall").Done,
        // 7: a ceiling unit with its injector, its page in a foreign subnet.
        ["07-ceiling-unit-with-an-injector"] = () => AsEntered.Hall("gateway-locked", "192.168.1.1").Rooms("Hall", "Landing").Run("Hall", "Landing")
            .Brought("access-point-ceiling", "ceiling", "Ceiling unit", "Landing").Box("ceiling", box => box with { Injector = true }).OnWifi("Phone", "phone", room: "Hall").Done,
        // 10: the same default address, a cable, one network for printing.
        ["10-old-router-by-cable"] = () => AsEntered.Hall("gateway-modem-mode", "192.168.0.1").Rooms("Hall", "Study").Run("Hall", "Study")
            .Brought("router-old-300", "old", "Old router", "Study", "192.168.0.1", used: true).Plugged("Printer", "printer", "gateway", "lan1", "Hall").Plugged("Store", "nas", "gateway", "lan2", "Hall")
            .OnWifi("Laptop", "laptop", room: "Study").Done,
        // 11: a plug-in repeater and a bedroom with weak Wi-Fi.
        ["11-plug-in-repeater"] = () => AsEntered.Hall("gateway-locked", "192.168.1.1").Rooms("Hall", "Bedroom")
            .Brought("repeater-plug-in-dual", "rep", "Plug-in repeater", "Bedroom").OnWifi("Phone", "phone", room: "Bedroom").Done,
        // 12: a wired network that nobody touches, a router with a switch for it.
        ["12-access-point-switch"] = () => AsEntered.Hall("gateway-locked", "192.168.1.1", ssid: null).Rooms("Hall", "Office").Run("Hall", "Office")
            .Box("gateway", box => box with { LeaveAsFound = true }).Brought("router-mode-switch", "new", "New router", "Office").Plugged("Computer", "computer", "gateway", "lan1", "Hall").Done,
        // 13: a router that asks for its address as access point.
        ["13-asks-for-its-address"] = () => AsEntered.Hall("gateway-modem-mode", "192.168.0.1").Rooms("Hall", "Loft").Run("Hall", "Loft")
            .Brought("router-mode-switch", "loft", "Loft router", "Loft").Box("loft", box => box with { Label = box.Label! with { AsksWhenBridged = true } }).OnWifi("Phone", "phone", room: "Hall").Done,
        // 14: a gateway that nobody touches, two old routers, cables to two rooms.
        ["14-two-old-routers"] = () => AsEntered.Hall("gateway-locked", "192.168.1.1").Rooms("Hall", "Study", "Barn").Run("Hall", "Study").Run("Study", "Barn").Box("gateway", box => box with { LeaveAsFound = true })
            .Brought("router-old-300", "one", "Old router", "Study", "192.168.0.1", used: true).Brought("router-old-54", "two", "Older router", "Barn", "192.168.2.1", used: true)
            .OnWifi("Phone", "phone", room: "Hall").Done,
        // 15: powerline, the same default address, a pool over the whole subnet.
        ["15-powerline-and-a-full-pool"] = () => AsEntered.Hall("gateway-modem-mode", "192.168.0.1", pool: "192.168.0.2-192.168.0.254").Rooms("Hall", "Workshop").Run("Hall", "Workshop", Medium.Powerline)
            .Brought("router-old-300", "second", "Second router", "Workshop", "192.168.0.1").OnWifi("Phone", "phone", room: "Hall").Plugged("Printer", "printer", "gateway", "lan1", "Hall").Done,
        // 17: one computer on its own slow card; a spare router of the newer band as a bridge.
        ["17-bridge-for-one-computer"] = () => AsEntered.Hall("gateway-locked", "192.168.1.1").Rooms("Hall", "Study")
            .Brought("bridge-wired", "bridge", "Bridge", "Study").OnWifi("Computer", "computer", room: "Study").Done,
        // 19: an old hub with another subnet and a past, powerline to a bedroom.
        ["19-old-hub-by-powerline"] = () => AsEntered.Hall("gateway-locked", "192.168.1.1").Rooms("Hall", "Bedroom").Run("Hall", "Bedroom", Medium.Powerline)
            .Brought("router-old-54", "hub", "Old hub", "Bedroom", "192.168.2.1", used: true).OnWifi("Phone", "phone", room: "Bedroom").Done,
        // 3: a gateway with pass-through; the network of the own router holds a recorder that is to be seen from outside.
        ["03-pass-through-to-the-own-router"] = () => AsEntered.Hall("gateway-pass-through", "192.168.1.254").Rooms("Hall")
            .AtWork("router-dual-band", "own", "Own router", "Hall", "gateway", "lan1", "wan", "192.168.50.1")
            .Plugged("Recorder", "recorder", "own", "lan1", "Hall", "02:00:5E:20:00:07", [new() { Protocol = TransportProtocol.Tcp, Port = 8443 }])
            .Wants(new Need.Inbound { Id = "n1", Endpoint = "thing-1", Protocol = TransportProtocol.Tcp, Port = 8443 }, new Need.MainRouter { Id = "n2", Device = "own" }, new Need.SingleNat { Id = "n3" }).Done,
        // 6: a modem, an old router that sends the household's name, a mesh kit of three, one laid cable.
        ["06-mesh-kit-of-three"] = () => AsEntered.Hall("modem-only", null, null, id: "modem").Rooms("Hall", "Study", "Loft").Run("Hall", "Study")
            .AtWork("router-old-300", "old", "Old router", "Hall", "modem", "lan1", "wan", "192.168.0.1", box => box with { Wifi = [.. box.Wifi.Select(one => one with { Ssid = "larkspur", Security = WifiSecurity.Wpa2, Key = "home" })] })
            .Brought("mesh-main", "main", "Mesh main unit", room: "Hall").Box("main", box => box with { MustUse = true })
            .Brought("mesh-satellite", "one", "First satellite", room: "Study").Box("one", box => box with { Serves = ["Study"] })
            .Brought("mesh-satellite", "two", "Second satellite", room: "Loft").Box("two", box => box with { Serves = ["Loft"] })
            .OnWifi("Phone", "phone", room: "Hall").Wants(new Need.MainRouter { Id = "n1", Device = "main" }, new Need.KeepName { Id = "n2", Ssid = "larkspur", Key = "home" }).Done,
        // 8: mesh unit one at work; a second, set by an app; no cable.
        ["08-second-mesh-unit"] = () => AsEntered.Hall("modem-only", null, null, id: "modem").Rooms("Hall", "Loft")
            .AtWork("mesh-main", "main", "Mesh main unit", "Hall", "modem", "lan1", "wan", null, box => box with { Wifi = [.. box.Wifi.Select(one => one with { Ssid = "larkspur", Security = WifiSecurity.Wpa2, Key = "home" })] })
            .Brought("mesh-satellite", "second", "Second unit", "Loft").OnWifi("Phone", "phone", room: "Hall").Done,
        // 18: a mobile provider's gateway on a shared line, no bridge mode; the own router keeps the name that every thing knows.
        ["18-own-router-behind-a-shared-line"] = () => AsEntered.Hall("gateway-fixed-wireless", "192.168.8.1", "provider").Rooms("Hall").LineIs(line => line with { Addressing = LineAddressing.Shared, Technology = Technology.FixedWireless })
            .Brought("router-dual-band", "own", "Own router", room: "Hall").OnWifi("Phone", "phone", "provider", "Hall")
            .Wants(new Need.MainRouter { Id = "n1", Device = "own" }, new Need.KeepName { Id = "n2", Ssid = "larkspur", Key = "home" }).Done,
        // 5: a mesh router that is to be the router; things hang on the gateway's sockets.
        ["05-mesh-router-is-to-be-the-router"] = () => AsEntered.Hall("gateway-pass-through", "192.168.1.254").Rooms("Hall", "Landing")
            .Brought("mesh-main", "mesh", "Mesh router", "Hall", room: "Hall").Wants(new Need.MainRouter { Id = "n1", Device = "mesh" }).Plugged("Television", "television", "gateway", "lan1", "Hall").OnWifi("Phone", "phone").Done,
        // 9: a gateway that must go on routing, a mesh kit.
        ["09-mesh-behind-a-gateway-that-routes"] = () => AsEntered.Hall("gateway-locked", "192.168.1.1").Rooms("Hall", "Landing").Box("gateway", box => box with { LeaveAsFound = true })
            .Brought("mesh-main", "main", "Mesh main unit", "Hall", room: "Hall").Brought("mesh-satellite", "sat", "Satellite", "Landing", room: "Landing").OnWifi("Phone", "phone").Done,
        // 16: a router with a wizard.
        ["16-repeater-by-wizard"] = () => AsEntered.Hall("gateway-locked", "192.168.1.1").Rooms("Hall", "Bedroom")
            .Brought("router-wisp-first", "wizard", "Router with a wizard", "Bedroom").OnWifi("Phone", "phone", room: "Hall").Done,
        // 20: a modem, the main router, a second with WDS, the same default address.
        ["20-wds"] = () => AsEntered.Hall("modem-only", null, null, id: "modem").Rooms("Hall", "Barn")
            .AtWork("router-wds", "main", "Main router", "Hall", "modem", "lan1", "wan", "192.168.1.1", box => box with { Wifi = [.. box.Wifi.Select(one => one with { Ssid = "larkspur", Security = WifiSecurity.Wpa2, Key = "home" })] })
            .Brought("router-wds", "second", "Second router", "Barn", "192.168.1.1").OnWifi("Phone", "phone", room: "Hall").Done,
        // 21: a house with a router, a guest house with its own router and a laptop; no cable between.
        ["21-guest-house"] = () => AsEntered.Hall("gateway-locked", "192.168.1.1").Rooms("Hall", "Guest house")
            .Brought("router-mode-switch", "guest", "Guest router", "Guest house", "192.168.1.1", used: true).Plugged("Laptop", "laptop", "gateway", "lan1", "Hall").Done,
    };
}
