using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Slow;

/// <summary>The stairs and the traced ways, held against a plain reading of the same state and of the document.</summary>
public class SecondPictureTests
{
    private static IEnumerable<(string Name, NetworkState State)> All()
    {
        foreach (var example in Examples.Names()) yield return (example, Simulator.Run(Examples.House(example)));
        for (var seed = 1; seed <= 500; seed++) yield return ($"house {seed}", Simulator.Run(Houses.Rich(seed)));
        // More routers behind routers.
        for (var seed = 1; seed <= 300; seed++) yield return ($"cabled house {seed}", Simulator.Run(Houses.Make(seed)));
    }

    [Fact]
    public void Treads_are_the_same()
    {
        var (guests, cutOff, deep) = (0, 0, 0);
        foreach (var (name, state) in All())
        {
            var (stairs, plain) = (Stairs.Of(state), new PlainStairs(state));
            var treads = stairs.Treads.Where(tread => !tread.IsTable).ToList();
            string Id(int segment) => state.Segments[segment].Id;
            Assert.True(plain.Shown.Select(Id).SequenceEqual(treads.Select(tread => tread.Segment)), $"{name}: {string.Join(", ", plain.Shown.Select(Id))} by the plain reading, {string.Join(", ", treads.Select(tread => tread.Segment))}");
            foreach (var (segment, tread) in plain.Shown.Zip(treads))
            {
                var place = plain.Places[segment];
                Assert.Equal((place.Depth, place.Above < 0 ? null : Id(place.Above), place.IsCutOff), (tread.Depth, tread.Parent, tread.IsCutOff));
                Assert.Equal(state.House.Devices.Where(box => state.InsideOf(box.Id) == segment && !plain.IsStep(box)).Select(box => box.Id), tread.Boxes);
                Assert.Equal(state.House.Endpoints.Where(thing => state.Net(thing.Id)?.Segment == segment).Select(thing => thing.Id), tread.Things);
                Assert.Equal(state.House.Devices.FirstOrDefault(box => state.GuestsOf(box.Id) == segment)?.Id, tread.GuestsOf);
                Assert.Equal(state.Air.Where(one => one.Segment == segment).Select(one => one.Network.Ssid).Distinct().Order(StringComparer.Ordinal), tread.WifiNames.Order(StringComparer.Ordinal));
                Assert.Equal(state.Servers.Where(one => one.Segment == segment && !LineWords.IsStandIn(state.House, one.Pool.Start)).Select(one => (one.Device, one.Pool.Count == 1 ? $".{one.Pool.Start.Value & 255}" : $".{one.Pool.Start.Value & 255} to .{one.Pool.End.Value & 255}")), tread.Servers.Select(one => (one.Device, one.Pool)));
                (guests, cutOff, deep) = (guests + (tread.GuestsOf is null ? 0 : 1), cutOff + (tread.IsCutOff ? 1 : 0), Math.Max(deep, tread.Depth));
            }
            Assert.Equal(state.House.Devices.Where(box => !state.IsInUse(box.Id)).Select(box => box.Id), stairs.Treads.Where(tread => tread.IsTable).SelectMany(tread => tread.Boxes));
        }
        Assert.True(guests > 20 && cutOff > 100 && deep > 2, $"{guests} of guests, {cutOff} cut off, {deep} deep");
    }

