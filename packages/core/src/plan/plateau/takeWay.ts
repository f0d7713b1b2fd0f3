import { addDays, formatISO } from 'date-fns';
import type { Decision, Plan, Strand } from '../../goals/plan';
import { doseOf, gridOf } from '../steps';
import { EASIER_DAYS, type Way } from './ways';

function taken(strand: Strand, way: Way, now: Date): Strand {
  const answered = { ...strand, plateauAnsweredAt: now.toISOString() };
  switch (way.kind) {
    case 'half steps':
      return {
        ...answered,
        level: way.level,
        start: Math.min(strand.start, way.level),
        step: way.step,
        halfSteps: strand.halfSteps ?? { step: strand.step },
        easier: null,
        lost: [],
        raisedFrom: null,
        changedAt: now.toISOString(),
      };
    case 'easier posture':
      return {
        ...answered,
        easier: {
          from: formatISO(now, { representation: 'date' }),
          until: formatISO(addDays(now, EASIER_DAYS - 1), { representation: 'date' }),
          turned: way.turned,
        },
      };
    case 'another place':
    case 'new test':
      return answered;
  }
}

/**
 * The plan after the teacher chose a way on from a plateau, and the decision to be remembered. What the routine becomes by it stands in the
 * way itself.
 * @throws RangeError when the plan has no such strand
 */
export function takeWay(
  plan: Plan,
  strandId: string,
  way: Way,
  id: string,
  now: Date,
): { plan: Plan; decision: Decision } {
  const before = plan.strands.find((entry) => entry.id === strandId);
  if (before === undefined) throw new RangeError(`strandId: the plan has no goal “${strandId}”`);
  const after = taken(before, way, now);
  return {
    plan: { ...plan, strands: plan.strands.map((entry) => (entry.id === strandId ? after : entry)) },
    decision: {
      id,
      studentId: plan.studentId,
      planId: plan.id,
      strandId,
      logId: null,
      day: formatISO(now, { representation: 'date' }),
      verdict: 'stay',
      outcome: 'another way',
      from: doseOf(before.level, gridOf(before)),
      to: doseOf(after.level, gridOf(after)),
      reasons: [`${way.title}: ${way.words}`],
      teacherReason: '',
    },
  };
}

/** The strand with its usual posture again, before the two weeks are over; what was done in the easier one still counts for nothing. */
export function withoutEasier(strand: Strand, now: Date): Strand {
  const yesterday = formatISO(addDays(now, -1), { representation: 'date' });
  return strand.easier === null || strand.easier.until <= yesterday
    ? strand
    : { ...strand, easier: { ...strand.easier, until: yesterday } };
}
