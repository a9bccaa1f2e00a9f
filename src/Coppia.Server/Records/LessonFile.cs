using System.Text.Json;
using Coppia.Data.Lessons;
using Coppia.Server.Lessons;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Server.Records;

/// <summary>A lesson in the record of its class.</summary>
/// <param name="Tunes">Its tunes by their places, by their numbers there; null for one that is gone.</param>
public sealed record LessonInFile(
    LessonDoc Lesson,
    IReadOnlyList<long?> Tunes,
    DateTime MadeAt,
    string MadeBy,
    DateTime? TaughtAt = null
)
{
    /// <summary>Lessons as a file has them; what this version cannot read stays behind.</summary>
    internal static LessonInFile[] Of(IEnumerable<LessonRecord> lessons, JsonSerializerOptions json) =>
        [
            .. lessons
                .Select(l =>
                    Read(l, json) is { } doc ? new LessonInFile(doc, l.Tunes, l.MadeAt, l.MadeBy, l.TaughtAt) : null
                )
                .OfType<LessonInFile>(),
        ];

    internal static LessonDoc? Read(LessonRecord lesson, JsonSerializerOptions json)
    {
        try
        {
            return JsonSerializer.Deserialize<LessonDoc>(lesson.Document, json);
        }
        catch (JsonException)
        {
            return null;
        }
    }

    /// <exception cref="FormatException">It cannot be kept; the message names the place.</exception>
    /// <param name="text">Writes it as it is kept.</param>
    internal LessonRecord Record(Func<object, string> text, int number) =>
        Lesson.Wrong(Tunes.Count) is { } wrong
            ? throw new FormatException(Say("records.lesson-file.record-lesson", ("number", number), ("wrong", wrong)))
            : new LessonRecord
            {
                Day = Lesson.Day,
                Document = text(Lesson),
                Tunes = Tunes,
                MadeAt = MadeAt,
                MadeBy = MadeBy,
                TaughtAt = TaughtAt,
            };
}
