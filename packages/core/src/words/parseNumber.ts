/**
 * Reads a number as people write it: digits, with a point or a comma before decimals. Null when it is not that; signs,
 * exponents and other notations are none.
 * @example parseNumber('2,5') // 2.5
 */
export const parseNumber = (text: string): number | null =>
  /^\d{1,15}(?:[.,]\d{1,15})?$/.test(text.trim()) ? Number(text.trim().replace(',', '.')) : null;
