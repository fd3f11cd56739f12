using System.Text.Json;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Formats;
using Altrin.Core.Network;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;
using FsCheck;
using FsCheck.Fluent;
using FsCheck.Xunit;

namespace Altrin.Core.Tests.Laws;

/// <summary>What holds in every house, asked of whole random ones; one that fails is shrunk before it is shown.</summary>
public class HouseLaws
{
    private static string Written(Evaluation house)
    {
        using var memory = new MemoryStream();
        using (var json = new Utf8JsonWriter(memory)) StateWriter.Write(house, json);
        return System.Text.Encoding.UTF8.GetString(memory.ToArray());
    }

    private static string Short(NetworkDocument house) => AltrinJson.WriteCompact(house);

    [Property(Arbitrary = [typeof(Houses)], MaxTest = 400)]
    public Property No_two_findings_of_a_house_have_one_key(NetworkDocument house)
    {
        var findings = Evaluation.Of(house).Findings;
        var twice = findings.GroupBy(finding => finding.Key).FirstOrDefault(group => group.Skip(1).Any());
        return (twice is null).Label($"{twice?.Key}: {string.Join(" | ", twice?.Select(one => one.Message) ?? [])}").Classify(findings.Length < 2, "fewer than two findings");
    }

    /// <summary>The questions a state is asked, in an order of its own each time and by several at once, leave it what it was.</summary>
    [Property(Arbitrary = [typeof(Houses)], MaxTest = 120)]
    public Property Any_order_of_questions_from_any_number_of_threads_gives_the_same_state_to_the_byte(NetworkDocument house)
    {
        var straight = Written(Evaluation.Of(house));
        var asked = Evaluation.Of(house);
        var ids = house.Endpoints.Select(thing => thing.Id).ToArray();
        Parallel.For(0, 8, worker =>
        {
            var random = new System.Random(worker);
            foreach (var id in ids.OrderBy(_ => random.Next()))
                switch (random.Next(6))
                {
                    case 0: _ = asked.State.Internet(id); break;
                    case 1: _ = asked.State.TraceOf(id); break;
                    case 2: foreach (var other in ids) _ = asked.State.Reach(id, other); break;
                    case 3: _ = asked.State.Inbound(id, TransportProtocol.Tcp, 80); break;
                    case 4: _ = asked.Wants.Length; break;
                    default: foreach (var finding in asked.Findings) _ = asked.ProvenFixes(finding); break;
                }
        });
        return (Written(asked) == straight).Label(Short(house)).Classify(ids.Length < 2, "fewer than two things");
    }

    /// <summary>What is offered can be pressed: every proven fix is a house that the reader takes, without its finding.</summary>
    [Property(Arbitrary = [typeof(Houses)], MaxTest = 150)]
    public Property A_proven_fix_can_be_done_and_removes_its_finding(NetworkDocument house)
    {
        var evaluation = Evaluation.Of(house);
        var fixes = evaluation.Findings.SelectMany(finding => evaluation.ProvenFixes(finding).Select(fix => (finding, fix))).ToList();
        var wrong = fixes.Where(one => ActionRunner.DoAll(house, one.fix.Actions) is not { House: { } after } || Evaluation.Of(after).Findings.Any(other => other.Key == one.finding.Key)).ToList();
        return (wrong.Count == 0).Label(string.Join("; ", wrong.Select(one => $"{one.finding.Message} → {one.fix.Say}"))).Classify(fixes.Count == 0, "nothing to fix");
    }

    /// <summary>Boxes that take no part have no finding, and taking them out changes nothing for anybody else.</summary>
    [Property(Arbitrary = [typeof(Houses)], MaxTest = 200)]
    public Property A_box_that_takes_no_part_is_as_good_as_not_there(NetworkDocument house)
    {
        var before = Evaluation.Of(house);
        var idle = house.Devices.Where(box => !before.State.IsInUse(box.Id) && house.Line?.Device != box.Id && !house.Cables.Any(cable => cable.A.Device == box.Id || cable.B.Device == box.Id)).ToList();
        var without = idle.Aggregate(house, (now, box) => new RemoveDevice(box.Id).Apply(now));
        var after = Simulator.Run(without);
        var same = house.Endpoints.All(a => before.State.Internet(a.Id).Reachable == after.Internet(a.Id).Reachable
            && house.Endpoints.All(b => before.State.Reach(a.Id, b.Id).Reachable == after.Reach(a.Id, b.Id).Reachable));
        var blamed = before.Findings.Where(finding => finding.Subjects.Any(id => idle.Exists(box => box.Id == id))).ToList();
        return (same && blamed.Count == 0).Label(string.Join("; ", blamed.Select(finding => finding.Message))).Classify(idle.Count == 0, "all in use");
    }

    [Property(Arbitrary = [typeof(Houses)], MaxTest = 200)]
    public bool A_house_reads_back_to_the_letter(NetworkDocument house) => Short(DocumentReader.Read(Short(house)).Document!) == Short(house);

