import { memo, useLayoutEffect, useRef } from "react";
import type { SvgNode } from "@/core/output/svg-node";
import type { DraftPicture } from "@/worker/draft-picture";
import { build, patch } from "./patch-svg";

interface Props {
  /** Its own in the document. */
  id: string;
  /** What is drawn, in the item's space. */
  node: SvgNode;
  /** SVG's viewBox of what is drawn around. */
  viewBox: string;
  transform: string;
  opacity: number;
  blend: string;
  className?: string;
  /** Whether it is painted for itself: what changes is painted anew without what lies over and under it, and what is moved is not. */
  apart?: boolean;
  /** Pixels of the screen to one of the viewBox, where it is painted for itself. */
  zoom?: number;
  /** What is seen in its place. */
  picture?: DraftPicture;
}

/** Milliseconds after which what was moved is painted where it is. */
const rest = 150;

/** How far a matrix has moved, where that is all that it has done. */
function moved(from: string, to: string): { x: number; y: number } | undefined {
  if (from === to) return undefined;
  const [a, b] = [from, to].map((m) => m.match(/-?[\d.]+(e-?\d+)?/g)?.map(Number) ?? []);
  if (a.length !== 6 || b.length !== 6 || a.slice(0, 4).some((v, i) => v !== b[i])) return undefined;
  return { x: b[4] - a[4], y: b[5] - a[5] };
}

/**
 * One layer on the bench: the very paths that are exported, in an svg layer of its own, so that the browser repaints
 * no more than what changed. Opacity and blending stand on the layer, where they meet the layers below.
 */
export const Layer = memo(function Layer({
  id,
  node,
  viewBox,
  transform,
  opacity,
  blend,
  className,
  apart = false,
  zoom = 1,
  picture,
}: Props) {
  const host = useRef<SVGSVGElement>(null);
  const drawn = useRef<SvgNode | undefined>(undefined);
  useLayoutEffect(() => {
    const svg = host.current!;
    if (!svg.firstElementChild) svg.appendChild(build(node));
    else patch(svg.firstElementChild, node, drawn.current);
    svg.dataset.layer = id;
    drawn.current = node;
  }, [id, node]);
  /** Where its paths are drawn; further on it is moved as it is painted. */
  const painted = useRef(transform);
  useLayoutEffect(() => {
    const svg = host.current!;
    const settle = () => {
      painted.current = transform;
      svg.firstElementChild!.setAttribute("transform", transform);
      svg.style.transform = "";
    };
    const by = apart ? moved(painted.current, transform) : undefined;
    if (!by) return settle();
    svg.style.transform = `translate(${by.x * zoom}px, ${by.y * zoom}px)`;
    const timer = setTimeout(settle, rest);
    return () => clearTimeout(timer);
  }, [transform, apart, zoom]);
  const lying = { opacity, mixBlendMode: blend as "normal" };
  return (
    <>
      <svg
        ref={host}
        aria-hidden
        viewBox={viewBox}
        preserveAspectRatio="xMidYMid meet"
        className={className}
        style={{ ...lying, overflow: "visible", willChange: apart ? "transform" : undefined, display: picture && "none" }}
      />
      {picture && <Pixels {...picture} zoom={zoom} lying={lying} />}
    </>
  );
});

/** A layer as pixels where they lie on the board. */
function Pixels({ bitmap, box, zoom, lying }: DraftPicture & { zoom: number; lying: { opacity: number; mixBlendMode: "normal" } }) {
  const host = useRef<HTMLCanvasElement>(null);
  useLayoutEffect(() => {
    const canvas = host.current!;
    if (canvas.width !== bitmap.width) canvas.width = bitmap.width;
    if (canvas.height !== bitmap.height) canvas.height = bitmap.height;
    const to = canvas.getContext("2d")!;
    to.globalCompositeOperation = "copy";
    to.drawImage(bitmap, 0, 0);
  }, [bitmap]);
  const place = {
    left: box.minX * zoom,
    top: box.minY * zoom,
    width: (box.maxX - box.minX) * zoom,
    height: (box.maxY - box.minY) * zoom,
  };
  return <canvas ref={host} aria-hidden className="absolute max-w-none" style={{ ...place, ...lying }} />;
}
