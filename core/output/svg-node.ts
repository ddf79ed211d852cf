/** An SVG element as plain data: the bench draws it into the page, the exports write it as text. */
export interface SvgNode {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string | number>>;
  readonly children?: readonly SvgNode[];
  readonly text?: string;
}

const escapes: Record<string, string> = { "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;" };

/** Text that may stand in XML; control characters, which may not, are dropped. */
export const escapeXml = (text: string): string =>
  text.replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, "").replace(/[&<>"]/g, (c) => escapes[c]);

export function serialize(node: SvgNode, indent = ""): string {
  const attributes = Object.entries(node.attributes)
    .map(([k, v]) => ` ${k}="${escapeXml(String(v))}"`)
    .join("");
  if (node.text !== undefined) return `${indent}<${node.name}${attributes}>${escapeXml(node.text)}</${node.name}>\n`;
  if (!node.children?.length) return `${indent}<${node.name}${attributes}/>\n`;
  const inner = node.children.map((c) => serialize(c, indent + " ")).join("");
  return `${indent}<${node.name}${attributes}>\n${inner}${indent}</${node.name}>\n`;
}