    [Fact]
    public void The_houses_have_every_mode_every_want_forwards_and_vlans_and_shrink_to_smaller_ones()
    {
        var houses = Enumerable.Range(1, 200).Select(Houses.Rich).ToList();
        Assert.Equal(Enum.GetValues<DeviceMode>(), houses.SelectMany(house => house.Devices).Select(box => box.Mode).Distinct().Order());
        Assert.Equal(Enum.GetValues<NeedKind>(), houses.SelectMany(house => house.Needs).Select(need => need.Kind).Distinct().Order());
        Assert.Contains(houses, house => house.Devices.Any(box => !box.PortForwards.IsEmpty));
        Assert.Contains(houses, house => house.Devices.Any(box => box.Ports.Any(port => port.Vlan is not null)));
        foreach (var house in houses.Take(30))
            Assert.All(Houses.Shrink(house), smaller => Assert.True(Short(smaller).Length < Short(house).Length + 40 && HouseCheck.WhyNot(smaller) is null));
    }

    /// <summary>A modem feeds A's WAN and B's LAN, A's LAN feeds B's WAN, A is contested: B's fixed client is `sometimes`, whoever is asked first.</summary>
    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public void A_circle_of_routers_gives_one_answer_whoever_asks_first(bool insideFirst)
    {
        var state = new HouseBuilder().Gateway(mode: DeviceMode.Modem, addresses: 4)
            .Box("a", address: "192.168.31.1/24").Box("b", address: "203.0.113.2/24", pool: "200-220")
            .Cable("gw:lan1", "a:wan").Cable("gw:lan2", "b:lan1").Cable("a:lan1", "b:wan")
            .Thing("ofA", "a:lan2").Thing("ofB", "b:lan2", "203.0.113.99/24", "203.0.113.2").State;
        Assert.Equal(LeaseOutcome.Contested, state.Wan("a")!.Outcome);
        foreach (var id in insideFirst ? new[] { "ofA", "ofB" } : ["ofB", "ofA"]) Assert.Equal(Answer.Sometimes, state.Internet(id).Reachable);
    }

    /// <summary>Deeper than any stack: a chain of routers, each a step below the last, is settled without recursion.</summary>
    [Fact]
    public void A_chain_of_five_thousand_routers_is_settled()
    {
        var house = new HouseBuilder().Gateway().House;
        var boxes = Enumerable.Range(1, 5000).Select(n => new Device
        {
            Id = $"r{n}",
            Name = $"r{n}",
            Mode = DeviceMode.Router,
            Ports = [new() { Id = "wan", Role = PortRole.Wan }, new() { Id = "lan1", Role = PortRole.Lan }],
            Lan = new() { Address = new(Ipv4Address.Parse("10.0.0.1").Plus((uint)n << 8), 24), DhcpServer = new() { Enabled = true } },
            Wan = new(),
        });
        house = house with
        {
            Devices = house.Devices.AddRange(boxes),
            Cables = [.. Enumerable.Range(1, 5000).Select(n => new Cable { Id = $"c{n}", A = new(n == 1 ? "gw" : $"r{n - 1}", "lan1"), B = new($"r{n}", "wan") })],
            Endpoints = [new() { Id = "last", Name = "last", Connect = Attachment.To(new("r5000", "lan1")) }],
        };
        Assert.Equal((Answer.Yes, 5001), (Simulator.Run(house).Internet("last").Reachable, Simulator.Run(house).Internet("last").NatLayers));
    }

    /// <summary>Two open names on one box: two findings, each with a fix of its own that is proved.</summary>
    [Fact]
    public void Two_findings_of_one_rule_on_one_box_are_told_apart_and_each_is_cured_by_its_own_fix()
    {
        var house = new HouseBuilder().Gateway().With(h => h.WithDevice("gw", d => d with { Wifi = [new() { Radio = "2g", Ssid = "one" }, new() { Radio = "2g", Ssid = "two" }] })).House;
        var evaluation = Evaluation.Of(house);
        var open = evaluation.Findings.Where(finding => finding.Rule == "weak-wifi-security").ToList();
        Assert.Equal(2, open.Select(finding => finding.Key).Distinct().Count());
        foreach (var finding in open)
        {
            var fix = Assert.Single(evaluation.ProvenFixes(finding));
            var left = Evaluation.Of(fix.Actions.Apply(house)).Findings.Where(other => other.Rule == finding.Rule).ToList();
            Assert.Equal(open.Single(other => other != finding).Key, Assert.Single(left).Key);
        }
    }

    [Fact]
    public void A_box_that_is_to_be_left_as_found_is_set_by_no_fix()
    {
        var house = Examples.House("weak-wifi-security");
        var box = Evaluation.Of(house).Findings.Single(finding => finding.Rule == "weak-wifi-security").Subjects[0];
        var left = Evaluation.Of(house.WithDevice(box, one => one with { LeaveAsFound = true }));
        Assert.Empty(left.ProvenFixes(left.Findings.Single(finding => finding.Rule == "weak-wifi-security")));
    }
}
