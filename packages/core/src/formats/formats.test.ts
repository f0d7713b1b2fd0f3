import Ajv from 'ajv/dist/2020';
import ICAL from 'ical.js';
import { planForecast } from '../plan';
import { axisWords } from '../axis';
import { readFileSync } from 'node:fs';
import { demoContents } from '../demo';
import { newFilm, newStill } from '../film';
import { lanternWalk } from '../demo/demoRoutines';
import { softSchool, strictSchool } from '../schools';
import { newStudent } from '../students';
import { hold, together } from '../library/describe';
import { dayWords } from '../words';
import { above } from '../testing/above';
import type { StoredPerson } from '../person';
import { recordingOf } from '../practice/recording';
import { log, person, plan, routine, segment, strand, planContext } from '../testing/samples';
import {
  bundleJsonSchema,
  bundleKinds,
  emptyContents,
  importPreview,
  LARGEST_BUNDLE,
  notInFile,
  planCalendar,
  readBundle,
  routineContents,
  tooLarge,
  withinSize,
  writeBundle,
  type BundleContents,
  type CalendarRequest,
} from '.';

const now = new Date('2026-01-08T10:00:00Z');
const demo = demoContents('2026-11-20');
const problems = (text: string) => {
  const result = readBundle(text);
  return result.ok ? [] : result.problems;
};

