import { useMemo } from "react";
import { useShallow } from "zustand/react/shallow";
import type { Ink } from "@/core/coat/schema";
import { unitsPerLength } from "@/core/style/measure";
import { Section } from "../parts/field";
import { addInk } from "../state/edits/style";
import { studioNow, useSelectedItem, useShownStyle, useStudio } from "../state/store";
import { CoatSections } from "./coat-sections";
import { StyleControlsContext } from "./controls/context";
import { InksSection } from "./inks-section";
import { StudioSection } from "./studio-section";
import { StyleSection } from "./style-section";
import { factorsOf } from "./units";

const noInks: readonly Ink[] = [];

/** The style of the selected lettering, its inks, and the chosen coat. */
export function CoatsDrawer() {
  const lettering = useSelectedItem();
  const style = useShownStyle();
  const coatId = useStudio((s) => s.coatId);
  const coat = style?.coats.find((c) => c.id === coatId);
  const measure = style?.measure ?? "em";
  const size = lettering?.size ?? 100;
  // Each scene brings its own, of the same figures while the face is the same.
  const metrics = useStudio(useShallow((s) => s.scene?.items.find((i) => i.id === lettering?.id)?.metrics));
  const inks = style?.inks ?? noInks;
  const controls = useMemo(() => {
    const { changeStyle, settle } = studioNow();
    return {
      inks,
      measure,
      // One length unit of the style, in pixels of the board on this lettering.
      factors: metrics ? factorsOf((unitsPerLength(measure, metrics, size) * size) / 1000) : {},
      settle,
      addInk: () => {
        let id = "";
        changeStyle((s) => {
          const made = addInk(s, "#c8401f");
          id = made.id;
          return made.style;
        });
        return id;
      },
    };
  }, [inks, measure, size, metrics]);

  if (!lettering)
    return (
      <Section title="Coats">
        <p className="text-pencil">
          Click a lettering or a shape on the bench to paint it. Its look is a stack of coats, from back to front, along the strip below.
        </p>
      </Section>
    );
  return (
    <StyleControlsContext.Provider value={controls}>
      <StyleSection lettering={lettering} />
      {style && <InksSection style={style} />}
      {coat ? (
        <CoatSections key={coat.id} coat={coat} />
      ) : (
        <Section title="Coat">
          <p className="text-pencil">
            {style?.coats.length ? "Click a coat in the strip below to change it." : "Add the first coat in the strip below."}
          </p>
        </Section>
      )}
      {style && <StudioSection item={lettering} style={style} chosen={coat} />}
    </StyleControlsContext.Provider>
  );
}
