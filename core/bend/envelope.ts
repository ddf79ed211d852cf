import type { Kernel, NamedWarp } from "../curves/kernel";
import { memoByIdentity } from "../memo";
import type { Setting } from "../lettering/setting";
import { lineBox, solid, warped, type Bent } from "./bent";
import { Sheet, sheetWarp, type Mesh } from "./mesh";
import { caretsInRows, rowsOf, rowWarp, type SquareMap } from "./rows";
import type { EnvelopeBend } from "./schema";

const sheets = memoByIdentity<Mesh, Sheet>(1);
const sheetOf = (mesh: Mesh) => sheets(mesh, "", () => new Sheet(mesh));

/** Bends a setting by its envelope. */
export function inEnvelope(setting: Setting, bend: EnvelopeBend, kernel: Kernel): Bent {
  const warps = new Map<number, NamedWarp>();
  const nested = bend.scope === "nested" && setting.lines.length > 1;
  return warped(nested ? caretsInRows(setting) : setting, kernel, (line) => {
    let made = warps.get(line);
    if (!made) warps.set(line, (made = lineWarp(setting, bend, line)));
    return made;
  });
}

/** The mesh that bends a line. */
export const meshOfLine = ({ scope, meshes }: EnvelopeBend, line: number): Mesh =>
  scope === "lines" ? meshes[Math.min(line, meshes.length - 1)] : meshes[0];

function lineWarp(setting: Setting, bend: EnvelopeBend, line: number): NamedWarp {
  const mesh = meshOfLine(bend, line);
  const sheet = sheetOf(mesh);
  const block = solid(setting.ink);
  const own = bend.scope === "lines" ? lineBox(setting, line) : block;
  const key = JSON.stringify([mesh, own]);
  if (bend.scope !== "nested" || setting.lines.length < 2) return { warp: sheetWarp(sheet, own, own), key };
  const [w, h] = [block.maxX - block.minX, block.maxY - block.minY];
  const map: SquareMap = (u, v, out) => {
    sheet.at(u, v, out);
    out[0] = block.minX + out[0] * w;
    out[1] = block.minY + out[1] * h;
    for (let i = 2; i < 6; i += 2) {
      out[i] *= w;
      out[i + 1] *= h;
    }
  };
  const row = nestedRows(setting, mesh)[line];
  return { warp: rowWarp(setting, line, map, row, bend.gap), key: JSON.stringify([key, row, bend.gap, line, lineBox(setting, line)]) };
}

/** Where lines lie in a mesh that they share: on its rows where it has one for each, else by the heights of their ink. */
export function nestedRows(setting: Setting, mesh: Mesh): { from: number; to: number }[] {
  if (mesh.down.length - 1 === setting.lines.length) return setting.lines.map((_, i) => ({ from: mesh.down[i], to: mesh.down[i + 1] }));
  return rowsOf(setting);
}
