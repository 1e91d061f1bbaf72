using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Kondiba.Data.Migrations
{
    /// <inheritdoc />
    public partial class BarePieces : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropCheckConstraint(
                name: "ck_order_lines_depth",
                table: "order_lines");

            migrationBuilder.AddCheckConstraint(
                name: "ck_order_lines_depth",
                table: "order_lines",
                sql: "depth >= 0 AND depth <= 1");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropCheckConstraint(
                name: "ck_order_lines_depth",
                table: "order_lines");

            migrationBuilder.AddCheckConstraint(
                name: "ck_order_lines_depth",
                table: "order_lines",
                sql: "depth > 0 AND depth <= 1");
        }
    }
}
