"use client";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { FilePlus2, FolderOpen, Library, Search } from "lucide-react";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { Tabs } from "radix-ui";
import { useEffect, useRef, useState } from "react";
import { toast } from "sonner";
import { api, pageOf, type Shelf as ShelfName } from "../api/client";
import { beginTypeAhead, restTypeAhead } from "../bench/type-ahead";
import { useAlive } from "../parts/alive";
import { Button } from "../parts/button";
import { LightButton } from "../parts/light-button";
import { Tab } from "../parts/tab";
import { bringLeftOvers } from "../state/bring-left-overs";
import { Card } from "./card";
import { everything, FindRow, found, type Find } from "./find";
import { hold } from "./in-turn";
import { deeds, fetchDeedsSoon } from "./on-demand";

/** The home view: pieces and styles as live pictures. */
export function Shelf() {
  const [search, setSearch] = useState("");
  const [shelf, setShelf] = useState<ShelfName>("pieces");
  const router = useRouter();
  const file = useRef<HTMLInputElement>(null);
  const alive = useAlive();
  const queries = useQueryClient();
  useEffect(() => {
    hold(false);
    void bringLeftOvers().then(() => queries.invalidateQueries());
  }, [queries]);
  useEffect(fetchDeedsSoon, []);
  const attempt = async (work: () => Promise<string | undefined>) => {
    hold(true);
    try {
      const id = await work();
      if (id) return router.push(pageOf(id));
    } catch (error) {
      restTypeAhead();
      toast.error((error as Error).message);
    }
    hold(false);
  };
  /** Puts files on the shelf; the last piece among them is opened. */
  const openAll = async (files: readonly File[]) => {
    for (const f of files)
      await attempt(async () => {
        const opened = await (await deeds.actions()).openFile(f);
        if (opened.kind === "piece") return f === files.at(-1) ? opened.id : void queries.invalidateQueries({ queryKey: ["pieces"] });
        toast(saidOf(opened.styles.map((s) => s.name)));
        setShelf("styles");
        return void queries.invalidateQueries({ queryKey: ["styles"] });
      });
  };
  return (
    <Tabs.Root
      value={shelf}
      onValueChange={(v) => setShelf(v as ShelfName)}
      onDragOver={(e) => e.preventDefault()}
      onDrop={(e) => {
        e.preventDefault();
        void openAll([...e.dataTransfer.files]);
      }}
      className="flex min-h-dvh flex-col bg-bench"
    >
      <fieldset disabled={!alive} className="contents">
        <header className="sticky top-0 z-10 flex h-14 items-center gap-3 border-b border-rule bg-paper px-5">
          <h1 className="flex items-center gap-2 text-lg font-bold tracking-tight">
            {/* eslint-disable-next-line @next/next/no-img-element */}
            <img src="/icon.svg" alt="" className="size-7" />
            Vextal
          </h1>
          <Tabs.List aria-label="Shelf" className="ml-4 flex">
            {(["pieces", "styles"] as const).map((s) => (
              <Tab
                key={s}
                value={s}
                className="relative h-14 px-4 font-medium capitalize outline-offset-[-4px] text-pencil after:absolute after:inset-x-3 after:bottom-0 after:h-[3px] after:rounded-t hover:text-graphite data-[state=active]:text-graphite data-[state=active]:after:bg-accent"
              >
                {s}
              </Tab>
            ))}
          </Tabs.List>
          <label className="ml-auto flex h-9 w-64 items-center gap-2 rounded-md border border-rule bg-sheet px-3 focus-within:border-accent">
            <Search className="size-4 text-pencil" />
            <input
              type="search"
              aria-label="Search the shelf"
              placeholder={`Search ${shelf}`}
              value={search}
              onChange={(e) => setSearch(e.target.value)}
              className="w-full bg-transparent outline-none"
            />
          </label>
          <Button className="!h-9" onClick={() => file.current?.click()}>
            <FolderOpen className="size-4" /> Open a file
          </Button>
          <input
            ref={file}
            type="file"
            multiple
            aria-label="File to open"
            className="hidden"
            accept=".svg,.json,image/svg+xml,application/json"
            onChange={(e) => {
              const chosen = [...(e.target.files ?? [])];
              e.target.value = "";
              void openAll(chosen);
            }}
          />
          <Button
            look="primary"
            className="!h-9"
            onClick={() => {
              beginTypeAhead();
              void attempt(async () => (await deeds.actions()).newPiece());
            }}
          >
            <FilePlus2 className="size-4" /> New piece
          </Button>
          <LightButton />
        </header>
      </fieldset>
      {(["pieces", "styles"] as const).map((s) => (
        <Tabs.Content key={s} value={s} className="mx-auto w-full max-w-[1320px] grow p-5 outline-none" tabIndex={-1}>
          {s === "pieces" ? <Cards shelf={s} find={{ ...everything, search }} /> : <Styles search={search} />}
        </Tabs.Content>
      ))}
      <footer className="px-5 pb-4 text-center text-xs text-pencil">
        <Link href="/licences" className="underline-offset-2 hover:underline">
          Faces and their licences
        </Link>
      </footer>
    </Tabs.Root>
  );
}

