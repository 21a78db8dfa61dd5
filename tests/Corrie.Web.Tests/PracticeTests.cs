using System.Net;
using System.Text.RegularExpressions;
using Corrie.Core.Measure;
using Corrie.Simulators;

namespace Corrie.Web.Tests;

/// <summary>The practice wall without script: everything is an address.</summary>
public sealed class PracticeTests(Site site) : IClassFixture<Site>
{
    [Fact]
    public async Task Whoever_does_what_the_planner_says_has_the_planner_s_score()
    {
        var tom = await site.As("tom");
        var start = (await tom.GetAsync("/practice")).Headers.Location!.OriginalString;
        var number = int.Parse(start.Split('/')[^1]);
        var did = "s34;s62";
        for (var n = 0; n < 20; n++)
        {
            var asked = await tom.GetStringAsync($"/practice/{number}?did={did}&hint=true");
            if (Regex.Match(asked, "push the bit in at <b class=\"big\">(.*?)</b>").Groups[1].Value.Plain() is not { Length: > 0 } figures)
            {
                break;
            }

            var moved = (await tom.GetAsync($"/practice/{number}?did={did}&tool=p&at={Uri.EscapeDataString(figures)}")).Headers.Location!.OriginalString;
            did = Regex.Match(moved, "did=([^&]+)").Groups[1].Value;
        }

        var end = (await tom.GetStringAsync($"/practice/{number}?did={did}&done=true")).Plain();
        var game = new PracticeGame(number, PracticeMove.Read(did));
        Assert.NotNull(game.Confirmed);
        Assert.Contains($"{game.Score} of 100", end);
        Assert.True(game.Score >= 90, end);
        // What is confirmed is true: 3/16 in, the bolt's edge distance, is the most that a mark may be off.
        foreach (var stud in new[] { game.Confirmed.Value.First, game.Confirmed.Value.Second })
        {
            Assert.InRange(game.Wall.Truth.Min(t => Math.Abs(t.Centre - stud.Centre.Inches)), 0, 3 / 16d);
        }
    }

    [Fact]
    public async Task The_truth_is_not_in_the_page_before_the_end()
    {
        var tom = await site.As("tom");
        var game = new PracticeGame(2, []);
        var page = await tom.GetStringAsync("/practice/2?did=s34");
        Assert.DoesNotContain("true-member", page);
        foreach (var member in game.Wall.Truth)
        {
            Assert.DoesNotContain(Length.FromInches(member.Centre).Units.ToString(), page);
        }

        Assert.Contains("true-member", await tom.GetStringAsync("/practice/2?did=s34&done=true"));
    }

    [Theory]
    [InlineData("/practice/2?did=x9;;p;s;p-1;p99999999999999999999", HttpStatusCode.OK, "Nothing is known yet")]
    [InlineData("/practice/2?tool=p&at=5//8", HttpStatusCode.UnprocessableEntity, "no number below the slash")]
    [InlineData("/practice/2?tool=p&at=40 ft", HttpStatusCode.UnprocessableEntity, "lies beyond the wall")]
    [InlineData("/practice/2?tool=z&at=40", HttpStatusCode.OK, "Nothing is known yet")]
    [InlineData("/practice/999999999", HttpStatusCode.OK, "Nothing is known yet")]
    public async Task Odd_addresses_are_answered(string address, HttpStatusCode status, string words)
    {
        var answer = await (await site.As("tom")).GetAsync(address + (address.Contains('?') ? "&hint=true" : "?hint=true"));
        Assert.Equal(status, answer.StatusCode);
        Assert.Contains(words, (await answer.Content.ReadAsStringAsync()).Plain());
    }
}
