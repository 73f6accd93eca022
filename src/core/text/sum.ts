/** Stands for a text, which is given as UTF-8: its length in bytes, and its hash by FNV-1a (32 bit). */
export function sumOf(text: Uint8Array): string {
  let hash = 0x811c9dc5;
  for (const byte of text) hash = Math.imul(hash ^ byte, 0x01000193);
  return `${text.length} ${hash >>> 0}`;
}
