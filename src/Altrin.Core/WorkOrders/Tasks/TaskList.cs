using System.Collections.Immutable;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Network;

namespace Altrin.Core.WorkOrders.Tasks;

/// <summary>What is left to do between a house as the work has left it and the one that is planned, one act a step.</summary>
/// <param name="found">Before any of it.</param>
/// <param name="resets">Boxes whose page nobody can open, or whose settings nobody knows: held at reset before anything is set on
/// them.</param>
internal sealed class TaskList(NetworkDocument found, NetworkDocument planned, ImmutableHashSet<string> resets)
{
    /// <summary>Pages on which a box differs from what it is to be. The same box stands in hundreds of houses that are looked at.</summary>
    private readonly Dictionary<Device, ImmutableHashSet<SettingsPage>> pagesOf = new(ReferenceEqualityComparer.Instance);

    private ImmutableHashSet<SettingsPage> Differ(Device now, Device wanted) => pagesOf.TryGetValue(now, out var known) ? known
        : pagesOf[now] = [.. SettingCatalogue.All.Where(setting => !setting.IsAlike(now, wanted)).Select(setting => setting.Page)];

    /// <param name="done">Keys of what is done: a box that was reset is set, one that still has to be is not.</param>
    public IEnumerable<OrderTask> In(NetworkDocument house, ImmutableSortedSet<string> done)
    {
        foreach (var wanted in planned.Devices)
        {
            if (house.FindDevice(wanted.Id) is not { } now)
            {
                yield return new BringBox(planned, wanted);
                continue;
            }
            if (CarryDevice.IsStillDue(found, house, now, wanted)) yield return new CarryBox(now, wanted.Room!, wanted.At);
            if (MustBeReset(wanted.Id, done))
            {
                yield return new ResetBox(now);
                continue;
            }
            if (ReferenceEquals(now, wanted)) continue;
            if (Differ(now, wanted) is not { Count: > 0 } differ) continue;
            if (AddToMesh.IsSatellite(now, wanted) && !differ.Contains(SettingsPage.Power))
            {
                if (AddToMesh.For(house, planned, wanted, (one, due) => Differ(one, due).IsEmpty) is { } add) yield return add;
                continue;
            }
            if (RunWizard.For(house, planned, now, wanted, differ, IsAlone(house, wanted.Id, done)) is { } wizard) yield return wizard;
            else
                foreach (var save in new BoxSaves(planned, house, now, wanted, differ, IsAlone(house, wanted.Id, done)).All())
                    yield return save;
        }
        foreach (var act in Cables(house, done)) yield return act;
        foreach (var act in Things(house, done)) yield return act;
        // What leaves the house takes its cables along.
        foreach (var gone in house.Devices.Where(box => planned.FindDevice(box.Id) is null && house.Line?.Device != box.Id))
            yield return new TakeBoxAway(gone);
        foreach (var gone in house.Endpoints.Where(thing => planned.FindEndpoint(thing.Id) is null)) yield return new TakeThingAway(gone);
    }

    /// <summary>Reset or unpacked by this work, and nothing but the laptop is plugged into it.</summary>
    private static bool IsAlone(NetworkDocument house, string device, ImmutableSortedSet<string> done) =>
        (done.Contains($"reset {device}") || done.Contains($"bring {device}"))
            && !house.Cables.Any(cable => cable.A.Device == device || cable.B.Device == device)
        && !house.Endpoints.Any(thing => thing.Connect?.Socket?.Device == device);

    private bool MustBeReset(string device, ImmutableSortedSet<string> done) =>
        resets.Contains(device) && !done.Contains($"reset {device}");

    /// <summary>At the least so many minutes more, whatever the order.</summary>
    public double MinutesLeft(NetworkDocument house)
    {
        var minutes = 0.0;
        foreach (var wanted in planned.Devices)
        {
            var now = house.FindDevice(wanted.Id);
            if (now is null) minutes += 2;
            else if (CarryDevice.IsStillDue(found, house, now, wanted)) minutes += 2;
            if (now is not null && !ReferenceEquals(now, wanted))
            {
                // On a page of its own only where it does not stand beside another.
                var pages = Differ(now, wanted);
                if (AddToMesh.IsSatellite(now, wanted))
                {
                    minutes += pages.IsEmpty ? 0 : 1 + WorkTimes.ModeSave(wanted) / 60.0;
                    continue;
                }
                foreach (var page in pages)
                    if (!IsBeside(page, pages)) minutes += 1 + BoxSaves.Wait(page, wanted) / 60.0;
            }
        }
        foreach (var cable in planned.Cables)
            if (house.FindCable(cable.Id) is not { } now) minutes += 1.5;
            else minutes += IsAnother(now, cable) ? 2.5 : (now.A == cable.A ? 0 : 1) + (now.B == cable.B ? 0 : 1);
        minutes += house.Cables.Count(cable => planned.FindCable(cable.Id) is null);
        foreach (var thing in planned.Endpoints)
            if (house.FindEndpoint(thing.Id) is { } now && !ReferenceEquals(now, thing))
                minutes += (SameWritten.Are(now.Connect, thing.Connect) ? 0 : 1) + (SameWritten.Are(now.Address, thing.Address) ? 0 : 1);
        return minutes;
    }

