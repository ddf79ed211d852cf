/** What a round of presses came to. */
export interface Round {
  /** Controls that were pressed, by what they are and say. */
  readonly controls: string[];
  readonly presses: number;
  /** Views or controls that were lost, and messages that no user should read, each with what was pressed before. */
  readonly faults: string[];
}

/**
 * Presses all that a part of the page has, each control so many times: buttons, choices, switches, lists and menus, sliders by their keys,
 * fields with nonsense and with numbers, handles by the arrow keys. It runs in the page, and so reaches what lies under something else.
 * Controls that come while others are pressed are pressed, too.
 * @param known controls of menus and sheets that need not be pressed again
 * @param sheets whether what opens is pressed part by part, and not opened alone
 */
export async function pressAll({
  times,
  known,
  most,
  sheets: opening,
}: {
  times: number;
  known: string[];
  most: number;
  sheets: boolean;
}): Promise<Round> {
  const done = new Set<string>();
  const sheets = new Set(known);
  const faults = new Set<string>();
  let presses = 0;
  let last = "the page as it opened";

  window.addEventListener("error", (e) => {
    // An observer that is told in the next frame is no fault (CSSWG, Resize Observer, 3.4.7: deliver resize loop error).
    if (!/^ResizeObserver loop/.test(e.message)) faults.add(`${e.error?.stack?.slice(0, 400) ?? e.message}, after ${last}`);
  });

  const frame = () => new Promise((go) => requestAnimationFrame(() => setTimeout(go)));
  const all = (where: string, root: ParentNode = document) => [...root.querySelectorAll<HTMLElement>(where)];
  const named = (e: HTMLElement): string => {
    const label = e.getAttribute("aria-label") ?? (e.id && document.querySelector(`label[for="${CSS.escape(e.id)}"]`)?.textContent);
    return (label || e.textContent || e.getAttribute("title") || "").replace(/\s+/g, " ").trim().slice(0, 60);
  };
  const place = (e: HTMLElement): string =>
    e.parentElement?.closest<HTMLElement>("[role=radiogroup], [role=group], section, nav, header, aside")?.getAttribute("aria-label") ?? "";
  const keyOf = (e: HTMLElement): string => `${e.getAttribute("role") ?? e.tagName.toLowerCase()} ${place(e)} / ${named(e)}`;

  const press = (e: Element, key: string, more: KeyboardEventInit = {}) => {
    e.dispatchEvent(new KeyboardEvent("keydown", { key, bubbles: true, cancelable: true, ...more }));
    e.dispatchEvent(new KeyboardEvent("keyup", { key, bubbles: true, cancelable: true, ...more }));
  };
  const type = (e: HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement, text: string, event = "input") => {
    const proto = Object.getPrototypeOf(e) as object;
    Object.getOwnPropertyDescriptor(proto, "value")!.set!.call(e, text);
    e.dispatchEvent(new Event(event, { bubbles: true }));
  };
  // What is drawn on the bench has no way of its own to be clicked.
  const click = (e: Element) => e.dispatchEvent(new MouseEvent("click", { bubbles: true, cancelable: true }));
  const undo = () => document.querySelector<HTMLElement>('header [aria-label="Undo"]:not([disabled])')?.click();
  const redo = () => document.querySelector<HTMLElement>('header [aria-label="Redo"]:not([disabled])')?.click();

  const look = (what: string) => {
    last = what;
    presses++;
    for (const lost of all("[data-fault]")) faults.add(`“${lost.dataset.fault}” was lost after ${last}`);
    for (const view of ["[data-bench]", '[aria-label="Drawer"]', "[data-strip]", '[aria-label="Stages"]'])
      if (!document.querySelector(view)) faults.add(`${view} was lost after ${last}`);
    for (const drawn of all("[data-bench] :is([x1=NaN], [cx=NaN], [d*=NaN], [points*=NaN], [transform*=NaN])"))
      faults.add(`<${drawn.tagName}> is nowhere after ${last}`);
    for (const said of all("[role=alert], [role=status], [data-sonner-toast]"))
      if (/NaN|undefined|Infinity|coordinate|\bTypeError\b/i.test(said.innerText))
        faults.add(`“${said.innerText.slice(0, 120)}” was said after ${last}`);
  };
  const overlay = () => all("[role=dialog], [role=alertdialog], [role=menu], [role=listbox]").at(-1);
  const close = async () => {
    for (let i = 0; i < 4 && overlay(); i++) {
      press(document.activeElement && overlay()!.contains(document.activeElement) ? document.activeElement : overlay()!, "Escape");
      await frame();
      await frame();
    }
  };

  /** What opened, pressed part by part; each deed is taken back, so that the next one finds the same. */
  const pressOpened = async (open: () => Promise<void>, what: string) => {
    const parts =
      "button:not([disabled]), [role=menuitem]:not([data-disabled]), [role=option]:not([data-disabled]), [role=radio], [role=tab]";
    await open();
    look(`${what}, opened`);
    const names = opening && overlay() ? all(parts, overlay()).map(keyOf) : [];
    for (const name of names.filter((n, i) => names.indexOf(n) === i)) {
      const key = `${what} > ${name}`;
      // A file is chosen by hand, and a photograph takes its time; both have tests of their own.
      if (sheets.has(key) || /file|Lay it on|Save the picture/i.test(name)) continue;
      sheets.add(key);
      for (let n = 0; n < times; n++) {
        if (!overlay()) await open();
        const part = overlay() && all(parts, overlay()).find((e) => keyOf(e) === name);
        if (!part) break;
        part.focus();
        if (part.getAttribute("role") === "option") press(part, "Enter");
        else click(part);
        await frame();
        look(key);
        await close();
        undo();
        await frame();
        look(`${key}, taken back`);
      }
    }
    await close();
  };

  const isList = (e: HTMLElement) => e.getAttribute("role") === "combobox" || e.getAttribute("aria-haspopup") === "menu";

  const pressOne = async (find: () => HTMLElement | undefined, what: string) => {
    for (let n = 0; n < times; n++) {
      const e = find();
      if (!e) return;
      e.focus();
      if (isList(e)) {
        const open = async () => {
          const trigger = find();
          if (!trigger) return;
          trigger.focus();
          press(trigger, "Enter");
          await frame();
          await frame();
        };
        await pressOpened(open, what);
        return;
      }
      if (e instanceof HTMLSelectElement) {
        for (const option of [...e.options].map((o) => o.value)) {
          const now = find();
          if (now instanceof HTMLSelectElement) type(now, option, "change");
          await frame();
          look(`${what}: ${option}`);
        }
        return;
      }
      if (e instanceof HTMLInputElement || e instanceof HTMLTextAreaElement) {
        const number = e.inputMode === "decimal";
        const before = e.value;
        for (const text of number ? ["abc", "", "1e9", "-1e9", "0", "2 + 3", before] : ["", "(x)", before]) {
          const now = find() as HTMLInputElement | undefined;
          if (!now) break;
          now.focus();
          type(now, text);
          press(now, "Enter");
          await frame();
          now.blur();
          await frame();
          look(`${what}: “${text}”`);
        }
        const now = find();
        if (now && number) for (const key of ["ArrowUp", "ArrowDown"]) press(now, key, { shiftKey: true });
        await frame();
        look(`${what}, by the arrow keys`);
        continue;
      }
      if (e.getAttribute("role") === "slider" || e.dataset.handle) {
        for (const key of ["End", "ArrowLeft", "Home", "ArrowRight", "ArrowUp", "ArrowDown"]) {
          const now = find();
          if (!now) break;
          press(now, key, { shiftKey: n > 0 });
          await frame();
          look(`${what}, ${key}`);
        }
        continue;
      }
      const items = all("[data-coat]").length + all("[data-layer]").length;
      click(e);
      await frame();
      look(what);
      if (overlay()) {
        await pressOpened(async () => {
          if (!overlay()) find()?.click();
          await frame();
          await frame();
        }, what);
        return;
      }
      // What takes something away, or leads elsewhere, is taken back: the rest has to be found.
      if (/Take|Delete|Remove|Duplicate|Add|Undo|Redo/.test(what) || all("[data-coat]").length + all("[data-layer]").length < items) {
        (/Undo/.test(what) ? redo : undo)();
        await frame();
        look(`${what}, taken back`);
      }
    }
  };

  // Nothing is said of files that were chosen or written: those ways have tests of their own.
  const skipped = /file|^a |To the shelf|Take a picture|Drag sideways|Evening light|Daylight|\/ (Words|Bend|Coats|Export|\d\w+)$/i;
  const controls =
    "button:not([disabled]):not([tabindex='-1']), [role=radio], [role=switch], [role=slider], [role=combobox], select, textarea, input:not([type=file]), [data-handle]";
  const found = () =>
    ['[aria-label="Drawer"]', "[data-strip]", "[data-bench]", "[data-tools]", "header"].flatMap((root) =>
      all(root).flatMap((r) => all(controls, r).map((e) => ({ key: keyOf(e), e }))),
    );
  look(last);
  while (done.size < most) {
    const next = found().find(({ key }) => !done.has(key) && !skipped.test(key));
    if (!next) break;
    done.add(next.key);
    await pressOne(() => found().find(({ key }) => key === next.key)?.e, next.key);
    await close();
  }
  return { controls: [...done, ...[...sheets].filter((s) => !known.includes(s))], presses, faults: [...faults] };
}
