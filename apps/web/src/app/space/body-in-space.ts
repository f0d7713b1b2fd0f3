import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  type ElementRef,
  computed,
  effect,
  inject,
  input,
  output,
  signal,
  untracked,
  viewChild,
  type Signal,
} from '@angular/core';
import { NgTemplateOutlet } from '@angular/common';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import equal from 'fast-deep-equal';
import { NEVER, catchError, defer, distinctUntilChanged, filter, map, of, switchMap } from 'rxjs';
import {
  type BoneName,
  type Body,
  percent,
  regionPlaces,
  type FigurePose,
  type FigureView,
  type Point3,
  type Region,
} from '@pomek/core';
import { Figure, type PathCount, type Pin } from '../ui/figure';
import {
  between,
  draggedTo,
  extentOf,
  stands,
  turnedByKey,
  type BodyScene,
  type Extent,
  type Placed,
  type Stand,
} from '@pomek/space';
import { BodyForms } from './body-forms';
import { lookOf } from './look';

/** The views, to choose from. */
export const viewChoices: { readonly label: string; readonly value: FigureView }[] = [
  { label: 'Front', value: 'front' },
  { label: 'Side', value: 'side' },
  { label: 'Behind', value: 'behind' },
  { label: 'Above', value: 'above' },
];
/** How long it takes to turn to another view, ms. */
const TURN_MS = 450;
/** Px between two pins of one region, and between two that are counted. */
const BESIDE = 26;
const COUNTED = 52;

interface Spot {
  readonly pin: Pin;
  readonly x: number;
  readonly y: number;
  /** It lies on what is turned away. */
  readonly away: boolean;
}
/** A place where the body can be taken. */
export interface BodyHandle {
  readonly id: string;
  readonly at: Point3;
  readonly label: string;
  /** It cannot come where it is said to be. */
  readonly faulty: boolean;
}
interface Grip {
  readonly handle: BodyHandle;
  readonly x: number;
  readonly y: number;
}
/** Fewer px than this are no pull. */
const LEAST_PULL = 2;
/** How far a key pulls, px over the picture and m towards who looks. */
const [KEY_PX, KEY_M] = [6, 0.02];
const still = { right: 0, down: 0, nearer: 0 };
const pulls: Readonly<Record<string, typeof still>> = {
  ArrowLeft: { ...still, right: -KEY_PX },
  ArrowRight: { ...still, right: KEY_PX },
  ArrowUp: { ...still, down: -KEY_PX },
  ArrowDown: { ...still, down: KEY_PX },
  PageUp: { ...still, nearer: -KEY_M },
  PageDown: { ...still, nearer: KEY_M },
};
/** After so long without a change it stands still, ms. */
const STILL_MS = 250;

/**
 * A body in space, which can be turned by dragging and by the arrow keys. The outline stands in for it while its surface is made, and takes over where
 * there is no WebGL or it is lost.
 */
