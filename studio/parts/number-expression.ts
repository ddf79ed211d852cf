/** How many of the field's own unit one of each unit is. */
export type UnitFactors = Readonly<Record<string, number>>;

const plain = /^[-+]?(\d+\.?\d*|\.\d+)$/;
const sum = /^[\d.+\-*/() ]+$/;

/**
 * Reads what was typed into a number field: a number, a number with a unit, or a simple sum of them ("3mm + 8 pt").
 * @returns the value in the field's own unit, or undefined where it cannot be read
 */
export async function readExpression(text: string, factors: UnitFactors = {}): Promise<number | undefined> {
  const dotted = text
    .trim()
    .replace(/(\d),(\d)/g, "$1.$2")
    .replace(/×|(?<=[\d)])\s*x\s*(?=[\d(.])/g, "*")
    .replace(/÷/g, "/")
    .replace(/−/g, "-");
  if (plain.test(dotted)) return Number(dotted);
  let unknown = false;
  const numbers = dotted.replace(/(\d+\.?\d*|\.\d+)\s*([a-z%"°]+)/gi, (_, number: string, unit: string) => {
    const factor = factors[unit.toLowerCase()];
    if (factor === undefined) unknown = true;
    return `(${number}*${factor})`;
  });
  if (unknown || !sum.test(numbers.replace(/e[-+]?\d+/g, ""))) return undefined;
  const { evaluate } = await import("mathjs");
  try {
    const value: unknown = evaluate(numbers);
    return typeof value === "number" && Number.isFinite(value) ? value : undefined;
  } catch {
    return undefined;
  }
}
