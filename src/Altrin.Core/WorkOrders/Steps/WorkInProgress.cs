using System.Collections.Immutable;
using System.Text.Json;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Readings;
using Altrin.Core.Rules;
using Altrin.Core.Simulation;
using Altrin.Core.WorkOrders.Proof;

namespace Altrin.Core.WorkOrders.Steps;

/// <summary>The house as it stands in the middle of the work, the laptop in it, and the steps so far.</summary>
/// <param name="played">Where its houses are simulated; whoever tries something out asks there too.</param>
internal sealed class WorkInProgress(NetworkDocument asFound, NetworkDocument planned, Played played, CancellationToken cancel = default)
{
    private const int SecondsPerStep = 60;

    private readonly NetworkDocument begun = asFound;
    private readonly List<WorkStep> steps = [];
    private readonly List<OrderGap> gaps = [];
    private readonly Dictionary<string, int> uses = new(StringComparer.Ordinal);
    private NetworkState state = played.Of(asFound);
    private int seconds;

    public NetworkDocument House { get; private set; } = asFound;
    public NetworkState State => state;
    public Played Played => played;
    /// <summary>Where the work is to end: its sockets are kept clear of the laptop.</summary>
    public NetworkDocument Planned { get; } = planned;

    public Course Course { get; init; } = Course.First;

    public Hands Hands { get; init; } = Hands.Laptop;

    public string Phase { get; set; } = "";

    /// <summary>Whether the box is in the house by now: one that could not be brought in is a gap, and nothing more is done to
    /// it.</summary>
    public bool Has(Device box) => House.FindDevice(box.Id) is not null;

    /// <summary>Whether nothing was set on the box by this work.</summary>
    public bool IsAsBefore(string device) =>
        begun.FindDevice(device) is { } was && House.FindDevice(device) is { } now && SettingCatalogue.AreAlike(was, now);

    /// <summary>Whether it was proved at the box already.</summary>
    public bool WasProved(string device) =>
        steps.Exists(step => step.Kind is StepKind.ProveBox or StepKind.ProveWifi && step.Device == device);

    /// <summary>Whether the last step showed the internet and the page of the box, from where the laptop is: nothing is seen by looking
    /// again.</summary>
    public bool ShowsAlready(string device) => steps is [.., var last] && last.Device == device
        && last.Readings.Any(reading => reading is InternetReading { Reachable: Answer.Yes })
        && last.Readings.Any(reading => reading is PageReading { Opens: true } page && page.Device == device);

    public Endpoint? Laptop => House.FindEndpoint(Actions.Laptop.Id);

    public WorkOrder Finish(string title) => new(title, [.. steps], (seconds + 59) / 60, [.. gaps]) { Hands = Hands };

    public void Gap(GapKind kind, string what) => gaps.Add(new(kind, $"Step {steps.Count}: {what}"));

