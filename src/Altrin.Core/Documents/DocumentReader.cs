using System.Collections.Immutable;
using System.Text;
using System.Text.Json;
using Altrin.Core.Network;

namespace Altrin.Core.Documents;

/// <summary>What came of reading: a valid document, or every problem found, never both.</summary>
public sealed record ReadResult(NetworkDocument? Document, IReadOnlyList<DocumentProblem> Problems);

/// <summary>Reads <c>altrin.network/1</c> strictly. Total: any bytes give a document or problems, never an exception.</summary>
public static class DocumentReader
{
    public static ReadResult Read(string text) => Read(Encoding.UTF8.GetBytes(text));

    public static ReadResult Read(ReadOnlyMemory<byte> utf8)
    {
        var problems = new ProblemList();
        return Checked(StrictJson.Open(utf8, problems, Document), problems);
    }

    public static ReadResult Read(JsonElement root)
    {
        var problems = new ProblemList();
        return Checked(ObjectReader.Open(root, "", problems) is { } reader ? Document(reader) : null, problems);
    }

    private static ReadResult Checked(NetworkDocument? document, ProblemList problems)
    {
        if (document is not null && problems.Found.Count == 0) DocumentChecks.Run(document, problems);
        return problems.Found.Count == 0 ? new(document, []) : new(null, problems.Found);
    }

    /// <summary>The shape of a document, as this reader asks for it.</summary>
    internal static SchemaNode Shape() => ObjectReader.Describe(Document);

    private static NetworkDocument Document(ObjectReader r)
    {
        var format = r.RequiredText("format");
        if (format.Length > 0 && format != NetworkDocument.CurrentFormat)
            r.Problem("format", $"“{format}” is another format or version. This program reads {NetworkDocument.CurrentFormat}.");
        return new()
        {
            Format = NetworkDocument.CurrentFormat,
            Name = r.Name("name") ?? "House",
            Country = r.Text("country"),
            Line = r.Object("line", Line),
            Devices = r.Objects("devices", Device),
            Cables = r.Objects("cables", Cable),
            Endpoints = r.Objects("endpoints", Endpoint),
            Needs = r.Objects("needs", NeedReader.Read),
            Building = r.Object("building", Building),
            Buildings = r.Objects("buildings", OtherBuilding),
            Rooms = r.Objects("rooms", Room),
            Runs = r.Objects("runs", Run),
            Neighbours = r.Objects("neighbours", Neighbour),
            Measured = r.Objects("measured", Measured),
            Kinds = r.Objects("kinds", KitReader.Kind),
            Unknown = r.Rest(),
        };
    }

    private static Line Line(ObjectReader r) => new()
    {
        Device = r.RequiredText("device"),
        Port = r.RequiredText("port"),
        Technology = r.Word<Technology>("technology"),
        DownMbps = r.Number("downMbps", Limits.Mbps),
        UpMbps = r.Number("upMbps", Limits.Mbps),
        Addressing = r.Word<LineAddressing>("addressing") ?? LineAddressing.Public,
        HandOff = r.Word<HandOff>("handOff") ?? HandOff.Dhcp,
        Addresses = r.Whole("addresses", 0, Limits.Addresses) ?? 1,
        Agreed = r.Object("agreed", LineAddress),
        Seen = r.Object("seen", LineAddress),
        Down = r.OptionalFlag("down"),
        Holds = r.Value<MacAddress>("holds"),
        NamesSilent = r.OptionalFlag("namesSilent"),
        ClosedPorts = r.WholeList("closedPorts", 1, 65535),
        Unknown = r.Rest(),
    };

