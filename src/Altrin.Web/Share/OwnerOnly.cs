using System.Text;

namespace Altrin.Web.Share;

/// <summary>Files that nobody but their owner may read, written whole or not at all.</summary>
internal static class OwnerOnly
{
    private const UnixFileMode Mine = UnixFileMode.UserRead | UnixFileMode.UserWrite;

    public static void Write(string file, string text)
    {
        var folder = Path.GetDirectoryName(file)!;
        if (OperatingSystem.IsWindows()) Directory.CreateDirectory(folder);
        else Directory.CreateDirectory(folder, Mine | UnixFileMode.UserExecute);
        var half = file + ".new";
        var options = new FileStreamOptions { Mode = FileMode.Create, Access = FileAccess.Write };
        if (!OperatingSystem.IsWindows()) options.UnixCreateMode = Mine;
        using (var stream = new FileStream(half, options)) stream.Write(Encoding.UTF8.GetBytes(text));
        File.Move(half, file, overwrite: true);
    }
}
