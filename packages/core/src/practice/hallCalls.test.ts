import { builtInExercises, cycleParts } from '../library';
import { timed, together } from '../library/describe';
import { insertSegment, newRoutine, newSegment, segmentDrill, timeline, withStage } from '../routine';
import { builtInSchools, softSchool, spokenExercise } from '../schools';
import { shelf } from '../testing/samples';
import { msToSay } from '../words/msToSay';
import { usualCalls } from './calls';
import { cuePlan } from './cuePlan';
import { hallCalls, saidWhen, type Spoken } from './hallCalls';
import { recordingOf, recordingsBy, VOICE_RATE, type Recordings } from './recording';

const moving = builtInExercises.filter(({ phases, defaultDose }) => phases.length > 0 && defaultDose.kind !== 'hold');

const called = (id: string, spoken: Spoken, school = softSchool, stage: number | null = null) => {
  const segment = withStage(newSegment('a', shelf.get(id)!, school), shelf.get(id)!, stage);
  const routine = insertSegment(newRoutine('r', 'Test', school), segment);
  const line = timeline(routine);
  const plan = cuePlan(routine, line, shelf, school);
  return { line, all: hallCalls(routine, line, usualCalls, spoken, shelf, school, plan) };
};

test.each(moving.map((exercise) => [exercise.id, exercise] as const))(
  '%s: what is called of a part fits into its time, in every school, on both sides and both ways',
  (_, exercise) => {
    for (const school of builtInSchools) {
      const segment = newSegment('a', exercise, school);
      const { dose } = segment;
      const drill = segmentDrill(segment, exercise);
      const seconds =
        dose.kind === 'cycle'
          ? dose.cycleSeconds + dose.staySeconds
          : dose.kind === 'breath'
            ? dose.pattern.inSeconds +
              dose.pattern.fullPauseSeconds +
              dose.pattern.outSeconds +
              dose.pattern.emptyPauseSeconds
            : 0;
      for (const side of ['left', 'right'] as const)
        for (const direction of exercise.hasDirections ? (['forward', 'reversed'] as const) : (['none'] as const))
          for (const { call, share, name } of cycleParts(spokenExercise(drill, school, side), direction)) {
            // Fourteen letters a second (from memory).
            expect([school.name, direction, name, call, msToSay(call) <= share * seconds * 1000]).toEqual([
              school.name,
              direction,
              name,
              call,
              true,
            ]);
            expect(call).not.toContain('{');
          }
    }
    // Each part is called by something.
    expect(exercise.phases.filter(({ call }) => call === '').map(({ name }) => name)).toEqual([]);
  },
);

test('a long part is named before a checkpoint is said in it: each joint of the circles, both ways, with cues between', () => {
  const { all } = called('joint-circles', { cues: true, parts: 'new' });
  const texts = all.map(({ text }) => text);
  const joints = shelf.get('joint-circles')!.phases.map(({ call }) => call);
  expect(joints).toHaveLength(8);
  for (const joint of joints) expect([joint, texts.filter((text) => text === joint).length]).toEqual([joint, 2]);
  expect(texts).toContain('Breathe into the belt at the back.');
  expect(texts.filter((text) => text.length > 25).length).toBeGreaterThan(6);
});

test('a round begins with what is to be done: its first repetition is called whole before a cue is said, on each side and way', () => {
  const { line, all } = called('one-hand-reeling', { cues: true, parts: 'new' });
  const rounds = line.spans.filter(({ kind }) => kind === 'cycle');
  expect(rounds).toHaveLength(4);
  const drill = shelf.get('one-hand-reeling')!;
  for (const { index, side, direction } of rounds) {
    const said = all.filter(({ spanIndex }) => spanIndex === index).map(({ text }) => text);
    const told = spokenExercise(drill, softSchool, side === 'left' ? 'left' : 'right');
    const parts = cycleParts(told, direction).map(({ call }) => call);
    expect([side, direction, ...said.slice(0, 4)]).toEqual([side, direction, ...parts]);
    expect(told.checkpoints.map(({ cue }) => cue)).toContain(said[4]);
  }
});

test('a line that the teacher has spoken takes as long as it is, and nothing is said into it', () => {
  const say = (recorded: Recordings) => {
    const segment = newSegment('a', shelf.get('cloud-hands-in-place')!, softSchool);
    const routine = insertSegment(newRoutine('r', 'Test', softSchool), segment);
    const line = timeline(routine);
    const plan = cuePlan(routine, line, shelf, softSchool);
    const spoken: Spoken = { cues: true, parts: 'all' };
    return saidWhen(hallCalls(routine, line, usualCalls, spoken, shelf, softSchool, plan, recorded), line);
  };
  const usual = say(new Map());
  const cue = usual.find(({ text }) => text.length > 30 && text.endsWith('.'))!;
  const long = recordingOf(cue.text, new Float32Array(9 * VOICE_RATE));
  const slow = say(recordingsBy([long]));
  const at = slow.findIndex(({ text }) => text === cue.text);
  expect(slow[at + 1]!.atMs - slow[at]!.atMs).toBeGreaterThanOrEqual(9000);
  expect(usual[usual.indexOf(cue) + 1]!.atMs - cue.atMs).toBeLessThan(9000);
});

