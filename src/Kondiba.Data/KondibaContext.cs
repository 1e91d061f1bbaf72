using System.Text.Json;
using Kondiba.Core.Decoration;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.ChangeTracking;

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

    public DbSet<KitchenItem> KitchenItems => Set<KitchenItem>();

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
            order.HasMany(o => o.Pots).WithOne().HasForeignKey(p => p.OrderId);
            order.HasIndex(o => new { o.KitchenId, o.Pickup });
            order.HasIndex(o => new { o.KitchenId, o.CreationKey }).IsUnique();
            order.HasQueryFilter(o => o.KitchenId == KitchenId);
        });
        modelBuilder.Entity<OrderLine>(line =>
        {
            line.ToTable("order_lines", t =>
            {
                t.HasCheckConstraint("ck_order_lines_amount", "amount > 0");
                t.HasCheckConstraint("ck_order_lines_depth", "depth > 0 AND depth <= 1");
                t.HasCheckConstraint("ck_order_lines_coats", "coats > 0");
            });
            line.HasKey(l => new { l.OrderId, l.Id });
            line.HasOne<Kitchen>().WithMany().HasForeignKey(l => l.KitchenId);
            line.HasQueryFilter(l => l.KitchenId == KitchenId);
            foreach (var code in (string[])[nameof(OrderLine.Centre), nameof(OrderLine.Size), nameof(OrderLine.Coating), nameof(OrderLine.Colour)])
                line.Property(code).HasMaxLength(60);
            line.Property(l => l.Look).HasMaxLength(60);
            line.Property(l => l.Decor).HasColumnType("jsonb").HasConversion(
                decor => JsonSerializer.Serialize(decor, KitchenItem.Json),
                body => JsonSerializer.Deserialize<Decor>(body, KitchenItem.Json),
                new ValueComparer<Decor?>((a, b) => JsonSerializer.Serialize(a, KitchenItem.Json) == JsonSerializer.Serialize(b, KitchenItem.Json), d => d == null ? 0 : d.Patterns.Count, d => d));
            line.Property(l => l.CountedIn).HasConversion<string>().HasMaxLength(10);
        });
        modelBuilder.Entity<OrderPot>(pot =>
        {
            pot.ToTable("order_pots");
            pot.HasKey(p => new { p.OrderId, p.Pot });
            pot.HasOne<Kitchen>().WithMany().HasForeignKey(p => p.KitchenId);
            pot.HasQueryFilter(p => p.KitchenId == KitchenId);
            pot.Property(p => p.Pot).HasMaxLength(121);
            pot.Property(p => p.Vessel).HasMaxLength(60);
            pot.Property(p => p.Thinner).HasMaxLength(60);
        });
        modelBuilder.Entity<KitchenItem>(item =>
        {
            item.HasKey(i => new { i.KitchenId, i.Kind, i.Code });
            item.HasOne<Kitchen>().WithMany().HasForeignKey(i => i.KitchenId);
            item.HasQueryFilter(i => i.KitchenId == KitchenId);
            item.Property(i => i.Kind).HasConversion<string>().HasMaxLength(10);
            item.Property(i => i.Code).HasMaxLength(60);
            item.Property(i => i.Body).HasColumnType("jsonb");
        });
    }
}
