import { database } from "@/server/database";
import { answer } from "@/server/http/answer";
import { formFile } from "@/server/http/body";
import { addPhoto, mostPhotoBytes } from "@/server/photos/store";

/** Brings in a photo: a form with its file. */
export const POST = (request: Request) =>
  answer(async () => {
    const { file } = await formFile(request, "photo", mostPhotoBytes);
    return Response.json(await addPhoto(await database(), file.name, new Uint8Array(await file.arrayBuffer())), { status: 201 });
  });
