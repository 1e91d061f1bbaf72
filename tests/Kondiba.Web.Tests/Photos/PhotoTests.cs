using System.Net;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;

namespace Kondiba.Web.Tests;

/// <summary>Photos at batches, orders and looks: the picture is kept, and nothing that tells where it was taken.</summary>
public sealed class PhotoTests(Server server) : IClassFixture<Server>
{
    /// <summary>Three rows of four pixels in one colour, as a browser writes them.</summary>
    private static readonly byte[] Picture = Convert.FromBase64String(
        "/9j/4AAQSkZJRgABAQAAAQABAAD/4gHYSUNDX1BST0ZJTEUAAQEAAAHIAAAAAAQwAABtbnRyUkdCIFhZWiAH4AABAAEAAAAAAABh"
            + "Y3NwAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAQAA9tYAAQAAAADTLQAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAA"
            + "AAAAAAAAAAAAAAAAAAAAAAAAAAlkZXNjAAAA8AAAACRyWFlaAAABFAAAABRnWFlaAAABKAAAABRiWFlaAAABPAAAABR3dHB0AAAB"
            + "UAAAABRyVFJDAAABZAAAAChnVFJDAAABZAAAAChiVFJDAAABZAAAAChjcHJ0AAABjAAAADxtbHVjAAAAAAAAAAEAAAAMZW5VUwAA"
            + "AAgAAAAcAHMAUgBHAEJYWVogAAAAAAAAb6IAADj1AAADkFhZWiAAAAAAAABimQAAt4UAABjaWFlaIAAAAAAAACSgAAAPhAAAts9Y"
            + "WVogAAAAAAAA9tYAAQAAAADTLXBhcmEAAAAAAAQAAAACZmYAAPKnAAANWQAAE9AAAApbAAAAAAAAAABtbHVjAAAAAAAAAAEAAAAM"
            + "ZW5VUwAAACAAAAAcAEcAbwBvAGcAbABlACAASQBuAGMALgAgADIAMAAxADb/2wBDABsSFBcUERsXFhceHBsgKEIrKCUlKFE6PTBC"
            + "YFVlZF9VXVtqeJmBanGQc1tdhbWGkJ6jq62rZ4C8ybqmx5moq6T/2wBDARweHigjKE4rK06kbl1upKSkpKSkpKSkpKSkpKSkpKSk"
            + "pKSkpKSkpKSkpKSkpKSkpKSkpKSkpKSkpKSkpKSkpKT/wAARCAADAAQDASIAAhEBAxEB/8QAFQABAQAAAAAAAAAAAAAAAAAAAAX/"
            + "xAAUEAEAAAAAAAAAAAAAAAAAAAAA/8QAFQEBAQAAAAAAAAAAAAAAAAAAAQX/xAAUEQEAAAAAAAAAAAAAAAAAAAAA/9oADAMBAAIR"
            + "AxEAPwCOAVJ//9k=");

    private static readonly byte[] Place = Encoding.ASCII.GetBytes("Exif\0\0GPSLatitude 54 19 25");

    [Fact]
    public async Task A_photo_of_an_order_is_kept_without_where_it_was_taken()
    {
        using var client = await server.StartKitchenAsync("Photos");
        var order = (await client.CreatedAsync(Orders.Order(Orders.Line())))["id"];
        var (of, photo) = ($"/api/photos/orders/{order}", Guid.NewGuid());
        byte[] taken = [.. Picture[..2], .. Segment(0xE1, Place), .. Segment(0xFE, Place), .. Picture[2..], .. Place];
        for (var twice = 0; twice < 2; twice++)
            (await client.PutAsync($"{of}/{photo}", File(taken))).EnsureSuccessStatusCode();

        Assert.Equal([photo], (await client.GetFromJsonAsync<Guid[]>(of))!);
        var shown = await client.GetAsync($"/api/photos/{photo}");
        Assert.Equal("image/jpeg", shown.Content.Headers.ContentType!.MediaType);
        Assert.Equal("nosniff", shown.Headers.GetValues("X-Content-Type-Options").Single());
        Assert.Equal(Picture, await shown.Content.ReadAsByteArrayAsync());

        using var other = await server.StartKitchenAsync("Photos of others");
        Assert.Equal(HttpStatusCode.NotFound, (await other.GetAsync($"/api/photos/{photo}")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await other.PutAsync($"{of}/{Guid.NewGuid()}", File(Picture))).StatusCode);
        Assert.Empty((await other.GetFromJsonAsync<Guid[]>(of))!);
        Assert.Equal(HttpStatusCode.NotFound, (await other.DeleteAsync($"/api/photos/{photo}")).StatusCode);

        Assert.Equal(HttpStatusCode.NoContent, (await client.DeleteAsync($"/api/photos/{photo}")).StatusCode);
        Assert.Equal(HttpStatusCode.NotFound, (await client.GetAsync($"/api/photos/{photo}")).StatusCode);
    }

