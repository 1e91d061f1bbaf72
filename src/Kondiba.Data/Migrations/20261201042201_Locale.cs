using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Kondiba.Data.Migrations
{
    /// <inheritdoc />
    public partial class Locale : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<int>(
                name: "units",
                table: "people",
                type: "integer",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "currency",
                table: "kitchens",
                type: "character varying(3)",
                maxLength: 3,
                nullable: false,
                defaultValue: "EUR");

            migrationBuilder.AddColumn<string>(
                name: "locale",
                table: "kitchens",
                type: "character varying(10)",
                maxLength: 10,
                nullable: false,
                defaultValue: "en-GB");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "units",
                table: "people");

            migrationBuilder.DropColumn(
                name: "currency",
                table: "kitchens");

            migrationBuilder.DropColumn(
                name: "locale",
                table: "kitchens");
        }
    }
}
