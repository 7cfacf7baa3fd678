using System.Security.Claims;
using GentleBead.Server.Http;
using GentleBead.Server.Network;
using GentleBead.Server.People;
using GentleBead.Server.Rooms;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Http.HttpResults;

namespace GentleBead.Server.Tablets;

/// <summary>A booth whose tablet is to be paired.</summary>
public sealed record CodeRequest(Guid BoothId);

/// <summary>A code by which a tablet becomes a booth's. It is shown this once and kept nowhere.</summary>
/// <param name="Code">What is typed at the tablet.</param>
/// <param name="Address">What the tablet can open instead.</param>
/// <param name="Qr">The same as a QR code.</param>
/// <param name="GoodUntil">Until when.</param>
public sealed record PairingCode(string Code, Uri Address, QrPath Qr, DateTimeOffset GoodUntil);

/// <summary>A tablet to pair.</summary>
/// <param name="Id">Its id.</param>
/// <param name="Code">The code an instructor shows.</param>
/// <param name="Name">What it is to be called; empty for the booth's number.</param>
public sealed record Pairing(Guid Id, string Code, string Name = "");

/// <summary>Tablets as instructors have them: pairing, and putting away.</summary>
public static class TabletEndpoints
{
    private const int LongestName = 60;

    /// <summary>Maps the endpoints.</summary>
    public static void Map(IEndpointRouteBuilder app)
    {
        var tablets = app.MapGroup("/api/tablets").WithTags("tablets");
        tablets
            .MapGet("/", (TabletStore store, CancellationToken cancel) => store.ListAsync(cancel))
            .RequireAuthorization(Access.Instructor);
        tablets.MapPut("/codes/{id:guid}", CodeAsync).RequireAuthorization(Access.Instructor).ProducesTold(StatusCodes.Status409Conflict);
        tablets.MapPut("/{id:guid}/put-away", PutAwayAsync).RequireAuthorization(Access.Instructor);
        tablets.MapPost("/pair", PairAsync).AllowAnonymous().CountsTries();
    }

    private static async Task<Results<Ok<PairingCode>, Wrong, Told>> CodeAsync(
        Guid id,
        CodeRequest request,
        ClaimsPrincipal user,
        BoothStore booths,
        TabletStore tablets,
        TimeProvider clock,
        HttpContext http,
        CancellationToken cancel
    )
    {
        if (await booths.FindAsync(request.BoothId, cancel) is not { } booth)
            return Problems.Field("boothId", Say($"There is no such booth."));
        var code = Codes.New();
        if (!await tablets.AddCodeAsync(id, booth.Id, code, user.Id(), cancel))
            return Problems.Told(StatusCodes.Status409Conflict, Say($"This code was made and shown already. Make another."));
        // Where tablets reach this server; the address this was asked at may be this machine's own.
        var at = http.RequestServices.GetService<ShopCertificate>() is { } certificate
            ? certificate.Names.At("https", http.RequestServices.GetRequiredService<ShopNetworkOptions>().TlsPort)[0]
            : new Uri($"{http.Request.Scheme}://{http.Request.Host}/");
        // Behind the mark: what stands there is sent to no server and into no log.
        var address = new Uri(at, $"pair#{code}");
        return TypedResults.Ok(new PairingCode(code, address, QrPath.Of(address.ToString()), clock.GetUtcNow() + TabletStore.CodeGood));
    }

    private static async Task<Results<NoContent, NotFound>> PutAwayAsync(
        Guid id,
        ClaimsPrincipal user,
        TabletStore tablets,
        CancellationToken cancel
    ) => await tablets.PutAwayAsync(id, user.Id(), cancel) ? TypedResults.NoContent() : TypedResults.NotFound();

    private static async Task<Results<NoContent, Wrong>> PairAsync(
        Pairing request,
        TabletStore tablets,
        HttpContext http,
        CancellationToken cancel
    )
    {
        var name = (request.Name ?? "").Trim();
        if (name.Length > LongestName)
            return Problems.Field("name", Say($"Up to {LongestName} letters."));
        if (await tablets.PairAsync(request.Id, request.Code ?? "", name, cancel) is not { } key)
            return Problems.Field("code", Say($"This code is not good, or not any more. Have another one made."));
        TabletScheme.Give(http, key);
        // It is nobody's from here on, whoever paired it.
        if (http.User.Identity is { IsAuthenticated: true } && !http.User.IsInRole(Access.Booth))
            await http.SignOutAsync();
        return TypedResults.NoContent();
    }
}
