import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { Button } from 'primeng/button';
import { makeSheet, sheetHtml, type Sheet, type PersonRecord } from '@pomek/core';
import { Clock } from '../data/clock';
import { Notices } from '../data/notices';
import { Store } from '../data/store';
import { remembered } from '../data/remembered';
import { VOICE, voiceSettings } from '../data/voice-settings';
import { CueTrackButton, type Tracked } from '../ui/cue-track-button';
import { DayPipe } from '../ui/day.pipe';
import { download, fileName } from '../ui/download';
import { NumberField } from '../ui/number-field';

/** Weeks of a sheet, unless another number is given: until about the next few lessons. */
const USUAL_WEEKS = 6;
const MOST_WEEKS = 26;

/** Writes the one file that a student takes home. */
@Component({
  selector: 'pk-give-home',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, CueTrackButton, DayPipe, NumberField],
  template: `
    <section class="sheet stack" aria-labelledby="give-home">
      <h2 id="give-home">Give home</h2>
      <p class="soft">
        One file for any phone: the practice of each day with its doses, the exercises to read, and the figure, bells
        and voice that conduct it. It needs no network and sends nothing. Hand it over, or send it as you send a
        picture.
      </p>
      @if (person().plans.length === 0) {
        <p>There is no plan to take home yet: give a routine with a goal first.</p>
      } @else if (person().student.practiceDays.length === 0) {
        <p>There are no days for practice yet: choose them under Person.</p>
      } @else {
        @if (due() > 0) {
          <p class="waits">
            {{ due() === 1 ? 'One verdict waits' : due() + ' verdicts wait' }} for you. Decide first: else the sheet has
            the doses that would follow from accepting.
          </p>
        }
        <div class="row ends">
          <pk-number
            label="Weeks"
            [min]="1"
            [max]="most"
            [value]="weeks()"
            (valueChange)="weeks.set($event ?? weeks())"
          />
          <p-button label="Write the sheet" icon="pi pi-download" [loading]="busy()" (onClick)="give()" />
          <pk-cue-track label="Cue track of the next seven days" [from]="weekTrack" />
        </div>
      }
      @if (person().student.sheet; as last) {
        <p class="num">
          Given home last on {{ last.madeOn | pkDay }}; it tells the days until {{ last.until | pkDay }}.
          @if (last.until < today()) {
            <strong>Its weeks are over.</strong>
          }
        </p>
      }
    </section>
  `,
  styles: `
    .waits {
      border-left: 5px solid var(--pk-doubt);
      background: var(--pk-doubt-wash);
      padding: 0.5rem 0.9rem;
    }
  `,
})
export class GiveHome {
  private readonly clock = inject(Clock);
  private readonly store = inject(Store);
  private readonly notices = inject(Notices);
  private readonly voice = remembered(VOICE);
  readonly person = input.required<PersonRecord>();
  /** How many verdicts wait for the teacher. */
  readonly due = input(0);

  protected readonly most = MOST_WEEKS;
  protected readonly today = this.clock.today;
  protected readonly weeks = signal(USUAL_WEEKS);
  protected readonly busy = signal(false);

  /** The practices of the next seven days as sound and words: each once, named by its first day. */
  protected readonly weekTrack = (): Tracked => {
    const sheet = this.sheet(1);
    const name = `${sheet.student.name} week`;
    return {
      name,
      tracks: sheet.practices.map(({ routine }, index) => ({
        name: fileName(`${sheet.days.find(({ practice }) => practice === index)!.day} ${routine.name}`),
        routine,
      })),
      exercises: sheet.exercises,
      school: sheet.school,
      inWork: sheet.inWork,
    };
  };

  private sheet(weeks: number): Sheet {
    const voice = voiceSettings(this.voice.value());
    return makeSheet({
      id: this.clock.newId(),
      person: this.person(),
      now: this.clock.now(),
      weeks,
      calls: voice.words,
      parts: voice.parts,
    });
  }

  protected async give(): Promise<void> {
    if (this.busy()) return;
    this.busy.set(true);
    const { student } = this.person();
    try {
      const page = await fetch('sheet/sheet.html').then((answer) =>
        answer.ok ? answer.text() : Promise.reject(new Error('The page of the sheet is missing in this installation.')),
      );
      const sheet = this.sheet(this.weeks());
      const { id, madeOn, until } = sheet;
      await this.store.write(`Sheet for ${student.name}`, [
        { table: 'students', id: student.id, change: (stored) => ({ ...stored, sheet: { id, madeOn, until } }) },
      ]);
      download(`${fileName(`${student.name} practice`)}.html`, sheetHtml(page, sheet), 'text/html');
      this.notices.done(`Sheet for ${student.name} written`, {
        detail: 'It lies with your downloads. Opened on a phone it conducts by itself.',
      });
    } catch (error) {
      this.notices.failure('No sheet yet', error);
    } finally {
      this.busy.set(false);
    }
  }
}
