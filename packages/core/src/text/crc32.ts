const POLYNOMIAL = 0xedb88320;

const table = Uint32Array.from({ length: 256 }, (_, byte) => {
  let value = byte;
  for (let bit = 0; bit < 8; bit += 1) value = value & 1 ? (value >>> 1) ^ POLYNOMIAL : value >>> 1;
  return value >>> 0;
});

/** Checksum of some bytes, 32 bit unsigned: the CRC-32 of ISO/IEC 3309 and ITU-T V.42. */
export function crc32(bytes: Uint8Array): number {
  let value = 0xffffffff;
  for (const byte of bytes) value = table[(value ^ byte) & 0xff]! ^ (value >>> 8);
  return (value ^ 0xffffffff) >>> 0;
}
