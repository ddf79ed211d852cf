import type { Photo } from "../core/photo";

/** The photos of the demo, with their files. */
export const ridge: Photo = { id: "8c88dc9be60642b553f6a80a13b8f6da", name: "ridge at dusk.jpg", width: 1400, height: 930 };

export const demoPhotos: readonly { readonly photo: Photo; readonly file: string }[] = [{ photo: ridge, file: "demo/files/ridge.jpg" }];
