namespace Altrin.Core.Readings.Parsers;

/// <summary><c>ipconfig</c> and <c>ipconfig /all</c>, in four languages and with whatever a code page made of their accents.</summary>
internal sealed class WindowsIpconfig : IPastedParser
{
    private enum Field { Address, AutoAddress, Mask, Gateway, Mac, Dhcp, Server, Dns, Description, Media, Ipv6, Ignored }

    /// <summary>Labels as <see cref="Scan.Fold"/> leaves them, whole or to a part that tells them apart.</summary>
    private static readonly Dictionary<string, (Field Field, string Language)> Labels = new()
    {
        ["ipv4address"] = (Field.Address, "en"),
        ["ipaddress"] = (Field.Address, "en"),
        ["autoconfigurationipv4address"] = (Field.AutoAddress, "en"),
        ["autoconfigurationipaddress"] = (Field.AutoAddress, "en"),
        ["subnetmask"] = (Field.Mask, "en"),
        ["defaultgateway"] = (Field.Gateway, "en"),
        ["physicaladdress"] = (Field.Mac, "en"),
        ["dhcpenabled"] = (Field.Dhcp, "en"),
        ["dhcpserver"] = (Field.Server, ""),
        ["dnsservers"] = (Field.Dns, "en"),
        ["description"] = (Field.Description, ""),
        ["mediastate"] = (Field.Media, "en"),
        ["linklocalipv6address"] = (Field.Ipv6, "en"),
        ["ipv6address"] = (Field.Ipv6, "en"),
        ["temporaryipv6address"] = (Field.Ipv6, "en"),
        ["sitelocalipv6address"] = (Field.Ipv6, "en"),
        ["connectionspecificdnssuffix"] = (Field.Ignored, "en"),
        ["autoconfigurationenabled"] = (Field.Ignored, "en"),
        ["leaseobtained"] = (Field.Ignored, "en"),
        ["leaseexpires"] = (Field.Ignored, "en"),
        ["netbiosovertcpip"] = (Field.Ignored, "en"),
        ["dhcpv6iaid"] = (Field.Ignored, ""),
        ["dhcpv6clientduid"] = (Field.Ignored, ""),
        ["hostname"] = (Field.Ignored, ""),
        ["primarydnssuffix"] = (Field.Ignored, ""),
        ["nodetype"] = (Field.Ignored, "en"),
        ["iproutingenabled"] = (Field.Ignored, "en"),
        ["winsproxyenabled"] = (Field.Ignored, "en"),
        ["dnssuffixsearchlist"] = (Field.Ignored, "en"),
        ["primarywinsserver"] = (Field.Ignored, "en"),
        ["secondarywinsserver"] = (Field.Ignored, "en"),
        ["connectionspecificdnssuffixsearchlist"] = (Field.Ignored, "en"),

        ["ipv4adresse"] = (Field.Address, "de"),
        ["ipadresse"] = (Field.Address, "de"),
        ["ipv4adresseautokonfiguration"] = (Field.AutoAddress, "de"),
        ["autokonfigurationipv4adresse"] = (Field.AutoAddress, "de"),
        ["ipadresseautokonfig"] = (Field.AutoAddress, "de"),
        ["subnetzmaske"] = (Field.Mask, "de"),
        ["standardgateway"] = (Field.Gateway, "de"),
        ["physischeadresse"] = (Field.Mac, "de"),
        ["physikalischeadresse"] = (Field.Mac, "de"),
        ["dhcpaktiviert"] = (Field.Dhcp, "de"),
        ["dnsserver"] = (Field.Dns, "de"),
        ["beschreibung"] = (Field.Description, "de"),
        ["medienstatus"] = (Field.Media, "de"),
        ["verbindungslokaleipv6adresse"] = (Field.Ipv6, "de"),
        ["ipv6adresse"] = (Field.Ipv6, "de"),
        ["temporreipv6adresse"] = (Field.Ipv6, "de"),
        ["standortlokaleipv6adresse"] = (Field.Ipv6, "de"),
        ["verbindungsspezifischesdnssuffix"] = (Field.Ignored, "de"),
        ["autokonfigurationaktiviert"] = (Field.Ignored, "de"),
        ["leaseerhalten"] = (Field.Ignored, "de"),
        ["leaseluftab"] = (Field.Ignored, "de"),
        ["netbiosbertcpip"] = (Field.Ignored, "de"),

        ["primresdnssuffix"] = (Field.Ignored, "de"),
        ["knotentyp"] = (Field.Ignored, "de"),
        ["iproutingaktiviert"] = (Field.Ignored, "de"),
        ["winsproxyaktiviert"] = (Field.Ignored, "de"),
        ["dnssuffixsuchliste"] = (Field.Ignored, "de"),
        ["primrerwinsserver"] = (Field.Ignored, "de"),

        ["adresseipv4"] = (Field.Address, "fr"),
        ["adresseip"] = (Field.Address, "fr"),
        ["adressedautoconfigurationipv4"] = (Field.AutoAddress, "fr"),
        ["adresseipv4deconfigurationautomatique"] = (Field.AutoAddress, "fr"),
        ["autoconfigurationadresseipv4"] = (Field.AutoAddress, "fr"),
        ["masquedesousrseau"] = (Field.Mask, "fr"),
        ["passerellepardfaut"] = (Field.Gateway, "fr"),
        ["adressephysique"] = (Field.Mac, "fr"),
        ["dhcpactiv"] = (Field.Dhcp, "fr"),
        ["serveurdhcp"] = (Field.Server, "fr"),
        ["serveursdns"] = (Field.Dns, "fr"),
        ["statutdumdia"] = (Field.Media, "fr"),
        ["tatdumdia"] = (Field.Media, "fr"),
        ["adresseipv6deliaisonlocale"] = (Field.Ipv6, "fr"),
        ["adresseipv6"] = (Field.Ipv6, "fr"),
        ["adresseipv6temporaire"] = (Field.Ipv6, "fr"),
        ["suffixednspropreaconnexion"] = (Field.Ignored, "fr"),
        ["suffixednsproprelaconnexion"] = (Field.Ignored, "fr"),
        ["configurationautomatiqueactive"] = (Field.Ignored, "fr"),
        ["autoconfigurationactive"] = (Field.Ignored, "fr"),
        ["bailobtenu"] = (Field.Ignored, "fr"),
        ["bailexpirant"] = (Field.Ignored, "fr"),
        ["netbiossurtcpip"] = (Field.Ignored, "fr"),
        ["iaiddhcpv6"] = (Field.Ignored, "fr"),
        ["duiddeclientdhcpv6"] = (Field.Ignored, "fr"),
        ["nomdelhte"] = (Field.Ignored, "fr"),
        ["suffixednsprincipal"] = (Field.Ignored, "fr"),
        ["typedenoeud"] = (Field.Ignored, "fr"),
        ["typedenud"] = (Field.Ignored, "fr"),
        ["routageipactiv"] = (Field.Ignored, "fr"),
        ["proxywinsactiv"] = (Field.Ignored, "fr"),
        ["listederecherchedusuffixedns"] = (Field.Ignored, "fr"),
        ["listederecherchesuffixedns"] = (Field.Ignored, "fr"),

        ["direccinipv4"] = (Field.Address, "es"),
        ["direccinip"] = (Field.Address, "es"),
        ["direccinipv4deconfiguracinautomtica"] = (Field.AutoAddress, "es"),
        ["configuracinautomticadireccinipv4"] = (Field.AutoAddress, "es"),
        ["mscaradesubred"] = (Field.Mask, "es"),
        ["puertadeenlacepredeterminada"] = (Field.Gateway, "es"),
        ["direccinfsica"] = (Field.Mac, "es"),
        ["dhcphabilitado"] = (Field.Dhcp, "es"),
        ["servidordhcp"] = (Field.Server, "es"),
        ["servidoresdns"] = (Field.Dns, "es"),
        ["descripcin"] = (Field.Description, "es"),
        ["estadodelosmedios"] = (Field.Media, "es"),
        ["estadodelmedio"] = (Field.Media, "es"),
        ["vnculodireccinipv6local"] = (Field.Ipv6, "es"),
        ["direccinipv6"] = (Field.Ipv6, "es"),
        ["direccinipv6temporal"] = (Field.Ipv6, "es"),
        ["direccinipv6localvnculo"] = (Field.Ipv6, "es"),
        ["sufijodnsespecficoparalaconexin"] = (Field.Ignored, "es"),
        ["configuracinautomticahabilitada"] = (Field.Ignored, "es"),
        ["concesinobtenida"] = (Field.Ignored, "es"),
        ["laconcesinexpira"] = (Field.Ignored, "es"),
        ["netbiossobretcpip"] = (Field.Ignored, "es"),

        ["duiddeclientedhcpv6"] = (Field.Ignored, "es"),
        ["nombredehost"] = (Field.Ignored, "es"),
        ["sufijodnsprincipal"] = (Field.Ignored, "es"),
        ["tipodenodo"] = (Field.Ignored, "es"),
        ["enrutamientoiphabilitado"] = (Field.Ignored, "es"),
        ["proxywinshabilitado"] = (Field.Ignored, "es"),
        ["listadebsquedadesufijosdns"] = (Field.Ignored, "es"),
        ["listadebsquedadesufijodns"] = (Field.Ignored, "es"),
    };

