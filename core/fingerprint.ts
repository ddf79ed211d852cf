const offset = 0xcbf29ce484222325n;
const prime = 0x100000001b3n;
const bits = 0xffffffffffffffffn;

/** A short name for a text, by which two are told apart: FNV-1a of 64 bits (RFC 9923) of its UTF-16 units, as 16 hexadecimal digits. */
export function fingerprint(text: string): string {
  let hash = offset;
  for (let i = 0; i < text.length; i++) {
    const unit = text.charCodeAt(i);
    for (const byte of [unit & 0xff, unit >> 8]) hash = ((hash ^ BigInt(byte)) * prime) & bits;
  }
  return hash.toString(16).padStart(16, "0");
}
