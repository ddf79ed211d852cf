import { openPiece } from "../core/input/open";
import type { Piece } from "../core/piece/schema";
import { lettering, piece } from "./build";

/** The pieces of the demo: lettering jobs of the mountain-railway town Brindlemoor, in the order of the shelf. */
export const demoPieces = (): Piece[] =>
  [
    piece("Night Ferry", 1200, 800, "px", 96, "#0e3b43", [
      lettering("ferry", "Night Ferry", "pacifico", 205, 600, 410, "Gaslight", { turn: -6 }),
      lettering("line", "BRINDLEMOOR · LOWER QUAY", "league-gothic", 64, 600, 640, "Signal Box", { letterSpacing: 60 }),
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
      lettering("arabic", "أهلا وسهلا", "marhey", 170, 600, 540, "Nightwatch"),
      lettering("devanagari", "स्वागत", "baloo-2", 200, 600, 800, "Nightwatch"),
    ]),
    piece("Snowline Lift", 8, 5, "in", 300, "#f8f5ee", [
      lettering("snow", "Snowline", "fraunces", 164, 384, 262, "Snowline"),
      lettering("lift", "Chair Lift", "fredoka", 104, 384, 402, "Felt Patch"),
    ]),
  ].map(openPiece);
