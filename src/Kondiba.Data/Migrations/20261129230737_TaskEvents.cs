using System;
using Microsoft.EntityFrameworkCore.Migrations;
using NodaTime;

#nullable disable

namespace Kondiba.Data.Migrations
{
    /// <inheritdoc />
    public partial class TaskEvents : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "task_events",
                columns: table => new
                {
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    kitchen_id = table.Column<Guid>(type: "uuid", nullable: false),
                    version = table.Column<int>(type: "integer", nullable: false),
                    turn = table.Column<int>(type: "integer", nullable: false),
                    task = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: false),
                    order = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: true),
                    act = table.Column<string>(type: "character varying(10)", maxLength: 10, nullable: false),
                    at = table.Column<LocalDateTime>(type: "timestamp without time zone", nullable: false),
                    pieces = table.Column<int>(type: "integer", nullable: true),
                    title = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: true),
                    person_id = table.Column<Guid>(type: "uuid", nullable: true),
                    recorded_at = table.Column<Instant>(type: "timestamp with time zone", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_task_events", x => new { x.kitchen_id, x.id });
                    table.ForeignKey(
                        name: "fk_task_events_kitchens_kitchen_id",
                        column: x => x.kitchen_id,
                        principalTable: "kitchens",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "ix_task_events_kitchen_id_order_task_version_turn",
                table: "task_events",
                columns: new[] { "kitchen_id", "order", "task", "version", "turn" });

            // What was done so far becomes an event, and is no longer kept twice.
            migrationBuilder.Sql(
                """
                INSERT INTO task_events (id, kitchen_id, version, turn, task, "order", act, at, pieces, recorded_at)
                SELECT gen_random_uuid(), p.kitchen_id, p.version, 0, left(t.key, 200), CASE WHEN t.key LIKE '%/%' THEN left(split_part(t.key, '/', 1), 200) END,
                       'Done', (t.value ->> 'done')::timestamp, (t.value ->> 'pieces')::int, now()
                FROM day_plans p CROSS JOIN jsonb_each(p.arranged -> 'tasks') t WHERE t.value ->> 'done' IS NOT NULL;
                UPDATE day_plans SET arranged = jsonb_set(arranged, '{tasks}', coalesce(
                    (SELECT jsonb_object_agg(t.key, t.value - 'done' - 'pieces') FROM jsonb_each(arranged -> 'tasks') t
                     WHERE coalesce(t.value ->> 'at', t.value ->> 'notBefore', t.value ->> 'place') IS NOT NULL), '{}'));
                """);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.Sql(
                """
                UPDATE day_plans p SET arranged = jsonb_set(arranged, '{tasks}', (arranged -> 'tasks') || coalesce(
                    (SELECT jsonb_object_agg(e.task, coalesce(arranged -> 'tasks' -> e.task, '{}') || jsonb_build_object('done', to_char(e.at, 'YYYY-MM-DD"T"HH24:MI:SS'), 'pieces', e.pieces))
                     FROM (SELECT DISTINCT ON (task) * FROM task_events WHERE kitchen_id = p.kitchen_id ORDER BY task, version DESC, turn DESC) e
                     WHERE e.act = 'Done'), '{}'));
                """);
            migrationBuilder.DropTable(
                name: "task_events");
        }
    }
}
