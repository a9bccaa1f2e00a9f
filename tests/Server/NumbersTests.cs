using System.Text.Json;
using Coppia.Data.Keeping;
using Coppia.Data.Store;
using Coppia.Data.Tunes;
using Dapper;
using Microsoft.Data.Sqlite;

namespace Coppia.Tests;

/// <summary>
/// No number is used twice, in any table: what remembers a number must not meet another thing under it.
/// </summary>
public sealed class NumbersTests : IAsyncLifetime
{
    private readonly RunningServer _server = new();

    public ValueTask InitializeAsync() => _server.InitializeAsync();

    public ValueTask DisposeAsync() => _server.DisposeAsync();

    private SqliteConnection Open()
    {
        var connection = new SqliteConnection($"Data Source={Path.Combine(_server.Folder, "coppia.db")};Pooling=False");
        connection.Open();
        return connection;
    }

    /// <summary>A row of each kind that has a number; each may lean on those before it.</summary>
    private static readonly (string Table, string Columns, string Values)[] Rows =
    [
        (
            "tune",
            "title, title_key, composer, printed_for, source, key_name, meter, clef, bars, created_at, changed_at",
            "'t', 't', '', 'violin', 'x', '', '', '', 1, '', ''"
        ),
        ("style", "name, json", "'s', '{}'"),
        ("sheet", "heading, instruments, document, created_at, changed_at", "'h', 'violin', '{}', '', ''"),
        ("school_class", "name, lesson_minutes, created_at, changed_at", "'c', 45, '', ''"),
        ("learner", "class_id, nickname, instrument, size, created_at", "{school_class}, 'Ada', 'violin', '4/4', ''"),
        ("known_change", "class_id, cause, about, added, removed, made_at", "{school_class}, 'hand', '', '', '', ''"),
        ("teacher", "name, passphrase, stamp, created_at", "'t', '', '', ''"),
        ("writing_task", "title, document, created_at, changed_at", "'w', '{}', '', ''"),
        ("set_work", "class_id, kind, due, made_at, made_by", "{school_class}, 'cards', '2026-11-30', '', ''"),
        (
            "hand_in",
            "learner_id, level, title, task, piece, state, made_at, changed_at",
            "{learner}, 1, '', '{}', '{}', 'writing', '', ''"
        ),
        ("hand_in_version", "hand_in_id, piece, made_at", "{hand_in}, '{}', ''"),
        ("hand_in_remark", "hand_in_id, words, made_at, made_by", "{hand_in}, 'w', '', ''"),
        ("lesson", "class_id, day, document, made_at, made_by", "{school_class}, '2026-11-30', '{}', '', ''"),
    ];

    [Fact]
    public void What_is_deleted_and_made_again_gets_a_number_of_its_own()
    {
        using var connection = Open();
        // Every table whose rows have numbers of their own is in the list.
        var numbered = connection.Query<string>(
            """
            SELECT m.name FROM sqlite_master m JOIN pragma_table_info(m.name) c
            WHERE m.type = 'table' AND c.name = 'id' AND c.pk = 1 AND m.name NOT LIKE 'tune_search%'
            """
        );
        Assert.Equal(numbered.Order(), Rows.Select(r => r.Table).Order());

        var numbers = new Dictionary<string, long>();
        foreach (var (table, columns, values) in Rows)
        {
            var first = Insert(table, columns, values);
            connection.Execute($"DELETE FROM {table}");
            var again = Insert(table, columns, values);
            Assert.True(again > first, $"{table}: {again} after {first}");
            numbers[table] = again;
        }

        long Insert(string table, string columns, string values)
        {
            foreach (var (other, number) in numbers)
                values = values.Replace($"{{{other}}}", $"{number}", StringComparison.Ordinal);
            return connection.ExecuteScalar<long>($"INSERT INTO {table} ({columns}) VALUES ({values}) RETURNING id");
        }
    }

    [Fact] // Craft 15: what is new depends on the class's own record, from its first day.
    public async Task A_class_made_after_another_was_deleted_knows_what_it_has_learned_itself()
    {
        var tune = await _server.Keep("X:1\nM:4/4\nL:1/4\nK:D\nD E F G|]\n");
        var old = await Class("positions");
        Assert.Empty(await New(old, tune));
        Assert.Equal(200, (await _server.Send(HttpMethod.Delete, $"/api/classes/{old}")).Status);
        var made = await Class("openStrings");
        Assert.NotEqual(old, made);
        Assert.NotEmpty(await New(made, tune));
    }

    private async Task<long> Class(string stage)
    {
        var learners = new[]
        {
            new
            {
                nickname = "Ada",
                instrument = "violin",
                size = "4/4",
            },
        };
        var (status, body) = await _server.Send(
            HttpMethod.Post,
            "/api/classes",
            new
            {
                name = "Weir strings",
                learners,
                start = new { stage },
            }
        );
        Assert.Equal(200, status);
        return body.GetProperty("id").GetInt64();
    }

    private async Task<JsonElement[]> New(long forClass, long tune)
    {
        var reading = await _server.Get($"/api/tunes/{tune}/reading?instrument=violin&class={forClass}");
        return [.. reading.GetProperty("news").GetProperty("things").EnumerateArray()];
    }

    [Fact] // A class made after a backup, and one made after that backup came back, are two.
    public async Task A_library_that_is_brought_back_counts_on()
    {
        await Class("openStrings");
        var backup = Path.Combine(_server.Folder, "then.db");
        Backup.Write(Path.Combine(_server.Folder, "coppia.db"), backup);
        var later = await Class("openStrings");
        Assert.Equal(
            200,
            (await _server.SendFile("/api/keeping/restore", await File.ReadAllBytesAsync(backup))).Status
        );
        Assert.True(await Class("openStrings") > later);
    }

    [Fact] // Tables from before numbers were kept: theirs are not given again either.
    public void Tables_of_an_older_Coppia_count_on()
    {
        using var library = new SomeLibrary();
        library.MakeOld(17);
        var database = new Database(library.Folder.Database);
        using var connection = database.Open();
        var was = connection.ExecuteScalar<long>("SELECT max(id) FROM tune");
        connection.Execute("DELETE FROM tune");
        var tunes = new TuneRepository(database, TimeProvider.System);
        Assert.True(tunes.Add(SomeLibrary.Tune("New Oak")).Id > was);
        Assert.Equal("ok", connection.ExecuteScalar<string>("PRAGMA integrity_check"));
    }
}
