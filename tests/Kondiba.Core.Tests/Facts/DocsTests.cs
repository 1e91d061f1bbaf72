using System.Globalization;
using System.Text;
using Kondiba.Core.Measures;
using Kondiba.Core.Orders;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>Pages of docs that Core writes. After a change: KONDIBA_WRITE_DOCS=1 ./test --quick, and commit what it wrote.</summary>
public class DocsTests
{
    [Fact]
    public void The_page_of_amounts_is_what_Core_computes() => Same("amounts.md", AmountsPage());

    /// <summary>Asserts that a page of docs is what Core says now; writes it when asked to.</summary>
    internal static void Same(string file, string page)
    {
        var path = Path.Combine(Root, "docs", file);
        if (Environment.GetEnvironmentVariable("KONDIBA_WRITE_DOCS") == "1")
            File.WriteAllText(path, page);
        Assert.Equal(page, File.ReadAllText(path));
    }

    internal static string Root
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
            # Coating, piece by piece and pot by pot

            In hot-flow compound wafers as they come, dark, at the usual dip depth, drained as usual, in the way and the vessel that
            Kondiba chooses: grams on one piece (foot included, spoil not), thinned with flakes too; then for 6, 24 and 100 of them what is
            to melt, what of it stands in the vessel for the last piece, how they are dipped and in what. Written by `DocsTests`; the
            constants are in `src/Kondiba.Core/Reference`, each with its source.

            | centre | size | dip depth | film, mm | on one, g | thinned, g | 6: melt, left for the last | 24: melt, left for the last | 100: melt, left for the last |
            |---|---|---|---:|---:|---:|---|---|---|

            """);
        foreach (var centre in Tables.Reference.Centres)
        {
            foreach (var size in centre.Sizes)
            {
                LineDraft Of(int count) => Line(centre.Code, size.Code, count, "dark", centre.UsualDepth.Value.Si, centre.LeastCoats);
                var plain = Tally(null, Of(1)).Lines.Single();
                var thinned = Tally(new(Thinner: "flakes"), Of(1)).Lines.Single();
                page.AppendLine(
                    CultureInfo.InvariantCulture,
                    $"| {centre.Name} | {size.Name} | {centre.UsualDepth.Value.In("%"):0} %{(centre.LeastCoats > 1 ? ", twice" : "")} | {plain.Film.Value.In("mm"):0.0} | {plain.PerPiece.Value.In("g"):0.0} | {thinned.PerPiece.Value.In("g"):0.0} | {Pot(Of(6))} | {Pot(Of(24))} | {Pot(Of(100))} |");
            }
        }

        return page.ToString();

        static string Pot(LineDraft line)
        {
            var pot = Tally(null, line).Pots.Single();
            var vessel = Tables.Reference.Vessel(pot.Vessel)!.Name;
            var way = Tables.Reference.Dipping.All.Single(w => w.Code == pot.Way).Name;
            return string.Create(
                CultureInfo.InvariantCulture,
                $"{pot.ToMelt.Value.In("g"):0} g{(pot.Melts.Count > 1 ? $" in {pot.Melts.Count}" : "")}, {pot.Pool.Value.In("g"):0} g: {way}, {vessel}{(pot.Spooned > 0 ? $", last {pot.Spooned} by spoon" : "")}");
        }
    }
}
