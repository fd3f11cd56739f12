namespace Altrin.Core.Rules;

/// <summary>One thing that must hold in a house. Found by type and run in order of id; no rule calls another.</summary>
public interface IRule
{
    /// <summary>Lasts for ever: saved jobs quote it. An example of it is <c>docs/examples/{Id}.json</c>.</summary>
    string Id { get; }

    string Statement { get; }

    /// <summary>The published source, or “common practice, no source”.</summary>
    string Source { get; }

    IEnumerable<Finding> Check(Facts facts);
}

public static class RuleBook
{
    /// <summary>Every rule, in order of id.</summary>
    public static readonly IReadOnlyList<IRule> All =
    [
        .. typeof(RuleBook).Assembly.GetTypes()
            .Where(type => type.IsClass && !type.IsAbstract && typeof(IRule).IsAssignableFrom(type))
            .Select(type => (IRule)Activator.CreateInstance(type)!)
            .OrderBy(rule => rule.Id, StringComparer.Ordinal),
    ];

    private static readonly Dictionary<string, string> Themes = All.ToDictionary(rule => rule.Id, rule => rule.GetType().Namespace!.Split('.')[^1] switch
    {
        "Spectrum" or "Reception" => "air",
        var folder => folder.ToLowerInvariant(),
    }, StringComparer.Ordinal);

    /// <summary>What a rule is about: the folder it stands in; <c>air</c> for channels and places. Empty for a rule that is not known.</summary>
    public static string ThemeOf(string rule) => Themes.GetValueOrDefault(rule, "");
}
