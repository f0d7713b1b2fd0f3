import { Injectable, inject } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import {
  folder,
  makeSheet,
  plannedDays,
  practisedRoutine,
  sheetHtml,
  trackSamples,
  trackWords,
  type Exercise,
  type GivenCalendar,
  type Narration,
  type PlannedDay,
  type Recording,
  type Recordings,
  type School,
  type Sheet,
  type TimedWords,
  type Track,
} from '@pomek/core';
import { Compute } from '../compute/compute';
import { Clock } from '../data/clock';
import { KeptRecordings } from '../data/kept-recordings';
import { remembered } from '../data/remembered';
import { Repository } from '../data/repository';
import { schoolOf } from '../data/gathered';
import type { Write } from '../data/store';
import { VOICE, voiceSettings } from '../data/voice-settings';
import { fileName } from '../ui/download';
import type { Gift } from './gift';
import { inWorkOf, PaperMaker, planOf, someone, usedIn, type Shared } from './paper-maker';

/** A file that is ready to be given, and what is remembered of it once it is. */
export interface Made {
  readonly name: string;
  readonly file: Blob;
  readonly writes: readonly Write[];
}

/** What is looked at before it is given. */
export type Look =
  | { readonly kind: 'pdf'; readonly made: Made }
  | {
      readonly kind: 'sheet';
      readonly sheet: Sheet;
      /** What is recorded of what it says, whether it goes along or not. */
      readonly voice: { readonly lines: number; readonly bytes: number };
    }
  | { readonly kind: 'days'; readonly days: readonly PlannedDay[] }
  | {
      readonly kind: 'words';
      readonly tracks: readonly { name: string; words: TimedWords[] }[];
      readonly bytes: number;
    };

/** What is looked at as it will be printed. */
export const papersKinds: ReadonlySet<Gift['kind']> = new Set(['pin-up', 'pages', 'teacher', 'week-card']);

/** Makes what is given: papers, sheets, calendars and tracks, for a person or for nobody in particular. */
@Injectable({ providedIn: 'root' })
export class Giver {
  private readonly clock = inject(Clock);
  private readonly compute = inject(Compute);
  private readonly papers = inject(PaperMaker);
  private readonly repository = inject(Repository);
  private readonly recordings = inject(KeptRecordings);
  private readonly voice = remembered(VOICE);

  /** What somebody gets, to look at. @param stop once it is aborted nothing more is made */
  async look(gift: Gift, stop: AbortSignal): Promise<Look> {
    const { kind, person, options } = gift;
    if (kind === 'sheet') {
      const sheet = this.sheet(gift, options.weeks, await this.recorded());
      const bytes = sheet.recordings.reduce((sum, { sound }) => sum + sound.length, 0);
      const voice = { lines: sheet.recordings.length, bytes };
      return { kind, voice, sheet: options.voice ? sheet : { ...sheet, recordings: [] } };
    }
    if (kind === 'calendar') return { kind: 'days', days: plannedDays(planOf(gift), someone(person), options.weeks) };
    if (kind === 'track') {
      const { tracks, shelf, school, inWork } = await this.tracked(gift);
      const narration = this.narration(await this.recorded());
      const bytes = tracks.reduce((sum, { routine }) => sum + trackSamples(routine, narration) * 2, 0);
      const told = tracks.map(({ name, routine }, at) => ({
        name,
        words: trackWords(routine, shelf, school, { inWork, before: () => at }),
      }));
      return { kind: 'words', tracks: told, bytes };
    }
    const { papers } = await import('../print/printing');
    const paper = await this.papers.of(gift, await this.shared(), stop);
    const { file } = await papers(paper.title, [paper]);
    return { kind: 'pdf', made: { name: `${baseName(gift)}.pdf`, file, writes: [] } };
  }

  /**
   * The file for one person or for several: papers of all in one document, sheets and calendars of several in one folder.
   * @param progress is told which share is done
   * @param stop once it is aborted nothing more is made
   * @throws the reason why something cannot be made, in words
   */
  async make(gifts: readonly Gift[], progress: (share: number) => void, stop: AbortSignal): Promise<Made> {
    const [first] = gifts;
    if (first === undefined) throw new Error('Choose who it is for.');
    const { kind, practised } = first;
    if (kind === 'track') return this.track(first, progress, stop);
    const one = gifts.length === 1;
    const name = one ? baseName(first) : fileName(`${practised.name} ${fileWords[kind]}`);
    if (papersKinds.has(kind)) {
      const shared = await this.shared();
      const made = await this.each(gifts, progress, stop, (gift) => this.papers.of(gift, shared, stop));
      const { papers } = await import('../print/printing');
      const { file } = await papers(name, made);
      return { name: `${name}.pdf`, file, writes: [] };
    }
    const page = kind === 'sheet' ? await sheetPage() : '';
    const recorded = kind === 'sheet' && first.options.voice ? await this.recorded() : new Map<string, Recording>();
    const files = await this.each(gifts, progress, stop, (gift) =>
      kind === 'sheet' ? this.sheetFile(gift, page, recorded) : this.calendarFile(gift),
    );
    const writes = files.flatMap((file) => file.writes);
    const [only] = files;
    const ending = kind === 'sheet' ? 'html' : 'ics';
    if (one && only !== undefined)
      return {
        name: only.name,
        file: new Blob([only.content], { type: kind === 'sheet' ? 'text/html' : 'text/calendar' }),
        writes,
      };
    const names = files.map(({ name: own, content }) => ({ name: own, content }));
    return { name: `${name}-${ending}.zip`, file: new Blob([folder(names)], { type: 'application/zip' }), writes };
  }