    private static LineAddress LineAddress(ObjectReader r)
    {
        if (r.Find("address") is null) r.Missing("address", InterfaceAddress.Expected);
        if (r.Find("gateway") is null) r.Missing("gateway", "the address of the provider's router");
        var read = new LineAddress
        {
            Address = HostAddress(r, "address", isBox: true) ?? default,
            Gateway = r.Value<Ipv4Address>("gateway") ?? default,
            Unknown = r.Rest(),
        };
        if (AddressRanges.WhyNoHost(read.Gateway) is { } why
            && r.Find("gateway") is not null) r.Problem("gateway", $"{read.Gateway} {why}, which no device may hold.");
        if (r.Find("gateway") is not null
            && read.Gateway == read.Address.Address) r.Problem("gateway",
            $"{read.Gateway} is the house's own address. Write the address of the provider's router.");
        return read;
    }

    private static Building Building(ObjectReader r) => new()
    {
        Walls = r.Word<WallMaterial>("walls"),
        Floors = r.Word<FloorMaterial>("floors"),
        StoreyM = r.Number("storeyM", Network.Building.LeastStoreyM, Network.Building.MostStoreyM),
        OffsetDb = r.Number("offsetDb", -Network.Building.MostOffsetDb, Network.Building.MostOffsetDb),
        Unknown = r.Rest(),
    };

    private static OtherBuilding OtherBuilding(ObjectReader r) => new()
    {
        Id = r.Id("id"),
        Walls = r.Word<WallMaterial>("walls"),
        DistanceM = r.Number("distanceM", Network.OtherBuilding.MostDistanceM),
        Unknown = r.Rest(),
    };

    private static Room Room(ObjectReader r)
    {
        var id = r.Id("id");
        return new()
        {
            Id = id,
            Name = r.Name("name") ?? id,
            Floor = r.Whole("floor", Network.Room.LowestFloor, Network.Room.HighestFloor),
            Rect = r.Numbers<RoomRect>("rect"),
            Walls = r.Word<WallMaterial>("walls"),
            Outdoor = r.OptionalFlag("outdoor"),
            NoWifi = r.OptionalFlag("noWifi"),
            Building = r.Text("building"),
            Unknown = r.Rest(),
        };
    }

    private static CableRun Run(ObjectReader r) => new()
    {
        Id = r.Id("id"),
        A = r.RequiredText("a"),
        B = r.RequiredText("b"),
        Medium = r.Word<Medium>("medium") ?? Medium.Ethernet,
        Category = r.Text("category"),
        LengthM = r.Number("lengthM", Limits.LengthM),
        Laid = r.Flag("laid", false),
        Unknown = r.Rest(),
    };

    private static Measurement Measured(ObjectReader r) => new()
    {
        Id = r.Id("id"),
        Room = r.RequiredText("room"),
        Device = r.Text("device"),
        Mbps = r.Number("mbps", Limits.Mbps),
        LevelDbm = r.Number("levelDbm", NeighbourNetwork.LowestDbm, NeighbourNetwork.HighestDbm),
        Source = r.Text("source"),
        Band = r.Word<Band>("band"),
        Method = r.Text("method"),
        Runs = r.Whole("runs", 1, Measurement.MostRuns),
        At = r.Text("at"),
        Unknown = r.Rest(),
    };

    private static NeighbourNetwork Neighbour(ObjectReader r) => new()
    {
        Ssid = r.Ssid("ssid"),
        Band = r.RequiredWord<Band>("band"),
        Channel = r.Whole("channel", Limits.LeastChannel, Limits.MostChannel),
        WidthMHz = r.Whole("widthMHz", Limits.LeastWidthMHz, Limits.MostWidthMHz),
        Room = r.Text("room"),
        LevelDbm = r.Number("levelDbm", NeighbourNetwork.LowestDbm, NeighbourNetwork.HighestDbm),
        Unknown = r.Rest(),
    };

    private static Device Device(ObjectReader r)
    {
        var id = r.Id("id");
        return Box(r, id, r.Name("name") ?? id);
    }

    /// <summary>A box that nobody has named yet, as a kind on the kit shelf has it.</summary>
    internal static Device BoxAsSold(ObjectReader r) => Box(r, "box", "Box");

