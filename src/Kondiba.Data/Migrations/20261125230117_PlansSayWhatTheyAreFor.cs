using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Kondiba.Data.Migrations
{
    /// <inheritdoc />
    public partial class PlansSayWhatTheyAreFor : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            // Plans that were kept before do not say it; they are found anew.
            migrationBuilder.Sql("UPDATE day_plans SET found = NULL");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
        }
    }
}
