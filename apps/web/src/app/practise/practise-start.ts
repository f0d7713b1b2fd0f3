import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { Select } from 'primeng/select';
import {
  handsAgain,
  handsLately,
  handsLine,
  segmentWords,
  changedWords,
  durationWords,
  overOfNobody,
  practisedRoutine,
  SIGN_DAYS,
  timeline,
  upperFirst,
  type Journal,
  type Routine,
} from '@pomek/core';
import { Clock } from '../data/clock';
import { Journals } from '../data/journals';
import { People } from '../data/people';
import { Repository } from '../data/repository';
import { daysAgo, momentWords } from '../ui/day-words';
import { Empty } from '../ui/empty';
import { PractiseOffers } from './practise-offers';
import { VoicePanel } from './voice-panel';

/** Who practises what now: the doses of the day, the cautions, and the way in. */
@Component({
  selector: 'pk-practise-start',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, ButtonDirective, Checkbox, Empty, FormsModule, PractiseOffers, RouterLink, Select, VoicePanel],
  templateUrl: './practise-start.html',
  styleUrl: './practise-start.scss',
})
export class PractiseStart {
  private readonly router = inject(Router);
  private readonly clock = inject(Clock);
  private readonly journals = inject(Journals);
  private readonly repository = inject(Repository);
  private readonly known = inject(People);
  /** From the address: whom and what to begin with. */
  readonly student = input<string>();
  readonly routine = input<string>();

  protected readonly routines = toSignal(this.repository.routines$);
  protected readonly students = toSignal(this.repository.students$, { initialValue: [] });
  private readonly exercises = toSignal(this.repository.exercises$, { initialValue: [] });
  private readonly storedJournals = toSignal(this.repository.journals$, { initialValue: [] });

  protected readonly studentId = linkedSignal<string | null>(() => this.student() ?? null);
  /** Whoever practises; undefined while not all of it is read: then it is not known what has to be left out. */
  private readonly person = this.known.recordOf(this.known.storedOf(this.studentId));
  protected readonly who = computed(() => this.person()?.student);
  protected readonly reading = computed(() => this.person() === undefined);
  protected readonly whoName = computed(
    () => this.students().find((student) => student.id === this.studentId())?.name ?? 'this student',
  );
  protected readonly people = computed(() => [
    { id: null as string | null, name: 'No one: try it out, nothing is logged' },
    ...this.students().map((student) => ({ id: student.id, name: student.name })),
  ]);
  private readonly chosen = linkedSignal<string | null>(() => this.routine() ?? null);
  protected readonly routineId = computed(() => this.chosen() ?? this.person()?.plans[0]?.routineId ?? null);
  private readonly base = computed(() => this.routines()?.find((routine) => routine.id === this.routineId()));
  protected readonly leaveOut = signal(true);
  private readonly practised = computed(() => {
    const [base, person] = [this.base(), this.person()];
    if (base === undefined || person === undefined) return null;
    return person === null
      ? { routine: base, changed: [], locked: new Set<string>() }
      : practisedRoutine(base, person, !this.leaveOut());
  });
  /** How what a sign has locked comes back: cleared where there are goals, else after some days. */
  protected readonly lockedWords = computed(() => {
    const back = (this.person()?.plans ?? []).some(({ strands }) => strands.length > 0)
      ? 'Clear them in the student’s file first.'
      : `They come back ${SIGN_DAYS} days after it.`;
    return `Exercises locked after a sign to stop are left out. ${back}`;
  });
  protected readonly anyLocked = computed(() => (this.practised()?.locked.size ?? 0) > 0);
  protected readonly dosed = computed((): Routine | null => this.practised()?.routine ?? null);
  /** What is done otherwise for this student, and why. */
  protected readonly cares = computed(() =>
    (this.practised()?.changed ?? []).map((changed) => ({
      segmentId: changed.segment.id,
      words: changedWords(changed),
    })),
  );
  protected readonly noted = computed(() =>
    (this.person()?.noted ?? []).map(({ because, rule }) => ({ name: because, rule })),
  );
  /** What hands found of the stand the last time that was not good: it is tested again. */
  protected readonly again = computed(() => {
    const person = this.person();
    if (person === null || person === undefined) return [];
    return handsAgain(handsLately(person.logs)).map(({ tested, day }) => {
      const name = tested.exerciseId === null ? undefined : person.shelf.get(tested.exerciseId)?.name;
      return `${upperFirst(handsLine([tested], () => name))}, ${daysAgo(day, person.today)}.`;
    });
  });
  protected readonly total = computed(() => durationWords(timeline(this.dosed()!).totalMs / 1000));
  protected readonly rows = computed(() => {
    const shelf = new Map(this.exercises().map((exercise) => [exercise.id, exercise.name]));
    return (this.dosed()?.segments ?? []).map((segment) =>
      segment.type === 'exercise'
        ? {
            id: segment.id,
            name: shelf.get(segment.exerciseId) ?? 'Deleted exercise',
            dose: segmentWords(segment),
          }
        : {
            id: segment.id,
            name: segment.label === '' ? segment.type : segment.label,
            dose: durationWords(segment.seconds),
          },
    );
  });
  /** Nothing to do in it: empty, or only its rests are left. */
  protected readonly nothing = computed(() => !(this.dosed()?.segments ?? []).some(({ type }) => type === 'exercise'));
  protected readonly unfinished = computed(() =>
    this.storedJournals()
      .filter((journal) => !overOfNobody(journal))
      .map((journal) => ({
        id: journal.id,
        routine: journal.routine.name,
        who:
          journal.group?.name ?? this.students().find((student) => student.id === journal.studentId)?.name ?? 'no one',
        when: momentWords(journal.seenAt),
      })),
  );

  constructor() {
    // What was only tried out and came to its end leaves nothing behind.
    effect(() => {
      for (const journal of this.storedJournals()) if (overOfNobody(journal)) void this.journals.drop(journal.id);
    });
  }

  protected chooseStudent(id: string | null): void {
    this.studentId.set(id);
    this.chosen.set(null);
  }

  protected chooseRoutine(id: string): void {
    this.chosen.set(id);
  }

  protected async begin(): Promise<void> {
    const routine = this.dosed();
    if (routine === null) return;
    const id = this.clock.newId();
    const journal: Journal = {
      id,
      studentId: this.studentId(),
      routine,
      cares: this.cares(),
      group: null,
      events: [],
      seenAt: this.clock.now().getTime(),
    };
    await this.journals.put(journal);
    await this.router.navigate(['/practise', id]);
  }

  protected discard(id: string): void {
    const journal = this.storedJournals().find((one) => one.id === id);
    if (journal !== undefined) void this.journals.discard(journal, journal.routine.name);
  }
}
