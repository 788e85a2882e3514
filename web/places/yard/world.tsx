import { useFrame, useThree } from '@react-three/fiber';
import { useEffect, useMemo, useRef, useSyncExternalStore } from 'react';
import * as THREE from 'three';
import { chunkSide, darkness, type ItemPlace, type Region } from '../../../core/yard/index.ts';
import type { YardClient } from '../../api/yard.ts';
import type { SentChunk, Sight } from '../../workers/yard-protocol.ts';
import type { Looking } from './controls.ts';
import { geometryOf, sortFaces, YardMaterials } from './material.ts';
import { hourOf } from './time.ts';
import { usePart } from './use-part.ts';

/** What is drawn beyond the world itself. */
export interface Overlays {
  levels: boolean;
  bodies: boolean;
  /** Not drawn, but heard. */
  sounds: boolean;
  climate: number;
}

interface Shown {
  solid: THREE.Mesh;
  clear: THREE.Mesh;
  sent: SentChunk;
}

/** Whether a chunk may reach a face beyond its own rim: boxes go as far as a cell outside. */
const radius = Math.sqrt(3) * (chunkSide / 2 + 1);

/** The chunks of the world as they are made, each cut away where it is out of sight. */
export function Chunks({ client, materials }: { client: YardClient; materials: YardMaterials }) {
  const group = useMemo(() => new THREE.Group(), []);
  const shown = useMemo(() => new Map<string, Shown>(), []);
  const sortedFrom = useRef(new THREE.Vector3(Infinity, 0, 0));
  const invalidate = useThree((state) => state.invalidate);
  useEffect(() => {
    const drop = ({ solid, clear }: Shown) => {
      group.remove(solid, clear);
      solid.geometry.dispose();
      clear.geometry.dispose();
    };
    const stop = client.onChunks((chunks) => {
      for (const sent of chunks) {
        const key = sent.chunk.join(' ');
        const before = shown.get(key);
        if (before) drop(before);
        const solid = meshOf(sent, 'solid', materials.forSolid(sent.solid));
        const clear = meshOf(sent, 'clear', materials.clear);
        group.add(solid, clear);
        shown.set(key, { solid, clear, sent });
      }
      sortedFrom.current.set(Infinity, 0, 0);
      invalidate();
    });
    return () => {
      stop();
      for (const one of shown.values()) drop(one);
      shown.clear();
    };
  }, [client, group, invalidate, materials, shown]);
  useFrame(({ camera }) => {
    if (camera.position.distanceTo(sortedFrom.current) < 0.5) return;
    sortedFrom.current.copy(camera.position);
    for (const { clear, sent } of shown.values())
      if (sent.clear.faces > 1)
        sortFaces(clear.geometry, sent.clear, camera.position.clone().sub(clear.position));
  });
  return <primitive object={group} />;
}

function meshOf(sent: SentChunk, kind: 'solid' | 'clear', material: THREE.Material): THREE.Mesh {
  const geometry = geometryOf(sent[kind]);
  geometry.boundingSphere = new THREE.Sphere(new THREE.Vector3(), radius);
  const mesh = new THREE.Mesh(geometry, material);
  const [x, y, z] = sent.chunk.map((part) => (part + 0.5) * chunkSide);
  mesh.position.set(x ?? 0, y ?? 0, z ?? 0);
  mesh.visible = sent[kind].faces > 0;
  return mesh;
}

/** The eyes of whoever is in the world: between two ticks they are on the way. */
export function Eyes({ client, looking }: { client: YardClient; looking: Looking }) {
  const invalidate = useThree((state) => state.invalidate);
  useEffect(() => client.onTick(() => invalidate()), [client, invalidate]);
  useEffect(() => looking.onLook(invalidate), [looking, invalidate]);
  useFrame(({ camera }) => {
    const { view } = client;
    const [to, from] = [view.now?.player.eyes, view.before];
    if (!to || !from) return;
    const each = 1000 / (view.yard?.tickRate ?? 20);
    const share = Math.min(1, (performance.now() - view.arrived) / each);
    const at = to.map((part, axis) => from[axis]! + (part - from[axis]!) * share);
    camera.position.set(at[0]!, at[1]!, at[2]);
    showAsFarAs(camera as THREE.PerspectiveCamera, sightIn(client).sight?.blocks ?? sightInAir);
    camera.rotation.set((looking.pitch / 180) * Math.PI, (-looking.yaw / 180) * Math.PI, 0, 'YXZ');
    if (share < 1 && to.some((part, axis) => part !== from[axis])) invalidate();
  });
  return null;
}

/** So many blocks one sees where nothing is in the way. */
export const sightInAir = 160;

