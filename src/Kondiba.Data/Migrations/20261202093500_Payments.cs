using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Kondiba.Data.Migrations
{
    /// <inheritdoc />
    public partial class Payments : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "payments",
                table: "orders",
                type: "jsonb",
                nullable: false,
                defaultValue: "[]");

            // Where the deposit is the kitchen's share of the price its amount is not in the database.
            migrationBuilder.Sql("""
                UPDATE orders SET payments = jsonb_build_array(jsonb_build_object(
                    'on', to_char(changed_at, 'YYYY-MM-DD'), 'amount', deposit, 'note', NULL))
                WHERE deposit_paid AND deposit > 0;
                UPDATE orders SET notes = left(trim(notes || E'\nDeposit paid.'), 2000) WHERE deposit_paid AND COALESCE(deposit, 0) = 0;
                """);

            migrationBuilder.DropColumn(
                name: "deposit_paid",
                table: "orders");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "payments",
                table: "orders");

            migrationBuilder.AddColumn<bool>(
                name: "deposit_paid",
                table: "orders",
                type: "boolean",
                nullable: false,
                defaultValue: false);
        }
    }
}
