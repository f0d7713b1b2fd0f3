import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { clock, durationWords, counted } from '@pomek/core';
import { readDay } from '../ui/day-words';
import { sizeWords } from '../ui/size-words';
import type { Look } from './giver';
import { PdfPages } from './pdf-pages';
import { SheetLook } from './sheet-look';

/** What is given, as whoever gets it will see it. */
@Component({
  selector: 'pk-gift-look',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [PdfPages, SheetLook],
  template: `
    @let it = look();
    @switch (it.kind) {
      @case ('pdf') {
        <pk-pdf-pages [file]="it.made.file" />
      }
      @case ('sheet') {
        <pk-sheet-look [sheet]="it.sheet" />
      }
      @case ('days') {
        <div class="paper">
          <p class="soft">{{ it.days.length }} practice days</p>
          <dl>
            @for (day of it.days; track day.day) {
              <dt class="num">{{ read(day.day) }}</dt>
              <dd>
                {{ at() }}, {{ long(day.seconds) }}{{ day.lighter ? ', a lighter week' : '' }}
                @for (goal of day.goals; track goal.strandId) {
                  <span class="goal">{{ goal.name }}: {{ goal.words }}</span>
                }
              </dd>
            }
          </dl>
        </div>
      }
      @case ('words') {
        <div class="paper">
          <p class="soft">{{ sound() }}</p>
          @for (track of it.tracks; track track.name) {
            @if (it.tracks.length > 1) {
              <h3 class="num">{{ track.name }}</h3>
            }
            <dl>
              @for (words of track.words; track $index) {
                <dt class="num">{{ when(words.fromMs) }}</dt>
                <dd>
                  @for (line of words.lines; track $index) {
                    <span class="goal">{{ line }}</span>
                  }
                </dd>
              }
            </dl>
          }
        </div>
      }
    }
  `,
  styles: `
    :host {
      display: block;
      height: 100%;
    }
    .paper {
      max-width: 46rem;
      margin-inline: auto;
    }
    dl {
      display: grid;
      grid-template-columns: auto 1fr;
      gap: 0.5rem 1rem;
      margin: 0;
    }
    dt {
      text-align: right;
      color: var(--pk-soft);
    }
    dd {
      margin: 0;
    }
    .goal {
      display: block;
    }
    .goal:empty {
      display: none;
    }
  `,
})
export class GiftLook {
  readonly look = input.required<Look>();
  /** When the practices of a calendar begin, HH:MM. */
  readonly at = input.required<string>();

  protected readonly read = readDay;
  protected readonly long = (seconds: number): string => durationWords(Math.round(seconds));
  protected readonly when = (ms: number): string => clock(Math.round(ms / 1000));
  protected readonly sound = computed(() => {
    const look = this.look();
    if (look.kind !== 'words') return '';
    const long = look.tracks.reduce((sum, { words }) => sum + (words.at(-1)?.toMs ?? 0), 0);
    return `${counted(look.tracks.length, 'practice')}, ${durationWords(Math.round(long / 1000))}, ${sizeWords(look.bytes)} of sound before it is packed`;
  });
}
