import { Problem } from "../core/problem";

/** Where the picture of a photo is read. */
export const photoAddress = (id: string): string => `/api/photos/${id}`;

/** Whether each photo that was looked for is here. */
const here = new Map<string, boolean>();

/** Finds out which photos are here, so that another can stand in for those that are not. */
export async function lookForPhotos(ids: readonly string[]): Promise<void> {
  await Promise.all(
    ids
      .filter((id) => !here.has(id))
      .map(async (id) => {
        // A server that does not answer is asked again, and keeps nothing from being drawn.
        const response = await fetch(photoAddress(id), { method: "HEAD" }).catch(() => undefined);
        if (response && (response.ok || response.status === 404)) here.set(id, response.ok);
      }),
  );
}

/** Photos came in: those that were not here are looked for again. */
export function forgetMissingPhotos(): void {
  for (const [id, found] of here) if (!found) here.delete(id);
}

export const isMissing = (id: string): boolean => here.get(id) === false;

/**
 * Photos as data URLs, for a file that needs no other; those that are not here are left out.
 * @param sides pixels that their longer sides need, by their ids; of others all that they have
 * @throws Problem where one that is here is not given
 */
export async function embeddedPhotos(ids: readonly string[], sides?: ReadonlyMap<string, number>): Promise<Map<string, string>> {
  const found = new Map<string, string>();
  for (const id of ids) {
    const side = sides?.get(id);
    const response = await fetch(side === undefined ? photoAddress(id) : `${photoAddress(id)}?side=${side}`);
    if (response.status === 404) continue;
    if (!response.ok) throw new Problem(`A photo was not read (${response.status}), so nothing was exported. Try again.`);
    found.set(id, await asDataUrl(await response.blob()));
  }
  return found;
}

const asDataUrl = (blob: Blob): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.onerror = () => reject(new Problem("A photo was not read, so nothing was exported. Try again."));
    reader.readAsDataURL(blob);
  });
