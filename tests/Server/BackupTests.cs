using Coppia.Cli;
using Coppia.Data.Keeping;
using Coppia.Data.Stand;
using Coppia.Data.Store;
using Coppia.Data.Tunes;
using Microsoft.Data.Sqlite;

namespace Coppia.Tests;

/// <summary>
/// A backup is the library as it was at one moment, and brings it back (SQLite Online Backup API; OWASP ASVS 4.0.3,
/// 8.1.5 and 8.1.6).
/// </summary>
public sealed class BackupTests : IDisposable
{
    private readonly SomeLibrary _library = new();
    private readonly StandingClock _clock = new(new DateTimeOffset(2026, 11, 26, 8, 15, 0, TimeSpan.Zero));

    private string Elsewhere => Path.Combine(_library.Folder.Path, "elsewhere.db");

    public void Dispose() => _library.Dispose();

    private (int Exit, string Said) Command(Func<string[], TextWriter, TextWriter, int> run, params string[] args)
    {
        using var said = new StringWriter();
        return (run([.. args, "--data", _library.Folder.Path], said, said), said.ToString());
    }

    [Fact]
    public void What_is_backed_up_and_restored_is_equal_to_the_last_row()
    {
        var tunes = _library.With("Ash Grove");
        tunes.Delete(1);
        var pin = new PinCopy("violin", new PinRecord { NoteId = "b1n1", Pitch = "D4" });
        tunes.Add(new TuneCopy(SomeLibrary.Tune("Bramble Lane")) { Pins = [pin] });
        var before = SomeLibrary.Dump(_library.Folder.Database);
        Assert.Equal(0, Command(BackupCommand.Run, Elsewhere).Exit);
        tunes.Add(SomeLibrary.Tune("Later"));
        Assert.NotEqual(before, SomeLibrary.Dump(_library.Folder.Database));

        var (exit, said) = Command(RestoreCommand.Run, Elsewhere);
        Assert.Equal((0, before), (exit, SomeLibrary.Dump(_library.Folder.Database)));
        // The library that was there is kept, and the command says where.
        var former = Assert.Single(Directory.GetFiles(_library.Folder.Backups, "coppia-before-restore-*.db"));
        Assert.Contains(former, said, StringComparison.Ordinal);
        Assert.Equal(["Ash Grove", "Bramble Lane", "Later"], SomeLibrary.Titles(former));
    }

    [Fact] // Tunes are added two at a time; a backup that has one of two has caught a moment that never was.
    public async Task A_backup_made_while_others_write_is_of_one_moment()
    {
        var tunes = _library.With();
        using var enough = new CancellationTokenSource();
        var written = 0;
        var writing = Task.Run(
            () =>
            {
                while (!enough.IsCancellationRequested)
                {
                    tunes.AddAll([new TuneCopy(SomeLibrary.Tune("One")), new TuneCopy(SomeLibrary.Tune("Two"))]);
                    Interlocked.Add(ref written, 2);
                }
            },
            TestContext.Current.CancellationToken
        );
        for (var i = 0; i < 8; i++)
        {
            SpinWait.SpinUntil(() => Volatile.Read(ref written) > 4 * i, TimeSpan.FromSeconds(30));
            var file = Path.Combine(_library.Folder.Path, $"while-{i}.db");
            Backup.Write(_library.Folder.Database, file);
            var titles = SomeLibrary.Titles(file);
            Assert.NotEmpty(titles);
            Assert.Equal(titles.Count(t => t == "One"), titles.Count(t => t == "Two"));
        }

        await enough.CancelAsync();
        await writing;
    }

    // Whoever closes a library last has it alone for a moment (SQLite, "Write-Ahead Logging"); here another has it for
    // a while.
    [Fact]
    public async Task A_backup_waits_for_who_has_the_library_alone()
    {
        var database = Path.Combine(_library.Folder.Path, "alone.db");
        using var alone = new SqliteConnection($"Data Source={database};Pooling=False");
        alone.Open();
        Run("CREATE TABLE tune (title TEXT)");
        Run("BEGIN EXCLUSIVE");
        var file = Path.Combine(_library.Folder.Path, "waited.db");
        var backup = Task.Run(() => Backup.Write(database, file), TestContext.Current.CancellationToken);
        await Task.WhenAny(backup, Task.Delay(TimeSpan.FromMilliseconds(300), TestContext.Current.CancellationToken));
        Assert.False(backup.IsCompleted);
        Run("COMMIT");
        await backup;
        Assert.True(File.Exists(file));

        void Run(string sql)
        {
            using var command = alone.CreateCommand();
            command.CommandText = sql;
            command.ExecuteNonQuery();
        }
    }

    [Fact]
    public void Each_day_one_is_made_and_the_last_seven_stay()
    {
        _library.With("Ash Grove");
        var backup = new Backup(_library.Folder, _clock);
        for (var day = 0; day < 9; day++)
        {
            Assert.True(backup.MakeDaily());
            Assert.False(backup.MakeDaily());
            _clock.Now += TimeSpan.FromDays(1);
        }

        Assert.Equal(
            Enumerable
                .Range(28, 3)
                .Select(d => $"coppia-day-2026-11-{d}.db")
                .Concat(Enumerable.Range(1, 4).Select(d => $"coppia-day-2026-12-0{d}.db")),
            Directory.GetFiles(_library.Folder.Backups).Select(Path.GetFileName).Order()
        );
    }

