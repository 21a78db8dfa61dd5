using System.Globalization;
using Corrie.Core.Catalogue;
using Corrie.Core.Feeds;
using Corrie.Core.Findings;
using Corrie.Core.Fixing;
using Corrie.Core.Hanging;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.SiteDay;
using Corrie.Core.Survey;
using Corrie.Web.Forms;
using PdfSharp.Drawing;

namespace Corrie.Web.Sheets;

/// <summary>
/// What is handed over, as one PDF: what was fitted, each wall with all that is hidden in it, what plugs into what, mains, checks, what may be adjusted,
/// open points, changes, signatures and cautions.
/// </summary>
public sealed class HandOverPaper : Paper
{
    private const string Title = "Hand-over";

    private double y;

    private HandOverPaper(JobPlan plan, LengthStyle style, string asOf)
        : base(plan, style, asOf)
    {
    }

    private double Full => pageWidth - (2 * Margin);

    /// <summary>Writes the pack.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="style">The reader's units.</param>
    /// <param name="asOf">Of which entry and time it is.</param>
    public static byte[] Write(JobPlan plan, LengthStyle style, string asOf)
    {
        using var paper = new HandOverPaper(plan, style, asOf);
        paper.Fitted();
        foreach (var wall in plan.Sheet.Walls.Where(w => plan.Survey(w.Id) is not null))
        {
            paper.Inside(wall);
        }

        paper.Connections();
        paper.Mains();
        paper.Checks();
        paper.Open();
        paper.Signatures();
        return paper.Saved();
    }

    private static string Called(WallSheet wall) => wall.Name.Length > 0 ? wall.Name : $"Wall {wall.Id.TrimStart('w')}";

    // On to the next page where so much does not fit any more.
    private void Needs(double room, string title = Title)
    {
        if (y + room > pageHeight - 48)
        {
            y = NewPage($"{title}, continued");
        }
    }

    private void Head(string words)
    {
        Needs(48);
        y = Heading(words, Margin, y + 8, Full);
    }

    private void Says(string words, XFont? font = null, double indent = 0)
    {
        Needs(26);
        y = Line(words, font ?? text, Margin + indent, y, Full - indent);
    }

    private void Row(params (string Words, double Share)[] cells)
    {
        Needs(26);
        var (x, bottom) = (Margin, y);
        for (var i = 0; i < cells.Length; i++)
        {
            bottom = Math.Max(bottom, Line(cells[i].Words, i == 0 ? bold : text, x, y, (Full * cells[i].Share) - 6));
            x += Full * cells[i].Share;
        }

        on.DrawLine(new XPen(XColors.LightGray, 0.4), Margin, bottom + 1, Margin + Full, bottom + 1);
        y = bottom + 3;
    }

    private void Fitted()
    {
        y = NewPage($"{Title}: {(Plan.Sheet.Head.Title.Length > 0 ? Plan.Sheet.Head.Title : "untitled job")}");
        var stops = Plan.Findings.Count(f => f.Stops);
        if (stops > 0)
        {
            Says($"Not finished: {stops} {(stops == 1 ? "stop is open, and stands" : "stops are open, and stand")} under Open points.", bold);
        }

        Head("What was fitted");
        foreach (var item in Plan.Sheet.Items.Where(i => i.Product is not null && Plan.Sheet.WallOf(i) is not null))
        {
            var receipt = item.Get(Receipt.Part);
            var size = item.Product is ISized sized ? $"{Show(sized.Width)} x {Show(sized.Height)}" : string.Empty;
            Row((Plan.Sheet.NameOf(item), 0.38), (Called(Plan.Sheet.WallOf(item)!), 0.2), (size, 0.2), (receipt is { Serial.Length: > 0 } ? "serial " + receipt.Serial : receipt is null ? string.Empty : "serial not recorded", 0.22));
        }

        Head("What may be adjusted");
        foreach (var item in Plan.Sheet.Items)
        {
            if (item.Hardware() is not { } mount)
            {
                continue;
            }

            var turn = Plan.Layout(item.Id)?.Turning is { } turning ? $"turns {turning.Possible.Degrees:0.#} degrees to a side" : "does not turn";
            Says($"{Plan.Sheet.NameOf(item)}: {turn}, tilts {mount.TiltDown.Degrees:0.#} degrees down, {Show(mount.RaiseBy)} up and {Show(mount.LowerBy)} down with its own screws, {Show(mount.Slide)} to each side. It carries {Say(Phrase.Of($"{mount.Rated}"))} at the most; {Say(Phrase.Of($"{LoadTree.Load(Plan.Sheet, item)}"))} hang on it.");
        }

        Head("Care, and cautions");
        Says("Pull a display by its frame and never by the screen. Hang nothing else on the mount or the arm. Keep vents free, and cables out of an arm's fold.");
        Says("Before anybody drills, nails or cuts here: look at the pages of what is in the walls, and look with a scanner all the same.");
        Says("Mains are for a licensed person, with the circuit off, locked and proved dead. What makers and local codes say comes before this paper.");
        if ((Plan.Sheet.Get(DayTick.Part) ?? []).FirstOrDefault(t => t.Id == "clean") is { Note.Length: > 0 } clean)
        {
            Says($"Spare hardware and feet: {clean.Note}.");
        }
    }

