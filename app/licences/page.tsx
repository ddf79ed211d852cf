import type { Metadata } from "next";
import Link from "next/link";
import { shippedFaces } from "@/server/faces/shipped";

export const metadata: Metadata = { title: "Faces and their licences" };

/** The faces that ship, each with the licence it comes under. */
export default function Page() {
  return (
    <main className="mx-auto max-w-3xl px-6 py-10">
      <p>
        <Link href="/" className="text-accent underline underline-offset-2">
          To the shelf
        </Link>
      </p>
      <h1 className="mt-4 text-2xl font-bold">Faces and their licences</h1>
      <p className="mt-2 text-pencil">
        Vextal ships {shippedFaces.length} faces, unchanged, under open licences. What you letter with them is yours; the outlines in an
        exported file need no licence of the face.
      </p>
      <table className="mt-6 w-full text-left">
        <thead className="border-b border-rule text-pencil">
          <tr>
            <th className="py-2 font-medium">Face</th>
            <th className="font-medium">Kind</th>
            <th className="font-medium">Licence</th>
          </tr>
        </thead>
        <tbody>
          {shippedFaces.map((f) => (
            <tr key={f.id} className="border-b border-rule">
              <td className="py-1.5">{f.name}</td>
              <td>{f.kind}</td>
              <td>
                <a href={`/api/faces/${f.id}/licence`} className="text-accent underline underline-offset-2">
                  {f.licence === "OFL-1.1" ? "SIL Open Font License 1.1" : "Apache License 2.0"}
                </a>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </main>
  );
}
