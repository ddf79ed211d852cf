import { Problem } from "../problem";

export type Migration = (document: Record<string, unknown>) => Record<string, unknown>;

/**
 * Brings a document of an older format forward, one version at a time.
 * @param steps the step from version n + 1 to n + 2 at index n
 * @throws Problem where the document is newer than this program or carries no version
 */
export function migrate(document: unknown, what: string, current: number, steps: readonly Migration[] = []): Record<string, unknown> {
  if (typeof document !== "object" || document === null) throw new Problem(`This is no ${what}.`);
  let doc = document as Record<string, unknown>;
  const version = doc.version;
  if (typeof version !== "number" || !Number.isInteger(version) || version < 1)
    throw new Problem(`This ${what} carries no format version.`);
  if (version > current)
    throw new Problem(
      `This ${what} was made with a newer Vextal (format ${version}; this one reads up to ${current}). Nothing was changed.`,
    );
  for (let v = version; v < current; v++) doc = { ...steps[v - 1](doc), version: v + 1 };
  return doc;
}
