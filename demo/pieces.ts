import { openPiece } from "../core/input/open";
import { depthPieces } from "./depth-pieces";
import type { Piece } from "../core/piece/schema";
import {
  coat,
  cutBy,
  flat,
  form,
  gradient,
  grow,
  inForm,
  knockOut,
  lettering,
  onLine,
  plug,
  piece,
  shape,
  shift,
  shrink,
  stroke,
  style,
  trail,
  weld,
} from "./build";
import { ridge, scenes } from "./photos";
import { newPaint } from "../core/coat/schema";
import { newRow } from "../core/params";
import { photos } from "../core/coat/paints/photos";

/** Letters cut out of a photo, on a shade of their own. */
const dusk = style("Dusk", "anton", "em", { Night: "#1a1f3a" }, [
  coat("Shade", flat("night"), [grow(1.1), shift(1.6, 1.8)]),
  coat("Edge", flat("night"), [grow(1.1)]),
  coat("Photo", newPaint("photo", { photo: ridge, scale: 104, place: { x: 0.5, y: 0.5 } })),
]);

/** A scene in each letter, edged in white, on a shade: the big letters of a picture card. */
const card = style("Picture Card", "archivo-black", "em", { White: "#fffaf0", Shade: "#b3342b", Deep: "#4d1420", Line: "#23303a" }, [
  coat("Shade", flat("deep"), [grow(2.6), weld(), trail(24, 128, 9)]),
  coat("Red", flat("shade"), [grow(2.6), weld(), trail(14, 128, 5)]),
  coat("White", flat("white"), [grow(2.6), weld(), plug()]),
  coat(
    "Scenes",
    newPaint("photos", {
      photos: scenes.map((photo, i) =>
        newRow(photos.params.photos, {
          photo,
          ...(i === 1 ? { place: { x: 0.6, y: 0.3 } } : i === 4 ? { place: { x: 0.9, y: 0.8 } } : {}),
        }),
      ),
    }),
  ),
  coat("Line", flat("line"), [], { lay: stroke(0.45) }),
]);

/** A door of pale boards, cut through where the words are: what is behind is seen in the letters. */
const door = style("Stencilled Door", "saira-stencil", "em", { Door: "#efe3c8", Rule: "#b9a77d", Shadow: "#1c130d" }, [
  coat("Door", flat("door"), [cutBy("goods"), cutBy("small")], { shadow: { distance: 7, blur: 12, opacity: 80 } }),
  coat("Rule", flat("rule"), [shrink(5)], { lay: stroke(1.4, { side: "inside" }) }),
]);

/** A face that stands off its own shade by an even gap. */
const standOff = style("Stand-off", "anton", "em", { Face: "#fff4e0", Shade: "#c04a6a" }, [
  coat("Shade", flat("shade"), [shift(4.4, 4.4), knockOut("Face", 1.3)]),
  coat("Face", flat("face")),
]);

/** Copies that sink from the face into the night. */
const sleeper = style(
  "Sleeper",
  "shrikhand",
  "em",
  { Face: "#fff4e0", Ember: "#f2704f", Plum: "#7a2760", Night: "#1d1440", Shadow: "#150d30" },
  [
    coat(
      "Trail",
      gradient(
        [
          [0, "ember"],
          [45, "plum"],
          [100, "night"],
        ],
        { shape: "copies", mix: "oklab" },
      ),
      [grow(1.6), weld(), trail(90, 62, 46, { size: 62, face: true })],
      { passes: { face: flat("night") } },
    ),
    coat("Face", flat("face"), [], { shadow: { way: { angle: 70, distance: 1.6 }, blur: 3, opacity: 60 } }),
  ],
);

