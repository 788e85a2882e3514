import * as THREE from 'three';
import {
  brightens,
  colourOfLight,
  darkness,
  frameAt,
  type AtlasPicture,
  type MeshArrays,
} from '../../../core/yard/index.ts';
import { climateColour } from '../../../core/textures/facts/index.ts';
import { hasGraphicsCard } from '../../stage/sharpness.tsx';
import type { SentAtlas, Sight } from '../../workers/yard-protocol.ts';

/** A number as the shaders have it. */
const glsl = (number: number): string => number.toFixed(4);

const vertex = /* glsl */ `
in vec4 tint;
in vec4 lights;
in float picture;
uniform sampler2D frames;
uniform float dark;
uniform float perRow;
uniform vec3 climate[3];
out vec2 vUv;
out vec3 vColour;
flat out float vCutoff;
// Of the frame that shows and of the next, where they begin, in tiles; and how far it has gone over.
flat out vec4 vTiles;
flat out float vShare;
#ifdef LEVELS
out vec3 vPlace;
flat out vec2 vLight;
#endif
#ifdef MIST
uniform vec4 mist;
out float vDepth;
#endif

vec2 tileAt(float tile) { return vec2(mod(tile, perRow), floor(tile / perRow)); }

float brightness(float level) {
  return ${glsl(brightens.least)} +
    ${glsl(1 - brightens.least)} * pow(level / 15.0, ${glsl(brightens.power)});
}

void main() {
  vUv = uv;
  vec3 frame = texelFetch(frames, ivec2(int(picture + 0.5), 0), 0).xyz;
  vTiles = vec4(tileAt(frame.x), tileAt(frame.y));
  vShare = frame.z;
  float block = lights.x * 255.0;
  float day = max(0.0, lights.y * 255.0 - dark);
  vCutoff = lights.w;
  int which = int(tint.w * 255.0 + 0.5);
  vec3 multiplied = which == 0 ? tint.xyz : climate[which - 1];
  vec3 lamp = brightness(block) * vec3(${colourOfLight.lamp.map(glsl).join()});
  vec3 night = vec3(${colourOfLight.night.map(glsl).join()});
  vec3 sun = brightness(day) * mix(vec3(1.0), night, dark / ${glsl(darkness(0))});
  vColour = multiplied * max(lamp, sun) * lights.z;
  gl_Position = projectionMatrix * modelViewMatrix * vec4(position, 1.0);
#ifdef LEVELS
  vPlace = (modelMatrix * vec4(position, 1.0)).xyz;
  vLight = vec2(max(block, day), block);
#endif
#ifdef MIST
  vDepth = gl_Position.w / mist.w;
#endif
}`;

const fragment = /* glsl */ `
precision highp float;
in vec2 vUv;
in vec3 vColour;
flat in float vCutoff;
flat in vec4 vTiles;
flat in float vShare;
uniform sampler2D atlas;
uniform float perRow;
uniform float tileSide;
uniform bool isClear;
#ifdef LEVELS
in vec3 vPlace;
flat in vec2 vLight;
uniform sampler2D digits;
#endif
#ifdef MIST
in float vDepth;
uniform vec4 mist;
#endif
out vec4 colour;

vec4 texel(vec2 tile) {
  // The fraction of what is a hair below a whole number is rounded to 1: that is the next tile.
  vec2 within = min(fract(vUv), 0.9999);
#ifdef SPARING
  return texelFetch(atlas, ivec2((tile + within) * tileSide), 0);
#else
  return textureGrad(atlas, (tile + within) / perRow, dFdx(vUv) / perRow, dFdy(vUv) / perRow);
#endif
}

void main() {
  vec4 shown = texel(vTiles.xy);
#ifdef BLENDS
  if (vShare > 0.0) {
    vec4 next = texel(vTiles.zw);
    float alpha = mix(shown.a, next.a, vShare);
    vec3 mixed = shown.rgb * shown.a * (1.0 - vShare) + next.rgb * next.a * vShare;
    shown = vec4(alpha > 0.0 ? mixed / alpha : mixed, alpha);
  }
#endif
  if (isClear ? shown.a <= 0.0 : vCutoff > 0.0 && shown.a < vCutoff) discard;
  vec3 lit = shown.rgb * vColour;
#ifdef LEVELS
  {
    vec3 normal = normalize(cross(dFdx(vPlace), dFdy(vPlace)));
    vec2 on = abs(normal.y) > 0.5 ? vPlace.xz
      : abs(normal.x) > 0.5 ? vec2(-sign(normal.x) * vPlace.z, -vPlace.y)
      : vec2(sign(normal.z) * vPlace.x, -vPlace.y);
    vec2 at = (fract(on) - 0.5) * 1.6 + 0.5;
    if (at.x > 0.0 && at.x < 1.0 && at.y > 0.0 && at.y < 1.0) {
      float ink = texture(digits, vec2((vLight.x + at.x) / 16.0, at.y)).a;
      lit = mix(lit, vLight.y >= vLight.x ? vec3(1.0, 0.86, 0.5) : vec3(0.96), ink);
    }
  }
#endif
#ifdef MIST
  // In a fluid everything ends in its colour, as far as one sees in it.
  float share = min(vDepth, 1.0);
  colour = vec4(mix(lit, mist.rgb, share), isClear ? mix(shown.a, 1.0, share) : 1.0);
#else
  colour = vec4(lit, isClear ? shown.a : 1.0);
#endif
}`;

