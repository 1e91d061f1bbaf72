using Microsoft.EntityFrameworkCore;

namespace Kondiba.Data;

/// <summary>The kitchen that the present request works for; empty before sign-in, which reaches no row.</summary>
public sealed class KitchenScope
{
    public Guid KitchenId { get; set; }
}

/// <summary>The database. Every query sees only the rows of the scope's kitchen.</summary>
public sealed class KondibaContext(DbContextOptions<KondibaContext> options, KitchenScope scope) : DbContext(options)
{
    public DbSet<Kitchen> Kitchens => Set<Kitchen>();

    public DbSet<Order> Orders => Set<Order>();

    public Guid KitchenId => scope.KitchenId;

    /// <summary>Options for a PostgreSQL server.</summary>
    public static DbContextOptionsBuilder Use(DbContextOptionsBuilder builder, string connection) =>
        builder.UseNpgsql(connection, npgsql => npgsql.UseNodaTime()).UseSnakeCaseNamingConvention();

    protected override void OnModelCreating(ModelBuilder modelBuilder)
    {
        modelBuilder.Entity<Kitchen>(kitchen =>
        {
            kitchen.Property(k => k.Name).HasMaxLength(80);
            kitchen.Property(k => k.Units).HasConversion<string>().HasMaxLength(10);
            kitchen.HasIndex(k => k.IsSample).IsUnique().HasFilter("is_sample");
            kitchen.HasQueryFilter(k => k.Id == KitchenId);
        });
        modelBuilder.Entity<Order>(order =>
        {
            order.Property(o => o.Name).HasMaxLength(80);
            order.Property(o => o.Notes).HasMaxLength(2000);
            order.Property(o => o.Version).IsRowVersion();
            order.HasOne<Kitchen>().WithMany().HasForeignKey(o => o.KitchenId);
            order.HasMany(o => o.Lines).WithOne().HasForeignKey(l => l.OrderId);
            order.HasMany(o => o.Vessels).WithOne().HasForeignKey(v => v.OrderId);
            order.HasIndex(o => new { o.KitchenId, o.Pickup });
            order.HasIndex(o => new { o.KitchenId, o.CreationKey }).IsUnique();
            order.HasQueryFilter(o => o.KitchenId == KitchenId);
        });
        modelBuilder.Entity<OrderLine>(line =>
        {
            line.ToTable("order_lines", t =>
            {
                t.HasCheckConstraint("ck_order_lines_count", "count > 0");
                t.HasCheckConstraint("ck_order_lines_depth", "depth > 0 AND depth <= 1");
                t.HasCheckConstraint("ck_order_lines_coats", "coats > 0");
            });
            line.HasKey(l => new { l.OrderId, l.Id });
            line.HasOne<Kitchen>().WithMany().HasForeignKey(l => l.KitchenId);
            line.HasQueryFilter(l => l.KitchenId == KitchenId);
            foreach (var code in (string[])[nameof(OrderLine.Centre), nameof(OrderLine.Size), nameof(OrderLine.Colour)])
                line.Property(code).HasMaxLength(40);
        });
        modelBuilder.Entity<OrderVessel>(vessel =>
        {
            vessel.ToTable("order_vessels");
            vessel.HasKey(v => new { v.OrderId, v.Colour });
            vessel.HasOne<Kitchen>().WithMany().HasForeignKey(v => v.KitchenId);
            vessel.HasQueryFilter(v => v.KitchenId == KitchenId);
            vessel.Property(v => v.Colour).HasMaxLength(40);
            vessel.Property(v => v.Vessel).HasMaxLength(40);
        });
    }
}
