using System.Text.Json;
using System.Text.Json.Nodes;
using Altrin.Core.Actions;
using Altrin.Core.Formats;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Readings;
using Altrin.Core.Simulation;
using Altrin.Core.Tests.Planning;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Steps;
using Altrin.Core.WorkOrders.Otherwise;

namespace Altrin.Core.Tests.WorkOrders;

/// <summary>What hangs on the network without a page of its own is seen in the list of devices of the box that gave it its address. Common practice, no source.</summary>
public class ListedTests
{
    private const string Satellite = "00:00:5E:00:53:05";

    private static NetworkDocument Best(NetworkDocument house) => PlanSearch.Run(house, PlanSearch.UsualBudget, TestContext.Current.CancellationToken).Plans()[0].House;

    private static WorkOrder Order(NetworkDocument house) => OrderWays.Of(house, Best(house)).Best;

    [Fact]
    public void A_satellite_is_looked_for_in_the_main_units_list_when_it_is_set_and_again_in_its_place()
    {
        var house = JobPlanTests.Job("satellite-by-radio");
        var steps = Order(house).Steps.Where(step => step.Readings.OfType<ClientReading>().Any()).ToList();
        Assert.Equal([StepKind.AddToMesh, StepKind.CarryBox, StepKind.ProveWifi], steps.Select(step => step.Kind));
        using var bytes = new MemoryStream();
        using (var json = new Utf8JsonWriter(bytes)) OrderWriter.Write(OrderWays.Of(house, Best(house)), json);
        var listed = JsonNode.Parse(bytes.ToArray())!["steps"]!.AsArray().SelectMany(step => step!["expect"]!.AsArray()).Where(one => (string)one!["reading"]! == "client").ToList();
        Assert.Equal([Satellite, Satellite, Satellite], listed.Select(one => (string)one!["value"]!));
    }

    [Theory]
    [InlineData(Satellite, true)]
    [InlineData("00:00:5E:00:53:7F", false)]
    public void The_list_pasted_from_the_page_says_whether_it_is_there(string mac, bool isThere)
    {
        var step = Order(JobPlanTests.Job("satellite-by-radio")).Steps.First(one => one.Short == "Carry it");
        var row = Assert.Single(Comparison.Of(step, $"Name\tIP address\tMAC address\nunit\t192.168.8.104\t{mac}\n").Rows, one => one.Reading == "devices listed by Hall gateway");
        Assert.Equal(isThere, row.IsAsSaid);
        Assert.Equal(isThere, row.Seen == row.Expected);
    }

    /// <summary>It is not said of what the list may show otherwise, or what nobody there can look at.</summary>
    [Theory]
    [InlineData("tv", "a thing with a fixed address is on no list of leases")]
    [InlineData("camera", "behind a repeater the list may show the repeater’s own MAC")]
    [InlineData("guest", "nobody knows its MAC")]
    public void Nothing_is_said_where_it_may_not_stand_there(string thing, string why)
    {
        var state = Simulator.Run(Behind());
        Assert.True(Expected.Client(state, Laptop.Id, thing) is null, why);
        Assert.Equal(new ClientReading("gw", MacAddress.Parse("00:00:5E:00:53:05"), "r", true), Expected.Client(state, Laptop.Id, "r"));
    }

    [Fact]
    public void Where_the_laptop_cannot_open_the_page_nobody_looks()
    {
        var house = Behind();
        var away = house with { Endpoints = [.. house.Endpoints.Select(one => one.Id == Laptop.Id ? one with { Connect = null } : one)] };
        Assert.Null(Expected.Client(Simulator.Run(away), Laptop.Id, "r"));
    }

    /// <summary>A repeater with an address by DHCP, a thing on it, a thing of fixed address and one of unknown MAC at the gateway.</summary>
    private static NetworkDocument Behind() => DocumentReaderOf("""
        { "format": "altrin.network/1", "name": "listed", "line": { "device": "gw", "port": "wan" },
          "devices": [
            { "id": "gw", "name": "Gateway", "mode": "router", "ports": [{ "id": "wan", "role": "wan" }, { "id": "lan1", "role": "lan" }, { "id": "lan2", "role": "lan" }, { "id": "lan3", "role": "lan" }],
              "radios": [{ "id": "5g", "band": "5" }], "wifi": [{ "radio": "5g", "ssid": "oak", "security": "wpa2", "key": "key:home" }],
              "lan": { "address": "192.168.8.1/24", "dhcpServer": { "enabled": true, "start": "192.168.8.100", "end": "192.168.8.199" } }, "wan": { "method": "dhcp" } },
            { "id": "r", "name": "Repeater", "mode": "repeater", "mac": "00:00:5E:00:53:05", "ports": [{ "id": "lan1", "role": "lan" }], "radios": [{ "id": "5g", "band": "5" }],
              "wifi": [{ "radio": "5g", "ssid": "oak", "security": "wpa2", "key": "key:home" }], "lan": { "method": "dhcp" }, "uplink": { "radio": "5g", "ssid": "oak", "security": "wpa2", "key": "key:home" } } ],
          "endpoints": [
            { "id": "tv", "name": "TV", "mac": "00:00:5E:00:53:10", "connect": { "device": "gw", "port": "lan1" }, "address": { "method": "static", "address": "192.168.8.20/24", "gateway": "192.168.8.1" } },
            { "id": "camera", "name": "Camera", "mac": "00:00:5E:00:53:11", "connect": { "device": "r", "port": "lan1" } },
            { "id": "guest", "name": "Guest", "connect": { "device": "gw", "port": "lan2" } },
            { "id": "LAPTOP", "name": "Laptop", "connect": { "device": "gw", "port": "lan3" } } ] }
        """.Replace("LAPTOP", "by-hand", StringComparison.Ordinal));

    private static NetworkDocument DocumentReaderOf(string text)
    {
        var read = Altrin.Core.Documents.DocumentReader.Read(System.Text.Encoding.UTF8.GetBytes(text));
        var house = read.Document ?? throw new InvalidOperationException(string.Join("; ", read.Problems.Select(problem => problem.ToString())));
        // A file may not hold the installer's own laptop; a house at work does.
        return house with { Endpoints = [.. house.Endpoints.Select(one => one.Id == "by-hand" ? one with { Id = Laptop.Id } : one)] };
    }
}
