using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Readings;
using Altrin.Core.Readings.Parsers;
using Altrin.Core.Simulation;
using Altrin.Core.WorkOrders.Proof;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.WorkOrders.Otherwise;

/// <param name="Seen">In words; null where the text does not say.</param>
/// <param name="IsAsSaid">Null where the text does not say.</param>
public sealed record Compared(string Reading, string Expected, string? Seen, bool? IsAsSaid);

/// <summary>What a terminal showed after a step, held against what the step said would be seen.</summary>
/// <param name="Source">What kind of text it was; null for one that was not recognised.</param>
public sealed record Comparison(string? Source, ImmutableArray<Compared> Rows)
{
    public static Comparison Of(WorkStep step, string text, Hands hands = Hands.Laptop)
    {
        return Of(step, PastedText.Read(text), hands);
    }

    /// <summary>What a laptop showed by itself, or what was read of a text.</summary>
    public static Comparison Of(WorkStep step, IReadOnlyList<PastedReading> pasted, Hands hands = Hands.Laptop) =>
        pasted.Count == 0 ? new(null, [])
        : new(string.Join(", ", pasted.Select(one => one.Source).Distinct()),
            [.. Pairs(step, pasted).Select(pair => Say(step, pair.Expected, pair.Shown, hands))]);

    /// <summary>Each thing that must be seen at the step, and what was shown of that kind; null where nothing was.</summary>
    internal static IEnumerable<(Reading Expected, Reading? Shown)> Pairs(WorkStep step, IReadOnlyList<PastedReading> pasted)
    {
        var seen = pasted.SelectMany(one => Readings(one, step)).ToList();
        return step.Readings.Select(expected => (expected, seen.FirstOrDefault(one => IsOfSameKind(expected, one))));
    }

    internal static Compared Say(WorkStep step, Reading expected, Reading? shown, Hands hands)
    {
        var house = step.After!;
        var words = ReadingWords.Say(expected, house, Laptop.Id, hands.Word());
        return new(words.Reading, words.Value, shown is null ? null : ReadingWords.Seen(shown, house, Laptop.Id),
            shown is null ? null : Expected.Matches(expected, shown));
    }

    private static bool IsOfSameKind(Reading expected, Reading shown) => (expected, shown) switch
    {
        (AddressReading wanted, AddressReading one) => wanted.Who == one.Who,
        (InternetReading wanted, InternetReading one) => wanted.Who == one.Who,
        (PageReading wanted, PageReading one) => wanted.Device == one.Device && wanted.At == one.At,
        (PingReading wanted, PingReading one) => wanted.At == one.At,
        (SsidReading wanted, SsidReading one) => wanted.Ssid == one.Ssid,
        (ClientReading wanted, ClientReading one) => wanted.Who == one.Who,
        _ => expected.GetType() == shown.GetType(),
    };

    /// <summary>As the simulator would say it.</summary>
    private static IEnumerable<Reading> Readings(PastedReading pasted, WorkStep step)
    {
        var joins = step.After!.FindEndpoint(Laptop.Id)?.Connect is Attachment.Join;
        var adapter = pasted.InUse(joins);
        if (adapter is { Address: { } text } && InterfaceAddress.TryParse(text, out var address))
        {
            var source = AddressRanges.LinkLocal.Contains(address.Address) ? AddressSource.LinkLocal
                : adapter.Method is "static" ? AddressSource.Fixed
                // Where it does not say, it is what the step made it.
                : adapter.Method is null
                    && step.Readings.OfType<AddressReading>().Any(one => one.Ways.Any(way => way.Source == AddressSource.Fixed))
                        ? AddressSource.Fixed : AddressSource.Leased;
            yield return new AddressReading(Laptop.Id, [new(source, address, ServerOf(adapter.Server, step))]);
            if (Ipv4Address.TryParse(adapter.Gateway, out var gateway)) yield return new GatewayReading([gateway]);
            var servers = adapter.Dns.Select(one =>
                Ipv4Address.TryParse(one, out var server) ? server : (Ipv4Address?)null).OfType<Ipv4Address>().ToImmutableArray();
            if (!servers.IsEmpty) yield return new DnsReading(servers);
        }
        // A list of networks that lacks a name says that it is gone.
        if (!pasted.Networks.IsEmpty)
            foreach (var name in step.Readings.OfType<SsidReading>())
                yield return name with { IsThere = pasted.Networks.Any(one => one.Ssid == name.Ssid) };
        if (pasted is { Source: "client-table", Neighbours.IsEmpty: false })
            foreach (var client in step.Readings.OfType<ClientReading>())
                yield return client with
                {
                    IsThere = pasted.Neighbours.Any(one =>
                    MacAddress.TryParse(one.Mac, out var mac) && mac == client.Mac)
                };
        foreach (var page in step.Readings.OfType<PageReading>())
            if (pasted.Pages.FirstOrDefault(one =>
                one.Address == $"{page.At}") is { } opened) yield return page with { Opens = opened.Opens };
        foreach (var ping in pasted.Pings)
        {
            if (!Ipv4Address.TryParse(ping.Target, out var target)) continue;
            var answers = ping.Received > 0;
            yield return new PingReading(target, answers);
            // Whoever answers out there answers over the line.
            if (!AddressRanges.DiesAtTheLine(target)) yield return new InternetReading(Laptop.Id, answers ? Answer.Yes : Answer.No);
        }
    }

    /// <returns>Null where several boxes are at that address, before the step or after it: which of them gave it does not show.</returns>
    private static string? ServerOf(string? address, WorkStep step) => Ipv4Address.TryParse(address, out var at)
        && step.Before!.Devices.Concat(step.After!.Devices).Where(box => box.Lan?.Address?.Address == at).Select(box =>
            box.Id).Distinct().ToList()
            is [var only] ? only : null;
}
