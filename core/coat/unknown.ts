import { Problem } from "../problem";
import type { HeldParam } from "../params";
import { formStep } from "./form-step";
import { lay } from "./lay-kind";
import { paint } from "./paint-kind";

/** The name under which what is not known is held: a document of a later program is drawn without it, and loses nothing. */
export const unknownKind = "unknown";

const held: HeldParam = {
  type: "held",
  label: "Held",
  hint: "What a later Vextal has said, as it said it",
  default: { kind: unknownKind },
};
const said = {
  kind: unknownKind,
  label: "Not known here",
  hint: "Made with a later Vextal: it is kept as it is, and drawn without",
  params: { held },
} as const;

/** A form step that is not known: the shape goes on as it came. */
export const unknownStep = formStep({ ...said, apply: (shape) => shape });

/** A paint that is not known. */
export const unknownPaint = paint({
  ...said,
  apply: (_, { held: { kind } }) => {
    throw new Problem(`Its paint, “${kind}”, was made with a later Vextal: it is kept, and not drawn here.`);
  },
});

/** A lay that is not known: the form itself is painted. */
export const unknownLay = lay({ ...said, apply: (shape) => shape });
