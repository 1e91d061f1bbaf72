using Kondiba.Core.Facts;
using Kondiba.Core.Handbook;
using Kondiba.Core.Kitchens;
using Kondiba.Core.Wording;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>The handbook says what the tables say, each value with where it comes from.</summary>
public sealed class HandbookTests
{
    [Fact]
    public void Every_thing_of_the_tables_has_its_entry_and_every_value_its_source()
    {
        var book = TradeHandbook.For(Tables).ToDictionary(s => s.Code, s => s.Entries);
        var r = Tables.Reference;
        Assert.Equal(r.Centres.Select(c => c.Code), book["centres"].Select(e => e.Code));
        Assert.Equal(r.Coatings.Select(c => c.Code), book["coatings"].Select(e => e.Code));
        Assert.Equal(r.Troubles.Signs.Count, book["troubles"].Count);
        Assert.Equal(r.Safety.Count, book["safety"].Count);
        Assert.Equal(r.PrepRules.Count, book["steps"].Count);
        Assert.All(book.Values.SelectMany(e => e), entry =>
        {
            Assert.NotEqual(Message.None, entry.Title);
            Assert.All(entry.Facts, f => Assert.NotEmpty(f.Source.Text));
            Assert.True(entry.Source is not null || entry.Facts.Count > 0, entry.Code);
        });
        Assert.All(book.Values, entries => Assert.Equal(entries.Count, entries.Select(e => e.Code).Distinct().Count()));
    }

    /// <summary>Common practice: a tablespoon of palm-kernel flakes is about 9 g; dark couverture loses its temper above 90 °F.</summary>
    [Fact]
    public void Its_values_are_the_trades()
    {
        var book = TradeHandbook.For(Tables);
        Assert.Equal(9, Fact(book, "thinners", "flakes", "handbook.tablespoon").Value);
        Assert.Equal(32.2, Fact(book, "coatings", "dark-couverture", "handbook.never-above").Value, 1);
        Assert.Equal(1, Fact(book, "keeping", "strawberry", "handbook.keeps").Value);
    }

    [Fact]
    public void What_a_kitchen_says_stands_in_place_of_the_tables()
    {
        var own = OwnTables.Entered(Tables.Reference.Coating("compound-block")!) with { MeltAtMost = 44 };
        var fact = Fact(
            TradeHandbook.For(OwnTables.For(Tables, OwnThings.None with { Coatings = [own] })),
            "coatings",
            "compound-block",
            "handbook.melt-at-most");
        Assert.Equal((44, Tag.Entered), (Math.Round(fact.Value, 6), fact.Source.Tag));
    }

    private static WorkingLine Fact(IReadOnlyList<HandbookSection> book, string section, string entry, string what) =>
        book.Single(s => s.Code == section).Entries.Single(e => e.Code == entry).Facts.Single(f => f.What.Code == what);
}
