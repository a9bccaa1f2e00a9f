using System.Text;

namespace Coppia.Tests;

/// <summary>
/// What the browser's microphone hears, over and over: a file of sound (RIFF WAVE, 16 bits, one channel).
/// </summary>
public sealed class Room : IDisposable
{
    private const int Rate = 48_000;
    private const int Seconds = 2;
    private const int Partials = 20;
    private const double Loud = 6_000;

    public string Path { get; } =
        System.IO.Path.Combine(System.IO.Path.GetTempPath(), $"coppia-room-{Guid.NewGuid():N}.wav");

    /// <summary>
    /// A bowed string sounds. It is bent by less than a hundredth of a cent, so that the file's end meets its
    /// beginning.
    /// </summary>
    public void Sounds(double hz)
    {
        var periods = Math.Floor(hz * Seconds);
        var count = (int)Math.Round(periods * Rate / hz);
        var turn = 2 * Math.PI * periods / count;
        using var file = new BinaryWriter(File.Create(Path), Encoding.ASCII);
        var bytes = count * sizeof(short);
        file.Write("RIFF"u8);
        file.Write(36 + bytes);
        file.Write("WAVEfmt "u8);
        file.Write(16);
        file.Write((short)1);
        file.Write((short)1);
        file.Write(Rate);
        file.Write(Rate * sizeof(short));
        file.Write((short)sizeof(short));
        file.Write((short)16);
        file.Write("data"u8);
        file.Write(bytes);
        for (var n = 0; n < count; n++)
            file.Write((short)(Loud * Enumerable.Range(1, Partials).Sum(k => Math.Sin(turn * k * n) / k)));
    }

    public void Dispose() => File.Delete(Path);
}
