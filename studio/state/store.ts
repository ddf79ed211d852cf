import { create } from "zustand";
import { useShallow } from "zustand/react/shallow";
import type { Coat, Ink } from "@/core/coat/schema";
import type { Entry } from "../api/client";
import type { ItemUpdate, LetteringUpdate, SceneUpdate } from "@/worker/protocol";
import type { DraftPicture } from "@/worker/draft-picture";
import { layerKey } from "@/worker/protocol";
import { calledByItsWords } from "@/core/piece/name";
import type { NodeAt } from "@/core/curves/edit-nodes";
import type { View } from "../bench/view";
import type { Progress } from "@/core/piece/compile";
import type { SvgNode } from "@/core/output/svg-node";
import { noHistory, noted, redone, undone, type History } from "./history";
import type { SaveState } from "./saver";
import { cancel, isCancelled } from "./holding";
import { editStyle } from "./edits/style";
import { itemOf, letteringOf, shapeItemOf, shownStyle, type Scope, type Work } from "./work";
import type { Style } from "@/core/style/schema";
import type { WayOfSeeing } from "@/core/seen-as";

export const stages = ["words", "bend", "coats", "export"] as const;
export type Stage = (typeof stages)[number];

/** What the pointer works on: items, single letters of a lettering, nodes of a curve, the corners of a view, or a new curve. */
export type Tool = "items" | "letters" | "nodes" | "view" | "draw";

/** Moves, turns and scales in fixed increments, where they are on. */
export interface Increments {
  readonly on: boolean;
  /** Board pixels, degrees, percent. */
  readonly move: number;
  readonly turn: number;
  readonly scale: number;
}

interface StudioState {
  readonly work: Work | null;
  readonly history: History;
  readonly scene: SceneUpdate | null;
  readonly nodes: ReadonlyMap<string, SvgNode>;
  /** What stands for some of them while something is dragged. */
  readonly pictures: ReadonlyMap<string, DraftPicture>;
  readonly problem: string | null;
  /** How far a scene is that takes long to draw. */
  readonly progress: Progress | null;
  readonly saveState: SaveState;
  readonly stage: Stage;
  readonly selection: readonly string[];
  readonly coatId: string | null;
  readonly scope: Scope;
  /** The lettering whose text is typed on the bench. */
  readonly typing: string | null;
  /** The coat that the pointer rests on in the strip. */
  readonly shownUpTo: string | null;
  readonly snapping: boolean;
  /** How the board is looked at; nothing of it is changed. */
  readonly seenAs: WayOfSeeing;
  readonly increments: Increments;
  /** What items are aligned by: what is seen of them, or their frame. */
  readonly alignBy: "ink" | "frame";
  readonly tool: Tool;
  /** Single letters that are picked, by where they start in the text. */
  readonly letters: readonly number[];
  /** The node that is picked. */
  readonly node: NodeAt | null;
  /** The group that was entered, so that its members are picked one by one. */
  readonly entered: string | null;
  /** The line of text whose envelope is edited. */
  readonly bendLine: number;
  readonly view: View;
  /** Size of the bench in screen pixels. */
  readonly benchSize: { readonly width: number; readonly height: number };
  /** The other pieces that the styles at hand are worn in, by style. */
  readonly uses: Readonly<Record<string, readonly Entry[]>>;
  /** Styles that are to change wherever they are worn. */
  readonly agreed: readonly string[];
  /** A change to a style that is worn elsewhere: for now it is this item's own. */
  readonly asking: { readonly item: string; readonly style: string } | null;
  readonly copied: { readonly coat: Coat; readonly inks: readonly Ink[] } | null;
  /** Finishes that were copied last, on a coat that has nothing else. */
  readonly copiedFinish: { readonly coat: Coat; readonly inks: readonly Ink[]; readonly name: string } | null;
}

interface StudioActions {
  open(work: Work): void;
  /** Changes the work as one step of history. @param merge key under which a drag or typing is one step */
  change(edit: (work: Work) => Work, merge?: string | null): void;
  /** Changes the style of the selected lettering, in the chosen scope. */
  changeStyle(edit: (style: Style) => Style, merge?: string | null): void;
  /** Ends a drag, so that the next one is a step of its own. */
  settle(): void;
  /** Takes a drag that is under way back, as if it had not begun. @returns whether there was one */
  cancel(): boolean;
  undo(): void;
  redo(): void;
  receive(scene: SceneUpdate): void;
  set(
    values: Partial<
      Pick<
        StudioState,
        | "problem"
        | "progress"
        | "saveState"
        | "stage"
        | "coatId"
        | "scope"
        | "typing"
        | "shownUpTo"
        | "snapping"
        | "seenAs"
        | "increments"
        | "alignBy"
        | "tool"
        | "letters"
        | "node"
        | "entered"
        | "bendLine"
        | "view"
        | "benchSize"
        | "copied"
        | "copiedFinish"
        | "uses"
        | "agreed"
        | "asking"
      >
    >,
  ): void;
  select(ids: readonly string[]): void;
}

const clean = {
  work: null,
  history: noHistory,
  scene: null,
  nodes: new Map(),
  pictures: new Map(),
  problem: null,
  progress: null,
  saveState: { kind: "saved" },
  stage: "words",
  selection: [],
  coatId: null,
  scope: "style",
  typing: null,
  shownUpTo: null,
  snapping: true,
  seenAs: "plain",
  tool: "items",
  letters: [],
  node: null,
  entered: null,
  bendLine: 0,
  view: { zoom: 1, x: 0, y: 0 },
  agreed: [],
  asking: null,
} satisfies Partial<StudioState>;

