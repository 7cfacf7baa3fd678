using System.Xml.Linq;
using Dapper;
using Microsoft.AspNetCore.DataProtection.Repositories;
using Npgsql;

namespace GentleBead.Server.Database;

/// <summary>Keeps the keys that sign the cookies in the database, so that any server beside this one reads them too.</summary>
public sealed class KeyRing(NpgsqlDataSource database) : IXmlRepository
{
    /// <inheritdoc/>
    public IReadOnlyCollection<XElement> GetAllElements()
    {
        using var connection = database.OpenConnection();
        return [.. connection.Query<string>("select xml from data_protection_key").Select(xml => XElement.Parse(xml))];
    }

    /// <inheritdoc/>
    public void StoreElement(XElement element, string friendlyName)
    {
        using var connection = database.OpenConnection();
        connection.Execute(
            "insert into data_protection_key (name, xml) values (@friendlyName, @xml) on conflict (name) do nothing",
            new { friendlyName, xml = element.ToString(SaveOptions.DisableFormatting) }
        );
    }
}
