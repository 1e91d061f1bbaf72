using System.Text.Json;
using Kondiba.Core.Wording;
using Kondiba.Data;
using Kondiba.Web.Sessions;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Http.Json;
using Microsoft.Extensions.Options;

namespace Kondiba.Web.Hosting;

/// <summary>Who reads an answer.</summary>
/// <param name="Voice">How they are spoken to.</param>
/// <param name="SeesMoney">Whether they see prices: a helper does not.</param>
internal sealed record Reader(Voice Voice, bool SeesMoney)
{
    /// <summary>Whoever sent a request. Nobody in particular sees what was shared with them, prices too.</summary>
    public static async Task<Reader> OfAsync(HttpContext context)
    {
        if (!context.User.HasClaim(c => c.Type == Sessions.Sessions.KitchenClaim))
            return new(Voice.Plain, SeesMoney: true);
        return new(await context.RequestServices.GetRequiredService<KitchenThings>().VoiceAsync(), context.User.IsOwner());
    }
}

/// <summary>
/// Answers are written for whoever reads them: messages as sentences in their language and units, money only to those who see it.
/// </summary>
internal sealed class Answers(IOptions<JsonOptions> json)
{
    // Two languages, two kinds of units, two that see money or not.
    private readonly Dictionary<Reader, JsonSerializerOptions> all =
        (from language in Enum.GetValues<Language>()
         from customary in (bool[])[false, true]
         from money in (bool[])[false, true]
         select new Reader(new(language, customary), money)).ToDictionary(r => r, r => For(json.Value.SerializerOptions, r));

    /// <summary>How values are written for a reader.</summary>
    public JsonSerializerOptions For(Reader reader) => all[reader];

    /// <summary>Has every answer of an endpoint written for its reader.</summary>
    public static async ValueTask<object?> Filter(EndpointFilterInvocationContext context, EndpointFilterDelegate next)
    {
        var answer = await next(context);
        var inner = answer is INestedHttpResult nested ? nested.Result : answer;
        if (inner is not IValueHttpResult { Value: { } value } || inner is ProblemHttpResult or ValidationProblem)
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
