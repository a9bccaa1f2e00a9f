using DbUp;
using Microsoft.Data.Sqlite;

namespace Coppia.Data;

/// <summary>One SQLite file: write-ahead log, foreign keys on, migrations run when it is opened.</summary>
public sealed class Database
{
    private readonly string _connectionString;

    /// <param name="file">Path of the database file; made if it is not there.</param>
    /// <exception cref="InvalidDataException">The file is not a Coppia database or a migration failed; nothing was changed by the failed
    /// step.</exception>
    public Database(string file)
    {
        File = file;
        _connectionString = new SqliteConnectionStringBuilder
        {
            DataSource = file,
            ForeignKeys = true,
            DefaultTimeout = 10,
        }.ToString();
        try
        {
            using var connection = Open();
            using var command = connection.CreateCommand();
            command.CommandText = "PRAGMA journal_mode = WAL;";
            command.ExecuteNonQuery();
        }
        catch (SqliteException e)
        {
            throw new InvalidDataException(
                $"{file} cannot be opened as a Coppia database ({e.Message.TrimEnd('.')}); expected a file that Coppia made, or none.",
                e
            );
        }

        var result = DeployChanges
            .To.SqliteDatabase(_connectionString)
            .WithScriptsEmbeddedInAssembly(typeof(Database).Assembly)
            .WithTransactionPerScript()
            .LogToNowhere()
            .Build()
            .PerformUpgrade();
        if (!result.Successful)
            throw new InvalidDataException($"{file}: the database could not be brought up to date.", result.Error);
    }

    public string File { get; }

    public SqliteConnection Open()
    {
        var connection = new SqliteConnection(_connectionString);
        connection.Open();
        return connection;
    }
}
