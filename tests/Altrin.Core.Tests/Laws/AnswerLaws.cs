using System.Text.Json;
using Altrin.Core.Documents;
using Altrin.Core.Formats;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.Rules;
using Altrin.Core.Tests.Planning;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Search;

namespace Altrin.Core.Tests.Laws;

/// <summary>Every valid document and every pair of houses gets plans, an order or a refusal in words.</summary>
public class AnswerLaws
{
    /// <summary>A few tries show whether it answers; how good the answer is others ask.</summary>
    private const int FewTries = 10;

    private static readonly NetworkDocument Nothing = new() { Name = "Nothing" };

    /// <summary>Of the examples those that differ in what stands there, not in how it is set.</summary>
    private static readonly string[] Some =
    [
        "healthy", "modem-in-front", "passthrough", "mesh", "static-line", "kept-apart", "beside-its-parent",
    ];

    private static IEnumerable<(string Name, NetworkDocument House)> Houses()
    {
        yield return ("nothing", Nothing);
        foreach (var name in Some) yield return (name, Examples.House(name));
        for (var seed = 1; seed <= 2; seed++) yield return ($"rich {seed}", Altrin.Core.Tests.Houses.Rich(seed));
        for (var seed = 1; seed <= 2; seed++) yield return ($"trade {seed}", TradeHouses.Make(seed, 3));
    }

    /// <summary>The house, and what is left of it without its line, its first box, its things, its wants.</summary>
    private static IEnumerable<(string Name, NetworkDocument House)> Variants()
    {
        foreach (var (name, house) in Houses())
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
    public void Every_house_gets_plans()
    {
        foreach (var (name, house) in Variants())
            try
            {
                var search = PlanSearch.Of(house, TestContext.Current.CancellationToken, FewTries);
                Assert.True(search.Plans.Length > 0, $"{name}: no plan");
                Written(json => PlansWriter.Write(house, search, 3, json));
            }
            catch (Exception error) when (error is not Xunit.Sdk.XunitException) { Assert.Fail($"{name}: {error}"); }
    }

    [Fact]
    public void Every_pair_of_houses_gets_an_order_or_a_refusal_in_words()
    {
        var all = Variants().ToList();
        for (var i = 0; i < all.Count; i++)
            foreach (var (other, to) in new[] { all[(i + 1) % all.Count], ("nothing", Nothing) })
                try
                {
                    var ways = OrderWays.Of(all[i].House, to, i % 5 == 0 ? Hands.Phone : Hands.Laptop, cancel: TestContext.Current.CancellationToken);
                    Assert.All(ways.Best.Gaps, gap => Assert.NotEmpty(gap));
                    Written(json => OrderWriter.Write(OrderWriter.Prove(all[i].House, to), json));
                    _ = PlanChange.Of(all[i].House, Evaluation.Of(to), Evaluation.Of(all[i].House));
                }
                catch (Exception error) when (error is not Xunit.Sdk.XunitException) { Assert.Fail($"{all[i].Name} to {other}: {error}"); }
    }
}