    /// <summary>The boxes that have to restart yet, and for how many minutes at the least: an address and the server go in one save, a mode
    /// is one of its own.</summary>
    public IEnumerable<(string Device, double Minutes)> RestartsLeft(NetworkDocument house)
    {
        foreach (var wanted in planned.Devices)
        {
            if (house.FindDevice(wanted.Id) is not { } now || ReferenceEquals(now, wanted)) continue;
            var pages = Differ(now, wanted);
            var minutes = (pages.Contains(SettingsPage.Address) || pages.Contains(SettingsPage.DhcpOff)
                ? 1 + BoxSaves.Wait(SettingsPage.Address, wanted) / 60.0 : 0)
                + (pages.Contains(SettingsPage.Mode) ? 1 + BoxSaves.Wait(SettingsPage.Mode, wanted) / 60.0 : 0);
            if (minutes > 0) yield return (wanted.Id, minutes);
        }
    }

    private static bool IsBeside(SettingsPage page, ImmutableHashSet<SettingsPage> pages) => page switch
    {
        SettingsPage.DhcpOff => pages.Contains(SettingsPage.Address) || pages.Contains(SettingsPage.Dhcp),
        SettingsPage.Dhcp => pages.Contains(SettingsPage.Address),
        _ => false,
    };

    private IEnumerable<OrderTask> Cables(NetworkDocument house, ImmutableSortedSet<string> done)
    {
        foreach (var cable in house.Cables)
        {
            var wanted = planned.FindCable(cable.Id);
            if (wanted is null || (cable.A != wanted.A && cable.B != wanted.B) || IsAnother(cable, wanted))
                yield return new PullOut(cable.Id);
            else if (cable.A != wanted.A || cable.B != wanted.B)
            {
                var (from, to) = cable.A != wanted.A ? (cable.A, wanted.A) : (cable.B, wanted.B);
                yield return new MoveEnd(cable.Id, from, to);
                yield return new PullOut(cable.Id);
            }
            // Pulled for the time of the work: a box that is being set must not meet the house half done.
            else if (IsBeingSet(house, cable.A.Device, done) || IsBeingSet(house, cable.B.Device, done))
                yield return new PullOut(cable.Id) { IsForNow = true };
        }
        foreach (var cable in planned.Cables)
            if (house.FindCable(cable.Id) is null && !IsStillElsewhere(house, cable.A) && !IsStillElsewhere(house, cable.B))
                yield return new PlugIn(cable);
        if (house.Line?.Socket != planned.Line?.Socket) yield return new MoveTheLine(planned.Line);
    }

    /// <summary>Between the same sockets, but of another kind or length: it is another cable.</summary>
    private static bool IsAnother(Cable now, Cable wanted) => !SameWritten.Are(now with { A = wanted.A, B = wanted.B }, wanted);

    private bool IsStillElsewhere(NetworkDocument house, Socket socket) =>
        house.FindDevice(socket.Device) is { } now && CarryDevice.IsStillDue(found, house, now, planned.FindDevice(socket.Device)!);

    private bool IsBeingSet(NetworkDocument house, string device, ImmutableSortedSet<string> done) =>
        (house.FindDevice(device) is not null && MustBeReset(device, done))
            || (house.FindDevice(device) is { } now && planned.FindDevice(device) is { } wanted && !ReferenceEquals(now, wanted)
                && !SettingCatalogue.AreAlike(now, wanted));

    private IEnumerable<OrderTask> Things(NetworkDocument house, ImmutableSortedSet<string> done)
    {
        foreach (var wanted in planned.Endpoints)
        {
            if (house.FindEndpoint(wanted.Id) is not { } now)
            {
                yield return new BringThing(wanted);
                continue;
            }
            // A box that is reset is set with nothing on it.
            if (now.Connect?.Socket is { Device: var at } && IsBeingSet(house, at, done) && resets.Contains(at))
                yield return new MoveThing(now with { Connect = null }) { Key = $"unplug {now.Id}", IsForNow = true };
            if (ReferenceEquals(now, wanted)) continue;
            if (!SameWritten.Are(now.Connect, wanted.Connect))
                yield return new MoveThing(wanted);
            if (SameWritten.Are(now.Address, wanted.Address)) continue;
            yield return new AddressThing(now, wanted.Address);
            // Each wants what the other has: one of them asks for an address for as long as that takes.
            if (now.Address.Address is { } held && wanted.Address.Address is { } due && BoxSaves.IsHeld(house, wanted.Id, due.Address)
                && BoxSaves.IsHeld(planned, wanted.Id, held.Address))
                yield return new AddressThing(now, new()) { Key = $"address {wanted.Id} for now", IsForNow = true };
        }
    }

}
