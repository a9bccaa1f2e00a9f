using Coppia.Core.Instruments;
using Coppia.Core.Knowledge;
using Coppia.Core.Reading;
using Coppia.Core.Wording.Stand;
using Coppia.Core.Wording.Terms;
using Coppia.Formats.Books;
using Coppia.Formats.Records;
using Coppia.Formats.Source;
using static Coppia.Core.Wording.Messages.Catalogue;

namespace Coppia.Cli;

/// <summary>Files that the commands are given; what is wrong with them is one line on standard error.</summary>
internal static class Files
{
    /// <summary>The name of standard input in place of a file.</summary>
    private const string StandardInput = "-";

    /// <summary>The style of a file, or the default; null where the file is no style.</summary>
    public static HouseStyle? Style(string? file, TextWriter error)
    {
        if (file is null)
            return HouseStyle.Default;
        if (Load(file, error) is not { } json)
            return null;
        try
        {
            return StyleFile.Read(System.Text.Encoding.UTF8.GetString(json));
        }
        catch (FormatException e)
        {
            Refuse(error, $"{file}:{e.Message}");
            return null;
        }
    }

    /// <summary>What a class knows from a file, or a first year's; null where the file is none.</summary>
    public static ClassKnowledge? Known(string? file, TextWriter error)
    {
        if (file is null)
            return ClassKnowledge.Beginner;
        if (Load(file, error) is not { } json)
            return null;
        try
        {
            return KnownFile.Read(System.Text.Encoding.UTF8.GetString(json));
        }
        catch (FormatException e)
        {
            Refuse(error, $"{file}:{e.Message}");
            return null;
        }
    }

    /// <summary>Who reads, by the name of an instrument and two files; null where the error is told.</summary>
    public static Player? Player(string instrument, string? style, string? known, TextWriter error)
    {
        if (Style(style, error) is not { } read || Known(known, error) is not { } knows)
            return null;
        if (read.Instrument(instrument) is { } named)
            return new Player(named, read, knows);
        Refuse(
            error,
            Say("cli.diagnose.is-not-an-instrument-expected", ("name", instrument), ("instruments", Labels.Instruments))
        );
        return null;
    }

    /// <summary>The tune of this number in a file; null where there is none.</summary>
    public static ReadResult? Tune(string file, byte[] bytes, int number, TextWriter error)
    {
        try
        {
            var tunes = TuneBook.OfFile(bytes);
            if (tunes.FirstOrDefault(t => t.Number == number) is not { } tune)
            {
                Refuse(
                    error,
                    Say(
                        "cli.files.1-1-there-is-no-tune-expected",
                        ("file", file),
                        ("number", number),
                        ("tunes", tunes.Count)
                    )
                );
                return null;
            }

            if (tunes.Count > 1 && tune.Read.Score is not null)
                error.WriteLine(
                    Say(
                        "cli.files.tunes-number-is-read-tune-takes",
                        ("file", file),
                        ("tunes", tunes.Count),
                        ("number", number)
                    )
                );
            return tune.Read;
        }
        catch (InvalidDataException e)
        {
            Refuse(error, $"{file}:1:1: {e.Message}");
            return null;
        }
    }

    /// <summary>
    /// The line that was asked for, else the one proposed for the instrument, else the one that a single reader would
    /// take.
    /// </summary>
    public static OfferedLine? Line(
        string file,
        ReadResult result,
        string? part,
        Instrument instrument,
        TextWriter error
    )
    {
        OfferedLine[] lines = [.. result.Lines.Select(l => new OfferedLine(l.Name, l.Score))];
        if (part is not null)
        {
            if (result.Line(part) is { } asked)
                return new OfferedLine(asked.Name, asked.Score);
            Refuse(error, NoPart(file, part, lines));
            return null;
        }

        var main = lines.First(l => ReferenceEquals(l.Score, result.Score));
        if (lines.Length == 1)
            return main;
        var line = WhichLine.Proposed(lines).TryGetValue(instrument.Id, out var own) ? lines[own] : main;
        error.WriteLine(
            Say(
                "cli.files.lines-number-is-read-part-takes",
                ("file", file),
                ("lines", lines.Length),
                ("named", Named(lines)),
                ("indexOf", Array.IndexOf(lines, line) + 1)
            )
        );
        return line;
    }

    private static string NoPart(string file, string part, OfferedLine[] lines) =>
        Say(
            "cli.files.1-1-there-is-no-part-expected",
            ("file", file),
            ("part", part),
            ("lines", lines.Length),
            ("named", Named(lines))
        );

    private static string Named(OfferedLine[] lines) =>
        lines.Any(l => l.Name.Length > 0) ? $" ({string.Join(", ", lines.Select(l => l.Name))})" : "";

    /// <summary>Says where a tune was moved and what in it cannot be played.</summary>
    public static void Warn(string file, PlayerReading reading, TextWriter error)
    {
        if (OctaveWords.Moved(reading.OctavesMoved) is { } moved)
            error.WriteLine(
                Say(
                    "cli.files.written-for",
                    ("file", file),
                    ("moved", moved),
                    ("instrument", reading.Instrument.Name.ToLowerInvariant())
                )
            );
        foreach (var warning in new ReadingWords(reading).Warnings)
            error.WriteLine($"{file}: {warning}");
    }

    public static byte[]? Load(string file, TextWriter error)
    {
        try
        {
            if (file != StandardInput)
                return File.ReadAllBytes(file);
            using var input = Console.OpenStandardInput();
            using var all = new MemoryStream();
            input.CopyTo(all);
            return all.ToArray();
        }
        catch (Exception e) when (e is IOException or UnauthorizedAccessException)
        {
            Refuse(error, Say("cli.files.1-1-the-file-cannot-be-opened", ("file", file)));
            return null;
        }
    }

    /// <summary>One line on standard error, and the exit code of wrong input.</summary>
    public static int Refuse(TextWriter error, string line)
    {
        error.WriteLine(line);
        return 2;
    }
}
