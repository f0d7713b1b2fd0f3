import { isSideView, type FilmFrom, type FilmSpot, type MarkName } from './still';
import { likeness, patternOf, pyramidOf, squareOf, type GrayFrame, type Pattern, type Pyramid } from './grayFrame';

/** Where a point is found in a frame, px, and how much that can be trusted, 0–100. */
export interface Followed extends FilmSpot {
  readonly trust: number;
}

/** A point is believed from here on; below it is shown as doubtful and nothing is read from it. House value. */
export const TRUSTED = 50;

/** Px from a point to the edge of what is compared, at each of the three sizes. House values. */
const REACH = [11, 9, 7] as const;
/** How far around the place that is expected it is looked for, px of that size. */
const APART = [4, 5, 7] as const;
/** A point that is hidden is looked for so far around, px of the smallest size, and taken up again where it is so alike. House values. */
const [WIDE, AGAIN] = [14, 0.75];
/** It is plainly there where no place around is nearly as alike, and no other point is so near, m. House values. */
const [PLAIN, ELBOWROOM] = [0.15, 0.03];
/** A bone may look so much longer than where it was marked. House value. */
const REACHES = 1.3;
/** What is compared reaches so far around a point, m: little more than the joint. House value. */
const AROUND = 0.035;
/** From toes to ear a body is about so high, m; and a film is about so high. */
const [MARKED_HIGH, FILM_HIGH] = [1.5, 2.2];
/** Alike so far, a place is looked for no further. House value. */
const SAME = 0.9;
/** Alike so far, a place is as good as certain, and as good as a guess. House values. */
const [CERTAIN, GUESS] = [0.95, 0.55];
/** A place that looks so little like anything the point has looked like is another thing that hides it. House value. */
const HIDDEN = 0.65;
/** An earlier look holds a point fast where it is at least so alike; one that is less alike than that is remembered. House values. */
const [HOLDS, KNOWN] = [0.75, 0.9];
/** So many looks of a point are remembered. */
const LOOKS = 6;
/** After so many doubtful frames in a row a point is taken for hidden. */
const HIDDEN_AFTER = 3;
/** After so many a point is lost: it is looked for where it was last, and only trusted when it is plainly there. */
const LOST_AFTER = 10;
/** Going there and back has to end where it began, px of the largest size. */
const ASTRAY = 2;
/** After so many frames all of them are gone back over at once; what comes out so far, m, from where it was then is on another thing. House values. */
const [LOOKS_BACK, CAME_BACK] = [8, 0.03];
/** Of places that are alike the nearer is taken: what is as far off as is looked for is so much less alike. House value. */
const NEARER = 0.02;
/** Where it began it looks less alike than where it came back to, by so much: it went astray. House value. */
const ALONG = 0.04;
/** How far beside its joint a point may have slid before it is doubted, m. House value. */
const SLID = 0.03;
/** By how much a place has to be more alike than those around it to be sharp; it slides by so many px a frame where it is not. House values. */
const [SHARP, SLIDES] = [0.02, 0.5];

/** The bones that join the marks of a side. */
const bones = [
  ['toe', 'heel'],
  ['heel', 'ankle'],
  ['toe', 'ankle'],
  ['ankle', 'knee'],
  ['knee', 'hip'],
  ['hip', 'shoulder'],
  ['shoulder', 'elbow'],
  ['elbow', 'wrist'],
] as const;
/** Seen from the side these keep their length; of the others only quick changes are against them. */
const inPlane = new Set(['toe', 'heel', 'ankle', 'knee', 'hip']);
/** What a bone costs that is longer or shorter by its whole length, in likeness. House values. */
const STIFF = { kept: 100, quick: 12, loose: 1.5 };

interface Bone {
  readonly other: MarkName;
  readonly long: number;
  readonly plane: boolean;
}

/** What a point looked like once, and how far it may have been from its joint then, px. */
interface Look {
  readonly at: readonly (Pattern | null)[];
  readonly slid: number;
  /** The step in which it looked so. */
  readonly step: number;
}

/** What was found in one step. */
export interface FollowStep {
  /** Where each point is; one that is lost stays where it was last seen, with no trust. */
  readonly places: Readonly<Partial<Record<MarkName, Followed>>>;
  /** Points that went over to another thing some time ago: of so many of the last places, this one among them, none holds. */
  readonly astray: Readonly<Partial<Record<MarkName, number>>>;
}

