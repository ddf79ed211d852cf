import { Minus, Plus } from "lucide-react";
import type { Strand } from "@/core/curves/nodes";
import type { StrandsParam } from "@/core/params";
import { IconButton } from "../../parts/button";
import { Field } from "../../parts/field";

const [fewest, most] = [2, 8];

/** Moved down by a tenth of the box, so that it is seen beside the one that it was copied from. */
const lower = ({ closed, nodes }: Strand): Strand => ({ closed, nodes: nodes.map((n) => ({ ...n, y: n.y + 100 })) });

/** How many key lines there are, with one more or one less at the end; their nodes are edited on the bench. */
export function KeyLinesControl({
  label,
  param,
  value,
  onChange,
}: {
  label: string;
  param: StrandsParam;
  value: readonly Strand[];
  onChange: (strands: Strand[]) => void;
}) {
  return (
    <Field label={label} hint={param.hint}>
      <div className="flex h-8 items-center gap-1">
        <span className="grow tabular-nums">{value.length} on the bench</span>
        <IconButton
          label="Take the last key line away"
          className="!size-7"
          disabled={value.length <= fewest}
          onClick={() => onChange(value.slice(0, -1))}
        >
          <Minus />
        </IconButton>
        <IconButton
          label="One more key line"
          className="!size-7"
          disabled={value.length >= most}
          onClick={() => onChange([...value, lower(value[value.length - 1])])}
        >
          <Plus />
        </IconButton>
      </div>
    </Field>
  );
}
