using System.Diagnostics;
using System.Globalization;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Kondiba.Planning;
using Npgsql;

namespace Kondiba.Web.Tests;

/// <summary>Searches for plans outlive whatever ends in the middle of them: the planner, its solver, the server.</summary>
public sealed class PlannerTests(Server server) : IClassFixture<Server>, IDisposable
{
    private static readonly string[] Colours = ["dark", "white", "teal", "midnight", "pink"];

    private readonly List<Process> planners = [];

    /// <summary>However a test ends, no planner goes on.</summary>
    public void Dispose()
    {
        foreach (var planner in planners)
        {
            if (!planner.HasExited)
                planner.Kill(entireProcessTree: true);
            planner.Dispose();
        }
    }

    [Fact]
    public async Task A_solver_a_planner_and_a_server_are_killed_in_the_middle_and_nothing_is_lost()
    {
        using var client = await server.StartKitchenAsync("Killed");
        foreach (var centre in (string[])["sandwich-cookie", "pretzel-twist"])
            await client.CreatedAsync(
                Orders.Order([.. Colours.Select(c => Orders.Line(centre, centre is "pretzel-twist" ? "full" : "thin", 60, c, 1))]));

        // Nobody plans yet: the page is told that it is searched for.
        Assert.True(await DayAsync(client) is var asked && asked["plan"] is null && (bool)asked["searching"]!);

        // The solver is killed, and once more when it is tried again: the plan stands, or what it had bettered it to by then.
        var one = Plan();
        var first = await UntilAsync(client, day => day["plan"] is not null);
        var killed = new List<int>();
        for (var time = 0; time < 2; time++)
            killed.Add(await KillSolverAsync(one, killed));
        var stands = await UntilAsync(client, day => !(bool)day["searching"]!);
        Assert.False((bool)stands["failed"]!);
        Assert.Equal(Codes(first).Order(), Codes(stands).Order());

        // The planner is killed while it betters a plan, the next one is told to stop: another takes the search up where it was.
        await client.PostAsync("/api/day/again", null);
        await UntilAsync(client, day => day["plan"] is not null && (bool)day["searching"]!);
        await SolverOfAsync(one, killed);
        one.Kill(entireProcessTree: false);
        await one.WaitForExitAsync(TestContext.Current.CancellationToken);
        var two = Plan();
        await SolverOfAsync(two, killed);
        using var stop = Process.Start("kill", ["-TERM", $"{two.Id}"]);
        await two.WaitForExitAsync(TestContext.Current.CancellationToken);
        Assert.True((bool)(await DayAsync(client))["searching"]!);
        Plan(effort: 0.1);
        var healed = await UntilAsync(client, day => !(bool)day["searching"]!);
        Assert.Equal(Codes(first).Order(), Codes(healed).Order());

        // A server that is started later knows the plan without asking for it again.
        await using var later = server.Start(own: true);
        var again = (await (await Server.EnterAsync(later)).GetFromJsonAsync<JsonObject>("/api/day"))!;
        Assert.NotNull(again["plan"]);
    }

    [Fact]
    public async Task A_search_that_breaks_off_is_told_and_can_be_begun_anew()
    {
        using var client = await server.StartKitchenAsync("Broken");
        await client.CreatedAsync(Orders.Order(Orders.Line()));
        await using var data = NpgsqlDataSource.Create(server.Connection);
        await using var spoil = data.CreateCommand(
            """
            CREATE FUNCTION spoil() RETURNS trigger LANGUAGE plpgsql AS $$ BEGIN RAISE EXCEPTION 'spoilt'; END $$;
            CREATE TRIGGER spoil BEFORE UPDATE ON plan_searches FOR EACH ROW WHEN (NEW.state = 'Searching') EXECUTE FUNCTION spoil();
            """);
        await spoil.ExecuteNonQueryAsync(TestContext.Current.CancellationToken);
        Plan(effort: 0.1);
        var broken = await UntilAsync(client, day => (bool)day["failed"]!);
        Assert.Null(broken["plan"]);

        await using var mend = data.CreateCommand("DROP FUNCTION spoil CASCADE");
        await mend.ExecuteNonQueryAsync(TestContext.Current.CancellationToken);
        await client.PostAsync("/api/day/again", null);
        Assert.NotEmpty(Codes(await UntilAsync(client, day => !(bool)day["searching"]!)));
    }

    private static async Task<JsonObject> DayAsync(HttpClient client) => (await client.GetFromJsonAsync<JsonObject>("/api/day"))!;

    private static async Task<JsonObject> UntilAsync(HttpClient client, Func<JsonObject, bool> so)
    {
        var day = await DayAsync(client);
        // A machine that does much else at the same time is waited for; what never comes ends the test.
        for (var i = 0; i < 1500 && !so(day); i++)
        {
            await Task.Delay(100);
            day = await DayAsync(client);
        }

        Assert.True(so(day), day.ToJsonString());
        return day;
    }

    /// <summary>The orders' steps; a better plan may melt more or less often.</summary>
    private static IReadOnlyList<string> Codes(JsonObject day) =>
        [.. day["plan"]!["tasks"]!.AsArray().Select(t => (string)t!["what"]!["code"]!).Where(
            c => c.Contains('/', StringComparison.Ordinal))];

    /// <summary>A planner in a process of its own.</summary>
    private Process Plan(double effort = 60)
    {
        var planner = Process.Start(new ProcessStartInfo("dotnet", [typeof(PlanJobs).Assembly.Location])
        {
            Environment =
            {
                ["KONDIBA__DATABASE"] = server.Connection,
                ["KONDIBA__EFFORT"] = effort.ToString(CultureInfo.InvariantCulture),
                ["Logging__LogLevel__Default"] = "None",
            },
        })!;
        planners.Add(planner);
        return planner;
    }

    private static async Task<int> KillSolverAsync(Process planner, IReadOnlyCollection<int> but)
    {
        var solver = await SolverOfAsync(planner, but);
        Process.GetProcessById(solver).Kill();
        return solver;
    }

    /// <summary>The process that searches for a planner.</summary>
    private static async Task<int> SolverOfAsync(Process planner, IReadOnlyCollection<int> but)
    {
        for (var i = 0; i < 300; i++)
        {
            var found = Process.GetProcessesByName("dotnet").Select(p => p.Id).Except(but).FirstOrDefault(id => ParentOf(id) == planner.Id);
            if (found != 0)
                return found;
            await Task.Delay(100);
        }

        throw new InvalidOperationException("The planner has no solver.");
    }

    private static int ParentOf(int process)
    {
        try
        {
            return int.Parse(File.ReadAllText($"/proc/{process}/stat").Split(") ")[^1].Split(' ')[1], CultureInfo.InvariantCulture);
        }
        catch (IOException)
        {
            return 0;
        }
    }
}
