import { gzipSync, inflateSync } from 'node:zlib';
import { addDays, formatISO, parseISO } from 'date-fns';
import { demoContents } from '../demo/demoContents';
import { LATELY_DAYS, newCorrection } from '../corrections/correction';
import { personRecord, type PersonRecord, type StoredPerson } from '../person/personRecord';
import { contextOf } from '../plan/contextOf';
import { planVerdicts } from '../plan/planVerdicts';
import { plannedDays } from '../plan/plannedDays';
import { practisedRoutine } from '../plan/practisedRoutine';
import { usualCalls } from '../practice/calls';
import { cuePlan } from '../practice/cuePlan';
import { hallCalls } from '../practice/hallCalls';
import { lineKey, recordingOf, recordingsBy, type Recordings } from '../practice/recording';
import { seededRandom } from '../random/seededRandom';
import { timeline } from '../routine/timeline';
import { builtInSchools, softSchool } from '../schools/builtInSchools';
import { builtInExercises } from '../library/builtInExercises';
import { newStudent } from '../students/newStudent';
import { log } from '../testing/samples';
import { crc32 } from '../text/crc32';
import { shortDay } from '../words/shortDay';
import type { HomeLog } from './homeLog';
import { homePreview, type HomeStored } from './homePreview';
import { homeToday } from './homePractice';
import { spokenExercise } from '../schools/spokenLine';
import { lineForTheDay } from './lineForTheDay';
import { makeSheet } from './makeSheet';
import { logFile, packedLog, readLog } from './packedLog';
import { SheetSchema, type Sheet } from './sheet';
import { sheetHtml } from './sheetHtml';

const today = '2026-03-11';
const demo = demoContents(today);
const schools = [...demo.schools, ...builtInSchools];
const exercises = [...builtInExercises, ...demo.exercises];
const storedOf = (studentId: string): StoredPerson => {
  const student = demo.students.find(({ id }) => id === studentId)!;
  const own = <T extends { studentId: string }>(all: readonly T[]) =>
    all.filter((entry) => entry.studentId === studentId);
  return {
    student,
    school: schools.find(({ id }) => id === student.schoolId) ?? softSchool,
    plans: own(demo.plans),
    decisions: own(demo.decisions),
    logs: own(demo.logs),
    corrections: own(demo.corrections),
    measures: own(demo.measures),
    routines: demo.routines,
    exercises,
  };
};
const personOf = (studentId: string, change: Partial<StoredPerson> = {}): PersonRecord =>
  personRecord({ ...storedOf(studentId), ...change }, today);
const sheetOf = (studentId: string, weeks = 6, recorded: Recordings = new Map()): Sheet =>
  makeSheet({
    id: 'sheet-1',
    person: personOf(studentId),
    now: new Date(`${today}T10:00:00Z`),
    weeks,
    calls: usualCalls,
    parts: 'new',
    recorded,
  });
const planned = demo.students.filter(({ id }) => demo.plans.some((plan) => plan.studentId === id));
const after = (days: number): string => formatISO(addDays(parseISO(today), days), { representation: 'date' });

