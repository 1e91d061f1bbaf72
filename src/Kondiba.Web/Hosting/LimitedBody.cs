namespace Kondiba.Web.Hosting;

/// <summary>Reads a request's body whole, as long as it is not too large to be held.</summary>
internal static class LimitedBody
{
    /// <summary>The body; null where it is longer than it may be, and then it is read no further.</summary>
    /// <param name="request">The request.</param>
    /// <param name="most">Most bytes that are taken.</param>
    public static async Task<byte[]?> ReadAsync(HttpRequest request, int most)
    {
        if (request.ContentLength > most)
            return null;
        using var body = new MemoryStream();
        var chunk = new byte[81_920];
        for (int read; (read = await request.Body.ReadAsync(chunk, request.HttpContext.RequestAborted)) > 0;)
        {
            if (body.Length + read > most)
                return null;
            body.Write(chunk, 0, read);
        }

        return body.ToArray();
    }
}
