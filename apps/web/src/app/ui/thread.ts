import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  afterNextRender,
  computed,
  inject,
  input,
  linkedSignal,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { Button } from 'primeng/button';
import { durationWords, type ReservePoint, type Routine, type Timeline } from '@pomek/core';
import { dropIndex, layoutThread, type BreathAt, type ThreadSegment } from './thread.layout';
import { laidOver, panned, wholeView, zoomed, type ThreadView } from './thread-view';

export interface Picked {
  readonly id: string;
  /** Added to what is selected, or up to here, or alone. */
  readonly how: 'alone' | 'also' | 'through';
}
export interface Lengthening {
  readonly id: string;
  readonly steps: number;
}

/** Further than this a press is a drag, px. */
const DRAG_FROM = 4;
/** How long the place of the board on the page is taken to stay, ms. */
const LEFT_MS = 300;
/** More segments than these are stretched while the wheel turns, and drawn when it rests so long, ms. */
const MANY = 16;
const REST_MS = 120;
/** What is dragged: the order, the length of a segment, or the view. */
type Drag =
  | { readonly kind: 'order'; readonly id: string; readonly fromX: number; readonly moved: boolean; readonly x: number }
  | {
      readonly kind: 'length';
      readonly id: string;
      readonly fromX: number;
      readonly x: number;
      readonly perStep: number;
    }
  | { readonly kind: 'view'; readonly fromX: number; readonly view: ThreadView };

let count = 0;

/** A routine as a thread of time, to look at, to select on, to drag in order and in length. */
@Component({
  selector: 'pk-thread',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Button],
  templateUrl: './thread.html',
  styleUrl: './thread.scss',
})
export class Thread {
  readonly routine = input.required<Routine>();
  readonly line = input.required<Timeline>();
  readonly names = input.required<ReadonlyMap<string, string>>();
  readonly breathAt = input.required<BreathAt>();
  readonly course = input<readonly ReservePoint[]>([]);
  readonly failureSeconds = input<number | null>(null);
  readonly selected = input<ReadonlySet<string>>(new Set());
  readonly active = input<string | null>(null);
  /** Segments with something wrong: the worst grade of each. */
  readonly grades = input<ReadonlyMap<string, 'note' | 'doubt' | 'danger'>>(new Map());
  /** Seconds of the routine that one step of a segment is worth. */
  readonly secondsOfStep = input.required<(id: string) => number>();
  readonly picked = output<Picked>();
  readonly dropped = output<number>();
  readonly lengthened = output<Lengthening>();

  protected readonly id = `thread-${++count}`;
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly board = viewChild.required<ElementRef<SVGSVGElement>>('board');
  protected readonly width = signal(900);
  protected readonly totalSeconds = computed(() => this.line().totalMs / 1000);
  /** Only another routine is seen as a whole again, not each change of this one. */
  private readonly routineId = computed(() => this.routine().id);
  /** Null while everything is in view: then it follows the length of the routine. */
  private readonly ownView = linkedSignal<string, ThreadView | null>({
    source: this.routineId,
    computation: () => null,
  });
  protected readonly view = computed(() => {
    const own = this.ownView();
    if (own === null) return wholeView(this.totalSeconds(), this.width());
    return panned({ ...own, widthPx: this.width() }, 0, this.totalSeconds());
  });
  private readonly input = computed(() => ({
    routine: this.routine(),
    line: this.line(),
    names: this.names(),
    breathAt: this.breathAt(),
    course: this.course(),
    failureSeconds: this.failureSeconds(),
  }));
  /**
   * The view that stays drawn while a long thread is zoomed: to lay out hundreds of segments anew takes longer than a frame, so
   * what is drawn is stretched until the wheel rests. Null while what is drawn is what is seen.
   */
  private readonly held = signal<ThreadView | null>(null);
  private resting: ReturnType<typeof setTimeout> | undefined;
  protected readonly stretched = computed(() => {
    const held = this.held();
    return held === null ? null : laidOver(held, this.view());
  });
  protected readonly drawing = computed(() => layoutThread(this.input(), this.held() ?? this.view()));
  protected readonly overview = computed(() =>
    layoutThread(this.input(), wholeView(this.totalSeconds(), this.width())),
  );
  protected readonly window = computed(() => {
    const { fromSeconds, pxPerSecond } = this.view();
    const scale = wholeView(this.totalSeconds(), this.width()).pxPerSecond;
    return { x: fromSeconds * scale, width: Math.min(this.width(), (this.width() / pxPerSecond) * scale) };
  });
  protected readonly closer = computed(() => this.window().width < this.width() - 1);
  protected readonly drag = signal<Drag | null>(null);
  protected readonly caret = computed(() => {
    const drag = this.drag();
    if (drag?.kind !== 'order' || !drag.moved) return null;
    const index = this.indexAt(drag.x);
    const before = this.drawing().segments.find((segment) => segment.index === index);
    const last = this.drawing().segments.at(-1);
    return { index, x: before?.x ?? (last === undefined ? 0 : last.x + last.width) };
  });
  protected readonly stretch = computed(() => {
    const drag = this.drag();
    if (drag?.kind !== 'length') return null;
    const steps = this.stepsOf(drag);
    const seconds = steps * drag.perStep;
    return { id: drag.id, x: drag.x, words: `${seconds < 0 ? '−' : '+'}${durationWords(Math.abs(seconds))}` };
  });
  protected readonly label = computed(
    () =>
      `The routine as a thread of ${durationWords(this.totalSeconds())}, ${this.routine().segments.length} segments. Arrows go along, Shift selects more, Alt moves.`,
  );