@Component({
  selector: 'pk-body-in-space',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Figure, NgTemplateOutlet],
  template: `
    <ng-template #outline>
      <pk-figure
        [pose]="flat() ?? pose()"
        [view]="view()"
        [highest]="highest()"
        [pxPerMetre]="view() === 'above' ? 260 : 200"
        [text]="text()"
        [handPath]="handPath()"
        [counts]="counts()"
        [pins]="outlined() ? pins() : []"
        [selected]="selected()"
        [belly]="belly()"
        [mirrored]="mirrored()"
        (pinPressed)="pinPressed.emit($event)"
      />
    </ng-template>
    @if (outlined()) {
      <ng-container [ngTemplateOutlet]="outline" />
    } @else {
      <div
        class="stage"
        [attr.tabindex]="turnsByKey() ? 0 : null"
        [attr.role]="pins().length > 0 || handles().length > 0 ? 'group' : 'img'"
        [attr.aria-label]="text() + (turnsByKey() ? ' Arrow keys turn it.' : '')"
        (pointerdown)="take($event)"
        (pointermove)="turn($event)"
        (pointerup)="leave()"
        (pointercancel)="leave()"
        (keydown)="turnByKey($event)"
      >
        <canvas #canvas aria-hidden="true"></canvas>
        @for (bead of beads(); track bead.count) {
          <span class="bead num" aria-hidden="true" [style.left.px]="bead.x" [style.top.px]="bead.y">{{
            bead.count
          }}</span>
        }
        @for (share of shares(); track share.side) {
          <span
            class="share num"
            [class.below]="grips().length > 0"
            aria-hidden="true"
            [style.left.px]="share.x"
            [style.top.px]="share.y"
            >{{ share.words }}</span
          >
        }
        @for (spot of spots(); track spot.pin.id) {
          <button
            type="button"
            class="pin"
            [class.safety]="spot.pin.safety"
            [class.away]="spot.away"
            [class.here]="selected() === spot.pin.id"
            [attr.aria-label]="spot.pin.label"
            [attr.aria-pressed]="selected() === spot.pin.id"
            [style.left.px]="spot.x"
            [style.top.px]="spot.y"
            (pointerdown)="$event.stopPropagation()"
            (click)="pinPressed.emit(spot.pin.id)"
          >
            <span class="dot"></span>
            @if (spot.pin.count !== undefined) {
              <span class="times num">{{ spot.pin.count }}×</span>
            }
          </button>
        }
        @for (grip of grips(); track grip.handle.id) {
          <button
            type="button"
            class="grip"
            [class.faulty]="grip.handle.faulty"
            [attr.aria-label]="
              grip.handle.label + '. Arrow keys move it; Page Up and Page Down bring it nearer or further.'
            "
            [style.left.px]="grip.x"
            [style.top.px]="grip.y"
            (pointerdown)="grasp($event, grip.handle)"
            (pointermove)="pull($event)"
            (pointerup)="letGo($event)"
            (pointercancel)="letGo($event)"
            (keydown)="pullByKey($event, grip.handle)"
          >
            <span class="knob"></span>
            <span class="named small" aria-hidden="true">{{ grip.handle.label }}</span>
          </button>
        }
        @if (!drawn()) {
          <div class="making" aria-hidden="true"><ng-container [ngTemplateOutlet]="outline" /></div>
        }
      </div>
    }
  `,
  styleUrl: './body-in-space.scss',
})
export class BodyInSpace {
  private readonly forms = inject(BodyForms);
  readonly pose = input.required<FigurePose>();
  /** The pose as the outline draws it, where that is another one. */
  readonly flat = input<FigurePose>();
  /** From where it is seen until it is turned. */
  readonly view = input<FigureView>('front');
  readonly text = input('');
  /** Whether the arrow keys turn it; not where they mean something else. */
  readonly turnsByKey = input(true);
  readonly handPath = input<readonly Point3[]>([]);
  readonly counts = input<readonly PathCount[]>([]);
  /** Up to where a hand goes, m. */
  readonly highest = input(0);
  /** How far from its middle line something goes, m; of what only stands, as far as it stands. */
  readonly reach = input(0);
  /** A picture in a mirror: its right is the left of who looks at it, and wears the pattern of the left. */
  readonly mirrored = input(false);
  /** Whether the lines that are read stand with it, its centre of mass, and how much of the weight each foot has. */
  readonly lines = input(false);
  /** Checkpoints on the surface. */
  readonly pins = input<readonly Pin[]>([]);
  readonly selected = input<string | null>(null);
  readonly pinPressed = output<string>();
  /** What tires first, tinted. */
  readonly tiring = input<readonly BoneName[]>([]);
  /** Another body, or the same in another posture, seen through it. */
  readonly through = input<FigurePose | null>(null);
  /** Where the body can be taken and moved. */
  readonly handles = input<readonly BodyHandle[]>([]);
  /** A handle was moved to a place in space, m; `done` when it was let go. */
  readonly dragged = output<{ readonly id: string; readonly at: Point3; readonly done: boolean }>();
  /** How wide the belly is with the breath, 0–1; null where the breath is not shown. */
  readonly belly = input<number | null>(null);

  private readonly canvas = viewChild<ElementRef<HTMLCanvasElement>>('canvas');
  /** Where nothing is drawn in space, or the picture was lost. */
  private readonly lost = signal(typeof WebGL2RenderingContext === 'undefined');
  private readonly form = this.formOf(computed(() => this.pose().body));
  private readonly otherForm = this.formOf(computed(() => this.through()?.body ?? null));
  private readonly drawing = toSignal(
    defer(() => (this.lost() ? NEVER : import('@pomek/space/scene'))).pipe(
      map((module) => module.BodyScene),
      catchError(() => of('failed' as const)),
    ),
  );
  protected readonly outlined = computed(() => this.lost() || this.form() === 'failed' || this.drawing() === 'failed');
  private readonly scene = signal<BodyScene | null>(null);
  private readonly stand = signal<Stand>(stands.front);
  private readonly size = signal({ width: 0, height: 0 });
  private readonly look = lookOf();
  protected readonly drawn = signal(false);
  protected readonly beads = signal<readonly (PathCount & { x: number; y: number })[]>([]);
  private frame = 0;
  private settling: ReturnType<typeof setTimeout> | undefined;
  private turning = 0;
  private held: { x: number; y: number; from: Stand } | null = null;
  /** The same pose given once more is no reason to draw. */
  private readonly standing = computed(() => this.pose(), { equal });
  private readonly extent = computed(() => this.extentNow(), { equal });
  protected readonly shares = signal<readonly Share[]>([]);
  protected readonly spots = signal<readonly Spot[]>([]);
  protected readonly grips = signal<readonly Grip[]>([]);
  private grasped: { handle: BodyHandle; x: number; y: number; at: Point3 } | null = null;

