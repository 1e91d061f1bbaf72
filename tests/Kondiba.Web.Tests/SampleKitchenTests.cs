using Kondiba.Core.Amounts;
using Kondiba.Core.Colour;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Prep;
using Kondiba.Core.Reference;
using Kondiba.Data;
using NodaTime;

namespace Kondiba.Web.Tests;

/// <summary>The sample kitchen is what a maker sees first: nothing in it may be wrong, on whatever day it is made.</summary>
public class SampleKitchenTests
{
    public static TheoryData<int> Days => [.. Enumerable.Range(0, 7)];

    private static (IReadOnlyList<KitchenItem> Items, IReadOnlyList<Order> Orders, TradeTables Tables, LocalDate Today) Made(int day)
    {
        var today = new LocalDate(2031, 5, 1).PlusDays(day);
        var (_, rows) = SampleKitchen.From(today, Instant.FromUtc(2031, 5, 1, 8, 0), "Europe/Lisbon");
        var items = rows.OfType<KitchenItem>().ToList();
        return (items, [.. rows.OfType<Order>().Where(o => !o.IsTemplate && o.State is not OrderState.HandedOver)], KitchenTables.For(TradeTables.Shipped, KitchenItem.Read([.. items])), today);
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
        Assert.Equal(looks.Select(l => l.Name).Order(), orders.SelectMany(o => o.Lines).Select(l => l.Look).OfType<string>().Distinct().Order());
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
        var shared = DayPots.For([.. saturday.Select(o => (o.ToDraft(), CoatingTally.For(o.ToDraft(), tables, today.AtMidnight())))], tables).Shared;
        Assert.Contains(shared, s => s.Key.EndsWith(".midnight", StringComparison.Ordinal) && s.Together.Si < s.Apart.Si);
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
