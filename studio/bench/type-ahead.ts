/**
 * Words that are typed before there is a place for them: a new piece is still on its way. A field that is not seen takes them, so that
 * every input method works and no letter acts as a key of the studio; they are handed on when the place is there. Whatever happens
 * meanwhile, what was typed is kept until then.
 */
let field: HTMLTextAreaElement | undefined;
let composing = false;
let ended: AbortController | undefined;

const isEditable = (e: Element | null): boolean =>
  e instanceof HTMLInputElement || e instanceof HTMLTextAreaElement || (e instanceof HTMLElement && e.isContentEditable);

export function beginTypeAhead(): void {
  field ??= newField();
  ended?.abort();
  ended = new AbortController();
  // A click that went into the void takes the focus, but not the words that follow it.
  const onKey = (e: KeyboardEvent) => {
    if (!isEditable(document.activeElement) && !e.ctrlKey && !e.metaKey && e.key !== "Tab") field?.focus({ preventScroll: true });
  };
  document.addEventListener("keydown", onKey, { capture: true, signal: ended.signal });
  field.focus({ preventScroll: true });
}

/** Takes no more; what was typed stays for the next place. */
export function restTypeAhead(): void {
  ended?.abort();
  field?.blur();
}

function newField(): HTMLTextAreaElement {
  const made = document.createElement("textarea");
  made.setAttribute("aria-label", "Words to come");
  made.spellcheck = false;
  Object.assign(made.style, {
    position: "fixed",
    bottom: "0",
    left: "0",
    width: "1px",
    height: "1px",
    opacity: "0",
    pointerEvents: "none",
  });
  made.addEventListener("compositionstart", () => (composing = true));
  made.addEventListener("compositionend", () => (composing = false));
  made.addEventListener("keydown", (e) => {
    e.stopPropagation();
    if (e.key === "Escape") restTypeAhead();
  });
  document.body.append(made);
  return made;
}

/** Hands on what was typed, at the end of the letter that is being composed. @param to what takes it, even where it is nothing */
export function takeTypeAhead(to: (text: string) => void): void {
  const from = field;
  if (!from) return;
  const hand = () => {
    const text = from.value;
    drop();
    to(text);
  };
  if (composing) from.addEventListener("compositionend", () => setTimeout(hand), { once: true });
  else queueMicrotask(hand);
}

function drop(): void {
  ended?.abort();
  field?.remove();
  field = undefined;
  composing = false;
}
