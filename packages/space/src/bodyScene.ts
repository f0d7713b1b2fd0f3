import {
  CanvasTexture,
  CatmullRomCurve3,
  CircleGeometry,
  CylinderGeometry,
  DirectionalLight,
  HemisphereLight,
  Mesh,
  MeshBasicMaterial,
  MeshLambertMaterial,
  OrthographicCamera,
  PerspectiveCamera,
  PlaneGeometry,
  Scene,
  SphereGeometry,
  TubeGeometry,
  Vector3,
  WebGLRenderer,
} from 'three';
import {
  type Body,
  figureLines,
  type BoneName,
  type FigureLine,
  type FigurePose,
  type FormPart,
  type Point3,
} from '@pomek/core';
import type { Look } from './looks';
import type { Extent, Stand } from './stands';
import { WornBody } from './wornBody';

const OPENING_DEG = 22;
/** Frames after which it is judged whether the machine keeps up, and what they may take, ms. */
const JUDGED = 12;
const SLOW_MS = 45;
/** The coarsest it gets, as a share of the pixels of the screen. */
const COARSEST = 0.6;

/** Where a point falls on the picture, px, and whether a surface there that faces so is turned away. */
export type Placed = (
  point: Point3,
  out?: Point3,
) => { readonly x: number; readonly y: number; readonly away: boolean };

/** From here on a surface counts as turned away: what is just beside the edge is still seen. */
const AWAY = -0.3;
/** From here on a line is looked along. */
const ALONG = 0.9;
/** What is read is drawn last. */
const READ_ORDER = 2;
/** Far enough away to stand outside of everything, m. */
const FAR = 10;
/** A stool: how wide it is, m, and how far below the hips its top, as a share of stature. */
const STOOL = { wide: 0.17, below: 0.056 } as const;
/** What is left around the body, and of floor around all that moves, m. */
const MARGIN = 0.1;

let software: boolean | null = null;
/** Whether pictures are drawn without a graphics card: then no edge is smoothed, which costs half of each frame there. */
function isSoftware(): boolean {
  if (software !== null) return software;
  const gl = document.createElement('canvas').getContext('webgl2');
  const named = gl?.getExtension('WEBGL_debug_renderer_info');
  const name = named == null ? '' : String(gl!.getParameter(named.UNMASKED_RENDERER_WEBGL));
  gl?.getExtension('WEBGL_lose_context')?.loseContext();
  software = /swiftshader|llvmpipe|software|basic render/i.test(name);
  return software;
}

/** A soft round shadow. */
function softSpot(): CanvasTexture {
  const canvas = document.createElement('canvas');
  canvas.width = canvas.height = 64;
  const draw = canvas.getContext('2d')!;
  const round = draw.createRadialGradient(32, 32, 0, 32, 32, 32);
  round.addColorStop(0, 'rgba(255,255,255,1)');
  round.addColorStop(0.55, 'rgba(255,255,255,0.45)');
  round.addColorStop(1, 'rgba(255,255,255,0)');
  draw.fillStyle = round;
  draw.fillRect(0, 0, 64, 64);
  return new CanvasTexture(canvas);
}

/** Of what is read it is seen also where the body stands before it. */
const seenThrough = (): MeshBasicMaterial => new MeshBasicMaterial({ depthTest: false, transparent: true });

const at = ({ x, y, z }: Point3): Vector3 => new Vector3(x, y, z);

/**
 * A body drawn in space, without anything of the page: it is told its pose, its colours and from where it is looked at, and draws when asked.
 * It adds no number to what the core says.
 */
