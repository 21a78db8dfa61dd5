namespace Corrie.Simulators.Tests;

public class FramingStudyTests
{
    /// <summary>The study of docs/studies/framing.md on its first 400 walls, held to its goals.</summary>
    [Fact]
    public void Framing_is_found_and_confirmed_as_well_as_the_study_says()
    {
        var study = FramingStudy.Run(400, seed: 1);
        Assert.True(study.Right >= 0.995 * study.Reported, study.ToString());
        Assert.True(study.False < 0.005 * study.Reported, study.ToString());
        Assert.True(study.Holes <= 4.5 * study.Tries, study.ToString());
        Assert.True(study.Done >= 0.99 * study.Tries, study.ToString());
        Assert.Equal(0, study.Wrong);
        // Members that nothing is said of are a failure too, of another kind.
        Assert.True(study.Seen >= 0.8 * study.Members, study.ToString());
        Assert.True(study.NaiveMissed > 0.1 * study.NaiveTries, study.ToString());
    }

    [Fact]
    public void A_hidden_wall_answers_the_same_question_in_the_same_way()
    {
        for (var n = 1; n < 60; n++)
        {
            var (a, b) = (new HiddenWall(n), new HiddenWall(n));
            Assert.Equal(a.Truth, b.Truth);
            Assert.Equal(a.Sweep(34), b.Sweep(34));
            Assert.Equal(a.Magnet(60, 40), b.Magnet(60, 40));
            // A bit is true to 1/32 in: well inside it bites, well outside it falls through.
            foreach (var member in a.Truth)
            {
                Assert.True(a.Probe(member.Centre + 0.7) && a.Probe(member.Centre - 0.7));
            }

            Assert.All(a.Strips, s => Assert.False(a.Probe(s)));
            Assert.All(a.Truth.Zip(a.Truth.Skip(1)), p => Assert.True(p.Second.Centre - p.First.Centre > 1.4));
        }
    }

    [Fact]
    public void The_planner_s_own_game_scores_full_and_an_idle_one_nothing()
    {
        var number = PracticeGame.Solvable(1);
        var moves = PracticeMove.Read("s34;s62").ToList();
        var game = new PracticeGame(number, moves);
        while (game.Confirmed is null)
        {
            moves.Add(new('p', game.Hint!.At.Units));
            game = new(number, moves);
            Assert.True(game.Holes < 12);
        }

        Assert.InRange(game.Score, 80, 100);
        Assert.Equal(0, new PracticeGame(number, []).Score);
        Assert.Empty(PracticeMove.Read("x1;p;p-3;pabc;s99999999999999999999"));
        Assert.Equal(moves, PracticeMove.Read(string.Join(';', moves)));
    }
}
