using Corrie.Core.Planning;

namespace Corrie.Web.Pages.Guide;

/// <summary>What the guide says of a step.</summary>
/// <param name="What">What the step is for, in two sentences.</param>
/// <param name="Picture">What the picture shows.</param>
/// <param name="How">What one does, in order.</param>
/// <param name="Words">Words of the trade that the step uses, explained.</param>
public sealed record GuideText(string What, string Picture, IReadOnlyList<string> How, IReadOnlyList<(string Word, string Means)> Words)
{
    private static readonly Dictionary<WorkStep, GuideText> All = new()
    {
        [WorkStep.Survey] = new(
            "Find out what the wall is: its size, what it is made of, what stands on it, and where its studs are. Nothing is drilled before it is known what is behind.",
            "A wall from behind, with the marks of a scanner, of a magnet and of a bit, and the next places to push a bit in",
            [
                "Answer what is asked beside the wall with a press: what it is made of, whether cables were looked for.",
                "Type what stands there in one line: mantel 44 to 104 @ 50 to 52 deep 8, or outlet 20 @ 12. Where two figures stand the edges are meant, with one figure a device's middle.",
                "Take a tool in hand (scanner, magnet, goes on biting) and tap the wall, or type the figures alone. The tool stays in hand until another is taken.",
                "Push a bit in where the card says, and press what it did. One answer is one answer; the next card waits a second.",
                "A reading of the tape is typed as it is called out: left corner to mantel 44. If it does not say which edge, Corrie asks.",
            ],
            [
                ("stud", "an upright of wood or steel behind the board; displays hang on studs and not on board"),
                ("confirmed", "a bit has met wood and fallen through beside it, so that the bolt keeps its distance from the stud's edge wherever the centre may be"),
                ("found", "a scanner and a second sign agree; good for a pilot, not for a bolt"),
                ("goes on biting", "the bit keeps cutting for 1/2 in and more: wood, and not a pipe, a strip or a nail plate, which stop it short"),
                ("noggin", "a level piece between two studs"),
                ("keep-out", "where no hole may go: near a cable, pipe or duct, or where it may run"),
            ]),
        [WorkStep.Place] = new(
            "Say where the picture goes: how high, and centred on what. The client agrees to that place before anything is drilled.",
            "A wall from the front with a display over a chest and a soundbar, its edges read from both tapes",
            [
                "Press the display, then one of the heights. Each is what a school of the trade would choose on this wall; only heights that fit are shown.",
                "If the make is not known yet, press a typical one of its size. The plan goes by its figures; before the first hole the real one is measured and its figures typed.",
                "Or drag the display, or type a figure: the reading says where it is, from wherever the tapes are hooked.",
                "Drag a tape's hook to the mantel or the left edge of a window, and everything is read from there.",
                "Lay the plan on a photo of the wall: draw four numbers onto points that were measured. The client agrees on that picture, and it is kept.",
                "Or throw the plan onto the wall itself with a projector: four corners onto four tapes, a fifth to check. It is for looking, and not for drilling.",
                "Record who agreed. A client who signs in agrees by themselves. Whatever moves the display asks again.",
            ],
            [
                ("eye line", "the picture's centre at the eyes of those who sit"),
                ("as low as it goes", "the bottom edge just over what stands below"),
                ("typical", "with the figures that are usual for its kind, and not its own: good to plan with, not to drill by"),
                ("datum", "the line that a tape is hooked on: floor, corner, mantel"),
                ("sight line", "from an eye to the picture; too steep tires the neck"),
            ]),
        [WorkStep.Hang] = new(
            "Find the height and the place of the plate, so that the display ends up where it was agreed. The planner looks for the place at which most bolts go into studs.",
            "The wall as if the board were glass: studs, plate, arms and the hook line",
            [
                "Press the mount. The display on the wall is hung on it.",
                "From above, plate and bolts are drawn large, and the room small in the corner.",
                "Read the hook line three ways, from the bottom, the centre and the top of the display; measure one of them on the display itself.",
                "Look which screws go into the display, from which bag. What the kit lacks is said before the van leaves; what you take yourself is typed under it, in millimetres.",
                "Turn an arm by the round handle, from above; from the side pull a pull-down along its way. What it touches on the way is a stop.",
                "Where the plate misses its studs, open the ways out: each is planned and drawn, with what it costs. The catalogue's mounts stand beside each other there too.",
                "If the plate has to slide, the arrow says by how much. The display moves back on its hooks, if they allow it.",
            ],
            [
                ("hook line", "the height at which the arms hook onto the plate"),
                ("hole pattern", "the threaded holes on the back of a display, so wide and so high between centres"),
                ("arm hole", "which hole of the arm takes the upper screws; the same on both sides, or the display hangs crooked"),
                ("engagement", "how much of a screw is in the display's thread: its diameter at least, and 1 mm less than the thread is deep"),
                ("slide", "how far arms can move sideways along the plate"),
            ]),
        [WorkStep.Fix] = new(
            "Choose what holds the plate, and see what each bolt carries and what it can hold. Then print the set-out.",
            "Four numbered bolts of a plate over two studs, with the set-out under the wall",
            [
                "Press the bolt or screw. Each gets a number that is the same on the wall, in the list and on the sheet.",
                "Say what the studs are of, if you know it; the weakest usual wood is taken until then.",
                "On stone or brick: take 'trace a stone' in hand and tap its corners, or enter the courses. Hold the plate level against the face and type the gap at each hole; the packing of each, and its bolt's length, are there at once.",
                "Over a fire: leave it at full for an hour, and type what the air and the wall had, such as air 57, 86 F, 75 min.",
                "Clear what is red. A stop says what to do, and leads to the question that clears it.",
                "Print the set-out: one page with the marks in working order, both readings of every bolt, the bit and the depth, who lifts, which tools, and what nobody has confirmed.",
            ],
            [
                ("pilot", "a hole a little thinner than the screw, so that wood does not split"),
                ("edge distance", "from a bolt's centre to the stud's edge: at least one and a half times its thickness"),
                ("packing", "what fills the gap between plate and stone at a hole: stiff pieces, and a soft one next to the stone"),
                ("it rocks", "a bolt outside the stones that a plate rests on tips it when it is tightened"),
                ("facing", "stone, veneer or render before what holds: it carries nothing"),
                ("pull", "the force that tries to draw a bolt out of the wall"),
                ("thread in the wood", "only that part of a screw holds; its tip and what is in the board do not"),
            ]),
        [WorkStep.Feed] = new(
            "Bring power and signal behind the display so that nothing is seen, nothing is pinched and nothing is too short. Work at mains is for a licensed electrician under the local code: Corrie prepares it, checks it and keeps the record.",
            "The wall as if the board were glass: boxes in their bays, a power cable under the floor, a signal cable up its bay",
            [
                "Press Bring power or Bring signal: boxes go to the best places that are left, and the cheapest way is found. Blue is where the box that is chosen may go; drag it, or press one of the other places.",
                "Read why a cheaper way is not allowed. Where nobody has looked into a bay, look as it says, and press that nothing crosses; what does cross is entered in the survey.",
                "Take the next best way, or the surface, with a press. In a wall that may not be cut there is only the surface.",
                "Say which cables run there. Lengths follow from port to port, loops and a tenth to spare; the arm's way is counted where there is one.",
                "On What plugs into what draw a port onto another one. The list says it so that somebody who has never seen the job can follow, and the labels are for both ends.",
                "Name the site's electrical code, the circuits with their outlets, and who made them dead: off, locked, proved with a tester. Without that record work at mains is a stop that nobody passes.",
                "Print What is in this wall for whoever drills there next year.",
            ],
            [
                ("bay", "the clear space between two studs"),
                ("noggin", "a level piece between two studs; it may be a fire block, and a hole in it is sealed again"),
                ("plate", "of the wall: the piece along its top or bottom; a way to the attic or the basement goes through it"),
                ("nail plate", "steel over a hole whose edge is near the stud's face, so that no screw finds the cable"),
                ("raceway", "a duct on the wall's surface"),
                ("return channel", "the input of a display that gives its sound back to the soundbar"),
            ]),
        [WorkStep.Site] = new(
            "Make the holes, one at a time, and enter what you find. What is in the wall stays; the rest is planned anew from it.",
            "A phone with one step of the field sheet: drill bolt 1, its two readings in large figures, the plate over two studs",
            [
                "Open the day: every step from the boxes to the signature, made from the plan. Press Done, or note what was not as planned; others see it at once.",
                "Where there is no signal, take the day along before you leave. What you enter is kept on the device, also if you close it, and is sent once when the signal is back.",
                "Add photos to the step that they show: they come over in pieces, and go on where the signal broke off. What is inside a wall has to be on one before the wall is closed.",
                "What nobody could know before goes to Changes: say what it takes, hand the device over, and have it signed or refused there. What is signed counts for the words and figures that were shown.",
                "Where two people said different things of one step, both stand side by side on Site day until somebody decides.",
                "Open the field sheet. It shows one step, with its readings from what is on the wall by then.",
                "Press what is true: it is in as planned, or type what the tape shows. What changes by that is said at once, and drawn.",
                "A hole that met nothing, a bolt that turns freely: say so. The plan keeps clear of it by three diameters, or says that there is no sound place left.",
                "Hold points do not let you past without their evidence: studs confirmed, plate level, proof pull.",
                "Or print the template at true scale, in tiles, and measure its check ruler first.",
            ],
            [
                ("as-built", "what was really made or measured, beside what was planned"),
                ("hold point", "what has to be shown true before the next step"),
                ("check dimension", "a distance between two marks that a misread tape would change"),
                ("proof pull", "a pull down at the plate with a quarter more than what hangs; it proves shear and seating, and not tension"),
            ]),
    };

    /// <summary>What is said of a step.</summary>
    public static GuideText Of(WorkStep step) => All[step];
}
