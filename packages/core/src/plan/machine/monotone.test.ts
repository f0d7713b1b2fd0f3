import fc from 'fast-check';
import { doseOf } from '../steps';
import { seasonRules } from '../../testing/seasonSamples';
import { applied } from './applied';
import { judge, noBars } from './judge';
import { newState, type Ladder, type Session, type StrandState } from './strandState';
import { withSession } from './withSession';

const ladder: Ladder = {
  step: 5,
  byRungs: false,
  first: 40,
  target: 600,
  most: null,
  mostBy: 'strength',
  cap: null,
  growthShare: 1,
};
type Outcome = Pick<Session, 'share' | 'effort'>;

/** The dose after practices every other day, each verdict taken as it falls due. */
function lived(outcomes: readonly Outcome[]): number {
  const decided = (state: StrandState, day: number): StrandState =>
    applied(state, judge(state, day, ladder, seasonRules, noBars), day);
  const last = outcomes.reduce((state, { share, effort }, at) => {
    const day = 2 * at;
    const session = { day, share, kept: 1, effort, counts: true };
    return decided(withSession(decided(state, day), session, seasonRules), day);
  }, newState(120));
  return doseOf(last.level, ladder);
}

const outcome = fc.record({
  share: fc.constantFrom(0.5, 0.8, 1),
  effort: fc.constantFrom(4, 6, 8, 9),
});

test('whoever did all of it lightly each time is never asked for less than with any worse history', () => {
  fc.assert(
    fc.property(fc.array(outcome, { minLength: 1, maxLength: 40 }), (list) => {
      expect(lived(list.map(() => ({ share: 1, effort: 4 })))).toBeGreaterThanOrEqual(lived(list));
    }),
    { seed: 28, numRuns: 2000 },
  );
});

test('one practice that went better than it did never lowers the dose that follows from it at once', () => {
  fc.assert(
    fc.property(fc.array(outcome, { minLength: 1, maxLength: 20 }), outcome, (list, other) => {
      const last = list.at(-1)!;
      const better = { share: Math.max(last.share, other.share), effort: Math.min(last.effort, other.effort) };
      expect(lived([...list.slice(0, -1), better])).toBeGreaterThanOrEqual(lived(list));
    }),
    { seed: 28, numRuns: 2000 },
  );
});
