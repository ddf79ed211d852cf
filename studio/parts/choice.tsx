import { clsx } from "clsx";
import { Select, ToggleGroup } from "radix-ui";
import { Check, ChevronDown } from "lucide-react";
import { Tip } from "./tip";

interface Option {
  readonly value: string;
  readonly label: string;
  readonly hint: string;
}
interface Props {
  id?: string;
  label: string;
  value: string;
  options: readonly Option[];
  onChange: (value: string) => void;
  /** Whether it has the whole width, and so room for more, in two rows where one does not hold them. */
  wide?: boolean;
}

/** Letters of all labels that there is room for side by side. */
const room = 24;

/** A few short options side by side, more or longer ones as a list. */
export function Choice(props: Props) {
  const letters = props.options.reduce((sum, o) => sum + o.label.length, 0);
  const most = props.wide ? { options: 6, letters: 40 } : { options: 4, letters: room };
  return props.options.length <= most.options && letters <= most.letters ? <Segments {...props} /> : <List {...props} />;
}

function Segments({ label, value, options, onChange }: Props) {
  const rows = options.length > 5;
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      value={value}
      onValueChange={(v) => v && onChange(v)}
      className={clsx("rounded-md border border-rule bg-sheet p-0.5", rows ? "grid grid-cols-3" : "flex h-8")}
    >
      {options.map((o) => (
        <Tip key={o.value} text={o.hint}>
          <ToggleGroup.Item
            value={o.value}
            className={clsx(
              "min-w-0 flex-1 truncate rounded px-0.5 text-[12px] hover:bg-wash aria-checked:bg-graphite aria-checked:text-paper",
              rows && "h-7",
            )}
          >
            {o.label}
          </ToggleGroup.Item>
        </Tip>
      ))}
    </ToggleGroup.Root>
  );
}

function List({ id, label, value, options, onChange }: Props) {
  return (
    <Select.Root value={value} onValueChange={onChange}>
      <Select.Trigger
        id={id}
        aria-label={label}
        className="flex h-8 w-full items-center justify-between rounded-md border border-rule bg-sheet px-2"
      >
        <Select.Value />
        <ChevronDown className="size-4 text-pencil" />
      </Select.Trigger>
      <Select.Portal>
        <Select.Content
          position="popper"
          sideOffset={4}
          collisionPadding={8}
          className="z-50 max-h-(--radix-select-content-available-height) w-64 overflow-hidden rounded-lg border border-rule bg-sheet shadow-xl"
        >
          <Select.Viewport className="p-1">
            {options.map((o) => (
              <Select.Item
                key={o.value}
                value={o.value}
                className="flex cursor-pointer items-start gap-2 rounded px-2 py-1 outline-none data-[highlighted]:bg-wash"
              >
                <span className="mt-0.5 size-4 shrink-0">
                  <Select.ItemIndicator>
                    <Check className="size-4" />
                  </Select.ItemIndicator>
                </span>
                <span>
                  <Select.ItemText>{o.label}</Select.ItemText>
                  <span className="block text-xs text-pencil">{o.hint}</span>
                </span>
              </Select.Item>
            ))}
          </Select.Viewport>
        </Select.Content>
      </Select.Portal>
    </Select.Root>
  );
}
