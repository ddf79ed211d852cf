import { useMemo } from "react";
import { unitsPerLength } from "@/core/style/measure";
import { Section } from "../parts/field";
import { addInk } from "../state/edits/style";
import { useItem, useSelectedItem, useShownStyle, useStudio } from "../state/store";
import { CoatSections } from "./coat-sections";
import { StyleControlsContext } from "./controls/context";
import { InksSection } from "./inks-section";
import { StudioSection } from "./studio-section";
import { StyleSection } from "./style-section";
import { factorsOf } from "./units";

/** The style of the selected lettering, its inks, and the chosen coat. */
export function CoatsDrawer() {
  const lettering = useSelectedItem();
  const item = useItem(lettering?.id);
  const style = useShownStyle();
  const coatId = useStudio((s) => s.coatId);
  const coat = style?.coats.find((c) => c.id === coatId);
  const measure = style?.measure ?? "em";
  const size = lettering?.size ?? 100;
  const metrics = item?.metrics;
  const controls = useMemo(() => {
    const { changeStyle, settle } = useStudio.getState();
    return {
      inks: style?.inks ?? [],
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
  }, [style, measure, size, metrics]);

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
