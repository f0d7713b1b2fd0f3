import { durationWords, jointPlaces, kneeWords, limbs, limitNames, upperFirst, type Limb } from '@pomek/core';
import type { ResultOf } from '../compute/protocol';

export type SegmentEffort = ResultOf<'effort'>['segments'][number];

/** What a segment asks for, in words a teacher would say; the knee line last. */
export function segmentEffortWords(effort: SegmentEffort): string[] {
  const { joint, enduranceSeconds, unlimited, askedSeconds, kneePastToes } = effort;
  const who = upperFirst(limitNames[joint]);
  const lasts = unlimited
    ? 'Neither legs, arms nor back limit this.'
    : `${who} would tire after about ${durationWords(Math.round(enduranceSeconds / 5) * 5)}; you ask for ${durationWords(askedSeconds)}: effort about ${Math.round(effort.effort)} of 10.`;
  if (kneePastToes === null) return [lasts];
  const knee = `${kneeWords(kneePastToes)}${kneePastToes > 0 ? ': higher, or sit back' : ''}.`;
  return [lasts, knee];
}

export interface ReserveWords {
  readonly rows: readonly { readonly limbs: string; readonly least: string }[];
  readonly failure: string;
}

const percent = (share: number): string => `${Math.max(0, Math.round(share * 100))} %`;

/** The least reserve of legs and arms through a routine, and where one gives out. */
export function reserveWords(
  effort: Pick<ResultOf<'effort'>, 'segments' | 'failure'> | null,
  names: ReadonlyMap<string, string>,
): ReserveWords | null {
  if (effort === null || effort.segments.length === 0) return null;
  const least = (limb: Limb): number => Math.min(...effort.segments.map((segment) => segment.reserve[limb]));
  const { failure } = effort;
  return {
    rows: limbs.map((limb) => ({ limbs: limb, least: percent(least(limb)) })),
    failure:
      failure === null
        ? ''
        : `The ${failure.limb}${jointPlaces[failure.joint]} gives out in ${names.get(failure.segmentId) ?? 'it'}, ${durationWords(failure.atSeconds)} from the start.`,
  };
}
