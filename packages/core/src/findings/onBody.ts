import { KNEE_SEEN, postureStatics } from '../body/statics';
import { stanceOfPosture } from '../schools/stanceOfPosture';
import { percent } from '../words/percent';
import { postureAnswers, type PostureAnswers } from '../endurance/postureAnswers';
import { jointPlaces } from '../endurance/answerWords';
import { conventionsOf, settlePosture } from '../schools/conventions';
import type { Exercise } from '../library/exercise';
import { isHeld, stillSeconds, withStillSeconds } from '../library/heldSeconds';
import { holdGrade, holdLimits } from '../limits/holdLimit';
import { durationWords } from '../words/durationWords';
import { setDose, turnSegment } from '../routine/commands';
import { segmentPosture } from '../routine/turned';
import { timeline } from '../routine/timeline';
import { partsOf, type Finding, type FindingContext, type Part } from './finding';

/** A mended bend is this far on the safe side, degrees. */
const SAFE = 2;
/** Arms are lowered by this much at a time, degrees. */
const LOWER_ARMS = 15;
/** Holds are shortened to whole multiples of this, s. */
const GRID = 5;
/** No bend is looked for beyond this, degrees. */
const MOST_BEND = 90;
/** A step is too long from here, m. */
const LONG_STEP = 0.02;

interface Judged extends Part {
  readonly answers: PostureAnswers;
}

function judged(context: FindingContext): Judged[] {
  const { routine, school, person } = context;
  const spans = timeline(routine).spans.filter((span) => span.amount > 0);
  return partsOf(context).flatMap((part): Judged[] => {
    const posture = settlePosture(segmentPosture(part.segment, part.exercise), school);
    const own = spans.filter((span) => span.segmentId === part.segment.id);
    if (own.length === 0) return [];
    return [
      {
        ...part,
        answers: postureAnswers(person.body, posture, person.capacity, person.ankleRangeDeg),
      },
    ];
  });
}

const cm = (metres: number): string => `${(metres * 100).toFixed(metres < 0.1 ? 1 : 0)} cm`;
const bendTo = (id: string, degrees: number) => ({
  label: `Up to ${degrees}°`,
  command: (routine: FindingContext['routine']) => turnSegment(routine, id, { kneeBendDeg: degrees }),
});

/** Whether the knees stand before the toe line by more than can be seen. */
export const kneesArePast = ({ kneePastToes }: Pick<PostureAnswers, 'kneePastToes'>): boolean =>
  kneePastToes > KNEE_SEEN;

/** Whether a long stance goes beyond what the rear leg reaches. */
export const stepIsLong = ({ stepTooLong }: Pick<PostureAnswers, 'stepTooLong'>): boolean => stepTooLong > LONG_STEP;

function knees({ segment, exercise, answers }: Judged, name: string): Finding[] {
  const { kneePastToes, toeLineBendDeg } = answers;
  if (exercise.posture.seated || !kneesArePast(answers)) return [];
  const safe = toeLineBendDeg === null ? null : Math.floor(toeLineBendDeg - SAFE);
  return [
    {
      key: `${segment.id}: knees`,
      grade: 'danger',
      segmentId: segment.id,
      text: `${exercise.name}: the knees of ${name} are ${cm(kneePastToes)} past the toes.`,
      reason: 'The knee carries more than it should when it is in front of the toes. Higher, or sit back.',
      mends: safe === null || safe < 0 ? [] : [bendTo(segment.id, safe)],
    },
  ];
}

/** In a school that keeps the shins nearly plumb: where they lean more than that. */
function leaningShins({ segment, exercise, answers }: Judged, { school, person }: FindingContext): Finding[] {
  const limit = conventionsOf(school).shinLimitDeg;
  const posture = settlePosture(segmentPosture(segment, exercise), school);
  if (limit === null || posture.seated || posture.ahead > 0 || kneesArePast(answers)) return [];
  const leanAt = (kneeBendDeg: number): number =>
    postureStatics(person.body, stanceOfPosture({ ...posture, kneeBendDeg })).shankTiltDeg;
  const lean = leanAt(posture.kneeBendDeg);
  if (lean <= limit) return [];
  let higher = Math.floor(posture.kneeBendDeg / 5) * 5;
  while (higher > 0 && leanAt(higher) > limit) higher -= 5;
  return [
    {
      key: `${segment.id}: shins`,
      grade: 'note',
      segmentId: segment.id,
      text: `${exercise.name}: the shins lean ${Math.round(lean)}° forward.`,
      reason: `The school “${school.name}” keeps them nearly plumb, up to about ${limit}°.`,
      mends: higher > 0 ? [bendTo(segment.id, higher)] : [],
    },
  ];
}

