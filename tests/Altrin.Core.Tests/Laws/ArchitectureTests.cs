using System.Text.RegularExpressions;

namespace Altrin.Core.Tests.Laws;

/// <summary>Dependencies point one way. Read from the using lines, so that an arrow the wrong way fails the day it is drawn.</summary>
public partial class ArchitectureTests
{
    private static readonly Dictionary<string, string[]> May = new()
    {
        ["Network"] = [],
        ["Documents"] = ["Network"],                // strict reading, and the JSON that documents are compared by
        ["Kit"] = ["Network", "Documents"],         // a kind on the shelf holds a box as a document does
        ["Radio"] = ["Network"],
        ["Simulation"] = ["Network", "Radio"],
        ["Actions"] = ["Network", "Documents", "Kit"],     // an action asks whether the document it makes could be read
        ["Merging"] = ["Network", "Documents", "Actions"],  // what two change at the same time
        ["Air"] = ["Network", "Kit", "Radio", "Simulation", "Actions"],
        ["Rules"] = ["Network", "Radio", "Air", "Simulation", "Actions", "Rules"],
        ["Planning"] = ["Network", "Radio", "Air", "Documents", "Kit", "Simulation", "Actions", "Rules"],
        ["Readings"] = ["Network", "Kit", "Simulation"],
        ["Secrets"] = [],
        ["Addressing"] = ["Network", "Actions", "Simulation"],
        ["Visit"] = ["Network", "Kit", "Actions", "Simulation", "Readings"],
        ["WorkOrders"] = ["Network", "Documents", "Kit", "Air", "Simulation", "Actions", "Rules", "Readings", "Diagnosis"],
        ["Diagnosis"] = ["Network", "Documents", "Simulation", "Actions", "Rules", "Readings"],
        ["Formats"] = ["Network", "Documents", "Kit", "Simulation", "Actions", "Rules", "Planning", "Readings", "WorkOrders", "Diagnosis",
            "Handover"],
        ["Handover"] = ["Network", "Documents", "Kit", "Simulation", "Actions", "Rules", "WorkOrders"],
    };

    private static IEnumerable<(string Folder, string File, string Code)> Core()
    {
        var core = Path.Combine(Examples.Root, "src", "Altrin.Core");
        foreach (var file in Directory.GetFiles(core, "*.cs",
            SearchOption.AllDirectories).Where(file => !file.Contains("/obj/", StringComparison.Ordinal)))
            yield return (Path.GetRelativePath(core, file).Split('/')[0], file, Comments().Replace(File.ReadAllText(file), ""));
    }

    /// <summary>By a using line, by a name written out, or by one written from the folder on: an arrow is an arrow.</summary>
    [Fact]
    public void A_folder_of_the_core_uses_only_what_it_may()
    {
        var seen = 0;
        foreach (var (folder, file, code) in Core())
            foreach (var use in Uses().Matches(code).Concat(Qualified().Matches(code)).Select(match => match.Groups[1].Value))
            {
                seen++;
                Assert.True(use == folder || May[folder].Contains(use), $"{file} uses {use}");
            }
        Assert.True(seen > 200, $"only {seen} arrows were seen");
    }

    /// <summary>Within a folder of the core its sub-folders have one direction too: told by the types that each declares and
    /// names.</summary>
    [Fact]
    public void The_folders_within_a_folder_have_one_direction()
    {
        var core = Path.Combine(Examples.Root, "src", "Altrin.Core");
        var seen = 0;
        foreach (var top in Core().GroupBy(one => one.Folder))
        {
            var files = top.Select(one => (Place: Path.GetRelativePath(core, Path.GetDirectoryName(one.File)!), one.Code)).ToList();
            var home = files.SelectMany(file => Declared().Matches(file.Code).Select(match => (Type: match.Groups[1].Value, file.Place)))
                .GroupBy(one => one.Type).Where(group => group.Select(one => one.Place).Distinct().Count() == 1).ToDictionary(group =>
                    group.Key, group => group.First().Place);
            var arrows = files.SelectMany(file => Named().Matches(file.Code).Select(match => match.Value).Distinct()
                    .Where(name => home.TryGetValue(name, out var there)
                        && there != file.Place).Select(name => (From: file.Place, To: home[name], Type: name)))
                .ToLookup(arrow => arrow.From);
            seen += arrows.Sum(group => group.Count());
            foreach (var from in arrows.Select(group => group.Key))
                Assert.False(Leads(arrows, from),
                    $"{from} leads back to itself: {string.Join(", ", arrows[from].Select(arrow => $"{arrow.To} by {arrow.Type}").Distinct())}");
        }
        Assert.True(seen > 100, $"only {seen} arrows were seen");
    }

