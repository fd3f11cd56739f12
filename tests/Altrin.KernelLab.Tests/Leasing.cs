using System.Diagnostics;
using System.Globalization;
using Altrin.Core.Network;

namespace Altrin.KernelLab.Tests;

/// <summary>Real servers (dnsmasq) and real clients (udhcpc). Where several servers stand on one segment each is run alone.</summary>
internal sealed class Leasing(LabHouse lab)
{
    private const int Udp67 = 0x43;

    private static readonly string Folder = Directory.CreateTempSubdirectory("altrin-lab-").FullName;
    private static readonly string Script = WriteScript();

    /// <summary>Runs every round, so that each client has met each server of its segment by itself.</summary>
    public void Run()
    {
        var onSegment = lab.Givers.GroupBy(giver => SegmentOf(giver.Place)).ToDictionary(group => group.Key, group => group.ToList());
        var rounds = onSegment.Values.Select(list => list.Count).DefaultIfEmpty(1).Max();
        // The provider answers past a gateway in pass-through: a last round has it answer alone, with no rival on the target's own segment.
        for (var round = 0; round < rounds + (lab.Cards.Any(IsPassed) ? 1 : 0); round++)
        {
            var isPast = round == rounds;
            var running = isPast ? lab.Givers.Where(giver => giver.Name == LabHouse.Provider).ToList()
                : onSegment.Values.Where(list => round < list.Count).Select(list => list[round]).ToList();
            var servers = running.Select(giver => (Giver: giver, Process: Serve(giver))).ToList();
            try
            {
                foreach (var (giver, process) in servers) WaitUntilServing(giver, process);
                var segments = lab.Cards.Where(card => card.Asks && (!isPast || IsPassed(card))).GroupBy(card => SegmentOf(PlaceOf(card)))
                    .Where(group => round == 0 || isPast || running.Any(giver => SegmentOf(giver.Place) == group.Key)).ToList();
                Parallel.ForEach(segments, new ParallelOptions { MaxDegreeOfParallelism = 8 }, group =>
                {
                    var giver = running.Find(one => SegmentOf(one.Place) == group.Key);
                    foreach (var card in InAskingOrder(group, giver))
                        if ((Ask(card) ?? (giver is null && !isPast ? null : Ask(card))) is var (lease,
                            server)) card.Leases[(NameOf(server, giver, running), server)] = lease;
                });
            }
            finally
            {
                foreach (var (_, process) in servers)
                {
                    try { process.Kill(); }
                    catch (InvalidOperationException) { /* it ended by itself: a pool it could not serve */ }
                    process.WaitForExit();
                    process.Dispose();
                }
            }
        }
    }

    private bool IsPassed(Card card) => card is { Asks: true, Kind: "wan" } && lab.House.Devices.Any(box =>
        box.Mode == DeviceMode.Passthrough && box.PassthroughTo == card.Owner);

    /// <summary>A PPPoE WAN speaks on its session, not on the cable.</summary>
    private static Place PlaceOf(Card card) => card.Link == "ppp0" ? new(LabHouse.Provider, "bsession") : card.Place;

    private int SegmentOf(Place place) => place.Bridge == "bsession" ? -1 : lab.Wiring.SegmentOf[place];

    /// <summary>WANs, management addresses, things, each in document order. Who has a reservation asks last: dnsmasq counts on from
    /// its highest lease, and a reserved address comes out the same whenever it is asked for.</summary>
    private static IEnumerable<Card> InAskingOrder(IEnumerable<Card> cards, Giver? giver) => cards
        .OrderBy(card => giver?.Reservations.Any(one => one.Mac == card.Mac) == true)
        .ThenBy(card => card.Kind switch { "wan" => 0, "lan" => 1, _ => 2 });

    /// <summary>The server that signed the lease; it is asked for because a pass-through box lets its target reach past it.</summary>
    private static string NameOf(Ipv4Address server, Giver? near, List<Giver> running) =>
        near?.Own.Address == server ? near.Name : running.Find(giver => giver.Own.Address == server)?.Name ?? $"{server}";