/** A point that may be on another thing is doubted at most so much below what is believed. */
const DOUBTED = TRUSTED - 10;

/**
 * Puts what a step found to what was found before it; what turns out to have been astray is doubted from then on.
 * @param found by frame
 */
export function gather(
  found: Map<number, Partial<Record<MarkName, Followed>>>,
  frame: number,
  way: 1 | -1,
  { places, astray }: FollowStep,
): void {
  found.set(frame, places);
  for (const [name, many] of Object.entries(astray) as [MarkName, number][]) {
    for (let back = 0; back < many; back += 1) {
      const at = frame - back * way;
      const place = found.get(at)?.[name];
      if (place === undefined) continue;
      found.set(at, { ...found.get(at), [name]: { ...place, trust: Math.min(place.trust, DOUBTED) } });
    }
  }
}

/** A frame that was gone through, and where what is believed was in it. */
interface Passed {
  readonly frame: Pyramid;
  readonly rest: Readonly<Partial<Record<MarkName, FilmSpot>>>;
  readonly believed: Readonly<Partial<Record<MarkName, FilmSpot>>>;
}

interface Point {
  readonly name: MarkName;
  readonly bones: readonly Bone[];
  at: FilmSpot;
  speed: FilmSpot;
  trust: number;
  doubts: number;
  /** How far it may have slid from its joint, px. */
  slid: number;
  /** What it looked like at each size: as it was marked, then from time to time. */
  looks: readonly Look[];
  /** What it looked like at each size when it was seen last. */
  last: readonly (Pattern | null)[];
}

const apartOf = (a: FilmSpot, b: FilmSpot): number => Math.hypot(a.x - b.x, a.y - b.y);

/** Where in a map of likeness the best place is, between its cells by a parabola through the best one and its neighbours. */
function bestOf(map: ArrayLike<number>, ways: number): { right: number; down: number; best: number } {
  let at = 0;
  for (let cell = 1; cell < map.length; cell += 1) if (map[cell]! > map[at]!) at = cell;
  const [row, column] = [Math.floor(at / ways), at % ways];
  const between = (low: number, here: number, high: number): number => {
    const bend = low - 2 * here + high;
    return bend >= 0 ? 0 : Math.max(-0.5, Math.min(0.5, (low - high) / (2 * bend)));
  };
  const dx = column > 0 && column < ways - 1 ? between(map[at - 1]!, map[at]!, map[at + 1]!) : 0;
  const dy = row > 0 && row < ways - 1 ? between(map[at - ways]!, map[at]!, map[at + ways]!) : 0;
  const half = (ways - 1) / 2;
  return { right: column - half + dx, down: row - half + dy, best: map[at]! };
}

/** About how many px a metre is, by how high the marks reach. */
function pxPerMetreOf(marks: readonly FilmSpot[], height: number): number {
  const ys = marks.map(({ y }) => y);
  return marks.length < 4 ? height / FILM_HIGH : (Math.max(...ys) - Math.min(...ys)) / MARKED_HIGH;
}

/** Of places that are alike the nearer first. */
function nearerFirst(map: Float32Array, apart: number): Float32Array {
  const ways = 2 * apart + 1;
  return map.map((value, at) => {
    const [right, down] = [(at % ways) - apart, Math.floor(at / ways) - apart];
    return value - (NEARER * (right * right + down * down)) / (apart * apart);
  });
}

/** Alike by so much, a place is trusted by so much, 0–100. */
const trustOf = (alike: number): number => 100 * Math.max(0, Math.min(1, (alike - GUESS) / (CERTAIN - GUESS)));

/**
 * Follows marked points from frame to frame, forwards or backwards: each by how alike its surroundings are to those of
 * the frame before and to what it looked like earlier, sought from a quarter of the size to the whole, and by the
 * lengths of the bones between them. Each step is gone back again; what does not come back where it began is doubted
 * (the forward–backward error; sources: Film), and so is what looks like nothing the point has looked like, and what
 * may have slid along a limb that looks the same all along. From time to time many steps are gone back at once: a hand
 * that went over to the cloth behind it step by step stays on the cloth then, and is told.
 */
