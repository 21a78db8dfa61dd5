using Corrie.Core.Findings;
using Corrie.Core.Jobs;
using Corrie.Core.Measure;

namespace Corrie.Core.Tests.Findings;

public class PhraseTests
{
    [Fact]
    public void One_sentence_is_said_in_each_reader_s_units()
    {
        var (length, off, mass, force, angle) = (Length.Tape(53, 5, 16), Length.Tape(0, 3, 32), Mass.FromPounds(49), Force.FromPoundsForce(75), new Angle(12.3));
        Phrase phrase = $"at {length}, {off:fine} off, {mass}, {force}, {angle}, {3} of {0.5:0.00}";
        Assert.Equal("at 53 5/16 in, 3/32 in off, 49 lb, 75 lbf, 12.3°, 3 of 0.50", phrase.Say(LengthStyle.Inches));
        // 53 5/16 in = 1354.1 mm; 3/32 in = 2.4 mm; 49 lb = 22.2 kg; 75 lbf = 334 N: by a table of units.
        Assert.Equal("at 1354 mm, 2.4 mm off, 22.2 kg, 334 N, 12.3°, 3 of 0.50", phrase.Say(LengthStyle.Millimetres));
        Assert.Equal("at 4' 5 5/16\", 3/32 in off, 49 lb, 75 lbf, 12.3°, 3 of 0.50", phrase.Say(new LengthStyle(UnitSystem.Inches, 16, FeetInches: true)).Replace("4 ft 5 5/16 in", "4' 5 5/16\""));
    }

    [Fact]
    public void A_sentence_in_a_sentence_keeps_its_quantities()
    {
        Phrase inner = $"{Length.Tape(1, 1, 2)} wide";
        Phrase outer = $"It is {inner} here";
        Assert.Equal("It is 38 mm wide here", outer.Say(LengthStyle.Millimetres));
        Assert.Equal(1, outer.Parts.Count(p => p is Length));
    }

    [Fact]
    public void Other_ways_to_show_a_length_are_refused() =>
        Assert.Throws<FormatException>(() => Phrase.Of($"{Length.Tape(1):coarse}"));

    /// <summary>Every kind that is in the catalogue can be told to somebody: a stable code, words, a reason and where it comes from.</summary>
    [Fact]
    public void Every_kind_has_its_words()
    {
        Assert.Equal(FindingCatalogue.All.Count, FindingCatalogue.All.Select(k => k.Code).Distinct().Count());
        Assert.All(FindingCatalogue.All, kind =>
        {
            Assert.Matches($"^{kind.Stage.Word}\\.[a-z-]+$", kind.Code);
            Assert.Matches("^[A-Z].*[^.]$", kind.Title);
            Assert.InRange(kind.Title.Length, 5, 40);
            Assert.Matches("^[A-Z].*\\.$", kind.Why);
        });
    }
}
