import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  effect,
  inject,
  input,
  output,
  signal,
  untracked,
} from '@angular/core';
import { Button } from 'primeng/button';
import { FOUND_SLIP, type FoundBody } from '@pomek/core';
import { FinderMissing, Finding } from '../compute/finding';

/** Finds the body on a picture when it is asked to, and lets what was found be called right. */
@Component({
  selector: 'pk-find-body',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button],
  template: `
    <div class="row">
      @if (doing(); as words) {
        <p class="small grow" role="status">{{ words }}</p>
        <p-button label="Stop" size="small" variant="outlined" (onClick)="stop()" />
        <progress aria-label="Finding the body"></progress>
      } @else {
        <p-button
          label="Find the body"
          icon="pi pi-search"
          size="small"
          variant="outlined"
          [disabled]="picture() === null"
          (onClick)="find()"
        />
        @if (waiting() > 0) {
          <p class="small grow">{{ waiting() }} found, each ± {{ slip }} cm until it is looked at.</p>
          <p-button label="All are right" size="small" variant="text" (onClick)="right.emit()" />
        } @else {
          <p class="small soft grow">The machine marks what it sees; you look at each point.</p>
        }
      }
    </div>
    @if (problem(); as words) {
      <p class="doubt small" role="alert">{{ words }}</p>
    }
  `,
  styles: `
    .row {
      align-items: center;
    }
    .grow {
      flex: 1 1 10rem;
      margin: 0;
    }
    progress {
      flex: 1 0 100%;
    }
  `,
})
export class FindBody {
  readonly picture = input.required<string | null>();
  /** How many points were found that nobody has looked at. */
  readonly waiting = input.required<number>();
  readonly found = output<FoundBody>();
  readonly right = output();

  protected readonly slip = FOUND_SLIP;
  protected readonly doing = signal('');
  protected readonly problem = signal('');
  private finding: Finding | null = null;

  constructor() {
    // What is sought on one picture must not be set on another.
    effect(() => {
      this.picture();
      untracked(() => {
        this.stop();
        this.problem.set('');
      });
    });
    inject(DestroyRef).onDestroy(() => this.stop());
  }

  protected async find(): Promise<void> {
    const data = this.picture();
    if (data === null) return;
    const finding = (this.finding ??= new Finding());
    this.problem.set('');
    this.doing.set('Fetching what finds a body: some 16 MB, the first time only.');
    try {
      const image = new Image();
      image.src = data;
      await image.decode();
      const body = await finding.find(await createImageBitmap(image), () =>
        this.doing.set('Looking at the picture. Without a graphics card this takes half a minute.'),
      );
      if (this.finding !== finding) return;
      if (body === null) this.problem.set('Nobody was found on this picture. Mark the points by hand.');
      else this.found.emit(body);
    } catch (error) {
      if (this.finding !== finding) return;
      this.stop();
      this.problem.set(this.why(error));
    } finally {
      if (this.finding === finding) this.doing.set('');
    }
  }

  protected stop(): void {
    this.finding?.end();
    this.finding = null;
    this.doing.set('');
  }

  private why(error: unknown): string {
    if (error instanceof FinderMissing)
      return 'The body finder is not on this machine yet and cannot be fetched now. Mark the points by hand, or try again later.';
    return error instanceof Error ? error.message : 'The picture could not be looked at.';
  }
}
