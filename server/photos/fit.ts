import sharp from "sharp";

/** A photo that has no more than this many times the pixels that are needed, each way, stays as it is. */
const enough = 1.25;

/** A picture with no more pixels than are needed. @param side of its longer side */
export async function fitted(bytes: Uint8Array, side: number): Promise<Uint8Array> {
  const { width, height } = await sharp(bytes).metadata();
  if (Math.max(width, height) <= enough * side) return bytes;
  return new Uint8Array(await sharp(bytes).resize({ width: side, height: side, fit: "inside" }).toBuffer());
}

/** Photos as data URLs with no more pixels than are needed. @param sides by their ids; others stay as they are */
export async function fittedPhotos(
  photos: ReadonlyMap<string, string>,
  sides: ReadonlyMap<string, number>,
): Promise<ReadonlyMap<string, string>> {
  const all = new Map(photos);
  for (const [id, side] of sides) {
    const [head, data] = photos.get(id)?.split(",") ?? [];
    if (data === undefined) continue;
    const whole = new Uint8Array(Buffer.from(data, "base64"));
    const fit = await fitted(whole, side);
    if (fit !== whole) all.set(id, `${head},${Buffer.from(fit).toString("base64")}`);
  }
  return all;
}
