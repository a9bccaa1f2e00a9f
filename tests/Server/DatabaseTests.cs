using Coppia.Core.School;
using Coppia.Data.Classes;
using Coppia.Data.Store;
using Coppia.Data.Tunes;

namespace Coppia.Tests;

public sealed class DatabaseTests : IDisposable
{
    private readonly string _folder = Directory.CreateTempSubdirectory("coppia-test-").FullName;

    public void Dispose()
    {
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(_folder, recursive: true);
    }

    [Fact]
    public void Tunes_outlive_the_program_and_migrations_run_once()
    {
        var file = Path.Combine(_folder, "coppia.db");
        var tune = new TuneRepository(new Database(file), TimeProvider.System).Add(
            new TuneRecord
            {
                Title = "A",
                Composer = "",
                PrintedFor = "violin",
                Source = "x",
                KeyName = "",
                Meter = "",
                Clef = "",
            }
        );
        Assert.Equal(tune, new TuneRepository(new Database(file), TimeProvider.System).Find(tune.Id));
    }

    // The tables of what is set are made anew for writing tasks: nothing that hangs on them may go with the old ones.
    [Fact]
    public void What_was_set_and_done_before_there_were_writing_tasks_is_still_there()
    {
        const int before = 14;
        var file = Path.Combine(_folder, "coppia.db");
        SomeLibrary.Run(
            file,
            "CREATE TABLE SchemaVersions (SchemaVersionID INTEGER PRIMARY KEY AUTOINCREMENT NOT NULL, "
                + "ScriptName TEXT NOT NULL, Applied DATETIME NOT NULL)"
        );
        var data = typeof(Database).Assembly;
        foreach (
            var script in data.GetManifestResourceNames()
                .Where(n => n.EndsWith(".sql", StringComparison.Ordinal))
                .Order()
                .Take(before)
        )
        {
            using var text = new StreamReader(data.GetManifestResourceStream(script)!);
            SomeLibrary.Run(file, text.ReadToEnd());
            SomeLibrary.Run(
                file,
                $"INSERT INTO SchemaVersions (ScriptName, Applied) VALUES ('{script}', '2026-11-01')"
            );
        }

        SomeLibrary.Run(
            file,
            """
            INSERT INTO school_class (name, lesson_minutes, created_at, changed_at) VALUES ('Weir', 45, '2026-11-01',
                '2026-11-01');
            INSERT INTO learner (class_id, nickname, instrument, size, created_at) VALUES (1, 'Ada', 'violin', '4/4',
                '2026-11-01');
            INSERT INTO set_work (class_id, kind, due, made_at, made_by) VALUES (1, 'cards', '2026-11-08',
                '2026-11-01T10:00:00Z', '');
            INSERT INTO work_done VALUES (1, 1, '2026-11-02T10:00:00Z', '');
            """
        );
        var work = new WorkRepository(new Database(file), TimeProvider.System);
        Assert.Equal(WorkKind.Cards, Assert.Single(work.Of(1, since: default)).Kind);
        Assert.Equal(1, Assert.Single(work.Done(1)).LearnerId);
    }

    [Fact]
    public void A_file_that_is_no_database_is_refused_and_left_alone()
    {
        var file = Path.Combine(_folder, "notes.db");
        File.WriteAllText(file, "These are my lesson notes, not a database. " + new string('x', 2000));
        Assert.Contains(
            "cannot be opened as a Coppia database",
            Assert.Throws<InvalidDataException>(() => new Database(file)).Message,
            StringComparison.Ordinal
        );
        Assert.StartsWith("These are my lesson notes", File.ReadAllText(file), StringComparison.Ordinal);
    }

    [Fact]
    public void The_log_is_write_ahead_and_foreign_keys_are_on()
    {
        using var connection = new Database(Path.Combine(_folder, "coppia.db")).Open();
        string? Pragma(string name)
        {
            using var command = connection.CreateCommand();
            command.CommandText = $"PRAGMA {name}";
            return command.ExecuteScalar()?.ToString();
        }

        Assert.Equal(("wal", "1"), (Pragma("journal_mode"), Pragma("foreign_keys")));
    }

    [Fact]
    public void Old_deleted_tunes_are_removed_for_good()
    {
        var tunes = new TuneRepository(new Database(Path.Combine(_folder, "coppia.db")), TimeProvider.System);
        var id = tunes.Add(new TuneRecord { Title = "A" }).Id;
        tunes.Delete(id);
        Assert.Equal(0, tunes.Purge(DateTime.UtcNow.AddDays(-30)));
        Assert.Equal(1, tunes.Purge(DateTime.UtcNow.AddMinutes(1)));
        Assert.False(tunes.Restore(id));
    }
}