const colourOf = (hex: string): THREE.Vector3 =>
  new THREE.Vector3(...[1, 3, 5].map((at) => Number.parseInt(hex.slice(at, at + 2), 16) / 255));

/** The colours that the climate chooses, from 0, cold and wet, to 1, hot and dry. */
const climateColours = (climate: number): THREE.Vector3[] =>
  (['grass', 'leaf', 'water'] as const).map((tint) => colourOf(climateColour(tint, climate)));

/** The numbers 0 to 15 beside one another, as they are written on what is lit. */
function digitTexture(): THREE.Texture {
  const side = 64;
  const canvas = document.createElement('canvas');
  [canvas.width, canvas.height] = [side * 16, side];
  const draw = canvas.getContext('2d');
  if (draw) {
    draw.font = `600 ${side * 0.62}px "IBM Plex Mono", monospace`;
    draw.textAlign = 'center';
    draw.textBaseline = 'middle';
    draw.fillStyle = '#fff';
    for (let level = 0; level < 16; level += 1)
      draw.fillText(String(level), (level + 0.5) * side, side / 2);
  }
  const texture = new THREE.CanvasTexture(canvas);
  texture.flipY = false;
  return texture;
}

function atlasTexture({ levels }: SentAtlas): THREE.DataTexture {
  const [first] = levels;
  const side = first?.side ?? 1;
  const texture = new THREE.DataTexture(first?.data ?? new Uint8Array(4), side, side);
  texture.mipmaps = levels.map((level) => ({
    data: level.data as Uint8Array<ArrayBuffer>,
    width: level.side,
    height: level.side,
  }));
  texture.generateMipmaps = false;
  texture.magFilter = THREE.NearestFilter;
  texture.minFilter = THREE.NearestMipmapLinearFilter;
  texture.needsUpdate = true;
  return texture;
}

/** What everything in the Yard is drawn with: the pictures, which of their frames show, the light. */
export class YardMaterials {
  private readonly solid: THREE.ShaderMaterial;
  private readonly blending: THREE.ShaderMaterial;
  readonly clear: THREE.ShaderMaterial;
  private readonly frames: THREE.DataTexture;
  private readonly pictures: readonly AtlasPicture[];
  private readonly shared: Record<string, THREE.IUniform>;
  private climate = 0.5;

  constructor(atlas: SentAtlas) {
    this.pictures = atlas.pictures;
    const data = new Float32Array(Math.max(1, atlas.pictures.length) * 4);
    this.frames = new THREE.DataTexture(
      data,
      Math.max(1, atlas.pictures.length),
      1,
      THREE.RGBAFormat,
      THREE.FloatType,
    );
    this.shared = {
      atlas: { value: atlasTexture(atlas) },
      digits: { value: digitTexture() },
      frames: { value: this.frames },
      perRow: { value: atlas.perRow },
      tileSide: { value: atlas.tileSide },
      dark: { value: 0 },
      mist: { value: new THREE.Vector4() },
      climate: { value: climateColours(this.climate) },
    };
    // What is not asked of every point costs nothing where nothing asks it.
    this.solid = this.made({ isClear: false, blends: false });
    this.blending = this.made({ isClear: false, blends: true });
    this.clear = this.made({ isClear: true, blends: true });
    this.showTick(0);
  }

  /** For faces that hide what lies behind them: by whether a picture of theirs goes over to its next frame. */
  forSolid({ pictures }: MeshArrays): THREE.ShaderMaterial {
    return pictures.some((number) => this.pictures[number]?.blend) ? this.blending : this.solid;
  }

