using System.Collections.Concurrent;
using System.Diagnostics;
using System.Globalization;
using System.Text.Json;
using Altrin.Core.Diagnosis;
using Altrin.Core.Documents;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Tests;
using Altrin.Core.Tests.Kernel;
using Altrin.Core.Tests.Planning;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.KernelLab.Tests;

/// <summary>Every example document, and seeded random ones, built for real and compared with what the simulator says.</summary>
public class LabTests(ITestOutputHelper output)
{
    private static readonly int Count = Setting("ALTRIN_LAB_COUNT", 60), Seed = Setting("ALTRIN_LAB_SEED", 1);
    private static readonly Lazy<Task<ConcurrentDictionary<string,
        LabReport>>> Reports = new(() => Run(Examples.Names().Select(name => (name, Examples.House(name)))));

    private static readonly JsonSerializerOptions Plain = new(JsonSerializerDefaults.Web) { Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping, DefaultIgnoreCondition = System.Text.Json.Serialization.JsonIgnoreCondition.WhenWritingNull };

    private static int Setting(string name, int otherwise) =>
        int.TryParse(Environment.GetEnvironmentVariable(name), NumberStyles.None, CultureInfo.InvariantCulture, out var value) ? value
            : otherwise;

    private static void NeedKernel() =>
        Assert.SkipWhen(Kernel.WhyNot is not null,
        $"KERNEL LAB NOT RUN: {Kernel.WhyNot}. It wants root and the packages iproute2, nftables, dnsmasq-base and udhcpc.");

    [Theory, MemberData(nameof(Examples.All), MemberType = typeof(Examples))]
    public async Task An_example_is_in_the_kernel_as_the_simulator_says(string example)
    {
        NeedKernel();
        // It would have to translate for some with the address that it has handed to another.
        Assert.SkipWhen(Examples.House(example).Devices.Any(box => box.PassthroughShares == true),
            "The lab builds no gateway that hands its line on and goes on routing.");
        var report = (await Reports.Value)[example];
        Assert.True(report.Disagreements.Count == 0, report.Say(Examples.House(example)));
        Assert.True(report.Facts > 0);
        if (report.LeftOut is { } leftOut) output.WriteLine($"{example}: left out {leftOut}");
    }

    [Fact, Trait("kind", "random")]
    public async Task Random_houses_are_in_the_kernel_as_the_simulator_says()
    {
        NeedKernel();
        var houses = LabHouses.From(Seed).Take(Count).ToList();
        var watch = Stopwatch.StartNew();
        var reports = await Run(houses.Select(house => (house.Name, house)));
        var wrong = houses.Where(house => reports[house.Name].Disagreements.Count > 0).ToList();
        var (lab, simulated) = (reports.Values.Sum(one => one.Lab.TotalMilliseconds),
            reports.Values.Sum(one => one.Simulated.TotalMilliseconds));
        var summary = $"{houses.Count} random houses from seed {Seed} in {watch.Elapsed.TotalSeconds:0} s: {reports.Values.Sum(one => one.Facts)} facts, "
            + $"{reports.Values.Sum(one => one.Yes)} yes, {reports.Values.Sum(one => one.No)} no, {reports.Values.Sum(one => one.Races)} races; "
            + $"{wrong.Count} houses disagree. The kernel took {lab:0} ms, the simulator {simulated:0.0} ms for the same questions: 1 to {lab / simulated:0}.";
        output.WriteLine(summary);
        // On demand (./altrin lab, ./altrin bench) the count is the answer, though all is well.
        if (Environment.GetEnvironmentVariable("ALTRIN_LAB_REPORT") is { Length: > 0 }) Console.WriteLine(summary);
        if (Environment.GetEnvironmentVariable("ALTRIN_LAB_RECORD") is { Length: > 0 }) await Record(houses.Except(wrong).Select(house =>
            (house, reports[house.Name])));
        Assert.True(wrong.Count == 0, $"{summary}\n{string.Join("\n\n", wrong.Take(12).Select(house => reports[house.Name].Say(house)))}");
        Assert.True(reports.Values.Sum(one => one.Yes) > Count
            && reports.Values.Sum(one => one.No) > Count, "Too few facts to prove anything.");
    }

