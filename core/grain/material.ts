/** What a material is at one place. */
export interface Spot {
  /** 0, its first ink, to 1, its second. */
  tone: number;
  /** How much of the third ink lies over that, 0 to 1. */
  mark: number;
  /** In hundredths of the material's unit, upwards. */
  height: number;
}

/** A colour of a material, with a name and an id for the ink that it becomes. */
export interface MaterialInk {
  readonly id: string;
  readonly name: string;
  readonly colour: string;
}

/** A material: one file. Its pattern has no end, and is the same at every resolution. */
export interface Material<K extends string = string> {
  readonly kind: K;
  readonly label: string;
  readonly hint: string;
  /** What it is commonly coloured with: its lighter tone, its darker one, its marks. */
  readonly inks: readonly [MaterialInk, MaterialInk, MaterialInk];
  /**
   * @param x,y the place in the material's own unit, along its grain and across
   * @param pixel the size of a pixel in that unit: what is finer is left out
   */
  at(x: number, y: number, pixel: number, seed: number, spot: Spot): void;
}

export const material = <const K extends string>(m: Material<K>): Material<K> => m;