  constructor() {
    effect((onCleanup) => {
      const [canvas, Drawing] = [this.canvas()?.nativeElement, this.drawing()];
      if (canvas === undefined || Drawing === undefined || Drawing === 'failed') return;
      let scene: BodyScene;
      try {
        scene = new Drawing(canvas);
      } catch {
        this.lost.set(true);
        return;
      }
      const lose = (): void => this.lost.set(true);
      canvas.addEventListener('webglcontextlost', lose);
      const watch = new ResizeObserver(([entry]) => {
        const { width, height } = entry!.contentRect;
        this.size.set({ width: Math.floor(width), height: Math.floor(height) });
      });
      watch.observe(canvas.parentElement!);
      this.scene.set(scene);
      onCleanup(() => {
        canvas.removeEventListener('webglcontextlost', lose);
        watch.disconnect();
        this.scene.set(null);
        scene.dispose();
      });
    });
    effect(() => {
      const [scene, form] = [this.scene(), this.form()];
      if (scene !== null && form != null && form !== 'failed') scene.wear(form.parts, form);
    });
    effect(() => {
      const [scene, form, tiring] = [this.scene(), this.form(), this.tiring()];
      if (form !== undefined) scene?.tire(tiring);
    });
    effect(() => {
      const [scene, form] = [this.scene(), this.otherForm()];
      if (form !== 'failed' && form !== undefined) scene?.wearOther(form);
    });
    effect(() => {
      const [scene, look] = [this.scene(), this.look()];
      scene?.dress(look);
    });
    effect(() => {
      const [scene, { width, height }] = [this.scene(), this.size()];
      if (width > 0 && height > 0) scene?.resize(width, height);
    });
    effect(() => {
      this.scene()?.follow(this.handPath());
    });
    effect(() => {
      const view = this.view();
      untracked(() => this.turnTo(stands[view]));
    });
    // Whatever changes is drawn once, with the next frame.
    effect(() => {
      const [scene, pose, stand, { width }] = [this.scene(), this.standing(), this.stand(), this.size()];
      const [counts, pins, extent, belly, lines] = [
        this.counts(),
        this.pins(),
        this.extent(),
        this.belly(),
        this.lines(),
      ];
      const [handles, through] = [this.handles(), this.through()];
      this.look();
      this.tiring();
      this.otherForm();
      this.handPath();
      const [form, mirrored] = [this.form(), this.mirrored()];
      cancelAnimationFrame(this.frame);
      clearTimeout(this.settling);
      if (scene === null || width === 0 || form == null) return;
      this.frame = requestAnimationFrame(() => {
        scene.stand(pose);
        if (through !== null) scene.standOther(through);
        scene.mirror(mirrored);
        scene.breathe(belly);
        scene.read(lines ? pose : null);
        const place = scene.draw(stand, extent);
        this.spots.set(spotsOf(pins, pose, place));
        this.grips.set(handles.map((handle) => ({ handle, ...place(handle.at) })));
        this.shares.set(lines ? sharesOf(pose, place) : []);
        this.beads.set(counts.map((entry) => ({ ...entry, ...place(entry.point) })));
        this.drawn.set(true);
        if (scene.isCoarse) {
          this.settling = setTimeout(() => scene.draw(stand, extent, true), STILL_MS);
        }
      });
    });
    inject(DestroyRef).onDestroy(() => {
      cancelAnimationFrame(this.frame);
      cancelAnimationFrame(this.turning);
      clearTimeout(this.settling);
    });
  }

  private extentNow(): Extent {
    const most = { highest: this.highest(), reach: this.reach() };
    const [own, through] = [extentOf(this.standing(), most), this.through()];
    const other = through === null ? own : extentOf(through, most);
    return { highest: Math.max(own.highest, other.highest), reach: Math.max(own.reach, other.reach) };
  }

  /** The surface of a body, made beside the page; null where there is none. */
  private formOf(body: Signal<Body | null>) {
    return toSignal(
      toObservable(body).pipe(
        distinctUntilChanged((one, other) => equal(one, other)),
        filter(() => !this.lost()),
        switchMap((wanted) =>
          wanted === null
            ? of(null)
            : this.forms.of(wanted).pipe(
                map((parts) => ({ body: wanted, parts })),
                catchError(() => of('failed' as const)),
              ),
        ),
      ),
    );
  }

