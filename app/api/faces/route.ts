import { database } from "@/server/database";
import { serverEngine } from "@/server/engine";
import { addOwn, listOwn, mostFontBytes } from "@/server/faces/own";
import { shippedFaces } from "@/server/faces/shipped";
import { answer } from "@/server/http/answer";
import { formFile } from "@/server/http/body";

/** All faces: those that were brought in first. */
export const GET = () =>
  answer(async () => {
    const own = (await listOwn(await database())).map((f) => ({ ...f, own: true }));
    const shipped = shippedFaces.map(({ id, name, kind, axes, licence }) => ({ id, name, kind, axes, licence, own: false }));
    return Response.json([...own, ...shipped], { headers: { "cache-control": "no-store" } });
  });

/** Brings in a font file: a form with the file and, where there is one, the text of its licence. */
export const POST = (request: Request) =>
  answer(async () => {
    const { form, file } = await formFile(request, "font", mostFontBytes);
    const licence = form.get("licence");
    const added = await addOwn(
      await database(),
      file.name.slice(0, 120) || "This file",
      new Uint8Array(await file.arrayBuffer()),
      typeof licence === "string" ? licence : "",
    );
    (await serverEngine()).forget();
    return Response.json(added, { status: 201 });
  });
