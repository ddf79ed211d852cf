import { contrast } from "../colour";
import { memoByIdentity } from "../memo";
import type { Style } from "./schema";

type Ink = Pick<Style["inks"][number], "colour">;

/** The middle grey that pictures of styles lie on. */
const proof = "#b5b4b0";
/** Less than this no one makes out letters by: white on the grey has 2.1. */
const enough = 2.2;

const known = memoByIdentity<readonly Ink[], boolean>(1);

/** Whether a style can hardly be seen on the middle grey, as one of chalk alone: it is shown on a dark one. */
export const isPale = (inks: readonly Ink[]): boolean =>
  known(inks, "", () => inks.length > 0 && inks.every((ink) => contrast(ink.colour, proof) < enough));
