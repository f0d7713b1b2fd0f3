import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  linkedSignal,
  model,
  signal,
} from '@angular/core';
import { moveItemInArray } from '@angular/cdk/drag-drop';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Drawer } from 'primeng/drawer';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { SelectButton } from 'primeng/selectbutton';
import { Textarea } from 'primeng/textarea';
import equal from 'fast-deep-equal';
import {
  builtInSchools,
  rungWords,
  schoolQuestionGroups,
  schoolQuestions,
  type RaiseRule,
  type RungAxis,
  type School,
  type SchoolQuestion,
} from '@pomek/core';
import { Clock } from '../data/clock';
import { Editing } from '../data/editing';
import { Edits } from '../data/edits';
import { remembered } from '../data/remembered';
import { copyOfSchool } from '../data/school-copy';
import { schoolOf } from '../data/gathered';
import { Notices } from '../data/notices';
import { OwnSchool } from '../data/own-school';
import type { Patch } from '../data/patch';
import { PersonChoice } from '../data/person-choice';
import { Repository } from '../data/repository';
import { Store } from '../data/store';
import { DurationField } from '../ui/duration-field';
import { NotKept } from '../ui/not-kept';
import { NumberField } from '../ui/number-field';
import { TextField } from '../ui/text-field';
import { raiseFields, type RaiseField } from './raise-fields';
import { CountedPipe } from '../ui/counted.pipe';

/** A second press within this time is the same press, ms. */
const SAME_PRESS_MS = 1000;

/** The conventions and the numbers of the raise rule, school by school. */
@Component({
  selector: 'pk-school-drawer',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Button,
    CountedPipe,
    Drawer,
    DurationField,
    FormsModule,
    InputText,
    NotKept,
    NumberField,
    Select,
    SelectButton,
    Textarea,
    TextField,
  ],
  templateUrl: './school-drawer.html',
  styles: `
    .numbers {
      display: grid;
      gap: 1rem;
    }
    .rungs {
      margin: 0;
      padding-left: 1.5rem;
    }
    .rung {
      min-width: 12rem;
    }
  `,
})
export class SchoolDrawer {
  private readonly store = inject(Store);
  private readonly clock = inject(Clock);
  private readonly repository = inject(Repository);
  private readonly edits = inject(Edits);
  private readonly notices = inject(Notices);
  private readonly personChoice = inject(PersonChoice);
  protected readonly ownSchool = inject(OwnSchool);
  readonly open = model.required<boolean>();

  protected readonly raiseFields = raiseFields;
  protected readonly closeButton = {
    severity: 'secondary',
    text: true,
    rounded: true,
    ariaLabel: 'Close the schools',
  } as const;
  private readonly storedSchools = toSignal(this.repository.schools$, { initialValue: [...builtInSchools] });
  private readonly students = toSignal(this.repository.students$, { initialValue: [] });
  private readonly routines = toSignal(this.repository.routines$, { initialValue: [] });
  /** A copy on its way into the storage, and what it is a copy of. */
  private readonly made = signal<{ readonly school: School; readonly copyOf: string } | null>(null);
  protected readonly schools = computed(() => {
    const [stored, made] = [this.storedSchools(), this.made()?.school];
    return made === undefined || stored.some(({ id }) => id === made.id) ? stored : [...stored, made];
  });
  private copiedAt = -Infinity;
  private readonly chosen = remembered('school');
  private readonly schoolId = linkedSignal<{ all: School[]; wanted: string | null }, string>({
    source: () => ({ all: this.schools(), wanted: this.chosen.value() }),
    // One that is renamed goes to another place in the list, and stays open.
    computation: ({ all, wanted }, before) => schoolOf(all, wanted ?? before?.value ?? this.ownSchool.school().id).id,
  });
  protected readonly edit = new Editing('schools', this.schoolId, ({ name }) => `School ${name}`);
  /** As it is typed, whether it is kept yet or not. */
  protected readonly school = computed(() => this.edit.draft() ?? schoolOf(this.schools(), this.schoolId()));
  /** Whether it came with Pomek, and is as it came. */
  protected readonly comesAlong = computed(() => {
    const came = builtInSchools.find(({ id }) => id === this.schoolId());
    const stored = this.schools().find(({ id }) => id === this.schoolId());
    const plain = (school: School): School => ({ ...school, keptOnPurpose: [] });
    return came !== undefined && (stored === undefined || equal(plain(stored), plain(came)));
  });
  protected readonly rungWords = rungWords;
  protected readonly questions = schoolQuestionGroups.map((group) => ({
    group,
    rows: schoolQuestions.filter((question) => question.group === group),
  }));
  protected readonly kept = computed(() => this.school().keptOnPurpose.length);
  protected readonly unequal = [
    { label: 'Point out unequal sides', value: true },
    { label: 'Leave them', value: false },
  ];

