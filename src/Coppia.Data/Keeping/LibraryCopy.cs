using Coppia.Data.Desk;
using Coppia.Data.Exercises;
using Coppia.Data.Records;
using Coppia.Data.Room;
using Coppia.Data.Stand;
using Coppia.Data.Store;
using Coppia.Data.Tunes;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Coppia.Data.Keeping;

/// <summary>A class of a library, with the names by which it speaks of other things there.</summary>
/// <param name="Style">Its own house style, or null.</param>
/// <param name="Sheets">Headings of the sheets that are set.</param>
/// <param name="Tasks">Writing tasks that are set or written for.</param>
public sealed record LibraryClass(
    ClassCopy Class,
    string? Style,
    IReadOnlyDictionary<long, string> Sheets,
    IReadOnlyDictionary<long, TaskCopy> Tasks
);

/// <summary>What was added, and what was there already.</summary>
public sealed record AddedCopies(
    int Tunes,
    int TunesThere,
    int Styles,
    int StylesThere,
    int Sheets,
    int SheetsThere,
    int Classes,
    int ClassesThere
);

/// <summary>A library as values: all of it out, and into another one in one step.</summary>
public sealed class LibraryCopy(Database database, TimeProvider clock)
{
    /// <summary>All kept tunes, one after the other.</summary>
    public IEnumerable<TuneCopy> Tunes(IEnumerable<TuneRecord> tunes)
    {
        using var connection = database.Open();
        foreach (var tune in tunes)
        {
            yield return CopyOf(tune, connection);
        }
    }

    private static TuneCopy CopyOf(TuneRecord tune, SqliteConnection connection)
    {
        var of = new { id = tune.Id };
        return new TuneCopy(
            tune,
            [
                .. connection.Query<string, PinRecord, PinCopy>(
                    """
                    SELECT instrument, note_id AS NoteId, pitch, string, finger FROM pin
                    WHERE tune_id = @id ORDER BY instrument, note_id
                    """,
                    (instrument, pin) => new PinCopy(instrument, pin),
                    of,
                    splitOn: "NoteId"
                ),
            ],
            [
                .. connection.Query<string>(
                    "SELECT instrument FROM printed_fingers WHERE tune_id = @id ORDER BY instrument",
                    of
                ),
            ],
            connection
                .Query<(string Instrument, int Octaves)>(
                    "SELECT instrument, octaves FROM octave_choice WHERE tune_id = @id",
                    of
                )
                .ToDictionary(o => o.Instrument, o => o.Octaves),
            [
                .. connection.Query<BowRecord>(
                    """
                    SELECT note_id AS NoteId, kind, pitch, refused FROM bow_change
                    WHERE tune_id = @id ORDER BY note_id, kind
                    """,
                    of
                ),
            ]
        );
    }

    /// <summary>
    /// Adds what is not there yet: all of it, or where something fails none. What is there with the same name and text
    /// is left as it is.
    /// </summary>
    /// <param name="sheets">Each with the tunes that it was made from, by their ids in the copy.</param>
    /// <param name="moved">Gives a sheet's document with the ids that its tunes have here.</param>
    public AddedCopies Add(
        IReadOnlyList<TuneCopy> tunes,
        IReadOnlyList<StyleRecord> styles,
        IReadOnlyList<SheetRecord> sheets,
        Func<SheetRecord, IReadOnlyDictionary<long, long>, string> moved,
        IReadOnlyList<TaskCopy> tasks,
        IReadOnlyList<LibraryClass> classes
    )
    {
        using var connection = database.Open();
        using var step = connection.BeginTransaction();
        var to = new ThisLibrary(connection, step, clock.GetUtcNow().UtcDateTime.ToText());
        var ids = new Dictionary<long, long>();
        var tunesThere = tunes.Count(t => !to.Add(t, ids));
        var stylesThere = styles.Count(s => !to.Add(s));
        var sheetsThere = sheets.Count(s => !to.Add(s, moved(s, ids)));
        foreach (var task in tasks)
            to.Add(task);
        var classesThere = classes.Count(c => !to.Add(c, ids));
        step.Commit();
        return new AddedCopies(
            Tunes: tunes.Count - tunesThere,
            TunesThere: tunesThere,
            Styles: styles.Count - stylesThere,
            StylesThere: stylesThere,
            Sheets: sheets.Count - sheetsThere,
            SheetsThere: sheetsThere,
            Classes: classes.Count - classesThere,
            ClassesThere: classesThere
        );
    }

