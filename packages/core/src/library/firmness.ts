import * as z from 'zod';

const level = z.number().int().min(0).max(10);

/** What is to be done more or less firmly. */
export const firmParts = ['hands', 'steps'] as const;

/**
 * How firm the hands or the steps are, on a sliding scale: 0 as soft as can be, 10 as firm as can be. It slides evenly from one
 * level to the other over the repetitions of a round, or over the time of a hold. It is felt, not measured (common practice);
 * load and goals do not know of it.
 */
export const FirmnessSchema = z.object({ of: z.enum(firmParts), from: level, to: level });
export type Firmness = z.infer<typeof FirmnessSchema>;

/** Where one begins who has said nothing else: from soft to half. Our own value. */
export const usualFirmness: Firmness = { of: 'hands', from: 1, to: 5 };

/** Words of the scale, 0 to 10. */
export const firmnessScale = [
  'as soft as can be',
  'barely there',
  'soft',
  'light',
  'light to half',
  'half firm',
  'more than half',
  'firm',
  'very firm',
  'nearly all there is',
  'as firm as can be',
];

/** What is asked: `hands 4 of 10 firm`, `steps 2 to 6 of 10 firm`. */
export const firmnessWords = ({ of, from, to }: Firmness): string =>
  `${of} ${from === to ? from : `${from} to ${to}`} of 10 firm`;

/** The level at a moment. @param share how far through the round, 0–1 */
export const firmnessAt = ({ from, to }: Firmness, share: number): number =>
  from + Math.sign(to - from) * Math.round(Math.abs(to - from) * Math.min(1, Math.max(0, share)));
