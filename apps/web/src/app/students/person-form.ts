import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { SelectButton } from 'primeng/selectbutton';
import { Textarea } from 'primeng/textarea';
import { StudentSchema, type School, type Student } from '@pomek/core';
import { Clock } from '../data/clock';
import { NumberField } from '../ui/number-field';
import { weekdays } from '../ui/day-words';

/** Name, birth year, days, cautions and school of a student; kept as they are typed. */
@Component({
  selector: 'pk-person',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, InputText, NumberField, Select, SelectButton, Textarea],
  template: `
    @let it = student();
    <div class="stack">
      @if (wrong() !== '') {
        <p class="wrong" role="alert">Not kept: {{ wrong() }}</p>
      }
      <div class="field">
        <label for="student-name">Name</label>
        <input
          pInputText
          id="student-name"
          [ngModel]="it.name"
          (change)="set({ name: $any($event.target).value })"
          maxlength="80"
        />
      </div>
      <pk-number
        label="Birth year"
        [optional]="true"
        [min]="1900"
        [max]="thisYear()"
        [value]="it.birthYear"
        (valueChange)="set({ birthYear: $event })"
      />
      <div class="field">
        <span class="label" id="student-days">Days for practice</span>
        <p-selectbutton
          class="days"
          [options]="days"
          optionLabel="label"
          optionValue="value"
          [multiple]="true"
          [ngModel]="it.practiceDays"
          (ngModelChange)="set({ practiceDays: $event })"
          ariaLabelledBy="student-days"
        />
      </div>
      <div class="field">
        <label for="student-cautions">Cautions, a line each</label>
        <textarea
          pTextarea
          id="student-cautions"
          rows="3"
          [ngModel]="it.cautions.join('\\n')"
          (change)="setCautions($any($event.target).value)"
        ></textarea>
      </div>
      <div class="field">
        <span class="label">School</span>
        <p-select
          [options]="schoolOptions()"
          optionLabel="name"
          optionValue="id"
          [ngModel]="it.schoolId"
          (ngModelChange)="set({ schoolId: $event })"
          ariaLabel="School of the student"
          appendTo="body"
        />
      </div>
      <div class="field">
        <label for="student-note">Note</label>
        <textarea
          pTextarea
          id="student-note"
          rows="3"
          [ngModel]="it.note"
          (change)="set({ note: $any($event.target).value })"
          maxlength="2000"
        ></textarea>
      </div>
    </div>
  `,
  styles: `
    .days ::ng-deep .p-togglebutton-content {
      padding: 0.25rem 0.5rem;
    }
  `,
})
export class PersonForm {
  private readonly clock = inject(Clock);
  readonly student = input.required<Student>();
  readonly schools = input.required<readonly School[]>();
  readonly changed = output<Partial<Student>>();

  protected readonly wrong = signal('');
  protected readonly days = weekdays.map((label, index) => ({ label, value: index + 1 }));
  protected readonly schoolOptions = computed(() => [...this.schools()]);
  protected readonly thisYear = computed(() => Number(this.clock.today().slice(0, 4)));

  protected set(part: Partial<Student>): void {
    const parsed = StudentSchema.safeParse({ ...this.student(), ...part });
    this.wrong.set(parsed.error?.issues.map((issue) => issue.message).join('. ') ?? '');
    if (parsed.success) this.changed.emit(part);
  }

  protected setCautions(text: string): void {
    this.set({
      cautions: text
        .split('\n')
        .map((line) => line.trim())
        .filter((line) => line !== ''),
    });
  }
}
