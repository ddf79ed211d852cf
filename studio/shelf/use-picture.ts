import { useEffect, useState } from "react";
import { api, type Entry, type Shelf } from "../api/client";

/**
 * The picture of a card: at once as it was drawn last, and the new one as soon as it is there.
 * @param turn whether it may be asked for
 * @returns an address for an image; undefined until there is one
 */
export function usePicture(shelf: Shelf, entry: Entry, turn: boolean, over: () => void): string | undefined {
  const [address, setAddress] = useState<string>();
  const from = api.pictureUrl(shelf, entry);
  useEffect(() => {
    if (!turn) return;
    const ended = new AbortController();
    let made: string | undefined;
    const show = (blob: Blob) => {
      if (ended.signal.aborted) return;
      const before = made;
      setAddress((made = URL.createObjectURL(blob)));
      if (before) URL.revokeObjectURL(before);
    };
    const read = async (url: string): Promise<boolean> => {
      const response = await fetch(url, { signal: ended.signal });
      if (response.ok) show(await response.blob());
      return response.headers.get("x-picture") === "stale";
    };
    void (async () => {
      try {
        const stale = await read(from);
        over();
        if (stale) await read(`${from}&fresh`);
      } catch {
        // Without a picture the card is still there.
        over();
      }
    })();
    return () => {
      ended.abort();
      if (made) URL.revokeObjectURL(made);
    };
    // `over` only ends the turn that this began.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [from, turn]);
  return address;
}
