import { Problem } from "@/core/problem";
import { database } from "@/server/db/open";
import { answer } from "@/server/http/answer";
import { addPhoto, mostPhotoBytes } from "@/server/photos/store";

/** Brings in a photo: a form with its file. */
export const POST = (request: Request) =>
  answer(async () => {
    if (Number(request.headers.get("content-length") ?? 0) > mostPhotoBytes + 1e6) throw new Problem(`This file is over ${mostPhotoBytes / 1e6} MB.`);
    const form = await request.formData().catch(() => undefined);
    const file = form?.get("photo");
    if (!(file instanceof File)) throw new Problem("The request carries no photo.");
    return Response.json(await addPhoto(await database(), file.name, new Uint8Array(await file.arrayBuffer())), { status: 201 });
  });