/** Leaves out what lies farther than one sees: all of it would be of one colour. */
function showAsFarAs(camera: THREE.PerspectiveCamera, blocks: number): void {
  if (camera.far === blocks) return;
  camera.far = blocks;
  camera.updateProjectionMatrix();
}

/** How far one sees in the fluid that the head is in, if it is in one that says so. */
export function sightIn({ view: { now, yard } }: YardClient): { sight?: Sight } {
  const fluid = now?.player.inFluid;
  const sight = fluid === undefined ? undefined : yard?.sights[fluid];
  return sight ? { sight } : {};
}

/** The hour, the frames of pictures and what is drawn over the world, as they are told. */
export function Weather({
  client,
  materials,
  overlays,
}: {
  client: YardClient;
  materials: YardMaterials;
  overlays: Overlays;
}) {
  const invalidate = useThree((state) => state.invalidate);
  useEffect(() => {
    const show = () => {
      materials.showTick(client.view.now?.tick ?? 0);
      materials.set({
        dark: darkness(hourOf(client.view)),
        climate: overlays.climate,
        showsLevels: overlays.levels,
        ...sightIn(client),
      });
      invalidate();
    };
    show();
    return client.onTick(show);
  }, [client, materials, overlays, invalidate]);
  return null;
}

const outlineInk = new THREE.LineBasicMaterial({ color: '#1c2a30' });
const regionInk = new THREE.LineBasicMaterial({ color: '#a8433a' });
const bodyInk = new THREE.LineBasicMaterial({ color: '#6fbdb8' });

/** The edges of cuboids as lines. */
function edgesOf(bodies: readonly { place: readonly number[]; body: readonly number[] }[]) {
  const points: number[] = [];
  const out = 0.003;
  for (const { place, body } of bodies) {
    const at = (corner: readonly [number, number, number]) =>
      corner.map((high, axis) => place[axis]! + body[axis + high * 3]! + (high ? out : -out));
    for (const axis of [0, 1, 2])
      for (const a of [0, 1])
        for (const b of [0, 1]) {
          const corner: [number, number, number] = [0, 0, 0];
          corner[(axis + 1) % 3] = a;
          corner[(axis + 2) % 3] = b;
          points.push(...at(corner));
          corner[axis] = 1;
          points.push(...at(corner));
        }
  }
  const geometry = new THREE.BufferGeometry();
  geometry.setAttribute('position', new THREE.Float32BufferAttribute(points, 3));
  return geometry;
}

function Edges({
  bodies,
  material,
}: {
  bodies: readonly { place: readonly number[]; body: readonly number[] }[];
  material: THREE.Material;
}) {
  const geometry = useMemo(() => edgesOf(bodies), [bodies]);
  useEffect(() => () => geometry.dispose(), [geometry]);
  return <lineSegments geometry={geometry} material={material} frustumCulled={false} />;
}

/** What one looks at with its outline and how far it is dug; and, if asked for, bodies around. */
export function Marks({
  client,
  bodies,
  region,
}: {
  client: YardClient;
  bodies: boolean;
  region: Region | undefined;
}) {
  const here = usePart(client, ({ now }) => now?.here);
  const dug = usePart(client, ({ now }) => now?.dug ?? 0);
  const fires = usePart(client, ({ now }) => now?.fires);
  const outline = useMemo(
    () => (here?.outline ?? []).map((body) => ({ place: here?.place ?? [], body })),
    [here],
  );
  const all = usePart(client, ({ now }) => now?.bodies);
  const around = useMemo(
    () => (all ?? []).flatMap((at) => at.bodies.map((body) => ({ place: at.place, body }))),
    [all],
  );
  const marked = useMemo(() => region && [boundsOf(region)], [region]);
  return (
    <>
      {outline.length > 0 && <Edges bodies={outline} material={outlineInk} />}
      {bodies && around.length > 0 && <Edges bodies={around} material={bodyInk} />}
      {marked && <Edges bodies={marked} material={regionInk} />}
      {here &&
        dug > 0 &&
        here.outline.map((body) => (
          <Breaking key={body.join(' ')} place={here.place} share={dug} body={body} />
        ))}
      {fires?.map((place) => (
        <mesh key={place.join(' ')} position={[place[0] + 0.5, place[1] + 0.5, place[2] + 0.5]}>
          <boxGeometry args={[1.04, 1.04, 1.04]} />
          <meshBasicMaterial color="#e0703a" transparent opacity={0.35} depthWrite={false} />
        </mesh>
      ))}
    </>
  );
}

/** A region as one cuboid from its lower corner. */
function boundsOf({ from, to }: Region) {
  const place = from.map((part, axis) => Math.min(part, to[axis]!));
  const size = from.map((part, axis) => Math.abs(part - to[axis]!) + 1);
  return { place, body: [0, 0, 0, ...size] };
}

