using Altrin.Core.Kit;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Readings;

/// <param name="Reading">What is looked at.</param>
/// <param name="Value">What must be seen there.</param>
public sealed record ReadingInWords(string Reading, string Value);

/// <summary>Readings said in the trade's words.</summary>
public static class ReadingWords
{
    /// <param name="laptop">Whose readings need no name: the one that is looked at.</param>
    /// <param name="word">What it is: a laptop, or a phone.</param>
    public static ReadingInWords Say(Reading reading, NetworkDocument house, string laptop, string word = "laptop") => reading switch
    {
        AddressReading { Who: var who, Ways: var ways } => who == laptop
            ? new($"{word} address", string.Join(" or ", ways.Select(way => Say(way, house, ways.Length > 1))))
            : new("its address", ways is [{ Address: { } only }] ? LineWords.Say(house, only.Address) : "none for certain"),
        GatewayReading gateway => new("gateway", string.Join(" or ", gateway.Any.Select(one => Provider(house, one)))),
        DnsReading dns => new("DNS servers", string.Join(", ", dns.Servers.Select(one => Provider(house, one)))),
        InternetReading internet => new("internet", internet.Reachable switch
        {
            Answer.Yes => "works",
            Answer.Sometimes => "now and then",
            Answer.No => internet.Who == laptop ? "none yet" : "not yet",
            _ => throw new InvalidOperationException($"{internet.Reachable} is not handled."),
        }),
        NatLayersReading nat => new("translations", nat.Layers == 1 ? "1" : $"{nat.Layers}"),
        PageReading page => new("page", page.Opens ? $"opens at http://{page.At}" : $"does not open at http://{page.At}"),
        PingReading ping => new("ping", ping.Answers ? $"{ping.At} answers" : $"nobody answers at {ping.At}"),
        OwnAddressReading own => new(house.NameOf(own.Device), own.Address?.ToString() ?? "none"),
        OutsideAddressReading outside => new($"{house.NameOf(outside.Device)}, outside", outside.IsKnown ? outside.Address.ToString()
            : $"{LineWords.Own}: write it down"),
        ClientReading client => new($"devices listed by {house.NameOf(client.Device)}",
            $"{client.Mac}, {house.NameOf(client.Who)}{(client.IsThere ? "" : ", is not among them")}"),
        SsidReading name => new($"Wi-Fi {name.Ssid}", name.IsThere ? "in the list" : "gone from the list"),
        LampReading lamp => new("lamps", (house.FindDevice(lamp.Device) is { } box ? house.KindOf(box)
            : null)?.Lamps.GetValueOrDefault(lamp.Shows) ?? Say(lamp.Shows)),
        WantReading want => new(want.Met switch
        {
            Answer.Yes => "holds",
            Answer.No => "does not hold",
            Answer.Sometimes => "depends",
            _ => throw new InvalidOperationException($"{want.Met} is not handled."),
        }, want.Sentence),
        _ => throw new InvalidOperationException($"{reading.GetType().Name} is not handled."),
    };

    /// <summary>What was seen, as a value: an address that is held is that one and none near it.</summary>
    internal static string Seen(Reading shown, NetworkDocument house, string laptop) =>
        shown is AddressReading { Ways: [{ Source: AddressSource.Leased, Address: { } held } way] } && !LineWords.IsStandIn(house,
            held.Address)
            ? $"{held.Address}{(way.Server is { } server ? $" from {Name(house, server)}" : "")}"
            : Say(shown, house, laptop).Value;

    private static string Say(HeldAddress way, NetworkDocument house, bool isOneOfSeveral) => way switch
    {
        { Source: AddressSource.None } => "none",
        { Source: AddressSource.LinkLocal } => "169.254.x.x: nobody gives one out",
        { Source: AddressSource.Fixed, Address: { } own } => $"{own.Address}, as you set it",
        { Source: AddressSource.Leased, Address: { } own } when LineWords.IsStandIn(house, own.Address) => LineWords.Say(house,
            own.Address),
        { Source: AddressSource.Leased, Address: { } own } => isOneOfSeveral
            ? $"{own.Address} from {Name(house, way.Server!)}"
            : $"{Near(house, way.Server, own)}{(way.Server is { } server ? $", from {Name(house, server)}" : "")}",
        _ => throw new InvalidOperationException($"{way.Source} is not handled."),
    };

    /// <summary>Which one it is nobody can know; out of a pool that nobody has looked at, only of which network.</summary>
    private static string Near(NetworkDocument house, string? server, InterfaceAddress own)
    {
        if (server is null || house.FindDevice(server)?.Lan?.DhcpServer is not { IsPoolUnknown: true }) return $"{own.Address}, or near it";
        var network = own.Prefix.Network.ToString();
        return own.Prefix.Length == 24 ? $"{network[..network.LastIndexOf('.')]}.x" : $"one of {own.Prefix}";
    }

    private static string Provider(NetworkDocument house, Ipv4Address address) =>
        LineWords.IsStandIn(house, address) ? "the provider’s" : address.ToString();

    private static string Name(NetworkDocument house, string server) => server == Line.ProviderId ? "the provider" : house.NameOf(server);

    private static string Say(Lamp lamp) => lamp switch
    {
        Lamp.ResetTook => "change when it takes, then settle",
        Lamp.NoLine => "say that there is no line",
        Lamp.Joined => "say that it has joined",
        Lamp.Weak => "say that it hears the other weakly",
        Lamp.OutOfRange => "say that it is out of range",
        Lamp.WrongKey => "say that the password is wrong",
        Lamp.ReadyToSet => "say that it is ready to be set",
        _ => throw new InvalidOperationException($"{lamp} is not handled."),
    };
}
