using System.Collections.Immutable;
using Altrin.Core.Documents;
using Altrin.Core.Network;

namespace Altrin.Core.Actions;

/// <summary>A setting that is wanted otherwise and that no action of a person brings about.</summary>
public sealed record Unsettable(string Device, Setting Setting);

/// <summary>What is to be done to one house so that it is the other: the store, the orders and the planner ask here.</summary>
/// <param name="Actions">In an order in which each can be done; not one in which they should be: that is a work order's matter.</param>
/// <param name="Left">What they do not reach.</param>
public sealed record Difference(ImmutableArray<InstallerAction> All, ImmutableArray<Unsettable> Left)
{
    /// <summary>The actions from the one house to the other.</summary>
    public static ImmutableArray<InstallerAction> Actions(NetworkDocument found, NetworkDocument planned) => Between(found, planned).All;

    public static Difference Between(NetworkDocument found, NetworkDocument planned) => new Search(found, planned).Find();

    /// <summary>The settings of a box that differ, with what brings each about.</summary>
    public static IEnumerable<(Setting Setting, ImmutableArray<SettingAct> Acts)> Settings(NetworkDocument house, Device now, Device wanted) =>
        from setting in SettingCatalogue.All
        where !setting.IsAlike(now, wanted)
        select (setting, setting.Acts(house, now, wanted).ToImmutableArray());

    private sealed class Search
    {
        /// <summary>A mode may bring an address of its own, and an address a pool: a second round sets what the first has moved.</summary>
        private const int MostRounds = 4;

        private readonly ImmutableArray<InstallerAction>.Builder actions = ImmutableArray.CreateBuilder<InstallerAction>();
        private readonly List<Unsettable> left = [];
        private readonly NetworkDocument found, planned;
        private NetworkDocument house;

        public Search(NetworkDocument found, NetworkDocument planned) => (this.found, this.planned, house) = (found, planned, found);

        public Difference Find()
        {
            Unplug();
            foreach (var box in planned.Devices.Where(box => house.FindDevice(box.Id) is null)) Do(new AddDevice(box));
            foreach (var box in planned.Devices) Describe(box);
            MoveLine();
            foreach (var gone in found.Devices.Where(box => planned.FindDevice(box.Id) is null)) Do(new RemoveDevice(gone.Id));
            foreach (var box in planned.Devices) Set(box);
            foreach (var thing in planned.Endpoints) Set(thing);
            foreach (var cable in planned.Cables.Where(cable => house.FindCable(cable.Id) is null)) Do(new PlugCable(cable));
            Record();
            return new(actions.ToImmutable(), [.. left]);
        }

        private bool Do(InstallerAction action)
        {
            if (action.Problem(house) is not null) return false;
            house = action.Apply(house);
            actions.Add(action);
            return true;
        }

        /// <summary>What is plugged otherwise is pulled first, so that every socket that is wanted is free when its turn comes.</summary>
        private void Unplug()
        {
            foreach (var box in planned.Devices)
                if (found.FindDevice(box.Id) is { } old && CarryDevice.IsDue(found, old, box)) Do(new CarryDevice(box.Id, box.Room!, box.At));
            foreach (var old in found.Cables)
            {
                if (house.FindCable(old.Id) is null) continue;
                if (planned.FindCable(old.Id) is not { } cable || (cable.A, cable.B) != (old.A, old.B)) Do(new UnplugCable(old.Id));
                else if (!SameWritten.Are(old, cable)) Do(new ReplaceCable(cable.Id, cable.Medium, cable.Category, cable.LengthM));
            }
            foreach (var old in found.Endpoints)
            {
                if (planned.FindEndpoint(old.Id) is not { } thing) Do(new RemoveEndpoint(old.Id));
                else if (house.FindEndpoint(old.Id)!.Connect is not null && !SameWritten.Are(old.Connect, thing.Connect)) Do(new UnplugEndpoint(old.Id));
            }
        }

        private void MoveLine()
        {
            if (SameWritten.Are(house.Line, planned.Line)) return;
            Do(planned.Line is { } line ? new SetLine(line) : new RemoveLine());
        }

