using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Kondiba.Data.Migrations
{
    /// <inheritdoc />
    public partial class Revisions : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<long>(
                name: "stock_revision",
                table: "kitchens",
                type: "bigint",
                nullable: false,
                defaultValue: 0L);

            migrationBuilder.AddColumn<long>(
                name: "things_revision",
                table: "kitchens",
                type: "bigint",
                nullable: false,
                defaultValue: 0L);

            // Whoever changes a row, by whatever statement, raises the number in the same transaction.
            migrationBuilder.Sql(
                """
                CREATE FUNCTION raise_revision() RETURNS trigger LANGUAGE plpgsql AS $$
                BEGIN
                    IF TG_ARGV[0] = 'things' THEN
                        UPDATE kitchens SET things_revision = things_revision + 1 WHERE id IN (SELECT kitchen_id FROM changed);
                    ELSE
                        UPDATE kitchens SET stock_revision = stock_revision + 1 WHERE id IN (SELECT kitchen_id FROM changed);
                    END IF;
                    RETURN NULL;
                END $$;
                """);
            foreach (var (table, kind) in new[] { ("kitchen_items", "things"), ("pantry_lots", "stock") })
                foreach (var (change, rows) in new[] { ("INSERT", "NEW"), ("UPDATE", "NEW"), ("DELETE", "OLD") })
                    migrationBuilder.Sql($"CREATE TRIGGER raise_on_{change.ToLowerInvariant()} AFTER {change} ON {table} REFERENCING {rows} TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION raise_revision('{kind}');");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.Sql("DROP FUNCTION raise_revision() CASCADE;");
            migrationBuilder.DropColumn(
                name: "stock_revision",
                table: "kitchens");

            migrationBuilder.DropColumn(
                name: "things_revision",
                table: "kitchens");
        }
    }
}
