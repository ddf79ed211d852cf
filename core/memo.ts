/**
 * Remembers results by the identity of an object and a key. Each object keeps its newest `most` results, so that
 * dragging a slider over a letter that lives for hours does not keep a result for every place it passed.
 */
export function memoByIdentity<O extends object, R>(most = 16) {
  const kept = new WeakMap<O, Map<string, R>>();
  /** @param room for this object, where it needs more or less than others */
  const result = (object: O, key: string, compute: () => R, room = most): R => {
    let results = kept.get(object);
    if (!results) kept.set(object, (results = new Map()));
    return newest(results, key, room, compute);
  };
  /** What was remembered, if anything was. */
  return Object.assign(result, { known: (object: O, key: string): R | undefined => kept.get(object)?.get(key) });
}

/** Remembers the newest `most` results by key. */
export function memoByKey<R>(most: number) {
  const results = new Map<string, R>();
  return (key: string, compute: () => R): R => newest(results, key, most, compute);
}

function newest<R>(results: Map<string, R>, key: string, most: number, compute: () => R): R {
  if (results.has(key)) {
    const found = results.get(key) as R;
    results.delete(key);
    results.set(key, found);
    return found;
  }
  const made = compute();
  results.set(key, made);
  while (results.size > most) results.delete(results.keys().next().value as string);
  return made;
}

const numbers = new WeakMap<object, number>();
let last = 0;

/** A number of an object's own, for keys that name it. */
export function numberOf(object: object): number {
  let n = numbers.get(object);
  if (n === undefined) numbers.set(object, (n = ++last));
  return n;
}
