using System.Collections.Generic;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Kondiba.Data.Migrations
{
    /// <inheritdoc />
    public partial class Looks : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<List<string>>(
                name: "palette",
                table: "orders",
                type: "text[]",
                nullable: false,
                defaultValueSql: "'{}'");

            migrationBuilder.AddColumn<string>(
                name: "decor",
                table: "order_lines",
                type: "jsonb",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "look",
                table: "order_lines",
                type: "character varying(60)",
                maxLength: 60,
                nullable: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "palette",
                table: "orders");

            migrationBuilder.DropColumn(
                name: "decor",
                table: "order_lines");

            migrationBuilder.DropColumn(
                name: "look",
                table: "order_lines");
        }
    }
}