/** The pieces of the demo: lettering jobs of the mountain-railway town Brindlemoor, in the order of the shelf. */
export const demoPieces = (): Piece[] =>
  [
    piece("Night Ferry", 1200, 800, "px", 96, "#0e3b43", [
      lettering("ferry", "Night Ferry", "pacifico", 205, 600, 410, "Gaslight", { turn: -6 }),
      lettering("line", "BRINDLEMOOR · LOWER QUAY", "league-gothic", 64, 600, 640, "Signal Box", { letterSpacing: 60 }),
    ]),
    piece("Sleeper Train", 1200, 900, "px", 96, "#171034", [
      lettering("sleeper", "Sleeper", "shrikhand", 236, 600, 440, "", { styleId: null, ownStyle: sleeper, turn: -7 }),
      lettering("times", "DEPARTS 22.40 · ARRIVES RESTED", "anton", 52, 600, 772, "", {
        styleId: null,
        ownStyle: standOff,
        letterSpacing: 90,
      }),
    ]),
    piece("Picture Card", 1500, 900, "px", 96, "#a9d3cf", [
      lettering("word", "BRINDLE\nMOOR", "archivo-black", 300, 750, 470, "", {
        styleId: null,
        ownStyle: card,
        letterSpacing: 12,
        lineSpacing: 0.98,
        lines: [{ width: 1280 }, { width: 1040 }],
        bend: inForm("bowed", 0.12),
      }),
      lettering("from", "Greetings from", "pacifico", 118, 520, 170, "Gaslight", { turn: -5 }),
    ]),
    piece("Goods Shed Door", 1000, 800, "px", 96, "#a2462b", [
      shape("door", "Door", 500, 400, 780, 560, form("rectangle", { radius: 8 }), "", { styleId: null, ownStyle: door, size: 220 }),
      lettering("goods", "GOODS\nSHED", "saira-stencil", 204, 500, 362, "", { hidden: true, styleId: null, lineSpacing: 0.86 }),
      lettering("small", "NO STEAM BEYOND THIS DOOR", "saira-stencil", 40, 500, 618, "", {
        hidden: true,
        styleId: null,
        letterSpacing: 60,
      }),
    ]),
    piece("Sawmill", 1200, 800, "px", 96, "#3d5345", [
      lettering("saw", "SAW\nMILL", "alfa-slab", 268, 600, 338, "Sawmill", { lineSpacing: 0.92, letterSpacing: 14 }),
      lettering("what", "Planks, beams and kindling. Upper Tarn Lane.", "kaushan-script", 52, 600, 734, "", {
        styleId: null,
        ownStyle: style("Chalked", "kaushan-script", "em", { Chalk: "#f3ead6" }, [coat("Chalk", flat("chalk"))]),
      }),
    ]),
    piece("Ridge Walk", 1200, 800, "px", 96, "#f4e8d3", [
      lettering("ridge", "RIDGE\nWALK", "anton", 306, 600, 358, "", {
        styleId: null,
        ownStyle: dusk,
        lineSpacing: 0.94,
        letterSpacing: 12,
        lines: [{ width: 730 }, { width: 730 }],
      }),
      lettering("from", "six miles, two passes, one tea room", "kaushan-script", 58, 600, 768, "One Stroke"),
    ]),
    piece("Brindlemoor Station", 24, 10, "in", 300, "#e9dfca", [
      lettering("name", "BRINDLEMOOR", "archivo-black", 256, 1152, 470, "Signal Box", { letterSpacing: 8 }),
      lettering("height", "1,204 m above the sea", "kaushan-script", 130, 1152, 740, "One Stroke"),
    ]),
    piece("Apple Fair", 210, 210, "mm", 300, "#f6d98b", [
      lettering("apple", "Apple\nFair", "shrikhand", 228, 390, 340, "Orchard", { lineSpacing: 0.86, turn: -4 }),
      lettering("when", "FIRST SUNDAY IN OCTOBER", "anton", 50, 397, 700, "Overprint", { letterSpacing: 40 }),
    ]),
    piece("Switchback Cycling Club", 1200, 900, "px", 96, "#f3f0e6", [
      lettering("club", "SWITCH\nBACK", "bangers", 360, 570, 385, "Switchback", { lineSpacing: 0.88, turn: -5 }),
      lettering("sub", "Brindlemoor Cycling Club", "kaushan-script", 84, 610, 822, "One Stroke", { turn: -5 }),
    ]),
    piece("Radio Brindlemoor", 1080, 1080, "px", 96, "#f25f5c", [
      lettering("radio", "Radio", "righteous", 330, 540, 580, "Airwave"),
      lettering("name", "BRINDLEMOOR 98.2", "righteous", 92, 540, 790, "Airwave", { letterSpacing: 30 }),
    ]),
    piece("Tea Room Window", 600, 400, "mm", 150, "#dfe9e2", [
      lettering("the", "The Old Engine Shed", "kaushan-script", 190, 1134, 480, "One Stroke"),
      lettering("tea", "Tea Room", "abril-fatface", 430, 1134, 1000, "Tea Room"),
    ]),
    piece("Welcome in Three Scripts", 1200, 900, "px", 96, "#16130f", [
      lettering("latin", "Willkommen", "unifrakturcook", 190, 600, 260, "Nightwatch"),
      lettering("arabic", "أهلا وسهلا", "marhey", 170, 600, 520, "Nightwatch", { bend: onLine("arc", { angle: 36 }, { letters: "flow" }) }),
      lettering("devanagari", "स्वागत", "baloo-2", 200, 600, 800, "Nightwatch"),
    ]),
    piece("Snowline Lift", 8, 5, "in", 300, "#f8f5ee", [
      lettering("snow", "Snowline", "fraunces", 164, 384, 262, "Snowline"),
      lettering("lift", "Chair Lift", "fredoka", 104, 384, 402, "Felt Patch"),
    ]),
    piece("Mountain Railway Badge", 1000, 1000, "px", 96, "#e4d8c0", [
      shape("disc", "Disc", 500, 500, 900, 900, form("ellipse"), "Enamel Panel"),
      shape("hub", "Hub", 500, 500, 500, 500, form("ellipse"), "Cream Plate", { size: 160 }),
      lettering("around", "BRINDLEMOOR MOUNTAIN RAILWAY · ", "archivo-black", 84, 500, 500, "Plain Cream", {
        bend: onLine("ring", { radius: 3840, start: 0 }, { spread: true }),
      }),
      lettering("rack", "RACK\n& RAIL", "alfa-slab", 120, 500, 480, "Oxide", {
        lineSpacing: 0.86,
        lines: [{ width: 330 }, { width: 330 }],
      }),
      lettering("since", "steep since 1898", "kaushan-script", 58, 500, 640, "One Stroke", { bend: onLine("arc", { angle: -50 }) }),
    ]),
    piece("Cider Press", 900, 1100, "px", 96, "#efe0b9", [
      lettering("name", "BRINDLEMOOR", "alfa-slab", 84, 450, 214, "Oxide", { letterSpacing: 20, bend: onLine("arc", { angle: 64 }) }),
      lettering("cider", "Apple\nCider", "shrikhand", 250, 450, 530, "Orchard", {
        lineSpacing: 0.84,
        bend: inForm("swelling", 0.5, { scope: "nested", gap: 40 }),
      }),
      lettering("foot", "pressed on the moor", "kaushan-script", 96, 450, 975, "One Stroke", {
        bend: onLine("wave", { height: 90, length: 4200, phase: 40 }, { letters: "flow" }),
      }),
    ]),
    piece("High Pass Shield", 900, 1000, "px", 96, "#d7e2d6", [
      shape("shield", "Shield", 450, 500, 720, 860, form("shield", { head: 8, belly: 60 }), "Enamel Panel"),
      lettering("climb", "HIGH PASS\nCYCLING\nCLUB", "anton", 180, 450, 500, "Plain Cream", {
        bend: { kind: "fit", shape: "shield", corners: null, inset: 330, gap: 120 },
      }),
    ]),
    piece("Radio Hour", 1200, 800, "px", 96, "#123c3a", [
      lettering("hour", "BRINDLEMOOR\nMIDNIGHT\nRADIO HOUR", "bricolage", 180, 600, 285, "Felt Patch", {
        lineSpacing: 0.86,
        axes: { wght: 800, opsz: 96 },
        lines: [
          { width: 900, by: "axis" },
          { width: 900, by: "size" },
          { width: 900, by: "axis" },
        ],
        bend: inForm("billowing", 0.12),
      }),
    ]),
    piece("Chalk Menu", 1000, 1000, "px", 96, "#1f2b27", [
      lettering("soup", "TODAY", "luckiest-guy", 280, 500, 330, "Chalk Board", {
        letterSpacing: 10,
        loosen: { shift: 6, turn: 1.5, size: 2, seed: 3 },
      }),
      lettering("of", "soup of the moor", "kaushan-script", 118, 500, 520, "Chalk Line", { bend: onLine("arc", { angle: 14 }) }),
      lettering("pie", "APPLE PIE", "luckiest-guy", 190, 500, 760, "Chalk Board", { letterSpacing: 8, turn: -2 }),
      lettering("till", "until it is gone", "kaushan-script", 90, 500, 905, "Chalk Line"),
    ]),
    piece("Track Plan", 1200, 800, "px", 96, "#efe2c4", [
      lettering("line", "LINE\nFOUR", "archivo-black", 300, 600, 350, "Track Lines", {
        lineSpacing: 0.96,
        lines: [{ width: 900 }, { width: 900 }],
      }),
    ]),
    piece("Late Window", 1200, 800, "px", 96, "#17131f", [
      lettering("open", "Open", "fredoka", 360, 600, 420, "Night Tube", { letterSpacing: 20, turn: -4 }),
      lettering("late", "till the last train", "comfortaa", 112, 610, 600, "Night Tube", { letterSpacing: 10, turn: -4 }),
    ]),
    piece("Found Notice", 900, 1100, "px", 96, "#5d7d7a", [
      lettering("found", "FOUND\nONE\nBICYCLE", "anton", 250, 450, 370, "Torn Poster", {
        lineSpacing: 1.06,
        letterSpacing: 14,
        turn: -3,
        lines: [{ width: 560 }, { width: 560 }, { width: 560 }],
      }),
    ]),
    piece("Harbour View", 1200, 480, "px", 96, "#f6dcb0", [
      lettering("view", "Harbour View", "pacifico", 168, 600, 290, "Harbour Script", { turn: -5 }),
    ]),
    piece("Station Hotel", 1200, 800, "px", 96, "#4a2f27", [
      shape("sheet", "Sheet", 600, 400, 1060, 640, form("rectangle", { radius: 8 }), "Brass Sheet", { size: 300 }),
      lettering("name", "STATION\nHOTEL", "alfa-slab", 190, 600, 360, "Brass Letters", {
        lineSpacing: 1,
        letterSpacing: 30,
        lines: [{ width: 760 }, { width: 760 }],
      }),
      lettering("since", "Brindlemoor", "kaushan-script", 84, 600, 655, "Brass Letters"),
    ]),
    piece("Winter Opening", 1200, 520, "px", 96, "#9cc3dd", [
      lettering("first", "First Snow", "fredoka", 214, 600, 320, "Snow Cap", { letterSpacing: 12 }),
    ]),
    piece("Summer Fete", 1200, 460, "px", 96, "#f3e6c6", [
      lettering("fete", "Summer Fete", "bricolage", 150, 600, 280, "Bunting", {
        axes: { wght: 800 },
        letterSpacing: 24,
        bend: onLine("arc", { angle: 40 }),
      }),
    ]),
    piece("Fair Ground", 1200, 640, "px", 96, "#f4d9a0", [
      lettering("fair", "FUN FAIR", "luckiest-guy", 258, 600, 320, "Fair Ground", {
        letterSpacing: 16,
        bend: onLine("arc", { angle: 34 }),
      }),
    ]),
    piece("Ribbon Shop", 1200, 600, "px", 96, "#e7d4a8", [lettering("r", "Ribbons", "shrikhand", 228, 600, 385, "Shop Blind")]),
    ...depthPieces(),
  ].map(openPiece);
