import { ImageUp } from "lucide-react";
import { useRef } from "react";
import type { Photo } from "@/core/photo";
import { Button } from "../../parts/button";
import { keepPhoto, photoFiles } from "../../state/photos";

/** The photo in use, and a way to another. */
export function PhotoControl({
  id,
  label,
  value,
  onChange,
}: {
  id: string;
  label: string;
  value: Photo | null;
  onChange: (photo: Photo) => void;
}) {
  const file = useRef<HTMLInputElement>(null);
  const choose = async (chosen: File | undefined) => {
    const photo = chosen && (await keepPhoto(chosen));
    if (photo) onChange(photo);
  };
  return (
    <div className="min-w-0 space-y-1.5">
      {value && (
        <div className="overflow-hidden rounded-md border border-rule bg-sheet">
          {/* eslint-disable-next-line @next/next/no-img-element -- served by the application itself, in its own size */}
          <img src={`/api/photos/${value.id}`} alt="" className="checker h-20 w-full object-contain" />
          <p className="truncate px-2 py-1 text-xs text-pencil">
            {value.name} · {value.width} x {value.height}
          </p>
        </div>
      )}
      <Button id={id} className="w-full" onClick={() => file.current?.click()}>
        <ImageUp className="size-4" /> {value ? "Another file…" : "Choose a file…"}
      </Button>
      <input
        ref={file}
        type="file"
        accept={photoFiles}
        aria-label={`${label} file`}
        className="hidden"
        onChange={(e) => {
          void choose(e.target.files?.[0]);
          e.target.value = "";
        }}
      />
    </div>
  );
}
