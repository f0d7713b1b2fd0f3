import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { Select } from 'primeng/select';
import { SelectButton } from 'primeng/selectbutton';
import { from, switchMap, type Subscription } from 'rxjs';
import * as z from 'zod';
import {
  drillName,
  durationWords,
  layName,
  layWishes,
  layWishWords,
  listed,
  segmentWords,
  timeline,
  upperFirst,
  type Routine,
} from '@pomek/core';
import { Compute } from '../compute/compute';
import type { ResultOf } from '../compute/protocol';
import { Clock } from '../data/clock';
import { Database } from '../data/database';
import { keptDraft } from '../data/kept-draft';
import { Notices } from '../data/notices';
import { OwnSchool } from '../data/own-school';
import { Repository } from '../data/repository';
import { NewThings } from '../data/new-things';
import { Empty } from '../ui/empty';
import { NumberField } from '../ui/number-field';

type Proposal = ResultOf<'lay-out'>['proposals'][number];

const WantedSchema = z.object({
  minutes: z.number().int().min(5).max(180),
  /** A student or a class: its kind and id, or nobody in particular. */
  whom: z.string(),
  wishes: z.array(z.enum(layWishes)),
  alike: z.boolean(),
  /** Empty: that of the student, or else of the teacher. */
  schoolId: z.string().max(200).default(''),
});
const nothing: z.infer<typeof WantedSchema> = { minutes: 20, whom: 'nobody', wishes: [], alike: false, schoolId: '' };

/** Routines laid out for minutes, people and wishes: three to choose from, each exercise of them may be exchanged. */
@Component({
  selector: 'pk-lay-out',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Checkbox, Empty, FormsModule, NumberField, RouterLink, Select, SelectButton],
  templateUrl: './lay-out.html',
  styleUrl: './lay-out.scss',
})
export class LayOut {
  private readonly clock = inject(Clock);
  private readonly compute = inject(Compute);
  private readonly database = inject(Database);
  private readonly notices = inject(Notices);
  private readonly ownSchool = inject(OwnSchool);
  private readonly newThings = inject(NewThings);
  private readonly repository = inject(Repository);
  private readonly students = toSignal(this.repository.students$, { initialValue: [] });
  private readonly classes = toSignal(this.repository.classes$, { initialValue: [] });
  private readonly exercises = toSignal(this.repository.exercises$, { initialValue: [] });
  private readonly shelf = computed(() => new Map(this.exercises().map((exercise) => [exercise.id, exercise])));

  protected readonly draft = keptDraft(() => 'lay-out', WantedSchema, nothing);
  protected readonly wishes = layWishes.map((value) => ({ value, label: upperFirst(layWishWords[value]) }));
  protected readonly whom = computed(() => [
    {
      key: 'nobody',
      name: 'Nobody in particular',
      studentIds: [] as readonly string[],
      schoolId: null as string | null,
    },
    ...this.students().map(({ id, name, schoolId }) => ({ key: `student ${id}`, name, studentIds: [id], schoolId })),
    ...this.classes().map(({ id, name, roster }) => ({
      key: `class ${id}`,
      name: `Class: ${name}`,
      studentIds: roster.filter((member) => this.students().some((student) => student.id === member)),
      schoolId: null,
    })),
  ]);
  protected readonly forWhom = computed(() => {
    const all = this.whom();
    return all.find(({ key }) => key === this.draft.value().whom) ?? all[0]!;
  });
  protected readonly canBeAlike = computed(() => this.forWhom().studentIds.length > 0);

  private readonly schools = toSignal(this.repository.schools$, { initialValue: [] });
  protected readonly schoolId = computed(() => {
    const { schoolId } = this.draft.value();
    const chosen = this.schools().some(({ id }) => id === schoolId) ? schoolId : '';
    return chosen || (this.forWhom().schoolId ?? this.ownSchool.school().id);
  });
  protected readonly schoolChoice = computed(() => this.schools().map(({ id, name }) => ({ id, name })));

  protected readonly busy = signal(false);
  protected readonly problem = signal('');
  protected readonly proposals = signal<readonly Proposal[] | null>(null);
  protected readonly complete = computed(() => (this.proposals() ?? []).every(({ complete }) => complete));
  /** What was asked when they were laid out. */
  private asked: ReturnType<LayOut['question']> | null = null;
  /** Exercises that stood in a place before, by proposal and place. */
  private readonly tried = new Map<string, Set<string>>();
  private running: Subscription | null = null;

  /** Those of the class for whom the proposals are not. */
  private readonly without = signal<ResultOf<'lay-out'>['without']>([]);
  protected readonly notFor = computed(() => listed(this.without().map(({ name }) => name)));
  /** Exercises that a sign to stop has locked for somebody, and how many there are. */
  private readonly locked = signal({ locked: 0, shelf: 0 });
  protected readonly nothing = computed(() => {
    const { studentIds, name } = this.forWhom();
    const { locked, shelf } = this.locked();
    const otherwise = 'Give it more time, or wish for something else.';
    if (studentIds.length === 0) return `No routine of that length can be made of what you wish for. ${otherwise}`;
    const found = `No routine of that length is within what is noted of ${name}`;
    if (locked === 0) return `${found}. ${otherwise}`;
    const are = `Of ${shelf} exercises ${locked === 1 ? 'one is' : `${locked} are`} locked after a sign to stop`;
    return `${found}. ${are}; unlock them in the plan once you have looked at it together. ${otherwise}`;
  });

