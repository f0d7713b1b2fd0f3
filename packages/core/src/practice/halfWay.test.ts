import { cycle, eachSide, together } from '../library/describe';
import { halfWayLine } from '../library/variants';
import { timeline, type ExerciseSegment } from '../routine';
import { softSchool } from '../schools';
import { routine, segment, shelf } from '../testing/samples';
import { usualCalls } from './calls';
import { conduct } from './conduct';
import { cuePlan } from './cuePlan';
import { halfDone } from './halfWay';
import { hallCalls, partsSaid } from './hallCalls';
import { momentOf } from './moment';

const CHANGE = 'Change the wrists: the left one on top.';
const squats = (count: number, change: Partial<ExerciseSegment> = {}) =>
  segment('a', cycle(3, together(count)), { exerciseId: 'squat-and-bounce', ...change });
const practised = (one: ExerciseSegment) => {
  const all = routine([one]);
  const line = timeline(all);
  return { all, line, cues: cuePlan(all, line, shelf, softSchool), span: line.spans.find(({ amount }) => amount > 0)! };
};

test.each(partsSaid)('of 27 squats the wrists change after fourteen, also with %s of the parts called', (parts) => {
  const { all, line, cues, span } = practised(squats(27));
  const said = hallCalls(all, line, usualCalls, { cues: true, parts }, shelf, softSchool, cues);
  expect(said.filter(({ text }) => text === CHANGE)).toEqual([
    { spanIndex: span.index, offsetMs: 14 * 3000, text: CHANGE },
  ]);
  // Nothing else is said at that moment.
  expect(said.filter(({ spanIndex, offsetMs }) => spanIndex === span.index && offsetMs === 14 * 3000)).toHaveLength(1);
});

test('it is shown while the first after the half is on, by the clock and by taps', () => {
  const { all, line, cues, span } = practised(squats(27));
  const at = (ms: number, ...more: { at: number; action: 'tap' }[]) =>
    momentOf(
      all,
      line,
      conduct(line, [{ at: 0, action: 'start' }, ...more], span.startMs + ms),
      shelf,
      softSchool,
      cues,
    ).detail;
  expect(at(13.9 * 3000)).not.toContain(CHANGE);
  expect(at(14 * 3000 + 1)).toContain(CHANGE);
  expect(at(15 * 3000 + 1)).not.toContain(CHANGE);
  const taps = Array.from({ length: 14 }, (_, tap) => ({ at: span.startMs + 1000 * tap + 1, action: 'tap' as const }));
  expect(at(20_000, ...taps)).toContain(CHANGE);
});

test('one repetition has no half, nor what ends at a cue, nor sides in turn, nor a drill in which nothing changes', () => {
  const squat = shelf.get('squat-and-bounce')!;
  const { span } = practised(squats(27));
  expect(halfDone(span, squat)).toBe(14);
  expect(halfDone(practised(squats(1)).span, squat)).toBeNull();
  expect(halfDone({ ...span, byCue: true }, squat)).toBeNull();
  expect(halfDone({ ...span, turns: 9 }, squat)).toBeNull();
  const reeling = segment('a', cycle(6, eachSide(8)), { exerciseId: 'one-hand-reeling' });
  expect(halfDone(practised(reeling).span, shelf.get('one-hand-reeling')!)).toBeNull();
});

test('on paper and phone it is told with both: which wrist first, and the change', () => {
  const squat = shelf.get('squat-and-bounce')!;
  expect(squat.wayIn.join(' ')).toContain('the right wrist over the left; half way through, the left over the right');
  expect(halfWayLine(squat)).toBe('Half way through: change the wrists: the left one on top.');
  expect(halfWayLine({ halfWay: '' })).toBe('');
});
