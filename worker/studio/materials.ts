import { Color, DoubleSide, MeshPhysicalMaterial, type DataTexture } from "three";
import type { MaterialName } from "../../core/piece/studio-picture";
import type { SurfaceLook } from "./order";
import { brushed, grained, stitched } from "./patterns";

type Finish = (colour: Color, look: SurfaceLook) => MeshPhysicalMaterial;

const plain =
  (roughness: number): Finish =>
  (color) =>
    new MeshPhysicalMaterial({ color, roughness, metalness: 0 });

/** Lays a tile on a surface whose places are in units. */
function tiled<T extends DataTexture>(texture: T, size: number): T {
  texture.repeat.set(1 / size, 1 / size);
  return texture;
}

/** What surfaces are made of: one entry a material. Roughness and metalness as glTF 2.0 has them; clear coats and bumps by eye. */
const finishes: Readonly<Record<MaterialName, Finish>> = {
  matt: plain(0.95),
  satin: plain(0.45),
  enamel: (color) => new MeshPhysicalMaterial({ color, roughness: 0.5, metalness: 0, clearcoat: 1, clearcoatRoughness: 0.05 }),
  brushed: (color) => {
    const { heights, size } = brushed();
    const lines = tiled(heights, size);
    return new MeshPhysicalMaterial({ color, metalness: 1, roughness: 0.66, roughnessMap: lines, bumpMap: lines, bumpScale: 0.14 });
  },
  polished: (color) => new MeshPhysicalMaterial({ color, metalness: 1, roughness: 0.14 }),
  glass: (color) => {
    const glass = new MeshPhysicalMaterial({
      ...{ color, metalness: 0, roughness: 0.06, ior: 1.5, clearcoat: 1, clearcoatRoughness: 0.02 },
      ...{ transparent: true, opacity: 0.42, premultipliedAlpha: true, side: DoubleSide, depthWrite: false },
    });
    // What glass throws back hides what lies behind it, however clear it is.
    glass.onBeforeCompile = (shader) => {
      shader.fragmentShader = shader.fragmentShader.replace(
        "#include <opaque_fragment>",
        `vec3 thrown = reflectedLight.directSpecular + reflectedLight.indirectSpecular;
         diffuseColor.a = clamp(max(diffuseColor.a, max(thrown.r, max(thrown.g, thrown.b))), 0.0, 1.0);
         #include <opaque_fragment>`,
      );
    };
    return glass;
  },
  wood: (_, { colour }) => patterned(grained("wood", colour, 150), 0.62, 1.2),
  stone: (_, { colour }) => patterned(grained("stone", colour, 110), 0.85, 1.4),
  stitched: (_, { colour }) => patterned(stitched(colour), 0.7, 3),
};

function patterned({ colours, heights, size }: ReturnType<typeof grained>, roughness: number, bumpScale: number): MeshPhysicalMaterial {
  return new MeshPhysicalMaterial({
    ...{ map: tiled(colours, size), bumpMap: tiled(heights, size), bumpScale, roughness, metalness: 0 },
    ...{ sheen: 0.2, sheenRoughness: 0.6 },
  });
}

export const materialOf = (look: SurfaceLook): MeshPhysicalMaterial => finishes[look.material](new Color(look.colour), look);
