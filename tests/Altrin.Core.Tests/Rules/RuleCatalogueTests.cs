using System.Text;
using Altrin.Core.Actions;
using Altrin.Core.Rules;
using Altrin.Core.Rules.Judging;

namespace Altrin.Core.Tests.Rules;

/// <summary>docs/rules.md is written from the rules and their example documents; this fails when it is stale.</summary>
public class RuleCatalogueTests
{
    [Fact]
    public void The_catalogue_says_what_the_rules_say()
    {
        var file = Path.Combine(Examples.Root, "docs", "rules.md");
        var written = Catalogue();
        if (Environment.GetEnvironmentVariable("ALTRIN_WRITE_DOCS") is { Length: > 0 }) File.WriteAllText(file, written);
        Assert.True(File.Exists(file) && File.ReadAllText(file) == written, "docs/rules.md is stale: run ALTRIN_WRITE_DOCS=1 ./altrin test core.");
    }

    private static string Catalogue()
    {
        var text = new StringBuilder($$"""
            # The rules

            What Altrin looks for in a house: {{RuleBook.All.Count}} rules, each a file in `src/Altrin.Core/Rules` with an example document in `docs/examples`.
            This page is written from them by a test, which fails when it is stale. A fix is offered only where simulating it removes the finding,
            adds no fault and breaks no want that held.


            """);
        foreach (var rule in RuleBook.All)
        {
            var house = Evaluation.Of(Examples.House(rule.Id));
            var finding = house.Findings.First(found => found.Rule == rule.Id);
            text.Append($"## {rule.Id}\n\n{rule.Statement}\n\n");
            text.Append($"- Source: {rule.Source}\n- Severity in the example: {finding.Severity.ToString().ToLowerInvariant()}\n");
            text.Append($"- Example: [{rule.Id}.json](examples/{rule.Id}.json) — “{finding.Message}”\n");
            var fixes = house.ProvenFixes(finding);
            text.Append(fixes.IsEmpty ? "- Fixes offered: none; no setting mends it\n" : "- Fixes offered:\n");
            foreach (var fix in fixes)
            {
                var now = house.State.House;
                var deeds = new List<string>();
                foreach (var action in fix.Actions)
                {
                    deeds.Add(action.Say(now));
                    now = action.Apply(now);
                }
                text.Append($"  - {fix.Say}: {string.Join("; ", deeds)}\n");
            }
            text.Append('\n');
        }
        return text.ToString().TrimEnd() + "\n";
    }
}
