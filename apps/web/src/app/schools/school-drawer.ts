import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, model } from '@angular/core';
import { moveItemInArray } from '@angular/cdk/drag-drop';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Drawer } from 'primeng/drawer';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { SelectButton } from 'primeng/selectbutton';
import { Textarea } from 'primeng/textarea';
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
import { remembered } from '../data/remembered';
import { schoolOf } from '../data/gathered';
import { OwnSchool } from '../data/own-school';
import { Repository } from '../data/repository';
import { Store } from '../data/store';
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
  protected readonly ownSchool = inject(OwnSchool);
  readonly open = model.required<boolean>();

  protected readonly raiseFields = raiseFields;
  protected readonly closeButton = {
    severity: 'secondary',
    text: true,
    rounded: true,
    ariaLabel: 'Close the schools',
  } as const;
  protected readonly schools = toSignal(this.repository.schools$, { initialValue: [...builtInSchools] });
  private readonly chosen = remembered('school');
  private readonly schoolId = linkedSignal<{ all: School[]; wanted: string | null }, string>({
    source: () => ({ all: this.schools(), wanted: this.chosen.value() }),
    // One that is renamed goes to another place in the list, and stays open.
    computation: ({ all, wanted }, before) => schoolOf(all, wanted ?? before?.value ?? this.ownSchool.school().id).id,
  });
  protected readonly edit = new Editing('schools', this.schoolId, ({ name }) => `School ${name}`);
  /** As it is typed, whether it is kept yet or not. */
  protected readonly school = computed(() => this.edit.draft() ?? schoolOf(this.schools(), this.schoolId()));
  protected readonly rungWords = rungWords;
  protected readonly questions = schoolQuestionGroups.map((group) => ({
    group,
    rows: schoolQuestions.filter((question) => question.group === group),
  }));
  protected readonly kept = computed(() => this.school().keptOnPurpose.length);
  protected readonly equal = [
    { label: 'Point out unequal sides', value: true },
    { label: 'Leave them', value: false },
  ];

  protected choose(id: string): void {
    this.chosen.set(id);
  }

  protected answer(key: keyof School, value: string): void {
    this.edit.apply({ at: [key], value });
  }

  /** What the chosen side of a question means. */
  protected sentence({ key, sides }: SchoolQuestion): string {
    return sides.find((side) => side.value === this.school()[key])?.sentence ?? '';
  }

  /** Moves an axis so many places on, or back. */
  protected move(axis: RungAxis, places: number): void {
    const move = (stored: School): School => {
      const rungOrder = [...stored.rungOrder];
      const from = rungOrder.indexOf(axis);
      moveItemInArray(rungOrder, from, from + places);
      return { ...stored, rungOrder };
    };
    void this.edit.change(`School ${this.school().name}`, move, 'rungOrder');
  }

  protected shown(field: RaiseField): number {
    return Math.round(this.school().raise[field.key] * field.scale);
  }

  protected changeRaise(key: keyof RaiseRule, value: number | null): void {
    if (value !== null) this.edit.set(['raise', key], value);
  }

  protected async copy(): Promise<void> {
    const id = this.clock.newId();
    const name = `${this.school().name}, my own`.slice(0, 80);
    await this.store.write(`Copy school ${this.school().name}`, [
      { table: 'schools', add: { ...this.school(), id, name } },
    ]);
    this.choose(id);
  }
}
