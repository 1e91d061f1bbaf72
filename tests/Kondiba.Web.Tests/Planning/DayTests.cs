using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using NodaTime;

namespace Kondiba.Web.Tests;

/// <summary>The plan of the days over the API, and its calendar.</summary>
public sealed class DayTests(Server server) : IClassFixture<Server>
{
    private readonly Server server = server.WithPlanner();

    private static async Task<JsonObject> DayAsync(HttpClient client) => (await client.GetFromJsonAsync<JsonObject>("/api/day"))!;

    private static async Task<JsonObject> SettledAsync(HttpClient client)
    {
        var day = await DayAsync(client);
        for (var i = 0; i < 300 && (bool)day["searching"]!; i++)
        {
            await Task.Delay(100);
            day = await DayAsync(client);
        }

        return day;
    }

    private static async Task<JsonObject> ArrangeAsync(HttpClient client, JsonObject day, string part, JsonNode value)
    {
        var arranged = day["arranged"]!.DeepClone().AsObject();
        arranged[part] = value;
        var answer = await client.PutAsJsonAsync(
            "/api/day/arranged", new JsonObject { ["version"] = (int)day["version"]!, ["arranged"] = arranged });
        Assert.True(answer.IsSuccessStatusCode, await answer.Content.ReadAsStringAsync());
        return await answer.ReadAsync();
    }

    /// <summary>
    /// The one task of a kind for a line: "/dip.1", or "7/dip.1" of one order. Its code goes by the line's own name, not its place.
    /// </summary>
    private static JsonObject TaskOf(JsonObject day, string asked)
    {
        var (kind, line) = (asked.Split('.')[0], int.Parse(asked.Split('.')[1], CultureInfo.InvariantCulture));
        return day["plan"]!["tasks"]!.AsArray().Single(t => ((string)t!["what"]!["code"]!) is var code
            && (kind[0] == '/'
                ? code.Contains($"{kind}.", StringComparison.Ordinal)
                : code.StartsWith($"{kind}.", StringComparison.Ordinal))
            && t["what"]!["lines"]!.AsArray().Any(l => (int)l! == line))!.AsObject();
    }

    /// <summary>A pot that a day's orders share has one sum: on the shelf, at the order, in the plan and on the shopping list.</summary>
    [Theory]
    [InlineData(1)]
    [InlineData(2)]
    [InlineData(3)]
    public async Task A_pot_has_one_sum_wherever_it_is_shown(int seed)
    {
        using var client = await server.StartKitchenAsync($"Sums {seed}");
        var random = new Random(seed);
        (string Centre, string Size, double Depth)[] pieces = [
            ("strawberry", "L", 0.75),
            ("pretzel-rod", "one", 0.5),
            ("cake-ball", "one", 1),
            ("sandwich-cookie", "thin", 1),
            ("pretzel-twist", "mini", 1),
        ];
        JsonObject Some()
        {
            var (centre, size, depth) = pieces[random.Next(pieces.Length)];
            return Orders.Line(centre, size, random.Next(6, 40), random.Next(3) == 0 ? "teal" : "dark", depth);
        }

        var ids = new List<string>();
        for (var i = 0; i < 3; i++)
        {
            var lines = Enumerable.Range(0, random.Next(1, 4)).Select(_ => Some());
            ids.Add((string)(await client.CreatedAsync(Orders.In(3, [.. lines])))["id"]!);
        }

        var shelf = (await client.GetFromJsonAsync<JsonObject>("/api/shelf"))!;
        var onDay = (await client.GetFromJsonAsync<JsonArray>($"/api/days/{Orders.Day(3)[..10]}/shared"))!;
        var plan = (await SettledAsync(client))["plan"]!;
        var shopping = (await client.GetFromJsonAsync<JsonObject>($"/api/shopping?{string.Join('&', ids.Select(id => $"order={id}"))}"))!;

        Assert.NotEmpty(onDay);
        Assert.Equal(
            onDay.ToDictionary(Key, p => (double)p!["together"]!),
            shelf["shared"]!.AsArray().ToDictionary(Key, p => (double)p!["together"]!));
        var wanted = shelf["coating"]!.AsArray().ToDictionary(Key, p => (double)p!["toMelt"]!);
        Assert.All(onDay, p => Assert.Equal((double)p!["together"]!, wanted[Key(p)], 1e-3));
        foreach (var (key, grams) in wanted)
        {
            Assert.Equal(grams, plan["melts"]!.AsArray().Where(m => (string)m!["pot"]! == key).Sum(m => (double)m!["toMelt"]!), 1e-2);
            var bought = shopping["list"]!["lines"]!.AsArray().Single(l => (string)l!["ware"]!["code"]! == $"coating.{key}");
            Assert.Equal(grams, (double)bought!["need"]!["value"]!, 1e-2);
        }

        static string Key(JsonNode? pot) => (string)pot!["key"]!;
    }

