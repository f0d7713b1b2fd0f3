import {
  BufferAttribute,
  BufferGeometry,
  CanvasTexture,
  CatmullRomCurve3,
  CircleGeometry,
  CylinderGeometry,
  Color,
  DirectionalLight,
  HemisphereLight,
  Matrix4,
  Mesh,
  MeshBasicMaterial,
  MeshLambertMaterial,
  PerspectiveCamera,
  PlaneGeometry,
  Scene,
  SphereGeometry,
  TubeGeometry,
  Vector3,
  WebGLRenderer,
} from 'three';
import {
  boneLength,
  boneMatrix,
  boneNames,
  figureLines,
  formSkeleton,
  restSkeleton,
  type FigureLine,
  type FigurePose,
  type FormPart,
  type FormStuff,
  type Point3,
} from '@pomek/core';
import type { Extent, Stand } from './stands';

/** The colours of a scene, as the page has them. */
export interface Look {
  readonly cloth: Readonly<Record<FormStuff, string>>;
  /** What is woven into the sleeves and the trouser legs of each side. */
  readonly weave: { readonly left: string; readonly right: string };
  readonly floor: string;
  readonly seat: string;
  readonly shadow: string;
  readonly path: string;
  /** Of the lines that are read: what must not be passed, what is there, what hangs. */
  readonly lines: { readonly danger: string; readonly ink: string; readonly plumb: string };
  /** How bright the sky is, and how bright the sun. */
  readonly sky: number;
  readonly sun: number;
}

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

/** How far the belly swells with a full breath, and how wide around, as shares of stature. */
const SWELL = { far: 0.014, wide: 0.075 };
/** Where the breath is in the trunk, as a share of its length from the hips up. */
const BREATH_UP = 0.2;
/** From here on a surface counts as turned away: what is just beside the edge is still seen. */
const AWAY = -0.3;
/** From here on a line is looked along. */
const ALONG = 0.9;
/** The pelvis begins so far below the hips, as a share of the trunk. */
const BELOW_HIPS = 0.22;
/** A stool: how wide it is, m, and how far below the hips its top, as a share of stature. */
const STOOL = { wide: 0.17, below: 0.056 } as const;
/** What is left around the body, and how far the floor goes on around all that moves, m. */
const [MARGIN, FLOOR_ROUND] = [0.09, 0.2];

/** Each point is carried by its bones: fewer steps than by a texture of bones, which a machine without a graphics card feels. */
const carriedNormal = `
  mat4 carry = skinWeight.x * bones[int(skinIndex.x)] + skinWeight.y * bones[int(skinIndex.y)]
    + skinWeight.z * bones[int(skinIndex.z)] + skinWeight.w * bones[int(skinIndex.w)];
  vec3 objectNormal = mat3(carry) * normal;
`;
const carriedPoint = `
  vRest = position;
  vWeave = weave * woven;
  vec3 transformed = (carry * vec4(position + swelled, 1.0)).xyz;
`;
const breathShader = `
  vec3 fromBelly = (position - belly) / bellyWide;
  vBreath = exp(-dot(fromBelly * vec3(0.55, 1.0, 1.0), fromBelly * vec3(0.55, 1.0, 1.0)));
  vec3 swelled = normal * vBreath * breath * bellyFar;
`;
const breathGlow = `
  diffuseColor.rgb = mix(diffuseColor.rgb, breathColor, breathShown * smoothstep(0.75 - 0.6 * breath, 1.0 - 0.5 * breath, vBreath) * 0.85);
`;
const weaveShader = `
  float woven = smoothstep(0.45, 0.7, abs(vWeave));
  if (woven > 0.0) {
    float thread;
    if (vWeave < 0.0) {
      float u = (vRest.y + 0.7 * vRest.x + 0.25 * vRest.z) * 36.0;
      float w = fwidth(u);
      float blurred = smoothstep(0.35, 0.8, w);
      thread = mix(1.0 - smoothstep(0.17 - w, 0.17 + w, abs(fract(u) - 0.5)), 0.34, blurred);
    } else {
      vec3 p = vRest * 30.0;
      vec3 a = fract(p) - 0.5;
      vec3 b = fract(p + 0.5) - 0.5;
      float d = sqrt(min(dot(a, a), dot(b, b)));
      float w = fwidth(p.x + p.y + p.z);
      thread = mix(1.0 - smoothstep(0.3 - 0.4 * w, 0.3 + 0.4 * w, d), 0.3, smoothstep(0.5, 1.2, w));
    }
    diffuseColor.rgb = mix(diffuseColor.rgb, vWeave < 0.0 ? weaveLeft : weaveRight, 0.8 * thread * woven);
  }
`;

