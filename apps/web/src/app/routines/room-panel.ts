import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Button } from 'primeng/button';
import { roomPath } from '@pomek/core';
import { NumberField } from '../ui/number-field';
import { layoutRoom } from '../ui/room.layout';
import { Workbench } from './workbench';

/** The hall from above and the way of the routine over its floor. */
@Component({
  selector: 'pk-room',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button, NumberField],
  template: `
    @let room = bench.routine()?.room ?? null;
    @if (room === null) {
      <p class="small soft">With the size of the hall, steps are drawn on its floor and counted against its walls.</p>
      <p-button label="It is done in a hall" size="small" variant="outlined" (onClick)="open()" />
    } @else {
      <div class="row">
        <pk-number
          label="Width"
          unit="m"
          [min]="1"
          [max]="60"
          [step]="0.5"
          [whole]="false"
          [value]="room.width"
          (valueChange)="set('width', $event)"
        />
        <pk-number
          label="Depth"
          unit="m"
          [min]="1"
          [max]="60"
          [step]="0.5"
          [whole]="false"
          [value]="room.depth"
          (valueChange)="set('depth', $event)"
        />
      </div>
      @if (drawing(); as it) {
        <svg
          role="img"
          [attr.aria-label]="words().join('. ')"
          [attr.viewBox]="'0 0 ' + it.width + ' ' + it.height"
          [attr.width]="it.width"
        >
          <rect class="wall" x="1" y="1" [attr.width]="it.width - 2" [attr.height]="it.height - 2" />
          <rect
            class="margin"
            [attr.x]="it.margin"
            [attr.y]="it.margin"
            [attr.width]="it.width - 2 * it.margin"
            [attr.height]="it.height - 2 * it.margin"
          />
          <text class="front" [attr.x]="it.width / 2" y="13">front</text>
          @for (way of it.ways; track $index) {
            <path [attr.class]="'way' + (way.outside ? ' outside' : '')" [attr.d]="way.path" />
            @for (step of way.steps; track $index) {
              <path class="step" [attr.d]="step" />
            }
            <text class="number" [attr.x]="way.label.x" [attr.y]="way.label.y">{{ $index + 1 }}</text>
          }
          <circle class="start" [attr.cx]="it.start.x" [attr.cy]="it.start.y" r="5" />
        </svg>
      }
      @for (line of words(); track line) {
        <p class="small num">{{ line }}</p>
      }
      <p-button label="Without a hall" size="small" variant="text" (onClick)="clear()" />
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.5rem;
    }
    svg {
      max-width: 100%;
      height: auto;
    }
    .wall {
      fill: var(--pk-sheet);
      stroke: var(--pk-ink);
      stroke-width: 2;
    }
    .margin {
      fill: none;
      stroke: var(--pk-line);
      stroke-dasharray: 4 4;
    }
    .way {
      fill: none;
      stroke: var(--pk-pine);
      stroke-width: 2;
    }
    .outside {
      stroke: var(--pk-danger);
    }
    .step {
      fill: var(--pk-pine);
    }
    .start {
      fill: var(--pk-amber);
      stroke: var(--pk-ink);
    }
    text {
      font-size: 11px;
      text-anchor: middle;
      fill: var(--pk-soft);
    }
    .number {
      fill: var(--pk-ink);
      font-weight: 700;
    }
  `,
})
export class RoomPanel {
  protected readonly bench = inject(Workbench);
  private readonly path = computed(() => {
    const routine = this.bench.routine();
    if (routine === null || routine === undefined) return null;
    return roomPath(routine, this.bench.shelf(), this.bench.person().body.stature);
  });
  protected readonly drawing = computed(() => {
    const path = this.path();
    return path === null ? null : layoutRoom(path, 260);
  });
  protected readonly words = computed(() => {
    const path = this.path();
    if (path === null) return [];
    if (path.pieces.length === 0) return ['Nothing in it steps away from its place.'];
    const names = this.bench.names();
    return [
      ...path.pieces.map((piece, index) => {
        const name = names.get(piece.segmentId) ?? '';
        const out = piece.runsOutAt === null ? 'fits' : `the floor ends after ${piece.runsOutAt} steps`;
        return `${index + 1} ${name}: ${out}; ${piece.fits} such steps fit from there`;
      }),
      path.awayAtEnd < 0.25 ? 'It ends where it began' : `It ends ${path.awayAtEnd.toFixed(1)} m from where it began`,
    ];
  });

  protected open(): void {
    this.bench.change('With a hall', (routine) => ({ ...routine, room: { width: 8, depth: 6 } }));
  }

  protected set(key: 'width' | 'depth', metres: number | null): void {
    if (metres !== null) this.bench.edit.set(['room', key], metres);
  }

  protected clear(): void {
    this.bench.change('Without a hall', (routine) => ({ ...routine, room: null }));
  }
}
