using System.Text.Json;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Caching.Memory;
using Microsoft.Extensions.Options;

namespace Kondiba.Web.Hosting;

/// <summary>How an answer is written, for the page to write the rest in the same way.</summary>
/// <param name="Language">The English.</param>
/// <param name="Units">Whose units: their own, or the kitchen's.</param>
/// <param name="Locale">How numbers, dates and times are written, such as "de-DE".</param>
/// <param name="Currency">What the kitchen is paid in, such as "EUR".</param>
public sealed record ReaderView(Language Language, Units Units, string Locale, string Currency)
{
    internal static ReaderView Of(Voice voice) =>
        new(voice.Language, voice.Customary ? Units.Us : Units.Metric, voice.Locale.Code, voice.Currency.Code);
}

/// <summary>Who reads an answer.</summary>
/// <param name="Voice">How they are spoken to.</param>
/// <param name="SeesMoney">Whether they see prices: a helper does not.</param>
internal sealed record Reader(Voice Voice, bool SeesMoney)
{
    /// <summary>
    /// Whoever sent a request. Nobody in particular reads what was shared with them, prices too, as its kitchen writes it.
    /// </summary>
    public static async Task<Reader> OfAsync(HttpContext context)
    {
        var inside = context.User.HasClaim(c => c.Type == Sessions.Sessions.KitchenClaim);
        return new(await VoiceAsync(context), !inside || context.User.IsOwner());
    }

    /// <summary>How whoever sent a request is spoken to: as in the kitchen that is open, in their own units.</summary>
    public static async Task<Voice> VoiceAsync(HttpContext context)
    {
        if (context.RequestServices.GetRequiredService<KitchenScope>().KitchenId == Guid.Empty)
            return Voice.Plain;
        var kitchen = await context.RequestServices.GetRequiredService<KitchenThings>().VoiceAsync();
        return Sessions.Sessions.UnitsOf(context.User) is { } units
            ? new(kitchen.Language, units is Units.Us, kitchen.Locale, kitchen.Currency)
            : kitchen;
    }
}

/// <summary>
/// Answers are written for whoever reads them: messages as sentences in their language and units, money only to those who see it.
/// </summary>
internal sealed class Answers(IOptions<JsonOptions> json) : IDisposable
{
    // Each remembers what it knows of every type; there are far more kinds of readers than write at any time.
    private readonly MemoryCache known = new(new MemoryCacheOptions { SizeLimit = 60 });

    public void Dispose() => known.Dispose();

    /// <summary>How values are written for a reader.</summary>
    public JsonSerializerOptions For(Reader reader) => known.GetOrCreate(reader, entry =>
    {
        entry.Size = 1;
        return For(json.Value.SerializerOptions, reader);
    })!;

    /// <summary>Has every answer of an endpoint written for its reader.</summary>
    public static async ValueTask<object?> Filter(EndpointFilterInvocationContext context, EndpointFilterDelegate next)
    {
        var answer = await next(context);
        var inner = answer is INestedHttpResult nested ? nested.Result : answer;
        if (inner is not IValueHttpResult { Value: { } value })
            return answer;
        var http = context.HttpContext;
        var options = http.RequestServices.GetRequiredService<Answers>().For(await Reader.OfAsync(http));
        if (inner.GetType() is { IsGenericType: true } type && type.GetGenericTypeDefinition() == typeof(Created<>))
            http.Response.Headers.Location = (string?)type.GetProperty(nameof(Created<>.Location))!.GetValue(inner);
        return Results.Json(value, options, statusCode: (inner as IStatusCodeHttpResult)?.StatusCode);
    }

    private static JsonSerializerOptions For(JsonSerializerOptions plain, Reader reader)
    {
        var options = new JsonSerializerOptions(plain);
        options.Converters.Insert(0, new MessageAsSentence(reader.Voice));
        options.Converters.Insert(0, new MoneyAsNumber(reader.SeesMoney));
        options.MakeReadOnly(populateMissingResolver: true);
        return options;
    }
}
