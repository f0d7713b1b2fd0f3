import { BufferAttribute, BufferGeometry, Color, Matrix4, Mesh, MeshLambertMaterial, Vector3 } from 'three';
import {
  boneLength,
  boneMatrix,
  boneNames,
  formSkeleton,
  restSkeleton,
  type Body,
  type BoneName,
  type FigurePose,
  type FormPart,
  type FormStuff,
} from '@pomek/core';
import type { Look } from './looks';

/** How far the belly swells with a full breath, and how wide around, as shares of stature. */
const SWELL = { far: 0.014, wide: 0.075 };
/** Where the breath is in the trunk, as a share of its length from the hips up. */
const BREATH_UP = 0.2;
/** The pelvis begins so far below the hips, as a share of the trunk. */
const BELOW_HIPS = 0.22;
/** Each point is carried by its bones: fewer steps than by a texture of bones, which a machine without a graphics card feels. */
const carriedNormal = `
  mat4 carry = skinWeight.x * bones[int(skinIndex.x)] + skinWeight.y * bones[int(skinIndex.y)]
    + skinWeight.z * bones[int(skinIndex.z)] + skinWeight.w * bones[int(skinIndex.w)];
  vec3 objectNormal = mat3(carry) * normal;
`;
const carriedPoint = `
  vRest = position;
  vWeave = weave * woven;
  vTiring = dot(skinWeight, vec4(tired[int(skinIndex.x)], tired[int(skinIndex.y)], tired[int(skinIndex.z)], tired[int(skinIndex.w)]));
  vec3 transformed = (carry * vec4(position + swelled, 1.0)).xyz;
`;
const breathShader = `
  vec3 fromBelly = (position - belly) / bellyWide;
  vBreath = exp(-dot(fromBelly * vec3(0.55, 1.0, 1.0), fromBelly * vec3(0.55, 1.0, 1.0)));
  vec3 swelled = normal * vBreath * breath * bellyFar;
`;
const tiringShader = `
  diffuseColor.rgb = mix(diffuseColor.rgb, tiringColor, 0.62 * smoothstep(0.25, 0.85, vTiring));
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

/** What the shader is told beside the points. Lengths in m. */
const told = () => ({
  /** From where each bone is at rest to where it is. */
  bones: { value: boneNames.map(() => new Matrix4()) },
  /** How much each bone tires, 0–1. */
  tired: { value: boneNames.map(() => 0) },
  tiringColor: { value: new Color() },
  weaveLeft: { value: new Color() },
  weaveRight: { value: new Color() },
  /** 1 as they are worn, −1 as in a mirror. */
  woven: { value: 1 },
  belly: { value: new Vector3() },
  bellyWide: { value: 1 },
  bellyFar: { value: 0 },
  breath: { value: 0 },
  breathShown: { value: 0 },
  breathColor: { value: new Color() },
});

/** The cloth and the skin: a pattern woven into each side, the breath in the belly, and what tires. */
function clothOf(uniforms: ReturnType<typeof told>): MeshLambertMaterial {
  const material = new MeshLambertMaterial({ vertexColors: true });
  material.onBeforeCompile = (shader) => {
    Object.assign(shader.uniforms, uniforms);
    shader.vertexShader = shader.vertexShader
      .replace(
        '#include <common>',
        `#include <common>
        attribute float weave;
        uniform float woven;
        attribute vec4 skinIndex;
        attribute vec4 skinWeight;
        uniform mat4 bones[${boneNames.length}];
        uniform float tired[${boneNames.length}];
        uniform vec3 belly;
        uniform float bellyWide;
        uniform float bellyFar;
        uniform float breath;
        varying vec3 vRest;
        varying float vWeave;
        varying float vBreath;
        varying float vTiring;`,
      )
      .replace('#include <beginnormal_vertex>', carriedNormal)
      .replace('#include <begin_vertex>', `${breathShader}\n${carriedPoint}`);
    shader.fragmentShader = shader.fragmentShader
      .replace(
        '#include <common>',
        `#include <common>
        uniform vec3 weaveLeft;
        uniform vec3 weaveRight;
        uniform vec3 tiringColor;
        uniform vec3 breathColor;
        uniform float breath;
        uniform float breathShown;
        varying vec3 vRest;
        varying float vWeave;
        varying float vBreath;
        varying float vTiring;`,
      )
      .replace(
        '#include <color_fragment>',
        `#include <color_fragment>\n${tiringShader}\n${weaveShader}\n${breathGlow}`,
      );
  };
  return material;
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

