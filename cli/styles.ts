import { existsSync } from "node:fs";
import { open } from "../core/input/open";
import { Problem } from "../core/problem";
import type { Style } from "../core/style/schema";
import { demoStyles } from "../demo/styles";
import { get, list } from "../server/documents";
import { fromUser, readUserFile } from "./files";
import { shelf } from "./shelf";

/** The styles of the shelf where there is a database, else those that ship. */
export async function allStyles(): Promise<Style[]> {
  const db = await shelf();
  if (!db) return demoStyles();
  const entries = await list(db, "styles");
  return (await Promise.all(entries.map((e) => get(db, "styles", e.id)))).map((s) => s.document);
}

/** A style by its name, or from a file. @throws Problem where neither is found */
export async function findStyle(name: string): Promise<Style> {
  if (existsSync(fromUser(name)) && name.includes(".")) {
    const opened = open(new TextDecoder().decode(await readUserFile(name)));
    if (opened.kind !== "styles") throw new Problem(`${name} holds a piece, not a style.`);
    const [style, ...others] = opened.styles;
    if (!style || others.length) throw new Problem(`${name} is a library of ${opened.styles.length} styles, not one.`);
    return style;
  }
  const styles = await allStyles();
  const wanted = name.trim().toLowerCase();
  const found = styles.find((s) => s.name.toLowerCase() === wanted) ?? demoStyles().find((s) => s.name.toLowerCase() === wanted);
  if (!found) throw new Problem(`There is no style called “${name}”. The command “styles” lists them.`);
  return found;
}
