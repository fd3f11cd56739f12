using System.Globalization;
using Altrin.Data;

namespace Altrin.Web.Cli;

/// <summary><c>restore [--data DIR] [N|aside]</c>: lists the copies of the jobs, puts one in their place, or moves a damaged database away.</summary>
internal static class RestoreCommand
{
    private const string Usage = "usage: restore [--data DIR] [N|aside]";

    public static int Run(string[] arguments, TextWriter output, TextWriter error)
    {
        var (folder, words) = ("data", new List<string>());
        for (var i = 0; i < arguments.Length; i++)
        {
            if (arguments[i] != "--data") words.Add(arguments[i]);
            else if (++i >= arguments.Length) return InputFile.Fail(error, $"--data wants a folder after it. {Usage}");
            else folder = arguments[i];
        }
        if (words.Count > 1) return InputFile.Fail(error, Usage);
        var file = Path.Combine(Path.GetFullPath(folder), "altrin.db");
        var copies = new Copies(file, TimeProvider.System);
        try
        {
            if (words is []) return List(file, copies, output);
            // Nobody else may have it open meanwhile.
            using var hold = FolderHold.Take(folder);
            if (words[0] == "aside")
            {
                output.WriteLine(copies.MoveAside() is { } where ? $"The database is now in {where}. The next start begins with no jobs." : $"There is no database in {folder}. The next start begins with no jobs.");
                return 0;
            }
            var all = copies.All();
            if (!int.TryParse(words[0], NumberStyles.None, CultureInfo.InvariantCulture, out var number) || number < 1 || number > all.Length)
                return InputFile.Fail(error, all.IsEmpty ? $"There is no copy in {folder}: one is kept at each start." : $"“{words[0]}” is none of the copies. Say a number from 1 to {all.Length}, or aside.");
            var aside = copies.PutBack(all[number - 1].Name);
            output.WriteLine($"The jobs are those of {Say(all[number - 1].At)} again.{(aside is null ? "" : $" What was there is kept in {aside}.")}");
            return 0;
        }
        catch (Exception trouble) when (StartTrouble.Say(trouble, folder) is { } said)
        {
            return InputFile.Fail(error, said);
        }
    }

    private static int List(string file, Copies copies, TextWriter output)
    {
        var all = copies.All();
        output.WriteLine(!File.Exists(file) ? $"There is no database {file}." : Copies.WhyDamaged(file) is { } why ? $"The database {file} is damaged or is none ({why})." : $"The database {file} is in order.");
        output.WriteLine(all.IsEmpty ? "No copies are kept yet: one is made at each start." : "Copies, the newest first:");
        for (var i = 0; i < all.Length; i++)
        {
            var copy = all[i];
            output.WriteLine(string.Create(CultureInfo.InvariantCulture, $"  {i + 1}  {Say(copy.At)}  {copy.Bytes / 1024.0:0} KB  {copy.Jobs} {(copy.Jobs == 1 ? "job" : "jobs")}{(copy.LastAt is { } last ? $", the last changed {Say(last)}" : "")}{(copy.IsBefore ? "  (before another copy was put back)" : "")}"));
        }
        if (!all.IsEmpty) output.WriteLine("“./altrin restore 1” puts the first in the place of what is there, which is kept aside.");
        return 0;
    }

    private static string Say(DateTimeOffset at) => at.UtcDateTime.ToString("d MMMM yyyy HH:mm:ss 'UTC'", CultureInfo.InvariantCulture);
}