    private static Device Box(ObjectReader r, string id, string name)
    {
        return new()
        {
            Id = id,
            Name = name,
            Room = r.Text("room"),
            At = r.Numbers<FloorPoint>("at"),
            Mac = r.Value<MacAddress>("mac"),
            Supports = r.WordList<DeviceMode>("supports"),
            Mode = r.RequiredWord<DeviceMode>("mode"),
            Ports = r.Objects("ports", Port),
            Radios = r.Objects("radios", Radio),
            Lan = r.Object("lan", Lan),
            Wan = r.Object("wan", Wan),
            Nat = r.Flag("nat", true),
            Firewall = r.Flag("firewall", true),
            Upnp = r.Flag("upnp", false),
            PortForwards = r.Objects("portForwards", PortForward),
            DmzHost = r.Value<Ipv4Address>("dmzHost"),
            PassthroughTo = r.Text("passthroughTo"),
            Wifi = r.Objects("wifi", Wifi),
            Uplink = r.Object("uplink", Uplink),
            ServesWifi = r.Flag("servesWifi", false),
            Hairpin = r.Flag("hairpin", false),
            DefaultPassword = r.OptionalFlag("defaultPassword"),
            KeptApart = r.OptionalFlag("keptApart"),
            PassthroughShares = r.OptionalFlag("passthroughShares"),
            Off = r.OptionalFlag("off"),
            LeaveAsFound = r.OptionalFlag("leaveAsFound"),
            MustUse = r.OptionalFlag("mustUse"),
            Provider = r.OptionalFlag("provider"),
            UsedBefore = r.OptionalFlag("usedBefore"),
            InUse = r.OptionalFlag("inUse"),
            Serves = r.TextList("serves"),
            Injector = r.OptionalFlag("injector"),
            Kit = r.Text("kit"),
            Hardware = r.Text("hardware"),
            Firmware = r.Text("firmware"),
            Label = r.Object("label", Label),
            Unknown = r.Rest(),
        };
    }

    private static Port Port(ObjectReader r) => new()
    {
        Id = r.Id("id"),
        Role = r.RequiredWord<PortRole>("role"),
        SpeedMbps = r.Number("speedMbps", Limits.Mbps),
        Vlan = r.Whole("vlan", Network.Vlan.Least, Network.Vlan.Most),
        Printed = r.Text("printed"),
        Tagged = r.WholeList("tagged", Network.Vlan.Least, Network.Vlan.Most),
        PoeGives = r.Word<PoeClass>("poeGives"),
        PoeNeeds = r.Word<PoeClass>("poeNeeds"),
        Unknown = r.Rest(),
    };

    private static WirelessRadio Radio(ObjectReader r) => new()
    {
        Id = r.Id("id"),
        Band = r.RequiredWord<Band>("band"),
        Generation = r.Text("generation"),
        Streams = r.Whole("streams", 1, 16),
        MaxWidthMHz = r.Whole("maxWidthMHz", Limits.LeastWidthMHz, Limits.MostWidthMHz),
        TxDbm = r.Number("txDbm", Limits.LeastDbm, Limits.MostDbm),
        Unknown = r.Rest(),
    };

    private static LanSettings Lan(ObjectReader r)
    {
        var lan = new LanSettings
        {
            Method = r.Word<LanMethod>("method") ?? LanMethod.Static,
            Address = HostAddress(r, "address", isBox: true),
            DhcpServer = r.Object("dhcpServer", DhcpServer),
            Unknown = r.Rest(),
        };
        if (lan.Method == LanMethod.Static && r.Find("address") is null)
            r.MissingHere("address", "the box's own address, such as 192.168.1.1/24, or let method be dhcp");
        return lan;
    }

