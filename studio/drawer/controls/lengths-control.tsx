import { useState } from "react";

/** A list of lengths, typed with spaces between: 4 2. */
export function LengthsControl({
  id,
  label,
  value,
  onChange,
}: {
  id: string;
  label: string;
  value: readonly number[];
  onChange: (v: number[]) => void;
}) {
  const [draft, setDraft] = useState<string | null>(null);
  const read = (text: string) =>
    text
      .trim()
      .split(/[\s,;]+/)
      .filter(Boolean)
      .map(Number);
  const fault = draft !== null && read(draft).some((v) => !(v >= 0 && v <= 1000));
  const commit = () => {
    if (draft !== null && !fault) onChange(read(draft).slice(0, 16));
    setDraft(null);
  };
  return (
    <input
      id={id}
      aria-label={label}
      aria-invalid={fault}
      placeholder="unbroken"
      autoComplete="off"
      className="h-8 w-full rounded-md border border-rule bg-sheet px-2 outline-none focus:border-accent aria-invalid:border-accent"
      value={draft ?? value.join(" ")}
      onChange={(e) => setDraft(e.target.value)}
      onBlur={commit}
      onKeyDown={(e) => e.key === "Enter" && commit()}
    />
  );
}
