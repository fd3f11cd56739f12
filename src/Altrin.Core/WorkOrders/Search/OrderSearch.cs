using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Simulation;
using Altrin.Core.WorkOrders.Proof;
using Altrin.Core.WorkOrders.Steps;
using Altrin.Core.WorkOrders.Tasks;

namespace Altrin.Core.WorkOrders.Search;

/// <summary>One task of an order that was found, the laptop's way to it, and the houses before and after.</summary>
internal sealed record Done(OrderTask Task, ImmutableArray<InstallerAction> LaptopMoves, NetworkDocument Before, NetworkDocument After);

/// <summary>Looks for the order in which the acts can be done: at every step the page opens, and no clash comes that was not there. Then
/// the least
/// minutes in which somebody has no internet, the fewest walks of the laptop, the fewest minutes.</summary>
/// <remarks>Best first over the sets of acts that are done. What bounds it is counted, not timed: the same houses give the same
/// order.</remarks>
internal sealed class OrderSearch
{
    /// <summary>What cuts the installer off comes last at a box, its own address before it: common practice, no source. Worth four minutes
    /// of
    /// somebody's internet, no more.</summary>
    private const double PerCutMinute = 1000, PerWalk = 4, AgainstTheGrain = 4000;

    /// <summary>Another page, or the same after a restart, asks for a log-in: a minute, and the thread is lost.</summary>
    private const double PerLogIn = 2;

    /// <summary>A fixed address on the laptop is typed, forgotten, and looked for later: worth three minutes beside the move itself.</summary>
    private const double PerFixedAddress = 4;

    /// <summary>Set at the table, then carried.</summary>
    private const double PerCarriedUnset = 8;

    /// <summary>Boxes and things, times houses simulated: past the first figure the nearest end is taken, past the second there is
    /// none.</summary>
    private const int Patience = 35_000, Most = 240_000;

    /// <summary>A house set from end to end is no matter of clever order any more.</summary>
    private const int MostActs = 60;

    /// <summary>More tasks than any house of the format has.</summary>
    private const int MostSteps = 4000;

    private readonly NetworkDocument from, to;
    private readonly TaskList tasks;
    private readonly Spots spots;
    private readonly CutOff cutOff;
    private readonly bool isCutAtFirst;
    private readonly ImmutableHashSet<string> clashes;
    private readonly CancellationToken cancel;
    private readonly int perHouse;
    private readonly ImmutableHashSet<string> resets;

    /// <summary>Whether somebody is cut off while the box restarts where it stands at the beginning.</summary>
    private readonly Dictionary<string, bool> isOnTheWay = new(StringComparer.Ordinal);
    private int work;

    private OrderSearch(NetworkDocument from, NetworkDocument to, Hands hands, Course course, Played played, CancellationToken cancel)
    {
        (this.from, this.to, this.cancel, tasks, spots) = (from, to, cancel, new(course.Household ?? from, to, course.Resets),
            new(hands, to));
        resets = course.Resets;
        var state = played.Of(from);
        cutOff = new(played.Of(course.Household ?? from));
        isCutAtFirst = cutOff.In(state).Any();
        clashes = Clashes.Known(state, played.Of(to));
        perHouse = Math.Max(1, from.Devices.Length + from.Endpoints.Length);
    }

    /// <summary>The acts in order, from a house to another, the first with the laptop where it is; null where none was found.</summary>
    public static ImmutableArray<Done>? Find(NetworkDocument from, NetworkDocument to, Hands hands = Hands.Laptop, Course? course = null,
        Played? played = null, CancellationToken cancel = default) =>
        new OrderSearch(from, to, hands, course ?? Course.First, played ?? new(), cancel).Run();

    private sealed record Node(NetworkDocument House, ImmutableSortedSet<string> Keys, double Cost, int Depth, Node? Parent, Done? Done,
        bool IsCut, double CutLeft);

