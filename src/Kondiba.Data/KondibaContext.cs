using System.Runtime.CompilerServices;
using System.Text.Json;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Identity.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.ChangeTracking;
using Microsoft.EntityFrameworkCore.Metadata.Builders;

namespace Kondiba.Data;

/// <summary>The kitchen that the present request works for; empty before sign-in, which reaches no row.</summary>
public sealed class KitchenScope
{
    public Guid KitchenId { get; set; }

    /// <summary>
    /// When nobody waits for the answer any more: what is only being read for it stops then. What is told is written all the same, as who
    /// told it may have closed the page a moment later.
    /// </summary>
    public CancellationToken Gone { get; set; }
}

/// <summary>The database. Every query sees only the rows of the scope's kitchen.</summary>
public sealed class KondibaContext(
    DbContextOptions<KondibaContext> options, KitchenScope scope) : IdentityUserContext<Person, Guid>(options)
{
    public DbSet<Kitchen> Kitchens => Set<Kitchen>();

    public DbSet<Order> Orders => Set<Order>();

    /// <summary>Orders with their lines and pots, to be read.</summary>
    public IQueryable<Order> WholeOrders => Orders.AsNoTracking().Include(o => o.Lines).Include(o => o.Pots).AsSplitQuery();

    public DbSet<KitchenItem> KitchenItems => Set<KitchenItem>();

    public DbSet<DeletedItem> DeletedItems => Set<DeletedItem>();

    public DbSet<PantryLot> PantryLots => Set<PantryLot>();

    public DbSet<LotMovement> LotMovements => Set<LotMovement>();

    public DbSet<EndedSignIn> EndedSignIns => Set<EndedSignIn>();

    public DbSet<QuoteShare> QuoteShares => Set<QuoteShare>();

    public DbSet<IngredientPage> IngredientPages => Set<IngredientPage>();

    public DbSet<DayPlan> DayPlans => Set<DayPlan>();

    public DbSet<TaskEvent> TaskEvents => Set<TaskEvent>();

    public DbSet<PlanSearch> PlanSearches => Set<PlanSearch>();

    public DbSet<CalendarFeed> CalendarFeeds => Set<CalendarFeed>();

    public DbSet<Device> Devices => Set<Device>();

    public DbSet<Reading> Readings => Set<Reading>();

    public DbSet<PracticeBest> PracticeBests => Set<PracticeBest>();

    public DbSet<KitchenBatch> Batches => Set<KitchenBatch>();

    public DbSet<Photo> Photos => Set<Photo>();

    public DbSet<Invitation> Invitations => Set<Invitation>();

    public Guid KitchenId => scope.KitchenId;

    /// <inheritdoc cref="KitchenScope.Gone"/>
    public CancellationToken Gone => scope.Gone;

    /// <summary>Removes everything of the kitchen but itself and its people.</summary>
    public async Task ClearAsync()
    {
        await Photos.ExecuteDeleteAsync();
        await Batches.ExecuteDeleteAsync();
        await Readings.ExecuteDeleteAsync();
        await Devices.ExecuteDeleteAsync();
        await PracticeBests.ExecuteDeleteAsync();
        await PlanSearches.ExecuteDeleteAsync();
        await TaskEvents.ExecuteDeleteAsync();
        await DayPlans.ExecuteDeleteAsync();
        await QuoteShares.ExecuteDeleteAsync();
        await IngredientPages.ExecuteDeleteAsync();
        await LotMovements.ExecuteDeleteAsync();
        await PantryLots.ExecuteDeleteAsync();
        await Set<OrderLine>().ExecuteDeleteAsync();
        await Set<OrderPot>().ExecuteDeleteAsync();
        await Orders.ExecuteDeleteAsync();
        await KitchenItems.ExecuteDeleteAsync();
        await DeletedItems.ExecuteDeleteAsync();
    }

    /// <summary>Options for a PostgreSQL server.</summary>
    public static DbContextOptionsBuilder Use(DbContextOptionsBuilder builder, string connection) =>
        builder.UseNpgsql(connection, npgsql => npgsql.UseNodaTime()).UseSnakeCaseNamingConvention();

    protected override void OnModelCreating(ModelBuilder builder)
    {
        base.OnModelCreating(builder);
        People(builder);
        Pantry(builder);
        Plans(builder);
        BenchOf(builder);
        LogbookOf(builder);
        LabelsOf(builder);
        builder.Entity<Kitchen>(kitchen =>
        {
            kitchen.Property(k => k.Name).HasMaxLength(80);
            kitchen.Property(k => k.Units).HasConversion<string>().HasMaxLength(10);
            kitchen.Property(k => k.Language).HasConversion<string>().HasMaxLength(10);
            kitchen.Property(k => k.Locale).HasMaxLength(10);
            kitchen.Property(k => k.Currency).HasMaxLength(3);
            kitchen.HasIndex(k => k.IsSample).IsUnique().HasFilter("is_sample");
            kitchen.HasQueryFilter(k => k.Id == KitchenId);
        });
        OrdersOf(builder);
        builder.Entity<KitchenItem>(item =>
        {
            item.HasKey(i => new { i.KitchenId, i.Kind, i.Code });
            item.HasOne<Kitchen>().WithMany().HasForeignKey(i => i.KitchenId);
            item.HasQueryFilter(i => i.KitchenId == KitchenId);
            item.Property(i => i.Kind).HasConversion<string>().HasMaxLength(10);
            item.Property(i => i.Code).HasMaxLength(60);
            item.Property(i => i.Body).HasColumnType("jsonb");
        });
        builder.Entity<DeletedItem>(item =>
        {
            item.HasOne<Kitchen>().WithMany().HasForeignKey(i => i.KitchenId);
            item.HasQueryFilter(i => i.KitchenId == KitchenId);
            item.HasIndex(i => new { i.KitchenId, i.DeletedAt });
            item.Property(i => i.Kind).HasConversion<string>().HasMaxLength(10);
            item.Property(i => i.Code).HasMaxLength(60);
            item.Property(i => i.Body).HasColumnType("jsonb");
            item.Property(i => i.DeletedAt).HasDefaultValueSql("now()");
        });
    }

    private void OrdersOf(ModelBuilder builder)
    {
        builder.Entity<Order>(order =>
        {
            order.Property(o => o.Name).HasMaxLength(80);
            order.Property(o => o.Notes).HasMaxLength(2000);
            order.Property(o => o.Version).IsRowVersion();
            order.HasOne<Kitchen>().WithMany().HasForeignKey(o => o.KitchenId);
            order.HasMany(o => o.Lines).WithOne().HasForeignKey(l => l.OrderId);
            order.HasMany(o => o.Pots).WithOne().HasForeignKey(p => p.OrderId);
            order.Property(o => o.Client).HasMaxLength(80);
            order.Property(o => o.Contact).HasMaxLength(120);
            order.Property(o => o.Place).HasMaxLength(200);
            order.Property(o => o.Handover).HasConversion<string>().HasMaxLength(10);
            order.Property(o => o.State).HasConversion<string>().HasMaxLength(10);
            Json(order.Property(o => o.Packing));
            Json(order.Property(o => o.Boxes));
            Json(order.Property(o => o.Price));
            Json(order.Property(o => o.Payments));
            Json(order.Property(o => o.Schools));
            order.HasGeneratedTsVectorColumn(o => o.Search, "simple", o => new { o.Name, o.Client, o.Contact, o.Place, o.Notes, o.Words });
            order.HasIndex(o => o.Search).HasMethod("gin");
            order.HasIndex(o => new { o.KitchenId, o.Pickup }).HasFilter("removed_at IS NULL AND NOT is_template");
            order.HasIndex(o => new { o.KitchenId, o.State, o.Pickup }).HasFilter("removed_at IS NULL AND NOT is_template");
            order.HasIndex(o => new { o.KitchenId, o.Number }).IsUnique();
            order.HasIndex(o => new { o.KitchenId, o.CreationKey }).IsUnique();
            order.HasQueryFilter(o => o.KitchenId == KitchenId);
        });
        LinesOf(builder);
    }

    private void LinesOf(ModelBuilder builder)
    {
        builder.Entity<OrderLine>(line =>
        {
            line.ToTable("order_lines", t =>
            {
                t.HasCheckConstraint("ck_order_lines_amount", "amount > 0");
                t.HasCheckConstraint("ck_order_lines_depth", "depth >= 0 AND depth <= 1");
                t.HasCheckConstraint("ck_order_lines_coats", "coats > 0");
            });
            line.HasKey(l => new { l.OrderId, l.Id });
            line.HasOne<Kitchen>().WithMany().HasForeignKey(l => l.KitchenId);
            line.HasQueryFilter(l => l.KitchenId == KitchenId);
            foreach (var code in (string[])[
                nameof(OrderLine.Centre),
                nameof(OrderLine.Size),
                nameof(OrderLine.Coating),
                nameof(OrderLine.Colour),
            ])
                line.Property(code).HasMaxLength(60);
            line.Property(l => l.Look).HasMaxLength(60);
            Json(line.Property(l => l.Decor));
            Json(line.Property(l => l.Making));
            line.Property(l => l.CountedIn).HasConversion<string>().HasMaxLength(10);
        });
        builder.Entity<OrderPot>(pot =>
        {
            pot.ToTable("order_pots");
            pot.HasKey(p => new { p.OrderId, p.Pot });
            pot.HasOne<Kitchen>().WithMany().HasForeignKey(p => p.KitchenId);
            pot.HasQueryFilter(p => p.KitchenId == KitchenId);
            pot.Property(p => p.Pot).HasMaxLength(121);
            pot.Property(p => p.Vessel).HasMaxLength(60);
            pot.Property(p => p.Thinner).HasMaxLength(60);
        });
    }

    private void People(ModelBuilder builder)
    {
        builder.Entity<Person>(person =>
        {
            person.ToTable("people");
            person.HasOne<Kitchen>().WithMany().HasForeignKey(p => p.KitchenId);
            person.HasQueryFilter(p => p.KitchenId == KitchenId);
            person.Property(p => p.Role).HasConversion<string>().HasMaxLength(10);
        });
        foreach (var (type, table) in new[] { (typeof(IdentityUserClaim<Guid>), "person_claims"),
            (typeof(IdentityUserLogin<Guid>), "person_logins"), (typeof(IdentityUserToken<Guid>), "person_tokens") })
            builder.Entity(type).ToTable(table);
        builder.Entity<Invitation>(invitation =>
        {
            invitation.HasOne<Kitchen>().WithMany().HasForeignKey(i => i.KitchenId);
            invitation.HasQueryFilter(i => i.KitchenId == KitchenId);
            invitation.Property(i => i.TokenHash).HasMaxLength(64);
            invitation.HasIndex(i => i.TokenHash).IsUnique();
        });
        builder.Entity<QuoteShare>(share =>
        {
            share.HasOne<Order>().WithMany().HasForeignKey(s => s.OrderId);
            share.HasOne<Kitchen>().WithMany().HasForeignKey(s => s.KitchenId);
            share.HasQueryFilter(s => s.KitchenId == KitchenId);
            share.Property(s => s.TokenHash).HasMaxLength(64);
            share.Property(s => s.Body).HasColumnType("jsonb");
            share.HasIndex(s => s.TokenHash).IsUnique();
        });
    }

    private void LabelsOf(ModelBuilder builder) => builder.Entity<IngredientPage>(page =>
    {
        page.ToTable("ingredient_pages");
        page.HasOne<Order>().WithMany().HasForeignKey(p => p.OrderId);
        page.HasOne<Kitchen>().WithMany().HasForeignKey(p => p.KitchenId);
        page.HasQueryFilter(p => p.KitchenId == KitchenId);
        page.Property(p => p.Lot).HasMaxLength(40);
        page.Property(p => p.Body).HasColumnType("jsonb");
        page.HasIndex(p => new { p.OrderId, p.Lot }).IsUnique();
    });

    private void Plans(ModelBuilder builder)
    {
        builder.Entity<DayPlan>(plan =>
        {
            plan.ToTable("day_plans");
            plan.HasKey(p => p.KitchenId);
            plan.HasOne<Kitchen>().WithOne().HasForeignKey<DayPlan>(p => p.KitchenId);
            plan.HasQueryFilter(p => p.KitchenId == KitchenId);
            Json(plan.Property(p => p.Arranged));
            plan.Property(p => p.Version).IsConcurrencyToken();
        });
        builder.Entity<TaskEvent>(told =>
        {
            told.ToTable("task_events");
            told.HasKey(e => new { e.KitchenId, e.Id });
            told.HasOne<Kitchen>().WithMany().HasForeignKey(e => e.KitchenId);
            told.HasQueryFilter(e => e.KitchenId == KitchenId);
            told.Property(e => e.Task).HasMaxLength(200);
            told.Property(e => e.Order).HasMaxLength(200);
            told.Property(e => e.Act).HasConversion<string>().HasMaxLength(10);
            told.HasIndex(e => new { e.KitchenId, e.Order, e.Task, e.Version, e.Turn });
        });
        builder.Entity<PlanSearch>(search =>
        {
            search.ToTable("plan_searches");
            search.HasKey(s => s.KitchenId);
            search.HasOne<Kitchen>().WithOne().HasForeignKey<PlanSearch>(s => s.KitchenId);
            search.HasQueryFilter(s => s.KitchenId == KitchenId);
            search.Property(s => s.State).HasConversion<string>().HasMaxLength(10);
            search.Property(s => s.Asked).IsConcurrencyToken();
            search.Ignore(s => s.Plan);
            search.Ignore(s => s.Shown);
            Found(search.Property(s => s.Found));
            Found(search.Property(s => s.Late));
            Found(search.Property(s => s.Remedies));
        });
        builder.Entity<CalendarFeed>(feed =>
        {
            feed.ToTable("calendar_feeds");
            feed.HasOne<Kitchen>().WithMany().HasForeignKey(f => f.KitchenId);
            feed.HasQueryFilter(f => f.KitchenId == KitchenId);
            feed.Property(f => f.TokenHash).HasMaxLength(64);
            feed.HasIndex(f => f.TokenHash).IsUnique();
        });
    }

    private void BenchOf(ModelBuilder builder)
    {
        builder.Entity<Device>(device =>
        {
            device.ToTable("devices");
            device.HasOne<Kitchen>().WithMany().HasForeignKey(d => d.KitchenId);
            device.HasQueryFilter(d => d.KitchenId == KitchenId);
            device.Property(d => d.Kind).HasConversion<string>().HasMaxLength(10);
            device.Property(d => d.Name).HasMaxLength(60);
            device.Property(d => d.TokenHash).HasMaxLength(64);
            device.Property(d => d.Pot).HasMaxLength(200);
            device.Property(d => d.ApartWhy).HasMaxLength(10);
            device.HasIndex(d => d.TokenHash).IsUnique();
        });
        builder.Entity<Reading>(reading =>
        {
            reading.ToTable("readings");
            reading.HasKey(r => new { r.DeviceId, r.At });
            reading.HasOne<Device>().WithMany().HasForeignKey(r => r.DeviceId);
            reading.HasQueryFilter(r => r.KitchenId == KitchenId);
            reading.Property(r => r.Pot).HasMaxLength(200);
            reading.HasIndex(r => new { r.KitchenId, r.Pot, r.At });
        });
        builder.Entity<PracticeBest>(best =>
        {
            best.ToTable("practice_bests");
            best.HasKey(b => new { b.KitchenId, b.PersonId, b.Exercise });
            best.HasOne<Kitchen>().WithMany().HasForeignKey(b => b.KitchenId);
            best.HasQueryFilter(b => b.KitchenId == KitchenId);
            best.Property(b => b.Exercise).HasMaxLength(60);
        });
    }

    private void LogbookOf(ModelBuilder builder)
    {
        builder.Entity<KitchenBatch>(batch =>
        {
            batch.ToTable("batches");
            batch.HasKey(b => new { b.KitchenId, b.Id });
            batch.HasOne<Kitchen>().WithMany().HasForeignKey(b => b.KitchenId);
            batch.HasQueryFilter(b => b.KitchenId == KitchenId);
            batch.Property(b => b.Version).IsRowVersion();
            batch.Ignore(b => b.Logged);
            Json(batch.Property(b => b.Batch));
            Json(batch.Property(b => b.Expected));
            batch.HasIndex(b => new { b.KitchenId, b.MadeOn });
        });
        builder.Entity<Photo>(photo =>
        {
            photo.HasKey(p => new { p.KitchenId, p.Id });
            photo.Property(p => p.Subject).HasConversion<string>().HasMaxLength(10);
            photo.Property(p => p.Of).HasMaxLength(80);
            photo.HasOne<Kitchen>().WithMany().HasForeignKey(p => p.KitchenId);
            photo.HasIndex(p => new { p.KitchenId, p.Subject, p.Of });
            photo.HasQueryFilter(p => p.KitchenId == KitchenId);
        });
    }

    private void Pantry(ModelBuilder builder)
    {
        builder.Entity<PantryLot>(lot =>
        {
            lot.ToTable("pantry_lots", t => t.HasCheckConstraint("ck_pantry_lots_amount", "amount >= 0"));
            lot.HasOne<Kitchen>().WithMany().HasForeignKey(l => l.KitchenId);
            lot.HasMany(l => l.Movements).WithOne().HasForeignKey(m => m.LotId);
            lot.HasQueryFilter(l => l.KitchenId == KitchenId);
            lot.Property(l => l.Ware).HasMaxLength(140);
            lot.Property(l => l.Place).HasMaxLength(60);
            lot.Property(l => l.Version).IsRowVersion();
            lot.HasIndex(l => new { l.KitchenId, l.Ware });
        });
        builder.Entity<LotMovement>(movement =>
        {
            movement.HasOne<Kitchen>().WithMany().HasForeignKey(m => m.KitchenId);
            movement.HasOne<Order>().WithMany().HasForeignKey(m => m.OrderId);
            movement.HasQueryFilter(m => m.KitchenId == KitchenId);
            movement.Property(m => m.Kind).HasConversion<string>().HasMaxLength(10);
            movement.Property(m => m.Note).HasMaxLength(200);
            movement.HasIndex(m => new { m.KitchenId, m.OrderId });
        });
    }

    /// <summary>What the planner found is large, and never changed but replaced: it is another when it is another object.</summary>
    private static void Found<T>(PropertyBuilder<T> property) => Json(
        property, new ValueComparer<T>((a, b) => ReferenceEquals(a, b), v => RuntimeHelpers.GetHashCode(v), v => v));

    private static void Json<T>(PropertyBuilder<T> property) => Json(
        property,
        new ValueComparer<T>(
            (a, b) => JsonSerializer.Serialize(a, KitchenItem.Json) == JsonSerializer.Serialize(b, KitchenItem.Json),
            v => JsonSerializer.Serialize(v, KitchenItem.Json).GetHashCode(StringComparison.Ordinal),
            v => JsonSerializer.Deserialize<T>(JsonSerializer.Serialize(v, KitchenItem.Json), KitchenItem.Json)!));

    private static void Json<T>(PropertyBuilder<T> property, ValueComparer<T> comparer) => property.HasColumnType("jsonb").HasConversion(
        value => JsonSerializer.Serialize(value, KitchenItem.Json),
        body => JsonSerializer.Deserialize<T>(body, KitchenItem.Json)!,
        comparer);
}
