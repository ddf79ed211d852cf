import type { Point } from "@/core/curves/matrix";
import type { Strand } from "@/core/curves/nodes";
import { placeIn, shareOf } from "@/core/coat/handles";
import { withValue } from "@/core/params";
import type { ItemUpdate } from "@/worker/protocol";
import { editCoat } from "../state/edits/style";
import { studioNow, useShownStyle, useStudio } from "../state/store";
import { useStepFacts } from "../step-facts";
import { NodeEditor } from "./node-editor";
import { placeOf } from "./place";

/** Lines that are drawn on the letters themselves, of the steps of the chosen coat. */
export function StepStrands({ item }: { item: ItemUpdate }) {
  const facts = useStepFacts();
  const view = useStudio((s) => s.view);
  const coatId = useStudio((s) => s.coatId);
  const coat = useShownStyle()?.coats.find((c) => c.id === coatId);
  const place = placeOf(item, view);
  return Object.entries(facts).map(([id, { strands }]) => {
    const step = coat?.form.find((s) => s.id === id);
    if (!strands || !step) return null;
    const { param, box } = strands;
    const inItem = ({ x, y }: Point): Point => placeIn(box, { x: x / 1000, y: y / 1000 });
    const fromItem = (p: Point): Point => {
      const { x, y } = shareOf(box, p);
      return { x: 1000 * x, y: 1000 * y };
    };
    return (
      <NodeEditor
        key={id}
        strands={(step as unknown as Readonly<Record<string, readonly Strand[]>>)[param]}
        toScreen={(p) => place.toScreen(inItem(p))}
        toBoard={(p) => place.toBoard(inItem(p))}
        fromBoard={(p) => fromItem(place.fromBoard(p))}
        except={[item.id]}
        onChange={(next, key) =>
          studioNow().changeStyle(
            (style) => editCoat(style, coatId!, (c) => ({ ...c, form: c.form.map((s) => (s.id === id ? withValue(s, param, next) : s)) })),
            key,
          )
        }
      />
    );
  });
}