test('nothing is said into anything else, however much is said', () => {
  for (const { id } of moving)
    for (const school of builtInSchools) {
      const { all } = called(id, { cues: true, parts: 'all' }, school);
      for (const [index, call] of all.entries()) {
        const next = all[index + 1];
        if (next?.spanIndex !== call.spanIndex) continue;
        expect([id, school.name, call.text, next.text, next.offsetMs >= call.offsetMs + msToSay(call.text)]).toEqual([
          id,
          school.name,
          call.text,
          next.text,
          true,
        ]);
      }
    }
});

test('parts: none, those of the first two repetitions a side and way, or all', () => {
  const texts = (parts: Spoken['parts']) =>
    called('one-hand-reeling', { cues: false, parts }).all.filter(({ spanIndex }) => spanIndex === 1);
  expect(texts('none').map(({ text }) => text)).toEqual(['Three more', 'The last one']);
  // Left first: its own leg and corner.
  expect(texts('new').map(({ text, offsetMs }) => `${offsetMs / 1000} ${text}`)).toEqual([
    '0 Shift right, press down',
    '2.75 Turn right, palm up',
    '5.5 Shift left, lift',
    '8.25 Turn left, open',
    '11 Shift right, press down',
    '13.75 Turn right, palm up',
    '16.5 Shift left, lift',
    '19.25 Turn left, open',
    '55 Three more',
    '77 The last one',
  ]);
  // Eight times four, and where three are left and at the last one that is said instead.
  expect(texts('all')).toHaveLength(8 * 4);
});

test('the other way round it has its own calls; a walk names each foot in its turn', () => {
  const { line, all } = called('one-hand-reeling', { cues: false, parts: 'new' });
  const reversed = line.spans.find(({ kind, direction }) => kind === 'cycle' && direction === 'reversed')!;
  expect(all.find(({ spanIndex, offsetMs }) => spanIndex === reversed.index && offsetMs === 0)!.text).toBe(
    'Turn right, palm in',
  );
  const steps = called('cloud-steps', { cues: false, parts: 'new' });
  expect(
    steps.all
      .filter(({ spanIndex }) => spanIndex === 1)
      .slice(0, 4)
      .map(({ text }) => text),
  ).toEqual(['Step left', 'Pour', 'Right foot in', 'Settle']);
});

test('where it stops after each part, no round begins with a stop, run backwards neither', () => {
  const { line, all } = called('one-hand-reeling', { cues: false, parts: 'new' }, softSchool, 4);
  for (const { index } of line.spans.filter(({ kind }) => kind === 'cycle')) {
    const said = all.filter(({ spanIndex }) => spanIndex === index).map(({ text }) => text);
    expect(said[0]).toMatch(/^(Shift|Turn) /);
    expect(said.filter((text) => text === 'Stop').length).toBeGreaterThan(5);
  }
});

test('in a stage only what moves is called', () => {
  const texts = (stage: number) =>
    called('one-hand-reeling', { cues: false, parts: 'new' }, softSchool, stage)
      .all.filter(({ spanIndex }) => spanIndex === 1)
      .map(({ text }) => text);
  expect(texts(1).slice(0, 4)).toEqual(['Press down', 'Palm up', 'Lift', 'Open']);
  expect(texts(2).slice(0, 2)).toEqual(['Turn right', 'Turn left']);
  expect(texts(4).slice(0, 4)).toEqual(['Shift right', 'Stop', 'Turn right', 'Stop']);
});

test('a list tells what is said when, from the beginning to the end', () => {
  const { line, all } = called('heel-lifts', { cues: false, parts: 'new' });
  const list = saidWhen(all, line);
  expect(list.slice(0, 3).map(({ atMs, text }) => `${atMs / 1000} ${text}`)).toEqual([
    '0 Get ready: Slow heel lifts',
    '10 Rise and hover',
    '13 Down',
  ]);
  expect(list.at(-1)).toEqual({ atMs: line.totalMs, text: 'Done' });
});

test('what is given as time is called like what is counted', () => {
  const exercise = shelf.get('heel-lifts')!;
  const segment = { ...newSegment('a', exercise, softSchool), dose: timed(30, 6, together(1)) };
  const routine = insertSegment(newRoutine('r', 'Test', softSchool), segment);
  const line = timeline(routine);
  const spoken = { cues: false, parts: 'new' } as const;
  const all = hallCalls(routine, line, usualCalls, spoken, shelf, softSchool, new Map());
  expect(all.filter(({ spanIndex }) => spanIndex === 1).map(({ text }) => text)).toEqual([
    'Rise and hover',
    'Down',
    'Rise and hover',
    'Down',
  ]);
});
