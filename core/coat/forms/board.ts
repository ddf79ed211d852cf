import { PathBuilder } from "../../curves/path";
import { formStep } from "../form-step";

export const board = formStep({
  kind: "board",
  label: "Board",
  hint: "Starts from the whole board: for grounds and washes",
  starts: true,
  needs: ["board"],
  params: {},
  apply: (_, __, { board: { width, height, toItem } }) => {
    const edge = new PathBuilder();
    edge.move(0, 0);
    edge.line(width, 0);
    edge.line(width, height);
    edge.line(0, height);
    edge.close();
    return { parts: [{ path: edge.build().transform(toItem), x: 0, y: 0, line: 0 }] };
  },
});
