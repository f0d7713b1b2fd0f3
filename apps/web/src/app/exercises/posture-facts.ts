import { percent, type Posture } from '@pomek/core';

export interface Fact {
  readonly name: string;
  readonly value: string;
}

const degrees = (value: number): string => `${Math.round(value)}°`;

/** A posture as the facts a teacher checks, each with its unit. */
export function postureFacts(posture: Posture): Fact[] {
  const { weightShare, pressurePoint, stanceWidth } = posture;
  const weight = weightShare === 0.5 ? 'even' : `${percent(weightShare)} on the working leg`;
  const width = stanceWidth === 0 ? 'feet together' : `${stanceWidth} × shoulder width`;
  return [
    { name: 'Stance', value: posture.seated ? 'seated' : width },
    { name: 'Knee bend', value: degrees(posture.kneeBendDeg) },
    { name: 'Trunk', value: posture.trunkPitchDeg === 0 ? 'upright' : `${degrees(posture.trunkPitchDeg)} forward` },
    { name: 'Arms', value: posture.shoulderRaiseDeg === 0 ? 'hanging' : `raised ${degrees(posture.shoulderRaiseDeg)}` },
    { name: 'Elbows', value: posture.elbowBendDeg === 0 ? 'straight' : `bent ${degrees(posture.elbowBendDeg)}` },
    ...(posture.seated ? [] : [{ name: 'Weight', value: weight }]),
    ...(posture.seated
      ? []
      : [
          {
            name: 'Pressure',
            value: pressurePoint === null ? 'as the school has it' : `${percent(pressurePoint)} from the heel`,
          },
        ]),
  ];
}
