import { Injectable, inject } from '@angular/core';
import { firstValueFrom } from 'rxjs';
import { Compute } from '../compute/compute';
import { Clock } from './clock';
import { Notices } from './notices';
import { Opening } from './opening';
import { SPACE } from './space';
import { WholeSpace } from './whole-space';

/** Fills the demo's own space with made-up data whose dates end yesterday. */
@Injectable({ providedIn: 'root' })
export class DemoSpace {
  private readonly space = inject(SPACE);
  private readonly whole = inject(WholeSpace);
  private readonly compute = inject(Compute);
  private readonly clock = inject(Clock);
  private readonly notices = inject(Notices);
  private readonly opening = inject(Opening);

  async fillWhenEmpty(): Promise<void> {
    if (this.space === 'demo' && (await this.whole.isEmpty())) await this.fill();
  }

  /** Makes the demo anew; what was changed in it is gone. */
  async fill(): Promise<void> {
    if (this.space !== 'demo') throw new Error('Only the demo can be started over.');
    this.opening.busy.set(true);
    try {
      const made = this.compute.demo(this.clock.today(), (share) => this.opening.share.set(share));
      await this.whole.replace(await firstValueFrom(made));
    } catch (error) {
      this.notices.failure('The demo could not be made', error);
    } finally {
      this.opening.busy.set(false);
      this.opening.share.set(null);
    }
  }
}
