import { builtInExercises } from '../library';
import { csvFields, csvLogs, guessMapping, logsCsv, readCsv, tableCsv } from './csvLogs';

const id = (day: string) => `log-${day}`;
const read = (text: string, segmentOf?: (exercise: string) => string) => {
  const table = readCsv(text);
  return csvLogs(table, guessMapping(table.columns), builtInExercises, 'u', id, segmentOf);
};

test('a plain table: rows of a day are one practice, holds in time, repetitions as numbers', () => {
  const { logs, problems } = read(
    [
      'Date;Exercise;Side;Done;Target;RPE;Pain;Notes',
      '2026-03-01;Holding the tree;;1:30;2 min;6;0;warm',
      '2026-03-01;Shoulder wheel;left;9;9;4;1;',
      '1.3.2026;Shoulder wheel;R;7;9;;;',
      '2026-03-02;tree-holding;;60;;;;',
    ].join('\n'),
  );
  expect(problems).toEqual([]);
  expect(logs.map((log) => [log.id, log.lines.length, log.effort, log.pain])).toEqual([
    ['log-2026-03-01', 3, 6, 1],
    ['log-2026-03-02', 1, null, null],
  ]);
  const [tree, left, right] = logs[0]!.lines;
  expect(tree).toMatchObject({
    kind: 'hold',
    side: 'both',
    asked: { seconds: 120 },
    done: { amount: 0.75, seconds: 90 },
  });
  expect(left).toMatchObject({ side: 'left', done: { amount: 9, seconds: 54 } });
  expect(right).toMatchObject({ side: 'right', done: { amount: 7 }, asked: { amount: 9 } });
  expect(logs[0]).toMatchObject({ source: 'by hand', note: 'warm', practisedSeconds: 90 + 54 + 42 });
  // What is not asked counts as asked for.
  expect(logs[1]!.lines[0]).toMatchObject({ asked: { seconds: 60 }, done: { seconds: 60 } });
});

test('what cannot be read is named with its line, and the rest is kept', () => {
  const { logs, problems } = read(
    [
      'day,exercise,side,done,effort',
      '2026-02-30,Holding the tree,,60,5',
      '2026-03-01,Flying carpet,,60,5',
      '2026-03-01,Holding the tree,middle,60,5',
      '2026-03-01,Holding the tree,,soon,5',
      '2026-03-01,Shoulder wheel,left,many,5',
      '2026-03-01,Holding the tree,,60,11',
      '2026-03-01,Holding the tree,,60,5',
    ].join('\r\n'),
  );
  expect(problems.map((problem) => problem.line)).toEqual([2, 3, 4, 5, 6, 7]);
  expect(problems.map((problem) => problem.message.split(':')[0])).toEqual([
    'day',
    'exercise',
    'side',
    'done',
    'done',
    'effort',
  ]);
  expect(logs).toHaveLength(1);
});

test('without a needed column nothing is read, and it says which', () => {
  expect(read('when,what\n2026-03-01,Holding the tree').problems).toEqual([
    { line: 1, message: 'no column is chosen for “done”' },
  ]);
  expect(read('').problems).toHaveLength(3);
  expect(guessMapping(['Was', 'When', 'Reps'])).toEqual({ day: 1, done: 2 });
});

test('quoted fields with separators, quotes and lines of their own (RFC 4180)', () => {
  const { logs } = read('day,exercise,done,note\n2026-03-01,Holding the tree,60,"slow, ""soft""\nand long"');
  expect(logs[0]!.note).toBe('slow, "soft"\nand long');
});