export class Follower {
  private readonly points: Point[];
  private readonly length = 2 * APART[0] + 1;
  /** How often a frame is halved before the largest size, and px of a frame that are one px of it. */
  private readonly halved: number;
  private readonly grain: number;
  private readonly pxPerMetre: number;
  private before: Pyramid;
  private steps = 0;
  /** What was gone through since all was gone back, the oldest first. */
  private passed: Passed[];

  private constructor(
    first: Pyramid,
    private readonly size: Pick<GrayFrame, 'width' | 'height'>,
    private readonly from: FilmFrom,
    marks: Readonly<Partial<Record<MarkName, FilmSpot>>>,
    rest: Readonly<Partial<Record<MarkName, FilmSpot>>>,
    scale: { readonly pxPerMetre: number; readonly halved: number },
    /** Each step is gone back again; where all of them are there is no need. */
    private readonly goesBack: boolean,
  ) {
    const all = { ...rest, ...marks };
    this.pxPerMetre = scale.pxPerMetre;
    this.halved = scale.halved;
    this.grain = 2 ** this.halved;
    this.before = first;
    this.passed = [{ frame: first, rest, believed: marks }];
    this.points = (Object.entries(marks) as [MarkName, FilmSpot][]).map(([name, at]) => {
      const last = this.lookOf(this.before, at);
      return {
        name,
        bones: bonesOf(name, all, from),
        at,
        speed: { x: 0, y: 0 },
        trust: 100,
        doubts: 0,
        slid: 0,
        looks: last[0] === null ? [] : [{ at: last, slid: 0, step: 0 }],
        last,
      };
    });
  }

  /**
   * @param first the frame in which the marks lie
   * @param marks points to follow, px
   * @param rest points whose place is known in every frame, given at each step: they only hold the bones
   */
  static begin(
    first: GrayFrame,
    from: FilmFrom,
    marks: Readonly<Partial<Record<MarkName, FilmSpot>>>,
    rest: Readonly<Partial<Record<MarkName, FilmSpot>>> = {},
  ): Follower {
    const pxPerMetre = pxPerMetreOf(Object.values({ ...rest, ...marks }), first.height);
    const halved = Math.max(0, Math.min(4, Math.round(Math.log2((AROUND * pxPerMetre) / REACH[0]))));
    return new Follower(pyramidOf(first, halved), first, from, marks, rest, { pxPerMetre, halved }, true);
  }

  /**
   * Follows into the next frame.
   * @param last no other comes: what was not gone back yet is
   */
  step(next: GrayFrame, rest: Readonly<Partial<Record<MarkName, FilmSpot>>> = {}, last = false): FollowStep {
    const frame = pyramidOf(next, this.halved);
    this.advance(frame, rest);
    this.passed.push({ frame, rest, believed: this.believed() });
    // What hides a point has begun to before it is noticed.
    const hidden = this.points.filter(({ doubts }) => doubts === HIDDEN_AFTER);
    const covered = Object.fromEntries(hidden.map(({ name }) => [name, 2 * HIDDEN_AFTER]));
    const astray = last || this.passed.length > LOOKS_BACK ? this.lookBack() : {};
    return { places: this.places(), astray: { ...covered, ...astray } };
  }

  private places(): Partial<Record<MarkName, Followed>> {
    return Object.fromEntries(
      this.points.map(({ name, at, trust, doubts }) => [name, { ...at, trust: doubts < LOST_AFTER ? trust : 0 }]),
    );
  }

  private believed(): Partial<Record<MarkName, FilmSpot>> {
    return Object.fromEntries(this.points.flatMap(({ name, at, trust }) => (trust < TRUSTED ? [] : [[name, at]])));
  }

