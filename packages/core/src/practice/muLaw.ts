// ITU-T Recommendation G.711 (1988), table 2a: the μ-law, here for samples of 16 bits. The published table has 14.
const BIAS = 33 * 4;
const LOUDEST = 8158 * 4 + 3;

/** A sample of 16 bits as one byte after the μ-law of ITU-T G.711. */
export function toMuLaw(sample: number): number {
  const size = Math.min(Math.abs(sample), LOUDEST) + BIAS;
  const segment = Math.floor(Math.log2(size)) - 7;
  const step = (size >> (segment + 3)) & 0x0f;
  return ~((sample < 0 ? 0x80 : 0) | (segment << 4) | step) & 0xff;
}

/** The sample of 16 bits that a byte of the μ-law stands for. */
export function fromMuLaw(byte: number): number {
  const bits = ~byte & 0xff;
  const [segment, step] = [(bits >> 4) & 0x07, bits & 0x0f];
  const size = (((step << 3) + BIAS) << segment) - BIAS;
  return (bits & 0x80) === 0 ? size : -size;
}