test('what goes out comes back the same', () => {
  const { logs } = read(
    [
      'day,exercise,side,done,asked,effort,own effort,pain,pain place,note',
      '2026-03-01,Holding the tree,both,90,120,6,,2,left knee,"a, b"',
      '2026-03-01,Shoulder wheel,left,9,9,6,8,2,,',
    ].join('\n'),
  );
  expect(logs[0]).toMatchObject({ effort: 6, pain: 2, painPlace: 'knee', painWhere: 'left knee' });
  expect(logs[0]!.lines.map(({ effort }) => effort)).toEqual([null, 8]);
  const table = readCsv(logsCsv(logs));
  expect(table.columns).toEqual([...csvFields]);
  expect(csvLogs(table, guessMapping(table.columns), builtInExercises, 'u', id).logs).toEqual(logs);
});

test('an effort that differs from row to row is that of each exercise, the hardest that of the practice', () => {
  const rows = ['Holding the tree,60,5', 'Shoulder wheel,9,8', 'Holding the tree,60,'];
  const { logs } = read(['day,exercise,done,rpe', ...rows.map((row) => `2026-03-01,${row}`)].join('\n'));
  expect(logs[0]!.effort).toBe(8);
  expect(logs[0]!.lines.map(({ effort }) => effort)).toEqual([5, 8, null]);
});

test('where it hurts is a place where its words name one, that of the worst pain; else it stays a text', () => {
  const where = (...rows: string[]) => {
    const { logs } = read(
      ['day,exercise,done,pain,where', ...rows.map((row) => `2026-03-01,Holding the tree,60,${row}`)].join('\n'),
    );
    return [logs[0]!.pain, logs[0]!.painPlace, logs[0]!.painWhere];
  };
  expect(where('5,Knee')).toEqual([5, 'knee', '']);
  expect(where('5,lower back')).toEqual([5, 'low back', 'lower back']);
  expect(where('2,wrist', '6,the old scar')).toEqual([6, null, 'the old scar']);
  expect(where('0,knee')).toEqual([0, null, '']);
  // A text that names another place than the one chosen comes back with both.
  const { logs } = read('day,exercise,done,pain,where\n2026-03-01,Holding the tree,60,5,hip');
  const again = readCsv(logsCsv([{ ...logs[0]!, painPlace: 'neck', painWhere: 'down to the elbow' }]));
  const [back] = csvLogs(again, guessMapping(again.columns), builtInExercises, 'u', id).logs;
  expect(back!.painPlace).toBe('neck');
});

test('lines go to the segment of the plan, so that its strand counts them', () => {
  const { logs } = read('day,exercise,done\n2026-03-01,Holding the tree,60', (exercise) => `segment of ${exercise}`);
  expect(logs[0]!.lines[0]!.segmentId).toBe('segment of tree-holding');
});

test('the order of the lines gives the same practices', () => {
  const rows = ['2026-03-02,Holding the tree,60', '2026-03-01,Holding the tree,90'];
  const of = (list: string[]) => read(['day,exercise,done', ...list].join('\n')).logs;
  expect(of(rows)).toEqual(of(rows.toReversed()));
});

test('any table goes out as CSV', () => {
  expect(tableCsv(['a', 'b'], [[1, 'x,y']])).toBe('a,b\r\n1,"x,y"');
});

test('breaths take their time with pauses and slowing, as in the routine', () => {
  // Slowing breath: 12 breaths from 4 + 1 + 4 + 1 s; the sum is made by hand, breath by breath.
  const exercise = builtInExercises.find((entry) => entry.id === 'slowing-breath')!;
  const dose = exercise.defaultDose;
  if (dose.kind !== 'breath') throw new Error('a breathing exercise is dosed in breaths');
  const { inSeconds, fullPauseSeconds, outSeconds, emptyPauseSeconds } = dose.pattern;
  let length = inSeconds + fullPauseSeconds + outSeconds + emptyPauseSeconds;
  let sum = 0;
  for (let breath = 0; breath < 8; breath += 1) {
    sum += length;
    length *= dose.slowing;
  }
  const { logs } = read(`day,exercise,done,asked\n2026-03-01,${exercise.name},8,8.5`);
  expect(logs[0]!.lines[0]!.done.seconds).toBeCloseTo(sum, 9);
  expect(logs[0]!.lines[0]!.asked.seconds).toBeCloseTo(sum + length / 2, 9);
});