/** How much of another body is seen, 0–1, and when it is drawn: after the first. */
const THROUGH = 0.42;
const THROUGH_ORDER = 1;

/** The surface of a body that is worn in a scene: one mesh, carried by its bones. */
export class WornBody {
  readonly mesh: Mesh<BufferGeometry, MeshLambertMaterial>;
  private readonly stuff: readonly FormStuff[];
  /** From the middle of the body to each bone at rest. */
  private readonly rest: readonly Matrix4[];
  /** Of each bone at rest, m. */
  private readonly lengths: readonly number[];
  private readonly told = told();

  /** @param through whether it is seen through: all of it in one colour */
  constructor(
    parts: readonly FormPart[],
    body: Body,
    private readonly through = false,
  ) {
    const { geometry, stuff } = joined(parts);
    this.stuff = stuff;
    const cloth = clothOf(this.told);
    cloth.transparent = through;
    cloth.opacity = through ? THROUGH : 1;
    this.mesh = new Mesh(geometry, cloth);
    this.mesh.frustumCulled = false;
    if (through) {
      // Over the other body, wherever it is; of itself it hides what lies behind.
      this.mesh.renderOrder = THROUGH_ORDER;
      this.mesh.onBeforeRender = (renderer) => renderer.clearDepth();
    }
    const rest = restSkeleton(body);
    this.rest = boneNames.map((name) => new Matrix4().fromArray(boneMatrix(rest[name])).invert());
    this.lengths = boneNames.map((name) => boneLength(rest[name]));
    const { stature, lengths } = body;
    const up = rest.pelvis.from.y + (BREATH_UP + BELOW_HIPS) * lengths.trunk;
    this.told.belly.value.set(0.055 * stature, up, 0);
    this.told.bellyWide.value = SWELL.wide * stature;
    this.told.bellyFar.value = SWELL.far * stature;
  }

  /** Brings every bone to where it is in a pose. */
  stand(pose: FigurePose): void {
    const places = formSkeleton(pose);
    for (const [index, name] of boneNames.entries()) {
      const stretch = boneLength(places[name]) / this.lengths[index]!;
      this.told.bones.value[index]!.fromArray(boneMatrix(places[name], stretch)).multiply(this.rest[index]!);
    }
  }

  dress({ cloth, weave, path, tiring, other }: Look): void {
    const colors = new Map(Object.entries(cloth).map(([stuff, color]) => [stuff, new Color(color)]));
    const one = new Color(other);
    const attribute = this.mesh.geometry.getAttribute('color') as BufferAttribute;
    for (const [index, stuff] of this.stuff.entries()) {
      const { r, g, b } = this.through ? one : colors.get(stuff)!;
      attribute.setXYZ(index, r, g, b);
    }
    attribute.needsUpdate = true;
    this.told.weaveLeft.value.set(this.through ? other : weave.left);
    this.told.weaveRight.value.set(this.through ? other : weave.right);
    this.told.breathColor.value.set(path);
    this.told.tiringColor.value.set(tiring);
  }

  /** Wears the pattern of each side on the other, as a picture in a mirror does. */
  mirror(is: boolean): void {
    this.told.woven.value = is ? -1 : 1;
  }

  /** How full the belly is, 0–1; null where the breath is not shown. */
  breathe(full: number | null): void {
    this.told.breath.value = full ?? 0;
    this.told.breathShown.value = full === null ? 0 : 1;
  }

  /** Tints what tires first. */
  tire(bones: readonly BoneName[]): void {
    this.told.tired.value = boneNames.map((name) => (bones.includes(name) ? 1 : 0));
  }

  dispose(): void {
    this.mesh.geometry.dispose();
    this.mesh.material.dispose();
  }
}
