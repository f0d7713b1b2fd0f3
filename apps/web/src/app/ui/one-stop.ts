import { FocusKeyManager, type FocusableOption } from '@angular/cdk/a11y';
import {
  booleanAttribute,
  computed,
  contentChildren,
  Directive,
  ElementRef,
  forwardRef,
  inject,
  Injector,
  input,
  signal,
} from '@angular/core';

/** One of the things in a list that is one stop of the Tab key. */
@Directive({
  selector: '[pkOneStopItem]',
  host: {
    '[attr.tabindex]': 'list.stop() === this ? 0 : -1',
    '(focus)': 'list.came(this)',
    '(keydown)': 'list.press($event)',
  },
})
export class OneStopItem implements FocusableOption {
  protected readonly list = inject<OneStop>(forwardRef(() => OneStop));
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  /** The Tab key comes here first, as long as none had the focus. */
  readonly pkOneStopItem = input(false, { transform: booleanAttribute });

  focus(): void {
    this.element.focus();
  }
}

/** A list of many things that the Tab key passes in one step: within it arrow keys lead on, Home and End to its ends. */
@Directive({ selector: '[pkOneStop]' })
export class OneStop {
  private readonly items = contentChildren(OneStopItem, { descendants: true });
  private readonly last = signal<OneStopItem | null>(null);
  private readonly keys = new FocusKeyManager(this.items, inject(Injector))
    .withHorizontalOrientation('ltr')
    .withHomeAndEnd();

  readonly stop = computed(() => {
    const [items, last] = [this.items(), this.last()];
    return last !== null && items.includes(last) ? last : (items.find((item) => item.pkOneStopItem()) ?? items[0]);
  });

  press(event: KeyboardEvent): void {
    this.keys.onKeydown(event);
  }

  came(item: OneStopItem): void {
    this.last.set(item);
    this.keys.updateActiveItem(item);
  }
}