  /**
   * Goes back over what was gone through since it was last done, each point from where it was believed last; what does
   * not come out where it was is lost.
   */
  private lookBack(): FollowStep['astray'] {
    const passed = this.passed.toReversed();
    const first = passed.at(-1)!;
    this.passed = [passed[0]!];
    const astray: Partial<Record<MarkName, number>> = {};
    const open = new Set(Object.keys(first.believed) as MarkName[]);
    const scale = { pxPerMetre: this.pxPerMetre, halved: this.halved };
    for (const [at, { frame, believed, rest }] of passed.slice(0, -1).entries()) {
      const here = [...open].filter((name) => believed[name] !== undefined);
      if (here.length === 0) continue;
      const back = new Follower(frame, this.size, this.from, believed, rest, scale, false);
      for (const before of passed.slice(at + 1)) back.advance(before.frame, before.rest);
      const out = back.believed();
      for (const name of here) {
        open.delete(name);
        const there = out[name];
        if (there === undefined || apartOf(there, first.believed[name]!) < CAME_BACK * this.pxPerMetre) continue;
        astray[name] = passed.length - 1;
      }
    }
    for (const point of this.points) {
      if (astray[point.name] === undefined) continue;
      point.at = first.believed[point.name]!;
      point.speed = { x: 0, y: 0 };
      point.trust = 0;
      point.doubts = HIDDEN_AFTER;
      point.looks = point.looks.filter(({ step }) => step <= this.steps - passed.length + 1);
    }
    return astray;
  }

  private advance(frame: Pyramid, rest: Readonly<Partial<Record<MarkName, FilmSpot>>>): void {
    this.steps += 1;
    const known = new Map<MarkName, FilmSpot>(Object.entries(rest) as [MarkName, FilmSpot][]);
    const sought = this.points.map((point) => {
      const one = { point, ...this.around(point, frame) };
      const { right, down } = bestOf(one.map, this.length);
      known.set(point.name, this.beside(one.centre, right, down));
      return { ...one, held: one.map };
    });
    // The bones: each point again with its neighbours where they were just found.
    for (let round = 0; round < 3; round += 1) {
      for (const one of sought) {
        one.held = one.map.map((value, at) => {
          const [right, down] = [(at % this.length) - APART[0], Math.floor(at / this.length) - APART[0]];
          return value - this.costOf(one.point, this.beside(one.centre, right, down), known);
        });
        const { right, down } = bestOf(one.held, this.length);
        known.set(one.point.name, this.beside(one.centre, right, down));
      }
    }
    for (const one of sought) this.settle(one, known.get(one.point.name)!, frame);
    this.before = frame;
  }

  /** Where a point is about: by what it looked like last, and if that was hidden by all that it has looked like. */
  private aboutOf(point: Point, frame: Pyramid): FilmSpot {
    const expected = { x: point.at.x + 0.8 * point.speed.x, y: point.at.y + 0.8 * point.speed.y };
    // Slowly by what lies near, quickly by what lies far: what is more like it then is it.
    const ways: readonly (readonly [Point['last'], FilmSpot, readonly number[], number])[] =
      point.doubts === 0
        ? [
            [point.last, expected, [1, 0], 0],
            [point.last, point.at, [1, 0], 0],
            [point.last, expected, [2, 1, 0], APART[2]],
          ]
        : [point.last, ...point.looks.map(({ at }) => at)].map((look) => [look, expected, [2, 1, 0], WIDE]);
    let best = { spot: expected, alike: -1 };
    for (const [look, start, sizes, wide] of ways) {
      if (look[0] == null) continue;
      const spot = this.soughtIn(frame, look, start, sizes, wide);
      const alike = this.alikeAt(look[0], frame, spot);
      if (alike > best.alike) best = { spot, alike };
      // As good as the same: no other place will be it.
      if (alike > SAME) break;
    }
    return best.spot;
  }

  /** How alike each place is around where a point should be, by what it looked like last and by what holds it fast. */
  private around(point: Point, frame: Pyramid): { centre: FilmSpot; map: Float32Array; anchor: Look | null } {
    const centre = this.aboutOf(point, frame);
    const [reach, apart] = [REACH[0], APART[0]];
    const around = squareOf(frame[0]!, centre.x / this.grain, centre.y / this.grain, reach + apart);
    const byLast = point.last[0] == null ? null : nearerFirst(likeness(point.last[0], around, apart), apart);
    // What it looked like earlier holds it fast, the surest of those it looks like now.
    const { right, down } = byLast === null ? { right: 0, down: 0 } : bestOf(byLast, this.length);
    const here = this.squareAt(frame, this.beside(centre, right, down));
    const good = ({ at, slid }: Look): number => likeness(at[0]!, here, 0)[0]! - (0.02 * slid) / this.grain;
    const look = point.looks.length === 0 ? null : point.looks.reduce((a, b) => (good(b) > good(a) ? b : a));
    const map = look === null ? null : nearerFirst(likeness(look.at[0]!, around, apart), apart);
    const anchor = look !== null && Math.max(...map!) > HOLDS ? { look, map: map! } : null;
    const nothing = new Float32Array(this.length ** 2);
    if (anchor === null) return { centre, map: byLast ?? nothing, anchor: null };
    const both = anchor.map.map((value, at) => 0.6 * value + 0.4 * (byLast ?? anchor.map)[at]!);
    return { centre, map: both, anchor: anchor.look };
  }

