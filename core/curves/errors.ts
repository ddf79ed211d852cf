import { Problem } from "../problem";

/** Geometry that cannot be worked on; the message says what is wrong with it. */
export class CurveError extends Problem {}
