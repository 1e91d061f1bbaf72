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
            if (WriteConflict.Of(context.Exception) is { } conflict)
                (context.ProblemDetails.Title, context.ProblemDetails.Detail) = (Say(conflict.What), Say(conflict.Remedy));
            if (DatabaseAway.Is(context.Exception))
            {
                (context.ProblemDetails.Title, context.ProblemDetails.Detail) = (Say("refused.database-away"), Say("refused.try-in-a-moment"));
                context.HttpContext.Response.Headers.RetryAfter = DatabaseAway.RetryAfter;
            }

            if (context.Exception is not BadHttpRequestException bad)
                return;
            var at = (bad.InnerException as JsonException)?.Path;
            context.ProblemDetails.Title = Say("refused.cannot-read");
            context.ProblemDetails.Detail = Say(at is null or "$" ? "refused.send-json" : Message.Of("refused.look-at", ("place", at[2..])));
        });
    }

    private static int StatusOf(Exception error)
    {
        if (error is BadHttpRequestException bad)
            return bad.StatusCode;
        if (WriteConflict.Of(error) is not null)
            return StatusCodes.Status409Conflict;
        return DatabaseAway.Is(error) ? StatusCodes.Status503ServiceUnavailable : StatusCodes.Status500InternalServerError;
    }

    private static string Say(Message message) => Catalogue.Say(message, Voice.Plain);
}
