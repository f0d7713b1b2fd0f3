import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { InputText } from 'primeng/inputtext';
import { Textarea } from 'primeng/textarea';
import { ToggleButton } from 'primeng/togglebutton';
import type { School } from '@pomek/core';
import { Clock } from '../data/clock';
import type { Editing } from '../data/editing';
import { linesOf } from '../ui/lines';
import { SchoolChoice } from '../ui/school-choice';
import { NumberField } from '../ui/number-field';
import { TextField } from '../ui/text-field';
import { weekdays } from '../ui/day-words';
import { NamedConditions } from './named-conditions';

/** Name, birth year, days, cautions and school of a student; kept as they are typed. */
@Component({
  selector: 'pk-person',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, InputText, NamedConditions, NumberField, SchoolChoice, TextField, Textarea, ToggleButton],
  template: `
    @if (edit().draft(); as it) {
      <div class="stack">
        <div class="field">
          <label for="student-name">Name</label>
          <input
            pInputText
            id="student-name"
            [pkText]="it.name"
            (pkTextChange)="edit().type(['name'], $event)"
            maxlength="80"
          />
        </div>
        <pk-number
          label="Birth year"
          [optional]="true"
          [min]="1900"
          [max]="thisYear()"
          [value]="it.birthYear"
          (valueChange)="edit().set(['birthYear'], $event)"
        />
        <div class="field">
          <span class="label" id="student-days">Days for practice</span>
          <div class="days" role="group" aria-labelledby="student-days">
            @for (day of days; track day.value) {
              <p-togglebutton
                [onLabel]="day.label"
                [offLabel]="day.label"
                size="small"
                [ngModel]="it.practiceDays.includes(day.value)"
                (ngModelChange)="setDay(day.value, $event)"
              />
            }
          </div>
        </div>
        <div class="field">
          <label for="student-cautions">Cautions, a line each</label>
          <textarea
            pTextarea
            id="student-cautions"
            rows="3"
            [pkText]="it.cautions.join('\\n')"
            (pkTextChange)="setCautions($event)"
          ></textarea>
          <pk-named-conditions [edit]="edit()" />
        </div>
        <div class="field">
          <span class="label">School</span>
          <pk-school-choice
            label="School of the student"
            kept="Plans keep their doses; verdicts follow the new school."
            [schools]="schools()"
            [schoolId]="it.schoolId"
            (chosen)="edit().set(['schoolId'], $event)"
          />
        </div>
        <div class="field">
          <label for="student-note">Note</label>
          <textarea
            pTextarea
            id="student-note"
            rows="3"
            [pkText]="it.note"
            (pkTextChange)="edit().type(['note'], $event)"
            maxlength="2000"
          ></textarea>
        </div>
      </div>
    }
  `,
  styles: `
    .days {
      display: flex;
      gap: 2px;
    }
    .days ::ng-deep .p-togglebutton {
      padding: 0;
      flex: 1;
    }
    .days ::ng-deep .p-togglebutton-content {
      padding: 0.25rem 0.1rem;
    }
  `,
})
export class PersonForm {
  private readonly clock = inject(Clock);
  readonly edit = input.required<Editing<'students'>>();
  readonly schools = input.required<readonly School[]>();

  protected readonly days = weekdays.map((label, index) => ({ label, value: index + 1 }));
  protected readonly thisYear = computed(() => Number(this.clock.today().slice(0, 4)));

  protected setDay(day: number, wanted: boolean): void {
    void this.edit().change('Change the days', (stored) => {
      const others = stored.practiceDays.filter((entry) => entry !== day);
      return { ...stored, practiceDays: wanted ? [...others, day].toSorted((a, b) => a - b) : others };
    });
  }

  protected setCautions(text: string): void {
    this.edit().type(['cautions'], linesOf(text));
  }
}
