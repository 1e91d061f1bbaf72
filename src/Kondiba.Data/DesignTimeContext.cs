using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;

namespace Kondiba.Data;

/// <summary>Lets the migration tool build the model; it connects to nothing.</summary>
internal sealed class DesignTimeContext : IDesignTimeDbContextFactory<KondibaContext>
{
    public KondibaContext CreateDbContext(string[] args)
    {
        var builder = new DbContextOptionsBuilder<KondibaContext>();
        KondibaContext.Use(builder, "Host=127.0.0.1");
        return new(builder.Options, new KitchenScope());
    }
}
