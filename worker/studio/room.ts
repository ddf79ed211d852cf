import { BackSide, BufferAttribute, Color, Mesh, MeshBasicMaterial, PlaneGeometry, Scene, SphereGeometry, Vector3 } from "three";

const zenith = new Color(0.92, 0.95, 1);
const walls = new Color(0.44, 0.43, 0.41);
const ground = new Color(0.16, 0.14, 0.12);

/**
 * The room that polished things mirror: bright above and dark below, a large soft light where the lamp is, and a tall narrow one across
 * from it, as a photographer of metal sets them (common practice).
 * @param lamp towards it, y up, z towards the eye
 */
export function roomAround(lamp: Vector3): Scene {
  const room = new Scene();
  const sphere = new SphereGeometry(10, 32, 32);
  const places = sphere.getAttribute("position");
  const colours = new Float32Array(3 * places.count);
  for (let i = 0; i < places.count; i++) {
    const up = places.getY(i) / 10;
    const colour = up > 0 ? walls.clone().lerp(zenith, up ** 0.7) : walls.clone().lerp(ground, (-up) ** 0.5);
    colour.toArray(colours, 3 * i);
  }
  sphere.setAttribute("color", new BufferAttribute(colours, 3));
  room.add(new Mesh(sphere, new MeshBasicMaterial({ vertexColors: true, side: BackSide })));
  // To the side: a flat face that mirrored it would be nothing but white.
  room.add(softBox(lamp.clone().setZ(0.2), 4, 6, 5));
  room.add(softBox(new Vector3(-lamp.x, -0.1 * lamp.y, 0.55), 1.6, 7, 3.5));
  return room;
}

function softBox(to: Vector3, width: number, height: number, strength: number): Mesh {
  const box = new Mesh(new PlaneGeometry(width, height), new MeshBasicMaterial({ color: new Color().setScalar(strength) }));
  box.position.copy(to.normalize().multiplyScalar(8));
  box.lookAt(0, 0, 0);
  return box;
}
