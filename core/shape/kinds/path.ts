import { pathOfStrands } from "../../curves/nodes";
import { shapeKindOf } from "../shape-kind";

export const path = shapeKindOf({
  kind: "path",
  label: "Free path",
  hint: "Curves of your own, drawn and edited by their nodes",
  params: {
    strands: {
      type: "strands",
      label: "Nodes",
      hint: "Its nodes, in thousandths of its width and height, about its middle",
      default: [
        {
          closed: true,
          nodes: [
            { x: -500, y: -500 },
            { x: 500, y: -500 },
            { x: 500, y: 500 },
            { x: -500, y: 500 },
          ].map((p) => ({ ...p, inX: 0, inY: 0, outX: 0, outY: 0, smooth: false })),
        },
      ],
    },
  },
  draw: ({ strands }, { width, height }) => pathOfStrands(strands).transform([width / 1000, 0, 0, height / 1000, 0, 0]),
});
