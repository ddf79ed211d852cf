import { Plus } from "lucide-react";
import { nanoid } from "nanoid";
import { Popover, Tabs } from "radix-ui";
import { useMemo, useState, type ReactNode } from "react";
import type { Item } from "@/core/piece/schema";
import { allStarters } from "@/core/style/starters";
import { withStarter, type StartsOn } from "@/core/style/starters/add";
import { starterGroups, type Starter, type StarterGroup } from "@/core/style/starters/starter";
import type { Style } from "@/core/style/schema";
import { Tab } from "../parts/tab";
import { Tip } from "../parts/tip";
import { insertCoat, newCoat } from "../state/edits/style";
import { useItem, useParts, useShownStyle, useStudio } from "../state/store";
import { useLooks, type Look } from "./looks";

/** The group that was looked at last: who adds one shade often adds another. */
let lastGroup: StarterGroup = "behind";

const newId = () => nanoid(8);

/** Starting coats as live pictures of the present word, by what they are for. A click adds one where it belongs. */
export function StarterSheet({ lettering, children }: { lettering: Item | undefined; children: ReactNode }) {
  const [open, setOpen] = useState(false);
  return (
    <Popover.Root open={open && lettering !== undefined} onOpenChange={setOpen}>
      <Popover.Trigger asChild>{children}</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="top"
          align="start"
          sideOffset={10}
          collisionPadding={10}
          aria-label="Starting coats"
          // Onto the sheet itself: what has the focus shows its tooltip, over the pictures.
          onOpenAutoFocus={(e) => {
            e.preventDefault();
            (e.currentTarget as HTMLElement).focus();
          }}
          className="z-50 w-[812px] max-w-[96vw] rounded-xl border border-rule bg-paper shadow-xl"
        >
          {lettering && <Sheet lettering={lettering} onDone={() => setOpen(false)} />}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Sheet({ lettering, onDone }: { lettering: Item; onDone: () => void }) {
  const [group, setGroup] = useState(lastGroup);
  const item = useItem(lettering.id);
  const style = useShownStyle();
  const { coatId, changeStyle, set } = useParts("coatId", "changeStyle", "set");
  const ground = useStudio((s) => s.work?.piece.board.ground ?? "#ffffff");
  const metrics = item?.metrics;
  const on = useMemo<StartsOn | null>(
    () => (metrics ? { metrics, size: lettering.size, ground } : null),
    [metrics, lettering.size, ground],
  );
  const shown = useMemo(() => allStarters.filter((s) => s.group === group), [group]);
  const styles = useMemo(
    () => new Map<string, Style>(style && on ? shown.map((s) => [s.id, withStarter(style, s, on, newId).style]) : []),
    [style, on, shown],
  );
  const looks = useLooks(lettering.id, styles);

  const blank = () => {
    const id = newId();
    changeStyle((s) => insertCoat(s, { ...newCoat(s.inks[0]?.id ?? "face", `Coat ${s.coats.length + 1}`), id }, coatId ?? undefined));
    set({ coatId: id, stage: "coats" });
    onDone();
  };
  const add = (starter: Starter) => {
    if (!on) return;
    let id = "";
    changeStyle((s) => {
      const made = withStarter(s, starter, on, newId);
      id = made.id;
      return made.style;
    });
    set({ coatId: id, stage: "coats" });
    onDone();
  };

  return (
    <Tabs.Root
      value={group}
      onValueChange={(value) => {
        lastGroup = value as StarterGroup;
        setGroup(lastGroup);
      }}
    >
      <Tabs.List aria-label="What the coat is for" className="flex gap-1 border-b border-rule px-3 pt-2">
        {starterGroups.map((g) => (
          <Tip key={g.id} text={g.hint} side="top">
            <Tab
              value={g.id}
              className="-mb-px rounded-t-md border border-transparent px-3 py-1.5 font-medium text-pencil hover:text-graphite aria-selected:border-rule aria-selected:border-b-paper aria-selected:bg-sheet aria-selected:text-graphite"
            >
              {g.label}
            </Tab>
          </Tip>
        ))}
      </Tabs.List>
      {starterGroups.map((g) => (
        <Tabs.Content key={g.id} value={g.id} className="max-h-[min(440px,70vh)] overflow-y-auto p-3 outline-none" tabIndex={-1}>
          <ul className="grid grid-cols-5 gap-2">
            <li>
              <Card label="Blank" hint="A coat of the letters in one ink, in front of the chosen one" onClick={blank}>
                <Plus className="m-auto size-5 text-pencil" />
              </Card>
            </li>
            {shown.map((s) => (
              <li key={s.id}>
                <Card label={s.label} hint={s.hint} ground={ground} onClick={() => add(s)}>
                  <LookPicture look={looks.get(s.id)} />
                </Card>
              </li>
            ))}
          </ul>
        </Tabs.Content>
      ))}
    </Tabs.Root>
  );
}

interface CardProps {
  label: string;
  hint: string;
  ground?: string;
  onClick: () => void;
  children: ReactNode;
}

function Card({ label, hint, ground, onClick, children }: CardProps) {
  return (
    <Tip text={hint} side="top">
      <button
        type="button"
        aria-label={label}
        onClick={onClick}
        className="group w-full rounded-lg border border-rule bg-sheet p-1 text-left hover:border-accent"
      >
        <span
          className="flex h-[74px] items-center justify-center overflow-hidden rounded bg-proof p-1.5"
          style={ground ? { background: ground } : undefined}
        >
          {children}
        </span>
        <span className="block truncate px-1 pt-1 text-xs">{label}</span>
      </button>
    </Tip>
  );
}

function LookPicture({ look }: { look: Look | undefined }) {
  if (!look) return null;
  if ("message" in look) return <span className="line-clamp-3 text-center text-[10px] leading-3 text-[#3c3935]">{look.message}</span>;
  // A live picture of what is on the bench; there is nothing for an image optimiser to do on an SVG.
  // eslint-disable-next-line @next/next/no-img-element
  return <img alt="" src={look.src} className="size-full object-contain" />;
}
