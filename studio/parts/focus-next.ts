import { flushSync } from "react-dom";

/**
 * Takes something away and gives the focus to its neighbour, so that the next press of Delete falls on the next of its kind and not on the
 * word. All of it is done before the key is: a frame later, on a busy machine, a second press would already have come.
 * @param selector of its kind
 * @param index that it had among them
 * @param otherwise where none of its kind is left
 */
export function focusNext(remove: () => void, selector: string, index: number, otherwise: string): void {
  flushSync(remove);
  const left = document.querySelectorAll<HTMLElement | SVGElement>(selector);
  (left[Math.min(index, left.length - 1)] ?? document.querySelector<HTMLElement>(otherwise))?.focus({ preventScroll: true });
}
