import { ArrowDown, ArrowUp, ClipboardPaste, Copy } from "lucide-react";
import type { FinishKind } from "@/core/coat/finish-kind";
import { finishesOf, movable, withFinishMoved } from "@/core/coat/finish-order";
import type { Coat } from "@/core/coat/schema";
import { withValue } from "@/core/params";
import { finishKindsOf } from "@/core/style/finishes";
import { IconButton } from "../parts/button";
import { Section } from "../parts/field";
import { copyFinish, pasteFinish } from "../state/clipboard";
import { useParts } from "../state/store";
import { ParamControls } from "./controls/param-controls";

type Edit = (name: string | null, change: (c: Coat) => Coat) => void;

/** How a coat lies on what is below: its finishes in their order, each with its settings while it is on. */
export function FinishSection({ coat, edit }: { coat: Coat; edit: Edit }) {
  const { copiedFinish } = useParts("copiedFinish");
  const own = finishKindsOf(coat);
  return (
    <Section
      title="Finish"
      actions={
        <>
          <IconButton
            label={own.length ? "Copy all finishes" : "Copy all finishes: this coat has none"}
            disabled={!own.length}
            onClick={() => copyFinish(own, "All finishes of the coat")}
          >
            <Copy />
          </IconButton>
          <IconButton
            label={copiedFinish ? `Paste: ${copiedFinish.name}` : "Paste a finish: copy one first"}
            disabled={!copiedFinish}
            onClick={() => copiedFinish && pasteFinish(copiedFinish)}
          >
            <ClipboardPaste />
          </IconButton>
        </>
      }
    >
      {coat.kept && (
        <p className="text-xs text-pencil">
          Made with a later Vextal and kept as it is:{" "}
          {Object.keys(coat.kept)
            .map((name) => `“${name}”`)
            .join(", ")}
          .
        </p>
      )}
      {finishesOf(coat).map((kind) => (
        <Finish key={kind.kind} coat={coat} kind={kind} edit={edit} />
      ))}
    </Section>
  );
}

function Finish({ coat, kind, edit }: { coat: Coat; kind: FinishKind; edit: Edit }) {
  const all: Readonly<Record<string, Readonly<Record<string, unknown>>>> = coat.finish;
  const values = all[kind.kind];
  const controls = (
    <ParamControls
      params={kind.params}
      values={values}
      onChange={(name, value) =>
        edit(`finish ${kind.kind} ${name}`, (c) => {
          const before: Readonly<Record<string, Readonly<Record<string, unknown>>>> = c.finish;
          return { ...c, finish: { ...c.finish, [kind.kind]: withValue(before[kind.kind], name, value) } };
        })
      }
    />
  );
  if (values.on !== true) return <div className="space-y-1.5">{controls}</div>;
  const move = (by: -1 | 1) => edit(null, (c) => withFinishMoved(c, kind, by));
  // What is switched on has its settings in a frame of its own, with what can be done with it beside the switch.
  return (
    <div className="relative space-y-1.5 rounded-lg border border-rule bg-sheet/60 px-2 py-1">
      <div className="absolute right-14 top-2 flex">
        {(movable(coat, kind, -1) || movable(coat, kind, 1)) && (
          <>
            <IconButton
              label={`${kind.label}: further back`}
              className="!size-6"
              disabled={!movable(coat, kind, -1)}
              onClick={() => move(-1)}
            >
              <ArrowUp />
            </IconButton>
            <IconButton
              label={`${kind.label}: further front`}
              className="!size-6"
              disabled={!movable(coat, kind, 1)}
              onClick={() => move(1)}
            >
              <ArrowDown />
            </IconButton>
          </>
        )}
        <IconButton label={`Copy ${kind.label.toLowerCase()}`} className="!size-6" onClick={() => copyFinish([kind.kind], kind.label)}>
          <Copy />
        </IconButton>
      </div>
      {controls}
    </div>
  );
}