describe('the sheet that is given home', () => {
  test('has a line for the day after practice, of its own exercises, another one the next day', () => {
    const sheet = sheetOf(planned[0]!.id);
    const [{ routine }] = sheet.practices as [Sheet['practices'][number]];
    const lines = [0, 1, 2, 3].map((days) => lineForTheDay(routine, sheet, after(days)));
    expect(new Set(lines).size).toBeGreaterThan(1);
    const said = sheet.exercises.map((exercise) => spokenExercise(exercise, sheet.school, 'both').daily);
    for (const line of lines) expect(said.some((daily) => daily !== '' && line.endsWith(daily))).toBe(true);
    expect(lineForTheDay({ segments: [] }, sheet, today)).toBe('');
  });

  test('takes along what the teacher has spoken of what its hall says on any day, and nothing else', () => {
    const [student] = planned;
    const shelf = new Map(exercises.map((exercise) => [exercise.id, exercise]));
    const { practices, school, calls, parts, inWork } = sheetOf(student!.id);
    expect(sheetOf(student!.id).recordings).toEqual([]);
    const said = new Set(
      practices.flatMap(({ routine }) => {
        const line = timeline(routine);
        return Array.from({ length: 12 }, (_, day) => {
          const cues = cuePlan(routine, line, shelf, school, { inWork: new Set(inWork), before: () => day });
          return hallCalls(routine, line, calls, { cues: true, parts }, shelf, school, cues).map(({ text }) => text);
        }).flat();
      }),
    );
    expect(said.size).toBeGreaterThan(20);
    const spoken = (words: string) => recordingOf(words, new Float32Array(100));
    const recorded = recordingsBy([...said, 'A line of another drill'].map(spoken));
    const sheet = sheetOf(student!.id, 6, recorded);
    expect(new Set(sheet.recordings.map(({ id }) => id))).toEqual(new Set([...said].map(lineKey)));
    expect(SheetSchema.parse(JSON.parse(JSON.stringify(sheet)))).toEqual(sheet);
  });

  test.each(planned.map(({ name, id }) => [name, id]))(
    '%s: what the plan, the hall and the calendar have for each day',
    (_, id) => {
      const sheet = sheetOf(id);
      const person = personOf(id);
      expect(SheetSchema.parse(JSON.parse(JSON.stringify(sheet)))).toEqual(sheet);
      for (const plan of demo.plans.filter(({ studentId }) => studentId === id)) {
        const routine = demo.routines.find((entry) => entry.id === plan.routineId)!;
        const days = plannedDays(plan, person, 6);
        const own = sheet.days.filter(({ practice }) => sheet.practices[practice]!.routine.id === routine.id);
        expect(own.map(({ day, lighter }) => ({ day, lighter }))).toEqual(
          days.map(({ day, lighter }) => ({ day, lighter })),
        );
        // On the day it is made the hall would conduct the same; a raise or an ease that waits is taken as the machine has it.
        const waits = planVerdicts(contextOf(plan, person)).some(({ kind }) => kind === 'raise' || kind === 'ease');
        if (own[0]?.day !== today || waits) continue;
        const hall = practisedRoutine(routine, person);
        expect(sheet.practices[own[0].practice]!.routine).toEqual(hall.routine);
        expect(sheet.practices[own[0].practice]!.cares).toHaveLength(hall.changed.length);
      }
    },
  );

  test('holds nobody else, only the exercises that stand in it, and each different practice once', () => {
    const [one] = planned;
    const sheet = sheetOf(one!.id);
    const text = JSON.stringify(sheet);
    for (const other of demo.students) if (other.id !== one!.id) expect(text).not.toContain(other.name);
    const used = new Set(
      sheet.practices.flatMap(({ routine }) =>
        routine.segments.flatMap((part) => ('exerciseId' in part ? [part.exerciseId] : [])),
      ),
    );
    expect(new Set(sheet.exercises.map(({ id }) => id))).toEqual(used);
    expect(new Set(sheet.practices.map((practice) => JSON.stringify(practice))).size).toBe(sheet.practices.length);
    expect(new Set(sheet.days.map(({ practice }) => practice)).size).toBe(sheet.practices.length);
  });

  test('whatever stands in names and notes stays data in the page', () => {
    const sheet = sheetOf(planned[0]!.id);
    const name = `</script><script>alert(1)</script><!-- & \u2028 "'`;
    const hostile = { ...sheet, student: { ...sheet.student, name }, cautions: [name] };
    const page = sheetHtml('<script type="application/json">__SHEET__</script><b>$& $1</b>', hostile);
    const [, data] = /^<script type="application\/json">([^<]*)<\/script><b>\$& \$1<\/b>$/.exec(page)!;
    expect(JSON.parse(data!)).toEqual(hostile);
    expect(() => sheetHtml('<p></p>', sheet)).toThrow('no place for its data');
    expect(JSON.parse(sheetHtml('__SHEET__', sheet))).toEqual(sheet);
  });

  test('says what is missing where none can be made', () => {
    const [one] = planned;
    const make = (change: Partial<Parameters<typeof makeSheet>[0]>) =>
      makeSheet({
        id: 's',
        person: personOf(one!.id),
        now: new Date(0),
        weeks: 4,
        calls: usualCalls,
        parts: 'new',
        ...change,
      });
    const having = (change: Partial<StoredPerson>) => make({ person: personOf(one!.id, change) });
    expect(() => having({ plans: [] })).toThrow('plan: there is no plan');
    const { student, plans } = storedOf(one!.id);
    expect(() => having({ student: { ...student, practiceDays: [] } })).toThrow('practiceDays');
    expect(() => having({ routines: [] })).toThrow('routine of the plan is gone');
    const away = plans.map((plan) => ({ ...plan, holidays: [{ from: today, to: after(60) }] }));
    expect(() => having({ plans: away })).toThrow('weeks: no practice day falls in these weeks');
  });

  test('a routine goes along without a plan: on each practice day, with its own doses and what is noted of the body', () => {
    const [one] = planned;
    const { student, plans } = storedOf(one!.id);
    const routine = demo.routines.find(({ id }) => plans.every(({ routineId }) => routineId !== id))!;
    const make = (also: Sheet['practices'][number]['routine'], change: Partial<StoredPerson>) =>
      makeSheet({
        id: 's',
        person: personOf(one!.id, change),
        now: new Date(0),
        weeks: 2,
        calls: usualCalls,
        parts: 'new',
        also,
      });
    const days = [1, 3, 6] as const;
    const alone = make(routine, { plans: [], student: { ...student, practiceDays: [...days] } });
    // 11 March 2026 is a Wednesday: two weeks to the Tuesday.
    expect(alone.days.map(({ day }) => day)).toEqual([
      '2026-03-11',
      '2026-03-14',
      '2026-03-16',
      '2026-03-18',
      '2026-03-21',
      '2026-03-23',
    ]);
    expect(alone.practices).toHaveLength(1);
    const hall = practisedRoutine(routine, personOf(one!.id, { plans: [] }));
    expect(alone.practices[0]!.routine).toEqual(hall.routine);
    expect(alone.practices[0]!.cares).toHaveLength(hall.changed.length);
    expect(SheetSchema.parse(JSON.parse(JSON.stringify(alone)))).toEqual(alone);
    // Beside a plan it is practised too, and on none of its holidays; a routine with a plan is not there twice.
    const away = { from: '2026-03-14', to: '2026-03-21' };
    const both = make(routine, { plans: plans.map((plan) => ({ ...plan, holidays: [away] })) });
    const mine = both.days.filter(({ practice }) => both.practices[practice]!.routine.id === routine.id);
    expect(mine.length).toBeGreaterThan(0);
    expect(mine.every(({ day }) => day < away.from || day > away.to)).toBe(true);
    const own = demo.routines.find(({ id }) => id === plans[0]!.routineId)!;
    expect(make(own, {}).days).toHaveLength(
      makeSheet({
        id: 's',
        person: personOf(one!.id),
        now: new Date(0),
        weeks: 2,
        calls: usualCalls,
        parts: 'new',
      }).days.length,
    );
  });

  test('tells what each day asks for, its days in order, and what was known when it was made', () => {
    const [one] = planned;
    const [plan] = demo.plans.filter(({ studentId }) => studentId === one!.id);
    const make = (change: Partial<StoredPerson> = {}, plans = [plan!]) =>
      makeSheet({
        id: 's',
        person: personOf(one!.id, { plans, ...change }),
        now: new Date(0),
        weeks: 4,
        calls: usualCalls,
        parts: 'new',
      });
    const days = plannedDays(plan!, personOf(one!.id, { plans: [plan!] }), 4);
    expect(make().days.map(({ goals }) => goals)).toEqual(
      days.map(({ goals }) => goals.filter(({ asked }) => asked).map(({ name, words }) => ({ name, words }))),
    );
    // What waits for another strand is not asked for, and not told.
    const [own, ...others] = plan!.strands;
    const waiting = {
      ...own!,
      id: 'waits',
      exerciseName: 'Waits',
      start: own!.level,
      openedOn: null,
      gate: { strandId: others[0]!.id, dose: 1e6 },
    };
    const gated = make({}, [{ ...plan!, strands: [waiting, ...others] }]);
    expect(gated.days.flatMap(({ goals }) => goals).map(({ name }) => name)).not.toContain('Waits');
    const twice = make({}, [plan!, { ...plan!, id: 'second' }]).days.map(({ day }) => day);
    expect(twice).toEqual(days.flatMap(({ day }) => [day, day]));

    // Practices with pain or a sign of the last eight weeks, which the teacher has seen.
    const ago = (days: number, change = {}) => log(after(-days), { id: `ago-${days}`, studentId: one!.id, ...change });
    const logs = [
      ago(2 * LATELY_DAYS + 1, { pain: 3 }),
      ago(2 * LATELY_DAYS, { pain: 3 }),
      ago(9, { symptoms: ['dizziness'] }),
      ago(5, { pain: 2, symptoms: ['dizziness'] }),
      ago(3),
      ago(-2, { pain: 1 }),
    ];
    const known = make({ logs });
    expect(known.clearedLogs).toEqual([`ago-${2 * LATELY_DAYS}`, 'ago-9', 'ago-5', 'ago--2']);
    // What is dated after today is not when one practised last.
    expect(known.lastDay).toBe(after(-3));
    expect(make({ logs: logs.toReversed() }).lastDay).toBe(after(-3));
    expect(make({ logs: [ago(0)] }).lastDay).toBe(today);
    expect(make({ logs: [ago(-2)] }).lastDay).toBeNull();
    // What a sign has locked is not in the sheet.
    expect(known.exercises).toEqual([]);
    const point = make({ logs: [] }).exercises.flatMap(({ checkpoints }) => checkpoints)[0]!;
    const corrections = [4, 2].map((days) => newCorrection(`c${days}`, one!.id, point, after(-days), null));
    expect(make({ logs: [], corrections }).inWork).toEqual([point.id]);
    expect(make({ logs: [], corrections: [] }).inWork).toEqual([]);
  });
});

