import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { Button } from 'primeng/button';
import { Textarea } from 'primeng/textarea';
import * as z from 'zod';
import { namesIn, counted } from '@pomek/core';
import { keptDraft } from '../data/kept-draft';
import { TextField } from './text-field';

let count = 0;

/** Students by their names, pasted or typed: who is new is told before they are added. */
@Component({
  selector: 'pk-add-names',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, TextField, Textarea],
  host: { class: 'stack' },
  template: `
    <div class="field">
      <label [for]="id">Names, one on each line</label>
      <textarea
        pTextarea
        [id]="id"
        rows="5"
        maxlength="20000"
        [pkText]="draft.value().text"
        (pkTextChange)="draft.set({ text: $event })"
      ></textarea>
    </div>
    @if (here().length > 0) {
      <p class="small soft" role="status">
        Already here: {{ here().join(', ') }}{{ keepsHere() ? '; added to the class.' : '.' }}
      </p>
    }
    <div class="row">
      <p-button
        [label]="label()"
        icon="pi pi-plus"
        [disabled]="fresh().length + (keepsHere() ? here().length : 0) === 0"
        (onClick)="add()"
      />
      <p-button label="Cancel" variant="text" (onClick)="close()" />
    </div>
  `,
})
export class AddNames {
  /** Where it stands: what was typed there is kept there. */
  readonly place = input.required<string>();
  /** Names of students that there are. */
  readonly taken = input.required<readonly string[]>();
  /** Whether those who are here already are wanted too. */
  readonly keepsHere = input(false);
  /** New names, and those of students who are here already. */
  readonly added = output<{ readonly fresh: string[]; readonly here: string[] }>();
  readonly closed = output();

  protected readonly id = `names-${(count += 1)}`;
  protected readonly draft = keptDraft(() => `names ${this.place()}`, z.object({ text: z.string() }), { text: '' });
  private readonly names = computed(() => namesIn(this.draft.value().text));
  private readonly known = computed(() => new Map(this.taken().map((name) => [name.toLowerCase(), name])));
  protected readonly here = computed(() => this.names().flatMap((name) => this.known().get(name.toLowerCase()) ?? []));
  protected readonly fresh = computed(() => this.names().filter((name) => !this.known().has(name.toLowerCase())));

  protected readonly label = computed(() => {
    const count = this.fresh().length + (this.keepsHere() ? this.here().length : 0);
    if (count === 0) return 'Add';
    return `Add ${counted(count, 'student')}`;
  });

  protected add(): void {
    this.added.emit({ fresh: this.fresh(), here: this.here() });
    this.draft.clear();
  }

  protected close(): void {
    this.draft.clear();
    this.closed.emit();
  }
}
