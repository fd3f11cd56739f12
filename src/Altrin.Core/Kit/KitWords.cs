using Altrin.Core.Network;

namespace Altrin.Core.Kit;

/// <summary>The shelf in the trade's words.</summary>
public static class KitWords
{
    public static string Say(KitKind kind)
    {
        var by = kind.SetUp.By switch
        {
            SetBy.Page => "Set on its page",
            SetBy.App => "Set by an app on a phone",
            SetBy.Button => "Set by its button",
            SetBy.Nobody => "Nothing to set",
            _ => throw new InvalidOperationException($"{kind.SetUp.By} is not handled."),
        };
        var line = kind.SetUp.NeedsLine ? ", which needs the live line" : "";
        var first = kind.SetUp.FirstPage switch
        {
            FirstPage.Wizard => "; a wizard comes first",
            FirstPage.NewPassword => "; it wants a new password first",
            FirstPage.NoBroadband => "; its first page says that there is no broadband",
            FirstPage.Settings or FirstPage.None => "",
            _ => throw new InvalidOperationException($"{kind.SetUp.FirstPage} is not handled."),
        };
        return $"{by}{line}{first}.";
    }

    public static string Say(MenuItem item) => item switch
    {
        MenuItem.Mode => "Mode",
        MenuItem.Lan => "Own address",
        MenuItem.Dhcp => "DHCP",
        MenuItem.Reservation => "Reservations",
        MenuItem.Wifi => "Wi-Fi",
        MenuItem.Wan => "WAN",
        MenuItem.Dns => "DNS",
        MenuItem.Password => "Password",
        MenuItem.Forwards => "Forwards",
        MenuItem.PassThrough => "Pass-through",
        MenuItem.Vlan => "VLANs",
        _ => throw new InvalidOperationException($"{item} is not handled."),
    };

    public static string Say(Lamp lamp) => lamp switch
    {
        Lamp.ResetTook => "Reset took",
        Lamp.NoLine => "No line",
        Lamp.Joined => "Joined",
        Lamp.Weak => "Weak",
        Lamp.OutOfRange => "Out of range",
        Lamp.WrongKey => "Wrong key",
        Lamp.ReadyToSet => "Ready to set",
        _ => throw new InvalidOperationException($"{lamp} is not handled."),
    };
}