interface Woven {
  readonly left: { readonly value: Color };
  readonly right: { readonly value: Color };
  /** 1 as they are worn, −1 as in a mirror. */
  readonly as: { value: number };
}
/** What the shader is told of the breath; lengths in m. */
interface Breath {
  readonly belly: { readonly value: Vector3 };
  readonly bellyWide: { value: number };
  readonly bellyFar: { value: number };
  readonly breath: { value: number };
  readonly breathShown: { value: number };
  readonly breathColor: { readonly value: Color };
}

/** The cloth and the skin: a pattern woven into each side, and the breath in the belly. */
function clothOf(woven: Woven, breath: Breath, bones: { readonly value: readonly Matrix4[] }): MeshLambertMaterial {
  const material = new MeshLambertMaterial({ vertexColors: true });
  material.onBeforeCompile = (shader) => {
    Object.assign(shader.uniforms, { weaveLeft: woven.left, weaveRight: woven.right, woven: woven.as, bones }, breath);
    shader.vertexShader = shader.vertexShader
      .replace(
        '#include <common>',
        `#include <common>
        attribute float weave;
        uniform float woven;
        attribute vec4 skinIndex;
        attribute vec4 skinWeight;
        uniform mat4 bones[${boneNames.length}];
        uniform vec3 belly;
        uniform float bellyWide;
        uniform float bellyFar;
        uniform float breath;
        varying vec3 vRest;
        varying float vWeave;
        varying float vBreath;`,
      )
      .replace('#include <beginnormal_vertex>', carriedNormal)
      .replace('#include <begin_vertex>', `${breathShader}\n${carriedPoint}`);
    shader.fragmentShader = shader.fragmentShader
      .replace(
        '#include <common>',
        `#include <common>
        uniform vec3 weaveLeft;
        uniform vec3 weaveRight;
        uniform vec3 breathColor;
        uniform float breath;
        uniform float breathShown;
        varying vec3 vRest;
        varying float vWeave;
        varying float vBreath;`,
      )
      .replace('#include <color_fragment>', `#include <color_fragment>\n${weaveShader}\n${breathGlow}`);
  };
  return material;
}

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

