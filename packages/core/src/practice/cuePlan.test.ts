import fc from 'fast-check';
import { point } from '../library/describe';
import { breathe, cycle, eachSide, eachSideBothWays, hold, pattern, together } from '../library/describe';
import { catalogued } from '../alignment/checkpoints';
import { builtInSchools, softSchool, waveSchool } from '../schools/builtInSchools';
import { timeline, type Segment } from '../routine';
import type { Exercise } from '../library/exercise';
import { routine, segment, shelf } from '../testing/samples';
import { cueAt, cuePlan, type CuedFor } from './cuePlan';

const tree = segment('tree', hold(180, together(1)), { exerciseId: 'tree-holding' });
const reel = segment('reel', cycle(11, eachSideBothWays(8)), { exerciseId: 'one-hand-reeling' });
const nobody: CuedFor = { inWork: new Set(), before: () => 0 };

function planOf(segments: readonly Segment[], change: Partial<CuedFor> = {}, school = softSchool, on = shelf) {
  const value = routine([...segments], { settleSeconds: 10, changeSeconds: 5 });
  const line = timeline(value);
  const plan = cuePlan(value, line, on, school, { ...nobody, ...change });
  const working = line.spans.filter(({ amount }) => amount > 0);
  /** What comes up in the working spans, in order. */
  const ids = working.map(({ index }) => (plan.get(index) ?? []).map(({ checkpointId }) => checkpointId));
  return { line, plan, working, ids };
}
const safe = (id: string): boolean =>
  [...shelf.values()].flatMap((exercise) => exercise.checkpoints).some((one) => one.id === id && one.safety);
const general = (id: string): boolean => catalogued(id) !== undefined;

test('what the student is being corrected for begins each round, in a loose school too, whatever it is', () => {
  for (const school of builtInSchools) {
    const { ids } = planOf([tree, reel], { inWork: new Set(['hands-layered', 'elbows-low']) }, school);
    expect(ids).toHaveLength(5);
    for (const of of ids.slice(1)) expect(of.slice(0, 2).toSorted()).toEqual(['elbows-low', 'hands-layered']);
  }
});

test('what can hurt is said once of a drill; what holds for all drills once in the practice', () => {
  const { ids } = planOf([tree, reel, { ...tree, id: 'again' }]);
  const all = ids.flat();
  for (const id of new Set(all.filter(safe))) expect([id, all.filter((other) => other === id).length]).toEqual([id, 1]);
  // A minute of the tree is no longer knees, low back and breath only.
  expect(planOf([tree, tree]).ids[1]!.filter(safe)).toEqual([]);
});

test('after one point that can hurt come two others, the drill’s own twice as often as general ones', () => {
  const { ids } = planOf([reel]);
  const kind = (id: string): string => (safe(id) ? 'safety' : general(id) ? 'general' : 'own');
  expect(ids.flat().slice(0, 9).map(kind)).toEqual([
    ...['safety', 'own', 'own'],
    ...['safety', 'general', 'own'],
    ...['safety', 'own', 'general'],
  ]);
  // They go on over sides and ways: nothing comes twice before all of its own have come.
  const own = ids.flat().filter((id) => kind(id) === 'own');
  const all = shelf.get('one-hand-reeling')!.checkpoints.filter(({ id }) => kind(id) === 'own');
  expect(new Set(own.slice(0, all.length)).size).toBe(all.length);
});

test('a minute of the tree is another one on the next day', () => {
  const minute = segment('tree', hold(60, together(1)), { exerciseId: 'tree-holding' });
  const [first, second] = [0, 1].map((day) => planOf([minute], { before: () => day }).ids[0]!);
  expect(first!.filter(safe)).toHaveLength(1);
  expect(first!.filter((id) => !general(id))).toHaveLength(2);
  expect(second!.filter((id) => first!.includes(id))).toEqual([]);
});

test('the next practice goes on where the last one stopped, and after some all points have come', () => {
  const short = segment('tree', hold(75, together(1)), { exerciseId: 'tree-holding' });
  const loose = { ...softSchool, precision: 'strict' as const };
  const days = Array.from({ length: 24 }, (_, day) => planOf([short], { before: () => day }, loose).ids.flat());
  expect(days[1]).not.toEqual(days[0]);
  const all = shelf.get('tree-holding')!.checkpoints.map(({ id }) => id);
  expect([...new Set(days.flat())].toSorted()).toEqual(all.toSorted());
});