    [Fact]
    public async Task An_open_order_is_planned_pinned_done_and_moves_with_little_upheaval()
    {
        using var client = await server.StartKitchenAsync("Planned");
        Assert.Empty((await DayAsync(client))["plan"]!["tasks"]!.AsArray());
        var order = await client.CreatedAsync(Orders.In(2, Orders.Line(), Orders.Line("pretzel-rod", "one", 12, "teal", 0.5)));
        var day = await SettledAsync(client);
        Assert.Equal("best", (string)day["plan"]!["outcome"]!);
        var dip = TaskOf(day, "/dip.1");
        Assert.Equal("Dip 12 pretzel rods in teal", (string)dip["what"]!["title"]!);
        Assert.Equal("1", (string)dip["what"]!["order"]!);
        Assert.Equal((string)order["id"]!, (string)day["orders"]![0]!["id"]!);

        // Pinned earlier on its day, it stays there; the berries keep their time, as nothing of theirs need move.
        var berries = (string)TaskOf(day, "/dip.0")["starts"]!;
        var pin = $"{((string)dip["starts"]!)[..10]}T09:30:00";
        var code = (string)dip["what"]!["code"]!;
        var pinned = await ArrangeAsync(client, day, "tasks", new JsonObject { [code] = new JsonObject { ["at"] = pin } });
        pinned = await SettledAsync(client);
        Assert.Equal(pin, (string)TaskOf(pinned, "/dip.1")["starts"]!);
        Assert.Equal(berries, (string)TaskOf(pinned, "/dip.0")["starts"]!);

        // An arrangement made on an older version is refused and changes nothing.
        var late = await client.PutAsJsonAsync(
            "/api/day/arranged", new JsonObject { ["version"] = (int)day["version"]!, ["arranged"] = day["arranged"]!.DeepClone() });
        Assert.Equal(HttpStatusCode.Conflict, late.StatusCode);
        Assert.Equal(pin, (string)(await DayAsync(client))["arranged"]!["tasks"]![code]!["at"]!);

        // Asked again, it is the same plan: from the kitchen's memory, and from the database after a restart too.
        Assert.Equal(pinned["plan"]!["tasks"]!.ToJsonString(), (await SettledAsync(client))["plan"]!["tasks"]!.ToJsonString());
    }

    [Fact]
    public async Task What_does_not_fit_says_what_is_short_and_a_remedy_that_is_taken_makes_it_fit()
    {
        using var client = await server.StartKitchenAsync("Crowded");
        await client.CreatedAsync(Orders.In(2, Orders.Line(), Orders.Line("pretzel-rod", "one", 24, "midnight", 0.5)));
        var day = await SettledAsync(client);
        var today = LocalDate.FromDateTime(DateTime.Parse((string)day["now"]!, null));
        var none = new JsonArray([
            .. Enumerable.Range(0, 8)
                .Select(i => (JsonNode)new JsonObject { ["day"] = today.PlusDays(i).ToString("uuuu-MM-dd", null), ["hours"] = null }),
        ]);
        await ArrangeAsync(client, day, "hours", none);
        var short_ = await SettledAsync(client);
        Assert.Equal("impossible", (string)short_["plan"]!["outcome"]!);
        var shortages = short_["plan"]!["shortages"]!.AsArray().Select(s => (string)s!["what"]!).ToList();
        Assert.Contains(shortages, s => s.Contains("can’t be ready before", StringComparison.Ordinal));
        Assert.Contains(shortages, s => s.EndsWith(" short.", StringComparison.Ordinal));
        var remedies = short_["remedies"]!.AsArray();
        Assert.NotEmpty(remedies);

        Assert.Equal(
            HttpStatusCode.Conflict,
            (await client.PostAsJsonAsync(
                "/api/day/remedies", new JsonObject { ["what"] = "magic", ["arranged"] = null, ["change"] = null })).StatusCode);
        (await client.PostAsJsonAsync("/api/day/remedies", remedies[0]!.DeepClone())).EnsureSuccessStatusCode();
        Assert.NotEqual("impossible", (string)(await SettledAsync(client))["plan"]!["outcome"]!);
    }