export class BodyScene {
  private readonly renderer: WebGLRenderer;
  private readonly scene = new Scene();
  private readonly camera = new PerspectiveCamera(OPENING_DEG, 1, 1, 30);
  private readonly sky = new HemisphereLight('#ffffff', '#b9b2a4', 1.6);
  private readonly sun = new DirectionalLight('#fff4e4', 1.9);
  private body: WornBody | null = null;
  /** Another body that is seen through it. */
  private other: WornBody | null = null;
  private look: Look | null = null;
  private readonly floor = new Mesh(new CircleGeometry(1, 64), new MeshBasicMaterial());
  private readonly stool = new Mesh(
    new CylinderGeometry(STOOL.wide, STOOL.wide * 0.92, 1, 40),
    new MeshLambertMaterial(),
  );
  private readonly spot = softSpot();
  private readonly shadows: readonly Mesh<PlaneGeometry, MeshBasicMaterial>[];
  private path: Mesh<TubeGeometry, MeshBasicMaterial> | null = null;
  private pathColor = '#000000';
  private readonly rod = new CylinderGeometry(0.003, 0.003, 1, 8);
  private readonly rods: Readonly<Record<FigureLine['kind'], Mesh<CylinderGeometry, MeshBasicMaterial>>>;
  private readonly mass = new Mesh(new SphereGeometry(0.018, 20, 14), seenThrough());
  private taken: number[] = [];
  private coarse = 1;
  /** How coarse it is while something moves. */
  private coarsest = 1;
  private size = { width: 1, height: 1 };

  /** @throws Error where there is no WebGL */
  constructor(canvas: HTMLCanvasElement) {
    this.renderer = new WebGLRenderer({ canvas, antialias: !isSoftware(), alpha: true, powerPreference: 'low-power' });
    this.floor.rotation.x = -Math.PI / 2;
    this.floor.position.y = -0.02;
    this.shadows = [0, 1, 2].map(() => {
      const material = new MeshBasicMaterial({ map: this.spot, transparent: true, depthWrite: false });
      const shadow = new Mesh(new PlaneGeometry(1, 1), material);
      shadow.rotation.x = -Math.PI / 2;
      return shadow;
    });
    const rod = (): Mesh<CylinderGeometry, MeshBasicMaterial> => new Mesh(this.rod, seenThrough());
    this.rods = {
      'toe line': rod(),
      'knee line': rod(),
      plumb: rod(),
      'head now': rod(),
      'head straight': rod(),
      hips: rod(),
    };
    for (const read of [...Object.values(this.rods), this.mass]) read.renderOrder = READ_ORDER;
    this.sun.position.set(2.4, 4, 1.4);

    this.stool.visible = false;
    this.scene.add(this.sky, this.sun, this.floor, this.stool, ...this.shadows, this.camera);
    this.scene.add(...Object.values(this.rods), this.mass);
    this.read(null);
  }

  /** Puts on the surface of a body; the one before is taken off. */
  wear(parts: readonly FormPart[], { body }: Pick<FigurePose, 'body'>): void {
    this.takeOff(this.body);
    this.body = this.puttingOn(new WornBody(parts, body));
  }

  /** The same of another body, seen through the first and the first through it; null: there is none. */
  wearOther(other: { readonly parts: readonly FormPart[]; readonly body: Body } | null): void {
    this.takeOff(this.other);
    this.other = other === null ? null : this.puttingOn(new WornBody(other.parts, other.body, true));
  }

  private puttingOn(worn: WornBody): WornBody {
    this.scene.add(worn.mesh);
    if (this.look !== null) worn.dress(this.look);
    return worn;
  }

  private takeOff(worn: WornBody | null): void {
    if (worn === null) return;
    this.scene.remove(worn.mesh);
    worn.dispose();
  }

  /** Brings the other body into its pose. */
  standOther(pose: FigurePose): void {
    this.other?.stand(pose);
  }

  /** Shows what tires first. */
  tire(bones: readonly BoneName[]): void {
    this.body?.tire(bones);
  }

  /** Brings every bone to where it is in a pose. */
  stand(pose: FigurePose): void {
    this.body?.stand(pose);
    const { stature } = pose.body;
    const seat = pose.pelvis.y - STOOL.below * stature;
    this.stool.visible = pose.seated;
    this.stool.position.set(pose.pelvis.x, seat / 2, pose.pelvis.z);
    this.stool.scale.y = seat;
    const spots = [
      ...(['left', 'right'] as const).map((side) => {
        const { heel, toe, share, lifted } = pose.feet[side];
        const middle = { x: (heel.x + toe.x) / 2, z: (heel.z + toe.z) / 2 };
        // The more weight on it, the darker it lies under the foot.
        return { ...middle, wide: 0.2 * stature, dark: lifted ? 0.08 : 0.12 + 0.5 * share };
      }),
      { x: pose.pelvis.x, z: pose.pelvis.z, wide: 0.52 * stature, dark: 0.16 },
    ];
    for (const [index, { x, z, wide, dark }] of spots.entries()) {
      const shadow = this.shadows[index]!;
      shadow.position.set(x, -0.002 - index * 0.004, z);
      shadow.scale.set(wide, wide, 1);
      shadow.material.opacity = dark;
    }
  }

