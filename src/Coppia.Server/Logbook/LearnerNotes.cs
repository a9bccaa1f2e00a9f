using System.Text.Json;
using Coppia.Core.Practice;
using Coppia.Server.Asked;

namespace Coppia.Server.Logbook;

/// <summary>Ready sentences as records name them: <c>noTime</c>.</summary>
internal static class LearnerNotes
{
    public static string Text(LearnerNote note) => JsonNamingPolicy.CamelCase.ConvertName($"{note}");

    public static LearnerNote Read(string text) =>
        Choices.Read<LearnerNote>(text, out var note) ? note : LearnerNote.Help;
}
