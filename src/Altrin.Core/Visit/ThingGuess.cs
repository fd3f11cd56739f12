using Altrin.Core.Network;

namespace Altrin.Core.Visit;

/// <summary>What a thing may be, by the name it gives itself in a list. A guess, said as one. Common practice, no source.</summary>
internal static class ThingGuess
{
    private static readonly (string Kind, string Say, string[] Words)[] Kinds =
    [
        ("printer", "A printer, it seems", ["print", "laser", "inkjet", "drucker", "imprimante", "impresora"]),
        ("camera", "A camera, it seems", ["camera", "cam", "doorbell", "nvr", "dvr", "recorder", "kamera"]),
        ("tv", "A television or its box, it seems", ["television", "tv", "stream", "media", "stb", "receiver", "fernseh"]),
        ("telephone", "A telephone, it seems", ["telephone", "voip", "sip"]),
        ("phone", "A phone, it seems", ["phone", "mobile", "handy", "telefon"]),
        ("tablet", "A tablet, it seems", ["tablet", "pad", "reader"]),
        ("laptop", "A laptop, it seems", ["laptop", "notebook", "book"]),
        ("computer", "A computer, it seems", ["desktop", "pc", "workstation", "imac", "server", "nas"]),
        ("speaker", "A speaker, it seems", ["speaker", "sound", "audio", "radio"]),
        ("heating", "A heating control, it seems", ["thermo", "heat", "boiler", "hvac"]),
        ("light", "A lamp or a switch, it seems", ["bulb", "light", "plug", "lamp", "switch"]),
        ("console", "A games console, it seems", ["console", "game"]),
    ];

    public static (string? Kind, string Say) Of(string? name)
    {
        if (string.IsNullOrWhiteSpace(name)) return (null, "Unknown");
        foreach (var (kind, say, words) in Kinds)
            if (Array.Exists(words, word => Has(name, word))) return (kind, say);
        return (null, "A thing that gives a name");
    }

    /// <summary>Short words count only as a word of their own: “pc” is no part of “upcoming”.</summary>
    private static bool Has(string name, string word)
    {
        for (var at = name.IndexOf(word, StringComparison.OrdinalIgnoreCase); at >= 0; at = name.IndexOf(word, at + 1, StringComparison.OrdinalIgnoreCase))
        {
            if (word.Length > 3) return true;
            var end = at + word.Length;
            if ((at == 0 || !char.IsLetter(name[at - 1])) && (end == name.Length || !char.IsLetter(name[end]))) return true;
        }
        return false;
    }
}
