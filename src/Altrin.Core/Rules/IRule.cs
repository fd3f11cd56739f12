namespace Altrin.Core.Rules;

/// <summary>What a rule is to those who plan and order work.</summary>
[Flags]
public enum RuleTraits
{
    None = 0,

    /// <summary>What cures it changes what is on the air: other findings of the air may go with it.</summary>
    OfTheAir = 1,

    /// <summary>Its cure is the plan of channels: longer to be worked out than a house to be judged, and nearly always there.</summary>
    CuredByChannels = 2,

    /// <summary>Its cure is another place for a box: no matter of a plan, which carries no box in use.</summary>
    CuredByPlace = 4,

    /// <summary>A second translation: its cure is another structure, which is looked at by itself; the ranking counts it, and it is no
    /// fault there.</summary>
    OfStructure = 8,

    /// <summary>It only says again that a want fails: no fault in the ranking, which counts the want.</summary>
    RestatesWant = 16,

    /// <summary>No step of an order may bring it into a house, not even for the time of the work.</summary>
    NeverInPassing = 32,
}

/// <summary>One thing that must hold in a house. Found by type and run in order of id; no rule calls another.</summary>
public interface IRule
{
    /// <summary>Lasts for ever: saved jobs quote it. An example of it is <c>docs/examples/{Id}.json</c>.</summary>
    string Id { get; }

    string Statement { get; }

    /// <summary>The published source, or “common practice, no source”.</summary>
    string Source { get; }

    /// <summary>What planning, ranking and orders need to know of it.</summary>
    RuleTraits Traits => RuleTraits.None;

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

    private static readonly Dictionary<string,
        string> Themes = All.ToDictionary(rule => rule.Id, rule => rule.GetType().Namespace!.Split('.')[^1] switch
    {
        "Spectrum" or "Reception" => "air",
        var folder => folder.ToLowerInvariant(),
    }, StringComparer.Ordinal);

    private static readonly Dictionary<string,
        RuleTraits> TraitsById = All.ToDictionary(rule => rule.Id, rule => rule.Traits, StringComparer.Ordinal);

    /// <summary>Whether the rule of the finding has one of these traits.</summary>
    public static bool Is(this Finding finding, RuleTraits traits) => (TraitsById.GetValueOrDefault(finding.Rule) & traits) != 0;

    /// <summary>What a rule is about: the folder it stands in; <c>air</c> for channels and places. Empty for a rule that is not
    /// known.</summary>
    public static string ThemeOf(string rule) => Themes.GetValueOrDefault(rule, "");
}
