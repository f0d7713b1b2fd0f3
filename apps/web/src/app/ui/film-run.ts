import { ChangeDetectionStrategy, Component, input, model, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { SelectButton } from 'primeng/selectbutton';

const speeds = [
  { label: '¼', value: 0.25 },
  { label: '½', value: 0.5 },
  { label: 'As filmed', value: 1 },
];

/** What runs a film: run and stand, how fast, a frame on or back, and the moment itself, by pointer and keys. */
@Component({
  selector: 'pk-film-run',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, FormsModule, SelectButton],
  template: `
    <div class="row run">
      <p-button
        [label]="running() ? 'Stand still' : 'Run'"
        [icon]="running() ? 'pi pi-pause' : 'pi pi-play'"
        variant="outlined"
        size="small"
        [disabled]="!ready()"
        (onClick)="toggled.emit()"
      />
      <p-selectbutton
        [options]="speeds"
        optionLabel="label"
        optionValue="value"
        [allowEmpty]="false"
        size="small"
        [ngModel]="speed()"
        (ngModelChange)="speed.set($event)"
        ariaLabel="Speed"
      />
      <p-button
        icon="pi pi-angle-left"
        ariaLabel="One frame back"
        variant="text"
        size="small"
        (onClick)="stepped.emit(-1)"
      />
      <p-button
        icon="pi pi-angle-right"
        ariaLabel="One frame on"
        variant="text"
        size="small"
        (onClick)="stepped.emit(1)"
      />
      <ng-content />
    </div>
    <div class="moment">
      <span class="num">{{ said() }}</span>
      <input
        type="range"
        [min]="from()"
        [max]="to()"
        step="any"
        [value]="at()"
        aria-label="Moment of the film"
        [attr.aria-valuetext]="said()"
        (input)="sought.emit(+$any($event.target).value)"
        (keydown.arrowleft)="press($event, -1)"
        (keydown.arrowright)="press($event, 1)"
        (keydown.space)="$event.preventDefault(); toggled.emit()"
      />
    </div>
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.5rem;
      min-width: 0;
    }
    .run {
      gap: 0.5rem;
      align-items: center;
    }
    .moment {
      display: grid;
      grid-template-columns: auto minmax(0, 1fr);
      gap: 0.75rem;
      align-items: center;
    }
  `,
})
export class FilmRun {
  readonly running = input.required<boolean>();
  /** There is a film that can be run. */
  readonly ready = input.required<boolean>();
  /** The moment that is shown, and the ends it lies between. */
  readonly at = input.required<number>();
  readonly from = input(0);
  readonly to = input.required<number>();
  /** The moment in words. */
  readonly said = input.required<string>();
  readonly speed = model.required<number>();
  readonly toggled = output();
  readonly stepped = output<1 | -1>();
  readonly sought = output<number>();
  protected readonly speeds = speeds;

  protected press(event: Event, way: 1 | -1): void {
    event.preventDefault();
    this.stepped.emit(way);
  }
}
