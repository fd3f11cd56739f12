using System.Text;

namespace Altrin.Data;

/// <summary>Folders and files that nobody but their owner may read.</summary>
public static class OwnerOnly
{
    private const UnixFileMode Mine = UnixFileMode.UserRead | UnixFileMode.UserWrite;

    public static DirectoryInfo Folder(string folder)
    {
        if (OperatingSystem.IsWindows()) return Directory.CreateDirectory(folder);
        var made = Directory.CreateDirectory(folder, Mine | UnixFileMode.UserExecute);
        // It may have been there before, and open to others.
        made.UnixFileMode = Mine | UnixFileMode.UserExecute;
        return made;
    }

    public static void File(string file)
    {
        if (!OperatingSystem.IsWindows()) System.IO.File.SetUnixFileMode(file, Mine);
    }

    /// <summary>Whole or not at all.</summary>
    public static void Write(string file, string text)
    {
        Folder(Path.GetDirectoryName(file)!);
        var half = file + ".new";
        var options = new FileStreamOptions { Mode = FileMode.Create, Access = FileAccess.Write };
        if (!OperatingSystem.IsWindows()) options.UnixCreateMode = Mine;
        using (var stream = new FileStream(half, options)) stream.Write(Encoding.UTF8.GetBytes(text));
        System.IO.File.Move(half, file, overwrite: true);
    }
}
