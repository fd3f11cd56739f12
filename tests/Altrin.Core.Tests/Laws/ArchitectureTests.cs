using System.Text.RegularExpressions;

namespace Altrin.Core.Tests.Laws;

/// <summary>Dependencies point one way. Read from the using lines, so that an arrow the wrong way fails the day it is drawn.</summary>
public partial class ArchitectureTests
{
    private static readonly Dictionary<string, string[]> May = new()
    {
        ["Network"] = [],
        ["Documents"] = ["Network"],                // strict reading, and the JSON that documents are compared by
        ["Radio"] = ["Network"],
        ["Simulation"] = ["Network", "Radio"],
        ["Actions"] = ["Network", "Documents"],     // an action asks whether the document it makes could be read
        ["Rules"] = ["Network", "Radio", "Simulation", "Actions", "Rules"],
        ["Planning"] = ["Network", "Simulation", "Actions", "Rules"],
        ["WorkOrders"] = ["Network", "Documents", "Simulation", "Actions", "Rules"],
        ["Formats"] = ["Network", "Documents", "Simulation", "Actions", "Rules", "Planning", "WorkOrders"],
    };

    [Fact]
    public void A_folder_of_the_core_uses_only_what_it_may()
    {
        var core = Path.Combine(Examples.Root, "src", "Altrin.Core");
        foreach (var file in Directory.GetFiles(core, "*.cs", SearchOption.AllDirectories).Where(file => !file.Contains("/obj/", StringComparison.Ordinal)))
        {
            var folder = Path.GetRelativePath(core, file).Split('/')[0];
            foreach (Match use in Uses().Matches(File.ReadAllText(file)))
                Assert.True(use.Groups[1].Value == folder || May[folder].Contains(use.Groups[1].Value), $"{file} uses {use.Groups[1].Value}");
        }
    }

    [Theory]
    [InlineData("Altrin.Core", "Altrin.Data|Altrin.Web|Microsoft|System.IO|System.Net.Http|System.Net.Sockets")]
    [InlineData("Altrin.Data", "Altrin.Web|Microsoft.AspNetCore")]
    public void A_project_knows_nothing_of_those_above_it(string project, string forbidden)
    {
        foreach (var file in Directory.GetFiles(Path.Combine(Examples.Root, "src", project), "*.cs", SearchOption.AllDirectories))
            if (!file.Contains("/obj/", StringComparison.Ordinal))
                Assert.DoesNotMatch($@"using ({forbidden.Replace(".", "\\.", StringComparison.Ordinal)})[.;]", File.ReadAllText(file));
    }

    [Fact]
    public void The_core_asks_neither_clock_nor_chance_nor_files()
    {
        foreach (var file in Directory.GetFiles(Path.Combine(Examples.Root, "src", "Altrin.Core"), "*.cs", SearchOption.AllDirectories))
            if (!file.Contains("/obj/", StringComparison.Ordinal))
                Assert.DoesNotMatch(@"DateTime(Offset)?\.(Utc)?Now|new Random|Random\.Shared|Guid\.NewGuid|\bFile\.|Environment\.", File.ReadAllText(file));
    }

    [GeneratedRegex(@"using Altrin\.Core\.(\w+)")]
    private static partial Regex Uses();
}