    [Fact]
    public async Task A_day_that_is_closed_gives_its_work_to_others_and_open_again_gets_it_back()
    {
        using var client = await server.StartKitchenAsync("Closed");
        await client.CreatedAsync(Orders.In(
            3, Orders.Line("pretzel-rod", "one", 24, "midnight", 0.5), Orders.Line("pretzel-rod", "one", 12, "teal", 0.5)));
        var day = await SettledAsync(client);
        string Day(JsonNode? task) => ((string)task!["starts"]!)[..10];
        var worked = Day(TaskOf(day, "/dip.0"));
        int Tasks(JsonObject of) => of["plan"]!["tasks"]!.AsArray().Count;

        // Everything has to move, so it is planned anew: still proven best, nothing on the closed day.
        await ArrangeAsync(client, day, "hours", new JsonArray(new JsonObject { ["day"] = worked, ["hours"] = null }));
        var closed = await SettledAsync(client);
        Assert.Equal("best", (string)closed["plan"]!["outcome"]!);
        Assert.DoesNotContain(closed["plan"]!["tasks"]!.AsArray(), t => Day(t) == worked && (string?)t!["worker"] is not null);
        Assert.Equal(Tasks(day), Tasks(closed));

        // Open again and planned from nothing, it is as late as it was.
        await ArrangeAsync(client, closed, "hours", new JsonArray());
        await SettledAsync(client);
        (await client.PostAsync("/api/day/again", null)).EnsureSuccessStatusCode();
        var open = await SettledAsync(client);
        Assert.Equal((worked, Tasks(day)), (Day(TaskOf(open, "/dip.0")), Tasks(open)));
    }

    [Fact]
    public async Task What_is_dipped_keeps_its_pot_warm_for_the_rest()
    {
        using var client = await server.StartKitchenAsync("Warm");

        // Somebody is up at any hour, so that the pot is used before it sets, whenever this runs.
        var always = new JsonArray([
            .. Enumerable.Range(0, 7)
                .Select(_ => (JsonNode)new JsonObject { ["hours"] = new JsonObject { ["from"] = "00:00:00", ["to"] = "23:59:00" } }),
        ]);
        (await client.PutAsJsonAsync(
            "/api/kitchen/working",
            new JsonObject { ["days"] = always, ["pots"] = 2, ["wells"] = 2, ["pace"] = null })).EnsureSuccessStatusCode();
        var order = Orders.In(0, Orders.Line("pretzel-rod", "one", 40, "midnight", 0.5));
        order["pickup"] = DateTime.Parse((string)(await DayAsync(client))["now"]!, null).AddHours(6).ToString("s", null);
        await client.CreatedAsync(order);
        var day = await SettledAsync(client);
        var melt = day["plan"]!["melts"]!.AsArray().Single()!;
        Assert.Equal(2, melt["tasks"]!.AsArray().Count);

        // The first tray is done, now: its pot is marked as melted along with it, and the second tray is dipped from it.
        var (first, second) = ((string)melt["tasks"]![0]!, (string)melt["tasks"]![1]!);
        var arranged = await ArrangeAsync(
            client, day, "tasks", new JsonObject { [first] = new JsonObject { ["done"] = ((string)day["now"]!)[..19] } });
        var code = $"melt.{melt["pot"]}.1";
        Assert.True(
            DateTime.Parse((string)arranged["arranged"]!["tasks"]![code]!["done"]!, null) <= DateTime.Parse((string)day["now"]!, null));
        var next = await SettledAsync(client);
        Assert.Equal(
            [1],
            next["plan"]!["melts"]!.AsArray()
                .Where(m => m!["tasks"]!.AsArray().Any(t => (string)t! == second))
                .Select(m => (int)m!["number"]!));
        Assert.Null(next["plan"]!["tasks"]!.AsArray().Single(t => (string)t!["what"]!["code"]! == code)!["worker"]);
    }