    /// <summary>The library that copies are added to; of each kind Add is false for what is there already.</summary>
    private readonly record struct ThisLibrary(SqliteConnection Connection, SqliteTransaction Step, string Now)
    {
        /// <param name="ids">Gets the id that the tune has here, by that in the copy.</param>
        public bool Add(TuneCopy copy, Dictionary<long, long> ids)
        {
            var there = TuneLike(Connection, Step, copy.Tune);
            ids[copy.Tune.Id] = there ?? TuneRepository.Add(Connection, Step, copy, Now);
            return there is null;
        }

        public bool Add(StyleRecord style)
        {
            const string Like = "SELECT 1 FROM style WHERE name = @Name AND json = @Json AND deleted_at IS NULL";
            if (Is(Connection, Step, Like, style))
                return false;
            Connection.Execute(
                """
                INSERT INTO style (name, json, current, changed_at)
                VALUES (@Name, @Json, @Current AND NOT EXISTS (SELECT 1 FROM style WHERE current = 1), @Now)
                """,
                new
                {
                    style.Name,
                    style.Json,
                    style.Current,
                    Now,
                },
                Step
            );
            return true;
        }

        public bool Add(SheetRecord sheet, string document)
        {
            const string Like =
                "SELECT 1 FROM sheet WHERE heading = @Heading AND document = @document AND deleted_at IS NULL";
            var asked = new
            {
                sheet.Heading,
                sheet.Instruments,
                document,
                Now,
            };
            if (Is(Connection, Step, Like, asked))
                return false;
            Connection.Execute(
                """
                INSERT INTO sheet (heading, instruments, document, created_at, changed_at)
                VALUES (@Heading, @Instruments, @document, @Now, @Now)
                """,
                asked,
                Step
            );
            return true;
        }

        public void Add(TaskCopy task)
        {
            if (TaskRepository.Like(Connection, Step, task.Title, task.Document) is null)
                TaskRepository.Add(Connection, Step, task.Title, task.Document, Now);
        }

        public bool Add(LibraryClass one, IReadOnlyDictionary<long, long> ids)
        {
            var (connection, step) = (Connection, Step);
            if (ClassCopies.IsHere(connection, step, one.Class.Class))
                return false;
            var numbers = new Numbers(
                tune => ids.TryGetValue(tune, out var here) ? here : null,
                sheet =>
                    one.Sheets.TryGetValue(sheet, out var heading)
                        ? LibraryNames.Sheet(connection, step, sheet, heading)
                        : null,
                one.Tasks
            );
            var style = connection.ExecuteScalar<long?>(
                "SELECT id FROM style WHERE name = @Style AND deleted_at IS NULL ORDER BY id LIMIT 1",
                new { one.Style },
                step
            );
            var copy = one.Class with { Class = one.Class.Class with { StyleId = style } };
            ClassCopies.Add(connection, step, copy, numbers, Now);
            return true;
        }
    }

    private static bool Is(SqliteConnection connection, SqliteTransaction step, string sql, object asked) =>
        connection.ExecuteScalar<int?>(sql, asked, step) is not null;

    private static long? TuneLike(SqliteConnection connection, SqliteTransaction step, TuneRecord tune) =>
        connection.ExecuteScalar<long?>(
            "SELECT id FROM tune WHERE title_key = @key AND title = @Title AND source = @Source AND deleted_at "
                + "IS NULL LIMIT 1",
            new
            {
                key = SearchKey.Of(tune.Title),
                tune.Title,
                tune.Source,
            },
            step
        );
}