    private void Inside(WallSheet wall)
    {
        var title = $"What is in this wall: {Called(wall)}";
        y = NewPage(title);
        y = Elevation(wall, y);
        var surveyed = Plan.Survey(wall.Id)!.Wall;
        Row(("What", 0.3), ("Across from the left corner", 0.17), ("or from", 0.18), ("Up from the floor", 0.15), ("or from", 0.2));
        foreach (var thing in InWall.Of(Plan, wall))
        {
            Needs(26, title);
            var (across, back, reads) = InWall.Beside(surveyed, Axis.Across, thing.From.X);
            var (up, down, height) = InWall.Beside(surveyed, Axis.Up, thing.From.Y);
            string To(Length from, Length to) => from == to ? Show(from) : $"{Show(from)} to {Show(to)}";
            Row(
                ($"{thing.What}, {Say(thing.Says)}", 0.3), (To(thing.From.X, thing.To.X), 0.17), (reads == Length.Zero ? $"at the {across.Name}" : $"{Show(reads)} {(back ? "left" : "right")} of the {across.Name}", 0.18),
                (To(thing.From.Y, thing.To.Y), 0.15), (height == Length.Zero ? $"at the {up.Name}" : $"{Show(height)} {(down ? "below" : "above")} the {up.Name}", 0.2));
        }
    }

    // The wall to scale, with all that is hidden in it.
    private double Elevation(WallSheet wall, double top)
    {
        var surveyed = Plan.Survey(wall.Id)!;
        var face = surveyed.Wall;
        var scale = Math.Min(Full / face.Width.Inches, 210 / face.Height.Inches);
        var (left, high) = (Margin + ((Full - (face.Width.Inches * scale)) / 2), face.Height.Inches * scale);
        double X(Length at) => left + (at.Inches * scale);
        double Y(Length at) => top + high - (at.Inches * scale);
        void Box(XPen? pen, XBrush? brush, Rect area) => on.DrawRectangle(pen, brush, X(area.Left), Y(area.Top), area.Width.Inches * scale, area.Height.Inches * scale);
        on.DrawRectangle(new XPen(XColors.Black, 0.8), left, top, face.Width.Inches * scale, high);
        var wood = new XSolidBrush(XColor.FromArgb(60, 150, 110, 50));
        foreach (var stud in surveyed.For(Plan.ShownBolt(wall.Id)).Studs)
        {
            Box(null, wood, Rect.Between(stud.Left, stud.Right, Length.Zero, face.Height));
            on.DrawString(Show(stud.Centre), small, XBrushes.DimGray, new XPoint(X(stud.Centre), top + high + 8), XStringFormats.BaseLineCenter);
        }

        foreach (var feature in face.Features)
        {
            Box(new XPen(XColors.Gray, 0.6), null, feature.Outline);
        }

        foreach (var item in Plan.Sheet.ThingsOn(wall).Where(i => Plan.Placement(i.Id) is not null))
        {
            Box(new XPen(XColors.Black, item.Product is WallBox ? 1.2 : 0.7) { DashStyle = item.Product is WallBox ? XDashStyle.Solid : XDashStyle.Dash }, item.Product is WallBox ? XBrushes.White : null, Plan.Placement(item.Id)!.Outer);
        }

        foreach (var bolt in Plan.Sheet.ThingsOn(wall).SelectMany(i => Plan.Fixing(i.Id)?.Bolts ?? []))
        {
            on.DrawEllipse(XPens.Black, XBrushes.White, X(bolt.X) - 2, Y(bolt.Y) - 2, 4, 4);
        }

        foreach (var route in Plan.Routes(wall.Id)?.All ?? [])
        {
            var pen = new XPen(route.Route.Power ? XColors.Black : XColor.FromArgb(31, 95, 174), 1.4) { DashStyle = route.Route.Power ? XDashStyle.Solid : XDashStyle.Dash };
            foreach (var move in (route.Chosen?.Moves ?? []).Where(m => m.Kind is not (WayMoveKind.Attic or WayMoveKind.Basement)))
            {
                on.DrawLine(pen, X(move.From.X), Y(move.From.Y), X(move.To.X), Y(move.To.Y));
            }

            foreach (var hole in route.Chosen?.Holes ?? [])
            {
                on.DrawEllipse(XPens.Black, XBrushes.White, X(hole.From.X) - 1.5, Y(hole.From.Y) - 1.5, 3, 3);
            }
        }

        return top + high + 20;
    }

