import { ChangeDetectionStrategy, Component, computed, input, model } from '@angular/core';
import { Dialog } from 'primeng/dialog';
import { keysOf } from './keys';

/** The keys of the place one is in. */
@Component({
  selector: 'pk-keys-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Dialog],
  template: `
    <p-dialog
      [visible]="open()"
      (visibleChange)="open.set($event)"
      [modal]="true"
      header="Keys"
      [style]="{ width: '38rem', maxWidth: '94vw' }"
      [dismissableMask]="true"
      closeAriaLabel="Close"
    >
      @for (group of groups(); track group.title) {
        <h3>{{ group.title }}</h3>
        <dl>
          @for (one of group.keys; track one.does) {
            <dt>
              @for (key of one.keys; track key) {
                <kbd>{{ key }}</kbd>
              }
            </dt>
            <dd>{{ one.does }}</dd>
          }
        </dl>
      }
    </p-dialog>
  `,
  styles: `
    dl {
      display: grid;
      grid-template-columns: 9rem minmax(0, 1fr);
      gap: 0.3rem 1rem;
      margin: 0.25rem 0 1rem;
    }
    dd {
      margin: 0;
    }
    kbd {
      font: inherit;
      border: 1px solid var(--pk-line-strong);
      border-radius: 3px;
      padding: 0 0.4rem;
      margin-right: 0.25rem;
    }
  `,
})
export class KeysList {
  readonly open = model.required<boolean>();
  readonly address = input.required<string>();
  protected readonly groups = computed(() => keysOf(this.address()));
}