test('a short hold has one thing only; a longer one a new one every twenty seconds', () => {
  const short = segment('short', hold(30, together(3)), { exerciseId: 'tree-holding' });
  expect(planOf([short]).ids.map((of) => of.length)).toEqual([1, 1, 1]);
  expect(new Set(planOf([short]).ids.flat()).size).toBe(3);
  const [only] = planOf([segment('long', hold(61, together(1)), { exerciseId: 'tree-holding' })]).working;
  const { plan } = planOf([segment('long', hold(61, together(1)), { exerciseId: 'tree-holding' })]);
  expect(plan.get(only!.index)!.map(({ fromMs }) => fromMs)).toEqual([0, 20_000, 40_000]);
});

test('a point that belongs to a part comes up when the part begins, the other way round too', () => {
  const drill = shelf.get('one-hand-reeling')!;
  const lift = point('lift', 'hands', 'It lifts.', 'Look.', 'It does not.', 'Lift it.');
  const made: Exercise = {
    ...drill,
    checkpoints: [lift],
    phases: drill.phases.map((part, index) => ({ ...part, points: index === 2 ? ['lift'] : [] })),
  };
  const { plan, working } = planOf([reel], {}, softSchool, new Map([[drill.id, made]]));
  // The third of four parts of eleven seconds: after 5.5 s forward; reversed it is the second, after 2.75 s.
  const [forward, reversed] = working.map(({ index }) => plan.get(index)!.map(({ fromMs }) => fromMs % 11_000));
  expect(new Set(forward)).toEqual(new Set([5500]));
  expect(new Set(reversed)).toEqual(new Set([2750]));
});

test('a long part takes its own point before all others', () => {
  const drill = shelf.get('one-hand-reeling')!;
  const own = (id: string) => point(id, 'hands', id, 'test', 'fault', id);
  const made: Exercise = {
    ...drill,
    checkpoints: [own('any'), own('first'), own('second'), own('third'), own('fourth')],
    phases: drill.phases.map((part, index) => ({
      ...part,
      points: [['first'], ['second'], ['third'], ['fourth']][index]!,
    })),
  };
  const slow = segment('slow', cycle(80, eachSide(1)), { exerciseId: drill.id });
  expect(planOf([slow], {}, softSchool, new Map([[drill.id, made]])).ids[0]).toEqual([
    'first',
    'second',
    'third',
    'fourth',
  ]);
});

test('where sides take turns a point stays up over the turns; past its length a round begins again', () => {
  const each = { ...reel, dose: cycle(10, eachSide(8)), sideOrder: 'each' as const };
  const { plan, working } = planOf([each]);
  // What a turn takes over from the one before stands at its beginning; all others are new.
  const begun = working.flatMap((span) =>
    plan
      .get(span.index)!
      .slice(span.turn === 1 ? 0 : 1)
      .map(({ fromMs }) => span.startMs + fromMs),
  );
  expect(begun.length).toBeGreaterThan(3);
  for (let nth = 1; nth < begun.length; nth += 1) expect(begun[nth]! - begun[nth - 1]!).toBeGreaterThanOrEqual(20_000);
  for (const span of working) expect(cueAt(plan, span, 0)).not.toBeNull();
  const { plan: long, working: held } = planOf([tree]);
  expect(cueAt(long, held[0]!, 200_000)).toBe(cueAt(long, held[0]!, 20_000));
});

test('no pause has a cue, an exercise that is gone has none, and each cue is one of its drill', () => {
  const breaths = segment('b', breathe(9, pattern(4, 0, 6, 0)), { exerciseId: 'belly-breathing' });
  const ids = [...shelf.keys()];
  fc.assert(
    fc.property(fc.array(fc.constantFrom(...ids), { maxLength: 6 }), fc.nat(9), fc.nat(4), (chosen, times, at) => {
      const segments = chosen.map((id, index) => segment(`s${index}`, shelf.get(id)!.defaultDose, { exerciseId: id }));
      const { plan, line } = planOf([...segments, breaths], { before: () => times }, builtInSchools[at]);
      for (const span of line.spans) {
        const of = shelf.get([...chosen, 'belly-breathing'][span.segmentIndex]!)!.checkpoints.map(({ id }) => id);
        const cues = plan.get(span.index) ?? [];
        if (span.kind === 'rest') expect(cues).toEqual([]);
        expect(cues.filter(({ checkpointId }) => !of.includes(checkpointId))).toEqual([]);
        expect(cues.map(({ fromMs }) => fromMs)).toEqual(cues.map(({ fromMs }) => fromMs).toSorted((a, b) => a - b));
        for (const { fromMs } of cues) expect(fromMs).toBeLessThan(Math.max(1, span.durationMs));
      }
    }),
    { numRuns: 60 },
  );
  const gone = segment('gone', hold(60, together(1)), { exerciseId: 'gone' });
  expect(planOf([gone], {}, waveSchool).plan.size).toBe(0);
});
