import { memo, useLayoutEffect, useRef } from "react";
import type { SvgNode } from "@/core/output/svg-node";
import { build, patch } from "./patch-svg";

interface Props {
  node: SvgNode;
  /** SVG's viewBox of what is drawn around. */
  viewBox: string;
  transform: string;
  opacity: number;
  blend: string;
  className?: string;
}

/**
 * One coat on the bench: the very group that is exported, in an svg layer of its own, so that the browser repaints
 * no more than what changed. Opacity and blending stand on the layer, where they meet the layers below.
 */
export const Layer = memo(function Layer({ node, viewBox, transform, opacity, blend, className }: Props) {
  const host = useRef<SVGSVGElement>(null);
  const drawn = useRef<SvgNode | undefined>(undefined);
  useLayoutEffect(() => {
    const svg = host.current!;
    const { id, transform: _, opacity: __, style: ___, ...attributes } = node.attributes;
    const bare: SvgNode = { ...node, attributes, children: node.children?.filter((c) => c.name !== "title") };
    if (!svg.firstElementChild) svg.appendChild(build(bare));
    else patch(svg.firstElementChild, bare, drawn.current);
    svg.dataset.layer = String(id);
    drawn.current = bare;
  }, [node]);
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
