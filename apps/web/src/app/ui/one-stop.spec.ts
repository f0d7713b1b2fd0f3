import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { OneStop, OneStopItem } from './one-stop';

@Component({
  selector: 'pk-host',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [OneStop, OneStopItem],
  template: `<div pkOneStop>
    @for (name of names(); track name) {
      <p>
        <button type="button" [pkOneStopItem]="name === 'two'">{{ name }}</button>
      </p>
    }
  </div>`,
})
class Host {
  readonly names = signal(['one', 'two', 'three', 'four']);
}

test('the Tab key stops at one of them; arrow keys, Home and End lead to the others, and it is where one was last', async () => {
  const fixture = TestBed.createComponent(Host);
  const element = fixture.nativeElement as HTMLElement;
  document.body.append(element);
  await fixture.whenStable();
  const stops = () => [...element.querySelectorAll<HTMLElement>('[tabindex="0"]')].map((one) => one.textContent);
  // The key code is what the list of the library goes by.
  const press = async (key: string, keyCode: number) => {
    const event = new KeyboardEvent('keydown', { key, keyCode, bubbles: true, cancelable: true });
    document.activeElement!.dispatchEvent(event);
    await fixture.whenStable();
    return document.activeElement!.textContent;
  };
  expect(stops()).toEqual(['two']);
  element.querySelector<HTMLElement>('[tabindex="0"]')!.focus();
  expect(await press('ArrowDown', 40)).toBe('three');
  expect(stops()).toEqual(['three']);
  expect(await press('ArrowLeft', 37)).toBe('two');
  expect(await press('End', 35)).toBe('four');
  expect(await press('ArrowDown', 40)).toBe('four');
  expect(await press('Home', 36)).toBe('one');
  expect(stops()).toEqual(['one']);
  // Whoever had the focus is gone: the Tab key comes where it came first.
  fixture.componentInstance.names.set(['two', 'three']);
  await fixture.whenStable();
  expect(stops()).toEqual(['two']);
  element.remove();
});