describe('reading a bundle', () => {
  test('what is written comes back the same', () => {
    expect(readBundle(writeBundle(demo, now))).toMatchObject({ ok: true, bundle: { contents: demo, version: 5 } });
  });

  test('a damaged file names line and column', () => {
    const text = writeBundle({ ...emptyContents(), schools: [softSchool] }, now);
    const lines = text.split('\n');
    lines[7] = lines[7]!.replace(',', '');
    const [problem] = problems(lines.join('\n'));
    expect(problem!.place).toMatch(/^line (8|9), column \d+$/);
    expect(problems(text.slice(0, 200))[0]!.place).toMatch(/^line \d+, column \d+$/);
    expect(problems('')[0]!.message).toContain('empty');
    // The x stands at the third place of the second line.
    expect(problems('{\n  x"format": 1}')[0]!.place).toBe('line 2, column 3');
    expect(problems('{"a": 1,, "b": 2}')[0]!.place).toBe('line 1, column 9');
  });

  test('a text nested deeper than can be followed is no file of ours, in plain words', () => {
    expect(problems('['.repeat(200_000))).toEqual([
      { place: '', message: 'This is not a Pomek file: it is nested too deeply to be read.' },
    ]);
    const deep = `${'{"a":'.repeat(100_000)}1${'}'.repeat(100_000)}`;
    expect(problems(deep)[0]!.message).toContain('not a Pomek file');
  });

  test('two records of one id are no file of ours: one of them would be lost', () => {
    const students = ['u', 'v', 'u'].map((id) => newStudent(id, `Student ${id}`, 'school-soft'));
    expect(problems(writeBundle({ ...emptyContents(), students }, now))).toEqual([
      {
        place: 'contents.students[2].id',
        message: 'It has the same id as contents.students[0]; a file has each record once.',
      },
    ]);
    const many = Array.from({ length: 30 }, () => students[0]!);
    expect(problems(writeBundle({ ...emptyContents(), students: many }, now)).at(-1)).toEqual({
      place: '',
      message: 'and 9 more',
    });
  });

  test('control characters of names and notes are left out as a file comes in', () => {
    const text = writeBundle(
      {
        ...emptyContents(),
        students: [{ ...newStudent('u', ' Nela\r\nBrisk\u202e ', 'school-soft'), note: 'a\r\nb\u0000' }],
      },
      now,
    );
    expect(readBundle(text)).toMatchObject({
      ok: true,
      bundle: { contents: { students: [{ name: 'Nela Brisk', note: 'a\nb' }] } },
    });
  });

  test('a wrong value names the path of its field, and a missing one too', () => {
    const broken = structuredClone(demo) as unknown as {
      students: { name?: string }[];
      routines: { segments: { dose: { holdSeconds: number } }[] }[];
    };
    broken.students[2]!.name = '';
    broken.routines[0]!.segments[2]!.dose.holdSeconds = -4;
    delete broken.students[4]!.name;
    const places = problems(writeBundle(broken as unknown as BundleContents, now)).map((problem) => problem.place);
    expect(places).toEqual([
      'contents.routines[0].segments[2].dose.holdSeconds',
      'contents.students[2].name',
      'contents.students[4].name',
    ]);
  });

  test('a record beyond the limits is named and left out, the others come in; with any other fault nothing does', () => {
    const changed = structuredClone(demo);
    changed.logs[3]!.practisedSeconds = 90_000;
    changed.plans[1]!.startsOn = '0001-01-01';
    const read = readBundle(writeBundle(changed, now));
    if (!read.ok) throw new Error('it is not read');
    expect(read.bundle.contents.logs).toEqual(demo.logs.filter((_, at) => at !== 3));
    expect(read.bundle.contents.plans).toEqual(demo.plans.filter((_, at) => at !== 1));
    expect(read.beyond.map(({ kind, record, because }) => [kind, record.id, because])).toEqual([
      ['plans', demo.plans[1]!.id, 'startsOn: a day lies between 1970 and 2199'],
      ['logs', demo.logs[3]!.id, 'practisedSeconds: a practice lasts 24 h at most'],
    ]);
    const rows = importPreview(emptyContents(), read.bundle.contents, read.beyond);
    const student = demo.students.find(({ id }) => id === demo.logs[3]!.studentId)!;
    expect(rows.slice(0, 2)).toMatchObject([
      { kind: 'plans', state: 'cannot be imported' },
      { kind: 'logs', state: 'cannot be imported', name: `${student.name}, ${dayWords(demo.logs[3]!.day)}` },
    ]);
    // What was decided of that plan hangs on nothing now, and says so.
    const orphans = rows.slice(2).filter(({ state }) => state === 'cannot be imported');
    expect(orphans.every(({ kind, because }) => kind === 'decisions' && because.startsWith('planId: '))).toBe(true);
    expect(rows).toHaveLength(importPreview(emptyContents(), demo).length);

    changed.students[2]!.name = '';
    expect(problems(writeBundle(changed, now)).map(({ place }) => place)).toEqual([
      'contents.students[2].name',
      'contents.plans[1].startsOn',
      'contents.logs[3].practisedSeconds',
    ]);
  });

  test('a file with thousands of faults lists twenty and counts the rest', () => {
    const broken = { ...emptyContents(), logs: Array.from({ length: 500 }, () => ({})) } as unknown as BundleContents;
    const list = problems(writeBundle(broken, now));
    expect(list).toHaveLength(21);
    expect(list[20]!.message).toMatch(/^and \d+ more$/);
  });

  test('damage is named as what it is, at its line and column; a text that is too large is not read at all', () => {
    expect(problems('{"a": 1 /* why */}')[0]!.message).toBe('The file is damaged here: invalid comment token.');
    expect(problems('{"format":\n  "pomek bundle",\n  "x" 1}')[0]).toEqual({
      place: 'line 3, column 7',
      message: 'The file is damaged here: colon expected.',
    });
    expect(problems(' \n ')[0]!.message).toBe('The file is empty.');
    const vast = `{${' '.repeat(LARGEST_BUNDLE)}`;
    expect(readBundle(vast)).toEqual({ ok: false, problems: [tooLarge(vast.length)] });
  });

  test('foreign, newer and huge files are named for what they are', () => {
    expect(problems('{"hello": 1}')[0]).toMatchObject({ place: 'format' });
    expect(problems('[1, 2]')[0]!.message).toContain('not a Pomek file');
    expect(problems('{"format": "pomek bundle", "version": 7}')[0]).toMatchObject({
      place: 'version',
      message: expect.stringContaining('version 7') as string,
    });
    expect(tooLarge(100 * 1024 * 1024)!.message).toContain('100 MB');
    expect(tooLarge(LARGEST_BUNDLE)).toBeNull();
  });

  test('the published JSON Schema accepts the demo and refuses a wrong dose', () => {
    const check = new Ajv({ strict: false, validateFormats: false }).compile(bundleJsonSchema());
    const bundle = JSON.parse(writeBundle(demo, now)) as { contents: BundleContents };
    expect(check(bundle)).toBe(true);
    (bundle.contents.routines[0]!.segments[0] as { dose: { kind: string } }).dose.kind = 'guess';
    expect(check(bundle)).toBe(false);
  });

  test('a file of version 1 is carried over: of its exercises nothing was said aloud, of its students no side was noted', () => {
    const without = (record: object, ...keys: readonly string[]): Record<string, unknown> =>
      Object.fromEntries(Object.entries(record).filter(([key]) => !keys.includes(key)));
    const before = {
      format: 'pomek bundle',
      version: 1,
      writtenAt: now.toISOString(),
      contents: {
        ...without(demo, 'classes', 'meetings'),
        exercises: demo.exercises.map((exercise) => ({
          ...without(exercise, 'wayIn', 'stages', 'signs', 'attention', 'quick', 'long'),
          phases: exercise.phases.map((part) => without(part, 'reversed', 'heldBreaths')),
        })),
        students: demo.students.map((student) => without(student, 'conditionSides', 'ownLimits')),
      },
    };
    const read = readBundle(JSON.stringify(before));
    expect(read).toMatchObject({ ok: true, bundle: { version: 5, contents: { classes: [], meetings: [] } } });
    if (!read.ok) return;
    const [exercise] = read.bundle.contents.exercises;
    expect(exercise).toMatchObject({ wayIn: [], stages: [], signs: { begin: [], stop: [] }, quick: '', attention: [] });
    expect(exercise!.phases.every(({ reversed, heldBreaths }) => reversed === '' && heldBreaths === 0)).toBe(true);
    expect(read.bundle.contents.students[0]).toMatchObject({ conditionSides: {}, ownLimits: [] });
  });

  test('counted strands rise in the multiple of their school: of the one in the file, also where it stands for a built-in one', () => {
    const counted = strand({ axis: 'repetitions', step: 1, start: 8, level: 8, target: 40 });
    const stepRead = (schoolId: string, own: (typeof softSchool)[]) => {
      const contents = {
        ...emptyContents(),
        schools: own,
        plans: [plan([counted])],
        routines: [routine([], { schoolId })],
      };
      const read = readBundle(writeBundle(contents, new Date('2026-03-01T10:00:00Z')));
      return read.ok && read.bundle.contents.plans[0]!.strands[0]!.step;
    };
    expect(stepRead('own', [{ ...strictSchool, id: 'own' }])).toBe(8);
    expect(stepRead(softSchool.id, [])).toBe(1);
    expect(stepRead(strictSchool.id, [])).toBe(8);
    expect(stepRead(softSchool.id, [{ ...strictSchool, id: softSchool.id }])).toBe(8);
    expect(stepRead(strictSchool.id, [{ ...softSchool, id: strictSchool.id }])).toBe(1);
  });

  test('the schema in docs/ is the one the program reads with', () => {
    const published = readFileSync(above(__dirname, 'docs/bundle.schema.json'), 'utf8');
    expect(JSON.parse(published)).toEqual(JSON.parse(JSON.stringify(bundleJsonSchema())));
  });
});