  constructor() {
    const destroyed = inject(DestroyRef);
    afterNextRender(() => {
      // Bound here and not in the template: a zoom changes this view alone, not the page around it.
      this.board().nativeElement.addEventListener('wheel', (event) => this.onWheel(event), { passive: false });
      const measure = (): void => this.width.set(Math.max(300, this.host.nativeElement.clientWidth || 900));
      measure();
      if (typeof ResizeObserver === 'undefined') return;
      const observer = new ResizeObserver(measure);
      observer.observe(this.host.nativeElement);
      destroyed.onDestroy(() => observer.disconnect());
      destroyed.onDestroy(() => clearTimeout(this.resting));
    });
  }

  zoom(factor: number, x = this.width() / 2): void {
    this.settle();
    this.ownView.set(zoomed(this.view(), factor, x, this.totalSeconds()));
  }

  whole(): void {
    this.settle();
    this.ownView.set(null);
  }

  /** Brings a segment into view. */
  reveal(id: string): void {
    if (!this.closer()) return;
    const span = this.line().spans.find((entry) => entry.segmentId === id);
    if (span === undefined) return;
    const { fromSeconds, pxPerSecond } = this.view();
    const at = span.startMs / 1000;
    const seen = this.width() / pxPerSecond;
    if (at >= fromSeconds && at < fromSeconds + seen * 0.9) return;
    this.ownView.set(panned(this.view(), at - fromSeconds - seen * 0.1, this.totalSeconds()));
  }

  /** The wheel goes on: of many segments what is drawn is kept and stretched, of few it is drawn anew. */
  private zoomOn(next: ThreadView): void {
    const held = this.held() ?? this.view();
    this.ownView.set(next);
    if (this.segmentsIn(next) <= MANY) return this.settle();
    this.held.set(held);
    clearTimeout(this.resting);
    this.resting = setTimeout(() => this.settle(), REST_MS);
  }

  private segmentsIn({ fromSeconds, pxPerSecond, widthPx }: ThreadView): number {
    const [from, to] = [fromSeconds * 1000, (fromSeconds + widthPx / pxPerSecond) * 1000];
    const seen = this.line().spans.filter((span) => span.startMs < to && span.startMs + span.durationMs > from);
    return new Set(seen.map(({ segmentId }) => segmentId)).size;
  }

  /** What is seen is drawn. */
  private settle(): void {
    clearTimeout(this.resting);
    this.held.set(null);
  }