describe('what is practised at home on a day', () => {
  const who = planned.find(({ practiceDays }) => practiceDays.length >= 2)!;
  const sheet = { ...sheetOf(who.id), lastDay: today, clearedLogs: [] };
  const [first] = sheet.days;
  const done = (day: string, change = {}) => log(day, { id: `home-${day}`, studentId: who.id, ...change });

  test('the day’s own; between two days the last; past the end the last, and why', () => {
    expect(homeToday(sheet, [], first!.day)[0]).toMatchObject({ day: first, why: '', locked: [], done: false });
    const second = sheet.days.find(({ day }) => day > first!.day)!;
    const { id: routineId } = sheet.practices[first!.practice]!.routine;
    const practised = [done(first!.day, { routineId })];
    expect(homeToday(sheet, practised, first!.day)[0]).toMatchObject({ day: first, done: true });
    expect(homeToday(sheet, practised, second.day)[0]).toMatchObject({ done: false });
    expect(homeToday(sheet, [done(first!.day, { routineId: 'other' })], first!.day)[0]).toMatchObject({ done: false });
    expect(homeToday(sheet, [], second.day)[0]!.practice).toEqual(sheet.practices[second.practice]);
    const between = formatISO(addDays(parseISO(second.day), -1), { representation: 'date' });
    if (between !== first!.day) expect(homeToday(sheet, [], between)[0]!.day).toEqual(first);
    const late = after(6 * 7 + 3);
    const past = homeToday(sheet, [done(after(6 * 7))], late)[0]!;
    expect(past.day).toEqual(sheet.days.at(-1));
    expect(past.why).toMatch(/weeks of this sheet ended .* Ask for a new one/);
  });

  test('before the first day, on a day that is none, on the last: which practice it is, and why', () => {
    const early = { ...sheet, days: sheet.days.slice(1) };
    const next = early.days[0]!;
    expect(homeToday(early, [], first!.day)[0]).toMatchObject({
      day: next,
      why: `The first practice of this sheet is on ${shortDay(next.day)}.`,
    });
    const alone = { ...sheet, days: [first!] };
    expect(homeToday(alone, [], after(3))[0]!.why).toBe(
      `Not one of your practice days; this is what ${shortDay(first!.day)} had.`,
    );
    expect(homeToday(alone, [done(sheet.until)], sheet.until)[0]!.why).toMatch(/^Not one of your practice days/);
    // Nobody knows when one practised last: nothing to begin again.
    expect(homeToday({ ...sheet, lastDay: null }, [], first!.day)[0]!.why).toBe('');
    const far = sheet.days.find(({ day }) => day > after(20))!;
    expect(homeToday({ ...sheet, lastDay: after(-40) }, [done(far.day)], far.day)[0]!.why).toBe('');
  });

  test('of two routines each has its days; on a day of neither both are shown', () => {
    const [practice] = sheet.practices;
    const other = { ...practice!, routine: { ...practice!.routine, id: 'other' } };
    const day = (on: string, of: number) => ({ ...first!, day: on, practice: of });
    const both: Sheet = {
      ...sheet,
      practices: [practice!, other],
      days: [day(after(1), 0), day(after(2), 1), day(after(3), 0), day(after(3), 1)],
    };
    const on = (days: number) =>
      homeToday(both, [], after(days)).map(({ practice: { routine }, why }) => [routine.id, why === '']);
    expect(on(1)).toEqual([[practice!.routine.id, true]]);
    expect(on(2)).toEqual([['other', true]]);
    expect(on(3)).toEqual([
      [practice!.routine.id, true],
      ['other', true],
    ]);
    expect(on(5)).toEqual([
      [practice!.routine.id, false],
      ['other', false],
    ]);
  });

  test('what is locked is named, and takes its round along only where nothing of it is left', () => {
    const { routine } = sheet.practices[first!.practice]!;
    const [one, two] = routine.segments.filter((part) => part.type === 'exercise');
    const parts = [
      { ...one!, id: 'a', roundId: 'gone' },
      { ...two!, id: 'b', roundId: 'stays' },
      { type: 'rest' as const, id: 'c', seconds: 5, label: '', roundId: 'stays' },
      { type: 'rest' as const, id: 'd', seconds: 5, label: '', roundId: null },
    ];
    const rounds = [
      { id: 'gone', times: 2 },
      { id: 'stays', times: 3 },
    ];
    const practices = sheet.practices.map((practice) => ({
      ...practice,
      routine: { ...routine, segments: parts, rounds },
    }));
    const chest = done(first!.day, { symptoms: ['chest pain'] });
    const [now] = homeToday({ ...sheet, practices }, [chest], first!.day);
    expect(now!.locked.map(({ name }) => name)).toEqual(
      [one!, two!].map(({ exerciseId }) => exercises.find(({ id }) => id === exerciseId)!.name),
    );
    expect(now!.practice.routine.rounds).toEqual([rounds[1]]);
    const unknown = homeToday({ ...sheet, practices, exercises: [] }, [chest], first!.day)[0]!.locked;
    expect(unknown[0]!.name).toBe('An exercise');
  });

  test('more than two weeks away begins with the first doses again; exactly two weeks does not', () => {
    const far = sheet.days.find(({ day }) => day > after(20))!;
    const before = (days: number) => formatISO(addDays(parseISO(far.day), -days), { representation: 'date' });
    expect(homeToday(sheet, [done(before(15))], far.day)[0]!).toMatchObject({ day: first });
    expect(homeToday(sheet, [done(before(15))], far.day)[0]!.why).toMatch(/first doses/);
    expect(homeToday(sheet, [done(before(14))], far.day)[0]!).toMatchObject({ day: far, why: '' });
    // As many days as ease a dose at the desk.
    const school = { ...sheet.school, raise: { ...sheet.school.raise, easeGapDays: 10 } };
    expect(homeToday({ ...sheet, school }, [done(before(10))], far.day)[0]!.why).toMatch(/first doses/);
    expect(homeToday({ ...sheet, school }, [done(before(9))], far.day)[0]!.why).toBe('');
    // What is dated after today says nothing of when one practised last.
    expect(homeToday({ ...sheet, lastDay: before(15) }, [done(after(300))], far.day)[0]!.day).toEqual(first);
  });

  test('a sign to stop locks: chest pain everything, a sore knee what loads it, until the teacher has seen it', () => {
    const chest = done(first!.day, { symptoms: ['chest pain'] });
    const all = homeToday(sheet, [chest], first!.day)[0]!;
    expect(all.practice.routine.segments.filter(({ type }) => type === 'exercise')).toEqual([]);
    expect(all.locked[0]!.reasons[0]).toMatch(/Chest pain was noted/);
    const { stopPain } = sheet.school.raise;
    const knee = { pain: stopPain, painPlace: 'knee' as const, painWhere: '' };
    expect(homeToday(sheet, [done(first!.day, knee)], first!.day)[0]!.locked.length).toBeGreaterThan(0);
    expect(homeToday(sheet, [done(first!.day, { ...knee, pain: stopPain - 1 })], first!.day)[0]!.locked).toEqual([]);
    expect(homeToday({ ...sheet, clearedLogs: [chest.id] }, [chest], first!.day)[0]!.locked).toEqual([]);
  });
});

