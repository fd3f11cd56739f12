using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Altrin.Data.Migrations
{
    /// <inheritdoc />
    public partial class DeedsAndSnapshots : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            // By hand and in one transaction: the tool would build the table anew outside of one, and a start cut short there would lose it.
            // Of a house as found every old revision is a snapshot; of a plan the old rows held every deed since the house as found.
            migrationBuilder.Sql("""
                ALTER TABLE "revisions" RENAME TO "revisions_before";
                CREATE TABLE "revisions" (
                    "JobId" TEXT NOT NULL,
                    "Side" TEXT NOT NULL,
                    "Number" INTEGER NOT NULL,
                    "Parent" INTEGER NULL,
                    "Actions" TEXT NOT NULL,
                    "Snapshot" TEXT NULL,
                    "SinceSnapshot" INTEGER NOT NULL,
                    "Sentence" TEXT NOT NULL,
                    "At" INTEGER NOT NULL,
                    CONSTRAINT "PK_revisions" PRIMARY KEY ("JobId", "Side", "Number"),
                    CONSTRAINT "FK_revisions_jobs_JobId" FOREIGN KEY ("JobId") REFERENCES "jobs" ("Id") ON DELETE CASCADE
                );
                INSERT INTO "revisions" ("JobId", "Side", "Number", "Parent", "Actions", "Snapshot", "SinceSnapshot", "Sentence", "At")
                    SELECT "JobId", "Side", "Number", "Parent", CASE "Side" WHEN 'Found' THEN "Actions" ELSE '[]' END,
                        CASE "Side" WHEN 'Found' THEN "Document"
                            ELSE (SELECT json_group_array(json_object('action', json(deed.value))) FROM json_each("revisions_before"."Actions") AS deed) END,
                        0, "Sentence", "At"
                    FROM "revisions_before";
                DROP TABLE "revisions_before";
                """);

            migrationBuilder.AddColumn<string>(
                name: "Summary",
                table: "jobs",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "SummaryBy",
                table: "jobs",
                type: "TEXT",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "changes",
                columns: table => new
                {
                    JobId = table.Column<string>(type: "TEXT", nullable: false),
                    Id = table.Column<string>(type: "TEXT", nullable: false),
                    Version = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_changes", x => new { x.JobId, x.Id });
                    table.ForeignKey(
                        name: "FK_changes_jobs_JobId",
                        column: x => x.JobId,
                        principalTable: "jobs",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "photos",
                columns: table => new
                {
                    JobId = table.Column<string>(type: "TEXT", nullable: false),
                    Id = table.Column<string>(type: "TEXT", nullable: false),
                    Subject = table.Column<string>(type: "TEXT", nullable: false),
                    MediaType = table.Column<string>(type: "TEXT", nullable: false),
                    Content = table.Column<byte[]>(type: "BLOB", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_photos", x => new { x.JobId, x.Id });
                    table.ForeignKey(
                        name: "FK_photos_jobs_JobId",
                        column: x => x.JobId,
                        principalTable: "jobs",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "secrets",
                columns: table => new
                {
                    JobId = table.Column<string>(type: "TEXT", nullable: false),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Sealed = table.Column<byte[]>(type: "BLOB", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_secrets", x => new { x.JobId, x.Name });
                    table.ForeignKey(
                        name: "FK_secrets_jobs_JobId",
                        column: x => x.JobId,
                        principalTable: "jobs",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_revisions_JobId_Side_Parent",
                table: "revisions",
                columns: new[] { "JobId", "Side", "Parent" });
        }

        /// <remarks>What a plan was made of cannot be told from its snapshots any more: there is no way back but a copy of the file.</remarks>
        protected override void Down(MigrationBuilder migrationBuilder) => throw new NotSupportedException();
    }
}
