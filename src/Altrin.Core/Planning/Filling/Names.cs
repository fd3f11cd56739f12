using System.Collections.Immutable;
using Altrin.Core.Air;
using Altrin.Core.Network;
using Altrin.Core.Planning.Space;
using Altrin.Core.Simulation;

namespace Altrin.Core.Planning.Filling;

/// <summary>Wi-Fi names: what things know goes on being made; a box that is new takes the household's name; a want decides between one name
/// and
/// a name a box.</summary>
internal static class Names
{
    public static void Fill(Draft draft)
    {
        var main = Main(draft);
        Silence(draft);
        Restore(draft);
        for (var i = 0; i < draft.Boxes.Length; i++) NameOne(draft, i, main);
        if (WantsOwnNames(draft)) TellApart(draft, main);
        Keep(draft);
        for (var i = 0; i < draft.Boxes.Length; i++) AsPinned(draft, i, main);
        Guests(draft);
    }

    /// <summary>The household's name for a box that is new, and for every one where one name is wanted.</summary>
    public static void NameOne(Draft draft, int i, WifiNetwork? main)
    {
        if (!draft.Use(i).IsUsed || !draft.MaySet(i) || main is null || !Sends(draft, i)) return;
        var isNew = !draft.Ground.InUse[i];
        if (isNew || (!WantsOwnNames(draft) && draft.Found.Needs.Any(need => need is Need.OneName))) draft.Change(i,
            box => box with { Wifi = Called(box, main, isNew) });
    }

    /// <summary>The name that was pinned, with the password it has elsewhere, else the household's; and none that was forbidden.</summary>
    public static void AsPinned(Draft draft, int i, WifiNetwork? main)
    {
        var (pins, id) = (draft.Ground.Pins, draft.Found.Devices[i].Id);
        if (pins.All.IsEmpty || !draft.Use(i).IsUsed || !draft.MaySet(i) || !Sends(draft, i)) return;
        var shunned = draft.Boxes[i].Wifi.Where(network => network is { Enabled: true, Guest: false }
            && !pins.AllowsName(id, network.Ssid)).ToList();
        if (shunned.Count == 0) return;
        // Of the names that are free the household's comes first: what things know need not be typed again.
        var free = pins.NameOf(id) ?? (main is not null && pins.AllowsName(id, main.Ssid) ? main.Ssid
            : WifiNames.Free(shunned.Select(network => network.Ssid).ToHashSet(StringComparer.Ordinal),
                $"{main?.Ssid ?? shunned[0].Ssid}-{WifiNames.Slug(draft.Boxes[i].Room ?? id)}"));
        var known = draft.Found.Devices.SelectMany(box => box.Wifi).FirstOrDefault(network => network.Ssid == free && !network.Guest)
            ?? main;
        draft.Change(i, box => box with
        {
            Wifi = [.. box.Wifi.Select(network => shunned.Contains(network)
                ? network with { Ssid = free, Security = known?.Security ?? network.Security, Key = known is null ? network.Key
                : known.Key } : network)
                .DistinctBy(network => (network.Radio, network.Guest, network.Ssid))],
        });
    }

    private static bool WantsOwnNames(Draft draft) => draft.Found.Needs.Any(need => need is Need.OwnNames);

    /// <summary>Whether the box, in the mode it is to be in, sends that network on a band that suits.</summary>
    public static bool Makes(Draft draft, int box, Attachment.Join join, ImmutableArray<Band> bands) =>
        draft.Use(box).IsUsed && Sends(draft, box) && draft.Boxes[box].Wifi.Any(network =>
        network.Enabled && network.Ssid == join.Ssid && network.Key == join.Key
            && WirelessJoins.Speak(network.Security, join.Security ?? WifiSecurity.Open)
        && (bands.IsDefaultOrEmpty || bands.Contains(BandOf(draft.Boxes[box], network.Radio))));

