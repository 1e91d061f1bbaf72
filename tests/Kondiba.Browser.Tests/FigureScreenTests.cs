using OpenQA.Selenium;

namespace Kondiba.Browser.Tests;

/// <summary>Treats put together from several centres.</summary>
public sealed class FigureScreenTests(Site site) : IClassFixture<Fresh>, IDisposable
{
    private readonly Maker maker = new(site);

    public void Dispose() => maker.Dispose();

    [Fact]
    public void A_figure_of_ones_own_is_built_ordered_planned_and_bought_for()
    {
        maker.Go("kitchen/figures");
        maker.Press("Add my own figure");
        maker.Fill("Name of one", "tide bell");
        maker.Fill("Plural", "tide bells");
        maker.Pick("Body", "marshmallow");
        maker.Press("Add a dipped part");
        maker.Fill("Part, plural", "posts");
        maker.Pick("Made from", "pretzel rod");
        maker.Pick("Usual colour", "silver");
        maker.Fill("Length kept, %", "40");
        maker.Fill("Pieces cut from one", "3");
        maker.Press("Save");
        maker.See("You can’t cut 3 parts of 40% of its length from one centre. Enter 1 to 2.");
        maker.Fill("Pieces cut from one", "2");
        maker.Press("Add one to the posts");
        maker.Fill("posts 1: right, mm", "-12");
        maker.Press("Add something to stick on");
        maker.Pick("Stuck on", "moulded stars");

        // The drawing follows, and its parts are moved by keys as by the pointer.
        maker.Until(() => maker.Count("svg[aria-label='tide bell, as built'] [role=button]") == 3, "two posts and a star in the drawing");
        maker.Click("//*[@role='button'][starts-with(@aria-label, 'posts 2')]");
        maker.Type(Keys.ArrowDown + Keys.ArrowDown + Keys.PageDown);
        maker.Until(() => maker.Value("posts 2: turned, °") == "5", "a post turned by the key");
        Assert.Equal("2", maker.Value("posts 2: down, mm"));
        Assert.Empty(maker.Barriers());
        maker.Press("Save");
        maker.See("posts × 2 (40% of pretzel rod)");

        maker.Order("Tide watch", "12 tide bells midnight");
        maker.Until(() => maker.Count("svg[aria-label='tide bell, put together']") == 1, "the figure on the slip");
        maker.Until(() => maker.Count("[data-testid='pot-silver']") == 1, "a pot for the posts");
        maker.See("24 posts");
        maker.SeeSaved();
        var order = new Uri(maker.Url).AbsolutePath[1..];

        maker.Click("//a[normalize-space()='Prep, step by step']");
        maker.See("Cut the posts with a sawing motion");
        maker.See("Glue on the posts with dots of coating");

        maker.Go(order);
        maker.Choose("State", "Confirmed");
        maker.SeeSaved();
        maker.Go("day");
        maker.Until(() => maker.Shows("everything fits") && !maker.Shows("still looking"), "a plan", 60);
        Assert.True(IsPlanned("tide bells"), "the figure is worked on in none of the days");

        maker.Go($"shopping?order={order.Split('/')[1]}");
        maker.See("pretzel rods");
        maker.See("marshmallows");
        maker.See("moulded stars");
    }

    [Fact]
    public void Pieces_stay_bare_go_on_sticks_and_are_set_on_discs()
    {
        maker.Order("Web night", "20 bare cookies with white web");
        maker.Until(
            () => maker.Count("[data-testid='pot-white']") == 1 && maker.Count("[data-testid='pot-dark']") == 0,
            "a pot for the web alone");
        Assert.Equal("not dipped", maker.Value("Dip depth of sandwich cookies"));
        maker.Fill("Dip depth of sandwich cookies", "half" + Keys.Enter);
        maker.Until(() => maker.Count("[data-testid='pot-dark']") == 1, "a pot for the coat");
        maker.Press("Undo");
        maker.SeeSaved();

        maker.Order("Stick night", "12 cookies on sticks teal");
        maker.See("on lolly sticks, 15 cm");
        maker.Choose("What sandwich cookies are put on", "on fruit picks");
        maker.See("on fruit picks");
        maker.Choose("What sandwich cookies are put on", "set on piped discs");
        maker.See("on a disc in");
        Assert.Empty(maker.Barriers());
        maker.SeeSaved();
    }

    /// <summary>Whether some day's hands have work on something.</summary>
    private bool IsPlanned(string what)
    {
        for (var day = 1; day <= maker.Count("//ol[@aria-label='Days']//button"); day++)
        {
            var button = $"(//ol[@aria-label='Days']//button)[{day}]";
            maker.Click(button);
            maker.Until(() => maker.Count($"{button}[@aria-pressed='true']") == 1, "the day");
            if (maker.Count($"//main//li[contains(., '{what}')]") > 0)
                return true;
        }

        return false;
    }
}