  /** Shows the lines that are read on a pose, and its centre of mass; none for null. */
  read(pose: FigurePose | null): void {
    this.mass.visible = pose !== null;
    for (const rod of Object.values(this.rods)) rod.visible = false;
    if (pose === null) return;
    this.mass.position.copy(at(pose.centreOfMass));
    for (const { kind, from, to } of figureLines(pose)) {
      const rod = this.rods[kind];
      const along = at(to).sub(at(from));
      rod.visible = true;
      rod.position.copy(at(from)).addScaledVector(along, 0.5);
      rod.scale.y = along.length();
      rod.quaternion.setFromUnitVectors(new Vector3(0, 1, 0), along.normalize());
    }
  }

  /** Wears the pattern of each side on the other, as a picture in a mirror does. */
  mirror(is: boolean): void {
    this.body?.mirror(is);
  }

  /** How full the belly is, 0–1; null where the breath is not shown. */
  breathe(full: number | null): void {
    this.body?.breathe(full);
  }

  /** The way of a hand through the repetition; none where it is empty. */
  follow(points: readonly Point3[]): void {
    if (this.path !== null) {
      this.scene.remove(this.path);
      this.path.geometry.dispose();
      this.path.material.dispose();
      this.path = null;
    }
    if (points.length < 3) return;
    const curve = new CatmullRomCurve3(points.map(at), true);
    const material = new MeshBasicMaterial({ color: this.pathColor });
    this.path = new Mesh(new TubeGeometry(curve, points.length * 3, 0.006, 8, true), material);
    this.scene.add(this.path);
  }

  dress(look: Look): void {
    this.look = look;
    this.body?.dress(look);
    this.other?.dress(look);
    this.floor.material.color.set(look.floor);
    this.stool.material.color.set(look.seat);
    for (const shadow of this.shadows) shadow.material.color.set(look.shadow);
    const { danger, ink, plumb } = look.lines;
    for (const [kind, rod] of Object.entries(this.rods))
      rod.material.color.set(kind === 'toe line' ? danger : kind === 'plumb' || kind === 'hips' ? plumb : ink);
    this.mass.material.color.set(plumb);
    this.pathColor = look.path;
    this.path?.material.color.set(look.path);
    this.sky.intensity = look.sky;
    this.sun.intensity = look.sun;
  }

  resize(width: number, height: number): void {
    this.size = { width, height };
    this.renderer.setPixelRatio(Math.min(devicePixelRatio, 2) * this.coarse);
    this.renderer.setSize(width, height, false);
  }

  /** Whether it is drawn with fewer pixels than the screen has, so that it keeps up. */
  get isCoarse(): boolean {
    return this.coarse < 1;
  }

  /**
   * Draws it as seen from somewhere.
   * @param fine with all pixels: nothing moves any more
   * @returns where a point falls on the picture
   */
  draw({ roundDeg, upDeg }: Stand, { highest, reach, margin = MARGIN }: Extent, fine = false): Placed {
    const { width, height } = this.size;
    const [round, up] = [(roundDeg * Math.PI) / 180, (upDeg * Math.PI) / 180];
    // The middle of what moves, and as far away that all of its height and what it reaches to either side are seen.
    const middle = new Vector3(0, highest / 2 - 0.03, 0);
    const half = Math.tan((OPENING_DEG * Math.PI) / 360);
    const [rise, fall] = [Math.abs(Math.cos(up)), Math.abs(Math.sin(up))];
    const floor = reach + margin;
    this.floor.scale.setScalar(floor);
    const tall = (highest / 2 + margin) * rise + floor * fall;
    const away = Math.max(tall / half, floor / (half * (width / height))) + 0.45 * reach * rise;
    this.camera.aspect = width / height;
    this.camera.position.set(
      middle.x + away * Math.cos(up) * Math.cos(round),
      middle.y + away * Math.sin(up),
      middle.z + away * Math.cos(up) * Math.sin(round),
    );
    // From right above, what is ahead of the body is up on the picture.
    const over = Math.abs(Math.cos(up)) < 0.05;
    this.camera.up.set(over ? -Math.cos(round) : 0, over ? 0 : 1, over ? -Math.sin(round) : 0);
    this.camera.lookAt(middle);
    this.camera.updateProjectionMatrix();
    this.camera.updateMatrixWorld();
    // A line that is looked along is a dot without a meaning.
    const looked = middle.clone().sub(this.camera.position).normalize();
    for (const rod of Object.values(this.rods)) {
      const along = new Vector3(0, 1, 0).applyQuaternion(rod.quaternion);
      rod.material.opacity = Math.abs(along.dot(looked)) > ALONG ? 0 : 1;
    }
    this.setCoarse(fine ? 1 : this.coarsest);
    const begun = performance.now();
    this.renderer.render(this.scene, this.camera);
    // The next frame waits until this one is on the screen.
    if (!fine) requestAnimationFrame(() => this.keepUp(performance.now() - begun));
    return this.placing();
  }