    /// <summary>Who makes a network that suits: the one it is near, else the first; −1 for none.</summary>
    public static int Sender(Draft draft, Attachment.Join join, ImmutableArray<Band> bands)
    {
        if (join.Near is { } near && draft.Ground.IndexOf.TryGetValue(near, out var heard)
            && Makes(draft, heard, join, bands)) return heard;
        for (var i = 0; i < draft.Boxes.Length; i++)
            if (Makes(draft, i, join, bands)) return i;
        return -1;
    }

    /// <summary>A network of the household's that a thing of those bands can be put on.</summary>
    public static WifiNetwork? Household(Draft draft, ImmutableArray<Band> bands)
    {
        var all = new List<WifiNetwork>();
        for (var i = 0; i < draft.Boxes.Length; i++)
            if (draft.Use(i).IsUsed && Sends(draft, i))
                all.AddRange(draft.Boxes[i].Wifi.Where(network => network is { Enabled: true, Guest: false }
                    && (bands.IsDefaultOrEmpty || bands.Contains(BandOf(draft.Boxes[i], network.Radio)))));
        var main = Main(draft);
        return all.Find(network => Same(network, main)) ?? all.FirstOrDefault();
    }

    public static bool Sends(Draft draft, int box) => draft.Boxes[box].SendsWifi && draft.Boxes[box].Off != true;

    public static Band BandOf(Device box, string radio) => box.Radios.First(one => one.Id == radio).Band;

    private static bool Same(WifiNetwork a, WifiNetwork? b) => b is not null && (a.Ssid, a.Key) == (b.Ssid, b.Key);

    /// <summary>The name and password of the household: what it wants kept, else what most of its things know.</summary>
    public static WifiNetwork? Main(Draft draft)
    {
        var all = draft.Found.Devices.Where((_, i) => draft.Ground.InUse[i]).SelectMany(box => box.Wifi).Where(network =>
            network is { Enabled: true, Guest: false }).ToList();
        var joins = draft.Found.Endpoints.Select(thing => thing.Connect).OfType<Attachment.Join>().ToList();
        var kept = draft.Found.Needs.OfType<Need.KeepName>().FirstOrDefault();
        if (kept is not null)
            return all.Find(network => (network.Ssid, network.Key) == (kept.Ssid, kept.Key))
                ?? new WifiNetwork
                {
                    Radio = "",
                    Ssid = kept.Ssid,
                    Key = kept.Key,
                    Security = joins.Find(join => (join.Ssid, join.Key) == (kept.Ssid, kept.Key))?.Security
                    ?? (kept.Key is null ? WifiSecurity.Open : WifiSecurity.Wpa2)
                };
        var most = all.MaxBy(network =>
            (joins.Count(join => (join.Ssid, join.Key) == (network.Ssid, network.Key)), network.Security != WifiSecurity.Open));
        // One that is open and that nobody is known to be on is as its box was sold, and no household's: then the main router's own is.
        if (most is { Security: WifiSecurity.Open } && !joins.Exists(join => join.Ssid == most.Ssid)
            && AsSoldByMaker(draft) is { } sold) return sold;
        return most
            ?? joins.GroupBy(join => (join.Ssid, join.Security, join.Key)).OrderByDescending(group => group.Count()).Select(group =>
                new WifiNetwork
                {
                    Radio = "",
                    Ssid = group.Key.Ssid,
                    Security = group.Key.Security
                ?? WifiSecurity.Open,
                    Key = group.Key.Key
                }).FirstOrDefault();
    }

    private static WifiNetwork? AsSoldByMaker(Draft draft) => draft.NetworkMakers.Where(i => !draft.Ground.InUse[i] && Sends(draft, i))
        .SelectMany(i => draft.Boxes[i].Wifi).FirstOrDefault(network =>
            network is { Enabled: true, Guest: false, Security: not WifiSecurity.Open });

