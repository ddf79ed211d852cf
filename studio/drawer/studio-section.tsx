import { Camera } from "lucide-react";
import dynamic from "next/dynamic";
import { useState } from "react";
import type { Coat } from "@/core/coat/schema";
import type { Item } from "@/core/piece/schema";
import { makesBody } from "@/core/piece/studio-defaults";
import { isCurrent } from "@/core/piece/studio-picture";
import type { Style } from "@/core/style/schema";
import { Button } from "../parts/button";
import { Section } from "../parts/field";
import { Switch } from "../parts/switch";
import { dropPicture, showPicture } from "../state/studio-picture";
import { useStudio } from "../state/store";

const StudioDialog = dynamic(() => import("../picture/studio-dialog").then((m) => m.StudioDialog), { ssr: false });

/** The picture of the body that an item's coat makes, where one does or did. */
export function StudioSection({ item, style, chosen }: { item: Item; style: Style; chosen: Coat | undefined }) {
  const [open, setOpen] = useState(false);
  const lamp = useStudio((s) => s.work!.piece.lamp);
  const bodies = style.coats.filter((c) => c.on && makesBody(c));
  const coat = bodies.find((c) => c === chosen) ?? bodies.find((c) => c.id === item.studio?.settings.coat) ?? bodies.at(-1);
  const { studio } = item;
  if (!studio && !(chosen && bodies.includes(chosen))) return null;
  const current = isCurrent(item, style, lamp);
  return (
    <Section title="Studio picture">
      {studio && (
        <>
          <Switch
            label="Shown"
            hint="Whether the picture is seen instead of its coat's vectors"
            checked={studio.shown}
            onChange={(v) => showPicture(item.id, v)}
          />
          {!current && (
            <p className="text-warn">
              The words, their look or their light have changed since it was taken. It is shown again when they are as they were.
            </p>
          )}
        </>
      )}
      <div className="flex flex-wrap gap-2">
        {coat && (
          <Button look={studio && !current ? "primary" : "plain"} onClick={() => setOpen(true)}>
            <Camera className="size-4" />
            {studio ? "Take it again…" : "Take a picture…"}
          </Button>
        )}
        {studio && <Button onClick={() => dropPicture(item.id)}>Take it away</Button>}
      </div>
      {!studio && (
        <p className="text-xs text-pencil">The same body in enamel, metal, glass, wood or thread, with soft shadows, over the words.</p>
      )}
      {open && coat && <StudioDialog item={item} style={style} coat={coat} onClose={() => setOpen(false)} />}
    </Section>
  );
}