    /// <summary>Something is hidden in a house: what a diagnosis thinks would then be seen is what the kernel does. Of each kind of cause
    /// one a house, a loop aside, which would be built of real frames.</summary>
    [Theory, Trait("kind", "hidden")]
    [InlineData("larkspur-house", Traits = ["kind", "long"])]
    [InlineData("healthy", "modem-in-front")]
    [InlineData("passthrough", "hairpin", "pppoe-line", "static-line", Traits = ["kind", "long"])]
    public async Task A_house_in_which_something_is_hidden_is_in_the_kernel_as_the_simulator_says(params string[] examples)
    {
        NeedKernel();
        var houses = examples.SelectMany(name => Diagnoser.CausesIn(Examples.House(name)).Where(cause => cause.Kind.Name != "loop")
            .DistinctBy(cause => cause.Kind).Select(cause =>
                (Name: $"{name}, {cause.Sentence}", House: cause.Change(Examples.House(name))))).ToList();
        var reports = await Run(houses);
        var wrong = houses.Where(one => reports[one.Name].Disagreements.Count > 0).ToList();
        output.WriteLine($"{houses.Count} houses: {reports.Values.Sum(one => one.Facts)} facts, {reports.Values.Sum(one => one.Yes)} yes, {reports.Values.Sum(one => one.No)} no; {wrong.Count} disagree.");
        Assert.True(wrong.Count == 0, string.Join("\n\n", wrong.Take(6).Select(one => $"{one.Name}\n{reports[one.Name].Say(one.House)}")));
        Assert.True(houses.Count > 12 && reports.Values.Sum(one => one.Yes) > 50 && reports.Values.Sum(one => one.No) > 50);
    }

    /// <summary>What is planned is what comes: the best plan of houses as installers meet them, and every third house on the way to it, the
    /// laptop in it.</summary>
    [Fact, Trait("kind", "plans")]
    public async Task Plans_and_the_houses_on_the_way_to_them_are_in_the_kernel_as_the_simulator_says()
    {
        NeedKernel();
        var wanted = Setting("ALTRIN_LAB_PLANS", 3);
        var houses = new List<(string Name, NetworkDocument House)>();
        for (var (seed, planned) = (Seed, 0); planned < wanted; seed++)
        {
            var found = TradeHouses.Make(seed);
            var plan = PlanSearch.Of(found, TestContext.Current.CancellationToken, budget: 4000).Plans.FirstOrDefault();
            // A plan of nothing to do says nothing that the house as found does not.
            if (plan is null || plan.Settings == 0) continue;
            planned++;
            houses.Add(($"plan-{seed}", plan.House));
            var steps = OrderWays.Of(found, plan.House).Best.Steps;
            for (var n = 2; n < steps.Length; n += 3) houses.Add(($"plan-{seed}-step-{n + 1}", steps[n].After!));
        }
        var reports = await Run(houses);
        var wrong = houses.Where(one => reports[one.Name].Disagreements.Count > 0).ToList();
        var summary = $"{wanted} plans from seed {Seed}, {houses.Count} houses with those on the way: {reports.Values.Sum(one => one.Facts)} facts, {reports.Values.Sum(one => one.Yes)} yes, {reports.Values.Sum(one => one.No)} no; {wrong.Count} disagree.";
        output.WriteLine(summary);
        if (Environment.GetEnvironmentVariable("ALTRIN_LAB_REPORT") is { Length: > 0 }) Console.WriteLine(summary);
        Assert.True(wrong.Count == 0, $"{summary}\n{string.Join("\n\n", wrong.Take(6).Select(one => reports[one.Name].Say(one.House)))}");
        Assert.True(reports.Values.Sum(one => one.Yes) > wanted, "Too few facts to prove anything.");
    }

    /// <summary>The examples, and of the random houses those in which most goes through: a house where nothing works says little.</summary>
    private static async Task Record(IEnumerable<(NetworkDocument House, LabReport Report)> random)
    {
        var examples = (await Reports.Value).Where(one => one.Value.Disagreements.Count == 0).OrderBy(one => one.Key,
            StringComparer.Ordinal).Select(one => (House: Examples.House(one.Key), Report: one.Value));
        var chosen = random.OrderByDescending(one => one.Report.Confirmed.Count(fact => fact.Is is not ("no" or ""))).Take(60);
        File.WriteAllLines(KernelRecord.File, examples.Concat(chosen).Where(one => one.Report.Confirmed.Count > 0)
            .Select(one => JsonSerializer.Serialize(new KernelRecord(AltrinJson.WriteCompact(one.House), one.Report.Confirmed), Plain)));
    }

    private static async Task<ConcurrentDictionary<string, LabReport>> Run(IEnumerable<(string Name, NetworkDocument House)> houses)
    {
        var reports = new ConcurrentDictionary<string, LabReport>();
        await Parallel.ForEachAsync(houses, new ParallelOptions { MaxDegreeOfParallelism = 6 }, async (one, _) =>
        {
            try { reports[one.Name] = await Comparison.Of(one.Name, one.House); }
            catch (Exception exception) { reports[one.Name] = new(one.Name, 0, 0, 0, 0, [exception.ToString()], null, default, default); }
        });
        return reports;
    }
}