function balance({ segment, exercise, answers }: Judged, bend: number): Finding[] {
  const limit = answers.balanceLimitDeg;
  if (exercise.posture.seated || limit === null || bend <= limit) return [];
  return [
    {
      key: `${segment.id}: balance`,
      grade: 'danger',
      segmentId: segment.id,
      text: `${exercise.name}: bent further than balance holds.`,
      reason: `From about ${Math.round(limit)}° the ankle is used up: the heel lifts or the trunk tips back.`,
      mends: [bendTo(segment.id, Math.floor(limit - SAFE))],
    },
  ];
}

/** The longest step, in feet to a tenth, that the rear leg reaches. */
function reachedStep({ segment, exercise }: Judged, { person, school }: FindingContext, ahead: number): number {
  const settled = settlePosture(segmentPosture(segment, exercise), school);
  const tooLong = (feet: number): number =>
    postureAnswers(person.body, { ...settled, ahead: feet }, person.capacity, person.ankleRangeDeg).stepTooLong;
  let feet = Math.floor(ahead * 10) / 10;
  while (feet > 0 && tooLong(feet) > LONG_STEP) feet = Math.round((feet - 0.1) * 10) / 10;
  return feet;
}

function longStep(judgement: Judged, context: FindingContext, ahead: number): Finding[] {
  const { segment, exercise, answers } = judgement;
  if (!stepIsLong(answers)) return [];
  const { foot } = context.person.body.lengths;
  const shorter = reachedStep(judgement, context, ahead);
  return [
    {
      key: `${segment.id}: step`,
      grade: 'doubt',
      segmentId: segment.id,
      text: `${exercise.name}: the step is ${cm(answers.stepTooLong)} too long for the rear leg.`,
      reason: 'A step that cannot be taken back without a push was too long.',
      mends: [
        {
          label: `Shorten it to ${cm(shorter * foot)}`,
          command: (routine) => turnSegment(routine, segment.id, { ahead: shorter }),
        },
      ],
    },
  ];
}

/** The widest place to which a foot steps out in a cycle, shoulder breadths; 0 where none does. */
function widestStep({ phases, posture }: Exercise): number {
  return phases.reduce((widest, { end }, index) => {
    const width = end?.stanceWidth ?? posture.stanceWidth;
    const before = phases.at(index - 1)?.end?.stanceWidth ?? posture.stanceWidth;
    return end !== null && end.lifted !== 'none' && width > before ? Math.max(widest, width) : widest;
  }, 0);
}

/** The highest whole bend from which something can be reached, short of knee line and balance; null when there is none. */
function bendThatReaches(
  { segment, exercise, answers: now }: Judged,
  { person, school }: FindingContext,
  reaches: (answers: PostureAnswers) => boolean,
): number | null {
  const settled = settlePosture(segmentPosture(segment, exercise), school);
  const most = Math.floor(Math.min(now.toeLineBendDeg ?? MOST_BEND, now.balanceLimitDeg ?? MOST_BEND) - SAFE);
  for (let kneeBendDeg = Math.ceil(settled.kneeBendDeg); kneeBendDeg <= most; kneeBendDeg += 1) {
    const answers = postureAnswers(person.body, { ...settled, kneeBendDeg }, person.capacity, person.ankleRangeDeg);
    if (reaches(answers)) return kneeBendDeg;
  }
  return null;
}

function steppedTooFar(judgement: Judged, context: FindingContext): Finding[] {
  const { segment, exercise, answers } = judgement;
  if (exercise.family !== 'stepping') return [];
  const { foot, shoulderBreadth } = context.person.body.lengths;
  const ahead = Math.max(0, ...exercise.phases.map((phase) => Math.abs(phase.end?.ahead ?? 0))) * foot;
  const aside = widestStep(exercise) * shoulderBreadth;
  const steps = [
    { key: 'step', long: ahead, reach: (of: PostureAnswers) => of.retractableStep, words: 'steps of' },
    {
      key: 'step aside',
      long: aside,
      reach: (of: PostureAnswers) => of.sideStep,
      words: 'steps to the side, foot to foot, of',
    },
  ];
  return steps
    .filter(({ long, reach }) => long > reach(answers) + LONG_STEP)
    .map(({ key, long, reach, words }): Finding => {
      const lower = bendThatReaches(judgement, context, (of) => long <= reach(of) + LONG_STEP);
      return {
        key: `${segment.id}: ${key}`,
        grade: 'doubt',
        segmentId: segment.id,
        text: `${exercise.name}: ${words} ${cm(long)}, but at this height only ${cm(reach(answers))} can be taken back.`,
        reason: 'The free foot reaches further only when the standing leg sinks: lower, or shorter steps.',
        mends:
          lower === null
            ? []
            : [
                {
                  label: `Down to ${lower}°`,
                  command: (routine) => turnSegment(routine, segment.id, { kneeBendDeg: lower }),
                },
              ],
      };
    });
}

