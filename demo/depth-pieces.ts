import type { Piece } from "../core/piece/schema";
import { form, inForm, lettering, onLine, piece, shape } from "./build";

/** Pieces with depth. */
export const depthPieces = (): Piece[] => [
  piece("Ski Cabin", 1200, 720, "px", 96, "#dfe8e6", [
    lettering("cabin", "CABIN", "alfa-slab", 300, 600, 360, "Cabin Door", { letterSpacing: 30 }),
    lettering("rooms", "rooms and waffles", "kaushan-script", 92, 600, 590, "One Stroke"),
  ]),
  piece("Mason's Yard", 1200, 760, "px", 96, "#8b949a", [
    lettering("mason", "MASON", "kalnia", 226, 600, 380, "Slate Cut", { letterSpacing: 40, axes: { wght: 700 } }),
    lettering("since", "AT THE OLD QUARRY", "kalnia", 78, 600, 560, "Slate Cut", { letterSpacing: 60, axes: { wght: 700 } }),
  ]),
  piece("Notary's Door", 1100, 760, "px", 96, "#23302c", [
    shape("sheet", "Sheet", 550, 380, 940, 600, form("rectangle", { radius: 6 }), "Brass Sheet", { size: 300 }),
    lettering("name", "NOTARY", "fraunces", 190, 550, 390, "Brass Plaque", { letterSpacing: 20, axes: { wght: 800, opsz: 40 } }),
    lettering("hours", "Tuesdays", "fraunces", 110, 550, 555, "Brass Plaque", { axes: { wght: 800, opsz: 40 } }),
  ]),
  piece("Summit Tunnel", 1200, 1000, "px", 96, "#f3d9ab", [
    lettering("tunnel", "SUMMIT\nTUNNEL", "anton", 230, 600, 300, "Tunnel Mouth", { lineSpacing: 1.04, letterSpacing: 20 }),
  ]),
  piece("Peak Poster", 900, 1100, "px", 96, "#e9b58a", [
    lettering("go", "GO\nUP", "luckiest-guy", 400, 450, 400, "Summit Poster", { letterSpacing: 14, lineSpacing: 0.96 }),
    lettering("peak", "by the mountain railway", "bricolage", 58, 450, 950, "Plain Cream", { letterSpacing: 40 }),
  ]),
  piece("Bell Ringers", 1200, 560, "px", 96, "#e8dcc2", [
    lettering("bell", "Evensong", "unifrakturcook", 290, 600, 350, "Chapel Bell", { letterSpacing: 6 }),
  ]),
  piece("High Street", 1200, 560, "px", 96, "#f0e3c3", [
    lettering("high", "BAKER", "special-gothic-expanded", 290, 650, 385, "High Street", { letterSpacing: 20 }),
  ]),
  piece("Quay at Night", 1200, 760, "px", 96, "#141a2e", [
    lettering("quay", "Last Ferry", "fredoka", 214, 595, 360, "Ferry Lights", { letterSpacing: 12, axes: { wght: 600 } }),
  ]),
  piece("Tea Tin", 1000, 500, "px", 96, "#cfdad6", [lettering("tea", "Moor Tea", "shrikhand", 166, 500, 320, "Tea Tin")]),
  piece("Ice Fair", 1200, 560, "px", 96, "#bfe0ea", [
    lettering("ice", "ICE FAIR", "bricolage", 262, 600, 370, "Ice House", {
      axes: { wght: 800 },
      letterSpacing: 24,
      bend: onLine("arc", { angle: 22 }),
    }),
  ]),
  piece("Evening Train", 1300, 620, "px", 96, "#efc98f", [
    lettering("train", "EVENING", "archivo-black", 206, 590, 290, "Long Evening", { letterSpacing: 10 }),
  ]),
  piece("Water Works", 1200, 620, "px", 96, "#e5e9e2", [
    lettering("water", "WATER\nWORKS", "archivo-black", 190, 600, 260, "Enamel Plate", {
      lineSpacing: 0.98,
      letterSpacing: 16,
      bend: inForm("billowing", 0.08),
    }),
  ]),
];
