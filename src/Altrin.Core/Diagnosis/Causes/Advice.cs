namespace Altrin.Core.Diagnosis.Causes;

/// <summary>What a tradesperson does about it that no setting says. Common practice, no source.</summary>
internal static class Advice
{
    /// <summary>What is done, where no setting and no plug of the house says it; null where one does.</summary>
    public static string? Instead(Cause cause) => cause.Kind.Name switch
    {
        "line-holds" => "Switch off the box at the wall and the router, wait ten minutes, then switch them on in that order",
        "second-server" =>
            $"Unplug the router that answers at {cause.Subject.First(one => one.Field == "address").Value}, or turn its DHCP server off",
        "thing-off" => "Wake it, or switch it on",
        _ => cause.IsOfProvider ? "It is the provider's: tell them what was seen" : null,
    };

    public static string? On(string kind) => kind switch
    {
        "cable-out" => "Press both plugs in until they click, and look whether the lamps at the sockets light.",
        "slow-cable" => "Try another cable first. In a cable laid in the wall a pair may be torn off at the socket.",
        "no-power" => "Look at its plug, at the switch on its back, and whether the wall socket is switched by a light switch.",
        "not-joined" => "Type the key again, letter by letter. Where it is right, move it closer to the box it joins and try there.",
        "as-sold" => "Ask who pressed reset, and why: what did not work then?",
        "line-down" => "Look at the lamps of the box at the wall, switch it off for a minute, wait five. Then call the provider.",
        "line-shared" => "Ask the provider for an address of its own; many give one for a fee. Until then nothing can be let in.",
        "line-holds" =>
            "Switch off the box at the wall and the router. Wait ten minutes. The box at the wall on first; the router when its lamp says the line is there.",
        "names-silent" => "Until the provider mends it: set name servers by hand in the router, those that the household trusts.",
        "port-closed" => "Ask the provider to open it, or use a port above 1024 on the outside.",
        "second-server" =>
            "Find it: open its address in the browser, look for a box that was added lately, pull plugs one at a time. Ask whose it is before you unplug it for good.",
        "loop" => "Pull that cable, and mark both ends.",
        "thing-off" => "Wake it, and look at its own lamp or screen. Many things sleep to save power.",
        "joined-guest" or "joined-other" => "Choose the right name at the thing, and let it forget the other.",
        "thing-fixed" => "Set it to automatic addressing, or give it a free address of this network.",
        "pool-full" => "Let the pool end later, or shorten the lease time: things that left keep their addresses until then.",
        "wifi-button" => "Press the Wi-Fi button of the box once, and wait a minute.",
        "laptop-fixed" => "Set your own laptop back to automatic.",
        "wifi-off" => "Some boxes have a button that switches Wi-Fi off: ask whether somebody pressed it.",
        _ => null,
    };
}
