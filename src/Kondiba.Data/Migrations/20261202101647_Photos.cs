using System;
using Microsoft.EntityFrameworkCore.Migrations;
using NodaTime;

#nullable disable

namespace Kondiba.Data.Migrations
{
    /// <inheritdoc />
    public partial class Photos : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "photos",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    kitchen_id = table.Column<Guid>(type: "uuid", nullable: false),
                    subject = table.Column<string>(type: "character varying(10)", maxLength: 10, nullable: false),
                    of = table.Column<string>(type: "character varying(80)", maxLength: 80, nullable: false),
                    jpeg = table.Column<byte[]>(type: "bytea", nullable: false),
                    added_at = table.Column<Instant>(type: "timestamp with time zone", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_photos", x => new { x.kitchen_id, x.id });
                    table.ForeignKey(
                        name: "fk_photos_kitchens_kitchen_id",
                        column: x => x.kitchen_id,
                        principalTable: "kitchens",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "ix_photos_kitchen_id_subject_of",
                table: "photos",
                columns: new[] { "kitchen_id", "subject", "of" });

            migrationBuilder.Sql("""
                INSERT INTO photos (id, kitchen_id, subject, of, jpeg, added_at)
                SELECT id, kitchen_id, 'Batch', batch_id::text, jpeg, added_at FROM batch_photos;
                """);

            migrationBuilder.DropTable(
                name: "batch_photos");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "photos");

            migrationBuilder.CreateTable(
                name: "batch_photos",
                columns: table => new
                {
                    kitchen_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    added_at = table.Column<Instant>(type: "timestamp with time zone", nullable: false),
                    batch_id = table.Column<Guid>(type: "uuid", nullable: false),
                    jpeg = table.Column<byte[]>(type: "bytea", nullable: false)
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
        }
    }
}
