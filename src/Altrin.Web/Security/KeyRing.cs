using Altrin.Data;
using Microsoft.AspNetCore.DataProtection;

namespace Altrin.Web.Security;

/// <summary>The keys that secrets are sealed with: files of their own in the data folder, for their owner alone.</summary>
/// <remarks>It protects a copied database, not a copied folder with its key ring.</remarks>
internal static class KeyRing
{
    public static void Add(IServiceCollection services, string data)
    {
        var folder = Path.Combine(Path.GetFullPath(data), "keys");
        services.AddDataProtection().SetApplicationName("Altrin").PersistKeysToFileSystem(OwnerOnly.Folder(folder));
    }
}
