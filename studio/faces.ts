import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { api, type FaceEntry } from "./api/client";

/** The faces of this installation; an empty list until they are known. */
export function useFaces(): readonly FaceEntry[] {
  return useQuery({ queryKey: ["faces"], queryFn: api.faces, staleTime: Infinity }).data ?? [];
}

const registered = new Set<string>();

/** Makes faces known to the page, which fetches each one when it is first drawn with. */
export function useFaceFonts(faces: readonly FaceEntry[]): void {
  useEffect(() => {
    const fresh = faces.filter((f) => !registered.has(f.id));
    if (!fresh.length) return;
    const sheet = document.createElement("style");
    sheet.textContent = fresh
      .map((f) => `@font-face{font-family:"face-${f.id}";src:url("/api/faces/${f.id}");font-weight:1 1000}`)
      .join("\n");
    document.head.append(sheet);
    for (const f of fresh) registered.add(f.id);
  }, [faces]);
}

/** @param axes places that are other than the face's own */
export function faceStyle(face: FaceEntry, axes: Readonly<Record<string, number>> = {}) {
  const all = Object.entries({ ...face.axes, ...axes });
  return {
    fontFamily: `"face-${face.id}"`,
    fontVariationSettings: all.length ? all.map(([tag, v]) => `"${tag}" ${v}`).join(", ") : undefined,
    fontSynthesis: "none",
  };
}