  private made({ isClear, blends }: { isClear: boolean; blends: boolean }): THREE.ShaderMaterial {
    return new THREE.ShaderMaterial({
      // Without a graphics card the smaller copies of pictures cost more than they are worth.
      defines: { ...(blends && { BLENDS: '' }), ...(!hasGraphicsCard() && { SPARING: '' }) },
      glslVersion: THREE.GLSL3,
      vertexShader: vertex,
      fragmentShader: fragment,
      // The values themselves are shared: what one sets holds for both.
      uniforms: { ...this.shared, isClear: { value: isClear } },
      transparent: isClear,
      depthWrite: !isClear,
    });
  }

  /** Shows the frames of a tick. */
  showTick(tick: number): void {
    const data = this.frames.image.data as unknown as Float32Array;
    this.pictures.forEach((picture, i) => {
      const { frame, next, share } = frameAt(picture, tick);
      data[i * 4] = picture.tile + frame;
      data[i * 4 + 1] = picture.tile + next;
      data[i * 4 + 2] = share;
    });
    this.frames.needsUpdate = true;
  }

  set(values: { dark?: number; climate?: number; showsLevels?: boolean; sight?: Sight }): void {
    if (values.dark !== undefined) this.shared['dark']!.value = values.dark;
    if (values.climate !== undefined && values.climate !== this.climate) {
      this.climate = values.climate;
      this.shared['climate']!.value = climateColours(values.climate);
    }
    if (values.showsLevels !== undefined) this.define('LEVELS', values.showsLevels);
    this.define('MIST', values.sight !== undefined);
    if (values.sight) {
      const { blocks, colour } = values.sight;
      (this.shared['mist']!.value as THREE.Vector4).set(...colour, blocks);
    }
  }

  /** Compiles a part of the drawing in, or leaves it out. */
  private define(part: 'LEVELS' | 'MIST', isIn: boolean): void {
    for (const material of [this.solid, this.blending, this.clear]) {
      const { defines } = material;
      if (part in defines === isIn) continue;
      if (isIn) defines[part] = '';
      else delete defines[part];
      material.needsUpdate = true;
    }
  }

  dispose(): void {
    for (const material of [this.solid, this.blending, this.clear]) material.dispose();
    for (const name of ['atlas', 'digits', 'frames'])
      (this.shared[name]?.value as THREE.Texture).dispose();
  }
}

/** Faces as three.js draws them: two triangles each. */
export function geometryOf(mesh: MeshArrays): THREE.BufferGeometry {
  const geometry = new THREE.BufferGeometry();
  geometry.setAttribute('position', new THREE.BufferAttribute(mesh.positions, 3));
  geometry.setAttribute('uv', new THREE.BufferAttribute(mesh.uvs, 2));
  geometry.setAttribute('tint', new THREE.BufferAttribute(mesh.tints, 4, true));
  geometry.setAttribute('lights', new THREE.BufferAttribute(mesh.lights, 4, true));
  geometry.setAttribute('picture', new THREE.BufferAttribute(mesh.pictures, 1, false));
  const index = new Uint32Array(mesh.faces * 6);
  for (let face = 0; face < mesh.faces; face += 1) setFace(index, face, face, mesh);
  geometry.setIndex(new THREE.BufferAttribute(index, 1));
  return geometry;
}

/** Across a face the split goes so that the shade of its corners does not fold. */
function setFace(index: Uint32Array, at: number, face: number, { lights }: MeshArrays): void {
  const shade = (corner: number) => lights[(face * 4 + corner) * 4 + 2] ?? 0;
  const first = face * 4;
  const isTurned = shade(0) + shade(2) < shade(1) + shade(3);
  const [a, b, c, d] = isTurned ? [1, 2, 3, 0] : [0, 1, 2, 3];
  index.set([first + a, first + b, first + c, first + a, first + c, first + d], at * 6);
}

/** Puts the faces that are seen through in order, the farthest first, as seen from somewhere. */
export function sortFaces(
  geometry: THREE.BufferGeometry,
  mesh: MeshArrays,
  from: THREE.Vector3,
): void {
  const away = Array.from({ length: mesh.faces }, (_, face) => {
    const part = (axis: number) =>
      (mesh.positions[face * 12 + axis]! + mesh.positions[face * 12 + 6 + axis]!) / 2;
    return (part(0) - from.x) ** 2 + (part(1) - from.y) ** 2 + (part(2) - from.z) ** 2;
  });
  const order = [...away.keys()].sort((a, b) => away[b]! - away[a]!);
  const { index } = geometry;
  if (!index) return;
  order.forEach((face, at) => setFace(index.array as Uint32Array, at, face, mesh));
  index.needsUpdate = true;
}
