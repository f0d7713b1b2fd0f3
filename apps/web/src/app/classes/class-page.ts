import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { SelectButton } from 'primeng/selectbutton';
import { switchMap } from 'rxjs';
import * as z from 'zod';
import { Editing } from '../data/editing';
import { Repository } from '../data/repository';
import { classTimes } from '../ui/class-words';
import { NotKept } from '../ui/not-kept';
import { ClassGive } from './class-give';
import { ClassNext } from './class-next';
import { ClassSetUp } from './class-set-up';
import { ClassTerm } from './class-term';

const TabSchema = z.enum(['next', 'give', 'term', 'set-up']);
type Tab = z.infer<typeof TabSchema>;

/** One class: who is here and what each does, what was held, and how it is set up. */
@Component({
  selector: 'pk-class-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ClassGive, ClassNext, ClassSetUp, ClassTerm, FormsModule, NotKept, RouterLink, SelectButton],
  template: `
    @let it = edit.draft();
    @if (it === null) {
      <div class="page stack">
        <h1>This class is not here</h1>
        <p>It may have been removed. <a routerLink="/classes">To the classes</a></p>
      </div>
    } @else if (it) {
      <div class="page class" [class.panes]="tab() === 'next' || tab() === 'give'">
        <header class="row spread">
          <h1>{{ title() }}</h1>
          <p class="soft num">{{ times() }}{{ it.place === '' ? '' : ', ' + it.place }}</p>
        </header>
        <pk-not-kept [problems]="edit.problems()" (forget)="edit.forget()" />
        <nav>
          <p-selectbutton
            [options]="tabs"
            optionLabel="label"
            optionValue="value"
            [allowEmpty]="false"
            [ngModel]="tab()"
            (ngModelChange)="show($event)"
            aria-label="Part of the class"
          />
        </nav>
        @switch (tab()) {
          @case ('next') {
            @if (edit.stored(); as stored) {
              <pk-class-next class="main" [taught]="stored" [meetings]="meetings()" />
            }
          }
          @case ('give') {
            @if (edit.stored(); as stored) {
              <pk-class-give class="main" [taught]="stored" [meetings]="meetings()" />
            }
          }
          @case ('term') {
            <pk-class-term [taught]="it" [meetings]="meetings()" />
          }
          @case ('set-up') {
            <pk-class-set-up [edit]="edit" />
          }
        }
      </div>
    }
  `,
  styles: `
    .class {
      display: flex;
      flex-direction: column;
      gap: 0.75rem;
    }
    .main {
      flex: 1;
      min-height: 0;
    }
  `,
})
export class ClassPage {
  private readonly router = inject(Router);
  private readonly repository = inject(Repository);
  readonly id = input.required<string>();
  readonly part = input<string>();

  protected readonly edit = new Editing('classes', this.id, ({ name }) => `Change ${name}`);
  protected readonly title = computed(() => {
    const typed = this.edit.draft()?.name.trim() ?? '';
    return typed === '' ? (this.edit.stored()?.name ?? '') : typed;
  });
  protected readonly times = computed(() => {
    const of = this.edit.stored();
    return of ? classTimes(of) : '';
  });
  protected readonly meetings = toSignal(
    toObservable(this.id).pipe(switchMap((id) => this.repository.meetingsOf(id))),
    { initialValue: [] },
  );
  /** Which part is open; it stands in the address. */
  protected readonly tab = linkedSignal((): Tab => TabSchema.catch('next').parse(this.part()));
  protected readonly tabs: { label: string; value: Tab }[] = [
    { label: 'Next meeting', value: 'next' },
    { label: 'Give', value: 'give' },
    { label: 'Term', value: 'term' },
    { label: 'Set up', value: 'set-up' },
  ];

  protected show(tab: Tab): void {
    this.tab.set(tab);
    void this.router.navigate([], { queryParams: { part: tab === 'next' ? null : tab }, replaceUrl: true });
  }
}