    private static bool Leads(ILookup<string, (string From, string To, string Type)> arrows, string home)
    {
        var open = new Stack<string>([home]);
        var been = new HashSet<string>();
        while (open.TryPop(out var here))
            foreach (var to in arrows[here].Select(arrow => arrow.To).Distinct())
                if (to == home) return true;
                else if (been.Add(to)) open.Push(to);
        return false;
    }

    /// <summary>What a rule is called is known to the rule alone: whoever needs to know something of it asks its traits.</summary>
    [Fact]
    public void No_rule_is_named_outside_its_own_file()
    {
        var src = Path.Combine(Examples.Root, "src");
        // Kinds of causes have words of their own in the format, and some are a rule's too.
        bool IsCause(string file) => file.Contains("/Diagnosis/Causes/", StringComparison.Ordinal);
        foreach (var file in Directory.GetFiles(src, "*.cs",
            SearchOption.AllDirectories).Where(file => !file.Contains("/obj/", StringComparison.Ordinal) && !IsCause(file)))
            foreach (var rule in Altrin.Core.Rules.RuleBook.All.Where(rule => rule.Id.Contains('-', StringComparison.Ordinal)
                && Path.GetFileNameWithoutExtension(file) != rule.GetType().Name))
                Assert.DoesNotContain($"\"{rule.Id}\"", File.ReadAllText(file), StringComparison.Ordinal);
    }

    /// <summary>What a mode does is asked of the table; outside of it no line names one.</summary>
    [Fact]
    public void No_mode_is_named_outside_the_table()
    {
        foreach (var (folder, file, code) in Core().Where(one => one.Folder != "Network"))
            Assert.DoesNotMatch(@"\bDeviceMode\.[A-Z]", code);
    }

    [Fact]
    public void An_arrow_written_out_is_seen_as_well_as_one_in_a_using_line()
    {
        Assert.Equal(["Rules", "Simulation", "Data"],
            Qualified().Matches("var x = Rules.Facts.Join(y); if (z == Simulation.Answer.Yes) global::Altrin.Core.Data.Go(one.Rules.Count);").Select(match => match.Groups[1].Value));
    }

    /// <summary>The rules stand in folders by theme, the engine apart from them; and no rule calls another.</summary>
    [Fact]
    public void No_rule_calls_another()
    {
        var rules = typeof(Altrin.Core.Rules.IRule).Assembly.GetTypes().Where(type => type.IsClass
            && typeof(Altrin.Core.Rules.IRule).IsAssignableFrom(type)).ToList();
        Assert.All(rules,
            rule => Assert.Matches(@"^Altrin\.Core\.Rules\.(Access|Addresses|Cabling|Leases|Reception|Spectrum|Translation|Wireless)$",
            rule.Namespace));
        foreach (var (_, file, code) in Core())
            foreach (var rule in rules.Where(rule => Path.GetFileNameWithoutExtension(file) != rule.Name))
                Assert.DoesNotMatch($@"(?<![\w.""/]){rule.Name}(\.|\()", code);
    }

    [Theory]
    [InlineData("Altrin.Core", "Altrin.Data|Altrin.Web|Microsoft|System.IO|System.Net.Http|System.Net.Sockets")]
    [InlineData("Altrin.Data",
        "Altrin.Web|Altrin.UseCases|Microsoft.AspNetCore|Altrin.Core.(Actions|Rules|Simulation|Planning|WorkOrders)")]
    [InlineData("Altrin.UseCases", "Altrin.Web|Microsoft.AspNetCore|Microsoft.EntityFrameworkCore|Microsoft.Data")]
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
                Assert.DoesNotMatch(@"DateTime(Offset)?\.(Utc)?Now|new Random|Random\.Shared|Guid\.NewGuid|\bFile\.|Environment\.",
                    File.ReadAllText(file));
    }

    [GeneratedRegex(@"//.*|""(?:[^""\\]|\\.)*""")]
    private static partial Regex Comments();

    [GeneratedRegex(@"(?<![\w.])(?:(?:global::)?Altrin\.Core\.)?(Documents|Radio|Simulation|Actions|Rules|Planning|WorkOrders|Readings|Formats|Data)\.(?=[A-Z]\w*[.(])")]
    private static partial Regex Qualified();

    [GeneratedRegex(@"using Altrin\.Core\.(\w+)")]
    private static partial Regex Uses();

    [GeneratedRegex(@"^(?:public|internal)[\w ]*\b(?:class|record struct|record|struct|enum|interface) ([A-Z]\w+)", RegexOptions.Multiline)]
    private static partial Regex Declared();

    [GeneratedRegex(@"(?<![\w.])[A-Z]\w+(?=[\s.<(?\[>);{])")]
    private static partial Regex Named();
}
