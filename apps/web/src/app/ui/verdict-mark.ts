import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { VerdictKind } from '@pomek/core';

const shapes: Record<VerdictKind, { word: string; path: string }> = {
  raise: { word: 'Raise', path: 'M3 18 H9 V12 H15 V6 H21' },
  stay: { word: 'Stay', path: 'M3 12 H21' },
  ease: { word: 'Ease', path: 'M3 6 H9 V12 H15 V18 H21' },
  stop: { word: 'Stop and refer', path: 'M6 6 L18 18 M18 6 L6 18' },
};

/** A verdict as a word with its own stair: up, level, down, crossed out. */
@Component({
  selector: 'pk-verdict',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <span [class]="'mark ' + kind()">
      <svg viewBox="0 0 24 24" aria-hidden="true">
        <path [attr.d]="shape().path" fill="none" stroke="currentColor" stroke-width="3" />
      </svg>
      {{ shape().word }}
    </span>
  `,
  styles: `
    .mark {
      display: inline-flex;
      align-items: baseline;
      gap: 0.4rem;
      font: 600 1rem/1.3 var(--pk-display);
      white-space: nowrap;
    }
    svg {
      width: 1.3rem;
      align-self: center;
    }
    .raise {
      color: var(--pk-pine);
    }
    .ease {
      color: var(--pk-doubt);
    }
    .stop {
      color: var(--pk-danger);
    }
  `,
})
export class VerdictMark {
  readonly kind = input.required<VerdictKind>();
  protected readonly shape = computed(() => shapes[this.kind()]);
}
