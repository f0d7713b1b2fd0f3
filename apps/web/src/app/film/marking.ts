import { ChangeDetectionStrategy, Component, computed, input, model, output, signal } from '@angular/core';
import { drawnLines, sideOfMark, type FilmPoint, type FilmSpot, type MarkName, type Still } from '@pomek/core';
import { pointWords } from './point-words';

/** A mark is taken up within so many px of the screen; nearer where another waits to be set, which may lie beside it. */
const REACH = 16;
const REACH_WAITING = 5;
/** How much larger the picture is under the loupe, and how large the loupe is, shares of the picture’s height. */
const LARGER = 4;
const LOUPE = 0.14;

const arrows: Readonly<Record<string, FilmSpot>> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};

export interface Marked {
  readonly point: FilmPoint;
  readonly spot: FilmSpot;
  /** By a key: the same mark may move on. */
  readonly byKey: boolean;
}

/** A drawing of a body, and how it is laid over the picture. */
export interface BodyOver {
  readonly image: string;
  readonly width: number;
  readonly height: number;
  readonly transform: string;
}

/** A picture on which points are set and moved, by pointer and by keys, with a loupe. */
@Component({
  selector: 'pk-marking',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './marking.html',
  styleUrl: './marking.scss',
})
export class Marking {
  readonly still = input.required<Still>();
  readonly picture = input.required<string | null>();
  readonly points = input.required<Readonly<Partial<Record<FilmPoint, FilmSpot>>>>();
  /** The computed figure laid over; null where it is not wanted or cannot be. */
  readonly over = input<Readonly<Partial<Record<MarkName, FilmSpot>>> | null>(null);
  /** The same as a body, drawn. */
  readonly body = input<BodyOver | null>(null);
  /** Points that are not believed, or not looked at, where they are: followed there with little trust, or found by the machine. */
  readonly doubted = input<ReadonlySet<FilmPoint>>(new Set());
  readonly active = model.required<FilmPoint | null>();
  readonly marked = output<Marked>();
  readonly removed = output<FilmPoint>();
  /** The mark is right where it is: on to the next. */
  readonly next = output();

  /** What is being moved, and where it is by now. */
  private readonly held = signal<Marked | null>(null);
  protected readonly keyed = signal(false);
  /** Points as they are seen: kept, and the one that is held where it is held. */
  private readonly seen = computed((): Readonly<Partial<Record<FilmPoint, FilmSpot>>> => {
    const held = this.held();
    return held === null ? this.points() : { ...this.points(), [held.point]: held.spot };
  });
  protected readonly dots = computed(() =>
    Object.entries(this.seen()).map(([name, spot]) => ({
      name: name as FilmPoint,
      ...spot,
      side: sideOfMark(name),
      active: name === this.active(),
      doubted: this.doubted().has(name as FilmPoint),
    })),
  );
  protected readonly lines = computed(() => drawnLines(this.still().from, this.seen()));
  protected readonly ghost = computed(() => {
    const over = this.over();
    return over === null ? [] : drawnLines(this.still().from, over);
  });
  protected readonly stretches = computed(() => {
    const seen = this.seen();
    return (['plumb', 'length'] as const).flatMap((kind) => {
      const [from, to] = [seen[`${kind} from`], seen[`${kind} to`]];
      return from === undefined || to === undefined ? [] : [{ kind, from, to }];
    });
  });
  /** Px of the picture that a mark is wide. */
  protected readonly size = computed(() => Math.max(this.still().width, this.still().height) / 160);
  protected readonly loupe = computed(() => {
    const active = this.active();
    const spot = active === null ? undefined : this.seen()[active];
    if (spot === undefined || (this.held() === null && !this.keyed())) return null;
    const { width, height } = this.still();
    const radius = LOUPE * Math.max(width, height);
    // It keeps out of the way of what is looked at.
    const x = spot.x < width / 2 ? width - radius * 1.05 : radius * 1.05;
    return { x, y: radius * 1.05, radius, dx: x - spot.x * LARGER, dy: radius * 1.05 - spot.y * LARGER };
  });
  protected readonly larger = LARGER;
  protected readonly text = computed(() => {
    const active = this.active();
    if (active === null) return 'The picture. All is marked; press a mark to move it.';
    const spot = this.points()[active];
    const name = pointWords(active, this.still().from);
    if (spot === undefined) return `The picture: press where the ${name} is, or set it with the arrow keys`;
    return `The picture: ${name} at ${Math.round(spot.x)}, ${Math.round(spot.y)}; move it with the arrow keys, Enter for the next`;
  });

