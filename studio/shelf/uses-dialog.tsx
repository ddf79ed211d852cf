import { useQuery } from "@tanstack/react-query";
import Link from "next/link";
import { api, pageOf, type Entry } from "../api/client";
import { SheetDialog } from "../parts/dialog";

/** Where a style is used: the pieces whose items follow it, with their pictures. */
export function UsesDialog({ open, style, onClose }: { open: boolean; style: Pick<Entry, "id" | "name">; onClose: () => void }) {
  const uses = useQuery({ queryKey: ["uses", style.id], queryFn: () => api.styleUses(style.id), enabled: open, staleTime: 0 });
  return (
    <SheetDialog open={open} wide title={`Where “${style.name}” is used`} onClose={onClose}>
      {uses.isPending && <p className="py-6 text-center text-pencil">Looking through the pieces…</p>}
      {uses.isError && <p className="py-6 text-center text-warn">{uses.error.message}</p>}
      {uses.data?.length === 0 && <p className="py-6 text-center text-pencil">No piece follows it.</p>}
      <ul className="grid max-h-[60vh] grid-cols-3 gap-3 overflow-y-auto">
        {uses.data?.map((piece) => (
          <li key={piece.id}>
            <Link
              href={pageOf(piece.id)}
              prefetch={false}
              onClick={onClose}
              className="block rounded-lg border border-rule bg-sheet p-1.5 hover:border-accent"
            >
              {/* eslint-disable-next-line @next/next/no-img-element -- a picture of ours, with nothing to optimise */}
              <img
                alt=""
                src={api.pictureUrl("pieces", piece)}
                className="h-28 w-full rounded bg-[#e4e3df] object-contain dark:bg-[#5a5958]"
              />
              <span className="block truncate px-0.5 pt-1 text-xs">{piece.name}</span>
            </Link>
          </li>
        ))}
      </ul>
    </SheetDialog>
  );
}
