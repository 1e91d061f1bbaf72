using System.IO.Compression;
using System.Reflection;
using Kondiba.Data;
using Kondiba.Planning;
using Kondiba.Web.Amounts;
using Kondiba.Web.Bench;
using Kondiba.Web.Changes;
using Kondiba.Web.Colour;
using Kondiba.Web.Customers;
using Kondiba.Web.Deleted;
using Kondiba.Web.Entries;
using Kondiba.Web.Formats;
using Kondiba.Web.Handbook;
using Kondiba.Web.Hosting;
using Kondiba.Web.Kitchens;
using Kondiba.Web.Leftovers;
using Kondiba.Web.Logbook;
using Kondiba.Web.Looks;
using Kondiba.Web.Melting;
using Kondiba.Web.Orders;
using Kondiba.Web.Packing;
using Kondiba.Web.Pantry;
using Kondiba.Web.Paper;
using Kondiba.Web.Photos;
using Kondiba.Web.Planning;
using Kondiba.Web.Practice;
using Kondiba.Web.Prep;
using Kondiba.Web.Prices;
using Kondiba.Web.Reference;
using Kondiba.Web.Sessions;
using Kondiba.Web.Setting;
using Kondiba.Web.Troubles;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.ResponseCompression;
using Npgsql;
using Serilog;

var builder = WebApplication.CreateBuilder(args);
builder.Host.UseSerilog((context, log) => log.ReadFrom.Configuration(context.Configuration).WriteTo.Console(formatProvider: null));

var settings = builder.Configuration.GetSection("Kondiba").Get<KondibaSettings>() ?? new();
builder.Services.AddSingleton(settings);
builder.Services.AddKitchens(settings.PooledDatabase);
builder.Services.AddSingleton<KnownDays>();
builder.Services.AddScoped<OrderService>();
builder.Services.AddScoped<PantryService>();
builder.Services.AddScoped<SharedQuotes>();
builder.Services.AddScoped<KitchenService>();
builder.Services.AddScoped<LogbookService>();
builder.Services.AddScoped<BatchDrafts>();
builder.Services.AddScoped<LabelService>();
builder.Services.AddScoped<PriceList>();
builder.Services.AddScoped<KitchenFormat>();
builder.Services.AddScoped<OrdersImport>();
builder.Services.AddScoped<PantryImport>();
builder.Services.AddScoped<LogbookImport>();
builder.Services.AddUnreadableRequests();
builder.Services.AddSingleton(new Startup());
builder.Services.AddSingleton<ChangeNotices>();
builder.Services.AddHostedService(services => services.GetRequiredService<ChangeNotices>());
builder.Services.AddScoped<DayBook>();
builder.Services.AddSingleton<KnownPots>();
builder.Services.AddScoped<PlannedPots>();
builder.Services.AddPlanQueue(settings.Database);
if (settings.StateFolder.Length > 0)
    builder.Services.AddDataProtection()
        .SetApplicationName("Kondiba")
        .PersistKeysToFileSystem(new(Path.Combine(settings.StateFolder, "keys")));
builder.Services.ConfigureHttpJsonOptions(json => KondibaJson.Configure(json.SerializerOptions));
builder.Services.AddResponseCompression(
    compression => compression.MimeTypes = [.. ResponseCompressionDefaults.MimeTypes, "image/svg+xml", "application/manifest+json"]);
builder.Services.Configure<BrotliCompressionProviderOptions>(brotli => brotli.Level = CompressionLevel.Optimal);
builder.Services.AddSingleton<Answers>();
builder.Services.AddOpenApi(QuantitySchemas.Configure);
builder.Services.AddSignIn();

var app = builder.Build();
app.UseExceptionHandler(UnreadableRequests.Handler);
app.UseStatusCodePages();
app.UseGuards();
app.UseBorder();
app.UseCompression();
app.UseClientFiles();
app.UseAuthentication();
app.UseRateLimiter();
app.UseAuthorization();
app.UseKitchenScope();
app.UseForm();

app.MapOpenApi().AllowAnonymous();
app.MapSessions();
var api = app.MapGroup("/api");
api.AddEndpointFilter(Answers.Filter);
api.MapReference();
api.MapKitchen();
api.MapAmounts();
api.MapPrep();
api.MapSetting();
api.MapMelting();
api.MapDay();
api.MapDevices();
api.MapReadings();
api.MapPots();
api.MapPractice();
api.MapLogbook();
api.MapTroubles();
api.MapHandbook();
api.MapCalendar();
api.MapFillings();
api.MapColour();
api.MapLooks();
api.MapShelf();
api.MapOrders();
api.MapPhotos();
api.MapCustomers();
api.MapEntry();
api.MapPantry();
api.MapShopping();
api.MapPacking();
api.MapPaper();
api.MapLeftovers();
api.MapPrices();
api.MapQuotes();
api.MapPeople();
api.MapSample();
api.MapFormats();
api.MapChanges();
api.MapDeleted();
app.Map("/api/{**rest}", () => new Declined(StatusCodes.Status404NotFound, "refused.not-found")).ExcludeFromDescription();
app.MapClientPage();

// The build runs this program once to write the OpenAPI document; there is no database then.
if (Assembly.GetEntryAssembly()?.GetName().Name != "GetDocument.Insider")
{
    try
    {
        await Startup.PrepareAsync(app.Services);
    }
    catch (Exception e) when (e is NpgsqlException or ArgumentException or NotSupportedException)
    {
        await Console.Error.WriteLineAsync($"kondiba: the database cannot be used: {e.Message}");
        return 1;
    }
}

await app.RunAsync();
return 0;
