using System.Net;
using GentleBead.Server.Database;
using GentleBead.Server.Http;

namespace GentleBead.Server.People;

/// <summary>
/// Refuses whoever tries too often in a minute from one address: passwords, codes, pairing. The database counts, so that it is no way
/// round to ask another server.
/// </summary>
internal sealed class AddressTries(SchoolDatabase database, IConfiguration configuration) : IEndpointFilter
{
    private readonly int most = configuration.GetValue("GENTLEBEAD_SIGN_INS_PER_MINUTE", 60);

    /// <inheritdoc/>
    public async ValueTask<object?> InvokeAsync(EndpointFilterInvocationContext context, EndpointFilterDelegate next)
    {
        var http = context.HttpContext;
        var tries = await CountAsync(http.Connection.RemoteIpAddress ?? IPAddress.None, http.RequestAborted);
        return tries > most
            ? Problems.Told(StatusCodes.Status429TooManyRequests, Say($"Too many tries from this address. Try again in a minute."))
            : await next(context);
    }

    // What is an hour old goes along the way.
    private async Task<int> CountAsync(IPAddress address, CancellationToken cancel)
    {
        // Without what names the interface it came by: that is no part of an address in the database.
        var from = $"{new IPAddress(address.GetAddressBytes())}";
        await using var connection = await database.OpenConnectionAsync(cancel);
        return await connection.ExecuteScalarAsync<int>(
            """
            with gone as (delete from address_try where since < now() - interval '1 hour' and address <> @from::inet)
            insert into address_try as old (address, since, tries) values (@from::inet, now(), 1)
            on conflict (address) do update set
                since = case when old.since > now() - interval '1 minute' then old.since else now() end,
                tries = case when old.since > now() - interval '1 minute' then old.tries + 1 else 1 end
            returning tries
            """,
            new { from },
            cancel
        );
    }
}

/// <summary>Which endpoints count by address.</summary>
public static class CountedTries
{
    /// <summary>Counts an address's tries here along with those at the other endpoints that do, and refuses too many in a minute.</summary>
    public static RouteHandlerBuilder CountsTries(this RouteHandlerBuilder endpoint) =>
        endpoint.AddEndpointFilter<AddressTries>().ProducesTold(StatusCodes.Status429TooManyRequests);
}