function endurance({ segment, exercise, answers }: Judged, context: FindingContext): Finding[] {
  if (!isHeld(exercise, segment.dose)) return [];
  const { person, school } = context;
  const { holdBudget } = conventionsOf(school);
  const asked = stillSeconds(segment.dose);
  const limits = holdLimits(person, settlePosture(segmentPosture(segment, exercise), school), school);
  const found = holdGrade(limits, asked);
  const lower = Math.max(0, (segment.turned?.shoulderRaiseDeg ?? exercise.posture.shoulderRaiseDeg) - LOWER_ARMS);
  const lowerArms = {
    label: `Arms down to ${lower}°`,
    command: (routine: FindingContext['routine']) => turnSegment(routine, segment.id, { shoulderRaiseDeg: lower }),
  };
  if (found !== null) {
    const { grade, limit } = found;
    const seconds = Math.max(GRID, Math.floor(Math.min(...limits.map(({ doubtFrom }) => doubtFrom)) / GRID) * GRID);
    const dose = withStillSeconds(segment.dose, seconds);
    return [
      {
        key: `${segment.id}: budget`,
        grade,
        segmentId: segment.id,
        text: `${exercise.name}: ${durationWords(asked)} is ${percent(asked / limit.likely)} of what the ${limit.by}${jointPlaces[limit.joint]} of ${person.name} can hold${limit.guessed ? ', by a guess' : ''}.`,
        reason: limit.guessed
          ? 'Nothing was tested or learned from practice yet: the guess rests on age, habit and size, and may be half or double. A test hold tells.'
          : `The school keeps holds under ${percent(holdBudget)}, so that the alignment lasts to the end.`,
        mends: [
          {
            label: `Hold ${durationWords(stillSeconds(dose))}`,
            command: (routine) => setDose(routine, segment.id, dose),
          },
          ...(limit.by === 'arms' ? [lowerArms] : []),
        ],
      },
    ];
  }
  const first = answers[answers.limitedBy];
  if (answers.limitedBy !== 'arms' || first.unlimited || asked <= first.seconds / 2) return [];
  return [
    {
      key: `${segment.id}: arms`,
      grade: 'note',
      segmentId: segment.id,
      text: `${exercise.name}: the arms of ${person.name} give out before the legs.`,
      reason: 'Then the hold trains the shoulders, and the legs hardly notice.',
      mends: [lowerArms],
    },
  ];
}

/** The legs as they would be with less load: whether a limb gives out anywhere in the whole. */
function givesOut({ effort, exercises, routine }: FindingContext): Finding[] {
  const failure = effort?.failure ?? null;
  if (failure === null) return [];
  const segment = routine.segments.find((entry) => entry.id === failure.segmentId);
  if (segment?.type !== 'exercise') return [];
  const name = exercises.get(segment.exerciseId)?.name ?? 'it';
  const index = routine.segments.indexOf(segment);
  return [
    {
      key: `${segment.id}: gives out`,
      grade: 'doubt',
      segmentId: segment.id,
      text: `The ${failure.limb}${jointPlaces[failure.joint]} gives out in ${name}, ${durationWords(failure.atSeconds)} from the start.`,
      reason: 'What came before has used it up. Rest before it, do less of it, or put it earlier.',
      mends: [
        {
          label: 'Rest a minute before it',
          command: (value) => ({
            ...value,
            segments: value.segments.toSpliced(index, 0, {
              type: 'rest',
              id: `${segment.id}-rest`,
              seconds: 60,
              label: 'Rest',
              roundId: segment.roundId,
            }),
          }),
        },
      ],
    },
  ];
}

/** What a routine asks that this body does not give: knees, balance, step, holds. */
export function bodyFindings(context: FindingContext): Finding[] {
  return [
    ...judged(context).flatMap((judgement) => {
      const posture = segmentPosture(judgement.segment, judgement.exercise);
      return [
        ...knees(judgement, context.person.name),
        ...leaningShins(judgement, context),
        ...balance(judgement, posture.kneeBendDeg),
        ...longStep(judgement, context, posture.ahead),
        ...steppedTooFar(judgement, context),
        ...endurance(judgement, context),
      ];
    }),
    ...givesOut(context),
  ];
}