const saidOf = (names: readonly string[]): string =>
  names.length === 0
    ? "All styles of this library are on the shelf already."
    : names.length === 1
      ? `The style “${names[0]}” is on the shelf.`
      : `${names.length} styles are on the shelf.`;

/** The styles with their order and tags, and a way to save them as one file. */
function Styles({ search }: { search: string }) {
  const [find, setFind] = useState(everything);
  const { data = [] } = useQuery({ queryKey: ["styles"], queryFn: () => api.list("styles") });
  const shown = found(data, { ...find, search });
  const [saving, setSaving] = useState(false);
  const save = async () => {
    setSaving(true);
    try {
      const { saveLibrary } = await deeds.styleFiles();
      await saveLibrary(
        shown.map((s) => s.id),
        find.tag || "Vextal",
      );
    } catch (error) {
      toast.error((error as Error).message);
    }
    setSaving(false);
  };
  return (
    <>
      {data.length > 0 && (
        <div className="mb-4 flex items-start justify-between gap-4">
          <FindRow entries={data} find={find} onChange={setFind} />
          <Button className="shrink-0" disabled={!shown.length || saving} onClick={() => void save()}>
            <Library className="size-4" /> Save {shown.length === data.length ? "all" : `these ${shown.length}`} as a library
          </Button>
        </div>
      )}
      <Cards shelf="styles" find={{ ...find, search }} />
    </>
  );
}

const empty: Record<ShelfName, string> = {
  pieces: "No pieces yet. A piece is a board with letterings on it: make one with “New piece”.",
  styles: "No styles yet. Build a look out of coats on a lettering, then save it as a style: it appears here.",
};

function Cards({ shelf, find }: { shelf: ShelfName; find: Find }) {
  const { data, error, isPending } = useQuery({ queryKey: [shelf], queryFn: () => api.list(shelf), refetchOnMount: "always" });
  if (isPending) return <p className="py-20 text-center text-pencil">Reading the shelf…</p>;
  if (error) return <p className="py-20 text-center text-warn">{error.message}</p>;
  const shown = found(data, find);
  const wanted = find.search.trim() || find.tag;
  if (!shown.length)
    return <p className="mx-auto max-w-md py-20 text-center">{wanted ? `Nothing here is called “${wanted}”.` : empty[shelf]}</p>;
  return (
    <ul aria-label={shelf === "pieces" ? "Pieces" : "Styles"} className="grid grid-cols-[repeat(auto-fill,minmax(264px,1fr))] gap-4">
      {shown.map((entry) => (
        <Card key={entry.id} shelf={shelf} entry={entry} />
      ))}
    </ul>
  );
}