    [Fact]
    public void Steps_are_the_same()
    {
        var (twice, passed, circles) = (0, 0, 0);
        foreach (var (name, state) in All())
        {
            var (stairs, plain) = (Stairs.Of(state), new PlainStairs(state));
            Assert.Equal(state.House.Devices.Where(plain.IsStep).Select(box => box.Id), stairs.Steps.Select(step => step.Device));
            foreach (var step in stairs.Steps)
            {
                var box = state.House.FindDevice(step.Device)!;
                if (plain.Translations(box) is { } count) Assert.True(count == step.Number, $"{name}, {box.Id}: {count} by the plain reading, {step.Number}");
                else circles++;
                Assert.Equal(plain.PassedBy(box), step.PassedBy);
                var outside = state.OutsideOf(box.Id);
                Assert.Equal(outside >= 0 && plain.Places.ContainsKey(outside) && state.IsWanPlugged(box.Id) ? state.Segments[outside].Id : null, step.Upper);
                Assert.Equal(state.Segments[state.InsideOf(box.Id)].Id, step.Lower);
                Assert.Equal(PlainStairs.Translates(box), step.Translates);
                Assert.Equal(state.Wan(box.Id)?.Candidates.Select(one => one.Address is { } held ? LineWords.SayShort(state.House, held.Address) : "none") ?? [], step.Outside);
                Assert.Equal(state.Lan(box.Id)?.Address is { } own ? $"{own}" : null, step.Inside);
                (twice, passed) = (twice + (step.Number > 1 ? 1 : 0), passed + (step.PassedBy is null ? 0 : 1));
            }
        }
        Assert.True(twice > 20 && passed > 0 && circles > 0, $"{twice} translate twice, {passed} are passed through, {circles} in circles");
    }

    /// <summary>Each hop goes over something that the document joins the two boxes by, carries the address that was held last, and a router is the only one that changes it.</summary>
    [Fact]
    public void Every_hop_of_a_way_stands_on_something()
    {
        var (cables, radios, changed) = (0, 0, 0);
        foreach (var (name, state) in All())
            foreach (var thing in state.House.Endpoints)
            {
                var trace = state.TraceOf(thing.Id);
                var own = state.Net(thing.Id)?.Candidates.FirstOrDefault()?.Address?.Address;
                var (at, source) = ((string?)null, own is { } first ? LineWords.Say(state.House, first) : null);
                foreach (var hop in trace.Hops)
                {
                    var what = $"{name}, {thing.Id}: {hop}";
                    switch (hop.Over)
                    {
                        case TraceLink.Plug:
                            Assert.True(at is null && thing.Connect?.Socket?.Device == hop.Device, what);
                            break;
                        case TraceLink.Cable:
                            var cable = state.House.FindCable(hop.Cable!)!;
                            Assert.True((cable.A.Device, cable.B.Device) == (at, hop.Device) || (cable.B.Device, cable.A.Device) == (at, hop.Device), what);
                            cables++;
                            break;
                        case TraceLink.Radio when at is null:
                            Assert.True(state.JoinedBox(thing.Id) == hop.Device && state.House.FindDevice(hop.Device)!.Wifi[state.JoinedNetwork(thing.Id)!.Value.Place].Ssid == hop.Ssid, what);
                            break;
                        case TraceLink.Radio:
                            var (joins, serves) = state.UplinkBox(at) == hop.Device ? (at, hop.Device) : (hop.Device, at);
                            Assert.True(state.UplinkBox(joins) == serves && state.House.FindDevice(serves)!.Wifi[state.JoinedNetwork(joins)!.Value.Place].Ssid == hop.Ssid, what);
                            radios++;
                            break;
                        default:
                            // The line is met as another box, or at the end.
                            Assert.True(hop.Device == "isp" || state.House.FindDevice(hop.Device)!.Traits.Routing == Routing.Nobody || at is not null, what);
                            break;
                    }
                    Assert.True(hop.Source == source, $"{what}: it holds {source}");
                    if (hop.Becomes is { } now && hop.Device != "isp")
                    {
                        Assert.True(state.House.FindDevice(hop.Device) is { Nat: true, RoutesForItsOwn: true } && hop.Role == TraceRole.Router, what);
                        Assert.Equal(LineWords.Say(state.House, state.Wan(hop.Device)!.Candidates.First().Address!.Value.Address), now);
                        changed++;
                    }
                    if (hop.Role == TraceRole.Router) source = state.Wan(hop.Device)!.Candidates.FirstOrDefault()?.Address is { } held ? LineWords.Say(state.House, held.Address) : null;
                    at = hop.Device;
                }
            }
        Assert.True(cables > 150 && radios > 20 && changed > 100, $"{cables} cables, {radios} joins, {changed} translated");
    }
}
