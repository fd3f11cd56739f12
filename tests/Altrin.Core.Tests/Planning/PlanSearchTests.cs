using System.Text.Json;
using System.Text.Json.Nodes;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Formats;
using Altrin.Core.Network;
using Altrin.Core.WorkOrders;
using Altrin.Core.Planning;
using Altrin.Core.Planning.Ranking;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Planning;

/// <summary>Plans and orders as the command line prints them (section 4 of the format), over every example.</summary>
public class PlanSearchTests
{
    private static JsonObject Printed(Action<Utf8JsonWriter> write)
    {
        using var bytes = new MemoryStream();
        using (var json = new Utf8JsonWriter(bytes)) write(json);
        return JsonNode.Parse(bytes.ToArray())!.AsObject();
    }

    private static string Compact(JsonNode document)
    {
        var read = DocumentReader.Read(document.ToJsonString());
        Assert.Empty(read.Problems);
        return AltrinJson.WriteCompact(Laptop.Away(read.Document!));
    }

    [Theory, MemberData(nameof(Examples.All), MemberType = typeof(Examples))]
    public void Plans_are_proven_allowed_and_in_order(string example)
    {
        var house = Examples.House(example);
        var before = Evaluation.Of(house);
        var faults = before.Findings.Where(finding => finding.Severity == Severity.Fault).Select(finding => finding.Key).ToHashSet();
        var found = PlanSearch.Of(house);
        Assert.NotEmpty(found.Plans);
        Assert.Equal(found.Plans.Select(plan => plan.Rank).Order(), found.Plans.Select(plan => plan.Rank));
        foreach (var plan in found.Plans)
        {
            Assert.Null(HouseCheck.WhyNot(plan.House));
            var after = Evaluation.Of(plan.House);
            // A second translation, or what only says again that a want fails, is the ranking's matter (section 5).
            Assert.All(after.Findings.Where(PlanLimits.IsFault), finding => Assert.Contains(finding.Key, faults));
            Assert.All(house.Endpoints.Where(thing => before.State.Internet(thing.Id).Reachable == Answer.Yes),
                thing => Assert.Equal(Answer.Yes, after.State.Internet(thing.Id).Reachable));
        }
        // The house as it is is no better than the best.
        Assert.True(found.Plans[0].WantsHeld >= before.Wants.Count(want => want.Met == Answer.Yes) - house.Needs.Count(need =>
            need.Nice == true));
    }

    [Theory, MemberData(nameof(Examples.All), MemberType = typeof(Examples))]
    public void The_printed_order_leads_from_the_one_house_to_the_other(string example)
    {
        var house = Examples.House(example);
        var best = PlanSearch.Of(house).Plans[0];
        var proven = OrderWays.Of(house, best.House);
        var order = Printed(json => OrderWriter.Write(proven, json));
        Assert.Equal("altrin.order/1", (string)order["format"]!);
        var steps = order["steps"]!.AsArray();
        Assert.Empty(proven.Best.Gaps);
        var now = AltrinJson.WriteCompact(proven.Start);
        foreach (var step in steps)
        {
            Assert.Equal(now, Compact(step!["before"]!));
            now = Compact(step["after"]!);
            if (step["open"] is not { } open) continue;
            // The page answers the laptop where it then stands.
            var state = Simulator.Run(DocumentReader.Read(step["before"]!.ToJsonString()).Document!);
            var page = Assert.Single(state.House.Devices, device => $"http://{state.Admin(Laptop.Id, device.Id).Address}" == (string)open!
                && state.Admin(Laptop.Id, device.Id).Reachable == Answer.Yes);
            Assert.Equal((string)step["device"]!, page.Id);
        }
        Assert.Equal(AltrinJson.WriteCompact(Laptop.Away(best.House)), now);
        Assert.InRange((int)order["cutMinutes"]!, 0, (int)order["minutes"]! + steps.Count);
    }

