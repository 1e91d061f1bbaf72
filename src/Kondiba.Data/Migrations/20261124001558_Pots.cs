using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Kondiba.Data.Migrations
{
    /// <inheritdoc />
    public partial class Pots : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropCheckConstraint(
                name: "ck_order_lines_count",
                table: "order_lines");

            migrationBuilder.RenameColumn(
                name: "count",
                table: "order_lines",
                newName: "amount");

            migrationBuilder.AlterColumn<double>(
                name: "amount",
                table: "order_lines",
                type: "double precision",
                nullable: false,
                oldClrType: typeof(int),
                oldType: "integer");

            migrationBuilder.AddColumn<double>(
                name: "margin",
                table: "orders",
                type: "double precision",
                nullable: true);

            migrationBuilder.AlterColumn<string>(
                name: "size",
                table: "order_lines",
                type: "character varying(60)",
                maxLength: 60,
                nullable: false,
                oldClrType: typeof(string),
                oldType: "character varying(40)",
                oldMaxLength: 40);

            migrationBuilder.AlterColumn<string>(
                name: "colour",
                table: "order_lines",
                type: "character varying(60)",
                maxLength: 60,
                nullable: false,
                oldClrType: typeof(string),
                oldType: "character varying(40)",
                oldMaxLength: 40);

            migrationBuilder.AlterColumn<string>(
                name: "centre",
                table: "order_lines",
                type: "character varying(60)",
                maxLength: 60,
                nullable: false,
                oldClrType: typeof(string),
                oldType: "character varying(40)",
                oldMaxLength: 40);

            migrationBuilder.AddColumn<bool>(
                name: "at_once",
                table: "order_lines",
                type: "boolean",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "coating",
                table: "order_lines",
                type: "character varying(60)",
                maxLength: 60,
                nullable: false,
                defaultValue: "compound-wafer-hot-flow");

            migrationBuilder.AddColumn<string>(
                name: "counted_in",
                table: "order_lines",
                type: "character varying(10)",
                maxLength: 10,
                nullable: false,
                defaultValue: "Pieces");

            migrationBuilder.AddColumn<bool>(
                name: "upright",
                table: "order_lines",
                type: "boolean",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "kitchen_items",
                columns: table => new
                {
                    kitchen_id = table.Column<Guid>(type: "uuid", nullable: false),
                    kind = table.Column<string>(type: "character varying(10)", maxLength: 10, nullable: false),
                    code = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    body = table.Column<string>(type: "jsonb", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_kitchen_items", x => new { x.kitchen_id, x.kind, x.code });
                    table.ForeignKey(
                        name: "fk_kitchen_items_kitchens_kitchen_id",
                        column: x => x.kitchen_id,
                        principalTable: "kitchens",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "order_pots",
                columns: table => new
                {
                    order_id = table.Column<Guid>(type: "uuid", nullable: false),
                    pot = table.Column<string>(type: "character varying(121)", maxLength: 121, nullable: false),
                    kitchen_id = table.Column<Guid>(type: "uuid", nullable: false),
                    vessel = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: true),
                    thinner = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: true),
                    film = table.Column<double>(type: "double precision", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_order_pots", x => new { x.order_id, x.pot });
                    table.ForeignKey(
                        name: "fk_order_pots_kitchens_kitchen_id",
                        column: x => x.kitchen_id,
                        principalTable: "kitchens",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "fk_order_pots_orders_order_id",
                        column: x => x.order_id,
                        principalTable: "orders",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.Sql(
                """
                INSERT INTO order_pots (order_id, pot, kitchen_id, vessel)
                SELECT order_id, 'compound-wafer-hot-flow.' || colour, kitchen_id, vessel FROM order_vessels
                """);

            migrationBuilder.DropTable(
                name: "order_vessels");

            migrationBuilder.AddCheckConstraint(
                name: "ck_order_lines_amount",
                table: "order_lines",
                sql: "amount > 0");

            migrationBuilder.CreateIndex(
                name: "ix_order_pots_kitchen_id",
                table: "order_pots",
                column: "kitchen_id");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "kitchen_items");

            migrationBuilder.DropTable(
                name: "order_pots");

            migrationBuilder.DropCheckConstraint(
                name: "ck_order_lines_amount",
                table: "order_lines");

            migrationBuilder.DropColumn(
                name: "margin",
                table: "orders");

            migrationBuilder.AlterColumn<int>(
                name: "amount",
                table: "order_lines",
                type: "integer",
                nullable: false,
                oldClrType: typeof(double),
                oldType: "double precision");

            migrationBuilder.RenameColumn(
                name: "amount",
                table: "order_lines",
                newName: "count");

            migrationBuilder.DropColumn(
                name: "at_once",
                table: "order_lines");

            migrationBuilder.DropColumn(
                name: "coating",
                table: "order_lines");

            migrationBuilder.DropColumn(
                name: "counted_in",
                table: "order_lines");

            migrationBuilder.DropColumn(
                name: "upright",
                table: "order_lines");

            migrationBuilder.AlterColumn<string>(
                name: "size",
                table: "order_lines",
                type: "character varying(40)",
                maxLength: 40,
                nullable: false,
                oldClrType: typeof(string),
                oldType: "character varying(60)",
                oldMaxLength: 60);

            migrationBuilder.AlterColumn<string>(
                name: "colour",
                table: "order_lines",
                type: "character varying(40)",
                maxLength: 40,
                nullable: false,
                oldClrType: typeof(string),
                oldType: "character varying(60)",
                oldMaxLength: 60);

            migrationBuilder.AlterColumn<string>(
                name: "centre",
                table: "order_lines",
                type: "character varying(40)",
                maxLength: 40,
                nullable: false,
                oldClrType: typeof(string),
                oldType: "character varying(60)",
                oldMaxLength: 60);


            migrationBuilder.CreateTable(
                name: "order_vessels",
                columns: table => new
                {
                    order_id = table.Column<Guid>(type: "uuid", nullable: false),
                    colour = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    kitchen_id = table.Column<Guid>(type: "uuid", nullable: false),
                    vessel = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_order_vessels", x => new { x.order_id, x.colour });
                    table.ForeignKey(
                        name: "fk_order_vessels_kitchens_kitchen_id",
                        column: x => x.kitchen_id,
                        principalTable: "kitchens",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "fk_order_vessels_orders_order_id",
                        column: x => x.order_id,
                        principalTable: "orders",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.AddCheckConstraint(
                name: "ck_order_lines_count",
                table: "order_lines",
                sql: "count > 0");

            migrationBuilder.CreateIndex(
                name: "ix_order_vessels_kitchen_id",
                table: "order_vessels",
                column: "kitchen_id");
        }
    }
}
