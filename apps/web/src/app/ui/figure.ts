import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import {
  bellyShape,
  figureLayers,
  flippedSide,
  layoutFigure,
  percent,
  projector,
  type FigurePose,
  type FigureShape,
  type FigureShare,
  type FigureView,
  type Point3,
  type Region,
} from '@pomek/core';

export interface PathCount {
  readonly count: number;
  readonly point: Point3;
}
/** A checkpoint that is pinned to the figure. */
export interface Pin {
  readonly id: string;
  readonly region: Region;
  readonly safety: boolean;
  /** What a screen reader says. */
  readonly label: string;
  /** Written into the pin. */
  readonly count?: number;
}

let count = 0;

/** A body in one view, with the lines a teacher looks at. */
@Component({
  selector: 'pk-figure',
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './figure.html',
  styleUrl: './figure.scss',
})
export class Figure {
  readonly pose = input.required<FigurePose>();
  readonly view = input<FigureView>('side');
  readonly pxPerMetre = input(240);
  /** What stands for the picture where it is not seen. */
  readonly text = input('');
  readonly pins = input<readonly Pin[]>([]);
  readonly selected = input<string | null>(null);
  readonly handPath = input<readonly Point3[]>([]);
  readonly counts = input<readonly PathCount[]>([]);
  /** Room is left up to here, m: a movement stands on one floor. */
  readonly highest = input(0);
  /** How wide the belly is with the breath, 0–1; null where the breath is not shown. */
  readonly belly = input<number | null>(null);
  /** A picture in a mirror: its right wears the pattern of the left. */
  readonly mirrored = input(false);
  readonly pinPressed = output<string>();

  protected readonly id = `figure-${++count}`;
  protected readonly drawing = computed(() =>
    layoutFigure(this.pose(), this.view(), this.pxPerMetre(), this.highest()),
  );
  protected readonly layers = computed(() => figureLayers(this.drawing().shapes));
  private readonly at = computed(() => projector(this.pose(), this.view(), this.pxPerMetre(), this.highest()));
  protected readonly path = computed(() => {
    const at = this.at();
    const spots = this.handPath().map((point) => at(point));
    return spots.length === 0 ? '' : `M${spots.map(({ x, y }) => `${x.toFixed(1)} ${y.toFixed(1)}`).join('L')}Z`;
  });
  protected readonly numbers = computed(() => {
    const at = this.at();
    return this.counts().map((entry) => ({ count: entry.count, ...at(entry.point) }));
  });
  /** Pins of the same region side by side, the regions where they are on the body. */
  protected readonly spots = computed(() => {
    const places = new Map(this.drawing().pins.map((pin) => [pin.region, pin]));
    const seen = new Map<Region, number>();
    return this.pins().map((pin) => {
      const nth = seen.get(pin.region) ?? 0;
      seen.set(pin.region, nth + 1);
      const { x, y } = places.get(pin.region)!;
      return { ...pin, x: x + nth * 20, y };
    });
  });
  protected readonly breath = computed(() => {
    const belly = this.belly();
    if (belly === null) return null;
    return bellyShape(this.drawing(), this.view(), belly, this.pose().body.stature * this.pxPerMetre());
  });
  protected pattern(side: FigureShape['side']): string {
    const worn = side === 'none' || !this.mirrored() ? side : flippedSide(side);
    return `url(#${this.id}-${worn})`;
  }

  protected readonly shares = computed(() => (this.view() === 'side' ? [] : this.drawing().shares));

  /** From above the words stand outside the feet, from the front under them. */
  protected shareX({ x, side }: FigureShare): number {
    if (this.view() !== 'above') return x;
    return x + (side === 'left' ? -46 : 46);
  }

  protected percent({ share }: FigureShare): string {
    return percent(share);
  }
}
