import { api } from "../api/client";
import { Button } from "../parts/button";
import { updateStyle } from "../state/edits/style";
import { studioNow, useStudio } from "../state/store";
import { itemOf } from "../state/work";

/** Pictures that are shown; of more there is a number. */
const shown = 4;

/**
 * Says where else a style is worn when it is changed for the first time. Until that is answered the change is on this item only, so that
 * nothing that is finished is painted anew without a word.
 */
export function SharedStyle() {
  const asking = useStudio((s) => s.asking);
  const work = useStudio((s) => s.work);
  const uses = useStudio((s) => (asking ? s.uses[asking.style] : undefined)) ?? [];
  const item = asking && work ? itemOf(work, asking.item) : undefined;
  const style = asking && work?.styles[asking.style];
  // Taken back, or answered in the drawer.
  if (!asking || !style || !item?.ownStyle || item.styleId !== style.id || !uses.length) return null;
  const { change, set } = studioNow();
  const everywhere = () => {
    change((w) => updateStyle(w, asking.item));
    set({ asking: null, agreed: [...studioNow().agreed, style.id] });
  };
  const more = uses.length - shown;
  return (
    <section
      aria-label="Where this style is worn"
      role="status"
      className="absolute left-1/2 top-3 w-[430px] max-w-[92%] -translate-x-1/2 rounded-lg border border-rule bg-paper p-3 shadow-lg"
    >
      <p>
        <b>“{style.name}”</b> is also worn in {uses.length === 1 ? "another piece" : `${uses.length} other pieces`}. Your change is on{" "}
        {item.kind === "lettering" ? "these words" : "this shape"} only, so far.
      </p>
      <ul className="my-2 flex gap-2">
        {uses.slice(0, shown).map((entry) => (
          <li key={entry.id} className="w-[92px]">
            {/* A live picture from the server; there is nothing for an image optimiser to do on an SVG. */}
            {/* eslint-disable-next-line @next/next/no-img-element */}
            <img alt="" src={api.pictureUrl("pieces", entry)} className="h-14 w-full rounded border border-rule bg-proof object-contain" />
            <span className="block truncate pt-0.5 text-xs text-pencil">{entry.name}</span>
          </li>
        ))}
        {more > 0 && <li className="self-center text-xs text-pencil">and {more} more</li>}
      </ul>
      <div className="flex gap-2">
        <Button look="primary" className="flex-1" onClick={() => set({ asking: null })}>
          This one only
        </Button>
        <Button className="flex-1" onClick={everywhere}>
          Change the style everywhere
        </Button>
      </div>
    </section>
  );
}