  protected take(event: PointerEvent): void {
    cancelAnimationFrame(this.turning);
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
    this.held = { x: event.clientX, y: event.clientY, from: this.stand() };
  }

  protected turn(event: PointerEvent): void {
    if (this.held === null) return;
    const { x, y, from: begun } = this.held;
    this.stand.set(draggedTo(begun, event.clientX - x, event.clientY - y));
  }

  protected leave(): void {
    this.held = null;
  }

  protected grasp(event: PointerEvent, handle: BodyHandle): void {
    event.stopPropagation();
    (event.currentTarget as HTMLElement).setPointerCapture(event.pointerId);
    this.grasped = { handle, x: event.clientX, y: event.clientY, at: handle.at };
  }

  protected pull(event: PointerEvent): void {
    if (this.grasped === null) return;
    event.stopPropagation();
    this.dragged.emit({ id: this.grasped.handle.id, at: this.pulled(event), done: false });
  }

  protected letGo(event: PointerEvent): void {
    if (this.grasped === null) return;
    event.stopPropagation();
    const { handle, x, y } = this.grasped;
    const at = this.pulled(event);
    this.grasped = null;
    // A press that moved nothing changes nothing.
    if (Math.hypot(event.clientX - x, event.clientY - y) < LEAST_PULL) return;
    this.dragged.emit({ id: handle.id, at, done: true });
  }

  private pulled(event: PointerEvent): Point3 {
    const { at, x, y } = this.grasped!;
    return this.scene()!.moved(at, { right: event.clientX - x, down: event.clientY - y, nearer: 0 });
  }

  protected pullByKey(event: KeyboardEvent, { id, at }: BodyHandle): void {
    const way = pulls[event.key];
    const scene = this.scene();
    if (way === undefined || scene === null || event.altKey || event.ctrlKey || event.metaKey) return;
    event.preventDefault();
    event.stopPropagation();
    this.dragged.emit({ id, at: scene.moved(at, way), done: true });
  }

  protected turnByKey(event: KeyboardEvent): void {
    const to = turnedByKey(this.stand(), event.key);
    if (!this.turnsByKey() || to === null || event.altKey || event.ctrlKey || event.metaKey) return;
    event.preventDefault();
    this.turnTo(to, TURN_MS / 3);
  }

  /** Softly; at once where movement is not wanted. */
  private turnTo(to: Stand, ms = TURN_MS): void {
    cancelAnimationFrame(this.turning);
    const start = this.stand();
    if (!this.drawn() || matchMedia('(prefers-reduced-motion: reduce)').matches) {
      this.stand.set(to);
      return;
    }
    const begun = performance.now();
    const step = (now: number): void => {
      const t = Math.min(1, Math.max(0, (now - begun) / ms));
      this.stand.set(between(start, to, t));
      if (t < 1) this.turning = requestAnimationFrame(step);
    };
    this.turning = requestAnimationFrame(step);
  }
}

interface Share {
  readonly side: 'left' | 'right';
  readonly words: string;
  readonly x: number;
  readonly y: number;
}
/** Room that the words of one foot take, px. */
const WORDS = { wide: 52, high: 18 };
/** How much of the weight each foot has, before its toes; one below the other where they would lie on each other. */
function sharesOf(pose: FigurePose, place: Placed): Share[] {
  if (pose.seated) return [];
  const shares = (['left', 'right'] as const).map((side): Share => {
    const { heel, toe, share } = pose.feet[side];
    const { x, y } = place({ x: toe.x + 0.35 * (toe.x - heel.x), y: 0, z: toe.z + 0.35 * (toe.z - heel.z) });
    return { side, words: `${side === 'left' ? 'L' : 'R'} ${percent(share)}`, x, y };
  });
  const [upper, lower] = shares.toSorted((a, b) => a.y - b.y) as [Share, Share];
  if (Math.abs(upper.x - lower.x) >= WORDS.wide || lower.y - upper.y >= WORDS.high) return shares;
  return [upper, { ...lower, y: upper.y + WORDS.high }];
}

/** Pins where they are on the body; those of one region side by side. */
function spotsOf(pins: readonly Pin[], pose: FigurePose, place: Placed): Spot[] {
  if (pins.length === 0) return [];
  const places = regionPlaces(pose);
  const seen = new Map<Region, number>();
  return pins.map((pin) => {
    const nth = seen.get(pin.region) ?? 0;
    seen.set(pin.region, nth + 1);
    const { at, out } = places[pin.region];
    const { x, y, away } = place(at, out);
    return { pin, x: x + nth * (pin.count === undefined ? BESIDE : COUNTED), y, away };
  });
}
