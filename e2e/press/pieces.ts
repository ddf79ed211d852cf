import { newGuideLine } from "../../core/bend/schema";
import { startingForms } from "../../core/bend/starting-forms";
import { formStepKind } from "../../core/coat/forms";
import { newFinish, newFormStep, newLay, newPaint, type Coat } from "../../core/coat/schema";
import { listKinds, type KindListed } from "../../core/kinds";
import { newLettering, newPiece, newShape, newShapeItem, type Item, type Lettering, type Piece } from "../../core/piece/schema";
import { coat, flat, style } from "../../demo/build";

/** A piece whose drawers show all that a kind has, and the key of the stage that they are seen in. */
export interface Pressed {
  readonly name: string;
  readonly piece: Piece;
  readonly stage: "1" | "2" | "3" | "4";
}

const inks = { Face: "#c8401f", Edge: "#1d3b4a", Shadow: "#221d33" };
const word = (coats: Coat[], more: Partial<Lettering> = {}): Item => ({
  ...newLettering({
    id: "word",
    text: "Moor",
    face: "shrikhand",
    size: 150,
    letterSpacing: 0,
    lineSpacing: 1,
    align: "centre",
    x: 400,
    y: 320,
    turn: 0,
    styleId: null,
    ownStyle: style("Pressed", "shrikhand", "em", inks, coats),
  }),
  ...more,
});

const plain = () => coat("Letters", flat("face"));

/** What each sort of kind is shown by. A sort that is not here cannot be pressed, and the types say so. */
const items: { readonly [G in KindListed["group"]]: (kind: string) => { item: Item; stage: Pressed["stage"] } } = {
  form: (kind) => {
    const step = newFormStep(kind, "shown");
    const { starts } = formStepKind(step.kind);
    const front: Coat = { ...plain(), id: "front", name: "Front", form: starts ? [step] : [...plain().form, step] };
    return { item: word([{ ...plain(), id: "behind", name: "Behind" }, front]), stage: "3" };
  },
  paint: (kind) => ({ item: word([{ ...plain(), paint: newPaint(kind) }]), stage: "3" }),
  lay: (kind) => ({ item: word([{ ...plain(), lay: newLay(kind) }]), stage: "3" }),
  finish: (kind) => ({ item: word([{ ...plain(), finish: newFinish({ [kind]: { on: true } }) }]), stage: "3" }),
  guide: (kind) => ({
    item: word([plain()], { bend: { kind: "guide", line: newGuideLine(kind), letters: "turn", shift: 0, distance: 0, spread: false } }),
    stage: "2",
  }),
  shape: (kind) => ({
    item: newShapeItem({
      id: "word",
      name: kind,
      x: 400,
      y: 250,
      size: 100,
      width: 3000,
      height: 2000,
      shape: newShape(kind),
      turn: 0,
      styleId: null,
      ownStyle: style("Pressed", "shrikhand", "em", inks, [plain()]),
    }),
    stage: "1",
  }),
  output: () => ({ item: word([plain()]), stage: "4" }),
};

const pieceOf = (id: string, name: string, its: Item[]): Piece =>
  newPiece({ id, name, board: { width: 800, height: 500, unit: "px", dpi: 96, ground: "#f4efe4" }, items: its });

/** Every kind of every registry, and what a piece shows besides. */
export function allPressed(): Pressed[] {
  const kinds = listKinds().map(({ group, kind }) => {
    const { item, stage } = items[group](kind);
    return { name: `${group} ${kind}`, stage, piece: pieceOf(`press-${group}-${kind}`, `${group} ${kind}`, [item]) };
  });
  const meshes = startingForms.slice(0, 1).map((form) => form.mesh(0.5));
  const envelope = word([plain()], { bend: { kind: "envelope", scope: "block", meshes, gap: 100 } });
  return [
    ...kinds,
    { name: "words", stage: "1", piece: pieceOf("press-words", "words", [word([plain()])]) },
    { name: "words without a bend", stage: "2", piece: pieceOf("press-bend", "bend", [word([plain()])]) },
    { name: "an envelope", stage: "2", piece: pieceOf("press-envelope", "envelope", [envelope]) },
    { name: "an empty board", stage: "1", piece: pieceOf("press-empty", "empty", []) },
  ];
}
