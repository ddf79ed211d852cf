import type { Photo } from "../core/photo";

/** The photos of the demo, with their files. */
export const ridge: Photo = { id: "8c88dc9be60642b553f6a80a13b8f6da", name: "ridge at dusk.jpg", width: 1400, height: 930 };

const scene = (id: string, name: string): Photo => ({ id, name: `${name}.jpg`, width: 800, height: 900 });

/** Six scenes of the moor and its railway, as a card shows them letter by letter. */
export const scenes: readonly Photo[] = [
  scene("bf104895434eb1c1dd93f2d15f40130c", "meadow at noon"),
  scene("fa764f376101499b8962abeeb0564c60", "viaduct at dusk"),
  scene("363fb2152fb16a5e0f06094a2cc8daef", "pines in fog"),
  scene("a3f805ffeef5e2f2e1da4eb3ee43f34b", "autumn slopes"),
  scene("ac12cdcb3656310ce8f480f8eb27cdbd", "peaks by moonlight"),
  scene("3d25dd8b0ecde3850aefc1d9e6ee021f", "lake at dawn"),
];

const fileOf = ({ name }: Photo): string => `demo/files/${name.replaceAll(" ", "-")}`;

export const demoPhotos: readonly { readonly photo: Photo; readonly file: string }[] = [
  { photo: ridge, file: "demo/files/ridge.jpg" },
  ...scenes.map((photo) => ({ photo, file: fileOf(photo) })),
];
