using Altrin.Core.Actions;
using Altrin.Core.Diagnosis;
using Altrin.Core.Diagnosis.CallOuts;
using Altrin.Core.Diagnosis.Looking;
using Altrin.Core.Diagnosis.Sightings;
using Altrin.Core.Network;
using Altrin.Core.Simulation;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Core.Tests.Diagnosis;

/// <summary>What is said about a cause is done in its house: every want that held holds again, and the steps that are shown are
/// proved.</summary>
public class MendTests
{
    [Theory]
    [InlineData("healthy", "larkspur-house", "mesh", "passthrough", "modem-in-front", "hairpin", "wds-channel", "2", "3", "4", "7")]
    public void Every_mend_is_proved_and_said(params string[] houses)
    {
        var mends = 0;
        foreach (var house in houses.Select(name => ulong.TryParse(name, out var seed) ? CallOutHouses.Of(seed) : Examples.House(name)))
        {
            var ground = new Ground(house, [], true);
            foreach (var cause in Diagnoser.Single(ground).DistinctBy(one => (one.Kind, one.Subject.FirstOrDefault().Value)))
            {
                var real = Diagnoser.Possible(ground, cause).House;
                var mended = Diagnoser.Undo(ground, cause).Apply(real);
                Assert.True(Harm.WantsHold(ground, Simulator.Run(mended)), cause.Sentence);
                var order = OrderWays.Of(real, house, Hands.Laptop, Course.First with { ProvesLine = false }).Best;
                Assert.True(order.IsProven, cause.Sentence);
                // What no step does, a sentence says: but where a reset changes nothing that matters.
                var isSaid = order.Steps.Any(step => step.Actions.Any(action => !action.MovesLaptop())) || cause.MendAdvice is not null;
                Assert.True(isSaid, cause.Sentence);
                mends++;
            }
        }
        Assert.True(mends > 200, $"{mends}");
    }

    [Fact]
    public void The_laptop_is_put_where_it_was_thought_to_be()
    {
        var house = Examples.House("larkspur-house");
        var place = LaptopPlace.Asking(Attachment.To(new("studio", "lan3")));
        var own = Diagnoser.Single(new(house, [new(new(ReadingKind.Address, place), "169.254.7.9")], true)).Where(cause =>
            cause.IsOfLaptop).ToList();
        Assert.True(own.Count > 4, $"{own.Count}");
        var ground = new Ground(house, [new(new(ReadingKind.Address, place), "169.254.7.9")], true);
        Assert.All(own, cause => Assert.NotEmpty(Diagnoser.Undo(ground, cause)));
        Assert.All(own, cause => Assert.True(Diagnoser.Undo(ground, cause).All(action => action.MovesLaptop())));
    }
}
