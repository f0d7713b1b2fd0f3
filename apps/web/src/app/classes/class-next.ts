import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { Select } from 'primeng/select';
import { SelectButton } from 'primeng/selectbutton';
import * as z from 'zod';
import {
  apartLines,
  classPerson,
  classRoutine,
  clock,
  correctionOrder,
  correctionRounds,
  durationWords,
  lessonStepWords,
  placeWords,
  segmentWords,
  stopCaution,
  takesPart,
  timeline,
  type Apart,
  type ClassPerson,
  type ExerciseSegment,
  type Journal,
  type Meeting,
  type TaughtClass,
} from '@pomek/core';
import { classLesson } from '../data/class-lesson';
import { Clock } from '../data/clock';
import { Everybody } from '../data/everybody';
import { Journals } from '../data/journals';
import { keptDraft } from '../data/kept-draft';
import { OwnSchool } from '../data/own-school';
import { Repository } from '../data/repository';
import { Store } from '../data/store';
import { againstMinutes, apartIn } from '../ui/class-words';
import { daysAgo } from '../ui/day-words';
import { Empty } from '../ui/empty';

/** Who is here today; kept while the class has not begun. */
const HereSchema = z.object({ here: z.array(z.string()), guests: z.array(z.string()) });

interface Row {
  readonly person: ClassPerson;
  readonly here: boolean;
  readonly guest: boolean;
  readonly apart: readonly Apart[];
  readonly place: string;
}

/** The next meeting of a class: who is here, what each does otherwise, whether it fits, who is corrected when. */
@Component({
  selector: 'pk-class-next',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, ButtonDirective, Checkbox, Empty, FormsModule, RouterLink, Select, SelectButton],
  templateUrl: './class-next.html',
  styleUrl: './class-next.scss',
})
export class ClassNext {
  /** Cautions one after the other, each with its full stop. */
  protected readonly sentences = (cautions: readonly string[]): string =>
    cautions.map((caution) => caution.replace(/[.;,\s]*$/, '.')).join(' ');
  private readonly router = inject(Router);
  private readonly clock = inject(Clock);
  private readonly ownSchool = inject(OwnSchool);
  private readonly store = inject(Store);
  private readonly journals = inject(Journals);
  private readonly repository = inject(Repository);
  private readonly everybody = inject(Everybody);
  readonly taught = input.required<TaughtClass>();
  readonly meetings = input.required<readonly Meeting[]>();

  private readonly chains = toSignal(this.repository.chains$, { initialValue: [] });
  private readonly stored = toSignal(this.repository.journals$, { initialValue: [] });
  protected readonly whenToStop = stopCaution;
  protected readonly draft = keptDraft(() => `class ${this.taught().id} ${this.clock.today()}`, HereSchema, {
    here: [],
    guests: [],
  });
  protected readonly doses: { label: string; value: TaughtClass['doses'] }[] = [
    { label: 'As the routine has it', value: 'routine' },
    { label: 'What everybody can', value: 'everybody' },
  ];
  /** A meeting of this class that is not over. */
  protected readonly underWay = computed(
    () => this.stored().find(({ group }) => group?.classId === this.taught().id) ?? null,
  );

  protected readonly plan = computed(() =>
    classLesson(
      this.taught(),
      this.everybody.routines(),
      this.chains(),
      this.ownSchool.school(),
      this.everybody.shelf(),
    ),
  );
  /** Who belongs to it, then who else is here. */
  private readonly ids = computed(() => [...new Set([...this.taught().roster, ...this.draft.value().guests])]);
  private readonly members = this.everybody.firstOf(this.ids);
  /** Before the practices of each are read it is not known who has to stop: nobody goes to the hall. */
  protected readonly known = computed(() => this.members() !== null);
  private readonly people = computed((): ClassPerson[] => {
    const [routine, members] = [this.plan()?.routine, this.members()];
    if (routine === undefined || members === null) return [];
    return members.map(({ person }) => classPerson(routine, person, this.meetings()));
  });
  private readonly here = computed(() => new Set(this.draft.value().here));
  /** Those who are here; while nobody is, all who may come. */
  private readonly counted = computed(() => {
    const here = this.people().filter(({ studentId }) => this.here().has(studentId));
    return here.length === 0 ? this.people() : here;
  });
  protected readonly routine = computed(() => {
    const plan = this.plan();
    if (plan === null) return null;
    const rungs = this.counted().map((person) => person.rungs);
    return classRoutine(plan.routine, rungs, this.taught().doses);
  });
  private readonly segments = computed(() =>
    (this.routine()?.segments ?? []).filter((segment): segment is ExerciseSegment => segment.type === 'exercise'),
  );
  private readonly order = computed(() => correctionOrder(this.counted()));

