using System.Text;
using System.Text.Json;
using Kondiba.Core.Wording;

namespace Kondiba.Web.Hosting;

/// <summary>
/// Turns away what no handler should see, so that none has to think of it: letters that no database keeps, numbers beyond any
/// kitchen, gaps in lists, a body in letters that nobody reads.
/// </summary>
internal static class Border
{
    private const int LargestBody = 16 * 1024 * 1024;
    private const double LargestNumber = 1e12;
    private const string CannotRead = "refused.cannot-read";

    // What is computed while it is typed has each gap and each absurd number told at its field, and the rest computed all the same.
    private static readonly string[] Kept =
    [
        "/api/kitchen",
        "/api/day",
        "/api/pantry",
        "/api/shopping",
        "/api/people",
        "/api/devices",
        "/api/readings",
        "/api/practice",
        "/api/logbook",
        "/api/troubles",
    ];

    public static void UseBorder(this WebApplication app) => app.Use(async (context, next) =>
    {
        var request = context.Request;
        if (HasNoLetter(Uri.UnescapeDataString(request.QueryString.Value ?? "")) || HasNoLetter(request.Path.Value ?? ""))
        {
            await Unreadable("refused.address-letter").ExecuteAsync(context);
            return;
        }

        if (request.Path.StartsWithSegments("/api") && request.HasJsonContentType())
        {
            if (await ReadAsync(request) is { } problem)
            {
                await problem.ExecuteAsync(context);
                return;
            }
        }

        await next(context);
    });

    /// <summary>Reads a body once over and leaves it to be read again; what is wrong with it, or null.</summary>
    private static async Task<IResult?> ReadAsync(HttpRequest request)
    {
        if (request.GetTypedHeaders().ContentType is { Charset.Length: > 0 } type && type.Encoding is not UTF8Encoding)
            return Unreadable("refused.utf8", StatusCodes.Status415UnsupportedMediaType);
        if (await LimitedBody.ReadAsync(request, LargestBody) is not { } bytes)
            return Unreadable(Message.Of("refused.too-much", ("most", LargestBody / 1024 / 1024)), StatusCodes.Status413PayloadTooLarge);
        request.Body = new MemoryStream(bytes);
        return Wrong(bytes, Array.Exists(Kept, path => request.Path.StartsWithSegments(path))) is ({ } field, { } wrong)
            ? Refused.Because(field, wrong, CannotRead)
            : null;
    }

    /// <summary>
    /// What no handler should see in a body, by its place; null for nothing, and for what is no JSON: its reader says that better.
    /// </summary>
    /// <param name="body">The body.</param>
    /// <param name="kept">Whether it is kept as it is, so that it must have neither gaps nor absurd numbers.</param>
    private static (string Field, Message Wrong)? Wrong(byte[] body, bool kept)
    {
        var reader = new Utf8JsonReader(body);
        var path = new Stack<Place>();
        try
        {
            while (reader.Read())
            {
                var inList = path.Count > 0 && path.Peek().IsList;
                if (inList && reader.TokenType is not (JsonTokenType.EndArray or JsonTokenType.EndObject))
                    path.Push(path.Pop().Next());
                switch (reader.TokenType)
                {
                    case JsonTokenType.StartObject:
                        path.Push(new("", null));
                        break;
                    case JsonTokenType.StartArray:
                        path.Push(new("", -1));
                        break;
                    case JsonTokenType.EndObject or JsonTokenType.EndArray:
                        path.Pop();
                        break;
                    case JsonTokenType.PropertyName:
                        var name = reader.GetString()!;
                        path.Pop();
                        path.Push(new(name, null));
                        if (HasNoLetter(name))
                            return (At(path), "refused.name-letter");
                        break;
                    case JsonTokenType.Null when inList && kept:
                        return (At(path), "refused.is-empty");
                    case JsonTokenType.String when HasNoLetter(reader.GetString()!):
                        return (At(path), "refused.text-letter");
                    case JsonTokenType.Number when !(reader.TryGetDouble(out var number)
                        && Math.Abs(number) <= (kept ? LargestNumber : double.MaxValue)):
                        return (At(path), "refused.too-large-number");
                }
            }
        }
        catch (InvalidOperationException)
        {
            return (At(path), "refused.text-letter");
        }
        catch (JsonException)
        {
            return null;
        }

        return null;
    }

    private static string At(Stack<Place> path) =>
        string.Concat(path.Reverse().Select(p => p.IsList ? $"[{p.Index}]" : $".{p.Name}")).TrimStart('.');

    private static bool HasNoLetter(string text) => text.Contains('\0', StringComparison.Ordinal);

    private static Declined Unreadable(Message detail, int status = StatusCodes.Status400BadRequest) => new(status, CannotRead, detail);

    /// <summary>Where in a body the reader is: at a property of an object, or at an entry of a list.</summary>
    private readonly record struct Place(string Name, int? Index)
    {
        public bool IsList => Index is not null;

        public Place Next() => this with { Index = Index + 1 };
    }
}