    private ImmutableArray<Done>? Run()
    {
        if (tasks.In(Laptop.Away(from), []).Count() > MostActs) return null;
        var open = new PriorityQueue<Node, (double, int, int)>();
        var best = new Dictionary<string, double>(StringComparer.Ordinal);
        var (order, isHasty) = (0, false);
        open.Enqueue(new(from, [], 0, 0, null, null, isCutAtFirst, 0), (0, 0, 0));
        while (open.TryDequeue(out var node, out _))
        {
            cancel.ThrowIfCancellationRequested();
            if (work > Most) return null;
            if (!isHasty && work > Patience)
            {
                // From here on whoever has the least left goes first.
                isHasty = true;
                var all = open.UnorderedItems.Select(item => item.Element).Append(node).ToList();
                open.Clear();
                foreach (var one in all) open.Enqueue(one, Priority(one, tasks.MinutesLeft(Laptop.Away(one.House)), isHasty, order++));
                continue;
            }
            var acts = tasks.In(Laptop.Away(node.House), node.Keys).ToList();
            if (acts.TrueForAll(task => task.IsForNow)) return Trace(node);
            foreach (var task in WithPasswords(node, acts))
            {
                if (task.IsForNow && node.Keys.Contains($"now {task.Key}")) continue;
                if (Do(node, task) is not { } next) continue;
                var key = KeyOf(next);
                if (best.TryGetValue(key, out var known) && known <= next.Cost) continue;
                best[key] = next.Cost;
                var left = tasks.MinutesLeft(Laptop.Away(next.House));
                open.Enqueue(next, Priority(next, left, isHasty, order++));
            }
        }
        return null;
    }

    /// <summary>The admin password is changed as soon as somebody is on the page for something else; it changes nothing for anybody, so no
    /// other place
    /// for it is tried.</summary>
    private static IEnumerable<OrderTask> WithPasswords(Node node, List<OrderTask> acts)
    {
        static bool IsPassword(OrderTask task) => task.Pages is [SettingsPage.Password];
        if (node.Done?.Task is { Page: { } page, WaitSeconds: 0 } && acts.Find(task => task.Page == page && IsPassword(task)) is { } here)
            return [here];
        return acts.Where(task =>
            !IsPassword(task) || !acts.Exists(other =>
                other.Page == task.Page && !IsPassword(other) && !other.IsForNow && other.WaitSeconds == 0));
    }

    /// <summary>In haste cuts still count, but no more than what is left.</summary>
    private static (double, int, int) Priority(Node node, double left, bool isHasty, int order) =>
        (isHasty ? node.Cost / 100 + left * 40 + node.CutLeft * PerCutMinute / 100
            : node.Cost + left * 1.2 + node.CutLeft * PerCutMinute, -node.Depth, order);

    /// <summary>The tasks in the trade's order, one after the other, whatever it costs: the next that can be done is done. Where none can
    /// be done as it should, the
    /// first is done all the same, and what is amiss is seen when its step is written.</summary>
    public static ImmutableArray<Done> Straight(NetworkDocument from, NetworkDocument to, Hands hands, Course course, Played played,
        CancellationToken cancel) =>
        new OrderSearch(from, to, hands, course, played, cancel).GoStraight();

    private ImmutableArray<Done> GoStraight()
    {
        var node = new Node(from, [], 0, 0, null, null, isCutAtFirst, 0);
        // Each task is done once, and one that is for now is undone once.
        for (var left = MostSteps; left > 0; left--)
        {
            cancel.ThrowIfCancellationRequested();
            var all = tasks.In(Laptop.Away(node.House), node.Keys).ToList();
            var open = WithPasswords(node, all).Where(task =>
                !task.IsForNow || (task.Place == TradePlace.PullForNow && IsOfAReset(task, node) && !node.Keys.Contains($"now {task.Key}")))
                .Select((task, i) => (task, i)).OrderBy(one => PlaceOf(one.task, node)).ThenBy(one =>
                    all.FindIndex(first => first.Device == one.task.Device))
                .ThenBy(one => Within(one.task)).ThenBy(one => one.i).Select(one => one.task).ToList();
            if (open.TrueForAll(task => task.IsForNow)) break;
            var aside = all.Where(task => task.IsForNow && task.Place != TradePlace.PullForNow && !node.Keys.Contains($"now {task.Key}"));
            if ((FirstDone(node, open) ?? FirstDone(node, aside) ?? FirstDone(node, open, Leniency.Clash) ?? FirstDone(node, open,
                Leniency.NoPage)) is not { } next) break;
            node = next;
        }
        return Trace(node);
    }

