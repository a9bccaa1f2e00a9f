using System.Text.Json;

namespace Coppia.Server.Asked;

/// <summary>Choices that an address names by a word.</summary>
internal static class Choices
{
    /// <summary>True for one of the words; numbers and lists are none.</summary>
    public static bool Read<T>(string asked, out T choice)
        where T : struct, Enum
    {
        choice = default;
        return asked.All(char.IsAsciiLetter) && Enum.TryParse(asked, ignoreCase: true, out choice);
    }

    /// <summary>"abc, musicXml".</summary>
    public static string Expected<T>()
        where T : struct, Enum => string.Join(", ", Enum.GetNames<T>().Select(JsonNamingPolicy.CamelCase.ConvertName));
}
