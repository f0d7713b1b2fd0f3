import { ChangeDetectionStrategy, Component, effect, input, signal, viewChild, type ElementRef } from '@angular/core';
import type { Sheet } from '@pomek/core';

/** A sheet as it will be on a phone: it can be tried here, and keeps nothing. */
@Component({
  selector: 'pk-sheet-look',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <iframe
      #frame
      src="sheet/sheet.html"
      title="The sheet as it will be on the phone"
      (load)="stands.set(true)"
    ></iframe>
  `,
  styles: `
    :host {
      display: flex;
      justify-content: center;
      height: 100%;
    }
    iframe {
      width: min(24.5rem, 100%);
      height: 100%;
      min-height: 26rem;
      border: 10px solid var(--pk-ink);
      border-radius: 1.5rem;
      background: #fff;
    }
  `,
})
export class SheetLook {
  readonly sheet = input.required<Sheet>();
  private readonly frame = viewChild.required<ElementRef<HTMLIFrameElement>>('frame');
  protected readonly stands = signal(false);

  constructor() {
    effect(() => {
      const [sheet, frame] = [this.sheet(), this.frame().nativeElement];
      if (this.stands()) frame.contentWindow?.postMessage(sheet, location.origin);
    });
  }
}
