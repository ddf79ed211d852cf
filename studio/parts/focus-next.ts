/**
 * Gives the focus to the neighbour of something that was taken away, so that the next press of Delete falls on the next of its kind and not
 * on the word.
 * @param selector of its kind
 * @param index that it had among them
 * @param otherwise where none of its kind is left
 */
export function focusNext(selector: string, index: number, otherwise: string): void {
  requestAnimationFrame(() => {
    const left = document.querySelectorAll<HTMLElement>(selector);
    (left[Math.min(index, left.length - 1)] ?? document.querySelector<HTMLElement>(otherwise))?.focus({ preventScroll: true });
  });
}
