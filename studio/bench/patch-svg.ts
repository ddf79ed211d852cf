import type { SvgNode } from "@/core/output/svg-node";

const namespace = "http://www.w3.org/2000/svg";

/**
 * Brings an element in line with a node, touching only what differs from the node it showed before: a new colour
 * sets one attribute, a letter's move one path.
 */
export function patch(element: Element, next: SvgNode, before: SvgNode | undefined): void {
  if (next === before) return;
  for (const name of Object.keys(before?.attributes ?? {})) if (!(name in next.attributes)) element.removeAttribute(name);
  for (const [name, value] of Object.entries(next.attributes))
    if (before?.attributes[name] !== value) element.setAttribute(name, String(value));
  if (next.text !== undefined) {
    if (before?.text !== next.text) element.textContent = next.text;
    return;
  }
  const children = next.children ?? [];
  const had = before?.children ?? [];
  children.forEach((child, i) => {
    const old = had[i];
    const there = element.children[i];
    if (old && there && old.name === child.name) return patch(there, child, old);
    const made = build(child);
    if (there) element.replaceChild(made, there);
    else element.appendChild(made);
  });
  while (element.children.length > children.length) element.lastElementChild!.remove();
}

export function build(node: SvgNode): Element {
  const element = document.createElementNS(namespace, node.name);
  patch(element, node, undefined);
  return element;
}

/** The same drawing with ids of its own, for a second place in the document. */
export function withIds(node: SvgNode, prefix: string): SvgNode {
  const attributes = Object.fromEntries(
    Object.entries(node.attributes).map(([name, value]) => {
      if (name === "id") return [name, `${prefix}${value}`];
      if (name === "href") return [name, String(value).replace(/^#/, `#${prefix}`)];
      return [name, typeof value === "string" ? value.replace(/^url\(#/, `url(#${prefix}`) : value];
    }),
  );
  return { ...node, attributes, ...(node.children ? { children: node.children.map((c) => withIds(c, prefix)) } : {}) };
}
