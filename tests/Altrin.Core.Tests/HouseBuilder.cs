using System.Collections.Immutable;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests;

/// <summary>Writes small houses in the order they are told: <c>new HouseBuilder().Gateway().Thing("tablet", "gw:lan1")</c>.</summary>
internal sealed class HouseBuilder
{
    private NetworkDocument house = new() { Name = "House" };

    public NetworkDocument House
    {
        get
        {
            var read = DocumentReader.Read(AltrinJson.WriteCompact(house));
            Assert.Empty(read.Problems);
            return read.Document!;
        }
    }

    public NetworkState State => Simulator.Run(House);

    public static implicit operator NetworkDocument(HouseBuilder builder) => builder.House;

    public HouseBuilder Gateway(string address = "192.168.31.1/24", DeviceMode mode = DeviceMode.Router, HandOff handOff = HandOff.Dhcp,
        LineAddressing addressing = LineAddressing.Public, int addresses = 1, bool dhcp = true)
    {
        house = house with { Line = new() { Device = "gw", Port = "wan", HandOff = handOff, Addressing = addressing, Addresses = addresses } };
        return Box("gw", mode, address, dhcp, wan: handOff == HandOff.Pppoe ? WanMethod.Pppoe : WanMethod.Dhcp);
    }

    public HouseBuilder Box(string id, DeviceMode mode = DeviceMode.Router, string? address = "192.168.1.1/24", bool dhcp = true,
        string pool = "100-199", WanMethod wan = WanMethod.Dhcp, bool nat = true, Func<Device, Device>? with = null)
    {
        LanSettings? lan = null;
        if (address is not null)
        {
            var own = InterfaceAddress.Parse(address);
            var ends = pool.Split('-').Select(uint.Parse).ToArray();
            lan = new()
            {
                Address = own,
                DhcpServer = new() { Enabled = dhcp, Start = own.Prefix.Network.Plus(ends[0]), End = own.Prefix.Network.Plus(ends[1]) },
            };
        }
        var device = new Device
        {
            Id = id,
            Name = id,
            Mode = mode,
            Supports = [DeviceMode.Router, DeviceMode.AccessPoint],
            Ports = [new() { Id = "wan", Role = PortRole.Wan }, .. Enumerable.Range(1, 6).Select(n => new Port { Id = $"lan{n}", Role = PortRole.Lan })],
            Radios = [new() { Id = "2g", Band = Band.Ghz24 }],
            Lan = lan,
            Wan = new() { Method = wan },
            Nat = nat,
        };
        house = house with { Devices = house.Devices.Add(with?.Invoke(device) ?? device) };
        return this;
    }

    public HouseBuilder Cable(string a, string b)
    {
        house = house with { Cables = house.Cables.Add(new() { Id = $"c{house.Cables.Length + 1}", A = SocketOf(a), B = SocketOf(b) }) };
        return this;
    }

    /// <param name="at">A socket, a Wi-Fi name as <c>~name</c>, or null for nowhere.</param>
    /// <param name="address">Fixed; null asks for one.</param>
    public HouseBuilder Thing(string id, string? at, string? address = null, string? gateway = null, string? mac = null, params Service[] services)
    {
        var connect = at is null ? null : at[0] == '~' ? new Attachment.Join { Ssid = at[1..] } : Attachment.To(SocketOf(at));
        house = house with
        {
            Endpoints = house.Endpoints.Add(new()
            {
                Id = id,
                Name = id,
                Mac = mac is null ? null : MacAddress.Parse(mac),
                Connect = connect,
                Address = address is null ? new() : EndpointAddress.Fixed(InterfaceAddress.Parse(address), gateway is null ? null : Ipv4Address.Parse(gateway)),
                Services = [.. services],
            }),
        };
        return this;
    }

    public HouseBuilder With(Func<NetworkDocument, NetworkDocument> change)
    {
        house = change(house);
        return this;
    }

    private static Socket SocketOf(string text) => new(text.Split(':')[0], text.Split(':')[1]);
}
