using System.Net;
using System.Net.NetworkInformation;
using System.Net.Sockets;

namespace Altrin.Web.Share;

/// <summary>Whether, and where, this laptop also answers the phone: <c>--share true</c>, <c>--share-port N</c>, <c>--share-address A</c>.</summary>
/// <param name="Only">The one address it listens on; null: every own private address, for a laptop changes its address several times a job.</param>
internal sealed record ShareSettings(bool On, int Port, IPAddress? Only)
{
    public const int DefaultPort = 5443;

    public static ShareSettings Of(IConfiguration settings) => new(settings.GetValue("share", false), settings.GetValue("share-port", DefaultPort),
        settings["share-address"] is { Length: > 0 } only ? IPAddress.Parse(only) : null);

    /// <summary>Where the phone may find this laptop at this moment, wired cards first.</summary>
    public IReadOnlyList<OwnAddress> Addresses() => Only is { } only ? [new(only.ToString(), "as asked")] :
    [
        .. NetworkInterface.GetAllNetworkInterfaces().Where(card => card.OperationalStatus == OperationalStatus.Up || card.OperationalStatus == OperationalStatus.Unknown)
            .OrderBy(card => card.NetworkInterfaceType == NetworkInterfaceType.Wireless80211)
            .SelectMany(card => card.GetIPProperties().UnicastAddresses.Select(one => one.Address)
                .Where(address => address.AddressFamily == AddressFamily.InterNetwork && IsAtHome(address)).Select(address => new OwnAddress(address.ToString(), card.Name))),
    ];

    /// <summary>Is a connection that came in at this address one from the house? A laptop plugged straight into the provider's line has an address
    /// that the whole world can call.</summary>
    public bool MayAnswer(IPAddress? local) => local is not null && (Only is { } only ? Plain(local).Equals(only) : IsAtHome(Plain(local)));

    public static IPAddress Plain(IPAddress address) => address.IsIPv4MappedToIPv6 ? address.MapToIPv4() : address;

    /// <summary>Private (RFC 1918) or link-local (RFC 3927): what a house has inside. The space that carriers share (RFC 6598) is the provider's side.</summary>
    private static bool IsAtHome(IPAddress address) => address.AddressFamily == AddressFamily.InterNetwork && address.GetAddressBytes() is
        [10, ..] or [172, >= 16 and <= 31, ..] or [192, 168, ..] or [169, 254, ..];
}

/// <param name="Card">The card of the laptop that has it, as the system calls it.</param>
public sealed record OwnAddress(string Address, string Card);
