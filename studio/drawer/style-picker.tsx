import { useQuery } from "@tanstack/react-query";
import { Search } from "lucide-react";
import { Popover } from "radix-ui";
import { useState, type ReactNode } from "react";
import { toast } from "sonner";
import { api } from "../api/client";
import type { Style } from "@/core/style/schema";
import { everything, FindRow, found } from "../shelf/find";
import { useLooks, type Look } from "../strip/looks";
import { fetchStyle } from "../state/session";
import { applyStyle } from "../state/edits/style";
import { studioNow, useSelectedItem, useStudio } from "../state/store";

const lookOf = (look: Look | undefined): string | undefined => (look && "src" in look ? look.src : undefined);

/** A style as it stands here, or as the shelf has it. */
const styleOf = async (id: string): Promise<Style> => studioNow().work?.styles[id] ?? (await api.get("styles", id)).document;

const nothing: ReadonlyMap<string, Style> = new Map();

/** Puts a style on what is selected. */
function wear(style: Style): void {
  const { selection, change, set } = studioNow();
  change((w) => applyStyle(w, selection, style));
  set({ coatId: style.coats.at(-1)?.id ?? null, scope: "style" });
}

/** The styles of the shelf as live pictures, on the present word, to put one on the selected letterings. */
export function StylePicker({ current, children }: { current: string | null; children: ReactNode }) {
  const [open, setOpen] = useState(false);
  const [search, setSearch] = useState("");
  const [find, setFind] = useState(everything);
  const styles = useQuery({ queryKey: ["styles"], queryFn: () => api.list("styles"), enabled: open });
  const lettering = useSelectedItem();
  const ground = useStudio((s) => s.work?.piece.board.ground ?? "#ffffff");
  // Each on this very word, as soon as it is drawn.
  const ids = styles.data?.map((s) => s.id) ?? [];
  const documents = useQuery({
    queryKey: ["try-on", styles.data?.map((s) => [s.id, s.revision])],
    queryFn: async () => new Map((await Promise.all(ids.map(styleOf))).map((s) => [s.id, s] as const)),
    enabled: open && ids.length > 0,
  });
  const looks = useLooks(open ? lettering?.id : undefined, documents.data ?? nothing);
  const put = async (id: string) => {
    try {
      wear(await fetchStyle(id));
      setOpen(false);
    } catch (error) {
      toast.error((error as Error).message);
    }
  };
  const shown = found(styles.data ?? [], { ...find, search });
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>{children}</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          side="right"
          align="start"
          sideOffset={12}
          collisionPadding={10}
          aria-label="Styles"
          className="z-50 flex max-h-[min(560px,var(--radix-popover-content-available-height))] w-[452px] flex-col rounded-xl border border-rule bg-paper shadow-xl"
        >
          <label className="flex items-center gap-2 border-b border-rule px-3 py-2">
            <Search className="size-4 text-pencil" />
            <input
              aria-label="Search styles"
              placeholder="Search styles"
              value={search}
              onChange={(e) => setSearch(e.target.value)}
              className="h-7 grow bg-transparent outline-none"
            />
          </label>
          {Boolean(styles.data?.length) && (
            <div className="border-b border-rule px-3 py-2">
              <FindRow entries={styles.data!} find={find} onChange={setFind} />
            </div>
          )}
          <div className="grid grid-cols-3 gap-2 overflow-y-auto p-3">
            {shown.map((s) => (
              <button
                key={s.id}
                type="button"
                onClick={() => void put(s.id)}
                aria-current={s.id === current}
                className="group rounded-lg border border-rule bg-sheet p-1.5 text-left hover:border-accent aria-[current=true]:border-accent"
              >
                {/* A live picture from the server; there is nothing for an image optimiser to do on an SVG. */}
                {/* eslint-disable-next-line @next/next/no-img-element */}
                <img
                  alt=""
                  src={lookOf(looks.get(s.id)) ?? api.pictureUrl("styles", s)}
                  data-tried={looks.has(s.id) || undefined}
                  loading="lazy"
                  className={`h-16 w-full rounded object-contain p-1.5 ${s.pale ? "bg-proof-deep" : "bg-proof"}`}
                  style={looks.has(s.id) ? { background: ground } : undefined}
                />
                <span className="block truncate px-0.5 pt-1 text-xs">{s.name}</span>
              </button>
            ))}
            {styles.isSuccess && !shown.length && (
              <p className="col-span-3 py-6 text-center text-pencil">
                {search || find.tag ? "No style of that name." : "The shelf holds no styles yet. Save one from a lettering."}
              </p>
            )}
            {styles.isPending && <p className="col-span-3 py-6 text-center text-pencil">Reading the shelf…</p>}
            {styles.isError && <p className="col-span-3 py-6 text-center text-warn">{styles.error.message}</p>}
          </div>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
