import { ChangeDetectionStrategy, Component, inject, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { Checkbox } from 'primeng/checkbox';
import { counted, emptyContents } from '@pomek/core';
import { Notices } from '../data/notices';
import { WholeSpace } from '../data/whole-space';

/** Empties one’s own space: asked twice, with a copy offered first. */
@Component({
  selector: 'pk-remove-all',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, Checkbox, FormsModule],
  host: { class: 'stack' },
  template: `
    <p class="soft">
      Your schools, exercises, routines, students, classes and practices are removed from this browser. The demo is not
      touched.
    </p>
    @if (held(); as what) {
      <p>
        <strong>{{ what }}</strong> will be gone, and Undo cannot bring it back. Only a copy can.
      </p>
      <div><p-button label="Export everything first" icon="pi pi-download" (onClick)="copyWanted.emit()" /></div>
      <div class="row">
        <p-checkbox inputId="remove-sure" [binary]="true" [ngModel]="sure()" (ngModelChange)="sure.set($event)" />
        <label for="remove-sure">I have a copy, or need none</label>
      </div>
      <div class="row">
        <p-button label="Remove everything" severity="danger" [disabled]="!sure()" (onClick)="remove()" />
        <p-button label="Cancel" variant="text" (onClick)="close()" />
      </div>
    } @else {
      <div><p-button label="Remove everything…" variant="outlined" severity="danger" (onClick)="ask()" /></div>
    }
  `,
})
export class RemoveAll {
  private readonly notices = inject(Notices);
  private readonly whole = inject(WholeSpace);
  /** A copy is wanted. */
  readonly copyWanted = output();

  /** What there is, in words, once it was asked for. */
  protected readonly held = signal<string | null>(null);
  protected readonly sure = signal(false);

  protected async ask(): Promise<void> {
    const { students, routines, logs, classes } = await this.whole.read(['students', 'routines', 'logs', 'classes']);
    const words = [
      counted(students.length, 'student'),
      counted(routines.length, 'routine'),
      counted(classes.length, 'class', 'classes'),
      counted(logs.length, 'practice'),
    ];
    this.held.set(`${words.slice(0, -1).join(', ')} and ${words.at(-1)!}`);
  }

  protected close(): void {
    this.held.set(null);
    this.sure.set(false);
  }

  protected async remove(): Promise<void> {
    if (!this.sure()) return;
    try {
      await this.whole.replace(emptyContents());
      this.notices.done('Everything is removed');
      this.close();
    } catch (error) {
      this.notices.failure('Nothing was removed', error);
    }
  }
}
