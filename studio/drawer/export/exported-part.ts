import { createContext, useContext } from "react";
import type { Board } from "@/core/piece/board";

/** What an export shows: the board that it is of, and how wide and high a part of it, in board pixels; null where there is nothing. */
export interface ExportedPart {
  readonly board: Board;
  readonly part: { readonly width: number; readonly height: number } | null;
}

export const ExportedPartContext = createContext<ExportedPart | null>(null);
export function useExportedPart(): ExportedPart {
  const part = useContext(ExportedPartContext);
  if (!part) throw new Error("Sizes of pictures are set beside an export.");
  return part;
}
