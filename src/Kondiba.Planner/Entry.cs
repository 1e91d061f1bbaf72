using Microsoft.Extensions.Configuration;
using Microsoft.Extensions.Hosting;
using Microsoft.Extensions.Logging;

namespace Kondiba.Planning;

internal static class Entry
{
    public static async Task<int> Main(string[] args)
    {
        // The planner starts itself once more for every search, so that a search that comes to grief takes nothing with it.
        if (args is [SolverChild.Argument])
            return SolverChild.Run(Console.In, Console.Out);

        var builder = Host.CreateApplicationBuilder(args);
        var settings = builder.Configuration.GetSection("Kondiba").Get<PlannerSettings>() ?? new();
        if (settings.Database.Length == 0)
        {
            await Console.Error.WriteLineAsync("kondiba: KONDIBA__DATABASE names no database to plan for.");
            return 1;
        }

        builder.Logging.AddFilter("Microsoft", LogLevel.Warning).AddFilter("Hangfire", LogLevel.Warning);
        builder.Services.AddPlanner(settings);
        await builder.Build().RunAsync();
        return 0;
    }
}