    /// <summary>The box's networks under that name; one that is new sends it on each of its radios.</summary>
    private static ImmutableArray<WifiNetwork> Called(Device box, WifiNetwork main, bool isNew)
    {
        var all = box.Wifi.Select(network => network.Guest || (!network.Enabled && !isNew) || Same(network, main)
            && network.Security == main.Security && network.Enabled ? network
            : network with { Ssid = main.Ssid, Security = main.Security, Key = main.Key, Enabled = true }).ToList();
        if (isNew)
            all.AddRange(box.Radios.Where(radio => !all.Exists(network => network.Radio == radio.Id)).Select(radio =>
                new WifiNetwork { Radio = radio.Id, Ssid = main.Ssid, Security = main.Security, Key = main.Key }));
        return [.. all.DistinctBy(network => (network.Radio, network.Guest, network.Ssid))];
    }

    /// <summary>Everybody is to go through another router: the Wi-Fi of the one at the line would lead past it.</summary>
    private static void Silence(Draft draft)
    {
        var root = draft.Ground.Root;
        if (draft.OwnRouter < 0 || !draft.MaySet(root) || !Sends(draft, draft.OwnRouter)
            || draft.Boxes[draft.OwnRouter].Radios.IsEmpty) return;
        draft.Change(root,
            box => box with
            {
                Wifi = [.. box.Wifi.Select(network => network is { Enabled: true, Guest: false }
            ? network with { Enabled = false } : network)]
            });
    }

    /// <summary>A name that things know and that nobody makes any more is made by a router: in place of one that nobody knows, else beside
    /// it.</summary>
    private static void Restore(Draft draft)
    {
        var joins = draft.Found.Endpoints.Where(thing => !KnowsAnother(draft, thing))
            .Select(thing => (thing.Connect as Attachment.Join, thing.Bands)).Where(one => one.Item1 is not null).ToList();
        foreach (var name in joins.GroupBy(one => (one.Item1!.Ssid, one.Item1.Security, one.Item1.Key)))
        {
            var join = name.First().Item1!;
            if (draft.Ground.State.House.Devices.All(box =>
                !box.Wifi.Any(network => network.Enabled && network.Ssid == join.Ssid && network.Key == join.Key))) continue;
            if (Sender(draft, join, []) >= 0) continue;
            // With another router in the old one's place the name that is to be kept is the one that is typed.
            if (draft.OwnRouter >= 0
                && draft.Found.Needs.OfType<Need.KeepName>().Any(need => (need.Ssid, need.Key) != (join.Ssid, join.Key))) continue;
            var heir = draft.NetworkMakers.FirstOrDefault(i => draft.MaySet(i) && draft.Boxes[i].Radios.Length > 0 && Sends(draft, i), -1);
            if (heir < 0) continue;
            draft.Change(heir, box => box with { Wifi = Taking(draft, box, join) });
        }
    }

    /// <summary>It finds its way without a touch: a network it has joined before is sent.</summary>
    private static bool KnowsAnother(Draft draft, Endpoint thing) =>
        thing.Knows is { } known && Sender(draft, known.AsJoin(null), thing.Bands) >= 0;

    private static ImmutableArray<WifiNetwork> Taking(Draft draft, Device box, Attachment.Join join)
    {
        bool IsKnown(WifiNetwork network) =>
            draft.Found.Endpoints.Any(thing => thing.Connect is Attachment.Join one && (one.Ssid, one.Key) == (network.Ssid, network.Key))
            || draft.Found.Devices.Any(other => other.Uplink is { } up && (up.Ssid, up.Key) == (network.Ssid, network.Key));
        var all = box.Wifi.ToList();
        foreach (var radio in box.Radios)
        {
            var place = all.FindIndex(network => network.Radio == radio.Id && !network.Guest && !IsKnown(network));
            var security = join.Security ?? WifiSecurity.Open;
            if (place >= 0) all[place] = all[place] with { Ssid = join.Ssid, Key = join.Key, Security = security, Enabled = true };
            else if (!all.Exists(network => network.Radio == radio.Id
                && network.Ssid == join.Ssid)) all.Add(new()
                {
                    Radio = radio.Id,
                    Ssid = join.Ssid,
                    Key = join.Key,
                    Security = security,
                    Channel = all.Find(network => network.Radio == radio.Id)?.Channel
                });
        }
        return [.. all];
    }