const student = newStudent('u', 'Made Up', 'school-soft');
const homeLog = (days: number, change: Partial<HomeLog> = {}): HomeLog => ({
  format: 'pomek home log',
  version: 1,
  sheetId: 'sheet-1',
  sheetMadeOn: today,
  studentId: 'u',
  studentName: 'Made Up',
  givenAt: `${today}T20:00:00.000Z`,
  logs: Array.from({ length: days }, (_, at) => log(after(at), { note: at % 3 === 0 ? 'felt the arms – früh' : '' })),
  ...change,
});

describe('the log in texts', () => {
  test('the checksum and the packing are what others have', () => {
    // The check value of CRC-32 (ITU-T V.42; “check” of the catalogue of parametrised CRC algorithms), from memory.
    expect(crc32(Buffer.from('123456789')).toString(16)).toBe('cbf43926');
    const text = Buffer.from('A text with an ü and more, and more, and more.');
    // The last eight bytes of a gzip file are checksum and length (RFC 1952); written here by zlib.
    expect(crc32(text)).toBe(gzipSync(text).readUInt32LE(gzipSync(text).length - 8));
    const [line] = packedLog(homeLog(3));
    const bytes = Buffer.from(/:([\w-]+);$/.exec(line!)![1]!, 'base64url');
    // zlib finds its head right (RFC 1950), and says that a dictionary is needed.
    expect(() => inflateSync(bytes)).toThrow(/dictionary/);
  });

  test('comes back whole: as a file, as a line in a message that breaks it, as parts in any order and twice', () => {
    const given = homeLog(14);
    expect(readLog(logFile(given))).toEqual({ kind: 'log', log: given });
    // A sheet of before gave no checksum along.
    expect(readLog(JSON.stringify(given, null, 2))).toEqual({ kind: 'log', log: given });
    const [line] = packedLog(given);
    const broken = `Dear teacher,\n> ${line!.replace(/(.{40})/g, '$1\n')}\nBest wishes`;
    expect(readLog(broken.replace('> ', ''))).toEqual({ kind: 'log', log: given });
    const parts = packedLog(given, 200);
    expect(parts.length).toBeGreaterThan(2);
    expect(Math.max(...parts.map(({ length }) => length))).toBeLessThan(240);
    expect(readLog([...parts.toReversed(), parts[0]!].join('\n'))).toEqual({ kind: 'log', log: given });
    expect(readLog(parts.slice(1).join('\n'))).toEqual({ kind: 'parts', missing: [1], of: parts.length });
  });

  test('in as many parts as there are, with space before it; nothing but a log is taken for one', () => {
    const given = homeLog(14);
    const many = packedLog(given, 30);
    expect(many.length).toBeGreaterThan(10);
    expect(readLog(many.join(''))).toEqual({ kind: 'log', log: given });
    expect(readLog(` \n${JSON.stringify(given)}`)).toEqual({ kind: 'log', log: given });
    const told = (text: string) => ((read) => (read.kind === 'wrong' ? read.message : read.kind))(readLog(text));
    expect(told('  \n ')).toMatch(/nothing in it/);
    expect(readLog('POMEK-LOG-1:1of400:00000000:AAAA;')).toMatchObject({ kind: 'parts', of: 400 });
    expect(told('x'.repeat(4_000_001))).toMatch(/too long/);
    expect(told('x'.repeat(4_000_000))).toMatch(/no log of a sheet/);
    // Whole on its way, and yet nothing that can be unpacked, or nothing that is a log.
    const whole = (bytes: Uint8Array) =>
      `POMEK-LOG-1:1of1:${crc32(bytes).toString(16).padStart(8, '0')}:${Buffer.from(bytes).toString('base64url')};`;
    expect(told(whole(Uint8Array.of(1, 2, 3, 4)))).toMatch(/cannot be unpacked/);
    expect(told(packedLog(null as unknown as HomeLog)[0]!)).toMatch(/not the log of a sheet/);
    expect(told(packedLog(7 as unknown as HomeLog)[0]!)).toMatch(/not the log of a sheet/);
  });

  test('a practice a day for two weeks fits into a message of a few lines', () => {
    expect(packedLog(homeLog(1))[0]!.length).toBeLessThan(420);
    expect(packedLog(homeLog(14))[0]!.length).toBeLessThan(1300);
  });

  test.each([
    ['', /nothing in it/],
    ['Hello, I practised', /no log of a sheet/],
    ['POMEK-LOG-1:1of1:0000', /not whole/],
    ['POMEK-LOG-9:1of1:00000000:AAAA;', /newer sheet/],
    ['POMEK-LOG-1:1of1:00000000:AAAA;', /checksum/],
    ['POMEK-LOG-1:3of2:00000000:AAAA;', /numbered wrongly/],
    ['POMEK-LOG-1:1of2:00000000:AAAA;POMEK-LOG-1:1of2:00000000:AAAB;', /came twice/],
    ['POMEK-LOG-1:1of2:00000000:AAAA;POMEK-LOG-1:2of2:00000001:AAAB;', /different logs/],
    ['POMEK-LOG-12:1of1:00000000:AAAA;', /newer sheet/],
    ['POMEK-LOG-1:1of2:00000000:AAAA;POMEK-LOG-1:2of3:00000000:AAAB;', /different logs/],
    ['POMEK-LOG-1:1of0:00000000:AAAA;', /numbered wrongly/],
    ['POMEK-LOG-1:0of2:00000000:AAAA;', /numbered wrongly/],
    ['POMEK-LOG-1:1of401:00000000:AAAA;', /numbered wrongly/],
    ['POMEK-LOG-1:1of2:00000000:AAAA;POMEK-LOG-1:3of2:00000000:AAAB;', /numbered wrongly/],
    ['{"format":"pomek home log","version":"9"}', /damaged at version/],
    ['{"format":"something"}', /not the log of a sheet/],
    ['{"format":"pomek home log","version":2}', /newer sheet/],
    ['{"format":"pomek home log","version":1}', /damaged at sheetId/],
    ['{', /damaged/],
  ])('%p is refused with a reason', (text, reason) => {
    const read = readLog(text);
    expect(read.kind === 'wrong' && read.message).toMatch(reason);
  });

  test('two thousand damaged lines and codes: none gives another log than the one that was given', () => {
    const random = seededRandom(15);
    const given = homeLog(3);
    const at = (length: number): number => Math.floor(random() * length);
    const damages: ((text: string) => string)[] = [
      (text) => text.slice(0, at(text.length)),
      (text) => text.slice(at(text.length)),
      (text) => ((where) => text.slice(0, where) + text.slice(where + 1 + at(4)))(at(text.length)),
      (text) => ((where) => `${text.slice(0, where)}${'AzB9_-:;'[at(8)]}${text.slice(where + 1)}`)(at(text.length)),
      (text) =>
        ((where) => `${text.slice(0, where)}${text[where + 1]!}${text[where]!}${text.slice(where + 2)}`)(
          at(text.length - 1),
        ),
      (text) => ((where) => text.slice(0, where) + text.slice(at(text.length)) + text.slice(where))(at(text.length)),
    ];
    let wrong = 0;
    for (let turn = 0; turn < 2000; turn += 1) {
      const whole = packedLog(given, turn % 2 === 0 ? undefined : 150).join('\n');
      const read = readLog(damages[turn % damages.length]!(whole));
      if (read.kind === 'log') expect(read.log).toEqual(given);
      else wrong += 1;
    }
    expect(wrong).toBeGreaterThan(1500);
  });
});