    /// <summary>Pulled for a box that is reset and set alone; where it stands it is set as it hangs.</summary>
    private bool IsOfAReset(OrderTask task, Node node)
    {
        bool IsWaiting(string device) => resets.Contains(device) && !node.Keys.Contains($"reset {device}");
        return task is not PullOut { Cable: var id }
            || (node.House.FindCable(id) is { } cable && (IsWaiting(cable.A.Device) || IsWaiting(cable.B.Device)));
    }

    private TradePlace PlaceOf(OrderTask task, Node node) => task is PullOut && IsOfAReset(task, node) ? TradePlace.PullForNow : task.Place;

    /// <summary>At one box what cuts the installer off comes last: its DHCP server, then its mode.</summary>
    private static int Within(OrderTask task) =>
        task.Pages.Contains(SettingsPage.Mode) ? 2 : task.Pages.Contains(SettingsPage.DhcpOff) ? 1 : 0;

    private Node? FirstDone(Node node, IEnumerable<OrderTask> among, Leniency leniency = Leniency.None) =>
        among.Select(task => Do(node, task, leniency)).FirstOrDefault(next => next is not null);

    /// <summary>What a task may be done in spite of, where the order cannot go on otherwise.</summary>
    private enum Leniency { None, Clash, NoPage }

    private Node? Do(Node node, OrderTask task, Leniency leniency = Leniency.None)
    {
        var (house, moves) = (node.House, ImmutableArray<InstallerAction>.Empty);
        if (task.Page is { } page)
        {
            work += 2 * perHouse;
            if (spots.ToPage(house, page, out var there) is { } way) (moves, house) = (way, there);
            else if (leniency < Leniency.NoPage) return null;
            if (leniency < Leniency.NoPage && IsOverheard(house, task)) return null;
        }
        else if (house.FindEndpoint(Laptop.Id)?.Connect?.Socket is { } socket
            && task.Actions.Any(action => action.SocketsNeeded().Contains(socket)))
        {
            moves = [new PutLaptopAway()];
            house = Laptop.Away(house);
        }
        var after = house;
        foreach (var action in task.Actions)
        {
            if (action.Problem(after) is not null) return null;
            after = action.Apply(after);
        }
        work += perHouse;
        var state = Simulator.Run(after);
        if (leniency < Leniency.Clash && !Clashes.Keys(state).IsSubsetOf(clashes)) return null;
        var isCut = cutOff.In(state).Any();
        var isCutMeanwhile = isCut
            || (task.WaitSeconds > 0 && Downtime.While(state, task.Actions) is { } meanwhile && cutOff.In(Simulator.Run(meanwhile)).Any());
        // Walking and logging in take their time too, and whoever is cut off by then stays so.
        var logsIn = LogsIn(node, task);
        var cut = (isCutMeanwhile ? task.Minutes : 0) + (node.IsCut ? moves.Length + (logsIn ? 1 : 0) : 0);
        var walks = moves.Count(move => move is PlugLaptop or JoinLaptop);
        var labels = task.IsForNow ? node.Keys.Add($"now {task.Key}") : node.Keys.Add(task.Key);
        return new(after, labels,
            node.Cost + cut * PerCutMinute + walks * PerWalk + (moves.Length - walks)
                + moves.Count(move => move is SetLaptopAddress { Address: not null }) * PerFixedAddress + (IsAgainstTheGrain(house, task) ? AgainstTheGrain
                : 0) + (logsIn ? PerLogIn : 0) + (IsCarriedUnset(house, task) ? PerCarriedUnset : 0) + (IsTooEarly(state, task) ? PerWalk
                    : 0) + (IsInTheOpen(house, task) ? PerWalk : 0) + task.Minutes, node.Depth + 1, node, new(task, moves, house, after),
                        isCut, CutLeft(state));
    }