    private static (LabLease, Ipv4Address Server)? Ask(Card card)
    {
        var file = Path.Combine(Folder, $"{card.Space}-{card.Link}-{Guid.NewGuid():N}");
        Kernel.In(card.Space, () => Kernel.Run("env", $"LEASE_FILE={file} udhcpc -i {card.Link} -n -q -f -t 2 -T 1 -s {Script}",
            mayFail: true));
        if (!File.Exists(file)) return null;
        var words = File.ReadAllText(file).Trim().Split(' ');
        File.Delete(file);
        var length = int.Parse(words[1], CultureInfo.InvariantCulture);
        return (new(new(Ipv4Address.Parse(words[0]), length), words.Length > 3 ? Ipv4Address.Parse(words[3]) : null),
            Ipv4Address.Parse(words[2]));
    }

    private Process Serve(Giver giver)
    {
        var address = giver.Space + giver.Place.Bridge;
        var leases = Path.Combine(Folder, $"{address}-{Guid.NewGuid():N}.leases");
        var mask = new Ipv4Address(giver.Own.Prefix.Mask);
        var arguments = $"--keep-in-foreground --conf-file=/dev/null --pid-file --user=root --port=0 --log-facility=/dev/null --interface={giver.Place.Bridge} --except-interface=lo --bind-interfaces "
            + $"--no-ping --dhcp-authoritative --dhcp-sequential-ip --dhcp-leasefile={leases} --dhcp-range={giver.Start},{giver.End},{mask},2h "
            + $"--dhcp-option=3,{giver.Gateway} {Hosts(giver)}";
        // Its own address must stand before it serves; the worlds set all addresses anew later.
        return Kernel.In(giver.Space, () =>
        {
            Kernel.Run("ip", $"addr replace {giver.Own} dev {giver.Place.Bridge}");
            return Kernel.Start("dnsmasq", arguments);
        });
    }

    /// <summary>Reservations; and the care that the format asks of every server, taken in dnsmasq's own words: an address that a
    /// static interface of the segment holds, or that is reserved, is set aside for a MAC that nobody has.</summary>
    private string Hosts(Giver giver)
    {
        var prefix = giver.Own.Prefix;
        var held = lab.Cards.Where(card => card.Fixed is not null && SegmentOf(card.Place) == SegmentOf(giver.Place)).Select(card =>
            card.Fixed!.Value.Address).ToHashSet();
        var hosts = new List<string>();
        var (taken, served) = (new HashSet<Ipv4Address>(), new HashSet<MacAddress>());
        foreach (var reservation in giver.Reservations)
            if (prefix.IsUsable(reservation.Address) && reservation.Address != giver.Own.Address && !held.Contains(reservation.Address)
                && !served.Contains(reservation.Mac) && taken.Add(reservation.Address))
            {
                served.Add(reservation.Mac);
                hosts.Add($"--dhcp-host={reservation.Mac},{reservation.Address}");
            }
        var aside = held.Concat(giver.Reservations.Select(one => one.Address)).Where(address => prefix.Contains(address)
            && address != giver.Own.Address && taken.Add(address));
        hosts.AddRange(aside.Select((address, i) => $"--dhcp-host=02:FF:00:00:{i >> 8:X2}:{i & 255:X2},{address}"));
        if (giver.Ignores is { } mac) hosts.Add($"--dhcp-host={mac},ignore");
        return string.Join(' ', hosts);
    }

    private static void WaitUntilServing(Giver giver, Process process)
    {
        var patience = Stopwatch.StartNew();
        while (!process.HasExited && patience.Elapsed < TimeSpan.FromMinutes(2))
        {
            var listening = Kernel.In(giver.Space, () => File.ReadLines("/proc/thread-self/net/udp").Skip(1)
                .Any(line => line.Split(' ', StringSplitOptions.RemoveEmptyEntries)[1].EndsWith($":{Udp67:X4}", StringComparison.Ordinal)));
            if (listening) return;
            Thread.Sleep(10);
        }
    }

    private static string WriteScript()
    {
        var path = Path.Combine(Folder, "lease.sh");
        File.WriteAllText(path, "#!/bin/sh\n[ \"$1\" = bound ] && echo \"$ip $mask $serverid ${router%% *}\" > \"$LEASE_FILE\"\nexit 0\n");
        File.SetUnixFileMode(path, UnixFileMode.UserRead | UnixFileMode.UserExecute);
        return path;
    }
}
