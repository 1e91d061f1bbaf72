using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Kondiba.Data.Migrations
{
    /// <inheritdoc />
    public partial class ChangeNotices : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            // Told when the transaction commits, each kind of change once, whichever program made it.
            migrationBuilder.Sql(
                """
                CREATE FUNCTION tell_changed() RETURNS trigger LANGUAGE plpgsql AS $$
                BEGIN
                    PERFORM pg_notify('kondiba_changes', kitchen_id || ' ' || TG_ARGV[0]) FROM (SELECT DISTINCT kitchen_id FROM changed) AS kitchens;
                    RETURN NULL;
                END $$;
                CREATE FUNCTION tell_kitchen_changed() RETURNS trigger LANGUAGE plpgsql AS $$
                BEGIN
                    PERFORM pg_notify('kondiba_changes', NEW.id || ' kitchen');
                    RETURN NULL;
                END $$;
                CREATE TRIGGER tell_kitchen AFTER UPDATE OF name, units, language, time_zone ON kitchens FOR EACH ROW EXECUTE FUNCTION tell_kitchen_changed();
                """);
            foreach (var (table, what) in Told)
                foreach (var (change, rows) in new[] { ("INSERT", "NEW"), ("UPDATE", "NEW"), ("DELETE", "OLD") })
                    migrationBuilder.Sql($"CREATE TRIGGER tell_on_{change.ToLowerInvariant()} AFTER {change} ON {table} REFERENCING {rows} TABLE AS changed FOR EACH STATEMENT EXECUTE FUNCTION tell_changed('{what}');");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder) =>
            migrationBuilder.Sql("DROP FUNCTION tell_changed() CASCADE; DROP FUNCTION tell_kitchen_changed() CASCADE;");

        private static readonly (string Table, string What)[] Told = [("kitchen_items", "things"), ("pantry_lots", "stock"), ("orders", "orders"), ("day_plans", "day")];
    }
}