  /** One after the other, so that the page goes on. */
  private async each<T>(
    gifts: readonly Gift[],
    progress: (share: number) => void,
    stop: AbortSignal,
    how: (gift: Gift) => T | Promise<T>,
  ): Promise<T[]> {
    const made: T[] = [];
    for (const [at, gift] of gifts.entries()) {
      stop.throwIfAborted();
      progress(at / gifts.length);
      made.push(await how(gift));
      await new Promise((go) => setTimeout(go));
    }
    stop.throwIfAborted();
    return made;
  }

  private sheet({ person, practised }: Gift, weeks: number, recorded: Recordings = new Map()): Sheet {
    const voice = voiceSettings(this.voice.value());
    return makeSheet({
      id: this.clock.newId(),
      person: someone(person),
      now: this.clock.now(),
      weeks,
      calls: voice.words,
      parts: voice.parts,
      also: practised.routine,
      recorded,
    });
  }

  private sheetFile(
    gift: Gift,
    page: string,
    recorded: Recordings,
  ): { name: string; content: string; writes: Write[] } {
    const sheet = this.sheet(gift, gift.options.weeks, recorded);
    const { id, madeOn, until, student } = sheet;
    return {
      name: `${fileName(`${student.name} practice`)}.html`,
      content: sheetHtml(page, sheet),
      writes: [
        { table: 'students', id: student.id, change: (stored) => ({ ...stored, sheet: { id, madeOn, until } }) },
      ],
    };
  }

  private async calendarFile(gift: Gift): Promise<{ name: string; content: string; writes: Write[] }> {
    const { planCalendar } = await import('./calendar');
    const { weeks, startTime } = gift.options;
    const plan = planOf(gift);
    const request = { plan, person: someone(gift.person), weeks, startTime, now: this.clock.now() };
    const { text, given }: GivenCalendar = planCalendar(request);
    return {
      name: `${baseName(gift)}.ics`,
      content: text,
      writes: [{ table: 'plans', id: plan.id, change: (stored) => ({ ...stored, calendar: given }) }],
    };
  }

  private async track(gift: Gift, progress: (share: number) => void, stop: AbortSignal): Promise<Made> {
    const { tracks, school, inWork, shelf } = await this.tracked(gift);
    const used = usedIn(tracks.map(({ routine }) => routine));
    const { words, spoken, recorded } = this.narration(await this.recorded());
    const input = {
      tracks,
      drills: [...shelf.values()].filter(({ id }) => used.has(id)),
      school,
      inWork: [...inWork],
      narration: { words, spoken, recordings: [...recorded.values()] },
    };
    const file = await new Promise<Blob>((made, failed) => {
      const work = this.compute.steps('cue-tracks', input).subscribe({
        next: (step) => {
          if (step.kind === 'progress') progress(step.share);
          else if (step.kind === 'result') made(step.result.file);
        },
        error: failed,
      });
      stop.addEventListener('abort', () => {
        work.unsubscribe();
        failed(new Error('Stopped.'));
      });
    });
    return { name: `${baseName(gift)}.zip`, file, writes: [] };
  }

  /** The practices of a track: each different one of the next seven days where there is a plan, else the one of today. */
  private async tracked(gift: Gift): Promise<{
    tracks: Track[];
    shelf: ReadonlyMap<string, Exercise>;
    school: School;
    inWork: ReadonlySet<string>;
  }> {
    const { person, practised } = gift;
    const { shelf, schools } = await this.shared();
    const school = person?.school ?? schoolOf(schools, practised.routine.schoolId);
    const name = fileName(practised.name);
    if (person === null) return { tracks: [{ name, routine: practised.routine }], shelf, school, inWork: new Set() };
    const inWork = inWorkOf(person, this.clock.today());
    const planned = person.plans.some(({ routineId }) => routineId === practised.routine.id);
    if (planned && person.student.practiceDays.length > 0) {
      const { practices, days } = this.sheet(gift, 1);
      const tracks = practices.flatMap(({ routine }, at): Track[] => {
        const on = days.find(({ practice }) => practice === at);
        return routine.id === practised.routine.id && on !== undefined ? [{ name: `${on.day}-${name}`, routine }] : [];
      });
      if (tracks.length > 0) return { tracks, shelf, school, inWork };
    }
    return { tracks: [{ name, routine: practisedRoutine(practised.routine, person).routine }], shelf, school, inWork };
  }

  /** What the hall says, and what is recorded of it. */
  private narration(recorded: Recordings): Narration {
    const { words, cues, parts } = voiceSettings(this.voice.value());
    return { words, spoken: { cues, parts }, recorded };
  }

  private recorded(): Promise<Recordings> {
    return firstValueFrom(this.recordings.all$);
  }

  private async shared(): Promise<Shared> {
    const [exercises, schools] = await Promise.all([
      firstValueFrom(this.repository.exercises$),
      firstValueFrom(this.repository.schools$),
    ]);
    return { shelf: new Map(exercises.map((exercise) => [exercise.id, exercise])), schools };
  }
}

/** What a file is called, after whose it is and what is practised. */
const fileWords: Readonly<Record<Gift['kind'], string>> = {
  'pin-up': 'page',
  pages: 'pages',
  teacher: 'teacher',
  sheet: 'practice',
  'week-card': 'week card',
  calendar: 'calendar',
  track: 'cue track',
};

const baseName = ({ person, practised, kind }: Gift): string =>
  fileName([person?.student.name ?? '', practised.name, fileWords[kind]].filter((part) => part !== '').join(' '));

/** The page of a sheet without its data. */
async function sheetPage(): Promise<string> {
  const answer = await fetch('sheet/sheet.html');
  if (!answer.ok) throw new Error('The page of the sheet is missing in this installation.');
  return answer.text();
}
