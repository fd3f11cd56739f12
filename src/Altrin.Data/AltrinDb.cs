using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;
using Microsoft.EntityFrameworkCore.Storage.ValueConversion;

namespace Altrin.Data;

internal sealed class AltrinDb(DbContextOptions<AltrinDb> options) : DbContext(options)
{
    public DbSet<JobRow> Jobs => Set<JobRow>();
    public DbSet<RevisionRow> Revisions => Set<RevisionRow>();
    public DbSet<ChangeRow> Changes => Set<ChangeRow>();
    public DbSet<TickRow> Ticks => Set<TickRow>();
    public DbSet<TurnRow> Turns => Set<TurnRow>();
    public DbSet<DiagnosisRow> Diagnoses => Set<DiagnosisRow>();
    public DbSet<PhotoRow> Photos => Set<PhotoRow>();
    public DbSet<SecretRow> Secrets => Set<SecretRow>();

    protected override void OnModelCreating(ModelBuilder model)
    {
        var job = model.Entity<JobRow>().ToTable("jobs");
        job.HasKey(row => row.Id);
        job.Property(row => row.Version).IsConcurrencyToken();
        var revision = model.Entity<RevisionRow>().ToTable("revisions");
        revision.HasKey(row => new { row.JobId, row.Side, row.Number });
        // Redo asks for what came after a revision.
        revision.HasIndex(row => new { row.JobId, row.Side, row.Parent });
        var change = model.Entity<ChangeRow>().ToTable("changes");
        change.HasKey(row => new { row.JobId, row.Id });
        var tick = model.Entity<TickRow>().ToTable("ticks");
        tick.HasKey(row => new { row.JobId, row.StepKey });
        tick.Property(row => row.Revision).IsConcurrencyToken();
        var turn = model.Entity<TurnRow>().ToTable("turns");
        turn.HasKey(row => new { row.JobId, row.Number });
        var diagnosis = model.Entity<DiagnosisRow>().ToTable("diagnoses");
        diagnosis.HasKey(row => new { row.JobId, row.Number });
        diagnosis.Property(row => row.Revision).IsConcurrencyToken();
        var photo = model.Entity<PhotoRow>().ToTable("photos");
        photo.HasKey(row => new { row.JobId, row.Id });
        var secret = model.Entity<SecretRow>().ToTable("secrets");
        secret.HasKey(row => new { row.JobId, row.Name });
        revision.HasOne<JobRow>().WithMany().HasForeignKey(row => row.JobId).OnDelete(DeleteBehavior.Cascade);
        change.HasOne<JobRow>().WithMany().HasForeignKey(row => row.JobId).OnDelete(DeleteBehavior.Cascade);
        tick.HasOne<JobRow>().WithMany().HasForeignKey(row => row.JobId).OnDelete(DeleteBehavior.Cascade);
        turn.HasOne<JobRow>().WithMany().HasForeignKey(row => row.JobId).OnDelete(DeleteBehavior.Cascade);
        diagnosis.HasOne<JobRow>().WithMany().HasForeignKey(row => row.JobId).OnDelete(DeleteBehavior.Cascade);
        photo.HasOne<JobRow>().WithMany().HasForeignKey(row => row.JobId).OnDelete(DeleteBehavior.Cascade);
        secret.HasOne<JobRow>().WithMany().HasForeignKey(row => row.JobId).OnDelete(DeleteBehavior.Cascade);
    }

    protected override void ConfigureConventions(ModelConfigurationBuilder conventions)
    {
        conventions.Properties<Side>().HaveConversion<string>();
        // SQLite has no type for an instant; ticks of UTC sort as times do.
        conventions.Properties<DateTimeOffset>().HaveConversion<DateTimeOffsetToBinaryConverter>();
    }
}

/// <summary>Lets the migration tool build the model; no run of the program uses it.</summary>
internal sealed class DesignTimeDb : IDesignTimeDbContextFactory<AltrinDb>
{
    public AltrinDb CreateDbContext(string[] args) =>
        new(new DbContextOptionsBuilder<AltrinDb>().UseSqlite("Data Source=design.db").Options);
}
