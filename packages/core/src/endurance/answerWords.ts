import { KNEE_SEEN } from '../body/statics';
import { percent } from '../words/percent';
import type { HoldTime, PostureAnswers } from './postureAnswers';
import type { LoadedJoint } from './strength';
import type { SettledPosture } from '../schools/conventions';
import { durationWords } from '../words/durationWords';
import type { FigurePose, FootSide } from '../figure/pose';

/** A finger's width, m: a house value for measuring by hand. */
export const FINGER = 0.018;

const centimetres = (metres: number): string => {
  const value = Math.round(Math.abs(metres) * 1000) / 10;
  return value < 10 ? `${value.toFixed(1)} cm` : `${Math.round(value)} cm`;
};
const fingers = (metres: number): string => {
  const count = Math.round(Math.abs(metres) / FINGER);
  return count === 0 ? 'less than a finger' : count === 1 ? 'about one finger' : `about ${count} fingers`;
};

/** The knee against the toe line, as a teacher says it. */
export function kneeWords(kneePastToes: number): string {
  if (Math.abs(kneePastToes) < KNEE_SEEN) return 'Knee on the toe line';
  const where = kneePastToes > 0 ? 'past' : 'behind';
  return `Knee ${centimetres(kneePastToes)} ${where} the toe line, ${fingers(kneePastToes)}`;
}

/** A time a teacher would say: to five seconds under a minute, to a quarter minute under five, else to minutes. */
export function roughWords(seconds: number): string {
  const step = seconds < 60 ? 5 : seconds < 300 ? 15 : 60;
  return durationWords(Math.max(step, Math.round(seconds / step) * step));
}

/** How long it holds, with its range. */
export function holdWords(time: HoldTime): string {
  if (time.unlimited) return 'not what limits here';
  const most = time.most > 2400 ? 'over 40 min' : roughWords(time.most);
  const range = time.most / time.least > 1.15 ? ` (${roughWords(time.least)} to ${most})` : '';
  return `about ${roughWords(time.seconds)}${range}`;
}

/** Where a leg gives out, as a teacher says it; the others by themselves. */
export const jointPlaces: Readonly<Record<LoadedJoint, string>> = {
  knee: ', at the knee,',
  ankle: ', at the calf,',
  hip: ', at the side of the hip,',
  trunk: '',
  shoulder: '',
};

/** Who gives out, as a teacher says it. */
export const limitNames: Readonly<Record<LoadedJoint, string>> = {
  knee: `legs${jointPlaces.knee}`,
  ankle: `legs${jointPlaces.ankle}`,
  hip: `legs${jointPlaces.hip}`,
  trunk: 'the back',
  shoulder: 'arms',
};

/** What gives out first and when, in one sentence. */
export function limitWords(answers: PostureAnswers): string {
  const first = answers[answers.limitedBy];
  if (first.unlimited) return 'Neither legs, arms nor back limit this within forty minutes';
  const name = limitNames[first.joint];
  return `${name[0]!.toUpperCase()}${name.slice(1)} would give out first, at ${holdWords(first)}`;
}

/** The whole figure as a text, for those who do not see it. */
export function figureText(pose: FigurePose, posture: SettledPosture, answers: PostureAnswers): string {
  const other: FootSide = pose.working === 'left' ? 'right' : 'left';
  const arms =
    posture.shoulderRaiseDeg === 0 && posture.elbowBendDeg === 0
      ? 'arms hanging'
      : `arms raised ${Math.round(posture.shoulderRaiseDeg)}°, elbows bent ${Math.round(posture.elbowBendDeg)}°`;
  const trunk = posture.trunkPitchDeg === 0 ? 'trunk upright' : `trunk ${Math.round(posture.trunkPitchDeg)}° forward`;
  const turn =
    Math.abs(pose.turnDeg) < 1
      ? 'pelvis square'
      : `pelvis turned ${Math.round(Math.abs(pose.turnDeg))}° to the ${pose.turnDeg > 0 ? 'right' : 'left'}`;
  if (pose.statics === null) return `A seated figure: ${trunk}, ${arms}.`;
  const bend = `knees bent ${Math.round(posture.kneeBendDeg)}°`;
  const weight = `${percent(pose.feet[pose.working].share)} of the weight on the ${pose.working} foot, ${percent(pose.feet[other].share)} on the ${other}`;
  return `A standing figure: ${bend}, ${trunk}, ${arms}, ${turn}; ${weight}. ${kneeWords(answers.kneePastToes)}. The head is ${centimetres(pose.headDrop)} lower than standing straight. The centre of mass is over the point between the feet where the weight falls.`;
}
