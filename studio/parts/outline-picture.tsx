import type { Picture } from "@/worker/protocol";

/** An outline as a small picture, in the colour of the text around it. */
export function OutlinePicture({ picture: { d, box }, className }: { picture: Picture; className?: string }) {
  const [w, h] = [box.maxX - box.minX, box.maxY - box.minY];
  const pad = Math.max(w, h) * 0.04;
  return (
    <svg
      aria-hidden
      viewBox={`${box.minX - pad} ${box.minY - pad} ${w + 2 * pad} ${h + 2 * pad}`}
      preserveAspectRatio="xMidYMid meet"
      className={className}
    >
      <path d={d} fill="currentColor" />
    </svg>
  );
}