    [Fact]
    public async Task Another_kitchen_plans_for_itself_and_a_further_order_leaves_what_was_planned_in_its_place()
    {
        using var client = await server.StartKitchenAsync("Here");
        using var other = await server.StartKitchenAsync("There");
        await client.CreatedAsync(Orders.In(2, Orders.Line("pretzel-rod", "one", 24, "midnight", 0.5)));
        var day = await SettledAsync(client);
        var pack = (string)TaskOf(day, "/pack.0")["starts"]!;
        await ArrangeAsync(
            client,
            day,
            "helpers",
            new JsonArray(
                new JsonObject { ["day"] = "2031-05-01", ["hours"] = new JsonObject { ["from"] = "10:00:00", ["to"] = "12:00:00" } }));

        // The other kitchen has no order, no arrangement and no task of this one, though orders of both are number 1.
        var there = await DayAsync(other);
        Assert.Empty(there["orders"]!.AsArray());
        Assert.Empty(there["arranged"]!["helpers"]!.AsArray());
        await other.CreatedAsync(Orders.In(3, Orders.Line("marshmallow", "one", 12, "teal", 0.66)));
        var dip = TaskOf(await SettledAsync(other), "1/dip.0");
        Assert.StartsWith("Dip 12 marshmallows in ", (string)dip["what"]!["title"]!, StringComparison.Ordinal);

        // A further order is planned with the first; without its pickup it is none of the days'.
        var none = Orders.Order(Orders.Line());
        none["pickup"] = null;
        await client.PostAsJsonAsync("/api/orders", none);
        await client.CreatedAsync(Orders.In(5, Orders.Line("marshmallow", "one", 12, "teal", 0.66)));
        var both = await SettledAsync(client);
        Assert.Equal(2, both["orders"]!.AsArray().Count);
        Assert.Equal(pack, (string)TaskOf(both, "1/pack.0")["starts"]!);

        // Planned anew, it still keeps every order and what was arranged.
        var anew = await (await client.PostAsync("/api/day/again", null)).ReadAsync();
        Assert.Equal((int)both["version"]!, (int)anew["version"]!);
        Assert.Single(anew["arranged"]!["helpers"]!.AsArray());
        Assert.Equal(2, (await SettledAsync(client))["plan"]!["orders"]!.AsArray().Count);
    }

    [Fact]
    public async Task An_order_that_is_made_or_removed_is_planned_no_more()
    {
        using var client = await server.StartKitchenAsync("Less");
        var order = await client.CreatedAsync(Orders.In(2, Orders.Line("pretzel-rod", "one", 12, "midnight", 0.5)));
        Assert.NotEmpty((await SettledAsync(client))["plan"]!["tasks"]!.AsArray());
        (await client.DeleteAsync($"/api/orders/{order["id"]}")).EnsureSuccessStatusCode();
        var after = await SettledAsync(client);
        Assert.Empty(after["orders"]!.AsArray());
        Assert.Empty(after["plan"]!["tasks"]!.AsArray());
        Assert.Equal("best", (string)after["plan"]!["outcome"]!);
    }

