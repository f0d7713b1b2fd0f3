import { builtInExercises } from '../library';
import { csvLogs, guessMapping, logsCsv, tableCsv, type CsvQuestion } from './csvLogs';
import { csvFields } from './csvRow';
import { decodeText, readCsv, type CsvTable } from './csvTable';

const id = (day: string) => `log-${day}`;
const logsOf = (table: CsvTable, more: Partial<CsvQuestion> = {}) =>
  csvLogs(table, {
    mapping: guessMapping(table.columns),
    exercises: builtInExercises,
    studentId: 'u',
    idOf: id,
    today: '2026-03-31',
    ...more,
  });
const read = (text: string, more: Partial<CsvQuestion> = {}) => logsOf(readCsv(text), more);

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
  expect(logsOf(table).logs).toEqual(logs);
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
  const [back] = logsOf(again).logs;
  expect(back!.painPlace).toBe('neck');
});

test('lines go to the segment of the plan, so that its strand counts them', () => {
  const { logs } = read('day,exercise,done\n2026-03-01,Holding the tree,60', {
    segmentOf: (exercise) => `segment of ${exercise}`,
  });
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
    expect(table.rows[0]!.cells[csvFields.indexOf('note')]).toBe(note);
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
    expect(said('2026-03-01,Shoulder wheel,,9,lots,,,,,')).toEqual(['asked: “lots” is no number']);
    expect(said('2026-03-01,Shoulder wheel,,9,-2,,,,,')).toEqual(['asked: “-2” is no number']);
    expect(row('2026-03-01,Shoulder wheel,,9,0,,,,,').problems).toEqual([]);
    expect(said('yesterday,Shoulder wheel,,9,,,,,,')).toEqual([
      'day: “yesterday” is no day like 2026-03-31 or 31.3.2026',
    ]);
  });

  test('ratings go from 0 to 10, with a point or a comma; each is named by its column', () => {
    const rated = (effort: string, own: string, pain: string) =>
      row(`2026-03-01,Shoulder wheel,,9,,${effort},${own},${pain},,`);
    expect(rated('10', '0', '10').logs[0]).toMatchObject({ effort: 10, pain: 10 });
    expect(rated('"6,0"', '', '').logs[0]!.effort).toBe(6);
    for (const between of ['5.5', '0.4', '9.99']) {
      const message = `effort: “${between}” is between two marks of the scale; write a whole number`;
      expect(rated(between, '', '')).toMatchObject({ logs: [], problems: [{ line: 2, message }] });
    }
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
    expect(readCsv('')).toEqual({ columns: [], rows: [], problems: [] });
  });

  test('a place that hurts is asked for only where something hurts, and goes out as it can be read back', () => {
    const where = (pain: string, place: string) => {
      const [log] = row(`2026-03-01,Holding the tree,,60,,,,${pain},${place},`).logs;
      return [log!.painPlace, log!.painWhere, readCsv(logsCsv([log!])).rows[0]!.cells[8]];
    };
    expect(where('0', 'knee')).toEqual([null, '', '']);
    expect(where('3', 'Knee')).toEqual(['knee', '', 'knee']);
    expect(where('3', 'left knee inside')).toEqual(['knee', 'left knee inside', 'left knee inside']);
    expect(where('3', 'the big toe')).toEqual([null, 'the big toe', 'the big toe']);
    expect(where('3', 'x'.repeat(200))[1]).toHaveLength(120);
    const [log] = row('2026-03-01,Holding the tree,,60,,,,3,knee,').logs;
    expect(readCsv(logsCsv([{ ...log!, painWhere: 'inside' }])).rows[0]!.cells[8]).toBe('knee: inside');
    expect(readCsv(logsCsv([{ ...log!, painPlace: null, painWhere: 'left knee' }])).rows[0]!.cells[8]).toBe(
      'left knee',
    );
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
    logsOf(table, { progress: (share) => told.push(share) });
    expect(told).toEqual([0, 0.4, 0.8]);
    expect(logsOf(table, { mapping: {} }).logs).toEqual([]);
  });
});

