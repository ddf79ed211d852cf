import type { FaceInfo } from "../../core/lettering/face";
import { database } from "../database";
import { isNotFound } from "../documents";
import { ownPrefix, readOwn } from "./own";
import { readFace, readLicence, shippedInfo, type FaceFile } from "./read";

/** A face that ships or was brought in; undefined where it is neither. */
export async function findFace(id: string): Promise<(FaceFile & { info: FaceInfo }) | undefined> {
  const info = shippedInfo(id);
  if (info) return { info, ...(await readFace(id)!) };
  if (!id.startsWith(ownPrefix)) return undefined;
  try {
    return await readOwn(await database(), id);
  } catch (error) {
    if (isNotFound(error)) return undefined;
    throw error;
  }
}

/** The licence text of a face; undefined where there is no such face. */
export async function licenceOf(id: string): Promise<string | undefined> {
  if (shippedInfo(id)) return readLicence(id);
  return id.startsWith(ownPrefix) ? (await readOwn(await database(), id)).licence : undefined;
}