  /** Takes a point to where it was found, and says how far it is to be trusted there. */
  private settle(
    {
      point,
      map,
      held,
      centre,
      anchor,
    }: {
      readonly point: Point;
      readonly map: Float32Array;
      readonly held: Float32Array;
      readonly centre: FilmSpot;
      readonly anchor: Look | null;
    },
    spot: FilmSpot,
    frame: Pyramid,
  ): void {
    const { width, height } = this.size;
    const look = this.lookOf(frame, spot);
    const cell = (at: number, from: number): number =>
      Math.max(0, Math.min(this.length - 1, Math.round((at - from) / this.grain) + APART[0]));
    const alike = map[cell(spot.y, centre.y) * this.length + cell(spot.x, centre.x)]!;
    const here = this.squareAt(frame, spot);
    const remembered = Math.max(0, ...point.looks.map(({ at }) => likeness(at[0]!, here, 0)[0]!));
    const astray = this.goesBack ? this.astrayOf(point, look) : 0;
    const outside = spot.x < 0 || spot.y < 0 || spot.x >= width || spot.y >= height;
    const hidden = point.doubts >= HIDDEN_AFTER;
    const seen =
      !outside &&
      (hidden
        ? alike > AGAIN && remembered > AGAIN && this.isPlain(point, spot, held)
        : alike > GUESS && remembered > HIDDEN && astray < 2);
    if (!seen) {
      point.doubts += 1;
      point.trust = outside ? 0 : Math.min(DOUBTED, trustOf(alike));
      point.speed = { x: 0.85 * point.speed.x, y: 0.85 * point.speed.y };
      point.at = { x: point.at.x + point.speed.x, y: point.at.y + point.speed.y };
      return;
    }
    const slides = this.grain * SLIDES * Math.min(1, SHARP / Math.max(1e-4, this.sharpness(held)));
    point.slid = Math.hypot(anchor === null ? point.slid : Math.min(anchor.slid, point.slid), slides);
    point.speed = hidden ? { x: 0, y: 0 } : { x: spot.x - point.at.x, y: spot.y - point.at.y };
    point.doubts = 0;
    point.at = spot;
    point.last = look;
    const far = point.slid / (SLID * this.pxPerMetre);
    point.trust =
      trustOf(Math.min(alike, remembered + 0.1)) / (1 + far * far) / (1 + (hidden ? 0 : Math.max(0, astray - 1)));
    if (remembered < KNOWN && point.trust >= TRUSTED && look[0] !== null) {
      const rest = point.looks.slice(1);
      point.looks = [
        point.looks[0]!,
        ...(rest.length < LOOKS - 1 ? rest : rest.slice(1)),
        { at: look, slid: point.slid, step: this.steps },
      ];
    }
  }

  /** How far a step that is gone back again comes out beside where it began, as a share of what is let pass. */
  private astrayOf({ at }: Point, look: Point['last']): number {
    if (look[0] == null) return 0;
    const back = this.soughtIn(this.before, look, at, [0]);
    // Along a limb that looks the same all along one comes back elsewhere: the bones say where it is then.
    const better = this.alikeAt(look[0], this.before, back) - this.alikeAt(look[0], this.before, at);
    return better > ALONG ? apartOf(back, at) / (ASTRAY * this.grain) : 0;
  }

