using System;
using Microsoft.EntityFrameworkCore.Migrations;
using NodaTime;

#nullable disable

namespace Kondiba.Data.Migrations
{
    /// <inheritdoc />
    public partial class Logbook : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "batches",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    kitchen_id = table.Column<Guid>(type: "uuid", nullable: false),
                    made_on = table.Column<LocalDate>(type: "date", nullable: false),
                    batch = table.Column<string>(type: "jsonb", nullable: false),
                    expected = table.Column<string>(type: "jsonb", nullable: false),
                    logged_at = table.Column<Instant>(type: "timestamp with time zone", nullable: false),
                    removed_at = table.Column<Instant>(type: "timestamp with time zone", nullable: true),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_batches", x => new { x.kitchen_id, x.id });
                    table.ForeignKey(
                        name: "fk_batches_kitchens_kitchen_id",
                        column: x => x.kitchen_id,
                        principalTable: "kitchens",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "batch_photos",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    kitchen_id = table.Column<Guid>(type: "uuid", nullable: false),
                    batch_id = table.Column<Guid>(type: "uuid", nullable: false),
                    jpeg = table.Column<byte[]>(type: "bytea", nullable: false),
                    added_at = table.Column<Instant>(type: "timestamp with time zone", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_batch_photos", x => new { x.kitchen_id, x.id });
                    table.ForeignKey(
                        name: "fk_batch_photos_batches_kitchen_id_batch_id",
                        columns: x => new { x.kitchen_id, x.batch_id },
                        principalTable: "batches",
                        principalColumns: new[] { "kitchen_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "ix_batch_photos_kitchen_id_batch_id",
                table: "batch_photos",
                columns: new[] { "kitchen_id", "batch_id" });

            migrationBuilder.CreateIndex(
                name: "ix_batches_kitchen_id_made_on",
                table: "batches",
                columns: new[] { "kitchen_id", "made_on" });

            // What a batch teaches is in the kitchen's tables: they are others from then on, and pages hear of it.
            foreach (var (change, rows) in new[] { ("INSERT", "NEW"), ("UPDATE", "NEW"), ("DELETE", "OLD") })
            {
                migrationBuilder.Sql(
                    $"""
                    CREATE TRIGGER raise_on_{change.ToLowerInvariant()} AFTER {change} ON batches
                    REFERENCING {rows} TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION raise_revision('things');
                    CREATE TRIGGER tell_on_{change.ToLowerInvariant()} AFTER {change} ON batches
                    REFERENCING {rows} TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION tell_changed('logbook');
                    """);
            }
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "batch_photos");

            migrationBuilder.DropTable(
                name: "batches");
        }
    }
}
