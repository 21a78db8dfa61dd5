namespace Corrie.Web.Drawing;

/// <summary>Hatchings as on a builder's drawing; colours come from the style sheet.</summary>
public static class Materials
{
    /// <summary>The patterns, to stand once in every drawing.</summary>
    public const string Definitions =
        """
        <defs>
        <pattern id="m-wood" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(52)"><line class="h-wood" x1="0" y1="0" x2="0" y2="7"/><line class="h-wood thin" x1="3.5" y1="0" x2="3.5" y2="7"/></pattern>
        <pattern id="m-steel" width="5" height="5" patternUnits="userSpaceOnUse"><line class="h-steel" x1="2.5" y1="0" x2="2.5" y2="5"/></pattern>
        <pattern id="m-brick" width="34" height="20" patternUnits="userSpaceOnUse"><path class="h-brick" d="M0 0H34M0 10H34M8 0V10M25 10V20"/></pattern>
        <pattern id="m-keep" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)"><line class="h-keep" x1="0" y1="0" x2="0" y2="8"/></pattern>
        <pattern id="m-board" width="6" height="6" patternUnits="userSpaceOnUse"><circle class="h-board" cx="1.5" cy="1.5" r=".7"/><circle class="h-board" cx="4.5" cy="4.2" r=".5"/></pattern>
        <pattern id="m-stone" width="46" height="34" patternUnits="userSpaceOnUse"><path class="h-brick" d="M2 8Q9 -2 20 4T24 17Q14 22 5 17ZM28 6Q38 0 44 8T40 20Q30 20 27 14ZM8 26Q18 20 27 25T22 34M34 25Q42 22 46 28"/></pattern>
        <pattern id="m-siding" width="30" height="44" patternUnits="userSpaceOnUse"><path class="h-steel" d="M0 0L12 40H0M0 44H30"/></pattern>
        <pattern id="m-grain" width="60" height="9" patternUnits="userSpaceOnUse"><path class="h-grain" d="M0 3C18 1 34 5 60 3M0 7C22 8.5 40 5.5 60 7"/></pattern>
        <marker id="a-end" viewBox="0 0 8 8" refX="7" refY="4" markerWidth="7" markerHeight="7" orient="auto-start-reverse"><path class="arrow" d="M0 1L7 4L0 7Z"/></marker>
        </defs>
        """;
}
