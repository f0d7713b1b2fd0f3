import { percent } from '../words/percent';
import type { ExerciseSegment, Turned, TurnedNumber } from './routine';
import { doseWords } from '../library/doseWords';
import { firmnessWords } from '../library/firmness';
import { sideOrderWords } from '../library/sideOrder';
import { takesTurns } from '../library/sideOrder';

const said: Readonly<Record<TurnedNumber, (value: number) => string>> = {
  kneeBendDeg: (value) => `bend ${Math.round(value)}°`,
  weightShare: (value) => `${percent(value)} on the working leg`,
  shoulderRaiseDeg: (value) => `arms at ${Math.round(value)}°`,
  stanceWidth: (value) => `stance ${value} × the shoulders`,
  ahead: (value) => `foot ahead ${value} × its length`,
  stage: (value) => `stage ${value}`,
};

/** What it is called when one holds on to something. */
export const HAND_ON = 'a hand on a chair or the wall';

/** A turned posture in words: `bend 55°, arms at 30°`; empty when nothing is turned. */
export const turnedWords = (turned: Partial<Turned>): string =>
  [
    ...(Object.keys(said) as TurnedNumber[]).flatMap((key) => {
      const value = turned[key] ?? null;
      return value === null ? [] : [said[key](value)];
    }),
    ...(turned.handOn === true ? [HAND_ON] : []),
  ].join(', ');

/** What a segment asks for: its dose, and its posture where that is turned. */
export const segmentWords = ({
  dose,
  turned,
  sideOrder,
  startsOnCue,
  firmness,
}: Pick<ExerciseSegment, 'dose' | 'turned' | 'sideOrder' | 'startsOnCue' | 'firmness'>): string =>
  [
    doseWords(dose),
    takesTurns(dose, sideOrder) ? sideOrderWords.each : '',
    turnedWords(turned ?? {}),
    firmness === null ? '' : firmnessWords(firmness),
    startsOnCue ? 'begins on the cue' : '',
  ]
    .filter((words) => words !== '')
    .join(', ');
