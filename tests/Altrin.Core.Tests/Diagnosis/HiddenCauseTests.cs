using System.Collections.Immutable;
using System.Diagnostics;
using Altrin.Core.Diagnosis;
using Altrin.Core.Diagnosis.CallOuts;
using Altrin.Core.Diagnosis.Causes;
using Altrin.Core.Diagnosis.Looking;
using Altrin.Core.Diagnosis.Sightings;
using Altrin.Core.Network;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Diagnosis;

/// <summary>Something is hidden in a house, its own house answers every look, and it must be found.</summary>
public class HiddenCauseTests(ITestOutputHelper output)
{
    /// <summary>What a householder would say of it, the first thing that is amiss; empty where nobody notices.</summary>
    internal static ImmutableArray<Sighting> Complaint(NetworkDocument house, Cause hidden)
    {
        var played = new HiddenHouse(house, hidden);
        var state = Simulator.Run(house);
        foreach (var thing in house.Endpoints)
        {
            if (state.Internet(thing.Id).Reachable == Answer.Yes)
                foreach (var kind in new[] { ReadingKind.Internet, ReadingKind.Lookup })
                    if (played.Answers(new(kind, Who: thing.Id), []).Any(one => one.Sample == "no")) return [new(new(kind, Who: thing.Id), "no")];
            foreach (var service in thing.Services)
                if (state.Inbound(thing.Id, service.Protocol, service.Port).Reachable == Answer.Yes
                    && played.Answers(new(ReadingKind.Outside, Endpoint: thing.Id, OutsidePort: service.Port), []).Any(one => one.Sample == "no"))
                    return [new(new(ReadingKind.Outside, Endpoint: thing.Id, OutsidePort: service.Port), "no")];
            foreach (var other in house.Endpoints)
                if (other != thing && state.Reach(thing.Id, other.Id).Reachable == Answer.Yes
                    && played.Answers(new(ReadingKind.Reach, Who: thing.Id, To: other.Id), []).Any(one => one.Sample == "no"))
                    return [new(new(ReadingKind.Reach, Who: thing.Id, To: other.Id), "no")];
        }
        return [];
    }

    [Fact]
    public void Explore()
    {
        foreach (var name in new[] { "healthy", "larkspur-house", "mesh", "passthrough", "modem-in-front", "cable-beside-radio" })
        {
            var house = Examples.House(name);
            var ground = new Ground(house, [], true);
            var causes = Diagnoser.Single(ground);
            var watch = Stopwatch.StartNew();
            var looks = new List<int>();
            int right = 0, played = 0, steps = 0;
            foreach (var cause in causes)
            {
                var complaint = Complaint(house, cause);
                if (complaint.IsEmpty) continue;
                var result = Playing.Of(house, cause, complaint, 20);
                played++;
                steps += result.Looks + 1;
                looks.Add(result.Looks);
                if (result.IsRight) right++;
                else output.WriteLine($"{name}: {cause.Kind.Name} {cause.Sentence} settled {result.IsSettled} after {result.Looks}: {string.Join("; ", result.Seen.Select(s => $"{s.Look.Reading} {s.Look.Who}{s.Look.Device} {s.Value}"))}");
            }
            looks.Sort();
            output.WriteLine($"{name}: {causes.Count} causes, {right} of {played} right, median {(looks.Count > 0 ? looks[looks.Count / 2] : 0)}, 95th {(looks.Count > 0 ? looks[looks.Count * 95 / 100] : 0)}, most {looks.LastOrDefault()}, {watch.ElapsedMilliseconds * 1.0 / Math.Max(1, steps):0.0} ms a diagnosis");
        }
    }
}
