using System.Text;
using Altrin.Core.Network;
using Altrin.Core.Readings.Eyes;
using Altrin.Core.Readings.Parsers;
using Altrin.Web.Eyes;

namespace Altrin.Web.Cli;

/// <summary><c>look [--sweep] [--ping A] [--page A] [--outside A] [--measure A]</c>: prints what this laptop shows as
/// <c>altrin.reading/1</c>; what was done for it
/// goes to standard error.</summary>
internal static class LookCommand
{
    private const string Usage = "usage: look [--sweep] [--ping ADDRESS]… [--page ADDRESS]… [--outside ADDRESS], or look --measure ADDRESS";

    public static async Task<int> Run(string[] args, Stream output, TextWriter error)
    {
        var (pings, pages, sweep) = (new List<Ipv4Address>(), new List<Ipv4Address>(), false);
        Ipv4Address? outside = null, measure = null;
        for (var i = 0; i < args.Length; i++)
        {
            if (args[i] == "--sweep") sweep = true;
            else if (args[i] is "--ping" or "--page" && i + 1 < args.Length
                && Ipv4Address.TryParse(args[i + 1], out var at)) (args[i++] == "--ping" ? pings : pages).Add(at);
            else if (args[i] == "--outside" && i + 1 < args.Length && Ipv4Address.TryParse(args[i + 1], out var far)) (outside, i) = (far,
                i + 1);
            else if (args[i] == "--measure" && i + 1 < args.Length && Ipv4Address.TryParse(args[i + 1], out var gateway)) (measure,
                i) = (gateway, i + 1);
            else return InputFile.Fail(error, Usage);
        }
        var eyes = new ThisLaptop();
        if (measure is { } to)
        {
            if (Manners.Refuse(to) is { } no) return InputFile.Fail(error, no);
            var speed = await eyes.Measure(to, CancellationToken.None);
            await new StreamWriter(output) { AutoFlush = true }.WriteLineAsync(speed.Advice is { } advice ? $"{speed.Says} {advice}"
                : speed.Says);
            return 0;
        }
        if (sweep)
        {
            var (all, why) = Manners.OwnSubnet((await eyes.Look(Glance.Plain, CancellationToken.None)).Reading);
            if (why is not null) return InputFile.Fail(error, why);
            pings.AddRange(all);
        }
        var glance = new Glance([.. pings.Distinct()], [.. pages.Distinct()]) { Outside = outside, Names = sweep };
        if (Manners.Refuse(glance) is { } refused) return InputFile.Fail(error, refused);
        var sight = await eyes.Look(glance, CancellationToken.None);
        foreach (var line in sight.Did.Concat(sight.LeftOut)) error.WriteLine(line);
        output.Write(Encoding.UTF8.GetBytes(ReadingWriter.Write(sight.Reading, indented: true) + "\n"));
        output.Flush();
        return 0;
    }
}
