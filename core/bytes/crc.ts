const table = Uint32Array.from({ length: 256 }, (_, byte) => {
  let rest = byte;
  for (let bit = 0; bit < 8; bit += 1) rest = rest & 1 ? (rest >>> 1) ^ 0xedb88320 : rest >>> 1;
  return rest;
});

/**
 * The CRC-32 of PNG and ZIP (ISO/IEC 15948, annex D).
 *
 * @example crc32(new TextEncoder().encode('123456789')) // 0xcbf43926
 */
export function crc32(bytes: Uint8Array): number {
  let rest = 0xffffffff;
  for (const byte of bytes) rest = (table[(rest ^ byte) & 255] ?? 0) ^ (rest >>> 8);
  return (rest ^ 0xffffffff) >>> 0;
}
