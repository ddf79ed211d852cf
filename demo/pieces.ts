import { openPiece } from "../core/input/open";
import type { Piece } from "../core/piece/schema";
import { lettering, piece } from "./build";

/** The pieces of the demo: lettering jobs of the mountain-railway town Brindlemoor, in the order of the shelf. */
export const demoPieces = (): Piece[] =>
  [
    piece("Night Ferry", 1200, 800, "px", 96, "#0e3b43", [
      lettering("ferry", "Night Ferry", "pacifico", 210, 600, 420, "Gaslight", { turn: -6 }),
      lettering("line", "BRINDLEMOOR · LOWER QUAY", "league-gothic", 64, 600, 640, "Signal Box", { letterSpacing: 60 }),
    ]),
    piece("Brindlemoor Station", 24, 10, "in", 300, "#e9dfca", [
      lettering("name", "BRINDLEMOOR", "archivo-black", 250, 1152, 440, "Signal Box", { letterSpacing: 50 }),
      lettering("height", "1,204 m above the sea", "abril-fatface", 110, 1152, 720, "Tea Room"),
    ]),
    piece("Apple Fair", 210, 210, "mm", 300, "#f6d98b", [
      lettering("apple", "Apple\nFair", "shrikhand", 262, 397, 365, "Orchard", { lineSpacing: 0.86, turn: -4 }),
      lettering("when", "FIRST SUNDAY IN OCTOBER", "anton", 44, 397, 720, "Overprint", { letterSpacing: 50 }),
    ]),
    piece("Switchback Cycling Club", 1200, 900, "px", 96, "#f3f0e6", [
      lettering("club", "SWITCH\nBACK", "bangers", 360, 570, 400, "Switchback", { lineSpacing: 0.88, turn: -5 }),
      lettering("sub", "Brindlemoor Cycling Club", "fredoka", 66, 610, 830, "Felt Patch"),
    ]),
    piece("Radio Brindlemoor", 1080, 1080, "px", 96, "#f25f5c", [
      lettering("radio", "Radio", "righteous", 300, 540, 470, "Airwave"),
      lettering("name", "Brindlemoor", "righteous", 118, 540, 760, "Airwave", { letterSpacing: 20 }),
    ]),
    piece("Tea Room Window", 600, 400, "mm", 150, "#dfe9e2", [
      lettering("the", "The Old Engine Shed", "kaushan-script", 190, 1134, 480, "Gaslight"),
      lettering("tea", "Tea Room", "abril-fatface", 460, 1134, 1010, "Tea Room"),
    ]),
    piece("Welcome in Three Scripts", 1200, 900, "px", 96, "#16130f", [
      lettering("latin", "Willkommen", "unifrakturcook", 190, 600, 260, "Nightwatch"),
      lettering("arabic", "أهلا وسهلا", "marhey", 170, 600, 540, "Nightwatch"),
      lettering("devanagari", "स्वागत", "baloo-2", 200, 600, 800, "Nightwatch"),
    ]),
    piece("Snowline Lift", 8, 5, "in", 300, "#f8f5ee", [
      lettering("snow", "Snowline", "fraunces", 170, 384, 250, "Snowline"),
      lettering("lift", "Chair Lift", "fredoka", 88, 384, 400, "Felt Patch"),
    ]),
  ].map(openPiece);
