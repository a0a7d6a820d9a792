/** A hash of 64 bits over pixels, in two lanes of FNV-1a; the same code runs in the page, which sends it as text. */
export function hashOf(pixels: Uint8ClampedArray): string {
  const words = new Uint32Array(pixels.buffer, pixels.byteOffset, pixels.byteLength / 4);
  let [a, b] = [0x811c9dc5, 0x01000193];
  for (let i = 0; i < words.length; i++) {
    a = Math.imul(a ^ words[i]!, 0x01000193);
    b = Math.imul(b ^ words[i]!, 0x85ebca6b) ^ (b >>> 15);
  }
  return `${words.length}:${a >>> 0}:${b >>> 0}`;
}