describe('preview of an import', () => {
  const small: BundleContents = {
    ...emptyContents(),
    schools: [softSchool],
    exercises: [lanternWalk],
    routines: [routine([segment('a', hold(60, together(1)), { exerciseId: lanternWalk.id })])],
  };
  const states = (here: BundleContents, there: BundleContents) =>
    importPreview(here, there).map((row) => `${row.kind} ${row.state}`);

  test('tells new, changed and the same', () => {
    expect(states(emptyContents(), small)).toEqual(['schools new', 'exercises new', 'routines new']);
    expect(states(small, small)).toEqual(['schools same', 'exercises same', 'routines same']);
    expect(states(small, { ...small, routines: [{ ...small.routines[0]!, name: 'Other' }] })[2]).toBe(
      'routines changed',
    );
  });

  test('what points to nothing cannot be kept, nor what points to that', () => {
    const lost = importPreview(emptyContents(), { ...demo, exercises: [] }).filter(
      (row) => row.state === 'cannot be imported',
    );
    const kinds = new Set(lost.map((row) => row.kind));
    expect(lost[0]).toMatchObject({ kind: 'routines', name: 'Beside the chair' });
    expect(lost[0]!.because).toContain('segments[4].exerciseId');
    expect(kinds.has('plans') && kinds.has('decisions')).toBe(true);
    expect(importPreview(demo, { ...demo, exercises: [] }).every((row) => row.state === 'same')).toBe(true);
  });

  test('rows read as a person would name them', () => {
    const rows = importPreview(emptyContents(), demo);
    expect(rows.find((row) => row.kind === 'plans')!.name).toBe('plan of Orsolya Venn');
    expect(rows.find((row) => row.kind === 'logs')!.name).toMatch(/^Orsolya Venn, \d{1,2} \w{3} 2026$/);
    expect(rows).toHaveLength(bundleKinds.reduce((sum, kind) => sum + demo[kind].length, 0));
  });

  test('meetings, pictures and films are named by what they belong to, here or in the file; else by their id', () => {
    const still = newStill({
      id: 's1',
      studentId: 'u',
      day: '2026-03-01',
      name: 'Low stand',
      width: 1,
      height: 1,
      bytes: 0,
    });
    const { classes, meetings } = demo;
    const meeting = meetings.find(({ classId }) => classId === classes[1]!.id) ?? meetings[0]!;
    const own = classes.find(({ id }) => id === meeting.classId)!;
    const film = { ...newFilm({ ...still, atSeconds: 1 }, { name: 'a.webm', seconds: 2 }), keys: [], tracks: {} };
    const belongings: BundleContents = {
      ...emptyContents(),
      meetings: [meeting],
      pictures: [{ id: 's1', studentId: 'u', data: 'data:image/png;base64,AAAA' }],
      films: [film],
    };
    const names = (here: BundleContents, there: BundleContents) =>
      importPreview(here, there)
        .filter(({ kind }) => ['meetings', 'pictures', 'films'].includes(kind))
        .map(({ name }) => name);
    const known = { classes, stills: [{ ...still, id: 'other', name: 'Other' }, still] };
    const said = [`${own.name}, ${dayWords(meeting.day)}`, 'film of Low stand', 'picture of Low stand'];
    expect(names({ ...emptyContents(), ...known }, belongings)).toEqual(said);
    expect(names(emptyContents(), { ...belongings, ...known })).toEqual(said);
    expect(names(emptyContents(), belongings)).toEqual([
      `${meeting.classId}, ${dayWords(meeting.day)}`,
      'film of s1',
      'picture of s1',
    ]);
  });

  test('what belongs to a student only known here has the name; a plan says that it is one, a decision does not', () => {
    const [student] = demo.students;
    const [plan] = demo.plans.filter(({ studentId }) => studentId === student!.id);
    const decision = demo.decisions[0]!;
    const names = importPreview(
      { ...emptyContents(), students: demo.students },
      { ...emptyContents(), plans: [plan!], decisions: [decision] },
    ).map(({ name }) => name);
    const whose = demo.students.find(({ id }) => id === decision.studentId)!.name;
    expect(names[0]).toBe(`plan of ${student!.name}`);
    expect(names[1]).not.toContain('plan of');
    expect(names[1]).toContain(whose);
  });

  test('each kind says what it points to that is nowhere, by the name of its field', () => {
    const without = (...kinds: (keyof BundleContents)[]) => {
      const left = { ...demo, ...Object.fromEntries(kinds.map((kind) => [kind, []])) };
      return new Set(
        importPreview(emptyContents(), left)
          .filter(({ state }) => state === 'cannot be imported')
          .map(({ kind, because }) => `${kind} ${because.replace(/“.*”/, '…')}`),
      );
    };
    const gone = 'is neither here nor in the file';
    expect(without('classes')).toEqual(new Set([`meetings classId: class … ${gone}`]));
    const noStudents = without('students');
    for (const kind of ['logs', 'plans', 'corrections', 'stills'])
      expect(noStudents).toContain(`${kind} studentId: student … ${gone}`);
    const noRoutines = without('routines');
    expect(noRoutines).toContain(`classes routineId: routine … ${gone}`);
    expect(noRoutines).toContain(`plans routineId: routine … ${gone}`);
    expect(without('chains')).toContain(`classes chainId: chain … ${gone}`);
    expect(without('plans')).toContain(`decisions planId: plan … ${gone}`);
    const film = { ...newFilm({ ...demo.stills[0]!, id: 'nowhere' }, { name: 'a.webm', seconds: 2 }), tracks: {} };
    const [row] = importPreview(demo, { ...emptyContents(), films: [film] });
    expect(row!.because).toBe(`id: picture “nowhere” ${gone}`);
    const own = { ...softSchool, id: 'own-school' };
    const taught = { ...demo.routines[0]!, id: 'r1', schoolId: own.id };
    expect(importPreview(demo, { ...emptyContents(), routines: [taught] })[0]!.because).toBe(
      `schoolId: school “own-school” ${gone}`,
    );
    expect(importPreview(demo, { ...emptyContents(), schools: [own], routines: [taught] })[1]!.state).toBe('new');
  });

  test('one routine takes along its school and the own exercises in it', () => {
    const chair = demo.routines.find((entry) => entry.id === 'demo-chair')!;
    expect(routineContents(chair, demo)).toMatchObject({ routines: [chair], exercises: [lanternWalk], students: [] });
    expect(routineContents(demo.routines[0]!, demo).exercises).toEqual([]);
    const own = { ...softSchool, id: 'own-school' };
    const all = { schools: [softSchool, own], exercises: [lanternWalk, { ...lanternWalk, id: '' }] };
    const quiet = { type: 'rest' as const, id: 'rest', seconds: 9, label: '', roundId: null };
    expect(routineContents(routine([quiet], { schoolId: own.id }), all)).toMatchObject({ schools: [own] });
    expect(routineContents(routine([quiet]), { ...all, exercises: [lanternWalk] }).exercises).toEqual([]);
  });
});

