import { pathOfStrands } from "../../curves/nodes";
import type { Path } from "../../curves/path";
import { memoByKey } from "../../memo";
import { guideKindOf } from "../guide-kind";
import { alongParams, guideAlong } from "./along";

const paths = memoByKey<Path>(16);

export const drawn = guideKindOf({
  kind: "drawn",
  label: "Drawn",
  hint: "A curve of your own, drawn and edited on the bench",
  params: {
    line: {
      type: "strand",
      label: "Line",
      hint: "Its nodes, in thousandths of the em",
      default: {
        closed: false,
        nodes: [
          { x: -1500, y: 300, inX: 0, inY: 0, outX: 500, outY: -600, smooth: true },
          { x: 0, y: 0, inX: -500, inY: 0, outX: 500, outY: 0, smooth: true },
          { x: 1500, y: -300, inX: -500, inY: 600, outX: 0, outY: 0, smooth: true },
        ],
      },
    },
    ...alongParams,
  },
  make: (values, context) => {
    const { line } = values;
    return guideAlong(
      paths(JSON.stringify(line), () => pathOfStrands([line])),
      values,
      context,
    );
  },
});