    [Fact]
    public async Task What_is_no_whole_photo_of_a_sensible_size_is_refused()
    {
        using var client = await server.StartKitchenAsync("No photos");
        var of = $"/api/photos/orders/{(await client.CreatedAsync(Orders.Order(Orders.Line())))["id"]}";
        var frame = Picture.AsSpan().IndexOf((ReadOnlySpan<byte>)[0xFF, 0xC0]);
        byte[] huge = [.. Picture];
        (huge[frame + 5], huge[frame + 6]) = (0xFF, 0xFF);
        foreach (var wrong in (byte[][])[
            [],
            Encoding.ASCII.GetBytes("<script>alert(1)</script>"),
            [0xFF, 0xD8, 0xFF, 0xE0, 1],
            Picture[..^40],
            [.. Picture[..2], 0xFF, 0xD9],
            huge,
            [.. Picture[..2], .. Segment(0xEE, new byte[60_000]), .. new byte[1_000_000]],
        ])
            Assert.Equal(HttpStatusCode.BadRequest, (await client.PutAsync($"{of}/{Guid.NewGuid()}", File(wrong))).StatusCode);
        for (var sixth = 0; sixth < 6; sixth++)
            (await client.PutAsync($"{of}/{Guid.NewGuid()}", File(Picture))).EnsureSuccessStatusCode();
        Assert.Equal(HttpStatusCode.BadRequest, (await client.PutAsync($"{of}/{Guid.NewGuid()}", File(Picture))).StatusCode);
        Assert.Equal(6, (await client.GetFromJsonAsync<Guid[]>(of))!.Length);
    }

    [Fact]
    public async Task However_a_photo_is_spoilt_it_is_kept_or_refused()
    {
        using var client = await server.StartKitchenAsync("Spoilt photos");
        var of = $"/api/photos/orders/{(await client.CreatedAsync(Orders.Order(Orders.Line())))["id"]}";
        var random = new Random(5);
        for (var i = 0; i < 60; i++)
        {
            byte[] spoilt = [.. Picture];
            for (var k = 0; k < 6; k++)
                spoilt[random.Next(spoilt.Length)] = (byte)random.Next(256);
            var answer = await client.PutAsync($"{of}/{Guid.NewGuid()}", File(spoilt));
            Assert.True(answer.StatusCode is HttpStatusCode.NoContent or HttpStatusCode.BadRequest, $"{i}: {answer.StatusCode}");
        }
    }

    [Fact]
    public async Task A_look_has_photos_and_nothing_that_is_not_there_has()
    {
        using var sample = await Server.EnterAsync(server.Sample);
        var look = (string)(await sample.GetFromJsonAsync<JsonArray>("/api/looks"))![0]!["look"]!["code"]!;
        var photo = Guid.NewGuid();
        (await sample.PutAsync($"/api/photos/looks/{look}/{photo}", File(Picture))).EnsureSuccessStatusCode();
        Assert.Contains(photo, (await sample.GetFromJsonAsync<Guid[]>($"/api/photos/looks/{look}"))!);
        foreach (var nowhere in (string[])["looks/no-such-look", "orders/1", $"batches/{Guid.NewGuid()}", "people/me"])
            Assert.Equal(
                HttpStatusCode.NotFound, (await sample.PutAsync($"/api/photos/{nowhere}/{Guid.NewGuid()}", File(Picture))).StatusCode);
        await sample.DeleteAsync($"/api/photos/{photo}");
    }

    private static byte[] Segment(byte marker, byte[] content) =>
        [0xFF, marker, (byte)((content.Length + 2) >> 8), (byte)(content.Length + 2), .. content];

    private static ByteArrayContent File(byte[] bytes) => new(bytes) { Headers = { ContentType = new MediaTypeHeaderValue("image/jpeg") } };
}
