using Altrin.Core.Network;

namespace Altrin.Core.Actions;

/// <summary>How sentences name the parts of a house.</summary>
public static class Naming
{
    /// <summary>“Studio router LAN 2”: the box, and its socket as printed on its back.</summary>
    public static string SocketName(this NetworkDocument house, Socket socket)
    {
        if (house.FindDevice(socket.Device) is not { } device) return $"{socket.Device} {socket.Port}";
        return $"{device.Name} {PortName(device, socket.Port)}";
    }

    /// <summary>As printed beside it; else “WAN”, “LAN 2”, by role and place in the row, since ids are the makers' and differ.</summary>
    public static string PortName(Device device, string port)
    {
        if (device.FindPort(port) is not { } found) return port;
        if (found.Printed is { Length: > 0 } printed) return printed;
        var alike = device.Ports.Where(p => p.Role == found.Role).ToList();
        var role = found.Role == PortRole.Wan ? "WAN" : "LAN";
        return alike.Count == 1 ? role : $"{role} {alike.IndexOf(found) + 1}";
    }

    /// <summary>“A”, “A and B”, “A, B and 3 more”.</summary>
    public static string Join(IEnumerable<string> names, int most = 3)
    {
        var all = names.ToList();
        if (all.Count > most) return $"{string.Join(", ", all.Take(most))} and {all.Count - most} more";
        return all.Count < 2 ? string.Concat(all) : $"{string.Join(", ", all.SkipLast(1))} and {all[^1]}";
    }

    /// <summary>“1st”, “2nd”, “11th”, “21st”.</summary>
    public static string Ordinal(int n) => $"{n}{(n % 100 is 11 or 12 or 13 ? "th" : (n % 10) switch { 1 => "st", 2 => "nd", 3 => "rd", _ => "th" })}";

    /// <summary>“1 setting”, “2 settings”, “2 things to touch”: the first word is counted.</summary>
    public static string Count(int n, string what)
    {
        var end = what.IndexOf(' ', StringComparison.Ordinal) is >= 0 and var space ? space : what.Length;
        return $"{n} {what[..end]}{(n == 1 ? "" : "s")}{what[end..]}";
    }

    public static string Say(this WifiSecurity security) => security switch
    {
        WifiSecurity.Open => "open, no password",
        WifiSecurity.Wep => "WEP",
        WifiSecurity.Wpa => "WPA",
        WifiSecurity.Wpa2 => "WPA2",
        WifiSecurity.Wpa2Wpa3 => "WPA2 and WPA3",
        _ => "WPA3",
    };
}
