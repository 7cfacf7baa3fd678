using System.Net;
using System.Text;
using GentleBead.Core.Logbooks;
using GentleBead.Core.Skills;
using GentleBead.Core.Stock;

namespace GentleBead.Server.Logbooks;

/// <summary>The page of a logbook that opens in any browser without this program: no script, nothing from elsewhere.</summary>
internal static class LogbookHtml
{
    // Its own and no other: a page that somebody puts a script into still runs none.
    private const string Policy = "default-src 'none'; img-src 'self' file:; media-src 'self' file:; style-src 'unsafe-inline'";
    private const string Style =
        "body{font:16px/1.45 sans-serif;margin:2rem auto;max-width:60rem;padding:0 1rem;color:#182025}"
        + "table{border-collapse:collapse;width:100%}th,td{text-align:left;padding:.3rem .6rem .3rem 0;border-bottom:1px solid #c3cacf;"
        + "vertical-align:top}img{max-width:14rem;display:block}audio{width:14rem}.quiet{color:#4f5c64}";

    /// <summary>Writes it.</summary>
    /// <param name="logbook">What it shows.</param>
    /// <param name="left">How many recordings did not fit into the file.</param>
    /// <param name="units">The reader's units.</param>
    public static byte[] Write(Logbook logbook, int left, Units units)
    {
        var page = new StringBuilder();
        page.Append("<!doctype html><html lang=\"en\"><meta charset=\"utf-8\"><meta name=\"viewport\" content=\"width=device-width\">")
            .Append($"<meta http-equiv=\"Content-Security-Policy\" content=\"{Policy}\"><style>{Style}</style>")
            .Append($"<title>{Text(logbook.Student)}</title><h1>{Text(logbook.Student)}</h1>");
        Line(
            Say($"{logbook.School.Name()}, {Day(logbook.MadeAt)}. A record of practice and no qualification. Signed: see signature.json.")
        );
        if (left > 0)
            Line(Say($"{left} recordings did not fit into this file and stayed at the school."));
        Table(
            Say($"What they could weld"),
            logbook.Skills,
            skill => [skill.Kind.InWords(), Say($"{skill.State.Words()}"), skill.Did, skill.Next]
        );
        Table(
            Say($"Test welds, signed"),
            logbook.Tests,
            test => [test.Passed ? Say($"accepted") : Say($"not accepted"), Say($"seal {test.Seal.Name()}")]
        );
        Table(Say($"Goals"), logbook.Goals, goal => [Said.AsIs(goal.Text), goal.Reached is true ? Say($"reached") : Say($"")]);
        Table(Say($"In the instructors' words"), logbook.Remarks, remark => [Said.AsIs(remark.Text), Said.AsIs(remark.By)]);
        page.Append($"<h2>{Text(Say($"Beads").In(units))}</h2><table>");
        foreach (var bead in logbook.Beads.Reverse())
            Bead(bead);
        page.Append("</table></html>");
        return Encoding.UTF8.GetBytes(page.ToString());

        void Line(Said said) => page.Append($"<p class=\"quiet\">{Text(said.In(units))}</p>");

        void Table<T>(Said head, IReadOnlyList<T> rows, Func<T, IEnumerable<Said>> cells)
        {
            if (rows.Count == 0)
                return;
            page.Append($"<h2>{Text(head.In(units))}</h2><table>");
            foreach (var row in rows)
                page.Append("<tr>").AppendJoin("", cells(row).Select(cell => $"<td>{Text(cell.In(units))}")).Append("</tr>");
            page.Append("</table>");
        }

        void Bead(LoggedBead bead)
        {
            var stands = bead.Instructor ?? bead.Verdict;
            var name = new KindOfWork(bead.Job.Process, bead.Job.Joint, bead.Job.Position).InWords().In(units);
            page.Append($"<tr><td>{Text(Day(bead.At).In(units))}<td>{Text(name)}")
                .Append($"<td>{Text(Database.EnumText.Of(stands))}<td>{Text(bead.Next?.In(units) ?? "")}<td>");
            foreach (var file in bead.Files)
                page.Append(Shown[file.Kind](Text(file.Name)));
            page.Append("</tr>");
        }
    }

    private static readonly Dictionary<LoggedFileKind, Func<string, string>> Shown = new()
    {
        [LoggedFileKind.Picture] = name => $"<img src=\"{name}\" alt=\"\" loading=\"lazy\">",
        [LoggedFileKind.Sound] = name => $"<audio controls preload=\"none\" src=\"{name}\"></audio>",
        [LoggedFileKind.Log] = name => $"<a href=\"{name}\">{name}</a>",
    };

    private static Said Day(DateTimeOffset at) => Say($"{DateOnly.FromDateTime(at.DateTime)}");

    private static string Text(string text) => WebUtility.HtmlEncode(text);
}
