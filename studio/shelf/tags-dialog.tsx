import { useState } from "react";
import { Button } from "../parts/button";
import { SheetDialog } from "../parts/dialog";

/** The most that a style has, and how long one is. */
const [most, longest] = [12, 24];

/** Tags as they are typed: parted by commas, each once. */
export const tagsOf = (text: string): string[] =>
  [
    ...new Set(
      text
        .split(",")
        .map((t) => t.trim().toLowerCase().slice(0, longest))
        .filter(Boolean),
    ),
  ].slice(0, most);

interface Props {
  open: boolean;
  of: string;
  tags: readonly string[];
  onClose: () => void;
  onTags: (tags: string[]) => void;
}

/** Asks for what a style is to be found by. */
export function TagsDialog({ open, of, ...props }: Props) {
  return (
    <SheetDialog open={open} title={`Tags of “${of}”`} onClose={props.onClose}>
      <TagsForm {...props} />
    </SheetDialog>
  );
}

function TagsForm({ tags, onClose, onTags }: Omit<Props, "open" | "of">) {
  const [text, setText] = useState(tags.join(", "));
  return (
    <form
      onSubmit={(e) => {
        e.preventDefault();
        onTags(tagsOf(text));
        onClose();
      }}
    >
      <input
        aria-label="Tags"
        value={text}
        maxLength={400}
        placeholder="railway, chalk, for signs"
        onChange={(e) => setText(e.target.value)}
        autoFocus
        className="h-9 w-full rounded-md border border-rule bg-sheet px-3 outline-none focus:border-accent"
      />
      <p className="mt-2 text-xs text-pencil">
        Words parted by commas. The shelf and the chooser of styles find the style by each of them.
      </p>
      <div className="mt-4 flex justify-end gap-2">
        <Button look="quiet" onClick={onClose}>
          Cancel
        </Button>
        <Button look="primary" type="submit">
          Keep the tags
        </Button>
      </div>
    </form>
  );
}
