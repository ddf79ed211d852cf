import { Verb, type Path } from "./path";

/** What is done at each step of a path. */
export interface Steps {
  move(x: number, y: number): void;
  line(x: number, y: number): void;
  /** Where it is left out, quadratic curves come as the cubic ones that they are. */
  quad?(x1: number, y1: number, x: number, y: number): void;
  cubic(x1: number, y1: number, x2: number, y2: number, x: number, y: number): void;
  close(): void;
}

/** Goes along a path. */
export function walk({ verbs, coords }: Path, steps: Steps): void {
  let at = 0;
  for (const verb of verbs) {
    const [px, py] = [coords[at - 2], coords[at - 1]];
    switch (verb as Verb) {
      case Verb.Move:
        steps.move(coords[at], coords[at + 1]);
        at += 2;
        break;
      case Verb.Line:
        steps.line(coords[at], coords[at + 1]);
        at += 2;
        break;
      case Verb.Quad: {
        const [x1, y1, x, y] = [coords[at], coords[at + 1], coords[at + 2], coords[at + 3]];
        if (steps.quad) steps.quad(x1, y1, x, y);
        else steps.cubic(px + (2 / 3) * (x1 - px), py + (2 / 3) * (y1 - py), x + (2 / 3) * (x1 - x), y + (2 / 3) * (y1 - y), x, y);
        at += 4;
        break;
      }
      case Verb.Cubic:
        steps.cubic(coords[at], coords[at + 1], coords[at + 2], coords[at + 3], coords[at + 4], coords[at + 5]);
        at += 6;
        break;
      case Verb.Close:
        steps.close();
    }
  }
}
