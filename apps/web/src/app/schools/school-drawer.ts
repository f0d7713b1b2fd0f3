import { ChangeDetectionStrategy, Component, computed, inject, model, signal } from '@angular/core';
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
  SchoolSchema,
  builtInSchools,
  rungWords,
  schoolQuestions,
  type RaiseRule,
  type School,
  type SchoolQuestion,
} from '@pomek/core';
import { Clock } from '../data/clock';
import { Repository, schoolOf } from '../data/repository';
import { Store } from '../data/store';
import { DurationField } from '../ui/duration-field';
import { NumberField } from '../ui/number-field';
import { raiseFields, type RaiseField } from './raise-fields';

/** The conventions and the numbers of the raise rule, school by school. */
@Component({
  selector: 'pk-school-drawer',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Drawer, DurationField, FormsModule, InputText, NumberField, Select, SelectButton, Textarea],
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
  readonly open = model.required<boolean>();

  protected readonly raiseFields = raiseFields;
  protected readonly closeButton = {
    severity: 'secondary',
    text: true,
    rounded: true,
    ariaLabel: 'Close the schools',
  } as const;
  protected readonly schools = toSignal(this.repository.schools$, { initialValue: [...builtInSchools] });
  private readonly chosen = signal<string | null>(null);
  protected readonly school = computed(() => schoolOf(this.schools(), this.chosen() ?? undefined));
  protected readonly wrong = signal('');
  protected readonly rungWords = rungWords;
  protected readonly questions = schoolQuestions;
  protected readonly kept = computed(() => this.school().keptOnPurpose.length);
  protected readonly equal = [
    { label: 'Point out unequal sides', value: true },
    { label: 'Leave them', value: false },
  ];

  protected choose(id: string): void {
    this.wrong.set('');
    this.chosen.set(id);
  }

  protected change(part: Partial<School>): void {
    const parsed = SchoolSchema.safeParse({ ...this.school(), ...part });
    if (!parsed.success) {
      this.wrong.set(parsed.error.issues.map((issue) => `${issue.path.join(' ')}: ${issue.message}`).join('. '));
      return;
    }
    this.wrong.set('');
    const school = this.school();
    const change = (stored: School): School => SchoolSchema.parse({ ...stored, ...part });
    const key = `${school.id} ${Object.keys(part).join()}`;
    this.store
      .write(`School ${school.name}`, [{ table: 'schools', id: school.id, change, orElse: school }], key)
      .catch(() => undefined);
  }

  protected answer(key: keyof School, value: string): void {
    this.change({ [key]: value });
  }

  /** What the chosen side of a question means. */
  protected sentence({ key, sides }: SchoolQuestion): string {
    return sides.find((side) => side.value === this.school()[key])?.sentence ?? '';
  }

  /** Moves an axis one place forward. */
  protected earlier(index: number): void {
    const order = [...this.school().rungOrder];
    moveItemInArray(order, index, index - 1);
    this.change({ rungOrder: order });
  }

  protected shown(field: RaiseField): number {
    return Math.round(this.school().raise[field.key] * field.scale);
  }

  protected changeRaise(key: keyof RaiseRule, value: number | null): void {
    if (value !== null) this.change({ raise: { ...this.school().raise, [key]: value } });
  }

  protected async copy(): Promise<void> {
    const id = this.clock.newId();
    const name = `${this.school().name}, my own`.slice(0, 80);
    await this.store.write(`Copy school ${this.school().name}`, [
      { table: 'schools', put: { ...this.school(), id, name } },
    ]);
    this.choose(id);
  }
}
