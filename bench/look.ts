import { openStyle } from "../core/input/open";
import { coat, flat, gradient, grow, plug, shift, shrink, stroke, style, weld } from "../demo/build";

/** Six coats of the kinds that lettering uses most: what edits and drags are timed on. */
export const sixCoats = openStyle(
  style("Bench", "archivo-black", "em", { Face: "#f2c14e", Edge: "#7a1f1f", Shade: "#20303a" }, [
    coat("Shadow", flat("shade"), [grow(6), weld(), plug(), shift(2, 3)]),
    coat("Outline", flat("edge"), [grow(6, "miter"), weld()]),
    coat("Line", flat("shade"), [grow(3)]),
    coat(
      "Face",
      gradient(
        [
          [0, "face"],
          [100, "edge"],
        ],
        { span: "letter", mix: "oklab" },
      ),
    ),
    coat("Inline", flat("face"), [shrink(1)], { lay: stroke(0.8, { side: "inside" }) }),
    coat("Edge", flat("edge"), [], { lay: stroke(0.8, { side: "outside", join: "round" }) }),
  ]),
);

/** A grotesque, a slab, a condensed one, a joined script, a blackletter, a variable serif. */
export const benchFaces = ["archivo-black", "alfa-slab", "league-gothic", "pacifico", "unifrakturcook", "fraunces"];