    private static readonly (string Fold, string Language)[] Headings =
        [("windowsipconfiguration", "en"), ("windowsipkonfiguration", "de"), ("configurationipdewindows", "fr"),
            ("configuracinipdewindows", "es")];

    /// <summary>What stands before an adapter's own name; of the longer ones first.</summary>
    private static readonly (string Fold, AdapterKind Kind, string Language)[] Adapters =
    [
        ("ethernetadapter", AdapterKind.Ethernet, ""), ("wirelesslanadapter", AdapterKind.Wifi, "en"),
            ("tunneladapter", AdapterKind.Virtual, ""), ("pppadapter", AdapterKind.Virtual, ""),
            ("unknownadapter", AdapterKind.Virtual, "en"),
        ("mobilebroadbandadapter", AdapterKind.Other, "en"), ("bluetoothadapter", AdapterKind.Virtual, ""),
        ("drahtloslanadapter", AdapterKind.Wifi, "de"), ("drahtlosadapter", AdapterKind.Wifi, "de"),
            ("mobilerbreitbandadapter", AdapterKind.Other, "de"), ("unbekannteradapter", AdapterKind.Virtual, "de"),
        ("cartethernet", AdapterKind.Ethernet, "fr"), ("carteethernet", AdapterKind.Ethernet, "fr"),
            ("carterseausansfil", AdapterKind.Wifi, "fr"), ("cartetunnel", AdapterKind.Virtual, "fr"),
            ("carteppp", AdapterKind.Virtual, "fr"), ("carteinconnue", AdapterKind.Virtual, "fr"),
        ("adaptadordeethernet", AdapterKind.Ethernet, "es"), ("adaptadorethernet", AdapterKind.Ethernet, "es"),
            ("adaptadordelaninalmbrica", AdapterKind.Wifi, "es"), ("adaptadordetnel", AdapterKind.Virtual, "es"),
            ("adaptadordeppp", AdapterKind.Virtual, "es"), ("adaptadordesconocido", AdapterKind.Virtual, "es"),
    ];

