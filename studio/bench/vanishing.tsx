import type { StepFacts } from "@/core/coat/form-step";
import { cameraOf, type Point3, type Turn } from "@/core/depth/camera";
import type { Point } from "@/core/curves/matrix";
import type { ItemUpdate } from "@/worker/protocol";
import { useStudio } from "../state/store";
import { Lead } from "./grip";
import { placeOf } from "./place";

/** Points farther off than so many times the letters' width are not looked for: their lines are all but parallel. */
const farthest = 8;

interface Props {
  readonly item: ItemUpdate;
  readonly turn: Turn;
  readonly ball: NonNullable<StepFacts["ball"]>;
}

/** Where the edges of a body run together in the picture: a cross at each vanishing point, with the lines that lead there. */
export function Vanishing({ item, turn, ball: { at: pivot, box, depth, eye } }: Props) {
  const view = useStudio((s) => s.view);
  if (!(eye > 0)) return null;
  const { toScreen } = placeOf(item, view);
  const { project, vanish } = cameraOf({ ...turn, depth: Math.max(depth, 1e-3), eye, pivot });
  const { minX, minY, maxX, maxY } = box;
  const corner = (x: number, y: number, z = 0): Point3 => ({ x, y, z });
  const edges: readonly (readonly [Point3, readonly (readonly [Point3, Point3])[]])[] = [
    [
      { x: 1, y: 0, z: 0 },
      [
        [corner(minX, minY), corner(maxX, minY)],
        [corner(minX, maxY), corner(maxX, maxY)],
      ],
    ],
    [
      { x: 0, y: 1, z: 0 },
      [
        [corner(minX, minY), corner(minX, maxY)],
        [corner(maxX, minY), corner(maxX, maxY)],
      ],
    ],
    [
      { x: 0, y: 0, z: 1 },
      [
        [corner(minX, minY), corner(minX, minY, -depth)],
        [corner(maxX, maxY), corner(maxX, maxY, -depth)],
      ],
    ],
  ];
  return edges.map(([way, lines], i) => {
    const to = vanish(way);
    if (!to || Math.hypot(to.x - pivot.x, to.y - pivot.y) > farthest * (maxX - minX)) return null;
    const far = ([a, b]: readonly [Point3, Point3]): Point => {
      const [p, q] = [project(a), project(b)];
      return Math.hypot(p.x - to.x, p.y - to.y) < Math.hypot(q.x - to.x, q.y - to.y) ? p : q;
    };
    const { x, y } = toScreen(to);
    return (
      <g key={i} data-vanishing={["across", "up", "back"][i]} opacity={0.6}>
        {lines.map((line, k) => (
          <Lead key={k} points={[toScreen(far(line)), { x, y }]} dashed />
        ))}
        <path d={`M${x - 6} ${y}h12M${x} ${y - 6}v12`} stroke="var(--accent)" strokeWidth={1.5} pointerEvents="none" />
      </g>
    );
  });
}
