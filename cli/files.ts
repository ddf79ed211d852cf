import { readFile, rename, rm, writeFile } from "node:fs/promises";
import path from "node:path";
import { Problem } from "../core/problem";

/** A file as the user named it, from where they stand. */
export const fromUser = (file: string): string => path.resolve(process.env.VEXTAL_FROM ?? process.cwd(), file);

/** @throws Problem naming the file where it cannot be read */
export async function readUserFile(file: string): Promise<Uint8Array> {
  try {
    return new Uint8Array(await readFile(fromUser(file)));
  } catch (error) {
    const why = (error as NodeJS.ErrnoException).code === "ENOENT" ? "there is no such file" : (error as Error).message;
    throw new Problem(`${file}: ${why}.`);
  }
}

/** Writes a file whole or not at all. */
export async function writeWhole(file: string, data: string | Uint8Array): Promise<void> {
  const target = fromUser(file);
  const part = `${target}.${process.pid}.part`;
  try {
    await writeFile(part, data);
    await rename(part, target);
  } catch (error) {
    await rm(part, { force: true });
    throw new Problem(`${file} could not be written: ${(error as Error).message}.`);
  }
}