export const useStudio = create<StudioState & StudioActions>((set, get) => ({
  ...clean,
  saveState: { kind: "saved" } as SaveState,
  stage: "words" as Stage,
  scope: "style" as Scope,
  uses: {},
  agreed: [] as readonly string[],
  asking: null as StudioState["asking"],
  tool: "items" as Tool,
  increments: { on: false, move: 10, turn: 15, scale: 10 } as Increments,
  alignBy: "ink" as "ink" | "frame",
  copied: null,
  copiedFinish: null,
  benchSize: { width: 0, height: 0 },
  open: (work) => {
    // What is hidden is not what one comes to work on.
    const last = work.piece.items.filter((i) => !i.hidden).at(-1) ?? work.piece.items.at(-1);
    // An empty lettering waits to be typed.
    set({
      ...clean,
      work,
      ...selected(work, last ? [last.id] : []),
      typing: last?.kind === "lettering" && last.text === "" ? last.id : null,
    });
  },
  change: (edit, merge = null) => {
    const { work, history } = get();
    if (!work || isCancelled()) return;
    const edited = edit(work);
    const piece = calledByItsWords(edited.piece);
    const next = piece === edited.piece ? edited : { ...edited, piece };
    if (next !== work) set({ work: next, history: noted(history, work, merge) });
  },
  changeStyle: (edit, merge = null) => {
    const { work, selection, scope, uses, agreed } = get();
    const id = selection.at(-1);
    if (!work || !id) return;
    const item = itemOf(work, id);
    const style = item?.styleId && !item.ownStyle ? item.styleId : null;
    const shared = style !== null && scope === "style" && (uses[style]?.length ?? 0) > 0 && !agreed.includes(style);
    get().change((w) => editStyle(w, id, shared ? "lettering" : scope, edit), merge && `${merge} ${id} ${scope}`);
    if (shared && get().work !== work) set({ asking: { item: id, style } });
  },
  settle: () => set(({ history }) => ({ history: { ...history, merging: null } })),
  cancel: () => {
    const before = cancel(get().work);
    if (before) set({ work: before.work, history: before.history });
    return before !== undefined;
  },
  undo: () => step(undone),
  redo: () => step(redone),
  receive: (scene) =>
    set(({ nodes, pictures }) => {
      const kept = new Map<string, SvgNode>();
      const seen = new Map<string, DraftPicture>();
      for (const item of scene.items)
        for (const layer of item.layers) {
          const key = layerKey(item.id, layer.id);
          const node = layer.node ?? nodes.get(key);
          if (node) kept.set(key, node);
          const picture = layer.picture ?? (layer.node ? undefined : pictures.get(key));
          if (picture) seen.set(key, picture);
        }
      return { scene, nodes: kept, pictures: seen, problem: null };
    }),
  set,
  select: (ids) => {
    const { work, selection } = get();
    if (work && ids.join() !== selection.join())
      set({ ...selected(work, ids), typing: null, tool: "items", letters: [], node: null, bendLine: 0 });
  },
}));

/** The state as it is now, for what is done and not shown: who shows something of it subscribes to it. */
export const studioNow = useStudio.getState;

/** Some of the state, and a drawing anew only where one of them changes: a hover redraws nothing but what it shows. */
export const useParts = <K extends keyof (StudioState & StudioActions)>(...names: readonly K[]): Pick<StudioState & StudioActions, K> =>
  useStudio(useShallow((s) => Object.fromEntries(names.map((name) => [name, s[name]])) as Pick<StudioState & StudioActions, K>));

/** The selection with the coat that its drawer shows: the front one. */
function selected(work: Work, ids: readonly string[]): Pick<StudioState, "selection" | "coatId"> {
  const style = shownStyle(work, itemOf(work, ids.at(-1)));
  return { selection: ids, coatId: style?.coats.at(-1)?.id ?? null };
}

function step(move: typeof undone): void {
  useStudio.setState(({ work, history, selection, typing, coatId, letters }) => {
    const result = work && move(history, work);
    if (!result) return {};
    const there = (id: string) => result.work.piece.items.some((i) => i.id === id);
    const left = selection.filter(there);
    const style = shownStyle(result.work, itemOf(result.work, left.at(-1)));
    const coat = style?.coats.some((c) => c.id === coatId) ? coatId : (style?.coats.at(-1)?.id ?? null);
    const text = letteringOf(result.work, left.at(-1))?.text ?? "";
    return {
      ...result,
      selection: left,
      coatId: coat,
      typing: typing && there(typing) ? typing : null,
      letters: letters.filter((at) => at < text.length),
      node: null,
    };
  });
}

/** The lettering that the drawer edits: the one selected last. */
export const useLettering = () => useStudio((s) => (s.work ? letteringOf(s.work, s.selection.at(-1)) : undefined));

/** The item that the drawer edits. */
export const useSelectedItem = () => useStudio((s) => (s.work ? itemOf(s.work, s.selection.at(-1)) : undefined));

export const useShape = () => useStudio((s) => (s.work ? shapeItemOf(s.work, s.selection.at(-1)) : undefined));

export const useShownStyle = () => useStudio((s) => (s.work ? shownStyle(s.work, itemOf(s.work, s.selection.at(-1))) : undefined));

export const useItem = (id: string | undefined): ItemUpdate | undefined => useStudio((s) => s.scene?.items.find((i) => i.id === id));

export function useLetteringUpdate(id: string | undefined): LetteringUpdate | undefined {
  const item = useItem(id);
  return item?.kind === "lettering" ? item : undefined;
}
