using System.Text.Json;
using Altrin.Core.Documents;
using Altrin.Core.Formats;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;
using Altrin.Core.Tests.Planning;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.Tests.Laws;

/// <summary>Every valid document and every pair of houses gets plans, an order or a refusal in words.</summary>
public class AnswerLaws
{
    /// <summary>A few tries show whether it answers; how good the answer is others ask.</summary>
    private const int FewTries = 10;

    private static readonly NetworkDocument Nothing = new() { Name = "Nothing" };

    private static readonly string[] Few = ["healthy", "modem-in-front"], Many =
    [
        "larkspur-house", "healthy", "modem-in-front", "passthrough", "mesh", "static-line", "pppoe-line", "kept-apart", "beside-its-parent", "switch-before-router",
        "wds-channel", "satellites-in-row", "guests-in-vlan", "hairpin",
    ];

    private static IEnumerable<(string Name, NetworkDocument House)> Houses(bool isLong)
    {
        yield return ("nothing", Nothing);
        foreach (var name in isLong ? Many : Few) yield return (name, Examples.House(name));
        for (var seed = 1; seed <= (isLong ? 12 : 1); seed++) yield return ($"rich {seed}", Altrin.Core.Tests.Houses.Rich(seed));
        for (var seed = 1; seed <= (isLong ? 12 : 1); seed++) yield return ($"trade {seed}", TradeHouses.Make(seed, 3));
    }

    /// <summary>The house, and what is left of it without its line, its first box, its things, its wants.</summary>
    private static IEnumerable<(string Name, NetworkDocument House)> Variants(bool isLong)
    {
        foreach (var (name, house) in Houses(isLong))
        {
            yield return (name, house);
            if (house.Line is not null) yield return ($"{name} without its line", house with { Line = null });
            if (house.Devices is [_, .. var rest] && Readable(house with { Devices = rest, Line = null, Cables = [], Endpoints = [], Needs = [] }) is { } boxes)
                yield return ($"{name} without its first box", boxes);
            if (!house.Endpoints.IsEmpty) yield return ($"{name} without things", house with { Endpoints = [], Needs = [] });
        }
    }

    private static NetworkDocument? Readable(NetworkDocument house) => HouseCheck.Read(house).Document;

    private static void Written(Action<Utf8JsonWriter> write)
    {
        using var json = new Utf8JsonWriter(Stream.Null);
        write(json);
    }

    [Fact]
    public void Every_house_gets_plans() => GetPlans(isLong: false);

    [Fact, Trait("kind", "long")]
    public void Every_house_of_many_gets_plans() => GetPlans(isLong: true);

    [Fact]
    public void Every_pair_of_houses_gets_an_order_or_a_refusal_in_words() => GetOrders(isLong: false);

    [Fact, Trait("kind", "long")]
    public void Every_pair_of_many_houses_gets_an_order_or_a_refusal_in_words() => GetOrders(isLong: true);

    private static void GetPlans(bool isLong)
    {
        foreach (var (name, house) in Variants(isLong))
            try
            {
                var search = PlanSearch.Of(house, TestContext.Current.CancellationToken, FewTries);
                Assert.True(search.Plans.Length > 0, $"{name}: no plan");
                Written(json => PlansWriter.Write(house, search, 3, json));
            }
            catch (Exception error) when (error is not Xunit.Sdk.XunitException) { Assert.Fail($"{name}: {error}"); }
    }

    private static void GetOrders(bool isLong)
    {
        var all = Variants(isLong).ToList();
        for (var i = 0; i < all.Count; i++)
            foreach (var (other, to) in new[] { all[(i + 1) % all.Count], ("nothing", Nothing) })
                try
                {
                    var ways = OrderWays.Of(all[i].House, to, i % 5 == 0 ? Hands.Phone : Hands.Laptop, cancel: TestContext.Current.CancellationToken);
                    Assert.All(ways.Best.Gaps, gap => Assert.NotEmpty(gap.Says));
                    Written(json => OrderWriter.Write(OrderWays.Of(all[i].House, to), json));
                    _ = PlanChange.Of(all[i].House, Evaluation.Of(to), Evaluation.Of(all[i].House));
                }
                catch (Exception error) when (error is not Xunit.Sdk.XunitException) { Assert.Fail($"{all[i].Name} to {other}: {error}"); }
    }
}