test('a file with a single letter changed anywhere gives the same log, or none', () => {
  const given = { ...homeLog(3), studentName: 'Åsa Ørn' };
  const whole = logFile(given);
  const random = seededRandom(29);
  let refused = 0;
  for (let turn = 0; turn < 1500; turn += 1) {
    const where = Math.floor(random() * whole.length);
    const letter = '0159aZ": ,}n'[Math.floor(random() * 12)]!;
    const read = readLog(`${whole.slice(0, where)}${letter}${whole.slice(where + 1)}`);
    if (read.kind === 'log') expect(read.log).toEqual(given);
    else refused += 1;
  }
  expect(refused).toBeGreaterThan(1000);
});

describe('before anything is written', () => {
  const stored: HomeStored = { students: [student], keptLogs: new Set(), schoolOf: () => softSchool, today: after(30) };
  const previewOf = (given: HomeLog, change: Partial<HomeStored> = {}) => {
    const result = homePreview(given, { ...stored, ...change });
    if (!result.ok) throw new Error(result.message);
    return result.preview;
  };

  test('what is new, in the order of days; taken in twice, nothing is', () => {
    const given = homeLog(4);
    const mixed = { ...given, logs: [...given.logs.toReversed(), given.logs[0]!] };
    expect(previewOf(mixed)).toMatchObject({ fresh: given.logs, known: 0, stops: [], notes: [] });
    const kept = new Set(given.logs.slice(0, 3).map(({ id }) => id));
    expect(previewOf(given, { keptLogs: kept })).toMatchObject({ fresh: [given.logs[3]], known: 3 });
    const all = new Set(given.logs.map(({ id }) => id));
    expect(previewOf(given, { keptLogs: all })).toMatchObject({ fresh: [], known: 4, stops: [] });
  });

  test('pain and signs to stop of what is new stand apart', () => {
    const given = homeLog(3);
    const hurt = { ...given.logs[1]!, pain: 6, painWhere: 'left knee' };
    const faint = { ...given.logs[2]!, symptoms: ['faintness' as const] };
    const { stops } = previewOf({ ...given, logs: [given.logs[0]!, hurt, faint] });
    expect(stops.map(({ log: entry }) => entry.id)).toEqual([hurt.id, faint.id]);
    expect(stops[0]!.reasons[0]).toMatch(/^Pain 6 of 10 \(left knee\)/);
  });

  test('somebody else’s, of two people, of an older sheet, of a clock that is ahead', () => {
    const given = homeLog(2);
    const result = homePreview({ ...given, studentId: 'other', studentName: 'Some Body' }, stored);
    expect(result.ok ? '' : result.message).toMatch(/Some Body who is not among your students/);
    const two = homePreview({ ...given, logs: [given.logs[0]!, { ...given.logs[1]!, studentId: 'other' }] }, stored);
    expect(two.ok ? '' : two.message).toMatch(/more than one person/);
    const sheet = { id: 'sheet-2', madeOn: after(7), until: after(40) };
    expect(previewOf(given, { students: [{ ...student, sheet }] }).notes[0]).toMatch(/not with the last one/);
    expect(previewOf(given, { students: [{ ...student, sheet: { ...sheet, id: 'sheet-1' } }] }).notes).toEqual([]);
    expect(previewOf(given, { today }).notes[0]).toMatch(/^One practice is dated after today/);
    expect(previewOf(homeLog(4), { today }).notes[0]).toMatch(/^3 practices are dated after today/);
    const nobody = homePreview({ ...given, studentId: 'other', studentName: '' }, stored);
    expect(nobody.ok ? '' : nobody.message).toMatch(/^This is the log of somebody who is not/);
  });
});
