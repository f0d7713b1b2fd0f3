import * as z from 'zod';
import { RegionSchema } from '../alignment/checkpoint';
import { BreathPatternSchema } from '../breath/breathPattern';
import { lowerFirst } from '../words/firstLetter';
import { lineText, nameText, noteText } from '../text/textSchema';
import { HandPlaceSchema } from './shape';

const line = nameText(300, 'a line is empty');

/**
 * What of a movement is done in a stage: all of it; the legs with shift, turn and steps, the hands resting; the shift of weight
 * alone; the turn alone; or the arms, the legs standing still.
 */
export const stageMoves = ['all', 'legs', 'shift', 'turn', 'arms'] as const;
export type StageMoves = (typeof stageMoves)[number];
/** Which hands go through the movement; the other one rests on its hip. */
export const stageHands = ['both', 'working', 'other'] as const;
export type StageHands = (typeof stageHands)[number];
/** Which ways round it goes. */
export const stageWays = ['either', 'forward', 'reversed'] as const;

/** What a stage changes of the posture; null leaves it. Degrees, shares and lengths as in the posture of an exercise. */
export const StagePostureSchema = z.object({
  kneeBendDeg: z.number().min(0).max(150).nullable().default(null),
  /** Weight on the working leg, in a movement all through it. */
  weightShare: z.number().min(0.5).max(1).nullable().default(null),
  shoulderRaiseDeg: z.number().min(0).max(180).nullable().default(null),
  elbowBendDeg: z.number().min(0).max(160).nullable().default(null),
  ahead: z.number().min(0).max(6).nullable().default(null),
  stanceWidth: z.number().min(0).max(4).nullable().default(null),
  /** Whether the other foot is off the floor. */
  otherLifted: z.boolean().nullable().default(null),
  /** Where both hands rest. */
  handsOn: HandPlaceSchema.nullable().default(null),
});
export type StagePosture = z.infer<typeof StagePostureSchema>;

/**
 * One stage in which a drill is learned, in order: parts alone, joined, stop and start, flowing, with a step. What it sets is what
 * is shown, said, counted and calculated while it is practised; what it leaves open is as in the whole drill.
 */
export const StageSchema = z.object({
  name: nameText(80, 'a stage needs a name'),
  words: noteText(600).default(''),
  /** The sign that it is there: one goes on to the next stage when this is felt. */
  next: lineText(300).default(''),
  /** A part of a movement is written as what the legs do, a semicolon, what the hands do: each is said only where it moves. */
  moves: z.enum(stageMoves).default('all'),
  hands: z.enum(stageHands).default('both'),
  /** How far it goes, against the whole movement: turns, steps, depth and the ways of the hands. */
  size: z.number().min(0.1).max(1).default(1),
  /** It stops at the end of each part. */
  stops: z.boolean().default(false),
  way: z.enum(stageWays).default('either'),
  posture: StagePostureSchema.nullable().default(null),
  /** The pace of the breath; null as it is dosed. */
  pattern: BreathPatternSchema.nullable().default(null),
  /** Where the attention goes; empty as in the whole drill. */
  attention: z.array(line).max(12).default([]),
  /** Only checkpoints of these regions are looked at, and what can hurt; empty all of them. */
  regions: z.array(RegionSchema).max(20).default([]),
});
export type Stage = z.infer<typeof StageSchema>;

/** A stage that is the whole drill. */
export const plainStage: Stage = {
  name: 'Stage',
  words: '',
  next: '',
  moves: 'all',
  hands: 'both',
  size: 1,
  stops: false,
  way: 'either',
  posture: null,
  pattern: null,
  attention: [],
  regions: [],
};
export const plainStagePosture: StagePosture = {
  kneeBendDeg: null,
  weightShare: null,
  shoulderRaiseDeg: null,
  elbowBendDeg: null,
  ahead: null,
  stanceWidth: null,
  otherLifted: null,
  handsOn: null,
};

/** A stage and its sign as they are told: `Arm only. Draw the circle with the arm. Go on when it runs by itself.` */
export const stageLine = ({ name, words, next }: Stage): string =>
  [`${name}.`, words, next === '' ? '' : `Go on when ${lowerFirst(next)}`].filter((part) => part !== '').join(' ');

/**
 * What is felt: that one may begin, that it is right, that it is enough for today – a good sign, never a fault – and what stops:
 * what can hurt, and the form giving way.
 */
export const SignsSchema = z.object({
  begin: z.array(line).max(6).default([]),
  right: z.array(line).max(6).default([]),
  enough: z.array(line).max(6).default([]),
  stop: z.array(line).max(6).default([]),
});
export type Signs = z.infer<typeof SignsSchema>;
export const signKinds = ['begin', 'right', 'enough', 'stop'] as const;
export type SignKind = (typeof signKinds)[number];

/** How each kind of sign is announced. */
export const signWords: Readonly<Record<SignKind, string>> = {
  begin: 'You may begin when',
  right: 'It is right when',
  enough: 'Enough for today when',
  stop: 'Stop when',
};

/** A sign as it is told: `Enough for today when the third breath is done.` */
export const signLine = (kind: SignKind, sign: string): string => `${signWords[kind]} ${lowerFirst(sign)}`;

export const noSigns: Signs = { begin: [], right: [], enough: [], stop: [] };

/** What is said aloud of an exercise beside its parts and checkpoints. */
export const teachingShape = {
  /** How one comes into the stance, in order, from the ground up. */
  wayIn: z.array(line).max(16).default([]),
  stages: z.array(StageSchema).max(12).default([]),
  signs: SignsSchema.default(noSigns),
  /** Where the attention goes in a hold, one place after the other for equal times. */
  attention: z.array(line).max(12).default([]),
  /** What changes when half of the repetitions are done: `Change the hands: the left one on top.` Said aloud then. */
  halfWay: lineText(80).default(''),
  /** How it is done when there is little time, and when there is more. */
  quick: noteText(300).default(''),
  long: noteText(300).default(''),
  /** Where it comes up in the day beside practice: `In a queue: let one foot grow empty, then the other.` */
  daily: noteText(300).default(''),
};

/** The stages of a drill to choose from, the whole of it first; none where it has no more than one. */
export const stageChoices = ({
  stages,
}: {
  readonly stages: readonly Stage[];
}): { readonly label: string; readonly value: number | null }[] =>
  stages.length < 2
    ? []
    : [
        { label: 'The whole exercise', value: null },
        ...stages.map(({ name }, index) => ({ label: `Stage ${index + 1}: ${name}`, value: index + 1 })),
      ];