    private static void TellApart(Draft draft, WifiNetwork? main)
    {
        var taken = new HashSet<string>(StringComparer.Ordinal);
        // The main router keeps the name: most things know it there.
        foreach (var i in Enumerable.Range(0, draft.Boxes.Length).Where(i => draft.Use(i).IsUsed
            && Sends(draft, i)).OrderBy(i => !draft.Use(i).Routes))
        {
            var names = draft.Boxes[i].Wifi.Where(network => network.Enabled).Select(network => network.Ssid).Distinct().ToList();
            if (names.TrueForAll(name => !taken.Contains(name)) || !draft.MaySet(i))
            {
                taken.UnionWith(names);
                continue;
            }
            foreach (var name in names.Where(taken.Contains))
            {
                var suffix = WifiNames.Slug(draft.Boxes[i].Room ?? draft.Boxes[i].Id);
                var own = WifiNames.Free(taken, $"{(main is not null ? main.Ssid : name)}-{suffix}");
                draft.Change(i,
                    box => box with
                    {
                        Wifi = [.. box.Wifi.Select(network => network.Enabled && network.Ssid == name
                    ? network with { Ssid = own } : network)]
                    });
                taken.Add(own);
            }
        }
    }

    /// <summary>A name that is to be kept and that nobody makes is made by the first router that has radios.</summary>
    private static void Keep(Draft draft)
    {
        foreach (var need in draft.Found.Needs.OfType<Need.KeepName>())
        {
            var join = new Attachment.Join { Ssid = need.Ssid, Key = need.Key, Security = Main(draft)?.Security ?? WifiSecurity.Wpa2 };
            if (Enumerable.Range(0, draft.Boxes.Length).Any(i => draft.Use(i).IsUsed && Sends(draft, i)
                && draft.Boxes[i].Wifi.Any(network => network is { Enabled: true, Guest: false }
                && (network.Ssid, network.Key) == (need.Ssid, need.Key)))) continue;
            var heir = draft.NetworkMakers.Concat(Enumerable.Range(0, draft.Boxes.Length)).FirstOrDefault(i => draft.Use(i).IsUsed
                && draft.MaySet(i) && draft.Boxes[i].Radios.Length > 0 && Sends(draft, i), -1);
            if (heir >= 0) draft.Change(heir, box => box with { Wifi = Taking(draft, box, join) });
        }
    }

    /// <summary>A guest network is made by the router, where it is apart by itself.</summary>
    private static void Guests(Draft draft)
    {
        foreach (var need in draft.Found.Needs.OfType<Need.GuestsApart>())
        {
            bool IsMade(int i) =>
                draft.Use(i).IsUsed && Sends(draft, i) && draft.Boxes[i].Wifi.Any(network => network.Enabled && network.Ssid == need.Ssid);
            if (Enumerable.Range(0, draft.Boxes.Length).Any(IsMade)) continue;
            var old = draft.Found.Devices.SelectMany(box => box.Wifi).FirstOrDefault(network => network.Ssid == need.Ssid);
            var router = draft.NetworkMakers.FirstOrDefault(i => draft.MaySet(i) && draft.Boxes[i].Radios.Length > 0
                && Sends(draft, i), -1);
            if (router < 0) continue;
            draft.Change(router, box => box with
            {
                Wifi = box.Wifi.Any(network => network.Ssid == need.Ssid)
                    ? [.. box.Wifi.Select(network => network.Ssid == need.Ssid ? network with { Enabled = true, Guest = true } : network)]
                    : box.Wifi.Add(GuestOffer.Network(box.Radios[0], need.Ssid, old)),
            });
        }
    }
}
