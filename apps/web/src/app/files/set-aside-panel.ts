import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Button } from 'primeng/button';
import { InputText } from 'primeng/inputtext';
import { upperFirst } from '@pomek/core';
import { Notices } from '../data/notices';
import { SetAside, type AsideRecord } from '../data/set-aside';
import { CountedPipe } from '../ui/counted.pipe';
import { download, fileName } from '../ui/download';

/** Records that cannot be read: each with what is wrong, to be put right or removed. Nothing where there are none. */
@Component({
  selector: 'pk-set-aside',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, CountedPipe, InputText],
  template: `
    @if (records().length > 0) {
      <section class="sheet stack" aria-labelledby="set-aside">
        <h2 id="set-aside">Set aside</h2>
        <p>
          {{ records().length | pkCounted: 'record' }} cannot be read.
          @if (records().length === 1) {
            It is left out everywhere, and a copy of everything does not have it either. Nothing of it is lost: put
            right what is wrong, or save it as a file and remove it.
          } @else {
            They are left out everywhere, and a copy of everything does not have them either. Nothing of them is lost:
            put right what is wrong, or save them as files and remove them.
          }
        </p>
        <ul class="bare stack">
          @for (record of records(); track record.table + record.id) {
            <li class="stack">
              <strong>{{ title(record.name) }}</strong>
              @for (field of record.wrong; track $index) {
                <div class="row">
                  @if (field.value !== null) {
                    <input
                      pInputText
                      [attr.aria-label]="field.place + ' of ' + record.name"
                      [value]="typed(record, field.place) ?? field.value"
                      (input)="type(record, field.place, $any($event.target).value)"
                      maxlength="2000"
                    />
                  }
                  <span class="wrong">
                    @if (field.place !== '') {
                      <code>{{ field.place }}</code> –
                    }
                    {{ field.message }}
                  </span>
                </div>
              }
              <div class="row">
                @if (canBeTyped(record)) {
                  <p-button
                    label="Save it"
                    size="small"
                    [ariaLabel]="'Save the ' + record.name"
                    [disabled]="!isTyped(record)"
                    (onClick)="mend(record)"
                  />
                }
                <p-button
                  label="Save it as a file"
                  size="small"
                  variant="outlined"
                  icon="pi pi-download"
                  [ariaLabel]="'Save the ' + record.name + ' as a file'"
                  (onClick)="saveFile(record)"
                />
                <p-button
                  label="Remove it"
                  size="small"
                  variant="text"
                  severity="danger"
                  [ariaLabel]="'Remove the ' + record.name"
                  (onClick)="remove(record)"
                />
              </div>
            </li>
          }
        </ul>
      </section>
    }
  `,
  styles: `
    :host {
      display: contents;
    }
    li {
      border-left: 4px solid var(--pk-danger);
      padding-left: 0.75rem;
      gap: 0.4rem;
    }
    input {
      width: 12rem;
    }
    .row {
      align-items: center;
    }
  `,
})
export class SetAsidePanel {
  private readonly aside = inject(SetAside);
  private readonly notices = inject(Notices);
  protected readonly title = upperFirst;
  protected readonly records = toSignal(this.aside.records(), { initialValue: [] });
  /** What was typed, by record and field. */
  private readonly values = signal<ReadonlyMap<string, ReadonlyMap<string, string>>>(new Map());

  protected typed(record: AsideRecord, place: string): string | undefined {
    return this.values().get(keyOf(record))?.get(place);
  }

  /** Whether something of it can be typed anew. */
  protected canBeTyped({ wrong }: AsideRecord): boolean {
    return wrong.some(({ value }) => value !== null);
  }

  protected isTyped(record: AsideRecord): boolean {
    return this.values().has(keyOf(record));
  }

  protected type(record: AsideRecord, place: string, text: string): void {
    this.values.update((all) =>
      new Map(all).set(keyOf(record), new Map(all.get(keyOf(record)) ?? []).set(place, text)),
    );
  }

  protected async mend(record: AsideRecord): Promise<void> {
    const values = this.values().get(keyOf(record));
    if (values === undefined) return;
    const problem = this.aside.problem(record, values);
    if (problem !== null) {
      this.notices.failure(`The ${record.name} still cannot be read`, problem);
      return;
    }
    await this.write(record, this.aside.mend(record, values), 'can be read again');
  }

  protected async remove(record: AsideRecord): Promise<void> {
    await this.write(record, this.aside.remove(record), 'is removed');
  }

  protected saveFile({ name, raw }: AsideRecord): void {
    download(`${fileName(name)}.json`, `${JSON.stringify(raw, null, 1)}\n`, 'application/json');
  }

  /** Where it fails the store says why, and what was typed stays. */
  private async write(record: AsideRecord, written: Promise<void>, done: string): Promise<void> {
    const isWritten = await written.then(
      () => true,
      () => false,
    );
    if (!isWritten) return;
    this.values.update((all) => new Map([...all].filter(([key]) => key !== keyOf(record))));
    this.notices.done(`The ${record.name} ${done}`, { undo: true });
  }
}

const keyOf = ({ table, id }: AsideRecord): string => `${table} ${id}`;