    /// <summary>Adds a step, carries it out on the simulated house, and notes who loses the internet by it.</summary>
    public void Step(StepDraft draft)
    {
        cancel.ThrowIfCancellationRequested();
        var (cutOff, was) = (new CutOff(state), state);
        var before = House;
        if (draft.Page is { } page) ProvePage(page, draft.Title);
        var where = draft.Page is not null ? WhereLaptopIs() : null;
        var open = draft.Page is { } opened && Expected.IsAddressKnown(state, opened)
            && state.Admin(Actions.Laptop.Id, opened).Address is { } address
            ? $"http://{address}" : null;
        var find = draft.Page is { } sought && open is null ? HowToFind(sought, draft.Find) : draft.Find;
        Do(draft.Actions);
        if (draft.Page is null && draft.NeedsLaptop) where = WhereLaptopIs();
        if (draft.PageAfter is { } after) ProvePage(after, draft.Title);
        var cut = cutOff.In(state).Select(thing => thing.Name).ToImmutableArray();
        var during = draft.WaitSeconds is null ? null : Downtime.While(state, draft.Actions, draft.Off);
        ImmutableArray<string> meanwhile = during is null ? [] : [.. cutOff.In(played.Of(during)).Select(thing => thing.Name).Except(cut)];
        // As they are written: a list inside an action, a forward or a VLAN, is part of what is to be done.
        var course = Course.Number > 0 ? $"{Course.Number}|" : "";
        var actions = JsonSerializer.Serialize(draft.Actions, AltrinJson.Compact);
        var device = draft.Page ?? draft.Actions.Select(action => action.BoxTouched()).FirstOrDefault(one => one is not null);
        ImmutableArray<Reading> readings = [.. draft.Expect?.Invoke(this) ?? [],
            .. draft.Actions.Any(action => action is BoxSetting or FactoryReset) ? Expected.NamesChanged(was, state) : []];
        steps.Add(new(KeyOf($"{course}{Words<StepKind>.Of(draft.Kind)}|{device}{draft.About}|{actions}"), steps.Count + 1, Phase,
            draft.Short, draft.Title, where, open, find,
            draft.Changes, draft.WaitSeconds,
                [.. readings.Select(reading => ReadingWords.Say(reading, House, Actions.Laptop.Id, Hands.Word()))], cut, draft.Cautions,
                    draft.Actions)
        {
            Kind = draft.Kind,
            KeyBefore = KeyOf($"{course}{actions}|{draft.Title}"),
            Readings = readings,
            Device = device,
            Before = before,
            After = House,
            Meanwhile = meanwhile,
            During = during,
            WhyHere = draft.WhyHere
        });
        seconds += SecondsPerStep + (draft.WaitSeconds ?? 0);
    }

    /// <summary>A box that asks for its address: who gave it one lists it.</summary>
    private string HowToFind(string device, string? menu)
    {
        var box = House.FindDevice(device)!;
        var list = state.Lan(device) is { Candidates: [{ Server: { } server }, ..] } ? $"the list of devices of {House.NameOf(server)}"
            : "the list of devices";
        var which = box.Mac is { } mac ? $"the MAC that ends in {mac.ToString()[^5..]}" : "the one that was not there before";
        return $"its address in {list}: {which}{(menu is null ? "" : $"; there {menu}")}";
    }

    /// <summary>Carries out what belongs to the last step but needs no words of its own.</summary>
    public void Do(params ImmutableArray<InstallerAction> actions)
    {
        foreach (var action in actions)
        {
            if (action.Problem(House) is { } problem) gaps.Add(new(GapKind.Refused, $"{action.Say(House)}: {problem.Message}"));
            House = action.Apply(House);
        }
        if (!actions.IsEmpty) state = played.Of(House);
    }

    /// <summary>Writes down what nobody has to do, such as the order of the lists: the house as the last step leaves it.</summary>
    public void Record(InstallerAction action)
    {
        Do(action);
        if (steps.Count > 0) steps[^1] = steps[^1] with { After = House };
    }

    /// <summary>At an address that the box gave itself it would answer, but nobody knows that address.</summary>
    public bool PageOpens(string device) => Laptop is not null
        && state.Admin(Actions.Laptop.Id, device) is { Reachable: Answer.Yes, Address: { } address }
            && !AddressRanges.LinkLocal.Contains(address);

    /// <summary>Whether the laptop has its address from that box and from no other.</summary>
    public bool LaptopIsServedBy(string device) =>
        state.Net(Actions.Laptop.Id) is { Candidates: [_, ..] all } && all.All(one => one.Server == device);

    private void ProvePage(string device, string title)
    {
        if (!PageOpens(device))
            gaps.Add(new(GapKind.PageClosed,
                $"“{title}”: the page of {House.NameOf(device)} does not open from where the {Hands.Word()} is."));
    }