    [Fact]
    public void An_old_library_is_backed_up_before_it_is_brought_up_to_date()
    {
        _library.MakeOld(8);
        var before = SomeLibrary.Dump(_library.Folder.Database);
        var backup = new Backup(_library.Folder, _clock);
        var database = new Database(_library.Folder.Database, file => backup.KeepBeforeUpdate(file));
        Assert.Equal(
            before,
            SomeLibrary.Dump(Assert.Single(Directory.GetFiles(_library.Folder.Backups, "coppia-before-update-*.db")))
        );
        var tunes = new TuneRepository(database, _clock);
        Assert.Equal("Old Oak", Assert.Single(tunes.List(new TuneQuery("oak")).Tunes).Title);
        Assert.Equal("Old Oak", Assert.Single(tunes.List(new TuneQuery("ANO")).Tunes).Title); // its composer
    }

    [Fact]
    public void An_old_backup_is_brought_up_to_date_when_it_comes_back()
    {
        using var old = new SomeLibrary();
        old.MakeOld(8);
        _library.With("Ash Grove");
        Assert.Equal(0, Command(RestoreCommand.Run, old.Folder.Database).Exit);
        Assert.Equal(
            "Old Oak",
            Assert
                .Single(new TuneRepository(new Database(_library.Folder.Database), _clock).List(new TuneQuery()).Tunes)
                .Title
        );
    }

    public static TheoryData<string, string> NoBackups() =>
        new()
        {
            { "", "is not there" },
            { "text", "is not a backup of Coppia" },
            { "other", "not one of Coppia’s" },
            { "damaged", "is damaged" },
            { "torn", "is damaged" },
            {
                "newer",
                "made by a newer Coppia: its tables have version 99, this program knows versions up to "
                    + Database.NewestVersion
            },
            { "trigger", "not one of Coppia’s" },
        };

    [Theory]
    [MemberData(nameof(NoBackups))]
    public void What_is_no_sound_backup_is_refused_and_the_library_stays(string kind, string words)
    {
        _library.With([.. Enumerable.Range(0, 400).Select(i => $"Tune {i}")]);
        Backup.Write(_library.Folder.Database, Elsewhere);
        switch (kind)
        {
            case "":
                File.Delete(Elsewhere);
                break;
            case "text":
                File.WriteAllText(Elsewhere, new string('x', 5000));
                break;
            case "other":
                File.Delete(Elsewhere);
                SomeLibrary.Run(Elsewhere, "CREATE TABLE recipe (name TEXT)");
                break;
            case "damaged":
                var bytes = File.ReadAllBytes(Elsewhere);
                for (var i = bytes.Length / 2; i < bytes.Length / 2 + 20_000; i++)
                    bytes[i] = 0x5A;
                File.WriteAllBytes(Elsewhere, bytes);
                break;
            case "torn":
                File.WriteAllBytes(Elsewhere, File.ReadAllBytes(Elsewhere)[..40_960]);
                break;
            case "newer":
                SomeLibrary.Run(
                    Elsewhere,
                    "INSERT INTO SchemaVersions (ScriptName, "
                        + "Applied) VALUES ('Coppia.Data.Migrations.0099_more.sql', '2030-01-01')"
                );
                break;
            case "trigger":
                SomeLibrary.Run(Elsewhere, "CREATE TRIGGER clears AFTER INSERT ON tune BEGIN DELETE FROM tune; END");
                break;
        }

        var before = SomeLibrary.Dump(_library.Folder.Database);
        var (exit, said) = Command(RestoreCommand.Run, Elsewhere);
        Assert.Equal(2, exit);
        Assert.Contains(words, said, StringComparison.Ordinal);
        Assert.Single(said.TrimEnd().Split('\n'));
        Assert.Equal(before, SomeLibrary.Dump(_library.Folder.Database));
        Assert.Empty(Directory.GetFiles(_library.Folder.Path, "coppia-restoring*"));
    }

    [Fact] // The day it is needed: the library cannot be opened any more.
    public void A_damaged_library_gives_way_and_is_kept_as_it_is()
    {
        _library.With("Ash Grove");
        Backup.Write(_library.Folder.Database, Elsewhere);
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        File.WriteAllText(_library.Folder.Database, "no library any more");
        var (exit, said) = Command(RestoreCommand.Run, Elsewhere);
        Assert.Equal((0, 1), (exit, SomeLibrary.Titles(_library.Folder.Database).Length));
        var kept = Assert.Single(Directory.GetFiles(_library.Folder.Backups, "coppia-damaged-*.db"));
        Assert.Contains(kept, said, StringComparison.Ordinal);
        Assert.Equal("no library any more", File.ReadAllText(kept));
    }

    [Fact]
    public void Nothing_is_restored_under_a_running_Coppia()
    {
        _library.With("Ash Grove");
        Backup.Write(_library.Folder.Database, Elsewhere);
        using (_library.Folder.Use())
        {
            var (exit, said) = Command(RestoreCommand.Run, Elsewhere);
            Assert.Equal(2, exit);
            Assert.StartsWith("Coppia runs on", said, StringComparison.Ordinal);
            // a backup is made all the same
            Assert.Equal(0, Command(BackupCommand.Run, Path.Combine(_library.Folder.Path, "b.db")).Exit);
        }

        Assert.Equal(0, Command(RestoreCommand.Run, Elsewhere).Exit);
    }
}
