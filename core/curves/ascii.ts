/**
 * Writes text of ASCII characters a number at a time into an array of its own that is used again and again. Path data is tens of
 * thousands of short numbers for a scene: as strings that are joined, each would be an object to be collected.
 */
export class Ascii {
  #bytes = new Uint8Array(4096);
  #size = 0;

  /** Room for what one command writes. */
  reserve(more: number): void {
    if (this.#size + more <= this.#bytes.length) return;
    const bytes = new Uint8Array(2 * this.#bytes.length + more);
    bytes.set(this.#bytes);
    this.#bytes = bytes;
  }

  /** A character by its code; there must be room. */
  put(code: number): void {
    this.#bytes[this.#size++] = code;
  }

  /**
   * A count of hundredths as the shortest decimal, such as 12.5 for 1250 and -.05 for -5; there must be room for 24 characters.
   * @param count whole
   */
  hundredths(count: number): void {
    if (count > farthest || count < -farthest) return this.#far(count);
    let v = count | 0;
    const bytes = this.#bytes;
    let n = this.#size;
    if (v < 0) {
      bytes[n++] = minus;
      v = -v | 0;
    }
    const whole = (v / 100) | 0;
    const rest = (v - whole * 100) | 0;
    if (whole > 0 || rest === 0) {
      const end = n + (whole < 10 ? 1 : whole < 100 ? 2 : whole < 1000 ? 3 : lengthOf(whole));
      let left = whole;
      for (let at = end - 1; at >= n; at--) {
        const tenth = (left / 10) | 0;
        bytes[at] = zero + left - tenth * 10;
        left = tenth;
      }
      n = end;
    }
    if (rest > 0) {
      const tenths = (rest / 10) | 0;
      bytes[n++] = point;
      bytes[n++] = zero + tenths;
      if (rest !== tenths * 10) bytes[n++] = zero + rest - tenths * 10;
    }
    this.#size = n;
  }

  #far(count: number): void {
    for (const character of String(count / 100)) this.put(character.charCodeAt(0));
  }

  /** What was written, which is then gone from here. */
  take(): string {
    let text = "";
    // In parts, since a call takes a limited number of arguments.
    for (let at = 0; at < this.#size; at += most)
      text += String.fromCharCode.apply(null, this.#bytes.subarray(at, Math.min(this.#size, at + most)) as unknown as number[]);
    this.#size = 0;
    return text;
  }
}

function lengthOf(whole: number): number {
  let n = 3;
  for (let unit = 1000; unit <= whole; unit *= 10) n++;
  return n;
}

/** What 32 bits hold either way. */
const farthest = 2 ** 31 - 1;
const zero = 48;
const minus = 45;
const point = 46;
const most = 4096;
