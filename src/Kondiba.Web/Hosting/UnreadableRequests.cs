using System.Text.Json;
using Kondiba.Core.Wording;

namespace Kondiba.Web.Hosting;

/// <summary>
/// Requests that cannot be answered as they are: a body that is not what the API document describes is 400 with the place in it, what
/// the database refuses because somebody else was first is 409, and while it does not answer at all 503; none is a server error.
/// </summary>
internal static class UnreadableRequests
{
    public static ExceptionHandlerOptions Handler => new()
    {
        StatusCodeSelector = StatusOf,

        // What is not the server's fault is answered, not logged with its whole stack.
        SuppressDiagnosticsCallback = context => StatusOf(context.Exception) != StatusCodes.Status500InternalServerError,
    };

    public static void AddUnreadableRequests(this IServiceCollection services)
    {
        services.Configure<RouteHandlerOptions>(options => options.ThrowOnBadRequest = true);
        services.AddProblemDetails(options => options.CustomizeProblemDetails = context =>
        {
            if (Says(context.Exception) is not ({ } what, { } remedy))
                return;
            (context.ProblemDetails.Title, context.ProblemDetails.Detail) =
                (Catalogue.Say(what, Voice.Plain), Catalogue.Say(remedy, Voice.Plain));
            if (context.ProblemDetails.Status is StatusCodes.Status503ServiceUnavailable)
                context.HttpContext.Response.Headers.RetryAfter = DatabaseAway.RetryAfter;
        });
    }

    /// <summary>What happened and what to do; null for an error that nobody can do anything about.</summary>
    private static (Message What, Message Remedy)? Says(Exception? error)
    {
        if (error is BadHttpRequestException { InnerException: JsonException { Path: { Length: > 2 } at } })
            return ("refused.cannot-read", Message.Of("refused.look-at", ("place", at[2..])));
        if (error is BadHttpRequestException)
            return ("refused.cannot-read", "refused.send-json");
        if (WriteConflict.Of(error) is { } conflict)
            return (conflict.What, conflict.Remedy);
        return DatabaseAway.Is(error) ? ("refused.database-away", "refused.try-in-a-moment") : null;
    }

    private static int StatusOf(Exception error)
    {
        if (error is BadHttpRequestException bad)
            return bad.StatusCode;
        if (WriteConflict.Of(error) is not null)
            return StatusCodes.Status409Conflict;
        return DatabaseAway.Is(error) ? StatusCodes.Status503ServiceUnavailable : StatusCodes.Status500InternalServerError;
    }
}
