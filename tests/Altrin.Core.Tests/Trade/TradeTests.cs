using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.WorkOrders;

namespace Altrin.Core.Tests.Trade;

public class TradeTests
{
    [Fact]
    public void Print()
    {
        foreach (var (name, make) in TradeJobs.All)
        {
            var house = make();
            var found = PlanSearch.Of(house, TestContext.Current.CancellationToken);
            Console.WriteLine($"== {name} exact={found.IsExact} searched={found.Searched}");
            foreach (var plan in found.Plans)
            {
                Console.WriteLine($"   {plan.Title} | {plan.Rank}");
                if (plan != found.Plans[0]) continue;
                foreach (var box in plan.House.Devices)
                    Console.WriteLine($"      {box.Name}: {box.Mode} {box.Lan?.Method}/{box.Lan?.Address} pool {box.Lan?.DhcpServer?.Enabled} {box.Lan?.DhcpServer?.Start}-{box.Lan?.DhcpServer?.End} room {box.Room} uplink {box.Uplink?.Ssid} wifi {string.Join(",", box.Wifi.Select(one => one.Ssid + (one.Enabled ? "" : "(off)")))} off {box.Off}");
                foreach (var finding in plan.After.Findings) Console.WriteLine($"      ! {finding.Severity} {finding.Rule}: {finding.Message}");
                var order = OrderWays.Of(house, plan.House);
                Console.WriteLine($"      order {order.Best.Minutes} min, cut {order.BestCutMinutes}, gaps {string.Join(" / ", order.Best.Gaps.Select(gap => gap.Says))}");
                foreach (var step in order.Best.Steps) Console.WriteLine($"        {step.Number}. {step.Title}");
            }
            foreach (var one in found.RuledOut.Take(4)) Console.WriteLine($"   x {one.Title}: {one.Because}");
        }
    }
}