describe('calendar of a plan', () => {
  const student = { ...newStudent('u', 'Åsa, the “quiet” one; of nine', 'school-soft'), practiceDays: [1, 4] };
  const value = plan([strand()]);
  const base = routine([segment('a', hold(60, together(1)))], { settleSeconds: 30, name: 'Morning' });
  const ask = (change: Partial<StoredPerson> = {}, plan = value, today = value.startsOn): CalendarRequest => ({
    plan,
    person: person({ student, routines: [base], ...change }, today),
    weeks: 5,
    startTime: '07:30',
    now,
  });
  const request = ask();
  const parsed = () => new ICAL.Component(ICAL.parse(planCalendar(request).text) as unknown[]);
  const events = () =>
    parsed()
      .getAllSubcomponents('vevent')
      .map((event) => new ICAL.Event(event));

  test('an iCalendar library reads it back: two events a week at the right local time and length', () => {
    expect(parsed().getFirstPropertyValue('version')).toBe('2.0');
    expect(events()).toHaveLength(10);
    expect(events()[0]!.startDate.toString()).toBe('2026-01-05T07:30:00');
    expect(events()[0]!.endDate.toString()).toBe('2026-01-05T07:31:30');
    expect(events()[1]!.startDate.toString()).toBe('2026-01-08T07:30:00');
    expect(new Set(events().map((event) => event.uid)).size).toBe(10);
  });

  test('an event over midnight, or in an hour that some zone leaves out, is as long as it is and begins when it does', () => {
    // Santiago sets its clocks at that midnight, Berlin leaves that hour out; nothing here depends on where it is read.
    for (const [day, startTime, ends] of [
      ['2026-04-04', '23:50', '2026-04-04T23:51:30'],
      ['2026-03-29', '02:30', '2026-03-29T02:31:30'],
      ['2026-03-28', '23:59', '2026-03-29T00:00:30'],
    ] as const) {
      const daily = { student: { ...student, practiceDays: [1, 2, 3, 4, 5, 6, 7] } };
      const { text } = planCalendar({ ...ask(daily, { ...value, startsOn: day }, day), startTime, weeks: 1 });
      const [first] = new ICAL.Component(ICAL.parse(text) as unknown[]).getAllSubcomponents('vevent');
      const { startDate, endDate } = new ICAL.Event(first);
      expect([startDate.toString(), endDate.toString()]).toEqual([`${day}T${startTime}:00`, ends]);
    }
  });

  test('each week has its own dose, the fourth the lighter one', () => {
    const doses = events().map((event) => event.description);
    expect([doses[0], doses[2], doses[4]]).toEqual([
      'Holding the tree: 1:00 min',
      'Holding the tree: 1:05 min',
      'Holding the tree: 1:10 min',
    ]);
    // Thursdays raise, Mondays ask for what is new; in the third week the fourth's level is reached before it is lightened.
    expect(doses[1]).toBe('Holding the tree: 1:00 min');
    expect(doses[6]).toBe('A lighter week.\nHolding the tree: 45 s');
    expect(doses[8]).toBe('Holding the tree: 1:15 min');
  });

  test('names with commas, semicolons and accents survive, and lines are folded at 75 octets', () => {
    expect(events()[0]!.summary).toBe(`Morning – ${student.name}`);
    for (const text of planCalendar(request).text.split('\r\n'))
      expect(Buffer.byteLength(text)).toBeLessThanOrEqual(75);
  });

  test('nothing in a name can write a line of its own, whatever comes in', () => {
    const evil = 'Åsa\r\nEND:VEVENT\r\nBEGIN:VEVENT\nUID:x\u2028\u0007\u0085';
    const named = { student: { ...student, name: evil }, routines: [{ ...base, name: evil }] };
    const { text } = planCalendar(ask(named, plan([strand({ exerciseName: evil })], { id: evil })));
    const events = new ICAL.Component(ICAL.parse(text) as unknown[]).getAllSubcomponents('vevent');
    expect(events).toHaveLength(10);
    expect(new Set(events.map((event) => event.getFirstPropertyValue('uid'))).size).toBe(10);
    expect(text.split('\r\n').filter((line) => line === 'BEGIN:VEVENT')).toHaveLength(10);

    expect(text.replaceAll('\r\n', '')).not.toMatch(/[\u0000-\u001f\u007f-\u009f]/);
    for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
  });

  test('long names of many-byte letters fold at 75 octets too, and come back whole', () => {
    const name = '站樁🪷'.repeat(20);
    const { text } = planCalendar(ask({ routines: [{ ...base, name }] }));
    for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
    const [first] = new ICAL.Component(ICAL.parse(text) as unknown[]).getAllSubcomponents('vevent');
    expect(new ICAL.Event(first).summary).toBe(`${name} – ${student.name}`);
  });

  test('a locked strand is left out of time and dose, and the event says so', () => {
    const { text } = planCalendar(ask({ logs: [log('2026-01-02', { symptoms: ['faintness'] })] }));
    const [first] = new ICAL.Component(ICAL.parse(text) as unknown[]).getAllSubcomponents('vevent');
    const event = new ICAL.Event(first);
    expect(event.description).toBe('Holding the tree: left out until it is cleared');
    expect(event.endDate.toString()).toBe('2026-01-05T07:31:00');
  });

  test('a day in a holiday has no event, and the dose is that of the plan for its day', () => {
    const away = { ...value, holidays: [{ from: '2026-01-12', to: '2026-02-01' }] };
    const asked = planForecast(planContext(away, { routine: base, practiceDays: [1, 4] })).strands[0]!.days;
    const { text } = planCalendar(ask({}, away));
    const told = new ICAL.Component(ICAL.parse(text) as unknown[])
      .getAllSubcomponents('vevent')
      .map((entry) => new ICAL.Event(entry))
      .map((event) => [event.startDate.toString().slice(0, 10), event.description.split('\n').at(-1)]);
    const until = asked.filter(({ day }) => day < '2026-02-09');
    expect(told).toEqual(until.map(({ day, dose }) => [day, `Holding the tree: ${axisWords(dose, 'time')}`]));
    expect(told.map(([day]) => day)).toEqual(['2026-01-05', '2026-01-08', '2026-02-02', '2026-02-05']);
  });

  test('it replaces the one before: the same days keep their identity, what is no day any more is cancelled, also when read back', () => {
    const read = (text: string) => new ICAL.Component(ICAL.parse(text) as unknown[]).getAllSubcomponents('vevent');
    const first = planCalendar(request);
    expect(first.given.sequence).toBe(0);
    const events = read(first.text).map((event) => String(event.getFirstPropertyValue('uid')));
    expect(events).toEqual(first.given.days.map((day) => `p-${day}@pomek`));
    expect(first.given.days.slice(0, 3)).toEqual(['2026-01-05', '2026-01-08', '2026-01-12']);
    // On the 8th the student goes over to Tuesdays and Thursdays, for three weeks.
    const moved = { student: { ...student, practiceDays: [2, 4] } };
    const again = planCalendar({
      ...ask(moved, { ...value, calendar: first.given }, '2026-01-08'),
      weeks: 3,
    });
    const told = read(again.text).map((event) => ({
      uid: String(event.getFirstPropertyValue('uid')),
      sequence: Number(event.getFirstPropertyValue('sequence')),
      status: event.getFirstPropertyValue('status'),
    }));
    const uids = new Set(read(first.text).map((event) => event.getFirstPropertyValue('uid')));
    const cancelled = told.filter(({ status }) => status === 'CANCELLED');
    expect(cancelled.map(({ uid }) => uid)).toEqual(['12', '19', '26'].map((day) => `p-2026-01-${day}@pomek`));
    expect(told.every(({ sequence }) => sequence === 1)).toBe(true);
    // Thursdays are the same events as before; days gone by are left alone.
    expect(told.filter(({ uid, status }) => status === null && uids.has(uid)).map(({ uid }) => uid)).toEqual(
      ['08', '15', '22'].map((day) => `p-2026-01-${day}@pomek`),
    );
    // What was given out beyond these weeks is still known, once; today’s day and the last one are cancelled too.
    expect(again.given.days).toContain('2026-02-05');
    expect(new Set(again.given.days).size).toBe(again.given.days.length);
    const given = { sequence: 4, days: ['2026-01-07', '2026-01-08', '2026-01-14', '2026-01-15'] };
    const fridays = { student: { ...student, practiceDays: [5] } };
    const edges = planCalendar({ ...ask(fridays, { ...value, calendar: given }, '2026-01-08'), weeks: 1 });
    expect(edges.given.sequence).toBe(5);
    const statuses = read(edges.text).map((event) => [
      String(event.getFirstPropertyValue('uid')).slice(2, 12),
      event.getFirstPropertyValue('status'),
    ]);
    // Thursday the 8th is today and Wednesday the 14th the last day: both were given out, and neither is a Friday.
    expect(statuses.filter(([, status]) => status === 'CANCELLED').map(([day]) => day)).toEqual([
      '2026-01-08',
      '2026-01-14',
    ]);
    // What was cancelled is known no longer; what lies beyond the weeks is.
    expect(edges.given.days).toEqual(['2026-01-09', '2026-01-15']);
    expect(edges.text).toMatch(/DTSTAMP:20260108T100000Z/);
  });

  test('what is not opened yet is left out of time and dose until its day', () => {
    const gated = strand({
      id: 'later',
      segmentId: 'b',
      exerciseName: 'Later',
      family: 'reeling',
      gate: { strandId: 's', dose: 65 },
    });
    const both = routine([segment('a', hold(60, together(1))), segment('b', hold(60, together(1)))]);
    const { text } = planCalendar(ask({ routines: [both] }, plan([strand(), gated])));
    const said = new ICAL.Component(ICAL.parse(text) as unknown[])
      .getAllSubcomponents('vevent')
      .map((entry) => new ICAL.Event(entry).description);
    expect(said[0]).toBe('Holding the tree: 1:00 min\nLater: not opened yet');
    expect(said.at(-1)).toMatch(/Later: \d/);
  });

  test('without practice days or with impossible weeks it says which field is at fault', () => {
    expect(() => planCalendar(ask({ student: { ...student, practiceDays: [] } }))).toThrow('practiceDays');
    expect(() => planCalendar({ ...request, weeks: 0 })).toThrow('weeks');
  });
});

