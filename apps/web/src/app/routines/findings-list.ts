import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { Button } from 'primeng/button';
import { keepOnPurpose, type Finding } from '@pomek/core';
import { Workbench } from './workbench';

const words = { danger: 'Danger', doubt: 'Doubt', note: 'Note' } as const;

/** What is wrong in the routine, why, and how it is put right. */
@Component({
  selector: 'pk-findings',
  // What a finger is on stays where it is until it is let go: new findings come in above it while it is pressed.
  host: {
    '(pointerdown)': 'held.set(bench.findings())',
    '(document:pointerup)': 'letGo()',
    '(document:pointercancel)': 'letGo()',
  },
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button],
  template: `
    <h2 class="head">
      What to look at
      <span class="small soft num">{{ bench.findings().length }}</span>
    </h2>
    @for (finding of shown(); track finding.key) {
      <article [class]="'finding ' + finding.grade">
        <p>
          <span class="grade small">{{ words[finding.grade] }}</span>
          {{ finding.text }}
        </p>
        <p class="small soft">{{ finding.reason }}</p>
        <div class="row">
          @for (mend of finding.mends; track mend.label) {
            <p-button [label]="mend.label" size="small" variant="outlined" (onClick)="bench.mend(mend)" />
          }
          @if (finding.grade !== 'danger') {
            <p-button label="Ignore" size="small" variant="text" (onClick)="keep(finding)" />
          }
          @if (finding.segmentId !== null) {
            <p-button label="Show" size="small" variant="text" (onClick)="show.emit(finding.segmentId)" />
          }
        </div>
      </article>
    } @empty {
      <p class="soft small">No findings.</p>
    }
    @if (kept() > 0) {
      <p class="small soft row">
        {{ kept() }} ignored on purpose.
        <p-button label="Show them again" size="small" variant="text" (onClick)="forget()" />
      </p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.75rem;
    }
    .head {
      display: flex;
      justify-content: space-between;
      align-items: baseline;
      font-size: 1.15rem;
    }
    .finding {
      border-left: 4px solid var(--pk-line-strong);
      padding-left: 0.7rem;
      display: grid;
      gap: 0.3rem;
    }
    .doubt {
      border-left-color: var(--pk-doubt);
    }
    .danger {
      border-left-color: var(--pk-danger);
    }
    .grade {
      font-weight: 700;
    }
    .danger .grade {
      color: var(--pk-danger);
    }
    .doubt .grade {
      color: var(--pk-doubt);
    }
    .row {
      gap: 0.25rem;
    }
  `,
})
export class FindingsList {
  protected readonly bench = inject(Workbench);
  readonly show = output<string>();
  protected readonly words = words;
  protected readonly held = signal<readonly Finding[] | null>(null);
  protected readonly shown = computed(() => this.held() ?? this.bench.findings());
  protected readonly kept = computed(() => this.bench.routine()?.keptOnPurpose.length ?? 0);

  /** After the press has become a click. */
  protected letGo(): void {
    if (this.held() !== null) setTimeout(() => this.held.set(null));
  }

  protected keep(finding: Finding): void {
    this.bench.change('Ignore a finding', (routine) => keepOnPurpose(routine, finding.key));
  }

  protected forget(): void {
    this.bench.change('Show all findings again', (routine) => ({ ...routine, keptOnPurpose: [] }));
  }
}
