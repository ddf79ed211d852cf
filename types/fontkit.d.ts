declare module "fontkit" {
  interface Glyph {
    id: number;
    advanceWidth: number;
    path: { commands: { command: string; args: number[] }[]; bbox: { minX: number; minY: number; maxX: number; maxY: number } };
  }
  interface Font {
    unitsPerEm: number;
    layout(text: string, features?: string[]): { glyphs: Glyph[]; positions: { xAdvance: number; xOffset: number; yOffset: number }[] };
    getVariation(settings: Record<string, number>): Font;
  }
  export function create(buffer: Uint8Array): Font;
}
