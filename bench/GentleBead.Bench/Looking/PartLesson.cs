using System.Runtime.InteropServices;

namespace GentleBead.Bench.Looking;

/// <summary>What a network of parts is taught from: of each field its maps, then which part each place is.</summary>
/// <param name="Maps">Map by map, row by row.</param>
/// <param name="Parts">Row by row; from <see cref="FirstMark"/> on a bit for each mark whose disc a place is on.</param>
internal sealed record PartLesson(float[][] Maps, byte[] Parts)
{
    /// <summary>The first mark's bit.</summary>
    public const int FirstMark = 16;

    /// <summary>Writes lessons one after the other into a file: maps as 16-bit floats, parts as a byte each.</summary>
    /// <param name="path">The file.</param>
    /// <param name="count">How many there are.</param>
    /// <param name="lessons">What one of them holds: none when nothing is to be learned from it.</param>
    public static int Write(string path, int count, Func<int, IEnumerable<PartLesson>> lessons)
    {
        const int atOnce = 32;
        using var to = new BinaryWriter(File.Create(path));
        var written = 0;
        for (var from = 0; from < count; from += atOnce)
        {
            var some = new PartLesson[Math.Min(atOnce, count - from)][];
            Parallel.For(0, some.Length, i => some[i] = [.. lessons(from + i)]);
            foreach (var lesson in some.SelectMany(one => one))
            {
                foreach (var map in lesson.Maps)
                    to.Write(MemoryMarshal.AsBytes<Half>(Array.ConvertAll(map, value => (Half)value)));
                to.Write(lesson.Parts);
                written++;
            }
        }
        Console.WriteLine($"{written} lessons");
        return 0;
    }
}