    [Fact]
    public void A_box_that_is_left_as_found_keeps_its_settings_in_every_plan()
    {
        var house = Examples.House("larkspur-house").WithDevice("gw", box => box with { LeaveAsFound = true });
        foreach (var plan in PlanSearch.Of(house).Plans)
            Assert.True(SettingCatalogue.All.All(setting => setting.IsAlike(house.FindDevice("gw")!, plan.House.FindDevice("gw")!)));
    }

    /// <summary>Two sources on one channel share the air (section 6.6): beside a new access point a gateway that picks for itself is put on
    /// a channel
    /// apart, where anybody may set it.</summary>
    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public void A_new_access_point_and_the_gateway_are_set_apart(bool isLeft)
    {
        var house = Trade.TradeJobs.All["13-asks-for-its-address"]().WithDevice("gateway",
            box => box with { LeaveAsFound = isLeft ? true : null });
        var best = PlanSearch.Of(house).Plans.First(plan => plan.Title == "Loft router as access point").House;
        var channels = best.Devices.Select(box => box.Wifi.First(network => network.Radio == "5g").Channel?.Number).ToList();
        Assert.Equal(isLeft, channels[0] is null);
        Assert.NotEqual(channels[0], channels[1]);
    }

    /// <summary>Will the old name work? The new router sends the name that the tablet knows: nobody touches the tablet.</summary>
    [Theory]
    [InlineData(true, 0)]
    [InlineData(false, 1)]
    public void A_thing_that_knows_the_name_that_is_sent_is_not_touched(bool knows, int touches)
    {
        WifiNetwork Named(string ssid) => new() { Radio = "2g", Ssid = ssid, Security = WifiSecurity.Wpa2, Key = ssid };
        var house = new HouseBuilder().Gateway().With(h => h.WithDevice("gw", box => box with { Wifi = [Named("new")] })).Thing("tablet",
            null)
            .With(h => h.WithEndpoint("tablet", thing => thing with
            {
                Connect = new Attachment.Join { Ssid = "gone", Security = WifiSecurity.Wpa2, Key = "gone" },
                Knows = knows ? new() { Ssid = "new", Security = WifiSecurity.Wpa2, Key = "new" } : null,
            })).House with
        { Needs = [new Need.Internet { Id = "n1", Endpoint = "tablet" }] };
        var best = PlanSearch.Of(house).Plans[0];
        Assert.Equal((1, touches), (best.WantsHeld, best.Touches));
    }

    /// <summary>Law: planning the planned house finds nothing better.</summary>
    [Fact]
    public void The_planned_house_is_its_own_best_plan()
    {
        var best = PlanSearch.Of(Examples.House("larkspur-house")).Plans[0];
        var again = PlanSearch.Of(best.House).Plans[0];
        Assert.Equal((best.WantsHeld, best.Cautions, best.NatLayers), (again.WantsHeld, again.Cautions, again.NatLayers));
        Assert.Equal(("As it is", 0), (again.Title, again.Settings));
    }

    [Fact]
    public void What_is_printed_of_a_plan_is_what_its_document_comes_to()
    {
        var house = Examples.House("larkspur-house");
        var printed = Printed(json => PlansWriter.Write(house, PlanSearch.Of(house), 5, json));
        Assert.Equal(("altrin.plans/1", true), ((string)printed["format"]!, (bool)printed["exact"]!));
        foreach (var plan in printed["plans"]!.AsArray())
        {
            var after = Evaluation.Of(DocumentReader.Read(plan!["document"]!.ToJsonString()).Document!);
            Assert.Equal(after.Wants.Select(want => (want.Need, Words<Answer>.Of(want.Met!.Value))),
                plan["wants"]!.AsArray().Select(want => ((string)want!["need"]!, (string)want["met"]!)));
            Assert.Equal(after.Cautions, (int)plan["cautions"]!);
        }
    }
}
