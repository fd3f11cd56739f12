using Altrin.Core.Actions;

namespace Altrin.Core.Rules.Access;

/// <summary>A settings page that opens with the password on the label.</summary>
public sealed class DefaultAdminPassword : IRule
{
    public string Id => "default-admin-password";
    public string Statement => "The admin password of every box is the household’s own.";
    public string Source => "ETSI EN 303 645 provision 5.1-1 (no universal default passwords); value from memory";

    public IEnumerable<Finding> Check(Facts facts) =>
        from box in facts.InUse
        where box.DefaultPassword == true
        select new Finding(Id, Severity.Caution, "The label’s own password", [box.Id],
            $"The settings page of {box.Name} still opens with the password on its label. Whoever is on the network can change everything.",
            () => [new("Change it, and note the new one", new ChangeAdminPassword(box.Id))]);
}
