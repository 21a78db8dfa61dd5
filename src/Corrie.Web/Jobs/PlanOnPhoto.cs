using System.Security.Cryptography;
using System.Text;
using Corrie.Core.Catalogue;
using Corrie.Core.Feeds;
using Corrie.Core.Fixing;
using Corrie.Core.Measure;
using Corrie.Core.Placement;
using Corrie.Core.Planning;
using Corrie.Core.Survey;
using Corrie.Data;

namespace Corrie.Web.Jobs;

/// <summary>The plan of a wall on the wall's own photo: what the client looks at before they consent.</summary>
public static class PlanOnPhoto
{
    private const uint Board = 0xF0202327, Glass = 0xFF35404C, Other = 0xE0404449, Hidden = 0x501F5FAE, Edge = 0xFF000000, Wood = 0x60C8A060, Danger = 0x80A01F1F, Faint = 0x18202327, Chalk = 0xFF1F5FAE;

    /// <summary>The squared photo of a wall, where there is one that its points hold.</summary>
    public static SquaredPhoto? Of(JobPlan plan, string? wall) => wall is not null && SquaredPhoto.Of(plan, wall) is { ToWall: not null } photo ? photo : null;

    /// <summary>A word that is another one as soon as the squared photo is.</summary>
    public static string Version(JobPlan plan, string wall) =>
        plan.Sheet.Wall(wall)?.Get(SquaredChoice.Part) is { } choice && Of(plan, wall) is { } photo
            ? Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes($"{photo.Picture} {string.Join(' ', choice.Points)}")))[..12]
            : string.Empty;

    /// <summary>The plan on the photo; null where there is no squared photo.</summary>
    public static byte[]? Composed(JobPlan plan, string wall, PhotoStore photos) =>
        Of(plan, wall) is { } photo && photos.Find(photo.Picture, PhotoSize.View) is { } path ? WallPictures.Composed(path, photo.ToWall!.Inverse.Numbers, Paints(plan, wall)) : null;

    /// <summary>The photo squared; null where there is none.</summary>
    public static byte[]? Squared(JobPlan plan, string wall, PhotoStore photos) =>
        Of(plan, wall) is { } photo && plan.Survey(wall)?.Wall is { } face && photos.Find(photo.Picture, PhotoSize.View) is { } path
            ? WallPictures.Squared(path, photo.ToWall!.Numbers, face.Width.Inches, face.Height.Inches, 1200) : null;

    /// <summary>What is hidden in the wall, on its photo: members, boxes, ways of cables with their holes, screws; what hangs before it as an outline. Null where there is no squared photo.</summary>
    /// <param name="plan">The plan.</param>
    /// <param name="wall">Key of the wall.</param>
    /// <param name="photos">The company's photos.</param>
    public static byte[]? Inside(JobPlan plan, string wall, PhotoStore photos) =>
        Of(plan, wall) is { } photo && photos.Find(photo.Picture, PhotoSize.View) is { } path ? WallPictures.Composed(path, photo.ToWall!.Inverse.Numbers, HiddenPaints(plan, wall)) : null;

    private static IReadOnlyList<Paint> HiddenPaints(JobPlan plan, string wall)
    {
        var paints = new List<Paint>();
        if (plan.Survey(wall) is not { } surveyed)
        {
            return paints;
        }

        void Area(Rect area, uint fill, uint? edge = null) => paints.Add(new(area.Left.Inches, area.Bottom.Inches, area.Width.Inches, area.Height.Inches, fill, edge ?? 0));
        foreach (var stud in surveyed.For(plan.ShownBolt(wall)).Studs)
        {
            Area(Rect.Between(stud.Left, stud.Right, Length.Zero, surveyed.Wall.Height), Wood);
        }

        foreach (var feature in surveyed.Wall.Features.Where(f => f.Buried || f.Traits.InWall))
        {
            Area(feature.Outline, Danger, Edge);
        }

        foreach (var item in plan.Sheet.ThingsOn(plan.Sheet.Wall(wall)!).Where(i => plan.Placement(i.Id) is not null))
        {
            Area(plan.Placement(item.Id)!.Outer, item.Kind.Layer == WallLayer.Inside ? Hidden : Faint, item.Kind.Layer == WallLayer.Inside ? Chalk : Edge);
        }

        foreach (var bolt in plan.Sheet.ThingsOn(plan.Sheet.Wall(wall)!).SelectMany(i => plan.Fixing(i.Id)?.Bolts ?? []))
        {
            paints.Add(new(bolt.X.Inches - .5, bolt.Y.Inches - .5, 1, 1, Edge));
        }

        foreach (var route in plan.Routes(wall)?.All ?? [])
        {
            var colour = route.Route.Power ? Edge : Chalk;
            foreach (var move in (route.Chosen?.Moves ?? []).Where(m => m.Kind is not (WayMoveKind.Attic or WayMoveKind.Basement) && m.Run > Length.Zero))
            {
                var half = Length.Tape(0, 3, 8);
                Area(Rect.Between(Length.Min(move.From.X, move.To.X) - half, Length.Max(move.From.X, move.To.X) + half, Length.Min(move.From.Y, move.To.Y) - half, Length.Max(move.From.Y, move.To.Y) + half), colour);
            }
        }

        return paints;
    }

    private static IReadOnlyList<Paint> Paints(JobPlan plan, string wall)
    {
        var paints = new List<Paint>();
        foreach (var item in plan.Sheet.ThingsOn(plan.Sheet.Wall(wall)!).OrderBy(i => i.Kind.Layer))
        {
            if (plan.Placement(item.Id) is not { } placed)
            {
                continue;
            }

            var outer = placed.Outer;
            // A box in the wall is there, and not to be seen: an outline says where.
            paints.Add(new(outer.Left.Inches, outer.Bottom.Inches, outer.Width.Inches, outer.Height.Inches, item.Kind.Layer == WallLayer.Inside ? Hidden : placed.Picture is null ? Other : Board, item.Kind.Layer == WallLayer.Inside ? Chalk : Edge));
            if (placed.Picture is { } picture)
            {
                paints.Add(new(picture.Left.Inches, picture.Bottom.Inches, picture.Width.Inches, picture.Height.Inches, Glass));
                paints.Add(new(outer.CentreX.Inches - .1, outer.Top.Inches, .2, 3, Chalk));
                paints.Add(new(outer.CentreX.Inches - .1, outer.Bottom.Inches - 3, .2, 3, Chalk));
            }
        }

        return paints;
    }
}