describe('a table that is damaged, or tells what cannot be', () => {
  const tree = (day: string, done = '60') => `${day},Holding the tree,${done}`;
  const table = (...rows: string[]) => read(['day,exercise,done', ...rows].join('\n'));

  test('a quotation mark that never closes is named where it opens, with the lines it swallows', () => {
    const rows = Array.from({ length: 50 }, () => '2026-03-02,Holding the tree,60,fine');
    const text = [
      'day,exercise,done,note',
      '2026-03-01,Holding the tree,60,well',
      '2026-03-01,Holding the tree,60,"open',
      ...rows,
    ];
    const { logs, problems } = read(text.join('\n'));
    expect(problems).toEqual([
      { line: 3, message: 'a quotation mark is opened here and never closed. Lines 3 to 53 were not read' },
    ]);
    expect(logs.map(({ day, lines, note }) => [day, lines.length, note])).toEqual([['2026-03-01', 1, 'well']]);
  });

  test('a quotation mark in the middle of a quoted text is named, and what follows is read', () => {
    const text = 'day,exercise,done,note\n2026-03-01,Holding the tree,60,"a"b"\n2026-03-02,Holding the tree,60,c';
    const { logs, problems } = read(text);
    expect(problems).toEqual([
      { line: 2, message: 'a quotation mark stands in the middle of a text in quotes. The line was not read' },
    ]);
    expect(logs.map(({ day }) => day)).toEqual(['2026-03-02']);
  });

  test.each(['\n', '\r\n', '\r'])(
    'lines are counted as an editor does, over breaks in quotes and blank lines (%j)',
    (end) => {
      const text = [
        'day,exercise,done,note',
        '',
        '2026-03-01,Holding the tree,60,"slow',
        'and long"',
        ' ',
        ',,,',
        'soon,Holding the tree,60,',
        tree('never'),
      ];
      expect(read(text.join(end)).problems.map(({ line }) => line)).toEqual([7, 8]);
    },
  );

  test('a number is digits and decimals, never another notation; a comma is a point in every column', () => {
    for (const done of ['0x10', '0b11', '1e3', '+5', '1 000', 'NaN'])
      expect(table(`2026-03-01,Shoulder wheel,${done}`).problems).toEqual([
        { line: 2, message: `done: “${done}” is no number` },
      ]);
    const { logs } = read(
      'day;exercise;done;asked\n2026-03-01;Shoulder wheel;8,5;9,0\n2026-03-01;Holding the tree;1,5 min;90,5',
    );
    expect(logs[0]!.lines.map(({ done, asked }) => [done.amount, done.seconds, asked.seconds])).toEqual([
      [8.5, 51, 54],
      [90 / 90.5, 90, 90.5],
    ]);
  });

  test('more cells than columns are named: a decimal comma would move all that follows', () => {
    const { logs, problems } = table(
      '2026-03-01,Shoulder wheel,8,5',
      '2026-03-01,Shoulder wheel,8,',
      tree('2026-03-02'),
    );
    expect(problems).toEqual([{ line: 2, message: expect.stringMatching(/^4 cells in 3 columns; /) }]);
    expect(logs.map(({ day, lines }) => [day, lines.length])).toEqual([
      ['2026-03-01', 1],
      ['2026-03-02', 1],
    ]);
  });

  test('a day with slashes is asked for where the table leaves it open, and told by it where it does not', () => {
    const days = (rows: string[], more: Partial<CsvQuestion> = {}) => {
      const { logs, problems, asksDayOrder } = read(
        ['day,exercise,done', ...rows.map((day) => tree(day))].join('\n'),
        more,
      );
      return [logs.map(({ day }) => day), problems.map(({ line }) => line), asksDayOrder];
    };
    expect(days(['03/02/2026', '03/03/2026'])).toEqual([['2026-03-03'], [2], true]);
    expect(days(['03/02/2026'], { dayOrder: 'day first' })).toEqual([['2026-02-03'], [], true]);
    expect(days(['03/02/2026'], { dayOrder: 'month first' })).toEqual([['2026-03-02'], [], true]);
    // One of them has no month 13: all are written alike, whatever was chosen.
    expect(days(['03/02/2026', '13/02/2026'], { dayOrder: 'month first' })).toEqual([
      ['2026-02-03', '2026-02-13'],
      [],
      false,
    ]);
    expect(days(['03/02/2026', '02/13/2026'])).toEqual([['2026-02-13', '2026-03-02'], [], false]);
    expect(days(['13/02/2026', '02/13/2026'])).toEqual([['2026-02-13'], [3], false]);
    expect(days(['2026-03-01', '1.3.2026'])).toEqual([['2026-03-01'], [], false]);
  });

  test('days lie between 1970 and today, amounts within a day', () => {
    const said = (...rows: string[]) => table(...rows).problems.map(({ line, message }) => `${line} ${message}`);
    expect(said(tree('0001-01-01'), tree('1969-12-31'), tree('9999-12-31'), tree('2026-04-01'))).toEqual([
      '2 day: “0001-01-01” is before 1970-01-01',
      '3 day: “1969-12-31” is before 1970-01-01',
      '4 day: “9999-12-31” is later than today',
      '5 day: “2026-04-01” is later than today',
    ]);
    expect(said(tree('1970-01-01'), tree('2026-03-31'))).toEqual([]);
    expect(said(tree('2026-03-01', '99999999999'), tree('2026-03-01', '24:00:01'), tree('2026-03-01', '24 h'))).toEqual(
      ['2 done: “99999999999” is more than 24 h', '3 done: “24:00:01” is more than 24 h'],
    );
    expect(said('2026-03-01,Shoulder wheel,10000')).toEqual(['2 done: “10000” is more than 9999']);
    expect(said('2026-03-01,Slowing breath,500')).toEqual(['2 done: “500” of Slowing breath takes more than 24 h']);
    const { logs, problems } = table(tree('2026-03-01', '20 h'), tree('2026-03-01', '5 h'), tree('2026-03-01', '4 h'));
    expect(problems).toEqual([
      { line: 3, message: 'done: with this row the practice of 2026-03-01 has more than 24 h' },
    ]);
    expect(logs[0]).toMatchObject({ practisedSeconds: 86_400, lines: [{}, {}] });
  });

  test('rows beyond the most are not read, and it is said', () => {
    const rows = readCsv(['a', '1', '2', '3', '4'].join('\n'), 2);
    expect(rows.rows.map(({ line, cells }) => [line, ...cells])).toEqual([
      [2, '1'],
      [3, '2'],
    ]);
    expect(rows.problems).toEqual([{ line: 4, message: 'a table has 2 rows at most; nothing from here on was read' }]);
  });
});

test('the text of a file is read as it was written: UTF-8, UTF-16 by its mark, else Windows-1252', () => {
  const read = (...bytes: number[]) => decodeText(Uint8Array.from(bytes));
  expect(read(0x6d, 0xc3, 0xbc, 0x64, 0x65)).toEqual({ text: 'müde', encoding: 'UTF-8' });
  expect(read(0xef, 0xbb, 0xbf, 0x6d)).toEqual({ text: 'm', encoding: 'UTF-8' });
  expect(read(0xff, 0xfe, 0x6d, 0, 0xfc, 0)).toEqual({ text: 'mü', encoding: 'UTF-16' });
  expect(read(0xfe, 0xff, 0, 0x6d, 0, 0xfc)).toEqual({ text: 'mü', encoding: 'UTF-16' });
  // 0xFC is ü in Windows-1252 (WHATWG Encoding Standard, index windows-1252).
  expect(read(0x6d, 0xfc, 0x64, 0x65)).toEqual({ text: 'müde', encoding: 'Windows-1252' });
  expect(read()).toEqual({ text: '', encoding: 'UTF-8' });
});