    private void Connections()
    {
        var cables = Plan.Sheet.Walls.SelectMany(w => Plan.Cables(w.Id)?.All ?? []).ToList();
        if (cables.Count == 0)
        {
            return;
        }

        Head("What plugs into what");
        var holders = Plan.PortHolders();
        string End(string key, string port) => holders.FirstOrDefault(h => h.Key == key) is { } holder ? (holder.Jack(port)?.Name ?? port) is { Length: > 0 } named ? $"{holder.Name}, {named}" : holder.Name : "not connected";
        foreach (var cable in cables)
        {
            var connection = cable.Connection;
            Row((connection.Label.Length > 0 ? connection.Label : connection.Id, 0.1), (End(connection.From, connection.FromPort), 0.3), (End(connection.To, connection.ToPort), 0.3), ($"{connection.Cable?.Name ?? "cable not chosen"}{((connection.Bought ?? cable.Buys ?? cable.Asked) is { } length ? ", " + Show(length) : string.Empty)}", 0.3));
        }
    }

    private void Mains()
    {
        var code = Plan.Sheet.Get(Electrics.Part)!;
        if (code.Circuits.Items.Count == 0)
        {
            return;
        }

        Head("Mains");
        foreach (var circuit in code.Circuits.Items)
        {
            var record = code.Isolations.Items.LastOrDefault(i => i.Circuit == circuit.Id && i.Complete);
            Row((circuit.Called, 0.3), (string.Create(CultureInfo.InvariantCulture, $"{circuit.Amperes:0.#} A, {circuit.Volts:0} V, {circuit.Gauge} gauge"), 0.25), (record is null ? "no isolation on record" : $"made dead by {record.By}, licence {record.Licence}, {record.On}", 0.45));
        }

        foreach (var (wall, route) in Plan.Sheet.Walls.SelectMany(w => (w.Get(CableRoute.Part) ?? []).Where(r => r.Power).Select(r => (w, r))))
        {
            Says($"{route.Called}, {Called(wall)}: {(route.Wired is { } wired ? $"wired by {wired.By}{(wired.Licence.Length > 0 ? ", licence " + wired.Licence : ", no licence on record")}" : "nobody has recorded who wired it")}.");
        }

        foreach (var (what, said) in new[] { ("Permit", code.Permit), ("Inspection", code.Inspection) }.Where(s => s.Item2.Trim().Length > 0))
        {
            Says($"{what}: {said.Trim()}.");
        }
    }

