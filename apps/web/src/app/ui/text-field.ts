import { Directive, ElementRef, effect, inject, input, output, signal } from '@angular/core';
import { followsStored } from './follows-stored';

/**
 * A line or an area of text. It shows what its owner types until it is left, and gives out each letter;
 * what comes from elsewhere is shown when it is not being typed in.
 */
@Directive({
  selector: 'input[pkText], textarea[pkText]',
  host: { '(input)': 'typed()', '(blur)': 'own.set(false)' },
})
export class TextField {
  private readonly field = inject<ElementRef<HTMLInputElement | HTMLTextAreaElement>>(ElementRef).nativeElement;
  readonly pkText = input.required<string>();
  readonly pkTextChange = output<string>();
  /** Whether it holds what its owner types. */
  protected readonly own = signal(false);

  constructor() {
    followsStored(() => this.own.set(false));
    effect(() => {
      const text = this.pkText();
      if (!this.own() && this.field.value !== text) this.field.value = text;
    });
  }

  protected typed(): void {
    this.own.set(true);
    this.pkTextChange.emit(this.field.value);
  }
}
