import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { percent, type FigurePose, type Point3, type Region } from '@pomek/core';
import type { FigureShape, FigureView } from './figure-body';
import { layoutFigure, projector, type FigureShare } from './figure.layout';

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

type LayerPart = Pick<FigureShape, 'part' | 'side' | 'path'>;

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
  readonly pinPressed = output<string>();

  protected readonly id = `figure-${++count}`;
  protected readonly drawing = computed(() =>
    layoutFigure(this.pose(), this.view(), this.pxPerMetre(), this.highest()),
  );
  /** Layer by layer, so that each has one outline around all its parts. */
  protected readonly layers = computed(() =>
    [0, 1, 2].map((layer) => {
      const shapes = this.drawing().shapes.filter((shape) => shape.layer === layer);
      // All limbs of a side are one path: a texture is dear to draw, and limbs are outlined the same way round.
      const limbs = (['left', 'right'] as const).map((side): LayerPart => {
        const own = shapes.filter((shape) => shape.part === 'limb' && shape.side === side);
        return { part: 'limb', side, path: own.map((shape) => shape.path).join('') };
      });
      const body = [...shapes.filter((shape) => shape.part !== 'limb'), ...limbs.filter((limb) => limb.path !== '')];
      return { body, sided: body.filter((part) => part.side !== 'none') };
    }),
  );
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
  /** The breath in the body: a soft round in the lower belly that widens. */
  protected readonly breath = computed(() => {
    const belly = this.belly();
    const at = this.drawing().pins.find(({ region }) => region === 'breath');
    if (belly === null || at === undefined) return null;
    const size = this.pose().body.stature * this.pxPerMetre();
    // From the side it swells forward, from elsewhere to both sides.
    const aside = this.view() === 'side';
    const [deep, wide] = aside ? [0.055, 0.035] : [0.05, 0.05];
    return {
      x: at.x - (aside ? 0.028 * size : 0),
      y: at.y,
      rx: size * (0.022 + deep * belly),
      ry: size * (0.03 + wide * belly),
    };
  });
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
