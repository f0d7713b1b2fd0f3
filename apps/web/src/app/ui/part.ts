import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { remembered } from '../data/remembered';

/** A part of a page that one opens and shuts; it is found again as it was left. */
@Component({
  selector: 'pk-part',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <details [open]="open()" (toggle)="keep($any($event.target).open)">
      <summary>
        <span class="title">{{ heading() }}</span>
        @if (gist() !== '') {
          <span class="small soft gist">{{ gist() }}</span>
        }
      </summary>
      <div class="body"><ng-content /></div>
    </details>
  `,
  styles: `
    :host {
      display: block;
      border-top: 1px solid var(--pk-line);
    }
    summary {
      cursor: pointer;
      padding: 0.4rem 0;

      @media (pointer: coarse) {
        padding: 0.7rem 0;
      }
    }
    .title {
      font: 600 1.05rem var(--pk-display);
    }
    .gist {
      margin-left: 0.6rem;
    }
    .body {
      padding: 0 0 0.75rem;
    }
  `,
})
export class Part {
  readonly heading = input.required<string>();
  /** What is in it, in few words. */
  readonly gist = input('');
  /** Under this name its state is kept. */
  readonly name = input.required<string>();
  /** Whether it is open until it is shut. */
  readonly first = input(false);

  private readonly kept = computed(() => remembered(`part.${this.name()}`));
  protected readonly open = computed(() => (this.kept().value() ?? (this.first() ? 'open' : 'shut')) === 'open');

  protected keep(open: boolean): void {
    if (open !== this.open()) this.kept().set(open ? 'open' : 'shut');
  }
}