    private void Checks()
    {
        var mounts = Plan.Sheet.Items.Where(i => Plan.Fixing(i.Id) is { Bolts.Count: > 0 }).ToList();
        if (mounts.Count == 0)
        {
            return;
        }

        Head("Loads, and what was measured");
        foreach (var item in mounts)
        {
            var (fixing, built) = (Plan.Fixing(item.Id)!, item.Get(Built.Part));
            var worst = fixing.Bolts.Max(b => b.Utilisation);
            var level = built?.Hung is { } hung ? $"hung{(hung.CentreUp is { } up ? $", centre {Show(up)} up" : string.Empty)}{(hung.RightHigher is { } higher ? higher == Length.Zero ? ", level" : $", right end {Show(higher.Abs)} {(higher > Length.Zero ? "higher" : "lower")}" : string.Empty)}, by {hung.By}" : "not hung yet";
            var pull = built?.Proof is { } proof ? $"pulled with {Say(Phrase.Of($"{proof.Pull}"))} for {proof.Seconds} s, {(proof.Held ? "held" : "something moved")}, by {proof.By}" : "no proof pull on record";
            Row((Plan.Sheet.NameOf(item), 0.28), ($"{fixing.Bolts.Count} x {Plan.BoltOf(item)!.Name}, the worst used {Bolt.Share(worst)}", 0.28), (pull, 0.22), (level, 0.22));
        }
    }

    private void Open()
    {
        Head("Open points");
        var open = Plan.Findings.Where(f => f.Stops || f.Severity == Severity.Caution).ToList();
        if (open.Count == 0)
        {
            Says("None that the plan knows of.");
        }

        foreach (var finding in open)
        {
            Says($"{(finding.Stops ? "Stop" : finding.Overridden is { } over ? $"Overridden by {over.By}, {over.Reason}" : "Mind")}: {finding.Kind.Title}. {Say(finding.Message)}", finding.Stops ? bold : text);
        }

        var changes = Plan.Sheet.Get(ChangeOrder.Part) ?? [];
        if (changes.Count > 0)
        {
            Head("Changes");
            foreach (var change in changes)
            {
                Row((change.Says, 0.5), (string.Create(CultureInfo.InvariantCulture, $"{(change.Hours is { } hours ? $"{hours:0.#} h" : string.Empty)}{(change.Price is { } price ? $", {price:0.00}" : string.Empty)}"), 0.15), (change.State switch { Agreed.Approved => $"approved by {change.Signed}{On(change)}", Agreed.Refused => $"refused by {change.Signed}{On(change)}", _ => "not answered" } + (change.Stale ? ", for another offer" : string.Empty), 0.35));
                Drawn(change.Drawn);
            }
        }

        var care = Plan.Sheet.Get(Aftercare.Part) ?? [];
        if (care.Count > 0)
        {
            Head("To be looked at again");
            foreach (var again in care)
            {
                Row((FieldText.Capital(again.Says), 0.6), (again.When(Plan.Sheet, DateOnly.MinValue), 0.4));
            }
        }
    }

    private void Drawn(string signature)
    {
        if (DrawnSignature.Read(signature) is not { } strokes)
        {
            return;
        }

        Needs(44);
        foreach (var stroke in strokes.Where(s => s.Count > 1))
        {
            on.DrawLines(new XPen(XColors.Black, 0.7), [.. stroke.Select(p => new XPoint(Margin + 20 + (p.X * 0.28), y + (p.Y * 0.28)))]);
        }

        y += 44;
    }

    private static string On(ChangeOrder change) => change.On.Length > 0 ? $", {change.On}" : string.Empty;

    private void Signatures()
    {
        Needs(90);
        y += 14;
        if (Plan.Sheet.Get(HandedOver.Part) is { By.Length: > 0 } taken)
        {
            Says($"Seen and taken over by {taken.By}, {taken.On}{(taken.Open > 0 ? $", with {taken.Open} {(taken.Open == 1 ? "stop" : "stops")} open" : string.Empty)}.{(taken.Note.Length > 0 ? " " + taken.Note : string.Empty)}", bold);
            Drawn(taken.Drawn);
        }
        else if ((Plan.Sheet.Get(DayTick.Part) ?? []).FirstOrDefault(t => t.Id == "sign") is { } signed)
        {
            Says($"Gone through with the client, and signed: {signed.By}{(signed.Note.Length > 0 ? ", " + signed.Note : string.Empty)}.");
        }

        foreach (var who in new[] { "For the company", "For the client" })
        {
            y += 24;
            on.DrawString($"{who} ______________________________ on ____________", text, XBrushes.Black, Margin, y);
        }
    }
}
