/**
 * Words that are typed before there is a place for them: a new piece is still on its way, or a new lettering is not drawn yet. A field that
 * is not seen takes them, so that every input method works and no letter acts as a key of the studio; they are handed on when the place is
 * there.
 */
let field: HTMLTextAreaElement | undefined;
let composing = false;

/** @param onEscape typing was given up */
export function beginTypeAhead(onEscape?: () => void): void {
  if (field) return;
  field = document.createElement("textarea");
  field.setAttribute("aria-label", "Words to come");
  field.spellcheck = false;
  Object.assign(field.style, {
    position: "fixed",
    bottom: "0",
    left: "0",
    width: "1px",
    height: "1px",
    opacity: "0",
    pointerEvents: "none",
  });
  field.addEventListener("compositionstart", () => (composing = true));
  field.addEventListener("compositionend", () => (composing = false));
  field.addEventListener("keydown", (e) => {
    if (e.key !== "Escape") return;
    e.stopPropagation();
    dropTypeAhead();
    onEscape?.();
  });
  document.body.append(field);
  field.focus({ preventScroll: true });
}

/** Hands on what was typed, at the end of the letter that is being composed. @param to what takes it, even where it is nothing */
export function takeTypeAhead(to: (text: string) => void): void {
  const from = field;
  if (!from) return;
  const hand = () => {
    const text = from.value;
    dropTypeAhead();
    to(text);
  };
  if (composing) from.addEventListener("compositionend", () => setTimeout(hand), { once: true });
  else queueMicrotask(hand);
}

export function dropTypeAhead(): void {
  field?.remove();
  field = undefined;
  composing = false;
}