  protected press(event: PointerEvent): void {
    if (event.button !== 0) return;
    const spot = this.spotOf(event);
    if (spot === null) return;
    const point = this.near(event) ?? this.open();
    if (point === null) return;
    event.preventDefault();
    const surface = event.currentTarget as SVGElement;
    surface.focus({ preventScroll: true });
    surface.setPointerCapture(event.pointerId);
    this.active.set(point);
    this.held.set({ point, spot: point === this.near(event) ? this.points()[point]! : spot, byKey: false });
  }

  protected move(event: PointerEvent): void {
    const held = this.held();
    const spot = this.spotOf(event);
    if (held !== null && spot !== null) this.held.set({ ...held, spot });
  }

  protected release(): void {
    const held = this.held();
    if (held === null) return;
    this.marked.emit(held);
    this.held.set(null);
  }

  protected cancel(): void {
    this.held.set(null);
  }

  protected key(event: KeyboardEvent): void {
    const active = this.active();
    if (active === null || event.ctrlKey || event.metaKey || event.altKey) return;
    const way = arrows[event.key];
    if (way !== undefined) {
      event.preventDefault();
      const { width, height } = this.still();
      const from = this.points()[active] ?? { x: width / 2, y: height / 2 };
      const far = this.points()[active] === undefined ? 0 : event.shiftKey ? 10 : 1;
      this.marked.emit({ point: active, spot: this.inside(from.x + way.x * far, from.y + way.y * far), byKey: true });
    } else if (event.key === 'Enter') {
      event.preventDefault();
      this.next.emit();
    } else if (event.key === 'Delete' || event.key === 'Backspace') {
      event.preventDefault();
      this.removed.emit(active);
    }
  }

  /** The point that waits to be set. */
  private open(): FilmPoint | null {
    const active = this.active();
    return active !== null && this.points()[active] === undefined ? active : null;
  }

  private near(event: PointerEvent): FilmPoint | null {
    const spot = this.spotOf(event);
    const reach = (this.open() === null ? REACH : REACH_WAITING) * this.perPx(event);
    if (spot === null) return null;
    const found = Object.entries(this.points())
      .map(([name, { x, y }]) => ({ name: name as FilmPoint, far: Math.hypot(x - spot.x, y - spot.y) }))
      .filter(({ far }) => far <= reach)
      .toSorted((a, b) => a.far - b.far);
    return found[0]?.name ?? null;
  }

  private perPx(event: PointerEvent): number {
    const { width } = (event.currentTarget as Element).getBoundingClientRect();
    return width === 0 ? 1 : this.still().width / width;
  }

  private spotOf(event: PointerEvent): FilmSpot | null {
    const { left, top, width, height } = (event.currentTarget as Element).getBoundingClientRect();
    if (width === 0 || height === 0) return null;
    const still = this.still();
    return this.inside(((event.clientX - left) / width) * still.width, ((event.clientY - top) / height) * still.height);
  }

  private inside(x: number, y: number): FilmSpot {
    const { width, height } = this.still();
    const within = (value: number, most: number): number => Math.round(Math.max(0, Math.min(most, value)) * 10) / 10;
    return { x: within(x, width), y: within(y, height) };
  }
}
