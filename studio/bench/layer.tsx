import { memo, useLayoutEffect, useRef } from "react";
import type { SvgNode } from "@/core/output/svg-node";
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
}

/**
 * One layer on the bench: the very paths that are exported, in an svg layer of its own, so that the browser repaints
 * no more than what changed. Opacity and blending stand on the layer, where they meet the layers below.
 */
export const Layer = memo(function Layer({ id, node, viewBox, transform, opacity, blend, className }: Props) {
  const host = useRef<SVGSVGElement>(null);
  const drawn = useRef<SvgNode | undefined>(undefined);
  useLayoutEffect(() => {
    const svg = host.current!;
    if (!svg.firstElementChild) svg.appendChild(build(node));
    else patch(svg.firstElementChild, node, drawn.current);
    svg.dataset.layer = id;
    drawn.current = node;
  }, [id, node]);
  useLayoutEffect(() => host.current!.firstElementChild!.setAttribute("transform", transform), [transform]);
  return (
    <svg
      ref={host}
      aria-hidden
      viewBox={viewBox}
      preserveAspectRatio="xMidYMid meet"
      className={className}
      style={{ opacity, mixBlendMode: blend as "normal", overflow: "visible" }}
    />
  );
});