    [Fact]
    public async Task Arrangements_that_cannot_be_are_refused_by_name()
    {
        using var client = await server.StartKitchenAsync("Careful");
        var day = await DayAsync(client);
        async Task<JsonObject> RefusedAsync(string part, JsonNode value)
        {
            var arranged = day["arranged"]!.DeepClone().AsObject();
            arranged[part] = value;
            var answer = await client.PutAsJsonAsync(
                "/api/day/arranged", new JsonObject { ["version"] = (int)day["version"]!, ["arranged"] = arranged });
            Assert.Equal(HttpStatusCode.BadRequest, answer.StatusCode);
            return (await answer.ReadAsync())["errors"]!.AsObject();
        }

        Assert.Contains(
            "helpers[0]",
            await RefusedAsync(
                "helpers",
                new JsonArray(
                    new JsonObject { ["day"] = "2031-05-01", ["hours"] = new JsonObject { ["from"] = "18:00:00", ["to"] = "14:00:00" } })));
        Assert.Contains(
            "places[0]",
            await RefusedAsync(
                "places",
                new JsonArray(new JsonObject
                {
                    ["place"] = "fridge",
                    ["change"] = -1,
                    ["from"] = "2031-05-02T00:00:00",
                    ["to"] = "2031-05-01T00:00:00"
                })));
        var working = await client.PutAsJsonAsync(
            "/api/kitchen/working",
            new JsonObject { ["days"] = new JsonArray(), ["pots"] = 0, ["wells"] = 0, ["pace"] = new JsonObject { ["dip"] = 0.01 } });
        Assert.Equal(["days", "pace.dip", "pots"], (await working.ReadAsync())["errors"]!.AsObject().Select(e => e.Key).Order());
        var place = await client.PutAsJsonAsync(
            "/api/kitchen/places", new { code = "cellar", name = "cellar", air = 70, humidity = 0.0, trays = 99 });
        Assert.Equal(["air", "humidity", "trays"], (await place.ReadAsync())["errors"]!.AsObject().Select(e => e.Key).Order());
    }

    [Fact]
    public async Task Pieces_set_in_a_place_of_ones_own_with_their_course()
    {
        using var client = await server.StartKitchenAsync("Cellar");
        (await client.PutAsJsonAsync(
            "/api/kitchen/places",
            new { code = "cellar", name = "cellar", air = 12, humidity = 0.7, trays = 2 })).EnsureSuccessStatusCode();
        var setting = await (await client.PostAsJsonAsync(
            "/api/setting/preview?line=0", Orders.Order(Orders.Line("sandwich-cookie", "thin", 12, "dark", 1)))).ReadAsync();
        var places = setting["places"]!.AsArray().ToDictionary(p => (string)p!["place"]!);
        Assert.Equal(["counter", "fridge", "freezer", "cellar"], places.Keys);
        double Dry(string place) => (double)places[place]!["sets"]!["touchDry"]!;
        Assert.True(Dry("fridge") < Dry("cellar") && Dry("cellar") < Dry("counter"));
        var course = places["cellar"]!["course"]!.AsArray();
        Assert.True((double)course[0]!["film"]! > (double)course[^1]!["film"]!);
        Assert.Contains("comes out dry", (string)places["cellar"]!["chill"]!["advice"]!, StringComparison.Ordinal);
        Assert.Equal(
            HttpStatusCode.NotFound,
            (await client.PostAsJsonAsync("/api/setting/preview?line=3", Orders.Order(Orders.Line()))).StatusCode);
    }

    [Fact]
    public async Task The_private_address_reads_the_plan_without_signing_in_until_it_is_taken_back()
    {
        using var client = await server.StartKitchenAsync("Calendar");
        await client.CreatedAsync(Orders.In(2, Orders.Line()));
        await SettledAsync(client);
        var feed = await (await client.PostAsync("/api/day/feeds", null)).ReadAsync();
        using var program = Server.Browser(server.Own);
        var read = await program.GetAsync((string)feed["path"]!);
        Assert.Equal("text/calendar", read.Content.Headers.ContentType!.MediaType);
        var calendar = Ical.Net.Calendar.Load(await read.Content.ReadAsStringAsync())!;
        Assert.Contains(
            calendar.Events,
            e => e.Summary!.StartsWith("Dip 24 strawberries in ", StringComparison.Ordinal)
                && e.Summary.EndsWith("Tide table supper", StringComparison.Ordinal));

        // The file says the same, with the same UIDs.
        var file = Ical.Net.Calendar.Load(await client.GetStringAsync("/api/day/calendar.ics"))!;
        Assert.Equal(calendar.Events.Select(e => e.Uid).Order(), file.Events.Select(e => e.Uid).Order());

        using var other = await server.StartKitchenAsync("Next door");
        Assert.Equal(HttpStatusCode.NotFound, (await other.DeleteAsync($"/api/day/feeds/{feed["id"]}")).StatusCode);
        Assert.Equal(HttpStatusCode.NoContent, (await client.DeleteAsync($"/api/day/feeds/{feed["id"]}")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await program.GetAsync((string)feed["path"]!)).StatusCode);
    }
}
