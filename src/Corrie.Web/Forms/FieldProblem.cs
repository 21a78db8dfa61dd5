namespace Corrie.Web.Forms;

/// <summary>What was wrong with something typed, kept beside its field.</summary>
/// <param name="Path">The part of the sheet.</param>
/// <param name="Typed">What was typed.</param>
/// <param name="Words">What was understood and what is expected; empty where it only waits for another field.</param>
public sealed record FieldProblem(string Path, string Typed, string Words);
