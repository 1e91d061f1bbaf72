using UglyToad.PdfPig;
using UglyToad.PdfPig.Content;

namespace Kondiba.Browser.Tests;

/// <summary>Everything that is printed, as it comes out of the printer.</summary>
public sealed class PaperTests(Site site) : IDisposable
{
    private const double Millimetres = 25.4 / 72;

    private readonly Maker maker = new(site);

    public void Dispose() => maker.Dispose();

    [Fact]
    public void Templates_are_true_to_size()
    {
        Paper("Templates", "midnight pretzel rods");
        using var pdf = maker.Printed();

        // Rods, berries, truffles and cookies: a page each, with a rule of 100 mm.
        Assert.Equal(4, pdf.NumberOfPages);
        Assert.All(pdf.GetPages(), page =>
        {
            Assert.Equal((210, 297), (Math.Round(page.Width * Millimetres), Math.Round(page.Height * Millimetres)));
            Assert.Contains(Drawn(page), d => Is(d.Wide, 100) && d.High < 4);
        });

        // As the centres' measures are: a rod 13 by 200, a large berry 33 by 38, a truffle 30 across, a thin cookie 45.
        // A berry's shoulder is drawn round from four fifths of its height on, where a paraboloid is √0.8 of its width.
        (double Wide, double High)[] wanted = [(13, 200), (33 * Math.Sqrt(0.8), 38), (30, 30), (45, 45)];
        foreach (var (page, size) in pdf.GetPages().Zip(wanted))
            Assert.Contains(Drawn(page), d => Is(d.Wide, size.Wide) && Is(d.High, size.High));
    }

    [Fact]
    public void Set_down_maps_are_one_page_a_tray_or_true_to_size_on_several()
    {
        Paper("Set-down maps", "Tray 1, at");
        var trays = maker.Count("[data-testid=set-down]");
        using (var pdf = maker.Printed())
        {
            Assert.Equal(trays, pdf.NumberOfPages);
            Assert.Contains("round1", Letters(pdf), StringComparison.Ordinal);
        }

        maker.Click("//label[contains(., 'True to size')]");
        maker.See("sheet 1 of 4");
        using var large = maker.Printed();
        Assert.Equal(trays * 4, large.NumberOfPages);
        Assert.All(large.GetPages(), page => Assert.Contains(Drawn(page), d => Is(d.Wide, 100) && d.High < 4));

        // The sheet's own edge runs on over the pages: 430 by 300.
        Assert.Contains(large.GetPages().SelectMany(Drawn), d => Is(d.Wide, 430) && Is(d.High, 300));
    }

    [Fact]
    public void Pot_cards_say_what_to_melt_four_on_a_page()
    {
        maker.Open("Meteor night");
        var melt = maker.Number("[data-testid='pot-midnight'] [data-testid=to-melt]");
        Paper("Pot cards", "midnight");
        using var pdf = maker.Printed();
        Assert.Equal(1, pdf.NumberOfPages);
        Assert.Contains($"Melt{melt:0}g", Letters(pdf), StringComparison.Ordinal);
        Assert.Contains("palm-kernelflakes", Letters(pdf), StringComparison.Ordinal);
    }

    [Fact]
    public void The_wall_card_is_one_page_with_every_coating()
    {
        maker.Go("wall-card");
        maker.See("Dark couverture");
        using var pdf = maker.Printed();
        Assert.Equal(1, pdf.NumberOfPages);
        foreach (var said in new[] { "Compoundwafers,dippedwarm", "Whitecouverture", "31to32°C", "Thinning" })
            Assert.Contains(said, Letters(pdf), StringComparison.Ordinal);
        Assert.Empty(maker.Barriers());
    }

    [Fact]
    public void A_test_sheet_shows_where_labels_lie()
    {
        maker.Open("Meteor night");
        maker.Click("//a[normalize-space()='Packing and labels']");
        maker.Click("//a[normalize-space()='Labels']");
        maker.See("8 on A4");
        maker.Press("Test sheet");
        maker.See("Check with a ruler");
        using var pdf = maker.Printed();
        var page = pdf.GetPage(1);
        Assert.Equal(1, pdf.NumberOfPages);
        Assert.Equal(8, Drawn(page).Count(d => Is(d.Wide, 99.1) && Is(d.High, 67.7)));
        Assert.Contains(Drawn(page), d => Is(d.Wide, 100) && d.High < 4);
    }

    [Fact]
    public void Quote_day_and_shopping_list_print_what_they_say()
    {
        maker.Open("Meteor night");
        var order = new Uri(maker.Url).AbsolutePath[1..];
        maker.Go($"{order}/quote");
        maker.See("Deposit");
        using (var quote = maker.Printed())
        {
            Assert.Equal(1, quote.NumberOfPages);
            Assert.Contains("Hilltopobservatory", Letters(quote), StringComparison.Ordinal);
            Assert.Contains("milk,soy,wheat", Letters(quote), StringComparison.Ordinal);
        }

        maker.Go("shopping");
        maker.See("boxes for twelve");
        using (var list = maker.Printed())
            Assert.InRange(list.NumberOfPages, 1, 3);

        maker.Go("day");
        maker.See("The day");
        using var day = maker.Printed();
        Assert.InRange(day.NumberOfPages, 1, 2);
    }

    [Fact]
    public void The_handbook_is_searched_and_every_figure_leads_to_it()
    {
        maker.Open("Meteor night");
        maker.Click("(//button[contains(., 'to melt: how?')])[1]");
        maker.Click("(//a[contains(@href, '/handbook?find=')])[1]");
        maker.Until(() => new Uri(maker.Url).AbsolutePath == "/handbook", "the handbook");
        maker.Go("handbook");
        maker.Fill("Find a word, a centre, a problem …", "wet window");
        maker.See("How long a coat takes sprinkles");
        maker.Until(() => !maker.Shows("Palm-kernel flakes"), "only what was looked for");
        Assert.Empty(maker.Barriers());
        maker.Fill("Find a word, a centre, a problem …", "zzz");
        maker.See("Nothing found for “zzz”.");
    }

    private void Paper(string kind, string shown)
    {
        maker.Open("Meteor night");
        maker.Click("//a[normalize-space()='Print for the counter']");
        maker.Click($"//a[normalize-space()='{kind}']");
        maker.Until(() => maker.Count($"//*[name()='svg' or name()='article'][contains(., '{shown}')]") > 0, shown);
        Assert.Empty(maker.Barriers());
    }

    private static string Letters(PdfDocument pdf) =>
        string.Concat(pdf.GetPages().Select(p => p.Text))
            .Replace(" ", "", StringComparison.Ordinal).Replace("\u00a0", "", StringComparison.Ordinal);

    private static bool Is(double measured, double wanted) => Math.Abs(measured - wanted) <= 0.2;

    /// <summary>What is drawn on a page, each by how wide and high it is, in mm.</summary>
    private static IEnumerable<(double Wide, double High)> Drawn(Page page) =>
        from path in page.Paths
        let box = path.GetBoundingRectangle()
        where box is not null
        select (box.Value.Width * Millimetres, box.Value.Height * Millimetres);
}
