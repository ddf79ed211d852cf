import type { LetteringUpdate } from "@/worker/protocol";
import { useStudio } from "../../state/store";
import { letteringOf } from "../../state/work";
import { Trace } from "../grip";
import { placeOf } from "../place";
import { viewMatrix } from "../view";
import { EnvelopeHandles } from "./envelope-handles";
import { FitHandles } from "./fit-handles";
import { GuideHandles } from "./guide-handles";
import { multiply } from "@/core/curves/matrix";
import { matrixText } from "@/core/output/numbers";

/** The handles of whatever bends a lettering. */
export function BendHandles({ item }: { item: LetteringUpdate }) {
  const view = useStudio((s) => s.view);
  const lettering = useStudio((s) => letteringOf(s.work!, item.id));
  const bend = lettering?.bend;
  if (!bend) return null;
  const place = placeOf(item, view);
  return (
    <g>
      {item.marks.map((d, i) => (
        <Trace key={i} d={d} dashed transform={matrixText(multiply(viewMatrix(view), item.matrix))} />
      ))}
      {bend.kind === "guide" && <GuideHandles item={item} bend={bend} place={place} />}
      {bend.kind === "envelope" && <EnvelopeHandles item={item} bend={bend} place={place} />}
      {bend.kind === "fit" && <FitHandles item={item} bend={bend} place={place} />}
    </g>
  );
}
