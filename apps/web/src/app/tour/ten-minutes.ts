import { ChangeDetectionStrategy, Component } from '@angular/core';
import { RouterLink } from '@angular/router';
import { tenMinutes } from '@pomek/core';

/** Pomek for a teacher who sees it for the first time, with pictures of the demo. */
@Component({
  selector: 'pk-ten-minutes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink],
  template: `
    <div class="page stack">
      <h1>Pomek in ten minutes</h1>
      <p class="lead">
        Read it once, or keep it open beside the demo. The pictures are of the demo; its people are made up.
      </p>
      <nav aria-label="Parts">
        @for (part of parts; track part.title; let at = $index) {
          <a routerLink="." [fragment]="'part-' + at">{{ part.title }}</a>
        }
      </nav>
      @for (part of parts; track part.title; let at = $index) {
        <section class="sheet" [id]="'part-' + at" [attr.aria-label]="part.title">
          <div>
            <h2>{{ part.title }}</h2>
            <p>{{ part.what }}</p>
            <ol>
              @for (step of part.steps; track $index) {
                <li>{{ step }}</li>
              }
            </ol>
            <a [routerLink]="part.path">Go there</a>
          </div>
          <img
            [src]="'/pictures/' + part.picture + '.png'"
            [alt]="part.shows"
            width="1280"
            height="800"
            loading="lazy"
          />
        </section>
      }
      <p>
        <a routerLink="/sources">Sources</a> shows each formula, where it comes from and what it leaves out. Pomek makes
        no medical claims; in pain or in doubt, refer to licensed practice.
      </p>
    </div>
  `,
  styles: `
    .lead {
      max-width: 62ch;
    }
    nav {
      display: flex;
      flex-wrap: wrap;
      gap: 0 1.25rem;
    }
    nav a {
      padding: 0.5rem 0;
    }
    section {
      display: grid;
      grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr);
      gap: 1.5rem;
      align-items: start;
    }
    img {
      width: 100%;
      height: auto;
      border: 1px solid var(--pk-line);
    }
    ol {
      padding-left: 1.3rem;
    }
    li {
      padding: 0.2rem 0;
    }
    @media (width < 900px) {
      section {
        grid-template-columns: minmax(0, 1fr);
      }
    }
  `,
})
export class TenMinutes {
  protected readonly parts = tenMinutes;
}
