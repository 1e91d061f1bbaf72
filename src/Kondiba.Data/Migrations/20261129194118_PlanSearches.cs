using System;
using Microsoft.EntityFrameworkCore.Migrations;
using NodaTime;

#nullable disable

namespace Kondiba.Data.Migrations
{
    /// <inheritdoc />
    public partial class PlanSearches : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "found",
                table: "day_plans");

            migrationBuilder.CreateTable(
                name: "plan_searches",
                columns: table => new
                {
                    kitchen_id = table.Column<Guid>(type: "uuid", nullable: false),
                    asked = table.Column<Guid>(type: "uuid", nullable: false),
                    asked_at = table.Column<Instant>(type: "timestamp with time zone", nullable: false),
                    key = table.Column<string>(type: "text", nullable: false),
                    state = table.Column<string>(type: "character varying(10)", maxLength: 10, nullable: false),
                    from = table.Column<LocalDateTime>(type: "timestamp without time zone", nullable: true),
                    stays = table.Column<bool>(type: "boolean", nullable: false),
                    found = table.Column<string>(type: "jsonb", nullable: true),
                    late = table.Column<string>(type: "jsonb", nullable: true),
                    remedies = table.Column<string>(type: "jsonb", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_plan_searches", x => x.kitchen_id);
                    table.ForeignKey(
                        name: "fk_plan_searches_kitchens_kitchen_id",
                        column: x => x.kitchen_id,
                        principalTable: "kitchens",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            // What the planner finds is seen at once by whoever looks at the day.
            migrationBuilder.Sql("CREATE TRIGGER tell_on_update AFTER UPDATE ON plan_searches REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION tell_changed('day');");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "plan_searches");

            migrationBuilder.AddColumn<string>(
                name: "found",
                table: "day_plans",
                type: "jsonb",
                nullable: true);
        }
    }
}
