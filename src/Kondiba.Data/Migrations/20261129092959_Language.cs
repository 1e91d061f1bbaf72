using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Kondiba.Data.Migrations
{
    /// <inheritdoc />
    public partial class Language : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "language",
                table: "kitchens",
                type: "character varying(10)",
                maxLength: 10,
                nullable: false,
                defaultValue: "British");

            // Plans that were found say their sentences in another form now; the next search makes one anew.
            migrationBuilder.Sql("UPDATE day_plans SET found = NULL");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "language",
                table: "kitchens");
        }
    }
}
