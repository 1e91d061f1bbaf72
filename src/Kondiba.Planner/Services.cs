using Hangfire;
using Hangfire.AspNetCore;
using Hangfire.PostgreSql;
using Hangfire.PostgreSql.Factories;
using Kondiba.Data;
using Microsoft.Extensions.DependencyInjection;

namespace Kondiba.Planning;

/// <summary>What asks for plans, and what makes them.</summary>
public static class Services
{
    // A job of a planner that is gone is taken up by another after so long.
    private static readonly TimeSpan Gone = TimeSpan.FromSeconds(10);

    /// <summary>Adds what hands searches over to whatever planner is free.</summary>
    /// <param name="services">The program's services.</param>
    /// <param name="database">PostgreSQL connection string.</param>
    public static IServiceCollection AddPlanQueue(this IServiceCollection services, string database)
    {
        // These two would be kept for the whole process otherwise, and two programs in one, as tests are, would do each other's jobs.
        services.AddSingleton<JobActivator, AspNetCoreJobActivator>();
        services.AddSingleton<JobStorage>(_ =>
        {
            PostgreSqlStorageOptions options = new()
            {
                SchemaName = "jobs",
                EnableLongPolling = true,
                QueuePollInterval = TimeSpan.FromSeconds(1),
                InvisibilityTimeout = Gone,
                UseSlidingInvisibilityTimeout = true,
            };
            return new PostgreSqlStorage(new NpgsqlConnectionFactory(database, options), options);
        });
        return services.AddHangfire(jobs => jobs
            .SetDataCompatibilityLevel(CompatibilityLevel.Version_180)
            .UseSimpleAssemblyNameTypeSerializer()
            .UseRecommendedSerializerSettings());
    }

    /// <summary>Adds a planner. First plans have hands of their own, so that they never wait for what is only bettered.</summary>
    /// <param name="services">The program's services.</param>
    /// <param name="settings">Where and how long it plans.</param>
    public static IServiceCollection AddPlanner(this IServiceCollection services, PlannerSettings settings)
    {
        services.AddPlanQueue(settings.Database);
        services.AddSingleton(settings);
        services.AddKitchens(settings.Database);
        services.AddSingleton<SolverProcess>();
        services.AddScoped<PlanJobs>();
        foreach (var (queue, hands) in ((string, int)[])[(PlanJobs.First, Environment.ProcessorCount), (PlanJobs.Better, 1)])
            services.AddHangfireServer(server =>
            {
                server.ServerName = $"{Environment.MachineName}.{Environment.ProcessId}.{queue}";
                (server.Queues, server.WorkerCount) = ([queue], hands);
                server.SchedulePollingInterval = TimeSpan.FromSeconds(1);
            });
        return services;
    }
}
