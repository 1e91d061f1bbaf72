using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Kondiba.Data.Migrations
{
    /// <inheritdoc />
    public partial class Counts : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<int>(
                name: "count",
                table: "task_events",
                type: "integer",
                nullable: true);

            // What is counted changes no arrangement: it is told by itself.
            migrationBuilder.Sql(
                """
                CREATE TRIGGER tell_on_insert AFTER INSERT ON task_events
                REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION tell_changed('day');
                """);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.Sql("DROP TRIGGER tell_on_insert ON task_events;");
            migrationBuilder.DropColumn(
                name: "count",
                table: "task_events");
        }
    }
}
