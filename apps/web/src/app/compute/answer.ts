import {
  bodyForm,
  bodyOf,
  csvLogs,
  cueTracks,
  decodeText,
  recordingsBy,
  demoHall,
  demoPeople,
  demoPerson,
  fitRoutine,
  isLocked,
  lockCopy,
  planForecast,
  readBundle,
  readCsv,
  readFilm,
  routineEffort,
  seededRandom,
  stillTerms,
  strandChances,
  unlockCopy,
  type BodyMeasures,
  type CsvTable,
  type Encoding,
  type PlanContext,
} from '@pomek/core';
import type { Request, ResultOf, Task } from './protocol';
import { copyInto } from './copy-answer';
import { layOutAnswer } from './lay-out-answer';
import { workOutStandings } from './standings-answer';

/** The table in a file, and how its text was written. */
const tableIn = async (file: Blob): Promise<CsvTable & { readonly encoding: Encoding }> => {
  const { text, encoding } = decodeText(new Uint8Array(await file.arrayBuffer()));
  return { ...readCsv(text), encoding };
};

/** The measures without those that were not given. */
const withoutGaps = (measures: { readonly [K in keyof BodyMeasures]?: number | undefined }): BodyMeasures =>
  Object.fromEntries(
    Object.entries(measures as Record<string, number | undefined>).filter(([, value]) => value !== undefined),
  ) as unknown as BodyMeasures;

/** Logs that are sent in one piece, and problems that are named. */
const PIECE = 100;
const NAMED = 200;

/** How the work tells of itself before it is done. */
export interface Told {
  readonly progress: (share: number) => void;
  readonly part: (part: unknown) => void;
}

/** Does what was asked: the worker's work, free of the worker, so that it can be tested. */
export async function answer(request: Request, tell: Told): Promise<ResultOf<Task>> {
  const { progress, part } = tell;
  switch (request.task) {
    case 'copy':
      return copyInto(request);
    case 'demo':
      return { hall: demoHall(request.today), people: [...demoPeople] };
    case 'demo-person':
      return demoPerson(request.today, request.id);
    case 'read-bundle': {
      const given = await request.file.text();
      const locked = isLocked(given);
      if (locked && request.passphrase === null) return { ok: 'asks' };
      const read = readBundle(locked ? await unlockCopy(given, request.passphrase!) : given);
      if (read.ok) {
        const { contents, writtenAt } = read.bundle;
        return { ok: true, contents, writtenAt, beyond: [...read.beyond] };
      }
      return { ok: false, problems: [...read.problems] };
    }
    case 'lock':
      return { text: await lockCopy(request.text, request.passphrase) };
    case 'plan': {
      const { drills, mostDoses, lockedSegments, seed, seasons } = request;
      const context: PlanContext = {
        ...request,
        exercises: new Map(drills.map((drill) => [drill.id, drill])),
        mostDoses: new Map(mostDoses),
        lockedSegments: new Set(lockedSegments),
      };
      const { strands, proven } = planForecast(context);
      const chances = seasons === 0 ? [] : strandChances(context, seasons, seededRandom(seed), progress);
      return {
        forecasts: strands.map((strand) => ({ ...strand, weeks: [...strand.weeks], days: [...strand.days] })),
        proven,
        chances: chances.map((chance) => ({ ...chance, weeks: [...chance.weeks] })),
      };
    }
    case 'effort': {
      const drills = new Map(request.drills.map((drill) => [drill.id, drill]));
      const body = bodyOf(withoutGaps(request.body));
      const { segments, course, failure } = routineEffort(
        request.routine,
        drills,
        body,
        request.capacity,
        request.school,
      );
      return { segments: [...segments], course: [...course], failure };
    }
    case 'cue-tracks': {
      const drills = new Map(request.drills.map((drill) => [drill.id, drill]));
      const { recordings, ...said } = request.narration;
      const narration = { ...said, recorded: recordingsBy(recordings) };
      const pieces = cueTracks(request.tracks, drills, request.school, new Set(request.inWork), progress, narration);
      return { file: new Blob(pieces as Uint8Array<ArrayBuffer>[], { type: 'application/zip' }) };
    }
    case 'film': {
      const { film, still, student, exercise, school } = request;
      return readFilm(film, still, stillTerms(still, student, exercise, school)) as ResultOf<'film'>;
    }
    case 'body-form':
      return bodyForm(bodyOf(withoutGaps(request.body)));
    case 'standings':
      return workOutStandings(request, part);
    case 'lay-out':
      return layOutAnswer(request);
    case 'csv-columns': {
      const { columns, rows, encoding } = await tableIn(request.file);
      return { columns: [...columns], rows: rows.length, encoding };
    }
    case 'csv-logs': {
      const { file, segments, ...question } = request;
      const segmentBy = new Map(segments);
      const { logs, problems, asksDayOrder } = csvLogs(await tableIn(file), {
        ...question,
        idOf: (day) => `csv-${question.studentId}-${day}`,
        segmentOf: (id) => segmentBy.get(id) ?? id,
        progress,
      });
      for (let from = 0; from < logs.length; from += PIECE) part(logs.slice(from, from + PIECE));
      return {
        logs: logs.length,
        problems: problems.slice(0, NAMED),
        problemCount: problems.length,
        asksDayOrder,
      };
    }
    case 'fit': {
      const { routine, target, held, countMultiple, longestHold, names } = request;
      return fitRoutine(routine, {
        target,
        held: new Set(held),
        countMultiple,
        longestHold: new Map(longestHold),
        names: new Map(names),
      });
    }
  }
}
