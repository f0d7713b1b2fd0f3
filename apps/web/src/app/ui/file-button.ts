import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { ButtonDirective } from 'primeng/button';

let made = 0;

/** A button that opens the browser’s own window in which files are chosen; the same file can be chosen again. */
@Component({
  selector: 'pk-file-button',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ButtonDirective],
  template: `
    <label pButton [outlined]="true" [attr.for]="inputId()"
      ><i class="pi pi-upload" aria-hidden="true"></i> {{ label() }}</label
    >
    <input #field [id]="inputId()" type="file" [accept]="accept()" [multiple]="multiple()" (change)="choose(field)" />
  `,
  styles: `
    :host {
      display: inline-flex;
      position: relative;
    }
    :host(:focus-within) label {
      outline: 3px solid var(--pk-focus);
      outline-offset: 2px;
    }
    input {
      position: absolute;
      width: 1px;
      height: 1px;
      opacity: 0;
    }
  `,
})
export class FileButton {
  readonly label = input.required<string>();
  /** What the window offers, as the `accept` of a file field. */
  readonly accept = input.required<string>();
  readonly multiple = input(false);
  readonly inputId = input(`file-${(made += 1)}`);
  /** One at least. */
  readonly picked = output<readonly File[]>();

  protected choose(field: HTMLInputElement): void {
    const files = [...(field.files ?? [])];
    field.value = '';
    if (files.length > 0) this.picked.emit(files);
  }
}
