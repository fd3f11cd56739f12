using Altrin.Core.Actions;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Readings.Eyes;
using Altrin.Core.Readings.Parsers;
using Altrin.Core.Simulation;
using Altrin.Core.Tests;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Watching;

namespace Altrin.KernelLab.Tests;

/// <summary>The program on a laptop in houses that are really built: what it takes in is what the house is, and what a step says is what it
/// sees.</summary>
public class LookTests(ITestOutputHelper output)
{
    private static void NeedKernelAndProgram()
    {
        Assert.SkipWhen(Kernel.WhyNot is not null, $"KERNEL LAB NOT RUN: {Kernel.WhyNot}.");
        Assert.SkipWhen(!File.Exists(LaptopInLab.Program), "The program is not built: ./altrin test builds it.");
    }

    /// <summary>Random houses, the laptop at up to three sockets of each.</summary>
    [Theory]
    [InlineData(8), InlineData(50, Traits = ["kind", "long"])]
    public void What_the_program_takes_in_is_the_house(int houses)
    {
        NeedKernelAndProgram();
        var places = Places(houses).ToList();
        var wrong = new List<string>();
        var (looked, facts) = (0, 0);
        Parallel.ForEach(places, new ParallelOptions { MaxDegreeOfParallelism = 4 }, place =>
        {
            using var lab = LaptopInLab.Of(place.House);
            if (lab is null) return;
            var (count, differs) = Compare(place.House, lab);
            lock (wrong)
            {
                looked++;
                facts += count;
                wrong.AddRange(differs.Select(one => $"{place.Name}: {one}"));
            }
        });
        var summary = $"{houses} houses, {looked} places, {facts} facts; {wrong.Count} otherwise than simulated.";
        output.WriteLine(summary);
        if (Environment.GetEnvironmentVariable("ALTRIN_LAB_REPORT") is { Length: > 0 }) Console.WriteLine(summary);
        Assert.True(wrong.Count == 0, $"{summary}\n{string.Join('\n', wrong.Take(30))}");
        Assert.True(looked >= houses && facts > looked * 4, summary);
    }

    /// <summary>The order of the demo, done by a robot: before each step the program sees that it is not done, or that it cannot tell;
    /// after it, that it is.</summary>
    [Fact]
    public void Every_step_of_an_order_is_seen_by_the_program()
    {
        NeedKernelAndProgram();
        var house = Examples.House("larkspur-house");
        var plan = PlanSearch.Of(house, TestContext.Current.CancellationToken).Plans[0].House;
        var seen = 0;
        var wrong = new List<string>();
        foreach (var step in OrderWays.Of(house, plan).Best.Steps.Where(Watch.IsForEyes))
        {
            // The kernel has no air: what only the list of networks shows is not looked for here.
            var glance = Watch.GlanceOf(step, LaptopInLab.Outside);
            using (var after = step.After!.FindEndpoint(Laptop.Id) is null ? null : LaptopInLab.Of(step.After))
                if (after is not null)
                {
                    var done = Watch.Of(step, after.Look(glance), null);
                    output.WriteLine($"{step.Number} {step.Title}: {done.How}, {done.Seen}");
                    if (done.How == Watched.NotForEyes) continue;
                    seen++;
                    if (done.How != Watched.AsSaid) wrong.Add($"{step.Number} {step.Title}, done: {done.Says}");
                }
            using var before = step.Before!.FindEndpoint(Laptop.Id) is null ? null : LaptopInLab.Of(step.Before);
            if (before is not null && Watch.Of(step, before.Look(glance), null) is { How: Watched.Otherwise } otherwise)
                wrong.Add($"{step.Number} {step.Title}, not done: {otherwise.Says}");
        }
        Assert.True(wrong.Count == 0, string.Join('\n', wrong));
        Assert.True(seen >= 8, $"Only {seen} steps were seen.");
    }

    private static IEnumerable<(string Name, NetworkDocument House)> Places(int houses) =>
        from house in LabHouses.From(1).Take(houses)
        let sockets = house.Devices.Select(box => (Box: box, Port: house.FreePort(box, PortRole.Lan))).Where(one =>
            one.Port is not null).Take(3)
        from socket in sockets
        let there = ActionRunner.DoAll(Laptop.Away(house), [new PlugLaptop(new(socket.Box.Id, socket.Port!.Id))]).House
        where there is not null
        select ($"{house.Name} at {socket.Box.Id}", there);

    /// <summary>Addresses that a box or thing gives itself are not built: in the kernel it has none then.</summary>
    private static bool IsAsked(Ipv4Address at) => Manners.Refuse(at) is null && !AddressRanges.LinkLocal.Contains(at);

    private static (int Facts, List<string> Wrong) Compare(NetworkDocument house, LaptopInLab lab)
    {
        var state = Simulator.Run(house);
        var wrong = new List<string>();
        var facts = 0;
        void Same(string what, object? simulated, object? shown)
        {
            facts++;
            if (!Equals(simulated, shown)) wrong.Add($"{what}: simulated {simulated ?? "nothing"}, the program sees {shown ?? "nothing"}");
        }
        var pages = house.Devices.Select(box => state.Lan(box.Id)?.Address?.Address).OfType<Ipv4Address>().Where(IsAsked).Distinct();
        var pings = house.Endpoints.Where(one => one.Id != Laptop.Id).Select(one =>
            state.Net(one.Id)?.Candidates.FirstOrDefault()?.Address?.Address)
            .OfType<Ipv4Address>().Where(IsAsked).Distinct();
        var glance = new Glance([.. pings], [.. pages]) { Outside = LaptopInLab.Outside };
        var shown = lab.Look(glance);
        var expected = new SimulatedEyes(state, Laptop.Id).Look(glance, TestContext.Current.CancellationToken).Result.Reading;
        var (own, adapter) = (expected.InUse(false), shown.InUse(false));
        // Where nobody gives an address out the kernel gives itself none.
        if (own?.LinkLocal != true)
        {
            Same("address", own?.Address, adapter?.Address);
            Same("gateway", own?.Gateway, adapter?.Gateway);
        }
        foreach (var ping in expected.Pings.Where(one => one.Target != $"{LaptopInLab.Outside}"))
            Same($"ping {ping.Target}", ping.Received, shown.Pings.FirstOrDefault(one => one.Target == ping.Target)?.Received);
        if (state.Internet(Laptop.Id).Reachable is var internet and not Answer.Sometimes)
            Same("internet", internet == Answer.Yes, shown.Pings.Any(one => one.Target == $"{LaptopInLab.Outside}" && one.Received == 1));
        foreach (var page in expected.Pages)
        {
            Same($"page {page.Address}", page.Opens, shown.Pages.Any(one => one.Address == page.Address && one.Opens));
            var holders = house.Devices.Count(box => state.Lan(box.Id)?.Address?.Address == Ipv4Address.Parse(page.Address));
            // Which of two holders answers is chance.
            if (page.Opens && holders == 1) Same($"title at {page.Address}", page.Title, shown.Pages.FirstOrDefault(one =>
                one.Address == page.Address)?.Title);
        }
        foreach (var neighbour in expected.Neighbours)
            Same($"neighbour {neighbour.Address}", neighbour.Mac, shown.Neighbours.FirstOrDefault(one =>
                one.Address == neighbour.Address)?.Mac);
        return (facts, wrong);
    }
}
