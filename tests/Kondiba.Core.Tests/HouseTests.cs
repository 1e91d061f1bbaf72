using Kondiba.Core.Kitchens;
using Kondiba.Core.Reference;
using NetArchTest.Rules;

namespace Kondiba.Core.Tests;

/// <summary>How the house stands: Core knows nobody but time and a solver, and the tables it ships can be believed.</summary>
public class HouseTests
{
    [Fact]
    public void Core_knows_neither_web_nor_database_nor_clock()
    {
        var result = Types.InAssembly(typeof(TradeTables).Assembly).ShouldNot().HaveDependencyOnAny(
            "Microsoft.AspNetCore", "Microsoft.EntityFrameworkCore", "Npgsql", "System.Net", "Kondiba.Data", "Kondiba.Web",
            "NodaTime.SystemClock", "System.IO.File").GetResult();
        Assert.True(result.IsSuccessful, string.Join(", ", result.FailingTypeNames ?? []));
        Assert.Equal(
            ["Google.OrTools", "NodaTime"],
            typeof(TradeTables).Assembly.GetReferencedAssemblies()
                .Select(a => a.Name!)
                .Where(n => !n.StartsWith("System", StringComparison.Ordinal))
                .Order());
    }

    [Fact]
    public void Codes_in_the_trade_tables_are_unique_and_values_are_sane()
    {
        var tables = TradeTables.Shipped;
        Assert.Equal(tables.Centres.Count, tables.Centres.Select(c => c.Code).Distinct().Count());
        Assert.Equal(tables.Vessels.Count, tables.Vessels.Select(c => c.Code).Distinct().Count());
        Assert.Equal(tables.Coatings.Count, tables.Coatings.Select(c => c.Code).Distinct().Count());
        Assert.All(tables.Coatings, c => Assert.Equal(c.Colours.Count, c.Colours.Select(k => k.Code).Distinct().Count()));
        Assert.All(tables.Coatings.SelectMany(c => c.Colours), c => Assert.Matches("^#[0-9a-f]{6}$", c.Srgb));
        Assert.All(tables.Coatings, c => Assert.All(c.Thinners, t => Assert.NotNull(tables.Thinner(t))));
        Assert.All(tables.Centres, c => Assert.InRange(c.UsualDepth.Value.Si, 0.05, c.Deepest.Value.Si));

        // The same measures that a maker's own centre must pass, density too.
        Assert.All(tables.Centres, c => Assert.Empty(OwnCheck.Of(KitchenTables.Entered(c), tables)));
        Assert.All(tables.Coatings, c => Assert.Empty(OwnCheck.Of(KitchenTables.Entered(c), tables)));
    }
}
