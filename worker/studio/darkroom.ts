import {
  DirectionalLight,
  Mesh,
  NeutralToneMapping,
  PCFShadowMap,
  PMREMGenerator,
  WebGLRenderer,
  type Material,
  type Object3D,
  type Scene,
  type Texture,
  type Vector3,
  type WebGLRenderTarget,
} from "three";
import { roomAround } from "./room";

/**
 * What draws, kept from picture to picture: the programs that materials are compiled to take seconds without a graphics processor, and are
 * let go only when the next picture has those that it needs.
 */
export class Darkroom {
  readonly renderer: WebGLRenderer;
  readonly #generator: PMREMGenerator;
  #hung: Scene[] = [];
  #mirrored: { readonly lamp: Vector3; readonly target: WebGLRenderTarget } | undefined;

  /** @throws Error where the browser draws no WebGL */
  constructor(canvas: OffscreenCanvas | HTMLCanvasElement) {
    this.renderer = new WebGLRenderer({ canvas, alpha: true, antialias: false, premultipliedAlpha: true });
    this.renderer.setPixelRatio(1);
    this.renderer.setClearColor(0x000000, 0);
    this.renderer.toneMapping = NeutralToneMapping;
    this.renderer.shadowMap.enabled = true;
    this.renderer.shadowMap.type = PCFShadowMap;
    this.renderer.shadowMap.autoUpdate = false;
    this.#generator = new PMREMGenerator(this.renderer);
  }

  /** What the room around a lamp looks like to things in it, rough and smooth. It takes seconds, and is kept while the lamp stays. */
  mirrored(lamp: Vector3): Texture {
    if (!this.#mirrored?.lamp.equals(lamp)) {
      this.#mirrored?.target.dispose();
      const room = roomAround(lamp);
      this.#mirrored = { lamp: lamp.clone(), target: this.#generator.fromScene(room, 0.02) };
      letGo(room);
    }
    return this.#mirrored.target.texture;
  }

  /** Takes in what is photographed next. */
  hang(scene: Scene): void {
    this.#hung.push(scene);
  }

  /** Lets go of all but what was photographed last, which has been drawn. */
  tidy(): void {
    for (const scene of this.#hung.splice(0, this.#hung.length - 1)) letGo(scene);
  }
}

function letGo(scene: Object3D): void {
  scene.traverse((o) => {
    if (o instanceof DirectionalLight) o.dispose();
    if (!(o instanceof Mesh)) return;
    o.geometry.dispose();
    const material = o.material as Material & Partial<Record<"map" | "bumpMap" | "roughnessMap", Texture | null>>;
    for (const texture of [material.map, material.bumpMap, material.roughnessMap]) texture?.dispose();
    material.dispose();
  });
}
