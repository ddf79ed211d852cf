import { finish } from "../finish-kind";
import { placeIn } from "../handles";
import { boundsOf } from "../shape";
import { on, strength } from "./switched";

export const fade = finish({
  kind: "fade",
  label: "Fade",
  hint: "Lets the coat run out into what is below",
  params: {
    on: { type: "toggle", label: "Fade", hint: "Lets the coat run out along a line", default: false },
    from: { type: "place", label: "Fades from", hint: "Where it begins to fade", default: { x: 0.5, y: 0.3 }, when: on },
    to: { type: "place", label: "Fades to", hint: "Where it has faded", default: { x: 0.5, y: 1 }, when: on },
    start: strength("Start opacity", "How much of it is seen before it begins to fade", 100),
    end: strength("End opacity", "How much of it is seen where it has faded", 0),
  },
  handles: ({ on, from, to }, { box }) => {
    if (!on) return null;
    const per = { x: 1 / (box.maxX - box.minX || 1), y: 1 / (box.maxY - box.minY || 1) };
    const [start, end] = [placeIn(box, from), placeIn(box, to)];
    return {
      places: [
        { param: "from", label: "Where it begins to fade", at: start, per, straight: end },
        { param: "to", label: "Where it has faded", at: end, per, straight: start },
      ],
      line: [],
    };
  },
  apply: (coat, { on, from, to, start, end }) => {
    if (!on || (start === 100 && end === 100)) return coat;
    const box = boundsOf(coat.shape.parts);
    const stops = [
      { offset: 0, opacity: start / 100 },
      { offset: 1, opacity: end / 100 },
    ];
    return { ...coat, body: { ...coat.body, fade: { from: placeIn(box, from), to: placeIn(box, to), stops } } };
  },
});
