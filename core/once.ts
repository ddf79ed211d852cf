/** What is made when it is first asked for and kept, unless making it failed: then it is tried again the next time. */
export function once<T>(make: () => Promise<T>): () => Promise<T> {
  let kept: Promise<T> | undefined;
  return () => {
    if (!kept) {
      const made = (kept = make());
      made.catch(() => {
        if (kept === made) kept = undefined;
      });
    }
    return kept;
  };
}
