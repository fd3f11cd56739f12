using Microsoft.AspNetCore.DataProtection;

namespace Altrin.Web.Security;

/// <summary>The keys that secrets are sealed with: files of their own in the data folder, for their owner alone.</summary>
/// <remarks>It protects a copied database, not a copied folder with its key ring.</remarks>
internal static class KeyRing
{
    private const UnixFileMode OwnerOnly = UnixFileMode.UserRead | UnixFileMode.UserWrite | UnixFileMode.UserExecute;

    public static void Add(IServiceCollection services, string data)
    {
        var folder = Path.Combine(Path.GetFullPath(data), "keys");
        services.AddDataProtection().SetApplicationName("Altrin").PersistKeysToFileSystem(Owned(folder));
    }

    private static DirectoryInfo Owned(string folder)
    {
        if (OperatingSystem.IsWindows()) return Directory.CreateDirectory(folder);
        var made = Directory.CreateDirectory(folder, OwnerOnly);
        // It may have been there before, and open to others.
        made.UnixFileMode = OwnerOnly;
        return made;
    }
}
