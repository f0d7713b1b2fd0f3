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
import { schoolOf } from '../data/gathered';
import { Notices } from '../data/notices';
import { OwnSchool } from '../data/own-school';
import type { Patch } from '../data/patch';
import { PersonChoice } from '../data/person-choice';
import { Repository } from '../data/repository';
import { Store, type Write } from '../data/store';
import { DurationField } from '../ui/duration-field';
import { NotKept } from '../ui/not-kept';
import { NumberField } from '../ui/number-field';
import { TextField } from '../ui/text-field';
import { raiseFields, type RaiseField } from './raise-fields';

/** The conventions and the numbers of the raise rule, school by school. */
@Component({
  selector: 'pk-school-drawer',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    Button,
    Drawer,
    DurationField,
    FormsModule,
    InputText,
    NotKept,
    NumberField,
    Select,
    SelectButton,
    TextField,
    Textarea,
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
  /** A copy on its way into the storage. */
  private readonly made = signal<School | null>(null);
  protected readonly schools = computed(() => {
    const [stored, made] = [this.storedSchools(), this.made()];
    return made === null || stored.some(({ id }) => id === made.id) ? stored : [...stored, made];
  });
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
      const made = this.made();
      if (made !== null && this.storedSchools().some(({ id }) => id === made.id)) this.made.set(null);
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
    const copy = this.copyOf(this.school());
    await this.store.write(`Copy school ${this.school().name}`, [{ table: 'schools', add: copy }]);
    this.choose(copy.id);
  }

  private copyOf(school: School): School {
    return { ...school, id: this.clock.newId(), name: `${school.name}, my own`.slice(0, 80) };
  }

  /** Puts a value into the school; into a copy of one’s own where it came with Pomek. */
  protected put(patch: Patch): void {
    const id = this.own();
    // What is being stored for the first time is not read yet.
    if (this.edit.stored()?.id === id) this.edit.apply(patch);
    else this.edits.type({ table: 'schools', id }, `School ${this.school().name}`, patch);
  }

  /** The id of what may be changed. A copy of one’s own takes the place of a school that came with Pomek, wherever that is in use, at once. */
  private own(): string {
    const school = schoolOf(this.schools(), this.schoolId());
    if (!this.comesAlong()) return school.id;
    const copy = this.copyOf(school);
    const follow = <T extends { readonly schoolId: string }>(stored: T): T =>
      stored.schoolId === school.id ? { ...stored, schoolId: copy.id } : stored;
    const moved: Write[] = [
      ...this.students()
        .filter(({ schoolId }) => schoolId === school.id)
        .map(({ id }): Write => ({ table: 'students', id, change: follow })),
      ...this.routines()
        .filter(({ schoolId }) => schoolId === school.id)
        .map(({ id }): Write => ({ table: 'routines', id, change: follow })),
    ];
    void this.store.write(`A school of your own: ${copy.name}`, [{ table: 'schools', add: copy }, ...moved]);
    if (this.ownSchool.school().id === school.id) this.ownSchool.choose(copy.id);
    if (this.personChoice.school().id === school.id) this.personChoice.chooseSchool(copy.id);
    this.made.set(copy);
    this.choose(copy.id);
    const follows = moved.length === 0 ? '' : ` The students and routines that had it follow “${copy.name}” now.`;
    this.notices.done('You are changing a copy of your own', {
      detail: `“${school.name}” stays as it came.${follows}`,
    });
    return copy.id;
  }
}
