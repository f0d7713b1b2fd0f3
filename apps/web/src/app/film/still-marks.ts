import { computed, inject, linkedSignal, untracked } from '@angular/core';
import {
  filmFromWords,
  hasLine,
  isLineEnd,
  lookedAt,
  marksWanted,
  nextMark,
  otherEnd,
  pointAfter,
  pointsOf,
  withFound,
  withLine,
  withoutPoint,
  withPoint,
  type FilmPoint,
  type FilmSpot,
  type FoundBody,
  type LineEnd,
  counted,
} from '@pomek/core';
import type { Editing } from '../data/editing';
import { Notices } from '../data/notices';
import type { Marked } from './marking';
import { pointWords } from './point-words';

/** The points of a still: which is next, what is set, what was found, and how each is kept or taken away. */
export class StillMarks {
  private readonly notices = inject(Notices);
  private readonly still = this.edit.draft;
  /** Which picture is marked, and from where it is seen. */
  private readonly place = computed(() => `${this.still()?.id ?? ''} ${this.still()?.from ?? ''}`);
  /** One end of a line whose other end is not set yet: nothing is read from it, and nothing kept. */
  private readonly begun = linkedSignal<string, { readonly end: LineEnd; readonly spot: FilmSpot } | null>({
    source: this.place,
    computation: () => null,
  });
  readonly points = computed(() => {
    const still = this.still();
    const begun = this.begun();
    return still == null ? {} : { ...pointsOf(still), ...(begun === null ? {} : { [begun.end]: begun.spot }) };
  });
  /** The point that is set or moved. */
  readonly active = linkedSignal<string, FilmPoint | null>({
    source: this.place,
    computation: () => {
      // Another picture, or another view of it, begins with what is missing; a mark that is set does not.
      const still = untracked(this.still);
      return still == null ? null : nextMark(still);
    },
  });
  readonly chips = computed(() => {
    const [still, points] = [this.still(), this.points()];
    if (still == null) return [];
    const wanted: FilmPoint[] = [...marksWanted(still.from), 'plumb from', 'plumb to'];
    if (still.scale === 'length') wanted.push('length from', 'length to');
    return wanted.map((point) => {
      const [set, words] = [points[point] !== undefined, pointWords(point, still.from)];
      const found = this.found().has(point);
      return {
        point,
        set,
        found,
        words,
        said: `${words}, ${!set ? 'not marked' : found ? 'found, not looked at' : 'marked'}`,
      };
    });
  });
  /** What the machine has found and nobody has looked at. */
  readonly found = computed(() => new Set<FilmPoint>(this.still()?.found));
  readonly next = computed(() => {
    const [still, active] = [this.still(), this.active()];
    if (still == null) return '';
    if (active === null && this.found().size > 0) return 'Press each point that was found where it is right.';
    if (active === null) return 'All is marked. Press a mark to move it.';
    const verb =
      this.points()[active] === undefined
        ? 'press where it is'
        : this.found().has(active)
          ? 'found here; press it or Enter where that is right, else drag it'
          : 'drag it, or use the arrow keys';
    return `${pointWords(active, still.from)}: ${verb}.`;
  });

  constructor(private readonly edit: Editing<'stills'>) {}

  async mark({ point, spot, byKey }: Marked): Promise<void> {
    const still = this.still();
    if (still == null) return;
    const label = `Mark the ${pointWords(point, still.from)}`;
    if (isLineEnd(point) && !hasLine(still, point)) {
      const begun = this.begun();
      if (begun?.end !== otherEnd(point)) {
        this.begun.set({ end: point, spot });
        if (!byKey) this.active.set(otherEnd(point));
        return;
      }
      this.begun.set(null);
      if (!byKey) this.active.set(nextMark(still));
      await this.edit.change(
        label,
        (stored) => withLine(stored, point, spot, begun.spot),
        byKey ? `mark ${point}` : null,
      );
      return;
    }
    const fresh = this.points()[point] === undefined || this.found().has(point);
    if (!byKey && fresh) this.active.set(pointAfter(withPoint(still, point, spot), point));
    await this.edit.change(label, (stored) => withPoint(stored, point, spot), byKey ? `mark ${point}` : null);
  }

  async unmark(point: FilmPoint): Promise<void> {
    const still = this.still();
    if (still == null || this.points()[point] === undefined) return;
    if (this.begun()?.end === point) return this.begun.set(null);
    await this.edit.change(`Take the ${pointWords(point, still.from)} away`, (stored) => withoutPoint(stored, point));
  }

  /** On to what is missing or not looked at; what was found under the keys is right where it is. */
  async goOn(): Promise<void> {
    const [still, active] = [this.still(), this.active()];
    if (still == null || active === null) return;
    if (isLineEnd(active) || !this.found().has(active)) return this.active.set(pointAfter(still, active));
    this.active.set(pointAfter(lookedAt(still, active), active));
    const label = `The ${pointWords(active, still.from)} is right`;
    await this.edit.change(label, (stored) => lookedAt(stored, active));
  }

  async setFound(body: FoundBody): Promise<void> {
    const before = this.still();
    if (before == null) return;
    const after = withFound(before, body);
    await this.edit.change('Find the body', (stored) => withFound(stored, body));
    this.active.set(nextMark(after));
    const [count, seen] = [after.found.length, filmFromWords(after.from)];
    this.notices.done(`${counted(count, 'point')} found`, {
      detail: after.from === before.from ? 'Look at each: press it where it is right.' : `Looked at as ${seen}.`,
      undo: true,
    });
  }

  async allRight(): Promise<void> {
    await this.edit.change('All found points are right', (stored) => lookedAt(stored));
    this.active.set(null);
  }
}
