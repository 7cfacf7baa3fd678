using System.Text.Json;

namespace GentleBead.Server.Database;

/// <summary>Enum values in the words the database and JSON share: camelCase.</summary>
public static class EnumText
{
    /// <summary>The stored word of a value.</summary>
    public static string Of<T>(T value)
        where T : struct, Enum => JsonNamingPolicy.CamelCase.ConvertName(value.ToString());

    /// <summary>The value of a stored word.</summary>
    public static T Read<T>(string word)
        where T : struct, Enum => Enum.Parse<T>(word, ignoreCase: true);
}
