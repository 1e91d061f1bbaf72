using System.Globalization;
using System.Text;
using Kondiba.Core.Centres;
using Kondiba.Core.Measures;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>Pages of docs that Core writes. After a change: KONDIBA_WRITE_DOCS=1 ./test --quick, and commit what it wrote.</summary>
public class DocsTests
{
    [Fact]
    public void The_page_of_amounts_is_what_Core_computes()
    {
        var path = Path.Combine(Root, "docs", "amounts.md");
        var page = AmountsPage();
        if (Environment.GetEnvironmentVariable("KONDIBA_WRITE_DOCS") == "1")
            File.WriteAllText(path, page);
        Assert.Equal(page, File.ReadAllText(path));
    }

    private static string Root
    {
        get
        {
            var folder = AppContext.BaseDirectory;
            while (!File.Exists(Path.Combine(folder, "Kondiba.slnx")))
                folder = Path.GetDirectoryName(folder)!;
            return folder;
        }
    }

    private static string AmountsPage()
    {
        var page = new StringBuilder("""
            # Coating on one piece

            What one piece takes at its usual dip depth, shaken, dripped for five seconds, laid or stood up as usual, in hot-flow compound
            wafers: as they come (30 % fat, 35 °C), and with flakes to a film of 1.3 mm on a test dip. Foot included, spoil, pool and
            margin not. Written by `DocsTests` from Core; the constants are in `src/Kondiba.Core/Reference`, each with its source.

            | centre | size | dip depth | coats | film, mm | coating, g | foot, g | with flakes, g | one then weighs, g |
            |---|---|---|---:|---:|---:|---:|---:|---:|

            """);
        foreach (var centre in Tables.Centres)
        {
            foreach (var size in centre.Sizes)
            {
                var line = Line(centre.Code, size.Code, 1, "dark", centre.UsualDepth.Value.Si, centre.LeastCoats);
                var plain = Tally(null, line).Lines.Single();
                var thinned = Tally(new(Thinner: "flakes"), line).Lines.Single();
                var whole = (centre.Holding is Holding.Mould && size.Shape is not Cavity ? default : size.Mass.Value) + plain.PerPiece.Value;
                page.AppendLine(CultureInfo.InvariantCulture, $"| {centre.Name} | {size.Name} | {centre.UsualDepth.Value.In("%"):0} % | {centre.LeastCoats} | {plain.Film.Value.In("mm"):0.0} | {plain.PerPiece.Value.In("g"):0.0} | {plain.Foot.Value.In("g"):0.0} | {thinned.PerPiece.Value.In("g"):0.0} | {whole.In("g"):0} |");
            }
        }

        return page.ToString();
    }
}
