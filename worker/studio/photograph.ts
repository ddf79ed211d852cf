import {
  AmbientLight,
  BufferAttribute,
  BufferGeometry,
  Color,
  DirectionalLight,
  Group,
  Mesh,
  type MeshPhysicalMaterial,
  OrthographicCamera,
  PerspectiveCamera,
  PlaneGeometry,
  Scene,
  ShadowMaterial,
  Vector3,
} from "three";
import type { Point3 } from "../../core/depth/camera";
import { surfaceNames } from "../../core/depth/mesh";
import type { Darkroom } from "./darkroom";
import { framingOf, type Framing } from "./framing";
import { materialOf } from "./materials";
import type { StudioOrder, StudioShot, SurfaceLook } from "./order";

/** Pixels of the longer side of what is drawn at once: larger pictures are put together. */
const tile = 1024;
const shadowSide = 2048;
/** Degrees around the lamp that the softest one fills. */
const widest = 16;
/** Light of the lamp and from all around, so that a face is about as bright as its ink in common daylight. */
const key = 2.4;
const fill = 0.5;
/** What a white face throws back at the right exposure. */
const bright = 0.86;
/** How much of the room's light paints take, and how much metals, which show nothing else. */
const room = { paint: 0.26, metal: 0.78 };
const goldenAngle = Math.PI * (3 - Math.sqrt(5));

/** What a caller hears and says while a picture is taken. */
export interface Sitting {
  /** After each exposure, with how many there were; a picture of those so far may be asked for. */
  tell(done: number, soFar: () => StudioShot): void;
  /** Lets others have a turn. */
  pause(): Promise<void>;
  isStopped(): boolean;
}

/**
 * Takes a picture of a body: the mean of exposures, over which the lamp wanders within its width and each pixel within its square, which
 * makes shadows soft and edges smooth. Radiance by three.js, with the metal and rough model of glTF 2.0.
 * @returns undefined where it was stopped
 */
export async function photograph(
  { body, look, side, exposures }: StudioOrder,
  darkroom: Darkroom,
  sitting: Sitting,
): Promise<StudioShot | undefined> {
  const wide = Math.tan((look.softness * widest * Math.PI) / 180);
  const framing = framingOf(body, look.shadow > 0 ? { wide } : undefined);
  const [across, down] = [framing.right - framing.left, framing.top - framing.bottom];
  const scale = side / Math.max(across, down);
  const [width, height] = [Math.max(1, Math.round(across * scale)), Math.max(1, Math.round(down * scale))];
  const { renderer } = darkroom;
  const { scene, lamp } = sceneOf({ body, look }, framing, darkroom);
  renderer.toneMappingExposure = exposureOf(body, framing);
  // Four sums a pixel, colours multiplied by alpha: 256 exposures fit.
  const sums = new Uint16Array(4 * width * height);
  const bytes = new Uint8Array(4 * Math.min(tile, width) * Math.min(tile, height));
  const { pivot } = body.sight;
  const box = {
    minX: pivot.x + framing.left,
    maxX: pivot.x + framing.left + width / scale,
    minY: pivot.y - framing.top,
    maxY: pivot.y - framing.top + height / scale,
  };
  let done = 0;
  const shot = (): StudioShot => ({ width, height, box, pixels: meanOf(sums, done) });
  while (done < exposures) {
    moveLamp(lamp, body.light.from, framing.radius, { at: done, of: exposures, wide });
    renderer.shadowMap.needsUpdate = true;
    // Places within a pixel that fill it evenly (Roberts, The unreasonable effectiveness of quasirandom sequences, 2018).
    const [dx, dy] = [(0.5 + 0.7548776662 * done) % 1, (0.5 + 0.5698402909 * done) % 1];
    for (let y = 0; y < height; y += tile)
      for (let x = 0; x < width; x += tile) {
        if (done > 0 || x > 0 || y > 0) await sitting.pause();
        if (sitting.isStopped()) return undefined;
        const [w, h] = [Math.min(tile, width - x), Math.min(tile, height - y)];
        renderer.setSize(w, h, false);
        renderer.render(scene, cameraOn(framing, { x: x + dx - 0.5, y: y + dy - 0.5, w, h }, scale));
        const gl = renderer.getContext();
        gl.readPixels(0, 0, w, h, gl.RGBA, gl.UNSIGNED_BYTE, bytes);
        // Rows come from the bottom.
        for (let row = 0; row < h; row++) {
          let to = 4 * ((y + h - 1 - row) * width + x);
          for (let from = 4 * row * w; from < 4 * (row + 1) * w; from++) sums[to++] += bytes[from];
        }
      }
    if (++done === 1) darkroom.tidy();
    sitting.tell(done, shot);
  }
  return shot();
}

/** As a photographer sets it: for the face as it is turned towards the lamp, in common daylight. */
function exposureOf({ light: { from } }: StudioOrder["body"], { toRoom }: Framing): number {
  const face = new Vector3(0, 0, 1).transformDirection(toRoom);
  const lit = Math.max(0, face.dot(new Vector3(from.x, -from.y, from.z)));
  return Math.min(1.8, Math.max(0.85, bright / ((key * lit + fill) / Math.PI + 0.5 * room.paint)));
}

