using System;
using System.Collections.Generic;
using Microsoft.EntityFrameworkCore.Migrations;
using NodaTime;
using Npgsql.EntityFrameworkCore.PostgreSQL.Metadata;
using NpgsqlTypes;

#nullable disable

namespace Kondiba.Data.Migrations
{
    /// <inheritdoc />
    public partial class Business : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "ix_orders_kitchen_id_pickup",
                table: "orders");

            migrationBuilder.AddColumn<List<string>>(
                name: "allergies",
                table: "orders",
                type: "text[]",
                nullable: false,
                defaultValueSql: "'{}'");

            migrationBuilder.AddColumn<string>(
                name: "client",
                table: "orders",
                type: "character varying(80)",
                maxLength: 80,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "contact",
                table: "orders",
                type: "character varying(120)",
                maxLength: 120,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<decimal>(
                name: "deposit",
                table: "orders",
                type: "numeric",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "deposit_paid",
                table: "orders",
                type: "boolean",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "handover",
                table: "orders",
                type: "character varying(10)",
                maxLength: 10,
                nullable: false,
                defaultValue: "Pickup");

            migrationBuilder.AddColumn<bool>(
                name: "is_template",
                table: "orders",
                type: "boolean",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<int>(
                name: "number",
                table: "orders",
                type: "integer",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<string>(
                name: "packing",
                table: "orders",
                type: "jsonb",
                nullable: false,
                defaultValue: "[]");

            migrationBuilder.AddColumn<int>(
                name: "pieces",
                table: "orders",
                type: "integer",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<string>(
                name: "place",
                table: "orders",
                type: "character varying(200)",
                maxLength: 200,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "price",
                table: "orders",
                type: "jsonb",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "words",
                table: "orders",
                type: "text",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<NpgsqlTsVector>(
                name: "search",
                table: "orders",
                type: "tsvector",
                nullable: false)
                .Annotation("Npgsql:TsVectorConfig", "simple")
                .Annotation("Npgsql:TsVectorProperties", new[] { "name", "client", "contact", "place", "notes", "words" });

            migrationBuilder.AddColumn<string>(
                name: "state",
                table: "orders",
                type: "character varying(10)",
                maxLength: 10,
                nullable: false,
                defaultValue: "Asked");

            migrationBuilder.AddColumn<int>(
                name: "last_number",
                table: "kitchens",
                type: "integer",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.CreateTable(
                name: "invitations",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    kitchen_id = table.Column<Guid>(type: "uuid", nullable: false),
                    token_hash = table.Column<string>(type: "character varying(64)", maxLength: 64, nullable: false),
                    until = table.Column<Instant>(type: "timestamp with time zone", nullable: false),
                    used_at = table.Column<Instant>(type: "timestamp with time zone", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_invitations", x => x.id);
                    table.ForeignKey(
                        name: "fk_invitations_kitchens_kitchen_id",
                        column: x => x.kitchen_id,
                        principalTable: "kitchens",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "pantry_lots",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    kitchen_id = table.Column<Guid>(type: "uuid", nullable: false),
                    ware = table.Column<string>(type: "character varying(140)", maxLength: 140, nullable: false),
                    amount = table.Column<double>(type: "double precision", nullable: false),
                    pack = table.Column<double>(type: "double precision", nullable: true),
                    price = table.Column<decimal>(type: "numeric", nullable: true),
                    best_before = table.Column<LocalDate>(type: "date", nullable: true),
                    place = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    received_on = table.Column<LocalDate>(type: "date", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_pantry_lots", x => x.id);
                    table.CheckConstraint("ck_pantry_lots_amount", "amount >= 0");
                    table.ForeignKey(
                        name: "fk_pantry_lots_kitchens_kitchen_id",
                        column: x => x.kitchen_id,
                        principalTable: "kitchens",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "people",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    kitchen_id = table.Column<Guid>(type: "uuid", nullable: false),
                    role = table.Column<string>(type: "character varying(10)", maxLength: 10, nullable: false),
                    user_name = table.Column<string>(type: "character varying(256)", maxLength: 256, nullable: true),
                    normalized_user_name = table.Column<string>(type: "character varying(256)", maxLength: 256, nullable: true),
                    email = table.Column<string>(type: "character varying(256)", maxLength: 256, nullable: true),
                    normalized_email = table.Column<string>(type: "character varying(256)", maxLength: 256, nullable: true),
                    email_confirmed = table.Column<bool>(type: "boolean", nullable: false),
                    password_hash = table.Column<string>(type: "text", nullable: true),
                    security_stamp = table.Column<string>(type: "text", nullable: true),
                    concurrency_stamp = table.Column<string>(type: "text", nullable: true),
                    phone_number = table.Column<string>(type: "text", nullable: true),
                    phone_number_confirmed = table.Column<bool>(type: "boolean", nullable: false),
                    two_factor_enabled = table.Column<bool>(type: "boolean", nullable: false),
                    lockout_end = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    lockout_enabled = table.Column<bool>(type: "boolean", nullable: false),
                    access_failed_count = table.Column<int>(type: "integer", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_people", x => x.id);
                    table.ForeignKey(
                        name: "fk_people_kitchens_kitchen_id",
                        column: x => x.kitchen_id,
                        principalTable: "kitchens",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "quote_shares",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    kitchen_id = table.Column<Guid>(type: "uuid", nullable: false),
                    order_id = table.Column<Guid>(type: "uuid", nullable: false),
                    token_hash = table.Column<string>(type: "character varying(64)", maxLength: 64, nullable: false),
                    body = table.Column<string>(type: "jsonb", nullable: false),
                    shared_at = table.Column<Instant>(type: "timestamp with time zone", nullable: false),
                    revoked_at = table.Column<Instant>(type: "timestamp with time zone", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_quote_shares", x => x.id);
                    table.ForeignKey(
                        name: "fk_quote_shares_kitchens_kitchen_id",
                        column: x => x.kitchen_id,
                        principalTable: "kitchens",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "fk_quote_shares_orders_order_id",
                        column: x => x.order_id,
                        principalTable: "orders",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "lot_movements",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    lot_id = table.Column<Guid>(type: "uuid", nullable: false),
                    kitchen_id = table.Column<Guid>(type: "uuid", nullable: false),
                    kind = table.Column<string>(type: "character varying(10)", maxLength: 10, nullable: false),
                    amount = table.Column<double>(type: "double precision", nullable: false),
                    at = table.Column<Instant>(type: "timestamp with time zone", nullable: false),
                    order_id = table.Column<Guid>(type: "uuid", nullable: true),
                    note = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_lot_movements", x => x.id);
                    table.ForeignKey(
                        name: "fk_lot_movements_kitchens_kitchen_id",
                        column: x => x.kitchen_id,
                        principalTable: "kitchens",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "fk_lot_movements_orders_order_id",
                        column: x => x.order_id,
                        principalTable: "orders",
                        principalColumn: "id");
                    table.ForeignKey(
                        name: "fk_lot_movements_pantry_lots_lot_id",
                        column: x => x.lot_id,
                        principalTable: "pantry_lots",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "person_claims",
                columns: table => new
                {
                    id = table.Column<int>(type: "integer", nullable: false)
                        .Annotation("Npgsql:ValueGenerationStrategy", NpgsqlValueGenerationStrategy.IdentityByDefaultColumn),
                    user_id = table.Column<Guid>(type: "uuid", nullable: false),
                    claim_type = table.Column<string>(type: "text", nullable: true),
                    claim_value = table.Column<string>(type: "text", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_person_claims", x => x.id);
                    table.ForeignKey(
                        name: "fk_person_claims_people_user_id",
                        column: x => x.user_id,
                        principalTable: "people",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "person_logins",
                columns: table => new
                {
                    login_provider = table.Column<string>(type: "text", nullable: false),
                    provider_key = table.Column<string>(type: "text", nullable: false),
                    provider_display_name = table.Column<string>(type: "text", nullable: true),
                    user_id = table.Column<Guid>(type: "uuid", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_person_logins", x => new { x.login_provider, x.provider_key });
                    table.ForeignKey(
                        name: "fk_person_logins_people_user_id",
                        column: x => x.user_id,
                        principalTable: "people",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "person_tokens",
                columns: table => new
                {
                    user_id = table.Column<Guid>(type: "uuid", nullable: false),
                    login_provider = table.Column<string>(type: "text", nullable: false),
                    name = table.Column<string>(type: "text", nullable: false),
                    value = table.Column<string>(type: "text", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_person_tokens", x => new { x.user_id, x.login_provider, x.name });
                    table.ForeignKey(
                        name: "fk_person_tokens_people_user_id",
                        column: x => x.user_id,
                        principalTable: "people",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.Sql("""
                UPDATE orders o SET number = n.number FROM (SELECT id, row_number() OVER (PARTITION BY kitchen_id ORDER BY id) AS number FROM orders) n WHERE n.id = o.id;
                UPDATE kitchens k SET last_number = (SELECT coalesce(max(number), 0) FROM orders o WHERE o.kitchen_id = k.id);
                UPDATE orders o SET pieces = coalesce((SELECT sum(CASE l.counted_in WHEN 'Pieces' THEN l.amount WHEN 'Dozens' THEN ceil(l.amount * 12) ELSE 0 END) FROM order_lines l WHERE l.order_id = o.id), 0);
                WITH old AS (SELECT gen_random_uuid() AS id, kitchen_id, body FROM kitchen_items WHERE kind = 'Lot'),
                lots AS (INSERT INTO pantry_lots (id, kitchen_id, ware, amount, best_before, place, received_on)
                    SELECT id, kitchen_id, 'coating.' || (body->>'coating') || '.' || (body->>'colour'), (body->>'mass')::float8, (body->>'bestBefore')::date, '', current_date FROM old RETURNING id, kitchen_id, amount)
                INSERT INTO lot_movements (id, lot_id, kitchen_id, kind, amount, at, note) SELECT gen_random_uuid(), id, kitchen_id, 'Received', amount, now(), '' FROM lots;
                DELETE FROM kitchen_items WHERE kind = 'Lot';
                """);

            migrationBuilder.CreateIndex(
                name: "ix_orders_kitchen_id_number",
                table: "orders",
                columns: new[] { "kitchen_id", "number" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "ix_orders_kitchen_id_pickup",
                table: "orders",
                columns: new[] { "kitchen_id", "pickup" },
                filter: "removed_at IS NULL AND NOT is_template");

            migrationBuilder.CreateIndex(
                name: "ix_orders_kitchen_id_state_pickup",
                table: "orders",
                columns: new[] { "kitchen_id", "state", "pickup" },
                filter: "removed_at IS NULL AND NOT is_template");

            migrationBuilder.CreateIndex(
                name: "ix_orders_search",
                table: "orders",
                column: "search")
                .Annotation("Npgsql:IndexMethod", "gin");

            migrationBuilder.CreateIndex(
                name: "ix_invitations_kitchen_id",
                table: "invitations",
                column: "kitchen_id");

            migrationBuilder.CreateIndex(
                name: "ix_invitations_token_hash",
                table: "invitations",
                column: "token_hash",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "ix_lot_movements_kitchen_id_order_id",
                table: "lot_movements",
                columns: new[] { "kitchen_id", "order_id" });

            migrationBuilder.CreateIndex(
                name: "ix_lot_movements_lot_id",
                table: "lot_movements",
                column: "lot_id");

            migrationBuilder.CreateIndex(
                name: "ix_lot_movements_order_id",
                table: "lot_movements",
                column: "order_id");

            migrationBuilder.CreateIndex(
                name: "ix_pantry_lots_kitchen_id_ware",
                table: "pantry_lots",
                columns: new[] { "kitchen_id", "ware" });

            migrationBuilder.CreateIndex(
                name: "EmailIndex",
                table: "people",
                column: "normalized_email");

            migrationBuilder.CreateIndex(
                name: "UserNameIndex",
                table: "people",
                column: "normalized_user_name",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "ix_people_kitchen_id",
                table: "people",
                column: "kitchen_id");

            migrationBuilder.CreateIndex(
                name: "ix_person_claims_user_id",
                table: "person_claims",
                column: "user_id");

            migrationBuilder.CreateIndex(
                name: "ix_person_logins_user_id",
                table: "person_logins",
                column: "user_id");

            migrationBuilder.CreateIndex(
                name: "ix_quote_shares_kitchen_id",
                table: "quote_shares",
                column: "kitchen_id");

            migrationBuilder.CreateIndex(
                name: "ix_quote_shares_order_id",
                table: "quote_shares",
                column: "order_id");

            migrationBuilder.CreateIndex(
                name: "ix_quote_shares_token_hash",
                table: "quote_shares",
                column: "token_hash",
                unique: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "invitations");

            migrationBuilder.DropTable(
                name: "lot_movements");

            migrationBuilder.DropTable(
                name: "person_claims");

            migrationBuilder.DropTable(
                name: "person_logins");

            migrationBuilder.DropTable(
                name: "person_tokens");

            migrationBuilder.DropTable(
                name: "quote_shares");

            migrationBuilder.DropTable(
                name: "pantry_lots");

            migrationBuilder.DropTable(
                name: "people");

            migrationBuilder.DropIndex(
                name: "ix_orders_kitchen_id_number",
                table: "orders");

            migrationBuilder.DropIndex(
                name: "ix_orders_kitchen_id_pickup",
                table: "orders");

            migrationBuilder.DropIndex(
                name: "ix_orders_kitchen_id_state_pickup",
                table: "orders");

            migrationBuilder.DropIndex(
                name: "ix_orders_search",
                table: "orders");

            migrationBuilder.DropColumn(
                name: "search",
                table: "orders");

            migrationBuilder.DropColumn(
                name: "allergies",
                table: "orders");

            migrationBuilder.DropColumn(
                name: "client",
                table: "orders");

            migrationBuilder.DropColumn(
                name: "contact",
                table: "orders");

            migrationBuilder.DropColumn(
                name: "deposit",
                table: "orders");

            migrationBuilder.DropColumn(
                name: "deposit_paid",
                table: "orders");

            migrationBuilder.DropColumn(
                name: "handover",
                table: "orders");

            migrationBuilder.DropColumn(
                name: "is_template",
                table: "orders");

            migrationBuilder.DropColumn(
                name: "number",
                table: "orders");

            migrationBuilder.DropColumn(
                name: "packing",
                table: "orders");

            migrationBuilder.DropColumn(
                name: "pieces",
                table: "orders");

            migrationBuilder.DropColumn(
                name: "place",
                table: "orders");

            migrationBuilder.DropColumn(
                name: "price",
                table: "orders");

            migrationBuilder.DropColumn(
                name: "state",
                table: "orders");

            migrationBuilder.DropColumn(
                name: "words",
                table: "orders");

            migrationBuilder.DropColumn(
                name: "last_number",
                table: "kitchens");

            migrationBuilder.CreateIndex(
                name: "ix_orders_kitchen_id_pickup",
                table: "orders",
                columns: new[] { "kitchen_id", "pickup" });
        }
    }
}
