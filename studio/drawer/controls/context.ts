import { createContext, useContext } from "react";
import type { Ink } from "@/core/coat/schema";
import type { Measure } from "@/core/style/schema";
import { studioNow } from "../../state/store";
import type { UnitFactors } from "../../parts/number-expression";

/** What the controls of a coat need of its style and lettering. */
export interface StyleControls {
  readonly inks: readonly Ink[];
  readonly measure: Measure;
  /** How many of the style's length unit one of each unit is, on the lettering in hand. */
  readonly factors: UnitFactors;
  readonly addInk: () => string;
  readonly settle: () => void;
}

/** Settings that belong to no style have no inks and no lengths of a style. */
const withoutStyle: StyleControls = { inks: [], measure: "em", factors: {}, addInk: () => "", settle: () => studioNow().settle() };

export const StyleControlsContext = createContext<StyleControls>(withoutStyle);
export const useStyleControls = (): StyleControls => useContext(StyleControlsContext);