    private string? WhereLaptopIs()
    {
        if (Laptop is not { } laptop) return null;
        var plug = laptop.Connect?.Match(cable => $"cable in {House.SocketName(cable.Into)}", join =>
            $"on Wi-Fi {join.Ssid}") ?? "unplugged";
        return laptop.Address is { Method: EndpointMethod.Static, Address: { } address }
            ? $"{plug} · fixed address {address.Address}"
            : $"{plug} · automatic";
    }

    /// <summary>A short fingerprint: the same deed has the same key in every run and on every machine.</summary>
    private string KeyOf(string text)
    {
        var count = uses[text] = uses.GetValueOrDefault(text) + 1;
        var hash = System.Security.Cryptography.SHA256.HashData(System.Text.Encoding.UTF8.GetBytes($"{text}|{count}"));
        return Convert.ToHexStringLower(hash.AsSpan(0, 6));
    }

    /// <summary>Whether another box than that one is on the laptop's network too.</summary>
    public bool LaptopIsOnTheHouse(string device) => state.Net(Actions.Laptop.Id) is { Segment: >= 0 and var segment }
        && state.OnSegment[segment].Any(one => one.Device >= 0 && one.Owner != device);

    /// <summary>What the laptop shows now: its address, its gateway, and whether the internet answers.</summary>
    public ImmutableArray<Reading> LaptopShows() =>
        [.. Expected.Of(state, Actions.Laptop.Id).Where(reading => reading is AddressReading or GatewayReading or InternetReading)];

    /// <summary>The name servers the laptop was given.</summary>
    public ImmutableArray<Reading> NameServersOfLaptop() =>
        [.. Expected.Of(state, Actions.Laptop.Id).Where(reading => reading is DnsReading)];

    /// <summary>The page of a box, where it opens for the laptop.</summary>
    public ImmutableArray<Reading> PageReading(string device) =>
        Expected.Page(state, Actions.Laptop.Id, device) is { Opens: true } page ? [page] : [];

    /// <summary>The thing or box in the list of devices of whoever leases it its address, where the laptop opens that page.</summary>
    public ImmutableArray<Reading> ListedAs(string who) =>
        Laptop is not null && Expected.Client(state, Actions.Laptop.Id, who) is { } listed ? [listed] : [];

    /// <summary>The lamp by which a box that joins by radio says so, where its kind has one.</summary>
    public ImmutableArray<Reading> JoinedLamp(string device) =>
        state.UplinkBox(device) is not null && LampWords.HasRadioLamp(House, device) ? [new LampReading(device, Lamp.Joined)] : [];

    /// <summary>The address of a thing, whether it has internet, and where it is listed.</summary>
    public ImmutableArray<Reading> Shows(string endpoint) =>
        [Expected.Address(State, endpoint), new InternetReading(endpoint, State.Internet(endpoint).Reachable), .. ListedAs(endpoint)];

    public bool EndsAsPlanned() =>
        SameWritten.Are(Actions.Laptop.Away(House), Planned);
}

/// <summary>A step before it has been simulated.</summary>
internal sealed record StepDraft(StepKind Kind, string Short, string Title)
{
    /// <summary>What it is about, where neither a page nor an action tells: a want, a box.</summary>
    public string? About { get; init; }

    public ImmutableArray<InstallerAction> Actions { get; init; } = [];

    /// <summary>The box whose page must open before the deed.</summary>
    public string? Page { get; init; }

    /// <summary>The box whose page must open after it.</summary>
    public string? PageAfter { get; init; }

    public bool NeedsLaptop { get; init; }
    public string? Find { get; init; }
    public ImmutableArray<SettingChange> Changes { get; init; } = [];
    public int? WaitSeconds { get; init; }

    /// <summary>Boxes without power, or starting, while it is waited for; null: those that its actions restart.</summary>
    public IReadOnlyList<string>? Off { get; init; }

    /// <summary>See <see cref="WorkStep.WhyHere"/>.</summary>
    public string? WhyHere { get; init; }

    public Func<WorkInProgress, ImmutableArray<Reading>>? Expect { get; init; }
    public ImmutableArray<string> Cautions { get; init; } = [];
}
