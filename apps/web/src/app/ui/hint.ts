import { ChangeDetectionStrategy, Component, ElementRef, inject, input, signal } from '@angular/core';

/** As wide as its words are at most, px. */
const WIDEST_PX = 360;

let count = 0;

/** A small “?” beside what nobody can know: one press shows two sentences about it, and a picture where one helps. Escape closes it. */
@Component({
  selector: 'pk-hint',
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(document:keydown.escape)': 'close()', '(document:pointerdown)': 'pressed($event)' },
  template: `
    <button
      type="button"
      [attr.aria-expanded]="open()"
      [attr.aria-controls]="id"
      [attr.aria-label]="'What is this: ' + about()"
      title="What is this?"
      (click)="toggle()"
    >
      ?
    </button>
    @if (open()) {
      <div class="words" [class.onward]="onward()" [id]="id" role="note"><ng-content /></div>
    }
  `,
  styles: `
    :host {
      position: relative;
      display: inline-block;
    }
    button {
      font: 600 0.85rem var(--pk-text);
      inline-size: 1.5rem;
      block-size: 1.5rem;
      padding: 0;
      border: 1px solid var(--pk-line-strong);
      border-radius: 50%;
      background: var(--pk-sheet);
      color: var(--pk-pine);
      cursor: pointer;
    }
    .words {
      position: absolute;
      z-index: 5;
      inset-inline-end: 0;
      inline-size: min(22rem, 80vw);
      margin-top: 0.25rem;
      padding: 0.75rem 1rem;
      background: var(--pk-sheet);
      border: 1px solid var(--pk-line-strong);
      border-radius: 4px;
      font-size: 0.9rem;
      color: var(--pk-ink);
    }
    .words.onward {
      inset-inline: 0 auto;
    }
    @media (pointer: coarse) {
      button {
        inline-size: 2.75rem;
        block-size: 2.75rem;
      }
    }
  `,
})
export class Hint {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  /** What it is about, for who cannot see what it stands beside. */
  readonly about = input.required<string>();
  protected readonly id = `hint-${(count += 1)}`;
  protected readonly open = signal(false);
  /** It opens to the other side where there is no room before its button. */
  protected readonly onward = signal(false);

  protected toggle(): void {
    const host = this.host.nativeElement;
    const before = host.closest('section')?.getBoundingClientRect().left ?? 0;
    this.onward.set(host.getBoundingClientRect().right - before < WIDEST_PX);
    this.open.update((open) => !open);
  }

  protected close(): void {
    if (!this.open()) return;
    this.open.set(false);
    this.host.nativeElement.querySelector('button')?.focus();
  }

  protected pressed({ target }: Event): void {
    if (target instanceof Node && !this.host.nativeElement.contains(target)) this.open.set(false);
  }
}