    public string Source => "windows-ipconfig";

    public int Begins(ReadOnlySpan<PastedLine> rest)
    {
        if (Heading(rest[0].Text) is not null) return 3;
        // Cut off at the top: an adapter's heading with labels under it, or two labels with their rows of dots.
        var isAdapter = Adapter(rest[0]) is not null;
        if (!isAdapter && !IsDotted(rest[0])) return 0;
        for (var i = 1; i < Math.Min(rest.Length, 6); i++)
            if (isAdapter ? Label(rest[i].Text) is not null : IsDotted(rest[i])) return isAdapter ? 3 : 2;
        return 0;
    }

    private static bool IsDotted(PastedLine line) =>
        line.Text.Contains(". ", StringComparison.Ordinal) && Label(line.Text) is { Field: not Field.Description };

    /// <summary>A heading once more is a further output; adapters and their lines are not.</summary>
    public bool GoesOn(Taken sofar, PastedLine line) => Heading(line.Text) is null
        && (line.IsBlank || line.Indent > 0 || Adapter(line) is not null || Label(line.Text) is not null);

    private static string? Heading(string text) => Scan.Known(Headings, text, whole: true);

    private static (AdapterKind Kind, string Name, string Language)? Adapter(PastedLine line)
    {
        var text = line.Trimmed;
        if (line.Indent > 0 || !text.EndsWith(':') || text.Contains(" . ", StringComparison.Ordinal)) return null;
        var words = Scan.Words(text.TrimEnd(':', ' ', '\u00a0'));
        // The words before the name, however many there are.
        for (var n = Math.Min(words.Length, 5); n >= 1; n--)
        {
            var fold = Scan.Fold(string.Join(' ', words[..n]));
            foreach (var (start, kind, language) in Adapters)
                if (fold == start)
                {
                    var name = string.Join(' ', words[n..]);
                    return (Scan.IsVirtual(name) ? AdapterKind.Virtual : kind, name.Length == 0 ? string.Join(' ', words)
                        : name, language.Length > 0 ? language : start.StartsWith("ethernet", StringComparison.Ordinal)
                        && text.Contains("-Adapter", StringComparison.Ordinal) ? "de" : "");
                }
        }
        return null;
    }