  /** Resolves when what each exercise asks of these people is worked out, or cannot be. */
  private prepared: Promise<void> = Promise.resolve();

  constructor() {
    const forThese = computed(() => JSON.stringify([this.schoolId(), this.forWhom().studentIds]));
    // While the wishes are still being chosen.
    effect((onCleanup) => {
      forThese();
      const question = { ...untracked(() => this.question()), exchange: null, prepare: true };
      this.prepared = new Promise((resolve) => {
        const done = (): void => resolve();
        // What goes wrong is told when the question is put.
        const preparing = this.compute.result('lay-out', question).subscribe({ error: done, complete: done });
        onCleanup(() => {
          preparing.unsubscribe();
          resolve();
        });
      });
    });
  }

  protected lay(): void {
    if (this.busy()) return;
    this.asked = this.question();
    this.tried.clear();
    this.proposals.set(null);
    this.without.set([]);
    this.ask(null, ({ proposals, without }) => {
      this.without.set(without);
      this.proposals.set(proposals);
    });
  }

  /** Another exercise in one place of a proposal. */
  protected exchange(nth: number, segmentId: string): void {
    const one = this.proposals()?.[nth];
    const at = one?.routine.segments.findIndex(({ id }) => id === segmentId) ?? -1;
    const gone = one?.routine.segments[at];
    if (one === undefined || gone?.type !== 'exercise') return;
    const key = `${nth} ${at}`;
    const tried = new Set([...(this.tried.get(key) ?? []), gone.exerciseId]);
    this.ask({ routine: one.routine, segmentId, tried: [...tried] }, ({ proposals: [other] }) => {
      if (other === undefined) {
        this.notices.done('Nothing else fits there.');
        // From here on it begins anew.
        this.tried.delete(key);
        return;
      }
      this.tried.set(key, tried);
      this.proposals.update((all) => all?.with(nth, other) ?? null);
    });
  }

  protected stop(): void {
    this.running?.unsubscribe();
    this.busy.set(false);
  }

  /** It becomes a routine of one's own. */
  protected async take({ routine, why }: Proposal): Promise<void> {
    const made: Routine = { ...routine, note: why };
    const isMade = await this.newThings.make(`Lay out ${routine.name}`, 'routines', made, ['/routines', made.id]);
    if (isMade) this.draft.clear();
  }

  protected length(routine: Routine): string {
    return durationWords(timeline(routine).totalMs / 1000);
  }

  /** The exercises and rests of a proposal; why one stands there is told once of several in a row for the same reason. */
  protected rows({ routine, reasons }: Proposal) {
    const why = new Map(reasons);
    let before = '';
    return routine.segments.flatMap((segment) => {
      const own = why.get(segment.id) ?? '';
      const reason = own === before ? '' : own;
      before = own;
      if (segment.type !== 'exercise')
        return [{ id: segment.id, name: 'Rest', dose: durationWords(segment.seconds), reason, isRest: true }];
      const exercise = this.shelf().get(segment.exerciseId);
      if (exercise === undefined) return [];
      return [
        { id: segment.id, name: drillName(segment, exercise), dose: segmentWords(segment), reason, isRest: false },
      ];
    });
  }

  private question() {
    const { minutes, wishes, alike } = this.draft.value();
    const { studentIds } = this.forWhom();
    const seconds = minutes * 60;
    return {
      database: this.database.name,
      studentIds: [...studentIds],
      today: this.clock.today(),
      seconds,
      wishes: [...wishes],
      alike: alike && studentIds.length > 0,
      schoolId: this.schoolId(),
      name: layName(seconds, wishes),
      newId: this.clock.newId(),
    };
  }

  private ask(
    exchange: { routine: Routine; segmentId: string; tried: string[] } | null,
    done: (answer: ResultOf<'lay-out'>) => void,
  ): void {
    if (this.asked === null) return;
    this.running?.unsubscribe();
    this.busy.set(true);
    this.problem.set('');
    const left = new Set(this.without().map(({ id }) => id));
    const studentIds = this.asked.studentIds.filter((id) => !left.has(id));
    const asked = { ...this.asked, studentIds, newId: this.clock.newId(), exchange, prepare: false };
    const answer = from(this.prepared).pipe(switchMap(() => this.compute.result('lay-out', asked)));
    this.running = answer.subscribe({
      next: (found) => {
        this.locked.set({ locked: found.locked, shelf: found.shelf });
        done(found);
      },
      error: (error: unknown) => {
        this.busy.set(false);
        this.problem.set(error instanceof Error ? error.message : String(error));
      },
      complete: () => this.busy.set(false),
    });
  }
}
