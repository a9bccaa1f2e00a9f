using Coppia.Data;

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
