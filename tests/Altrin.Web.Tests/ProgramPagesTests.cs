namespace Altrin.Web.Tests;

/// <summary>What is let go of program files: only what comes back by itself. Form of the lines: proc_pid_smaps(5).</summary>
public class ProgramPagesTests
{
    private static readonly string[] Lines =
    [
        "7f0000000000-7f0000010000 r-xp 00001000 fe:01 123                        /usr/lib/a program.so",
        "Size:                 64 kB", "Rss:                  48 kB", "Private_Dirty:         0 kB", "Anonymous:             0 kB", "VmFlags: rd ex mr mw me",
        "7f0000010000-7f0000020000 r-xp 00001000 fe:01 123                        /usr/lib/changed.so",
        "Rss:                  64 kB", "Private_Dirty:         4 kB", "Anonymous:             4 kB",
        "7f0000020000-7f0000030000 rw-p 00001000 fe:01 123                        /usr/lib/data.so",
        "Rss:                  64 kB", "Private_Dirty:         0 kB", "Anonymous:             0 kB",
        "7f0000030000-7f0000040000 r-xs 00001000 00:01 1024                       /memfd:doublemapper (deleted)",
        "Rss:                  64 kB", "Shared_Dirty:          0 kB", "Anonymous:             0 kB",
        "7f0000040000-7f0000050000 r--s 00001000 fe:01 99                         /data/log.db (deleted)",
        "Rss:                  64 kB", "Anonymous:             0 kB",
        "7f0000050000-7f0000060000 rw-p 00000000 00:00 0 ",
        "Rss:                  64 kB", "Anonymous:            64 kB",
        "7f0000060000-7f0000061000 r--p 00000000 00:00 0                          [vvar]",
        "Rss:                   4 kB", "Anonymous:             0 kB",
    ];

    [Fact]
    public void Only_what_nobody_writes_to_and_stands_in_its_file_is_let_go()
    {
        var all = ProgramPages.Read(Lines).ToList();
        Assert.Equal(7, all.Count);
        var one = Assert.Single(all, mapping => mapping.IsAsInItsFile);
        Assert.Equal("/usr/lib/a program.so", one.File);
        Assert.Equal((0x7f0000000000u, 0x10000u, 48L << 10), ((ulong)one.Start, (ulong)one.Length, one.Resident));
    }

    [Fact]
    public void A_line_that_cannot_be_read_speaks_against_letting_go()
    {
        string[] lines = [Lines[0], "Rss: 4 kB", "Anonymous: many kB"];
        Assert.False(Assert.Single(ProgramPages.Read(lines)).IsAsInItsFile);
    }

    [Fact]
    public void A_running_program_holds_less_after_it_and_runs_on()
    {
        Assert.SkipUnless(OperatingSystem.IsLinux(), "Linux alone");
        var pages = new ProgramPages();
        // What has just come is left alone: it may be being loaded.
        Assert.Equal(0, pages.LetGo());
        var before = Mapped();
        var bytes = pages.LetGo();
        Assert.True(bytes > 1 << 20, $"{bytes} bytes");
        Assert.True(Mapped() < before, "no less is mapped");
        // Code, text and tables all come back.
        Assert.Equal("3a", string.Create(null, $"{(int)Math.Sqrt(3364):x}"));
        Assert.True(pages.LetGo() >= 0);
    }

    // Bytes of files in memory, of this very process.
    private static long Mapped() => long.Parse(File.ReadLines("/proc/self/status").First(line => line.StartsWith("RssFile:", StringComparison.Ordinal)).Split(' ', StringSplitOptions.RemoveEmptyEntries)[1], null) << 10;
}
