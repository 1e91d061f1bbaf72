using System;
using Microsoft.EntityFrameworkCore.Migrations;
using NodaTime;

#nullable disable

namespace Kondiba.Data.Migrations
{
    /// <inheritdoc />
    public partial class Deleted : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.Sql(
                """
                DROP TRIGGER tell_kitchen ON kitchens;
                CREATE TRIGGER tell_kitchen AFTER UPDATE OF name, units, language, locale, currency, time_zone ON kitchens
                    FOR EACH ROW EXECUTE FUNCTION tell_kitchen_changed();
                """);
            migrationBuilder.CreateTable(
                name: "deleted_items",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    kitchen_id = table.Column<Guid>(type: "uuid", nullable: false),
                    kind = table.Column<string>(type: "character varying(10)", maxLength: 10, nullable: false),
                    code = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    body = table.Column<string>(type: "jsonb", nullable: false),
                    deleted_at = table.Column<Instant>(type: "timestamp with time zone", nullable: false, defaultValueSql: "now()")
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_deleted_items", x => x.id);
                    table.ForeignKey(
                        name: "fk_deleted_items_kitchens_kitchen_id",
                        column: x => x.kitchen_id,
                        principalTable: "kitchens",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "ix_deleted_items_kitchen_id_deleted_at",
                table: "deleted_items",
                columns: new[] { "kitchen_id", "deleted_at" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.Sql(
                """
                DROP TRIGGER tell_kitchen ON kitchens;
                CREATE TRIGGER tell_kitchen AFTER UPDATE OF name, units, language, time_zone ON kitchens
                    FOR EACH ROW EXECUTE FUNCTION tell_kitchen_changed();
                """);
            migrationBuilder.DropTable(
                name: "deleted_items");
        }
    }
}