/** So many stages has breaking. */
const stages = 8;
const hatchings = Array.from({ length: stages }, (_, stage) => hatching(stage));

/** Hatching that grows denser from stage to stage. */
function hatching(stage: number): THREE.ShaderMaterial {
  return new THREE.ShaderMaterial({
    transparent: true,
    depthWrite: false,
    polygonOffset: true,
    polygonOffsetFactor: -1,
    uniforms: { share: { value: (stage + 1) / stages } },
    vertexShader: `varying vec2 at;
void main() { at = uv; gl_Position = projectionMatrix * modelViewMatrix * vec4(position, 1.0); }`,
    fragmentShader: `varying vec2 at; uniform float share;
void main() {
  float line = abs(fract((at.x + at.y) * 6.0) - 0.5);
  float other = abs(fract((at.x - at.y) * 6.0) - 0.5);
  bool isInk = line < share * 0.22 || (share > 0.5 && other < (share - 0.5) * 0.4);
  if (!isInk) discard;
  gl_FragColor = vec4(0.11, 0.16, 0.19, 0.75);
}`,
  });
}

function Breaking({
  place,
  share,
  body,
}: {
  place: readonly number[];
  share: number;
  body: readonly number[];
}) {
  const stage = Math.min(stages - 1, Math.floor(share * stages));
  const size = [0, 1, 2].map((axis) => body[axis + 3]! - body[axis]! + 0.01);
  const at = [0, 1, 2].map((axis) => place[axis]! + (body[axis]! + body[axis + 3]!) / 2);
  return (
    <mesh position={at as [number, number, number]} material={hatchings[stage]}>
      <boxGeometry args={size as [number, number, number]} />
    </mesh>
  );
}

/** What dropped and lies about, each about the middle of a cell that stands where it lies. */
export function Flying({ client, materials }: { client: YardClient; materials: YardMaterials }) {
  const flying = usePart(client, ({ now }) => now?.flying);
  return (
    <>
      {flying?.slice(0, 120).map(({ item, at }, i) => (
        <Item
          key={i}
          client={client}
          materials={materials}
          item={item}
          place="ground"
          at={[at[0], at[1] + 0.5, at[2]]}
        />
      ))}
    </>
  );
}

/** An item in the pose of a place, seen from the front along z. */
export function Item({
  client,
  materials,
  item,
  place,
  at,
}: {
  client: YardClient;
  materials: YardMaterials;
  item: string;
  place: ItemPlace;
  at: readonly [number, number, number];
}) {
  const mesh = useSyncExternalStore(client.subscribe, () => client.itemMesh(item, place));
  const geometry = useMemo(() => mesh && geometryOf(mesh), [mesh]);
  useEffect(() => () => geometry?.dispose(), [geometry]);
  if (!geometry || !mesh) return null;
  return <mesh geometry={geometry} material={materials.forSolid(mesh)} position={at} />;
}

/** Texts that stand in the world, each before what it is about. */
export function Signs({ client }: { client: YardClient }) {
  const signs = usePart(client, ({ yard }) => yard?.signs);
  const sprites = useMemo(() => (signs ?? []).slice(0, 200).map(spriteOf), [signs]);
  useEffect(
    () => () => {
      for (const { material } of sprites) {
        material.map?.dispose();
        material.dispose();
      }
    },
    [sprites],
  );
  return (
    <>
      {sprites.map((sprite) => (
        <primitive key={sprite.uuid} object={sprite} />
      ))}
    </>
  );
}

function spriteOf({ place, text }: { place: readonly number[]; text: string }): THREE.Sprite {
  const canvas = document.createElement('canvas');
  const draw = canvas.getContext('2d')!;
  const font = '500 30px "IBM Plex Sans", sans-serif';
  draw.font = font;
  [canvas.width, canvas.height] = [Math.ceil(draw.measureText(text).width) + 24, 46];
  draw.font = font;
  draw.fillStyle = '#fffefbe6';
  draw.beginPath();
  draw.roundRect(0, 0, canvas.width, canvas.height, 8);
  draw.fill();
  draw.fillStyle = '#1c2a30';
  draw.textBaseline = 'middle';
  draw.fillText(text, 12, 24);
  const texture = new THREE.CanvasTexture(canvas);
  texture.colorSpace = THREE.SRGBColorSpace;
  const sprite = new THREE.Sprite(new THREE.SpriteMaterial({ map: texture, depthTest: true }));
  const high = 0.32;
  sprite.scale.set((high * canvas.width) / canvas.height, high, 1);
  sprite.position.set(place[0]! + 0.5, place[1]! + 1.45, place[2]! + 0.5);
  return sprite;
}
