import { useQueryClient } from "@tanstack/react-query";
import { clsx } from "clsx";
import { MoreVertical } from "lucide-react";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { toast } from "sonner";
import { api, pageOf, type Entry, type Shelf } from "../api/client";
import { IconButton } from "../parts/button";
import { NameDialog } from "../parts/dialog";
import { Menu } from "../parts/menu";
import { TagsDialog } from "./tags-dialog";
import { UsesDialog } from "./uses-dialog";
import { hold, useTurn } from "./in-turn";
import { deeds } from "./on-demand";
import { usePicture } from "./use-picture";

const when = new Intl.DateTimeFormat("en", { day: "numeric", month: "short", hour: "2-digit", minute: "2-digit", hour12: false });

/** A piece or a style on the shelf. */
export function Card({ shelf, entry }: { shelf: Shelf; entry: Entry }) {
  const queries = useQueryClient();
  const router = useRouter();
  const [naming, setNaming] = useState(false);
  const [asking, setAsking] = useState<"tags" | "uses" | null>(null);
  const [drawn, setDrawn] = useState(false);
  const { turn, done } = useTurn();
  const over = () => {
    setDrawn(true);
    done();
  };
  const refresh = () => queries.invalidateQueries({ queryKey: [shelf] });
  const attempt = async (work: () => Promise<unknown>) => {
    try {
      await work();
      await refresh();
    } catch (error) {
      toast.error((error as Error).message);
    }
  };
  const rename = (name: string) =>
    attempt(async () => {
      const { document, revision } = await api.get(shelf, entry.id);
      await api.replace(shelf, { ...document, name, ...(shelf === "pieces" ? { named: true } : {}) }, revision);
    });
  const remove = () =>
    attempt(async () => {
      await api.remove(shelf, entry.id);
      toast(`“${entry.name}” was deleted.`, {
        duration: 8000,
        action: { label: "Undo", onClick: () => void attempt(() => api.restore(shelf, entry.id)) },
      });
    });
  const letterWith = () =>
    attempt(async () => {
      const { document } = await api.get("styles", entry.id);
      const { newPiece } = await deeds.actions();
      router.push(pageOf(await newPiece({ id: entry.id, face: document.madeWith?.face })));
    });
  const saveFile = () => attempt(async () => (await deeds.styleFiles()).saveStyle(entry.id));
  const tag = (tags: string[]) =>
    attempt(async () => {
      const { document, revision } = await api.get("styles", entry.id);
      await api.replace("styles", { ...document, tags }, revision);
    });

  const address = usePicture(shelf, entry, turn, over);
  // eslint-disable-next-line @next/next/no-img-element -- a picture of ours, with nothing to optimise
  const picture = address && <img alt="" src={address} className={`h-full w-full object-contain ${shelf === "styles" ? "p-6" : "p-3"}`} />;
  const frame = clsx(
    "block h-[184px] overflow-hidden rounded-t-xl",
    shelf === "styles" ? (entry.pale ? "bg-proof-deep" : "bg-proof") : "bg-[#e4e3df] dark:bg-[#5a5958]",
    !drawn && "motion-safe:animate-pulse",
  );
  return (
    <li className="rounded-xl border border-rule bg-paper shadow-sm transition-shadow focus-within:border-accent hover:shadow-md">
      {shelf === "pieces" ? (
        <Link
          href={pageOf(entry.id)}
          prefetch={false}
          onClick={(e) => hold(!e.ctrlKey && !e.metaKey)}
          aria-label={`Open ${entry.name}`}
          className={frame}
        >
          {picture}
        </Link>
      ) : (
        <button type="button" aria-label={`Letter a word in ${entry.name}`} onClick={() => void letterWith()} className={`${frame} w-full`}>
          {picture}
        </button>
      )}
      <div className="flex h-14 items-center gap-2 pl-4 pr-2">
        <div className="min-w-0 grow">
          <p className="truncate font-semibold">{entry.name}</p>
          <p className="truncate text-xs text-pencil">{[when.format(entry.updatedAt), ...(entry.tags ?? [])].join(" · ")}</p>
        </div>
        <Menu
          trigger={
            <IconButton label={`More for ${entry.name}`}>
              <MoreVertical />
            </IconButton>
          }
          items={[
            shelf === "pieces"
              ? { label: "Open", onSelect: () => router.push(pageOf(entry.id)) }
              : { label: "Letter a word in it", onSelect: () => void letterWith() },
            { label: "Rename…", onSelect: () => setNaming(true) },
            { label: "Duplicate", onSelect: () => void attempt(() => api.copy(shelf, entry.id)) },
            ...(shelf === "styles"
              ? [
                  { label: "Tags…", onSelect: () => setAsking("tags") },
                  { label: "Where it is used…", onSelect: () => setAsking("uses") },
                  { label: "Save as a file", onSelect: () => void saveFile() },
                ]
              : []),
            null,
            { label: "Delete", onSelect: () => void remove() },
          ]}
        />
      </div>
      <NameDialog
        open={naming}
        title={`Rename the ${shelf === "pieces" ? "piece" : "style"}`}
        start={entry.name}
        action="Rename"
        onClose={() => setNaming(false)}
        onName={(n) => void rename(n)}
      />
      <TagsDialog
        open={asking === "tags"}
        of={entry.name}
        tags={entry.tags ?? []}
        onClose={() => setAsking(null)}
        onTags={(t) => void tag(t)}
      />
      <UsesDialog open={asking === "uses"} style={entry} onClose={() => setAsking(null)} />
    </li>
  );
}