    /// <summary>The minutes for which somebody will be cut off yet, as far as can be foreseen: restarts of boxes that stand on somebody's
    /// way still. One that is out of
    /// the house by then cuts nobody, or has done so already.</summary>
    private double CutLeft(NetworkState state)
    {
        var minutes = 0.0;
        foreach (var (device, restart) in tasks.RestartsLeft(state.House))
        {
            if (!isOnTheWay.TryGetValue(device, out var isOn))
                isOnTheWay[device] = isOn = Downtime.Without(Simulator.Run(from), [device]) is { } without
                    && cutOff.In(Simulator.Run(without)).Any();
            if (isOn && Downtime.HasSomebodyBehind(state, device)) minutes += restart;
        }
        return minutes;
    }

    /// <summary>Set and proved beside the main box, then carried: common practice, no source.</summary>
    private bool IsCarriedUnset(NetworkDocument house, OrderTask task) =>
        task.Actions is [CarryDevice carry] && to.FindDevice(carry.Device) is { } wanted
            && !SettingCatalogue.AreAlike(house.FindDevice(wanted.Id)!, wanted);

    /// <summary>A thing is moved when it can be seen to work where it goes.</summary>
    private static bool IsTooEarly(NetworkState state, OrderTask task) =>
        task.Actions is [ConnectEndpoint { Endpoint: var thing }] && state.Internet(thing).Reachable != Answer.Yes;

    private static bool LogsIn(Node node, OrderTask task) =>
        task.Page is { } page && (node.Done?.Task is not { WaitSeconds: 0 } last || last.Page != page);

    private bool IsAgainstTheGrain(NetworkDocument house, OrderTask task) =>
        task.Actions is not [CarryDevice] && (task.Pages.Contains(SettingsPage.DhcpOff) || task.Pages.Contains(SettingsPage.Mode))
            && !task.Pages.Contains(SettingsPage.Address)
        && to.FindDevice(task.Device!) is { } wanted
            && SettingCatalogue.On(SettingsPage.Address).Any(setting => !setting.IsAlike(house.FindDevice(wanted.Id)!, wanted));

    /// <summary>A key typed over a network that nobody guards is everybody's.</summary>
    private static bool IsOverheard(NetworkDocument house, OrderTask task) =>
        house.FindEndpoint(Laptop.Id)?.Connect is Attachment.Join { Security: null or WifiSecurity.Open }
        && !task.IsForNow && task.Actions.Any(action => action is SetWifi { Network.Key: not null } or SetUplink { Uplink.Key: not null });

    /// <summary>An admin password is typed over it too: the network is given a key before anything else.</summary>
    private static bool IsInTheOpen(NetworkDocument house, OrderTask task) =>
        task is { Page: not null, IsForNow: false }
            && house.FindEndpoint(Laptop.Id)?.Connect is Attachment.Join { Security: null or WifiSecurity.Open };

    /// <summary>What is done, with the cables that are out, where the laptop is and whose page is open: the next task on that page needs no
    /// log-in.</summary>
    private static string KeyOf(Node node)
    {
        var laptop = node.House.FindEndpoint(Laptop.Id);
        var cables = node.House.Cables.Select(cable => cable.Id).Order(StringComparer.Ordinal);
        var opened = node.Done?.Task is { WaitSeconds: 0, Page: { } page } ? page : "";
        return $"{string.Join('|', node.Keys)}#{string.Join(',', cables)}#{laptop?.Connect}{laptop?.Address.Address}#{opened}";
    }

    private static ImmutableArray<Done> Trace(Node node)
    {
        var steps = new Stack<Done>();
        for (var at = node; at?.Done is { } done; at = at.Parent) steps.Push(done);
        return [.. steps];
    }
}
