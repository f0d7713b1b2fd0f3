import { computed, inject, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { of, switchMap, tap } from 'rxjs';
import { builtInSchools, pathWords } from '@pomek/core';
import type { Records, TableName } from './database';
import { Edits, withTyped } from './edits';
import type { Inside, Patch, Step } from './patch';
import { Repository } from './repository';
import { writers } from './schemas';
import { Store, type Write } from './store';

/**
 * The one way to edit a record in a form. Fields show `draft` and give what is typed to `set`; whatever
 * is more than one value goes through `change`, a function of what is stored at that moment. There is
 * no way to write a record that was read before.
 */
export class Editing<N extends TableName> {
  private readonly store = inject(Store);
  private readonly edits = inject(Edits);
  private readonly repository = inject(Repository);

  /** What is stored; null when there is none, undefined while it is not known. */
  readonly stored: Signal<Records[N] | null | undefined>;
  /** What is stored with what is typed on top, whether it is whole or not. */
  readonly draft: Signal<Records[N] | null | undefined>;
  /** What keeps the draft from being kept; empty when all is kept or on its way. */
  readonly problems: Signal<readonly string[]>;

  /**
   * @param label what a step is called in undo
   */
  constructor(
    private readonly table: N,
    private readonly id: Signal<string | null>,
    private readonly label: (record: Records[N]) => string,
  ) {
    this.stored = toSignal(
      toObservable(id).pipe(
        switchMap((wanted) =>
          wanted === null
            ? of(null)
            : this.repository.one(table, wanted).pipe(
                tap((record) => {
                  this.edits.saw({ table, id: wanted }, record);
                }),
              ),
        ),
      ),
    );
    this.draft = computed(() => {
      const [stored, wanted] = [this.stored() ?? this.builtIn(), this.id()];
      if (stored === undefined || wanted === null || stored.id !== wanted) return this.stored();
      return withTyped(stored, this.edits.of({ table, id: wanted }));
    });
    this.problems = computed(() => {
      const draft = this.draft();
      if (draft === null || draft === undefined || draft === this.stored()) return [];
      const issues = writers[table].safeParse(draft).error?.issues ?? [];
      return issues.map(({ path, message }) => (path.length === 0 ? message : `${pathWords(path)}: ${message}`));
    });
  }

  /** Puts one value into the record, wherever in it. */
  set<const P extends readonly Step[]>(at: P, value: Inside<Records[N], P>, create?: unknown): void {
    this.apply({ at, value, create });
  }

  /** The same for text, letter by letter. */
  type<const P extends readonly Step[]>(at: P, value: Inside<Records[N], P>): void {
    this.apply({ at, value, letters: true });
  }

  /** A value that a part of the form gave, put below where that part stands in the record. */
  apply(patch: Patch, below: readonly Step[] = []): void {
    const [draft, id] = [this.draft(), this.id()];
    if (draft === null || id === null) return;
    const whole = { ...patch, at: [...below, ...patch.at] };
    // What is typed before the record has been read is kept too.
    this.edits.type({ table: this.table, id }, draft === undefined ? 'Change' : this.label(draft), whole);
  }

  /**
   * Changes more than one value, from what is stored at that moment. What is typed and waits for more
   * goes in with it where that makes the record whole.
   */
  change(label: string, change: (stored: Records[N]) => Records[N], mergeKey: string | null = null): Promise<void> {
    const id = this.id();
    if (id === null) return Promise.resolve();
    const target = { table: this.table, id };
    const key = mergeKey === null ? null : `${this.table} ${id} ${mergeKey}`;
    const orElse = this.builtIn();
    let takenIn: readonly Patch[] = [];
    const both = (stored: Records[N]): Records[N] => {
      const waiting = this.edits.waiting(target);
      const whole = change(withTyped(stored, waiting));
      takenIn = writers[this.table].safeParse(whole).success ? waiting : [];
      return takenIn === waiting ? whole : change(stored);
    };
    const write = { table: this.table, id, change: both, orElse } as unknown as Write;
    return this.store.write(label, [write], key).then(
      () => this.edits.takenIn(target, takenIn),
      // What went wrong is told by the store; here there is nothing more to do.
      () => undefined,
    );
  }

  /** Back to what is saved: gives up what is typed and not whole. */
  forget(): void {
    const id = this.id();
    if (id !== null) this.edits.forget({ table: this.table, id });
  }

  /** Schools come along unstored until they are changed. */
  private builtIn(): Records[N] | undefined {
    if (this.table !== 'schools') return undefined;
    return builtInSchools.find((school) => school.id === this.id()) as Records[N] | undefined;
  }
}
