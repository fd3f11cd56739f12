using System.Text.Json;
using Altrin.Core.Simulation;

namespace Altrin.Core.Tests.Kernel;

/// <summary>What the kernel answered when it was asked. Source: the Linux network stack, dnsmasq, nftables and udhcpc in the kernel lab.</summary>
public class KernelRecordTests
{
    private static readonly IReadOnlyList<KernelRecord> Records = [.. System.IO.File.ReadLines(KernelRecord.File).Select(line => JsonSerializer.Deserialize<KernelRecord>(line, JsonSerializerOptions.Web)!)];

    [Fact]
    public void The_simulator_says_what_the_kernel_answered()
    {
        var wrong = new List<string>();
        foreach (var record in Records)
        {
            var state = Simulator.Run(Examples.Read(record.House));
            wrong.AddRange(record.Facts.Select(fact => (fact, said: fact.Said(state))).Where(one => one.said != one.fact.Is)
                .Select(one => $"{one.fact}: the kernel said “{one.fact.Is}”, the simulator “{one.said}”\n{record.House}"));
        }
        Assert.True(wrong.Count == 0, string.Join("\n", wrong.Take(5)));
    }

    /// <summary>A record of nothing would prove nothing.</summary>
    [Fact]
    public void Every_question_was_answered_in_more_than_one_way()
    {
        foreach (var asked in Records.SelectMany(record => record.Facts).GroupBy(fact => fact.Ask))
            Assert.True(asked.Select(fact => fact.Is).Distinct().Count() > 1, asked.Key);
        Assert.True(Records.Sum(record => record.Facts.Count) > 4000);
    }
}
