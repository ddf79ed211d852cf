import type { FaceInfo } from "../core/lettering/face";

let list: Promise<FaceInfo[]> | undefined;

/** The faces of this installation. */
export function listFaces(): Promise<FaceInfo[]> {
  if (!list) {
    list = fetch("/api/faces").then((r) => {
      if (!r.ok) throw new Error(`The list of faces was not read (${r.status}).`);
      return r.json() as Promise<FaceInfo[]>;
    });
    list.catch(() => (list = undefined));
  }
  return list;
}

export async function fetchFace(id: string): Promise<{ info: FaceInfo; bytes: Uint8Array } | undefined> {
  const info = (await listFaces()).find((f) => f.id === id);
  if (!info) return undefined;
  const response = await fetch(`/api/faces/${encodeURIComponent(id)}`);
  if (!response.ok) throw new Error(`The face ${info.name} was not read (${response.status}).`);
  return { info, bytes: new Uint8Array(await response.arrayBuffer()) };
}

/** The list is read anew when it is next asked for. */
export const forgetList = (): void => void (list = undefined);