/** All parts as one mesh: one surface to draw. */
function joined(parts: readonly FormPart[]): { geometry: BufferGeometry; stuff: FormStuff[] } {
  const points = parts.reduce((sum, part) => sum + part.points.length / 3, 0);
  const all = {
    position: new Float32Array(points * 3),
    normal: new Float32Array(points * 3),
    color: new Float32Array(points * 3),
    weave: new Float32Array(points),
    skinIndex: new Uint16Array(points * 4),
    skinWeight: new Float32Array(points * 4),
  };
  const index: number[] = [];
  const stuff: FormStuff[] = [];
  let from = 0;
  for (const part of parts) {
    all.position.set(part.points, from * 3);
    all.normal.set(part.normals, from * 3);
    all.weave.set(part.weave, from);
    all.skinIndex.set(part.bones, from * 4);
    all.skinWeight.set(part.weights, from * 4);
    for (const at of part.index) index.push(at + from);
    for (let at = 0; at < part.points.length / 3; at += 1) stuff.push(part.stuff);
    from += part.points.length / 3;
  }
  const geometry = new BufferGeometry();
  for (const [name, values] of Object.entries(all)) {
    const size = name === 'weave' ? 1 : name.startsWith('skin') ? 4 : 3;
    geometry.setAttribute(name, new BufferAttribute(values, size));
  }
  geometry.setIndex(index);
  return { geometry, stuff };
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
  /** From where each bone is at rest to where it is. */
  private readonly bones = { value: boneNames.map(() => new Matrix4()) };
  /** From the middle of the body to each bone at rest. */
  private rest: readonly Matrix4[] = [];
  private body: Mesh<BufferGeometry, MeshLambertMaterial> | null = null;
  private stuff: readonly FormStuff[] = [];
  private look: Look | null = null;
  /** Of each bone at rest, m. */
  private lengths: readonly number[] = [];
  private readonly breath: Breath = {
    belly: { value: new Vector3() },
    bellyWide: { value: 1 },
    bellyFar: { value: 0 },
    breath: { value: 0 },
    breathShown: { value: 0 },
    breathColor: { value: new Color() },
  };
  private readonly weave: Woven = { left: { value: new Color() }, right: { value: new Color() }, as: { value: 1 } };
  private readonly cloth = clothOf(this.weave, this.breath, this.bones);
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
    this.sun.position.set(2.4, 4, 1.4);

    this.stool.visible = false;
    this.scene.add(this.sky, this.sun, this.floor, this.stool, ...this.shadows, this.camera);
    this.scene.add(...Object.values(this.rods), this.mass);
    this.read(null);
  }

  /** Puts on the surface of a body; the one before is taken off. */
  wear(parts: readonly FormPart[], { body }: Pick<FigurePose, 'body'>): void {
    this.takeOff();
    const { geometry, stuff } = joined(parts);
    this.stuff = stuff;
    this.body = new Mesh(geometry, this.cloth);
    this.body.frustumCulled = false;
    const rest = restSkeleton(body);
    this.rest = boneNames.map((name) => new Matrix4().fromArray(boneMatrix(rest[name])).invert());
    const { stature, lengths } = body;
    const up = rest.pelvis.from.y + (BREATH_UP + BELOW_HIPS) * lengths.trunk;
    this.breath.belly.value.set(0.055 * stature, up, 0);
    this.breath.bellyWide.value = SWELL.wide * stature;
    this.breath.bellyFar.value = SWELL.far * stature;
    this.lengths = boneNames.map((name) => boneLength(rest[name]));
    this.scene.add(this.body);
    if (this.look !== null) this.dress(this.look);
  }

  private takeOff(): void {
    if (this.body === null) return;
    this.scene.remove(this.body);
    this.body.geometry.dispose();
    this.body = null;
  }

  /** Brings every bone to where it is in a pose. */
  stand(pose: FigurePose): void {
    const places = formSkeleton(pose);
    if (this.body === null) return;
    for (const [index, name] of boneNames.entries()) {
      const stretch = boneLength(places[name]) / this.lengths[index]!;
      this.bones.value[index]!.fromArray(boneMatrix(places[name], stretch)).multiply(this.rest[index]!);
    }
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
    this.weave.as.value = is ? -1 : 1;
  }

  /** How full the belly is, 0–1; null where the breath is not shown. */
  breathe(full: number | null): void {
    this.breath.breath.value = full ?? 0;
    this.breath.breathShown.value = full === null ? 0 : 1;
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
    const colors = new Map(Object.entries(look.cloth).map(([stuff, color]) => [stuff, new Color(color)]));
    const attribute = this.body?.geometry.getAttribute('color') as BufferAttribute | undefined;
    for (const [index, stuff] of this.stuff.entries()) {
      const { r, g, b } = colors.get(stuff)!;
      attribute?.setXYZ(index, r, g, b);
    }
    if (attribute !== undefined) attribute.needsUpdate = true;
    this.weave.left.value.set(look.weave.left);
    this.weave.right.value.set(look.weave.right);
    this.floor.material.color.set(look.floor);
    this.stool.material.color.set(look.seat);
    for (const shadow of this.shadows) shadow.material.color.set(look.shadow);
    const { danger, ink, plumb } = look.lines;
    for (const [kind, rod] of Object.entries(this.rods))
      rod.material.color.set(kind === 'toe line' ? danger : kind === 'plumb' || kind === 'hips' ? plumb : ink);
    this.mass.material.color.set(plumb);
    this.breath.breathColor.value.set(look.path);
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
  draw({ roundDeg, upDeg }: Stand, { highest, reach }: Extent, fine = false): Placed {
    const { width, height } = this.size;
    const [round, up] = [(roundDeg * Math.PI) / 180, (upDeg * Math.PI) / 180];
    // The middle of what moves, and as far away that all of its height and what it reaches to either side are seen.
    const middle = new Vector3(0, highest / 2 - 0.03, 0);
    const half = Math.tan((OPENING_DEG * Math.PI) / 360);
    const [rise, fall] = [Math.abs(Math.cos(up)), Math.abs(Math.sin(up))];
    const floor = reach + FLOOR_ROUND;
    this.floor.scale.setScalar(floor);
    const tall = (highest / 2 + MARGIN) * rise + floor * fall;
    const away = Math.max(tall / half, (reach + MARGIN) / (half * (width / height))) + 0.45 * reach * rise;
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
    return (point, out) => {
      const { x, y } = at(point).project(this.camera);
      const towards = this.camera.position.clone().sub(at(point)).normalize();
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
    this.takeOff();
    this.cloth.dispose();
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
