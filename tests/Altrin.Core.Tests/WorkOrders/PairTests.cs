using System.Text.Json;
using System.Text.Json.Nodes;
using Altrin.Core.Actions;
using Altrin.Core.Documents;
using Altrin.Core.Formats;
using Altrin.Core.Planning;
using Altrin.Core.WorkOrders;
using Altrin.Core.Tests.Planning;

namespace Altrin.Core.Tests.WorkOrders;

/// <summary>Orders between many houses, read by somebody who shares no code with the simulator: no step leaves an address held twice or a second server
/// that was not there, and the page that is to be opened is on the laptop's own network and in its subnet.</summary>
public class PairTests
{
    [Fact]
    public void Twenty_pairs() => Walk(1, 20);

    [Fact, Trait("kind", "long")]
    public void A_thousand_pairs() => Walk(101, 1000);

    private static void Walk(int first, int count)
    {
        var wrong = new List<string>();
        var (pairs, steps, pages, without, seed) = (0, 0, 0, 0, first);
        for (; pairs < count; seed++)
        {
            TestContext.Current.CancellationToken.ThrowIfCancellationRequested();
            var house = TradeHouses.Make(seed);
            var plans = PlanSearch.Run(house, 1500, TestContext.Current.CancellationToken).Plans();
            if (plans.IsEmpty) continue;
            var to = plans[seed % plans.Length].House;
            if (Difference.Actions(Laptop.Away(house), Laptop.Away(to)).All(action => action.IsRecord(house))) continue;
            pairs++;
            var proven = OrderWays.Of(house, to);
            if (!proven.Best.Gaps.IsEmpty)
            {
                without++;
                continue;
            }
            var was = PlainClashes.In(JsonNode.Parse(AltrinJson.WriteCompact(Laptop.Away(house)))!);
            foreach (var step in Printed(proven)["steps"]!.AsArray())
            {
                steps++;
                if (PlainClashes.In(step!["after"]!).Except(was).ToList() is { Count: > 0 } clashes) wrong.Add($"seed {seed}, {step["title"]}: {string.Join(", ", clashes)}");
                if ((string?)step["open"] is not { } open || PlainClashes.Opens(step["before"]!, open) is not { } opens) continue;
                pages++;
                if (!opens) wrong.Add($"seed {seed}, {step["title"]}: {open} is not on the laptop's network");
            }
        }
        TestContext.Current.SendDiagnosticMessage($"{pairs} pairs (seeds {first} to {seed - 1}), {steps} steps, {pages} pages looked at, {without} without a proved order");
        Assert.True(wrong.Count == 0, string.Join(Environment.NewLine, wrong));
        Assert.True(without <= pairs * 0.03, $"{without} of {pairs} have no proved order");
        Assert.True(pages > pairs);
    }

    private static JsonObject Printed(OrderWays proven)
    {
        using var bytes = new MemoryStream();
        using (var json = new Utf8JsonWriter(bytes)) OrderWriter.Write(proven, json);
        return JsonNode.Parse(bytes.ToArray())!.AsObject();
    }
}
