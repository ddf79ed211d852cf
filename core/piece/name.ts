import { isLettering, type Piece } from "./schema";

/** What a piece is called that has no words yet. */
export const untitled = "Untitled piece";

const longest = 60;

/** A piece by the words of its largest lettering, or of the first of several as large. */
export function nameFromWords({ items }: Piece): string {
  const words = items.filter(isLettering).filter((l) => l.text.trim() !== "");
  const [main] = words.sort((a, b) => b.size - a.size);
  const text = main?.text.trim().split(/\s+/).join(" ") ?? "";
  return text ? [...text].slice(0, longest).join("").trimEnd() : untitled;
}

/** A piece that was not given a name, called by its words. */
export function calledByItsWords(piece: Piece): Piece {
  if (piece.named && piece.name !== untitled) return piece;
  const name = nameFromWords(piece);
  return name === piece.name ? piece : { ...piece, name };
}
