import { Slider as Radix } from "radix-ui";

interface Props {
  label: string;
  value: number;
  min: number;
  max: number;
  step: number;
  onChange: (value: number) => void;
  onSettle?: () => void;
}

export function Slider({ label, value, min, max, step, onChange, onSettle }: Props) {
  return (
    <Radix.Root
      className="relative flex h-6 w-full touch-none items-center"
      value={[Math.min(max, Math.max(min, value))]}
      min={min}
      max={max}
      step={step}
      onValueChange={([v]) => onChange(v)}
      onValueCommit={onSettle}
    >
      <Radix.Track className="relative h-1 grow rounded-full bg-rule">
        <Radix.Range className="absolute h-full rounded-full bg-accent" />
      </Radix.Track>
      <Radix.Thumb aria-label={label} className="block size-3.5 rounded-full border-2 border-accent bg-sheet" />
    </Radix.Root>
  );
}