test('logs of the samples are valid, so that the tests test what the program sees', () => {
  const value = { ...emptyContents(), logs: [log('2026-01-05')], plans: [plan([strand()])] };
  expect(readBundle(writeBundle(value, now)).ok).toBe(true);
});

test('as many pictures go into one file as it can be read with, the newest first', () => {
  const picture = (id: string, millions: number) => ({ id, studentId: 'u', data: 'A'.repeat(millions * 1_000_000) });
  const stillOf = (id: string, day: string) =>
    newStill({ id, studentId: 'u', day, name: id, width: 1, height: 1, bytes: 0 });
  const contents = {
    ...emptyContents(),
    stills: [stillOf('old', '2026-01-01'), stillOf('new', '2026-03-01'), stillOf('middle', '2026-02-01')],
    pictures: [picture('old', 5), picture('new', 30), picture('middle', 10)],
  };
  const fitted = withinSize(contents);
  expect(fitted.contents.pictures.map(({ id }) => id)).toEqual(['new', 'middle']);
  expect(fitted.left).toBe(1);
  expect(fitted.contents.stills).toHaveLength(3);
  expect(withinSize({ ...contents, pictures: contents.pictures.slice(2) }).left).toBe(0);
});

test('lines in the teacher’s own voice go into a file and come back, before the pictures; a file of before has none', () => {
  const line = recordingOf('Sink the shoulders', new Float32Array(800));
  const contents = { ...emptyContents(), recordings: [line] };
  const read = readBundle(writeBundle(contents, now));
  expect(read.ok && read.bundle.contents.recordings).toEqual([line]);
  const rows = importPreview(emptyContents(), contents);
  expect(rows).toMatchObject([{ kind: 'recordings', state: 'new', name: '“Sink the shoulders”, spoken' }]);
  expect(importPreview(contents, contents)).toMatchObject([{ state: 'same' }]);
  const before = { ...emptyContents(), recordings: undefined };
  const old = JSON.stringify({ format: 'pomek bundle', version: 4, writtenAt: now.toISOString(), contents: before });
  const taken = readBundle(old);
  expect(taken.ok && taken.bundle.contents.recordings).toEqual([]);
  const damaged = readBundle(writeBundle({ ...contents, recordings: [{ ...line, sound: 'a b' }] }, now));
  expect(!damaged.ok && damaged.problems[0]).toEqual({
    place: 'contents.recordings[0].sound',
    message: 'this is no sound',
  });
  const full = {
    ...contents,
    recordings: [line, { ...line, id: 'too much', sound: 'A'.repeat(50_000_000) }],
  };
  const fitted = withinSize(full);
  expect(fitted.contents.recordings).toEqual([line]);
  expect(fitted.left).toBe(1);
});

describe('what is here and not in a copy', () => {
  test('is counted by kind, with the day of the newest; a file that is no copy of everything lacks nothing', () => {
    const early = {
      ...demo,
      logs: demo.logs.slice(3),
      classes: demo.classes.slice(1),
      students: demo.students.slice(1),
    };
    const days = demo.logs.slice(0, 3).map(({ day }) => day);
    const newest = days.toSorted().at(-1)!;
    expect(notInFile(demo, early)).toEqual(['1 student', `3 practices, the newest of ${dayWords(newest)}`, '1 class']);
    expect(notInFile(demo, demo)).toEqual([]);
    const one = demo.logs.slice(0, 1);
    expect(notInFile({ ...demo, logs: one }, { ...demo, logs: [] })).toEqual([
      `1 practice, of ${dayWords(one[0]!.day)}`,
    ]);
    expect(notInFile(demo, { ...emptyContents(), routines: demo.routines.slice(1) })).toEqual([]);
  });
});