    private static (Field Field, string Value, string Language)? Label(string text)
    {
        var at = text.IndexOf(':', StringComparison.Ordinal);
        if (at <= 0) return null;
        var label = Scan.Fold(text[..at]);
        if (label.Length < 4) return null;
        return Labels.TryGetValue(label, out var known) ? (known.Field, text[(at + 1)..].Trim(), known.Language) : null;
    }

    public PastedReading? Read(IReadOnlyList<PastedLine> lines)
    {
        var all = new Gathered();
        SeenAdapter? now = null;
        string? mask = null;
        var last = Field.Ignored;
        var isHeaded = false;
        void Close()
        {
            if (now is null) return;
            if (now.Address is { } address && mask is not null
                && !address.Contains('/', StringComparison.Ordinal)) now = now with { Address = Scan.WithMask(address, mask) };
            all.Adapters.Add(now);
            (now, mask) = (null, null);
        }
        foreach (var line in lines)
        {
            if (line.IsBlank) continue;
            if (Heading(line.Text) is { } language)
            {
                (all.Language, isHeaded) = (language, true);
                continue;
            }
            if (Adapter(line) is { } adapter)
            {
                Close();
                now = new(adapter.Name) { Kind = adapter.Kind };
                all.Language ??= adapter.Language.Length > 0 ? adapter.Language : null;
                last = Field.Ignored;
                continue;
            }
            if (Label(line.Text) is { } label)
            {
                if (label.Language.Length > 0) all.Language ??= label.Language;
                last = label.Field;
                if (now is null && label.Field is Field.Address or Field.AutoAddress or Field.Mac or Field.Dhcp && !isHeaded) now = new("");
                if (now is not null) Take(label.Field, label.Value);
                continue;
            }
            // A further gateway or name server stands alone under the first.
            if (now is not null && line.Indent > 20 && last is Field.Gateway or Field.Dns
                && (Scan.Address(line.Trimmed) is not null || Scan.IsIpv6(line.Trimmed))) Take(last, line.Trimmed);
            else if (now is not null && line.Indent > 20 && last == Field.Ignored) continue;
            else if (line.Text.Contains(':', StringComparison.Ordinal)
                && line.Text.Contains(". .", StringComparison.Ordinal)) last = Field.Ignored;
            else all.Unread.Add(line.Number);
        }
        Close();
        return all.As(Source, ReadingPart.Adapters);

        void Take(Field field, string value)
        {
            var bare = value.Split('(')[0].Trim();
            switch (field)
            {
                case Field.Address or Field.AutoAddress when Scan.Address(bare) is { } address:
                    if (now!.Address is null) now = now with
                    {
                        Address = address,
                        LinkLocal = field == Field.AutoAddress
                        || Scan.IsLinkLocal(address)
                    };
                    else now = now with { Also = now.Also.Add(address) };
                    break;
                case Field.Mask:
                    if (mask is null) mask = bare;
                    else if (now!.Also is [.., var further]) now = now with
                    {
                        Also = now.Also.SetItem(now.Also.Count - 1,
                        Scan.WithMask(further, bare))
                    };
                    break;
                case Field.Gateway when Scan.Address(bare) is { } gateway: now = now! with { Gateway = now.Gateway ?? gateway }; break;
                case Field.Mac: now = now! with { Mac = Scan.Mac(bare) }; break;
                case Field.Dhcp:
                    now = now! with
                    {
                        Method = Scan.Fold(bare) is "yes" or "ja" or "oui" or "s" or "si" ? "dhcp"
                    : "static"
                    }; break;
                case Field.Server when Scan.Address(bare) is { } server: now = now! with { Server = server }; break;
                case Field.Dns when Scan.Address(bare) is { } dns: now = now! with { Dns = now.Dns.Add(dns) }; break;
                case Field.Description when Scan.IsVirtual(value): now = now! with { Kind = AdapterKind.Virtual }; break;
            }
        }
    }
}
