using System.Collections.Immutable;
using System.Text.Json.Serialization;
using Altrin.Core.Actions;
using Altrin.Core.Network;

namespace Altrin.Core.Rules;

/// <summary>A fault: something does not work. A caution: it will bite later.</summary>
[JsonConverter(typeof(WordConverter<Severity>))]
public enum Severity { Fault, Caution }

/// <summary>What a rule found in this house.</summary>
/// <param name="Rule">The rule's id; saved jobs quote it.</param>
/// <param name="Title">A heading of a few words.</param>
/// <param name="Subjects">Ids of the boxes and things concerned, the one to blame first.</param>
/// <param name="Message">Which addresses, sockets and boxes, and who loses what.</param>
/// <param name="Fixes">Best first. Proposals until <see cref="Evaluation.ProvenFixes"/> has simulated them.</param>
public sealed record Finding(
    string Rule, Severity Severity, string Title, ImmutableArray<string> Subjects, string Message, ImmutableArray<Fix> Fixes)
{
    /// <summary>The same finding in another document has the same key, whatever its addresses are by then.</summary>
    public string Key => $"{Rule}:{string.Join('+', Subjects.Order(StringComparer.Ordinal))}";
}

/// <param name="Say">What the button says.</param>
public sealed record Fix(string Say, params ImmutableArray<InstallerAction> Actions);