  protected readonly rows = computed((): Row[] => {
    const order = this.order().map(({ studentId }) => studentId);
    const { roster } = this.taught();
    return this.people().map((person) => {
      const at = order.indexOf(person.studentId);
      const why = placeWords(person);
      const last = person.lastCorrected;
      const ago = last === null ? '' : `corrected ${daysAgo(last, this.clock.today())}`;
      return {
        person,
        here: this.here().has(person.studentId),
        guest: !roster.includes(person.studentId),
        apart: apartLines(person.rungs, this.segments(), this.everybody.shelf()),
        place: at < 0 || this.rounds()?.holds.length === 0 ? '' : [`${at + 1}.`, why === '' ? ago : why].join(' '),
      };
    });
  });
  protected readonly hereCount = computed(() => this.rows().filter((row) => row.here).length);
  protected readonly others = computed(() => {
    const there = new Set(this.rows().map(({ person }) => person.studentId));
    return (this.everybody.students() ?? []).filter(({ id }) => !there.has(id));
  });

  protected readonly parts = computed(() => {
    const [shelf, plan] = [this.everybody.shelf(), this.plan()];
    const lesson = (plan?.lesson?.parts ?? []).map((part, index) => ({
      id: `${index}`,
      name: lessonStepWords(part),
      dose: '',
    }));
    const warmUp = (this.routine()?.segments ?? []).filter(
      (segment) => plan?.lesson == null || segment.type === 'exercise',
    );
    const parts = warmUp.map((segment) =>
      segment.type === 'exercise'
        ? {
            id: segment.id,
            name: shelf.get(segment.exerciseId)?.name ?? 'Deleted exercise',
            dose: segmentWords(segment),
          }
        : {
            id: segment.id,
            name: segment.label === '' ? segment.type : segment.label,
            dose: durationWords(segment.seconds),
          },
    );
    return [...parts, ...lesson];
  });
  protected readonly length = computed(() => {
    const routine = this.routine();
    if (routine === null) return null;
    return againstMinutes(routine, this.taught().minutes);
  });
  /** The holds in which a round of corrections goes, and who comes in which. */
  protected readonly rounds = computed(() => {
    const routine = this.routine();
    if (routine === null) return null;
    const names = new Map(this.people().map(({ studentId, name }) => [studentId, name]));
    const holds = timeline(routine).spans.filter((span) => span.kind === 'hold');
    const order = this.order().map(({ studentId }) => studentId);
    const { rounds, waiting } = correctionRounds(
      order,
      holds.map((span) => span.durationMs / 1000),
      (id, hold) => {
        const person = this.people().find(({ studentId }) => studentId === id);
        return person !== undefined && takesPart(person, holds[hold]!.segmentId);
      },
    );
    return {
      holds: rounds.flatMap((round, index) => {
        const span = holds[index]!;
        if (round.turns.length === 0) return [];
        const segment = routine.segments[span.segmentIndex];
        const name = segment?.type === 'exercise' ? this.everybody.shelf().get(segment.exerciseId)?.name : undefined;
        const side = span.side === 'both' ? '' : `, ${span.side}`;
        return [
          {
            key: span.index,
            name: `${name ?? 'A hold'}${side}`,
            length: clock(span.durationMs / 1000),
            each: `${Math.round(round.each)} s each`,
            people: round.turns.map(({ studentId }) => names.get(studentId) ?? '').join(', '),
          },
        ];
      }),
      waiting: waiting.map((id) => names.get(id) ?? '').join(', '),
      nobody: order.length === 0,
    };
  });

  /** In what something is done otherwise. */
  protected called(apart: Apart): string {
    return apartIn(apart, this.segments().length);
  }

  protected come(id: string, here: boolean): void {
    const others = this.draft.value().here.filter((entry) => entry !== id);
    this.draft.set({ here: here ? [...others, id] : others });
  }

  protected allHere(): void {
    this.draft.set({ here: this.rows().map(({ person }) => person.studentId) });
  }

  protected addGuest(id: string | null): void {
    if (id === null) return;
    const { here, guests } = this.draft.value();
    this.draft.set({ here: [...here, id], guests: [...guests, id] });
  }

  protected removeGuest(id: string): void {
    const { here, guests } = this.draft.value();
    this.draft.set({ here: here.filter((entry) => entry !== id), guests: guests.filter((entry) => entry !== id) });
  }

  protected async setDoses(doses: TaughtClass['doses']): Promise<void> {
    const change = (stored: TaughtClass): TaughtClass => ({ ...stored, doses });
    await this.store.write('Doses of the class', [{ table: 'classes', id: this.taught().id, change }]);
  }

  protected async begin(): Promise<void> {
    const [routine, plan] = [this.routine(), this.plan()];
    if (routine === null || plan === null || !this.known()) return;
    const now = this.clock.now().getTime();
    const { id: classId, name, minutes, startsAt } = this.taught();
    const journal: Journal = {
      id: this.clock.newId(),
      studentId: null,
      routine,
      cares: [],
      group: {
        classId,
        name,
        minutes,
        startsAt,
        lesson: plan.taught,
        people: this.people().map((person) => ({ ...person, from: this.here().has(person.studentId) ? now : null })),
        seen: [],
        visits: [],
        whole: null,
      },
      events: [],
      seenAt: now,
    };
    await this.journals.put(journal);
    this.draft.clear();
    await this.router.navigate(['/practise', journal.id]);
  }

  protected drop(id: string): void {
    void this.journals.drop(id);
  }
}
