using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.Rules;

/// <summary>A fault: something does not work. A caution: it will bite later.</summary>
[JsonConverter(typeof(WordConverter<Severity>))]
public enum Severity { Fault, Caution }

/// <summary>What a rule found in this house.</summary>
/// <param name="rule">The rule's id; saved jobs quote it.</param>
/// <param name="title">A heading of a few words.</param>
/// <param name="subjects">Ids of the boxes and things concerned, the one to blame first.</param>
/// <param name="about">What tells it from another finding of the same rule about the same boxes: a Wi-Fi name, a cable, a want. Empty where the
/// boxes say it all.</param>
/// <param name="message">Put into words when somebody reads it. Which addresses, sockets and boxes, and who loses what.</param>
/// <param name="propose">The fixes, best first. Asked only when somebody wants to see them: in a big house most are never looked at.</param>
public sealed class Finding(
    string rule, Severity severity, string title, ImmutableArray<string> subjects, Func<string> message, Func<ImmutableArray<Fix>> propose,
    params ImmutableArray<string> about)
{
    public Finding(string rule, Severity severity, string title, ImmutableArray<string> subjects, string message, Func<ImmutableArray<Fix>> propose,
        params ImmutableArray<string> about)
        : this(rule, severity, title, subjects, () => message, propose, about) { }

    private readonly Lazy<ImmutableArray<Fix>> fixes = new(propose);
    private string? words, key;

    public string Rule => rule;
    public Severity Severity => severity;
    public string Title => title;
    public ImmutableArray<string> Subjects => subjects;
    public string Message => words ??= message();

    /// <summary>All of its subjects are at fault alike, not the first alone.</summary>
    public bool BlamesAll { get; init; }

    /// <summary>Looking, or the box itself, settles it: no plan is better or worse for it.</summary>
    public bool IsSettledOnSite { get; init; }

    /// <summary>Its message by itself does not say what is wrong: the title goes before it.</summary>
    public bool IsSaidWithTitle { get; init; }

    /// <summary>Whom it blames; the rest only stand by.</summary>
    public IEnumerable<string> Blamed => BlamesAll ? subjects : subjects.Take(1);

    /// <summary>Proposals until <see cref="Evaluation.ProvenFixes"/> has simulated them.</summary>
    public ImmutableArray<Fix> Fixes => fixes.Value;

    /// <summary>No other finding of the house has it; the same finding in another document has the same.</summary>
    public string Key => key ??= about.IsEmpty ? $"{rule}:{Parts(subjects.Order(StringComparer.Ordinal))}" : $"{rule}:{Parts(subjects.Order(StringComparer.Ordinal))}:{Parts(about)}";

    /// <summary>An id may hold any letter, those between the parts too.</summary>
    private static string Parts(IEnumerable<string> parts) => string.Join('+', parts.Select(Uri.EscapeDataString));
}

/// <param name="Say">What the button says.</param>
public sealed record Fix(string Say, params ImmutableArray<InstallerAction> Actions);
