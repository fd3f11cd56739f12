using System.Globalization;
using Altrin.Core.Formats;
using Altrin.Core.Network;
using Altrin.Core.Planning;
using Altrin.Core.WorkOrders;
using Altrin.Core.WorkOrders.Steps;

namespace Altrin.Web.Cli;

/// <summary><c>plan FILE [--most N]</c> and <c>order FROM TO</c>.</summary>
internal static class PlanCommands
{
    private const string PlanUsage = "usage: plan [--most N] FILE (- reads standard input)",
        OrderUsage = "usage: order [--with laptop|no-socket|phone] FROM TO";

    private const int NoOrder = 3;


    public static int Plan(string[] arguments, Func<Stream> standardInput, Stream output, TextWriter error)
    {
        var (most, files) = (5, new List<string>());
        for (var i = 0; i < arguments.Length; i++)
        {
            if (arguments[i] != "--most") files.Add(arguments[i]);
            else if (++i >= arguments.Length || !int.TryParse(arguments[i], NumberStyles.None, CultureInfo.InvariantCulture, out most)
                || most < 1) return InputFile.Fail(error, $"--most wants a number from 1 on. {PlanUsage}");
        }
        if (files is not [var file]) return InputFile.Fail(error, PlanUsage);
        if (InputFile.Document(file, standardInput, error, isNamed: false) is not { } house) return InputFile.Unreadable;
        return InputFile.Print(output, json => PlansWriter.Write(house, PlanSearch.Of(house), most, json));
    }

    public static int Order(string[] arguments, Func<Stream> standardInput, Stream output, TextWriter error)
    {
        var (hands, files) = (Hands.Laptop, new List<string>());
        for (var i = 0; i < arguments.Length; i++)
        {
            if (arguments[i] != "--with") files.Add(arguments[i]);
            else if (++i >= arguments.Length
                || !Words<Hands>.TryRead(arguments[i], out hands)) return InputFile.Fail(error,
                $"--with wants laptop, no-socket or phone. {OrderUsage}");
        }
        if (files is not [var from, var to]) return InputFile.Fail(error, OrderUsage);
        if (InputFile.Document(from, standardInput, error) is not { } found
            || InputFile.Document(to, standardInput, error) is not { } planned) return InputFile.Unreadable;
        var ways = OrderWays.Of(found, planned, hands);
        // What no step reaches is no order from the one to the other.
        if (ways.Best.Gaps.Any(gap => gap.Kind == GapKind.NotAsPlanned))
        {
            InputFile.Fail(error, $"No order was found: {ways.Best.Gaps[0].Says}");
            return NoOrder;
        }
        return InputFile.Print(output, json => OrderWriter.Write(ways, json));
    }
}
