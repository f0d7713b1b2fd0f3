import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Select } from 'primeng/select';
import { schoolChanges, type School } from '@pomek/core';
import { schoolOf } from '../data/gathered';
import { CountedPipe } from './counted.pipe';

/** The school of a routine or a student: another one is chosen, what it would change is read, then it is changed or left. */
@Component({
  selector: 'pk-school-choice',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, CountedPipe, FormsModule, Select],
  template: `
    <p-select
      [options]="options()"
      optionLabel="name"
      optionValue="id"
      [ngModel]="looked()"
      (ngModelChange)="looked.set($event)"
      [ariaLabel]="label()"
      appendTo="body"
    />
    @if (looked() !== schoolId()) {
      <section class="changes" [attr.aria-label]="'What ' + to().name + ' changes'" aria-live="polite">
        @if (changes().length === 0) {
          <p>{{ to().name }} does everything as {{ from().name }} does.</p>
        } @else {
          <p>
            {{ to().name }} does {{ changes().length | pkCounted: 'thing' }} differently.
            {{ kept() }}
          </p>
          <dl>
            @for (change of changes(); track change.question) {
              <dt class="small">{{ change.question }}</dt>
              <dd class="small">
                <span class="soft">{{ change.from }} →&nbsp;</span><strong>{{ change.to }}</strong>
                @if (change.sentence !== '') {
                  <br /><span class="soft">{{ change.sentence }}</span>
                }
              </dd>
            }
          </dl>
        }
        <div class="row">
          <p-button [label]="'Change to ' + to().name" size="small" (onClick)="chosen.emit(looked())" />
          <p-button
            [label]="'Stay with ' + from().name"
            size="small"
            variant="text"
            (onClick)="looked.set(schoolId())"
          />
        </div>
      </section>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.5rem;
    }
    .changes {
      border-left: 4px solid var(--pk-pine);
      padding-left: 0.75rem;
      display: grid;
      gap: 0.5rem;
    }
    p {
      margin: 0;
    }
    dl {
      margin: 0;
      max-height: 16rem;
      overflow: auto;
      display: grid;
      gap: 0.15rem;
    }
    dt {
      font-weight: 600;
    }
    dd {
      margin: 0 0 0.35rem;
    }
  `,
})
export class SchoolChoice {
  readonly schools = input.required<readonly School[]>();
  readonly schoolId = input.required<string>();
  readonly label = input.required<string>();
  /** What stays as it is all the same. */
  readonly kept = input('');
  readonly chosen = output<string>();

  protected readonly options = computed(() => [...this.schools()]);
  /** The one that is looked at; the present one until another is. */
  protected readonly looked = linkedSignal(() => this.schoolId());
  protected readonly from = computed(() => schoolOf(this.schools(), this.schoolId()));
  protected readonly to = computed(() => schoolOf(this.schools(), this.looked()));
  protected readonly changes = computed(() => schoolChanges(this.from(), this.to()));
}
