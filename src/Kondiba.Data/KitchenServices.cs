using Kondiba.Core.Reference;
using Microsoft.Extensions.DependencyInjection;
using NodaTime;

namespace Kondiba.Data;

/// <summary>What the server and the planner read a kitchen with.</summary>
public static class KitchenServices
{
    /// <summary>Adds the database with the scope's kitchen, its tables, its clock and what there is to plan.</summary>
    /// <param name="services">The program's services.</param>
    /// <param name="database">PostgreSQL connection string.</param>
    public static IServiceCollection AddKitchens(this IServiceCollection services, string database) => services
        .AddSingleton(KitchenTables.Shipped)
        .AddSingleton<IClock>(SystemClock.Instance)
        .AddSingleton<KnownKitchens>()
        .AddScoped<KitchenScope>()
        .AddScoped<KitchenThings>()
        .AddScoped<KitchenClock>()
        .AddScoped<DayRecord>()
        .AddScoped<Workload>()
        .AddDbContext<KondibaContext>(options => KondibaContext.Use(options, database));
}