    private static DhcpServer DhcpServer(ObjectReader r)
    {
        var server = new DhcpServer
        {
            Enabled = r.Flag("enabled", false),
            Start = r.Value<Ipv4Address>("start"),
            End = r.Value<Ipv4Address>("end"),
            LeaseMinutes = r.Whole("leaseMinutes", 1, 1_000_000),
            Gateway = r.Value<Ipv4Address>("gateway"),
            Dns = r.ValueList<Ipv4Address>("dns"),
            Reservations = r.Objects("reservations", Reservation),
            Unknown = r.Rest(),
        };
        if (server.Start is { } start && server.End is { } end && end < start)
            r.Problem("end", $"The pool ends at {end}, before it starts at {start}. Swap the two.");
        // Both missing: nobody has looked at the pool. One alone is half an answer.
        if (server.Enabled && r.Find("start") is null != r.Find("end") is null)
        {
            if (r.Find("start") is null) r.MissingHere("start", "the pool's first address; leave out both where nobody has looked");
            else r.MissingHere("end", "the pool's last address; leave out both where nobody has looked");
        }
        return server;
    }

    private static Reservation Reservation(ObjectReader r)
    {
        if (r.Find("mac") is null) r.Missing("mac", MacAddress.Expected);
        if (r.Find("address") is null) r.Missing("address", Ipv4Address.Expected);
        return new()
        {
            Mac = r.Value<MacAddress>("mac") ?? default,
            Address = r.Value<Ipv4Address>("address") ?? default,
            Unknown = r.Rest(),
        };
    }

    private static WanSettings Wan(ObjectReader r)
    {
        var wan = new WanSettings
        {
            Method = r.Word<WanMethod>("method") ?? WanMethod.Dhcp,
            Address = HostAddress(r, "address", isBox: true),
            Gateway = r.Value<Ipv4Address>("gateway"),
            Dns = r.ValueList<Ipv4Address>("dns"),
            Unknown = r.Rest(),
        };
        if (wan.Method == WanMethod.Static && r.Find("address") is null)
            r.MissingHere("address", "the address that was agreed, or let method be dhcp");
        return wan;
    }

    private static PortForward PortForward(ObjectReader r)
    {
        if (r.Find("port") is null) r.Missing("port", "the outside port, 1 to 65535");
        if (r.Find("toAddress") is null) r.Missing("toAddress", "the address inside that it leads to");
        return new()
        {
            Protocol = r.RequiredWord<TransportProtocol>("protocol"),
            Port = r.Whole("port", 1, 65535) ?? 1,
            ToAddress = r.Value<Ipv4Address>("toAddress") ?? default,
            ToPort = r.Whole("toPort", 1, 65535),
            Unknown = r.Rest(),
        };
    }

    private static WifiNetwork Wifi(ObjectReader r) => new()
    {
        Radio = r.RequiredText("radio"),
        Ssid = r.RequiredSsid("ssid"),
        Security = r.Word<WifiSecurity>("security") ?? WifiSecurity.Open,
        Key = r.Text("key"),
        Channel = r.Channel("channel"),
        WidthMHz = r.Whole("widthMHz", Limits.LeastWidthMHz, Limits.MostWidthMHz),
        Broadcast = r.Flag("broadcast", true),
        Enabled = r.Flag("enabled", true),
        Guest = r.Flag("guest", false),
        Vlan = r.Whole("vlan", Network.Vlan.Least, Network.Vlan.Most),
        Unknown = r.Rest(),
    };

    private static Uplink Uplink(ObjectReader r) => new()
    {
        Radio = r.RequiredText("radio"),
        Ssid = r.RequiredSsid("ssid"),
        Security = r.Word<WifiSecurity>("security") ?? WifiSecurity.Open,
        Key = r.Text("key"),
        Near = r.Text("near"),
        Unknown = r.Rest(),
    };

    private static BoxLabel Label(ObjectReader r) => new()
    {
        DefaultAddress = r.Value<Ipv4Address>("defaultAddress"),
        PageName = r.Text("pageName"),
        DefaultUser = r.Text("defaultUser"),
        ResetHoldSeconds = r.Whole("resetHoldSeconds", 1, 600),
        AsksWhenBridged = r.OptionalFlag("asksWhenBridged"),
        RebootSeconds = r.Whole("rebootSeconds", 1, 3600),
        Unknown = r.Rest(),
    };