  /** A point that was hidden is there again: no place around looks like it, no other point is there, and its bones reach. */
  private isPlain(point: Point, spot: FilmSpot, held: Float32Array): boolean {
    const room = ELBOWROOM * this.pxPerMetre;
    const others = this.points.filter((other) => other !== point && other.doubts === 0);
    const reached = point.bones.flatMap(({ other, long }) => {
      const neighbour = others.find(({ name }) => name === other);
      return neighbour === undefined ? [] : [apartOf(neighbour.at, spot) < REACHES * Math.max(long, room)];
    });
    const joined = point.bones.length === 0 || (reached.length > 0 && reached.every(Boolean));
    return joined && this.sharpness(held) > PLAIN && others.every(({ at }) => apartOf(at, spot) > room);
  }

  /** By how much the best place of a map is more alike than the best of those around it that are not its neighbours. */
  private sharpness(map: Float32Array): number {
    let best = 0;
    for (let at = 1; at < map.length; at += 1) if (map[at]! > map[best]!) best = at;
    const [row, column] = [Math.floor(best / this.length), best % this.length];
    let other = -Infinity;
    for (let at = 0; at < map.length; at += 1) {
      const apart = Math.max(Math.abs(Math.floor(at / this.length) - row), Math.abs((at % this.length) - column));
      if (apart >= 3) other = Math.max(other, map[at]!);
    }
    return map[best]! - other;
  }

  private beside({ x, y }: FilmSpot, right: number, down: number): FilmSpot {
    return { x: x + right * this.grain, y: y + down * this.grain };
  }

  private alikeAt(pattern: Pattern, frame: Pyramid, spot: FilmSpot): number {
    return likeness(pattern, this.squareAt(frame, spot), 0)[0]!;
  }

  /** What lies around a place at the largest size. */
  private squareAt(frame: Pyramid, { x, y }: FilmSpot): Float32Array {
    return squareOf(frame[0]!, x / this.grain, y / this.grain, REACH[0]);
  }

  /** What lies around a place, at each size; null where it is of one grey. */
  private lookOf(frame: Pyramid, { x, y }: FilmSpot): (Pattern | null)[] {
    return frame.map((level, size) => {
      const scale = this.grain * 2 ** size;
      return patternOf(squareOf(level, x / scale, y / scale, REACH[size]!), REACH[size]!);
    });
  }

  /** Where a point is about, looked for at these sizes. */
  private soughtIn(
    frame: Pyramid,
    looks: Point['last'],
    expected: FilmSpot,
    sizes: readonly number[],
    wide: number = APART[2],
  ): FilmSpot {
    let spot = expected;
    for (const size of sizes) {
      const pattern = looks[size];
      if (pattern == null) continue;
      const [reach, scale] = [REACH[size]!, this.grain * 2 ** size];
      const apart = size === 2 ? wide : APART[size]!;
      const around = squareOf(frame[size]!, spot.x / scale, spot.y / scale, reach + apart);
      const ways = 2 * apart + 1;
      const map = nearerFirst(likeness(pattern, around, apart), apart);
      const { right, down } = bestOf(map, ways);
      spot = { x: spot.x + right * scale, y: spot.y + down * scale };
    }
    return spot;
  }

  /** What the bones say against a place, in likeness. */
  private costOf(point: Point, spot: FilmSpot, known: ReadonlyMap<MarkName, FilmSpot>): number {
    let cost = 0;
    for (const { other, long, plane } of point.bones) {
      const there = known.get(other);
      if (there === undefined || long < 4) continue;
      const off = (apartOf(spot, there) - long) / Math.max(30, long);
      cost += plane ? STIFF.kept * off * off : STIFF.loose * off * off;
      if (plane) continue;
      const neighbour = this.points.find(({ name }) => name === other);
      if (neighbour === undefined) continue;
      const quick = (apartOf(spot, there) - apartOf(point.at, neighbour.at)) / Math.max(30, long);
      cost += STIFF.quick * quick * quick;
    }
    return cost;
  }
}

function bonesOf(
  name: MarkName,
  marks: Readonly<Partial<Record<MarkName, FilmSpot>>>,
  from: FilmFrom,
): readonly Bone[] {
  const [joint, side] = name.split(' ');
  const here = marks[name]!;
  return bones.flatMap(([a, b]): Bone[] => {
    if (joint !== a && joint !== b) return [];
    const other = `${joint === a ? b : a} ${side!}` as MarkName;
    const there = marks[other];
    if (there === undefined) return [];
    return [{ other, long: apartOf(here, there), plane: isSideView(from) && inPlane.has(a) && inPlane.has(b) }];
  });
}
