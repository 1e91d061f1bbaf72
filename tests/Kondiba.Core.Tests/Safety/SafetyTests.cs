using Kondiba.Core.Amounts;
using Kondiba.Core.Decoration;
using Kondiba.Core.Orders;
using Kondiba.Core.Planning;
using Kondiba.Core.Steps;
using static Kondiba.Core.Tests.Orders;

namespace Kondiba.Core.Tests;

/// <summary>What is said at steps so that nobody comes to harm: facts of the trade, common practice where nothing is named.</summary>
public sealed class SafetyTests
{
    [Theory]
    [InlineData("truffle-ball", Stage.Fill, "hot-cream")]
    [InlineData("truffle-ball", Stage.Dip, "perishable")]
    [InlineData("truffle-ball", Stage.Melt, "hot-coating")]
    [InlineData("fruit-ring", Stage.Pack, "perishable-packed")]
    [InlineData("apple", Stage.Pack, "caramel-apple")]
    [InlineData("apple", Stage.Pack, "sharp")]
    [InlineData("marshmallow", Stage.Pack, "sharp")]
    [InlineData("shell-bowl", Stage.Dip, "latex")]
    public void It_is_told_at_its_step(string centre, Stage stage, string note) => Assert.Contains(note, Notes(Made(centre), stage));

    [Fact]
    public void What_is_not_there_is_not_warned_of()
    {
        var notes = Enum.GetValues<Stage>().SelectMany(s => Notes(Made("pretzel-rod"), s)).Distinct().ToList();
        Assert.All(notes, n => Assert.Contains(n, (string[])["hot-coating", "uneven", "steam"]));
    }

    [Fact]
    public void Paint_allergies_and_the_way_of_melting_are_told()
    {
        var painted = Made("pretzel-rod") with { Decor = Decor.None with { Paint = new("gold", 0.3) } };
        Assert.Contains("dust", Notes(painted, Stage.Decorate));
        var free = Order(null, Made("sandwich-cookie")) with { Allergies = ["peanut"] };
        Assert.Contains("allergy", Notes(free, Stage.Prep));
        var bath = free with { Schools = new Dictionary<string, string> { ["melting"] = "bath" } };
        Assert.Contains("steam", Notes(bath, Stage.Melt));
        Assert.DoesNotContain("uneven", Notes(bath, Stage.Melt));
    }

    /// <summary>Two hours in all, and never more than the Food Code's four without the cold.</summary>
    [Fact]
    public void What_spoils_has_a_clock()
    {
        var rule = Tables.Reference.Safety.Single(r => r.Code == "perishable");
        Assert.InRange(rule.AtMost!.Value.TotalHours, 1, 4);
        Assert.Contains("Food Code", rule.Source.Text, StringComparison.Ordinal);
    }

    private static LineDraft Made(string centre) => Line(centre, Tables.Reference.Centre(centre)!.Sizes[0].Code, 12);

    private static List<string> Notes(LineDraft line, Stage stage) => Notes(Order(null, line), stage);

    private static List<string> Notes(OrderDraft order, Stage stage)
    {
        var list = PrepList.For(order, CoatingTally.For(order, Tables, Now), Tables, Now);
        return [.. list.Steps.Where(s => s.Stage == stage).SelectMany(s => s.Safety).Select(n => n.Code)];
    }
}
