import { isShape, type Item } from "./schema";

/** What an item is called where it is named: a shape by its name, a lettering by its words. */
export const labelOf = (item: Item): string =>
  isShape(item) ? item.name || "Shape" : item.text.replace(/\s+/g, " ").trim() || "Empty lettering";
