import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { catalogued, regions } from '@pomek/core';
import { Clock } from '../data/clock';
import type { Editing } from '../data/editing';
import { TextField } from '../ui/text-field';

/** The checkpoints that only this exercise has, written like the general ones. */
@Component({
  selector: 'pk-own-points',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Checkbox, FormsModule, InputText, Select, TextField],
  template: `
    @for (point of points(); track point.id; let nth = $index) {
      <fieldset class="point">
        <legend class="hidden-text">Your own checkpoint {{ nth + 1 }}</legend>
        <div class="row">
          <p-select
            [options]="regions"
            [ngModel]="point.region"
            (ngModelChange)="edit().set(['checkpoints', { id: point.id }, 'region'], $event)"
            [ariaLabel]="'Region of checkpoint ' + (nth + 1)"
            appendTo="body"
          />
          <p-checkbox
            [inputId]="'safety-' + point.id"
            [binary]="true"
            [ngModel]="point.safety"
            (ngModelChange)="edit().set(['checkpoints', { id: point.id }, 'safety'], $event)"
          />
          <label [for]="'safety-' + point.id">safety point: losing it ends the hold</label>
          <p-button
            icon="pi pi-times"
            variant="text"
            [ariaLabel]="'Remove checkpoint ' + (nth + 1)"
            (onClick)="remove(point.id)"
          />
        </div>
        <div class="two">
          @for (line of lines; track line.key) {
            <div class="field">
              <label [for]="line.key + '-' + point.id">{{ line.label }}</label>
              <input
                pInputText
                maxlength="300"
                [id]="line.key + '-' + point.id"
                [pkText]="point[line.key]"
                (pkTextChange)="edit().type(['checkpoints', { id: point.id }, line.key], $event)"
              />
            </div>
          }
        </div>
      </fieldset>
    }
    <div>
      <p-button
        label="Add your own checkpoint"
        icon="pi pi-plus"
        variant="outlined"
        size="small"
        [disabled]="full()"
        (onClick)="add()"
      />
    </div>
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.75rem;
    }
    .point {
      display: grid;
      gap: 0.5rem;
      margin: 0;
      padding: 0.75rem;
      border: 1px solid var(--pk-line);
      border-radius: 6px;
    }
    .two {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(18rem, 1fr));
      gap: 0.5rem 1.5rem;
    }
  `,
})
export class OwnPoints {
  private readonly clock = inject(Clock);
  readonly edit = input.required<Editing<'exercises'>>();
  protected readonly regions = [...regions];
  protected readonly lines = [
    { key: 'wanted', label: 'Wanted' },
    { key: 'test', label: 'How it is tested' },
    { key: 'faults', label: 'Usual faults' },
    { key: 'cue', label: 'Cue' },
  ] as const;
  protected readonly points = computed(() =>
    (this.edit().draft()?.checkpoints ?? []).filter(({ id }) => catalogued(id) === undefined),
  );
  protected readonly full = computed(() => (this.edit().draft()?.checkpoints.length ?? 0) >= 24);

  protected add(): void {
    const point = {
      id: this.clock.newId(),
      region: 'feet' as const,
      wanted: 'What is wanted',
      test: '',
      faults: '',
      cue: '',
      safety: false,
    };
    void this.edit().change('Add a checkpoint', (stored) => ({
      ...stored,
      checkpoints: [...stored.checkpoints, point],
    }));
  }

  protected remove(id: string): void {
    void this.edit().change('Remove a checkpoint', (stored) => ({
      ...stored,
      checkpoints: stored.checkpoints.filter((point) => point.id !== id),
    }));
  }
}
