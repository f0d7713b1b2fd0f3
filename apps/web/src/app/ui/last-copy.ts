import { Injectable, inject } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import { bundleKinds, recordCount, withinSize, writeBundle, type BundleKind } from '@pomek/core';
import { Compute } from '../compute/compute';
import { Clock } from '../data/clock';
import { CopyFolder } from '../data/copy-folder';
import { LastChange } from '../data/last-change';
import { Notices } from '../data/notices';
import { remembered } from '../data/remembered';
import { dayIn } from '../data/remembered-days';
import { SPACE } from '../data/space';
import { WholeSpace } from '../data/whole-space';
import { download } from './download';

/** A copy of everything as a file, and when the last one was made in this browser. */
@Injectable({ providedIn: 'root' })
export class LastCopy {
  private readonly clock = inject(Clock);
  private readonly compute = inject(Compute);
  private readonly notices = inject(Notices);
  private readonly whole = inject(WholeSpace);
  private readonly folder = inject(CopyFolder);
  private readonly change = inject(LastChange);
  private readonly space = inject(SPACE);
  private readonly made = remembered(`${this.space}.copied-on`);
  private readonly put = remembered(`${this.space}.copy-put-off-on`);

  /** When the last copy was made, by hand or into the folder, YYYY-MM-DD; null where none was, as far as this browser knows. */
  madeOn(): string | null {
    const days = [dayIn(this.made.value()), this.folder.chosen()?.last?.day ?? null];
    return days.reduce((last, day) => (day !== null && (last === null || day > last) ? day : last));
  }

  /** Whether records changed on that day or since; true where this browser does not know. */
  changedSince(day: string): boolean {
    const changed = this.change.at();
    return changed === null || this.clock.dayOf(new Date(changed)) >= day;
  }

  /** When the reminder was last put off; null where it never was. */
  putOffOn(): string | null {
    return dayIn(this.put.value());
  }

  putOff(): void {
    this.put.set(this.clock.today());
  }

  /**
   * Makes a copy; where it cannot be locked that is said, and none is made.
   * @param left kinds that do not go along
   * @param passphrase locks it; null: anybody can open it
   */
  async make(
    left: ReadonlySet<BundleKind> = new Set(['pictures', 'recordings']),
    passphrase: string | null = null,
  ): Promise<void> {
    const kinds = bundleKinds.filter((kind) => !left.has(kind));
    const { contents, left: tooMany } = withinSize(await this.whole.read(kinds));
    const text = writeBundle(contents, this.clock.now());
    const name = `pomek-${this.clock.today()}`;
    if (passphrase === null) download(`${name}.json`, text, 'application/json');
    else {
      try {
        const locked = await firstValueFrom(this.compute.result('lock', { text, passphrase }));
        download(`${name}.jwe`, locked.text, 'application/jose');
      } catch (error) {
        this.notices.failure('The copy could not be locked, and was not made', error);
        return;
      }
    }
    this.made.set(this.clock.today());
    const detail =
      tooMany === 0
        ? ''
        : `${tooMany} pictures and recordings did not go into one file: it would be too large to be read.`;
    this.notices.done(`Everything exported: ${recordCount(contents)} records`, { detail });
  }
}
