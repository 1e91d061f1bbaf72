using System.Globalization;
using Kondiba.Core.Amounts;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Orders;
using Kondiba.Core.Palettes;
using Kondiba.Core.Planning;
using Kondiba.Core.Pricing;
using Kondiba.Core.Reference;
using Kondiba.Data;
using NodaTime;

namespace Kondiba.Web.Tests;

/// <summary>The sample kitchen is what a maker sees first: nothing in it may be wrong, on whatever day it is made.</summary>
public class SampleKitchenTests
{
    public static TheoryData<int> Days => [.. Enumerable.Range(0, 7)];

    private static (IReadOnlyList<KitchenItem> Items, IReadOnlyList<Order> Orders, KitchenTables Tables, LocalDate Today) Made(int day)
    {
        var today = new LocalDate(2031, 5, 1).PlusDays(day);
        var (_, rows) = SampleKitchen.From(today, Instant.FromUtc(2031, 5, 1, 8, 0), "Europe/Lisbon");
        var items = rows.OfType<KitchenItem>().ToList();
        return (items, [
            .. rows.OfType<Order>().Where(o => !o.IsTemplate && o.State is not OrderState.HandedOver),
        ], OwnTables.For(KitchenTables.Shipped, KitchenItem.Read([.. items])), today);
    }

    [Theory]
    [MemberData(nameof(Days))]
    public void Its_orders_lie_in_the_coming_weeks_and_have_nothing_wrong(int day)
    {
        var (_, orders, tables, today) = Made(day);
        Assert.InRange(orders.Count, 5, 7);
        foreach (var order in orders)
        {
            Assert.InRange(Period.DaysBetween(today, order.Pickup.Date), 1, 17);
            var tally = CoatingTally.For(order.ToDraft(), tables, today.AtMidnight());
            Assert.Empty(tally.Problems);
            Assert.Equal(order.Lines.Count, tally.Lines.Count);
            Assert.All(tally.Lines, l => Assert.True(l.Look is not null || order.Name == "Open day"));
            var list = PrepList.For(order.ToDraft(), tally, tables, today.AtMidnight());
            Assert.NotEmpty(list.Steps);
            Assert.DoesNotContain(list.Problems, p => p.Field != "pickup");
        }
    }

    [Fact]
    public void Its_looks_can_all_be_kept_and_each_is_worn()
    {
        var (items, orders, tables, _) = Made(0);
        var looks = KitchenItem.Read([.. items]).Looks;
        Assert.All(looks, l => Assert.Empty(l.Check(tables)));
        Assert.Equal(
            looks.Select(l => l.Name).Order(), orders.SelectMany(o => o.Lines).Select(l => l.Look).OfType<string>().Distinct().Order());
    }

    [Fact]
    public void Its_palettes_are_made_of_colours_that_are_sold_and_can_be_put_on()
    {
        var (_, orders, tables, _) = Made(0);
        foreach (var order in orders)
        {
            var draft = order.ToDraft();
            var palette = Palette.For(new(order.Palette, draft.Lines), tables);
            Assert.Empty(palette.Problems);
            Assert.All(palette.Colours, c => Assert.Equal(c.Srgb, c.Nearest));
            Assert.Equal(draft.Lines.Count, palette.Lines.Count);
        }
    }

    [Fact]
    public void Saturdays_two_orders_share_a_pot()
    {
        var (_, orders, tables, today) = Made(0);
        var days = orders.GroupBy(o => o.Pickup.Date).Where(g => g.Count() > 1).ToList();
        var saturday = Assert.Single(days);
        Assert.Equal(IsoDayOfWeek.Saturday, saturday.Key.DayOfWeek);
        var shared = DayPots.For(
            [.. saturday.Select(o => (o.ToDraft(), CoatingTally.For(o.ToDraft(), tables, today.AtMidnight())))], tables).Shared;
        Assert.Contains(shared, s => s.Key.EndsWith(".midnight", StringComparison.Ordinal) && s.Together.Si < s.Apart.Si);
    }

    /// <summary>
    /// The figures of the sample kitchen, as they were when this file was last written on purpose: what is melted, laid, bought, charged
    /// and worked. A change of the house must not move one of them. Written anew when KONDIBA_WRITE_DOCS is set.
    /// </summary>
    [Fact]
    public void Its_figures_are_those_that_were_written_down()
    {
        var (_, orders, tables, today) = Made(0);
        List<string> figures = [];
        foreach (var order in orders.OrderBy(o => o.Number))
        {
            var draft = order.ToDraft();
            var tally = CoatingTally.For(draft, tables, today.AtMidnight());
            var costing = Costing.For(draft, tally, tables);
            void Say(string what, double value) =>
                figures.Add(string.Create(CultureInfo.InvariantCulture, $"{order.Name}: {what} {value:G10}"));
            foreach (var pot in tally.Pots)
            {
                Say($"{pot.Key} in {pot.Vessel} {pot.Way}", pot.ToMelt.Value.Si);
                Say($"{pot.Key} pool", pot.Pool.Value.Si);
                Say($"{pot.Key} packs", pot.Packs.Value);
                Say($"{pot.Key} leftover", pot.Leftover.Mass.Si);
            }

            foreach (var line in tally.Lines)
            {
                Say($"line {line.Line} each", line.PerPiece.Value.Si);
                foreach (var sets in line.Setting)
                    Say($"line {line.Line} hard, {sets.Place}", sets.HandleHard?.TotalSeconds ?? -1);
                Say($"line {line.Line} decorated in", line.Look?.Time.Value.TotalSeconds ?? 0);
            }

            foreach (var need in Core.Pantry.Need.Of(draft, tally, tables.Reference))
                Say($"needs {need.Ware}", need.ToHave.Value);
            foreach (var part in costing.Parts)
                Say($"cost of {part.Code}", (double)part.Cost.Value.Amount);
            Say("price", (double)costing.Price.Value.Amount);
            foreach (var step in PrepList.For(draft, tally, tables, today.AtMidnight()).Steps)
                Say($"{ByPlace(step.Code, draft)} on {step.Starts:uuuu-MM-dd HH:mm}", step.Hands.TotalSeconds);
        }

        var file = Path.Combine(FormatTests.Root, "tests", "Kondiba.Web.Tests", "Formats", "Sample.txt");
        if (Environment.GetEnvironmentVariable("KONDIBA_WRITE_DOCS") == "1")
            File.WriteAllLines(file, figures);
        Assert.Equal(File.ReadAllLines(file), figures);
    }

    /// <summary>A step's code with the line's number in place of its code, which is another in each database.</summary>
    private static string ByPlace(string code, OrderDraft draft)
    {
        foreach (var (i, line) in draft.Lines.Index())
            code = code.Replace(line.Code!, $"line{i + 1}", StringComparison.Ordinal);
        return code;
    }

    [Fact]
    public void A_design_comes_back_from_the_database_as_it_went_in()
    {
        var (items, _, _, _) = Made(0);
        var read = KitchenItem.Read([.. items]).Looks;
        var again = KitchenItem.Read([.. read.Select(l => KitchenItem.Of(Guid.Empty, ItemKind.Look, l.Code, l))]).Looks;
        Assert.Equal(read.SelectMany(l => l.Decor.Patterns), again.SelectMany(l => l.Decor.Patterns));
        Assert.Equal(read.SelectMany(l => l.Decor.Sprinkles), again.SelectMany(l => l.Decor.Sprinkles));
        Assert.Equal(read.SelectMany(l => l.Decor.Dips), again.SelectMany(l => l.Decor.Dips));
    }
}
