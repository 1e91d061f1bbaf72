using System;
using Microsoft.EntityFrameworkCore.Migrations;
using NodaTime;

#nullable disable

namespace Kondiba.Data.Migrations
{
    /// <inheritdoc />
    public partial class Orders : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "kitchens",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    name = table.Column<string>(type: "character varying(80)", maxLength: 80, nullable: false),
                    is_sample = table.Column<bool>(type: "boolean", nullable: false),
                    units = table.Column<string>(type: "character varying(10)", maxLength: 10, nullable: false),
                    time_zone = table.Column<string>(type: "text", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_kitchens", x => x.id);
                });

            migrationBuilder.CreateTable(
                name: "orders",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    kitchen_id = table.Column<Guid>(type: "uuid", nullable: false),
                    name = table.Column<string>(type: "character varying(80)", maxLength: 80, nullable: false),
                    pickup = table.Column<LocalDateTime>(type: "timestamp without time zone", nullable: false),
                    notes = table.Column<string>(type: "character varying(2000)", maxLength: 2000, nullable: false),
                    changed_at = table.Column<Instant>(type: "timestamp with time zone", nullable: false),
                    removed_at = table.Column<Instant>(type: "timestamp with time zone", nullable: true),
                    creation_key = table.Column<Guid>(type: "uuid", nullable: true),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_orders", x => x.id);
                    table.ForeignKey(
                        name: "fk_orders_kitchens_kitchen_id",
                        column: x => x.kitchen_id,
                        principalTable: "kitchens",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "order_lines",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    order_id = table.Column<Guid>(type: "uuid", nullable: false),
                    kitchen_id = table.Column<Guid>(type: "uuid", nullable: false),
                    position = table.Column<int>(type: "integer", nullable: false),
                    centre = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    size = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    count = table.Column<int>(type: "integer", nullable: false),
                    colour = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    depth = table.Column<double>(type: "double precision", nullable: false),
                    coats = table.Column<int>(type: "integer", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_order_lines", x => new { x.order_id, x.id });
                    table.CheckConstraint("ck_order_lines_coats", "coats > 0");
                    table.CheckConstraint("ck_order_lines_count", "count > 0");
                    table.CheckConstraint("ck_order_lines_depth", "depth > 0 AND depth <= 1");
                    table.ForeignKey(
                        name: "fk_order_lines_kitchens_kitchen_id",
                        column: x => x.kitchen_id,
                        principalTable: "kitchens",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "fk_order_lines_orders_order_id",
                        column: x => x.order_id,
                        principalTable: "orders",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

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

            migrationBuilder.CreateIndex(
                name: "ix_kitchens_is_sample",
                table: "kitchens",
                column: "is_sample",
                unique: true,
                filter: "is_sample");

            migrationBuilder.CreateIndex(
                name: "ix_order_lines_kitchen_id",
                table: "order_lines",
                column: "kitchen_id");

            migrationBuilder.CreateIndex(
                name: "ix_order_vessels_kitchen_id",
                table: "order_vessels",
                column: "kitchen_id");

            migrationBuilder.CreateIndex(
                name: "ix_orders_kitchen_id_creation_key",
                table: "orders",
                columns: new[] { "kitchen_id", "creation_key" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "ix_orders_kitchen_id_pickup",
                table: "orders",
                columns: new[] { "kitchen_id", "pickup" });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "order_lines");

            migrationBuilder.DropTable(
                name: "order_vessels");

            migrationBuilder.DropTable(
                name: "orders");

            migrationBuilder.DropTable(
                name: "kitchens");
        }
    }
}