function sceneOf({ body, look }: Pick<StudioOrder, "body" | "look">, framing: Framing, darkroom: Darkroom) {
  const scene = new Scene();
  const { from, strength, ambient, colour } = body.light;
  const towards = new Vector3(from.x, -from.y, from.z);
  const mirrored = darkroom.mirrored(towards);
  const known = new Map<string, MeshPhysicalMaterial>();
  const made = (surface: SurfaceLook): MeshPhysicalMaterial => {
    const name = `${surface.material} ${surface.colour}`;
    const material = known.get(name) ?? materialOf(surface);
    known.set(name, material);
    material.envMap = mirrored;
    material.envMapIntensity = look.room * (material.metalness > 0.5 ? room.metal : room.paint);
    return material;
  };
  const group = new Group();
  group.matrixAutoUpdate = false;
  group.matrix.copy(framing.toRoom);
  for (const name of surfaceNames) {
    const { positions, normals, places, triangles } = body.mesh[name];
    if (!triangles.length) continue;
    const geometry = new BufferGeometry();
    geometry.setAttribute("position", new BufferAttribute(positions, 3));
    geometry.setAttribute("normal", new BufferAttribute(normals, 3));
    geometry.setAttribute("uv", new BufferAttribute(places, 2));
    geometry.setIndex(new BufferAttribute(triangles, 1));
    const material = made(look.surfaces[name]);
    const mesh = new Mesh(geometry, material);
    mesh.castShadow = mesh.receiveShadow = true;
    group.add(mesh);
  }
  scene.add(group);
  const lamp = new DirectionalLight(new Color(colour), key * strength);
  const { shadow } = lamp;
  const reach = 1.6 * framing.radius;
  Object.assign(shadow.camera, { left: -reach, right: reach, top: reach, bottom: -reach, near: 0.1, far: 8 * framing.radius });
  shadow.mapSize.set(shadowSide, shadowSide);
  shadow.camera.updateProjectionMatrix();
  // A few cells of the map: nearer, surfaces shade themselves.
  shadow.normalBias = (2.2 * 2 * reach) / shadowSide;
  shadow.bias = -0.0004;
  // Between one exposure's shadow and the next.
  shadow.radius = 1 + 14 * look.softness;
  lamp.castShadow = true;
  scene.add(lamp, lamp.target, new AmbientLight(0xffffff, fill + 2 * ambient));
  if (look.shadow > 0) {
    const board = new Mesh(new PlaneGeometry(40 * framing.radius, 40 * framing.radius), new ShadowMaterial({ color: 0x0e0a08 }));
    board.material.opacity = look.shadow;
    board.position.z = framing.floor;
    board.receiveShadow = true;
    scene.add(board);
  }
  darkroom.hang(scene);
  return { scene, lamp };
}

/** The lamp at one of its places, spread evenly over its width. */
function moveLamp(
  lamp: DirectionalLight,
  from: Point3,
  radius: number,
  { at, of, wide }: { readonly at: number; readonly of: number; readonly wide: number },
): void {
  const to = new Vector3(from.x, -from.y, from.z).normalize();
  const side = new Vector3(-to.y, to.x, 0);
  if (side.lengthSq() < 1e-9) side.set(1, 0, 0);
  side.normalize();
  const up = new Vector3().crossVectors(to, side);
  const off = of > 1 ? wide * Math.sqrt((at + 0.5) / of) : 0;
  to.addScaledVector(side, off * Math.cos(goldenAngle * at)).addScaledVector(up, off * Math.sin(goldenAngle * at));
  lamp.position.copy(to.normalize().multiplyScalar(4 * radius));
}

/** A camera that shows a part of the picture, given in its pixels. */
function cameraOn({ left, top, eye, radius }: Framing, part: { x: number; y: number; w: number; h: number }, scale: number) {
  const [l, t] = [left + part.x / scale, top - part.y / scale];
  const [r, b] = [l + part.w / scale, t - part.h / scale];
  if (eye > 0) {
    const [near, far] = [Math.max(eye - 1.1 * radius, eye * 0.02), eye + 4 * radius];
    const camera = new PerspectiveCamera();
    const k = near / eye;
    camera.projectionMatrix.makePerspective(l * k, r * k, t * k, b * k, near, far);
    camera.projectionMatrixInverse.copy(camera.projectionMatrix).invert();
    camera.position.z = eye;
    return camera;
  }
  const camera = new OrthographicCamera(l, r, t, b, 0, 8 * radius);
  camera.position.z = 4 * radius;
  return camera;
}

/** The mean of exposures, with alpha taken out of the colours. */
function meanOf(sums: Uint16Array, count: number): Uint8ClampedArray<ArrayBuffer> {
  const pixels = new Uint8ClampedArray(sums.length);
  for (let i = 0; i < sums.length; i += 4) {
    const alpha = sums[i + 3];
    if (alpha === 0) continue;
    for (let c = 0; c < 3; c++) pixels[i + c] = (255 * sums[i + c]) / alpha;
    pixels[i + 3] = alpha / count;
  }
  return pixels;
}