  private onWheel(event: WheelEvent): void {
    const x = this.xOf(event);
    if (event.ctrlKey || event.metaKey) {
      event.preventDefault();
      this.zoomOn(zoomed(this.view(), Math.exp(-event.deltaY / 300), x, this.totalSeconds()));
    } else if (this.closer() && (event.deltaX !== 0 || event.shiftKey)) {
      event.preventDefault();
      const px = event.deltaX !== 0 ? event.deltaX : event.deltaY;
      this.ownView.set(panned(this.view(), px / this.view().pxPerSecond, this.totalSeconds()));
    }
  }

  protected press(event: PointerEvent, segment: ThreadSegment): void {
    if (event.button !== 0) return;
    this.settle();
    event.stopPropagation();
    this.capture(event);
    this.drag.set({ kind: 'order', id: segment.segmentId, fromX: this.xOf(event), x: this.xOf(event), moved: false });
    const how = event.shiftKey ? 'through' : event.ctrlKey || event.metaKey ? 'also' : 'alone';
    if (how !== 'alone' || !this.selected().has(segment.segmentId)) this.picked.emit({ id: segment.segmentId, how });
  }

  protected pressEdge(event: PointerEvent, segment: ThreadSegment): void {
    if (event.button !== 0) return;
    event.stopPropagation();
    this.capture(event);
    const x = this.xOf(event);
    const perStep = Math.max(0.1, this.secondsOfStep()(segment.segmentId));
    this.drag.set({ kind: 'length', id: segment.segmentId, fromX: x, x, perStep });
  }

  protected pressBoard(event: PointerEvent): void {
    this.settle();
    if (event.button !== 0 || !this.closer()) return;
    this.capture(event);
    this.drag.set({ kind: 'view', fromX: this.xOf(event), view: this.view() });
  }

  protected move(event: PointerEvent): void {
    const drag = this.drag();
    if (drag === null) return;
    const x = this.xOf(event);
    if (drag.kind === 'view') {
      this.ownView.set(panned(drag.view, (drag.fromX - x) / drag.view.pxPerSecond, this.totalSeconds()));
    } else if (drag.kind === 'length') this.drag.set({ ...drag, x });
    else this.drag.set({ ...drag, x, moved: drag.moved || Math.abs(x - drag.fromX) > DRAG_FROM });
  }

  protected release(): void {
    const drag = this.drag();
    this.drag.set(null);
    if (drag?.kind === 'order') {
      if (drag.moved) this.dropped.emit(this.indexAt(drag.x));
      else if (this.selected().size > 1) this.picked.emit({ id: drag.id, how: 'alone' });
    }
    if (drag?.kind === 'length') {
      const steps = this.stepsOf(drag);
      if (steps !== 0) this.lengthened.emit({ id: drag.id, steps });
    }
  }

  protected cancel(): void {
    this.drag.set(null);
  }

  protected pressOverview(event: PointerEvent): void {
    const scale = wholeView(this.totalSeconds(), this.width()).pxPerSecond;
    const seconds = this.xOf(event) / scale;
    const { fromSeconds, pxPerSecond } = this.view();
    this.ownView.set(panned(this.view(), seconds - this.width() / pxPerSecond / 2 - fromSeconds, this.totalSeconds()));
  }

  private indexAt(x: number): number {
    const { fromSeconds, pxPerSecond } = this.view();
    return dropIndex(this.drawing().segments, fromSeconds + x / pxPerSecond);
  }

  private left = 0;
  private leftAt = Number.NEGATIVE_INFINITY;

  private stepsOf(drag: Extract<Drag, { kind: 'length' }>): number {
    return Math.round((drag.x - drag.fromX) / this.view().pxPerSecond / drag.perStep);
  }

  private xOf(event: MouseEvent): number {
    // To ask for it lays the page out at once, which a zoom cannot afford in every frame.
    if (event.timeStamp - this.leftAt > LEFT_MS) {
      this.left = this.host.nativeElement.getBoundingClientRect().left;
      this.leftAt = event.timeStamp;
    }
    return event.clientX - this.left;
  }

  private capture(event: PointerEvent): void {
    this.board().nativeElement.setPointerCapture(event.pointerId);
  }
}
