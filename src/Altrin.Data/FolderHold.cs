namespace Altrin.Data;

/// <summary>A data folder belongs to one running program: a lock on a file that goes when its holder goes, however that goes.</summary>
public sealed class FolderHold : IDisposable
{
    private readonly FileStream held;

    private FolderHold(FileStream held) => this.held = held;

    /// <exception cref="StoreTroubleException">Another program has it.</exception>
    public static FolderHold Take(string folder)
    {
        var full = Path.GetFullPath(folder);
        Directory.CreateDirectory(full);
        var file = Path.Combine(full, "altrin.serving");
        try { return new(new(file, FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None)); }
        catch (IOException error) when (error.GetType() == typeof(IOException) && File.Exists(file))
        {
            throw new StoreTroubleException($"Another Altrin is running on {full}. Use its page, or end it first; with --data another folder can be served beside it.", error);
        }
    }

    public void Dispose() => held.Dispose();
}