  /**
   * Draws the body alone as it looks from very far away, on nothing.
   * @param roundDeg from where it is seen
   * @param high how much is seen from the middle to the upper edge, m
   * @param middle how high the middle of the picture is over the floor, m
   */
  drawAlone(roundDeg: number, high: number, middle: number): void {
    const { width, height } = this.size;
    const wide = (high * width) / height;
    const camera = new OrthographicCamera(-wide, wide, high, -high, 0.1, 2 * FAR);
    const round = (roundDeg * Math.PI) / 180;
    camera.position.set(FAR * Math.cos(round), middle, FAR * Math.sin(round));
    camera.lookAt(0, middle, 0);
    camera.updateMatrixWorld();
    const rest = [this.floor, ...this.shadows];
    for (const thing of rest) thing.visible = false;
    this.setCoarse(1);
    this.renderer.render(this.scene, camera);
    for (const thing of rest) thing.visible = true;
  }

  private placing(): Placed {
    const [{ width, height }, camera] = [this.size, this.camera];
    return (point, out) => {
      const { x, y } = at(point).project(camera);
      const towards = camera.position.clone().sub(at(point)).normalize();
      const away = out !== undefined && at(out).dot(towards) < AWAY;
      return { x: ((x + 1) / 2) * width, y: ((1 - y) / 2) * height, away };
    };
  }

  /** Where a point is that is moved over the picture as it was drawn last, px, and towards who looks, m. */
  moved(point: Point3, { right, down, nearer }: { right: number; down: number; nearer: number }): Point3 {
    const { width, height } = this.size;
    const to = at(point).project(this.camera);
    to.x += (2 * right) / width;
    to.y -= (2 * down) / height;
    to.unproject(this.camera);
    const towards = this.camera.position.clone().sub(to).normalize();
    const { x, y, z } = to.addScaledVector(towards, nearer);
    return { x, y, z };
  }

  dispose(): void {
    this.follow([]);
    this.takeOff(this.body);
    this.takeOff(this.other);
    for (const shadow of this.shadows) {
      shadow.geometry.dispose();
      shadow.material.dispose();
    }
    for (const { material } of Object.values(this.rods)) material.dispose();
    this.rod.dispose();
    this.mass.geometry.dispose();
    this.mass.material.dispose();
    this.stool.geometry.dispose();
    this.stool.material.dispose();
    this.floor.geometry.dispose();
    this.floor.material.dispose();
    this.spot.dispose();
    this.renderer.dispose();
    this.renderer.forceContextLoss();
  }

  /** A machine that does not keep up gets fewer pixels while something moves, never a slower clock. */
  private keepUp(ms: number): void {
    this.taken.push(ms);
    if (this.taken.length < JUDGED) return;
    const [middle] = this.taken.toSorted((a, b) => a - b).slice(JUDGED / 2);
    this.taken = [];
    if (middle! > SLOW_MS) this.coarsest = Math.max(COARSEST, this.coarsest * 0.75);
  }

  private setCoarse(coarse: number): void {
    if (coarse === this.coarse) return;
    this.coarse = coarse;
    this.resize(this.size.width, this.size.height);
  }
}
