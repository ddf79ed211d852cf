import { shippedFaces } from "@/server/faces/shipped";

export const GET = () => Response.json(shippedFaces.map(({ id, name, kind, axes, licence }) => ({ id, name, kind, axes, licence })));
