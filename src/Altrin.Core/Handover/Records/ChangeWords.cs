using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Handover.Letters;
using Altrin.Core.Network;

namespace Altrin.Core.Handover.Records;

/// <summary>What differs between a house as found and as left, a sentence each, with the old and the new value.</summary>
internal static class ChangeWords
{
    /// <summary>What another mode brings with it is not told one by one.</summary>
    private static readonly HashSet<string> ByMode = [.. new[] { BoxFeature.Nat, BoxFeature.Firewall,
        BoxFeature.Upnp }.Select(Words<BoxFeature>.Of)];

    public static IEnumerable<string> Between(NetworkDocument found, NetworkDocument left) =>
        Boxes(found, left).Concat(Cables(found, left)).Concat(Things(found, left)).Distinct();

    private static string Name(string name) => Isolated.Name(name);

    private static IEnumerable<string> Boxes(NetworkDocument found, NetworkDocument left)
    {
        foreach (var gone in found.Devices.Where(box =>
            left.FindDevice(box.Id) is null)) yield return $"{Name(gone.Name)} was taken out of the house.";
        foreach (var now in left.Devices)
        {
            if (found.FindDevice(now.Id) is not { } was)
            {
                yield return $"{Name(now.Name)} is new.";
                continue;
            }
            if (was.Name != now.Name) yield return $"{Name(was.Name)} is now called {Name(now.Name)}.";
            if (!Rooms.AreSame(left, was.Room, now.Room)
                && was.Room != now.Room) yield return Changed(now.Name, "room", was.Room, now.Room);
            if ((was.Off == true) != (now.Off == true)) yield return Changed(now.Name, "power", was.Off == true ? "off"
                : "on", now.Off == true ? "off" : "on");
            foreach (var (setting, acts) in Difference.Settings(found, was, now))
            {
                if (was.Mode != now.Mode && ByMode.Contains(setting.Id)) continue;
                var rows = acts.SelectMany(act => act.RowsAt(now)).ToList();
                if (rows.Count == 0
                    && setting.Page != SettingsPage.Power) yield return $"{Name(now.Name)}: {setting.InSentence} was changed.";
                foreach (var row in rows) yield return Changed(now.Name, row.Setting, Value(row, row.From), Value(row, row.To));
            }
        }
    }

    private static string? Value(SettingChange row, string? value) =>
        value is null ? null : row.IsSecret && !row.IsOnLabel ? $"the key “{value}”" : value;

    private static string Changed(string whose, string what, string? from, string? to) =>
        $"{Name(whose)}: {what} was {from ?? "not set"}, is now {to ?? "not set"}.";

    private static IEnumerable<string> Cables(NetworkDocument found, NetworkDocument left)
    {
        foreach (var gone in found.Cables.Where(cable =>
            left.FindCable(cable.Id) is null)) yield return $"The cable from {Ends(found, gone)} was taken out.";
        foreach (var now in left.Cables)
        {
            if (found.FindCable(now.Id) is not { } was) yield return $"A cable goes from {Ends(left, now)}.";
            else if ((was.A, was.B) != (now.A, now.B)) yield return $"The cable from {Ends(found, was)} now goes from {Ends(left, now)}.";
            else if (!SameWritten.Are(was,
                now)) yield return $"The cable from {Ends(left, now)} is another: {About(was)} before, {About(now)} now.";
        }
        if (found.Line?.Socket != left.Line?.Socket)
            yield return Changed("The line", "socket", found.Line is { } old ? found.SocketName(old.Socket) : null, left.Line is { } line
                ? left.SocketName(line.Socket) : null);
    }

    private static string Ends(NetworkDocument house, Cable cable) =>
        $"{Name(house.SocketName(cable.A))} to {Name(house.SocketName(cable.B))}";

    private static string About(Cable cable) =>
        string.Join(' ',
            new[] { Words<Medium>.Of(cable.Medium), cable.Category, cable.LengthM is { } metres ? $"{Tables.Csv.Number(metres)} m"
            : null }.OfType<string>());

    private static IEnumerable<string> Things(NetworkDocument found, NetworkDocument left)
    {
        foreach (var gone in found.Endpoints.Where(thing =>
            left.FindEndpoint(thing.Id) is null)) yield return $"{Name(gone.Name)} is gone.";
        foreach (var now in left.Endpoints)
        {
            if (found.FindEndpoint(now.Id) is not { } was)
            {
                yield return $"{Name(now.Name)} is new.";
                continue;
            }
            if (was.Name != now.Name) yield return $"{Name(was.Name)} is now called {Name(now.Name)}.";
            if (!SameWritten.Are(was.Connect, now.Connect) && Where(found, was) is var from && Where(left, now) is var to
                && from != to) yield return Changed(now.Name, "place", from, to);
            if (!SameWritten.Are(was.Address, now.Address)) yield return Changed(now.Name, "address", Set(was), Set(now));
        }
    }

    private static string Where(NetworkDocument house, Endpoint thing) =>
        thing.Connect?.Match(plug => Name(house.SocketName(plug.Into)), join => $"Wi-Fi {Name(join.Ssid)}") ?? "nowhere";

    private static string Set(Endpoint thing) =>
        thing.Address.Address is { } own && thing.Address.Method == EndpointMethod.Static ? $"{own}, fixed" : "automatic";
}
