using System;
using Microsoft.EntityFrameworkCore.Migrations;
using NodaTime;

#nullable disable

namespace Kondiba.Data.Migrations
{
    /// <inheritdoc />
    public partial class Devices : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "devices",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    kitchen_id = table.Column<Guid>(type: "uuid", nullable: false),
                    kind = table.Column<string>(type: "character varying(10)", maxLength: 10, nullable: false),
                    name = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    token_hash = table.Column<string>(type: "character varying(64)", maxLength: 64, nullable: false),
                    pot = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: true),
                    put_at = table.Column<Instant>(type: "timestamp with time zone", nullable: true),
                    apart = table.Column<int>(type: "integer", nullable: false),
                    apart_why = table.Column<string>(type: "character varying(10)", maxLength: 10, nullable: true),
                    made_at = table.Column<Instant>(type: "timestamp with time zone", nullable: false),
                    revoked_at = table.Column<Instant>(type: "timestamp with time zone", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_devices", x => x.id);
                    table.ForeignKey(
                        name: "fk_devices_kitchens_kitchen_id",
                        column: x => x.kitchen_id,
                        principalTable: "kitchens",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "practice_bests",
                columns: table => new
                {
                    kitchen_id = table.Column<Guid>(type: "uuid", nullable: false),
                    person_id = table.Column<Guid>(type: "uuid", nullable: false),
                    exercise = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    points = table.Column<int>(type: "integer", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_practice_bests", x => new { x.kitchen_id, x.person_id, x.exercise });
                    table.ForeignKey(
                        name: "fk_practice_bests_kitchens_kitchen_id",
                        column: x => x.kitchen_id,
                        principalTable: "kitchens",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "readings",
                columns: table => new
                {
                    device_id = table.Column<Guid>(type: "uuid", nullable: false),
                    at = table.Column<Instant>(type: "timestamp with time zone", nullable: false),
                    kitchen_id = table.Column<Guid>(type: "uuid", nullable: false),
                    value = table.Column<double>(type: "double precision", nullable: false),
                    pot = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_readings", x => new { x.device_id, x.at });
                    table.ForeignKey(
                        name: "fk_readings_devices_device_id",
                        column: x => x.device_id,
                        principalTable: "devices",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "ix_devices_kitchen_id",
                table: "devices",
                column: "kitchen_id");

            migrationBuilder.CreateIndex(
                name: "ix_devices_token_hash",
                table: "devices",
                column: "token_hash",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "ix_readings_kitchen_id_pot_at",
                table: "readings",
                columns: new[] { "kitchen_id", "pot", "at" });

            // A bench hears of readings as they come in, and of what is put into which pot.
            migrationBuilder.Sql(
                """
                CREATE TRIGGER tell_on_insert AFTER INSERT ON readings
                REFERENCING NEW TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION tell_changed('readings');
                """);
            foreach (var (change, rows) in new[] { ("INSERT", "NEW"), ("UPDATE", "NEW"), ("DELETE", "OLD") })
                migrationBuilder.Sql(
                    $"""
                    CREATE TRIGGER tell_on_{change.ToLowerInvariant()} AFTER {change} ON devices
                    REFERENCING {rows} TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION tell_changed('devices');
                    """);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "practice_bests");

            migrationBuilder.DropTable(
                name: "readings");

            migrationBuilder.DropTable(
                name: "devices");
        }
    }
}