  constructor() {
    effect(() => {
      const made = this.made()?.school;
      if (made !== undefined && this.storedSchools().some(({ id }) => id === made.id)) this.made.set(null);
    });
  }

  protected choose(id: string): void {
    this.chosen.set(id);
  }

  protected answer(key: keyof School, value: string): void {
    this.put({ at: [key], value });
  }

  /** What the chosen side of a question means. */
  protected sentence({ key, sides }: SchoolQuestion): string {
    return sides.find((side) => side.value === this.school()[key])?.sentence ?? '';
  }

  /** Moves an axis so many places on, or back. */
  protected move(axis: RungAxis, places: number): void {
    const rungOrder = [...this.school().rungOrder];
    const from = rungOrder.indexOf(axis);
    moveItemInArray(rungOrder, from, from + places);
    this.put({ at: ['rungOrder'], value: rungOrder });
  }

  protected shown(field: RaiseField): number {
    return Math.round(this.school().raise[field.key] * field.scale);
  }

  protected changeRaise(key: keyof RaiseRule, value: number | null): void {
    if (value !== null) this.put({ at: ['raise', key], value });
  }

  protected async copy(): Promise<void> {
    const now = this.clock.now().getTime();
    // The copy is what is open then: the second half of a double press would copy it once more.
    if (Math.abs(now - this.copiedAt) < SAME_PRESS_MS) return;
    this.copiedAt = now;
    const copy = copyOfSchool(this.school(), this.clock.newId());
    await this.store.write(`Copy school ${this.school().name}`, [{ table: 'schools', add: copy }]);
    this.choose(copy.id);
  }

  /** Puts a value into the school; into a copy of one’s own where it came with Pomek. */
  protected put(patch: Patch): void {
    if (this.comesAlong()) this.makeOwn();
    const id = this.schoolId();
    // What is being stored for the first time is not read yet.
    if (this.edit.stored()?.id === id) this.edit.apply(patch);
    else this.edits.type({ table: 'schools', id }, `School ${this.school().name}`, patch, this.made()?.copyOf);
  }

  /** Begins a copy of one’s own, which takes the place of a school that came with Pomek wherever that is in use. */
  private makeOwn(): void {
    const school = schoolOf(this.schools(), this.schoolId());
    const copy = copyOfSchool(school, this.clock.newId());
    this.made.set({ school: copy, copyOf: school.id });
    this.choose(copy.id);
    if (this.ownSchool.school().id === school.id) this.ownSchool.chooseCopy(copy.id);
    if (this.personChoice.school().id === school.id) this.personChoice.chooseSchool(copy.id);
    const used = [...this.students(), ...this.routines()].some(({ schoolId }) => schoolId === school.id);
    const follows = used ? ` The students and routines that had it follow “${copy.name}” now.` : '';
    this.notices.done('You are changing a copy of your own', {
      detail: `“${school.name}” stays as it came.${follows}`,
    });
  }
}