        private void Describe(Device wanted)
        {
            var now = house.FindDevice(wanted.Id)!;
            if (!ReferenceEquals(now, wanted) && !SameWritten.Are(SettingCatalogue.Described(now, wanted), now)) Do(new DescribeDevice(wanted));
        }

        private void Set(Device wanted)
        {
            if (SameWritten.Are(house.FindDevice(wanted.Id), wanted)) return;
            for (var round = 0; round < MostRounds; round++)
            {
                var before = actions.Count;
                foreach (var setting in SettingCatalogue.All)
                    if (!setting.IsAlike(house.FindDevice(wanted.Id)!, wanted))
                        foreach (var act in setting.Acts(house, house.FindDevice(wanted.Id)!, wanted)) Do(act.Action);
                if (actions.Count == before) break;
            }
            Describe(wanted);
            foreach (var setting in SettingCatalogue.All)
                if (!setting.IsAlike(house.FindDevice(wanted.Id)!, wanted)) left.Add(new(wanted.Id, setting));
        }

        private void Set(Endpoint wanted)
        {
            if (ReferenceEquals(house.FindEndpoint(wanted.Id), wanted)) return;
            if (house.FindEndpoint(wanted.Id) is not { } now)
            {
                Do(new AddEndpoint(wanted));
                return;
            }
            if (!SameWritten.Are(wanted with { Connect = now.Connect, Address = now.Address }, now)) Do(new DescribeEndpoint(wanted));
            if (wanted.Connect is { } connect && !SameWritten.Are(house.FindEndpoint(wanted.Id)!.Connect, connect)) Do(new ConnectEndpoint(wanted.Id, connect));
            if (!SameWritten.Are(now.Address, wanted.Address)) Do(new SetEndpointAddress(wanted.Id, wanted.Address));
        }

        private void Record()
        {
            foreach (var gone in house.Needs.Where(need => !planned.Needs.Any(kept => kept.Id == need.Id))) Do(new RemoveNeed(gone.Id));
            foreach (var need in planned.Needs)
                if (!SameWritten.Are(house.Needs.FirstOrDefault(one => one.Id == need.Id), need)) Do(new SetNeed(need));
            foreach (var gone in house.Kinds.Where(kind => !planned.Kinds.Any(kept => kept.Kit == kind.Kit))) Do(new NoteKind(gone.Kit));
            foreach (var kind in planned.Kinds.Where(kind => !SameWritten.Are(house.Kinds.FirstOrDefault(one => one.Kit == kind.Kit), kind)))
                Do(new NoteKind(kind.Kit) { Kind = kind });
            var wanted = new DescribeHouse(planned.Name, planned.Country, planned.Building)
            {
                Rooms = planned.Rooms,
                Buildings = SameWritten.Are(house.Buildings, planned.Buildings) ? null : planned.Buildings,
                Runs = planned.Runs,
                Neighbours = planned.Neighbours,
            };
            if (!SameWritten.Are(wanted.Apply(house), house)) Do(wanted);
            foreach (var gone in house.Measured.Where(one => !planned.Measured.Any(kept => kept.Id == one.Id))) Do(new ForgetMeasured(gone.Id));
            foreach (var one in planned.Measured.Where(one => !SameWritten.Are(house.Measured.FirstOrDefault(now => now.Id == one.Id), one))) Do(new NoteMeasured(one));
            if (Ids(house.Devices, box => box.Id, planned.Devices) && Ids(house.Cables, cable => cable.Id, planned.Cables)
                && Ids(house.Endpoints, thing => thing.Id, planned.Endpoints) && Ids(house.Needs, need => need.Id, planned.Needs)) return;
            var order = new PutInOrder
            {
                Devices = [.. planned.Devices.Select(one => one.Id)],
                Cables = [.. planned.Cables.Select(one => one.Id)],
                Endpoints = [.. planned.Endpoints.Select(one => one.Id)],
                Needs = [.. planned.Needs.Select(one => one.Id)],
            };
            if (!SameWritten.Are(order.Apply(house), house)) Do(order);
        }

        private static bool Ids<T>(ImmutableArray<T> now, Func<T, string> id, ImmutableArray<T> wanted) => now.Select(id).SequenceEqual(wanted.Select(id));
    }
}
