import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Side } from '@pomek/core';

const words: Record<Side, string> = { left: 'left', right: 'right', both: 'both sides' };

/** Left and right: a word on its own texture, slanted lines for left, dots for right. Never by colour alone. */
@Component({
  selector: 'pk-side',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<span [class]="'mark ' + side()">{{ word() }}</span>`,
  styleUrl: './side-mark.scss',
})
export class SideMark {
  readonly side = input.required<Side>();
  protected readonly word = computed(() => words[this.side()]);
}
