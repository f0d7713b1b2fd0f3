import { ChangeDetectionStrategy, Component, computed, inject, model, output, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router } from '@angular/router';
import { Dialog } from 'primeng/dialog';
import { InputText } from 'primeng/inputtext';
import { Repository } from '../data/repository';
import { places } from './places';
import { TextField } from '../ui/text-field';

interface Command {
  readonly name: string;
  readonly kind: string;
  readonly run: () => void;
}

const MOST = 9;

/** Type a few letters and go: every place, routine, student and exercise. */
@Component({
  selector: 'pk-command-palette',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Dialog, InputText, TextField],
  template: `
    <p-dialog
      [visible]="open()"
      (visibleChange)="open.set($event)"
      [modal]="true"
      header="Go to"
      position="top"
      [style]="{ width: '38rem', maxWidth: '94vw' }"
      [dismissableMask]="true"
    >
      <input
        pInputText
        class="ask"
        role="combobox"
        aria-label="Where to, or what to do"
        aria-expanded="true"
        aria-controls="palette-list"
        [attr.aria-activedescendant]="found().length > 0 ? 'palette-' + at() : null"
        autocomplete="off"
        placeholder="A place, a routine, a student, an exercise"
        [pkText]="text()"
        (pkTextChange)="text.set($event); at.set(0)"
        (keydown.arrowDown)="move($event, 1)"
        (keydown.arrowUp)="move($event, -1)"
        (keydown.enter)="go(found()[at()])"
      />
      <ul id="palette-list" class="bare" role="listbox" aria-label="Found">
        @for (command of found(); track $index) {
          <!-- The keys of the list are handled where the focus is, in the field above. -->
          <!-- eslint-disable-next-line @angular-eslint/template/click-events-have-key-events, @angular-eslint/template/interactive-supports-focus -->
          <li
            role="option"
            [id]="'palette-' + $index"
            [attr.aria-selected]="at() === $index"
            [class.at]="at() === $index"
            (click)="go(command)"
          >
            <span>{{ command.name }}</span>
            <span class="small soft">{{ command.kind }}</span>
          </li>
        }
      </ul>
      @if (found().length === 0) {
        <p class="soft">Nothing of that name.</p>
      }
    </p-dialog>
  `,
  styles: `
    .ask {
      width: 100%;
      margin-bottom: 0.75rem;
    }
    li {
      display: flex;
      justify-content: space-between;
      gap: 1rem;
      padding: 0.45rem 0.75rem;
      cursor: pointer;
      border-left: 4px solid transparent;
    }
    li.at,
    li:hover {
      background: var(--pk-pine-wash);
      border-left-color: var(--pk-pine);
    }
  `,
})
export class CommandPalette {
  private readonly router = inject(Router);
  private readonly repository = inject(Repository);
  readonly open = model.required<boolean>();
  readonly schools = output();
  readonly light = output();
  readonly keys = output();

  protected readonly text = signal('');
  protected readonly at = signal(0);
  private readonly routines = toSignal(this.repository.routines$, { initialValue: [] });
  private readonly students = toSignal(this.repository.students$, { initialValue: [] });
  private readonly exercises = toSignal(this.repository.exercises$, { initialValue: [] });

  private readonly commands = computed<Command[]>(() => [
    ...places.map((place) => this.leads(place.name, 'place', place.path)),
    this.leads('Sources', 'place', '/sources'),
    this.leads('Pomek in ten minutes', 'place', '/ten-minutes'),
    { name: 'Schools', kind: 'drawer', run: () => this.schools.emit() },
    { name: 'Switch between light and dark', kind: 'action', run: () => this.light.emit() },
    { name: 'Keys', kind: 'list', run: () => this.keys.emit() },
    ...this.routines().map((routine) => this.leads(routine.name, 'routine', `/routines/${routine.id}`)),
    ...this.students().map((student) => this.leads(student.name, 'student', `/students/${student.id}`)),
    ...this.exercises().map((exercise) => this.leads(exercise.name, exercise.family, `/exercises/${exercise.id}`)),
  ]);
  protected readonly found = computed(() => {
    const words = this.text().toLowerCase().split(/\s+/);
    return this.commands()
      .filter((command) => words.every((word) => `${command.name} ${command.kind}`.toLowerCase().includes(word)))
      .slice(0, MOST);
  });

  protected move(event: Event, direction: number): void {
    event.preventDefault();
    const last = this.found().length - 1;
    this.at.update((at) => Math.max(0, Math.min(last, at + direction)));
  }

  protected go(command: Command | undefined): void {
    if (command === undefined) return;
    this.open.set(false);
    this.text.set('');
    this.at.set(0);
    command.run();
  }

  private leads(name: string, kind: string, path: string): Command {
    return { name, kind, run: () => void this.router.navigateByUrl(path) };
  }
}