test('a text that would run as a formula is written as plain text, and read back as it was', () => {
  const notes = ['=1+1', '+49 170', '-5 kg', '@home', '\t=2', "'quoted", 'plain'];
  const { logs } = read('day,exercise,done\n2026-03-01,Holding the tree,60');
  for (const note of notes) {
    const text = logsCsv([{ ...logs[0]!, note }]);
    expect(text).not.toMatch(/(^|[,"\n])[=+@\t-]/);
    const table = readCsv(text);
    expect(table.rows[0]![csvFields.indexOf('note')]).toBe(note);
  }
  expect(tableCsv(['a'], [['=cmd()'], [-5]])).toBe('a\r\n"\'=cmd()"\r\n-5');
});

describe('the edges of what is read', () => {
  const head = 'day,exercise,side,done,asked,effort,own effort,pain,pain place,note';
  const row = (cells: string) => read(`${head}\n${cells}`);
  const said = (cells: string) => row(cells).problems.map(({ message }) => message);

  test('nought is done, less than nothing is not; words that are no time or number are named as such', () => {
    expect(row('2026-03-01,Holding the tree,,0,60,,,,,').logs[0]!.lines[0]).toMatchObject({
      done: { amount: 0, seconds: 0 },
      asked: { amount: 1, seconds: 60 },
    });
    expect(row('2026-03-01,Holding the tree,,0,0,,,,,').logs[0]!.lines[0]!.done).toEqual({ amount: 0, seconds: 0 });
    expect(row('2026-03-01,Shoulder wheel,,0,9,,,,,').logs[0]!.lines[0]!.done).toEqual({ amount: 0, seconds: 0 });
    expect(said('2026-03-01,Shoulder wheel,,-1,9,,,,,')).toEqual(['done: “-1” is no number']);
    expect(said('2026-03-01,Shoulder wheel,,,9,,,,,')).toEqual(['done: “” is no number']);
    expect(said('2026-03-01,Shoulder wheel,,many,9,,,,,')).toEqual(['done: “many” is no number']);
    expect(said('2026-03-01,Holding the tree,,soon,,,,,,')).toEqual(['done: “soon” is no time like 90, 1:30 or 2 min']);
    // A time is no number of repetitions.
    expect(said('2026-03-01,Shoulder wheel,,1:30,9,,,,,')).toEqual(['done: “1:30” is no number']);
    for (const day of ['2026-3-1', '2026-03-01T00:00', '+002026-03-01', '2026-02-30', '2026'])
      expect(said(`${day},Shoulder wheel,,9,,,,,,`)[0]).toMatch(/^day: /);
    expect(said('2026-03-01,Shoulder wheel,,9,lots,,,,,')).toEqual(['asked: “lots” cannot be read']);
    expect(said('2026-03-01,Shoulder wheel,,9,-2,,,,,')).toEqual(['asked: “-2” cannot be read']);
    expect(row('2026-03-01,Shoulder wheel,,9,0,,,,,').problems).toEqual([]);
    expect(said('yesterday,Shoulder wheel,,9,,,,,,')).toEqual([
      'day: “yesterday” is no day like 2026-03-31 or 31.3.2026',
    ]);
  });

  test('ratings go from 0 to 10, with a point or a comma; each is named by its column', () => {
    const rated = (effort: string, own: string, pain: string) =>
      row(`2026-03-01,Shoulder wheel,,9,,${effort},${own},${pain},,`);
    expect(rated('10', '0', '10').logs[0]).toMatchObject({ effort: 10, pain: 10 });
    expect(rated('"6,6"', '', '').logs[0]!.effort).toBe(7);
    expect(rated('0', '', '').logs[0]!.effort).toBe(0);
    for (const bad of ['10.5', '-1', 'hard', 'Infinity']) {
      expect(rated(bad, '', '').problems).toEqual([{ line: 2, message: `effort: “${bad}” is not 0 to 10` }]);
      expect(rated('', bad, '').problems).toEqual([{ line: 2, message: `own effort: “${bad}” is not 0 to 10` }]);
      expect(rated('', '', bad).problems).toEqual([{ line: 2, message: `pain: “${bad}” is not 0 to 10` }]);
    }
  });

  test('empty lines, spaces around names and cells, and notes said twice do no harm', () => {
    const table = readCsv(' day , exercise ,done,note\n\n  \n2026-03-01, Holding the tree , 60 , warm \n');
    expect(table.columns).toEqual(['day', 'exercise', 'done', 'note']);
    expect(table.rows).toHaveLength(1);
    const twice = `${head}\n${'2026-03-01,Holding the tree,,60,,,,,,warm\n'.repeat(2)}2026-03-01,Holding the tree,,60,,,,,,`;
    expect(read(twice).logs[0]!.note).toBe('warm');
    expect(row('2026-03-01,Holding the tree,, 60 ,,,,,, warm ').logs[0]!.note).toBe('warm');
    const long = `${head}\n${Array.from({ length: 3 }, (_, n) => `2026-03-01,Holding the tree,,60,,,,,,${String(n).repeat(900)}`).join('\n')}`;
    expect(read(long).logs[0]!.note).toHaveLength(2000);
    expect(readCsv('')).toEqual({ columns: [], rows: [] });
  });

  test('a place that hurts is asked for only where something hurts, and goes out as it can be read back', () => {
    const where = (pain: string, place: string) => {
      const [log] = row(`2026-03-01,Holding the tree,,60,,,,${pain},${place},`).logs;
      return [log!.painPlace, log!.painWhere, readCsv(logsCsv([log!])).rows[0]![8]];
    };
    expect(where('0', 'knee')).toEqual([null, '', '']);
    expect(where('3', 'Knee')).toEqual(['knee', '', 'knee']);
    expect(where('3', 'left knee inside')).toEqual(['knee', 'left knee inside', 'left knee inside']);
    expect(where('3', 'the big toe')).toEqual([null, 'the big toe', 'the big toe']);
    expect(where('3', 'x'.repeat(200))[1]).toHaveLength(120);
    const [log] = row('2026-03-01,Holding the tree,,60,,,,3,knee,').logs;
    expect(readCsv(logsCsv([{ ...log!, painWhere: 'inside' }])).rows[0]![8]).toBe('knee: inside');
    expect(readCsv(logsCsv([{ ...log!, painPlace: null, painWhere: 'left knee' }])).rows[0]![8]).toBe('left knee');
  });

  test('a day takes a thousand rows; what is beyond is named, and the rest kept', () => {
    const { logs, problems } = row(
      Array.from({ length: 1002 }, () => '2026-03-01,Holding the tree,,60,,,,,,').join('\n'),
    );
    expect(logs[0]!.lines).toHaveLength(1000);
    expect(problems).toEqual(
      [1002, 1003].map((line) => ({
        line,
        message: 'day: “2026-03-01” has more than 1000 rows; a practice has no more',
      })),
    );
  });

  test('progress is told at the first row and at every thousandth after it', () => {
    const told: number[] = [];
    const rows = Array.from({ length: 2500 }, (_, n) => `${(n % 28) + 1}.3.2026,Holding the tree,,60,,,,,,`);
    const table = readCsv([head, ...rows].join('\n'));
    csvLogs(table, guessMapping(table.columns), builtInExercises, 'u', id, undefined, (share) => told.push(share));
    expect(told).toEqual([0, 0.4, 0.8]);
    expect(csvLogs(table, {}, builtInExercises, 'u', id).logs).toEqual([]);
  });
});