    private static Cable Cable(ObjectReader r) => new()
    {
        Id = r.Id("id"),
        A = End(r, "a"),
        B = End(r, "b"),
        Medium = r.Word<Medium>("medium") ?? Medium.Ethernet,
        Category = r.Text("category"),
        LengthM = r.Number("lengthM", Limits.LengthM),
        AgreedMbps = r.Number("agreedMbps", Limits.Mbps),
        Unknown = r.Rest(),
    };

    private static Socket End(ObjectReader r, string field)
    {
        if (r.Find(field) is null) r.Missing(field, "the device and the port that this end is in");
        return r.Object(field, end => new Socket(end.RequiredText("device"), end.RequiredText("port"))) ?? new("", "");
    }

    private static Endpoint Endpoint(ObjectReader r)
    {
        var id = r.Id("id");
        return new()
        {
            Id = id,
            Name = r.Name("name") ?? id,
            Kind = r.Text("kind"),
            Room = r.Text("room"),
            At = r.Numbers<FloorPoint>("at"),
            Mac = r.Value<MacAddress>("mac"),
            Bands = r.WordList<Band>("bands"),
            Wired = r.OptionalFlag("wired"),
            Connect = r.Object("connect", Attachment),
            Knows = r.Object("knows", KnownNetwork),
            Address = r.Object("address", EndpointAddress) ?? new(),
            Services = r.Objects("services", Service),
            Unknown = r.Rest(),
        };
    }

    private static KnownNetwork KnownNetwork(ObjectReader r)
    {
        if (r.Find("ssid") is null) r.Missing("ssid", "the name of a network that it has joined before");
        return new()
        {
            Ssid = r.Ssid("ssid") ?? "",
            Security = r.Word<WifiSecurity>("security"),
            Key = r.Text("key"),
            Unknown = r.Rest(),
        };
    }

    internal static Attachment? Attachment(ObjectReader r)
    {
        var (device, port) = (r.Text("device"), r.Text("port"));
        var join = new Attachment.Join
        {
            Ssid = r.Ssid("ssid") ?? "",
            Security = r.Word<WifiSecurity>("security"),
            Key = r.Text("key"),
            Near = r.Text("near"),
            Unknown = r.Rest(),
        };
        if (join.Ssid.Length > 0)
        {
            if (device is not null
                || port is not null) r.Problem("ssid", "A thing is plugged in or on Wi-Fi, not both. Leave out ssid, or device and port.");
            return join;
        }
        if (device is null) r.MissingHere("device", "the device it is plugged into, or an ssid");
        else if (port is null) r.MissingHere("port", "the socket it is plugged into");
        else return new Attachment.Plug { Device = device, Port = port, Unknown = join.Unknown };
        return null;
    }

    internal static EndpointAddress EndpointAddress(ObjectReader r)
    {
        var read = new EndpointAddress
        {
            Method = r.Word<EndpointMethod>("method") ?? EndpointMethod.Dhcp,
            Address = HostAddress(r, "address", isBox: false),
            Gateway = r.Value<Ipv4Address>("gateway"),
            Dns = r.ValueList<Ipv4Address>("dns"),
            Unknown = r.Rest(),
        };
        if (read.Method == EndpointMethod.Static && r.Find("address") is null)
            r.MissingHere("address", "its fixed address, or let method be dhcp");
        return read;
    }

    private static Service Service(ObjectReader r)
    {
        if (r.Find("port") is null) r.Missing("port", "a port, 1 to 65535");
        return new()
        {
            Protocol = r.RequiredWord<TransportProtocol>("protocol"),
            Port = r.Whole("port", 1, 65535) ?? 1,
            Unknown = r.Rest(),
        };
    }

    private static InterfaceAddress? HostAddress(ObjectReader r, string field, bool isBox)
    {
        if (r.Value<InterfaceAddress>(field) is not { } address) return null;
        if (AddressCheck.WhyNot(address, isBox) is { } problem) r.Problem(field, problem);
        return address;
    }
}
