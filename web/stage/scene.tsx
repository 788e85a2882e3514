import { itemAt } from '../../core/lists/index.ts';
import { useFrame, useThree } from '@react-three/fiber';
import { useEffect, useMemo } from 'react';
import * as THREE from 'three';
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js';
import {
  cornerShade,
  drawnModels,
  hiddenBy,
  type DrawnModel,
  type Hidden,
} from '../../core/draw/index.ts';
import { textureOf } from '../../core/models/index.ts';
import { showingAt } from '../../core/textures/index.ts';
import type { Mod, ResolvedBlock } from '../../core/mod/index.ts';
import {
  vector,
  directionStep,
  directions,
  facing,
  type Direction,
  type PlainBox,
  type Vec3,
} from '../../core/space/index.ts';
import { valueIn } from '../../core/states/index.ts';
import { versionOf } from '../api/version.ts';
import { Earth, earthCells, inEarth } from './earth.tsx';
import { partsOf, type Part, type PlacedModel, type Shade } from './geometry.ts';
import { cells, type Arrangement, type SceneOptions } from './options.ts';
import { goingOver, type Over } from './strip-material.ts';
import { useStageTexture } from './textures.ts';

/** How far the camera stands away, in cells. */
const reaches: Record<Arrangement, number> = {
  Alone: 2.85,
  Ground: 3.7,
  Row: 4.4,
  Wall: 4.4,
  Patch: 10.5,
};
const daylight = { Day: [1, 1, 1], Dusk: [0.78, 0.66, 0.6], Night: [0.2, 0.24, 0.34] } as const;

/** The block on its ground: real model and textures, compass, front arrow, outline and light. */
export function Scene({
  mod,
  block,
  state,
  options,
  outline,
  colours,
}: {
  mod: Mod;
  block: ResolvedBlock;
  state: number;
  options: SceneOptions;
  outline: PlainBox[];
  colours: { grid: string; soft: string; tide: string };
}) {
  const emitted = valueIn(block.traits.lightEmitted, block.space, state) ?? 0;
  const at = cells[options.arrangement];
  const ambient = daylight[options.hour].map((value) => Math.max(value, emitted / 15)) as [
    number,
    number,
    number,
  ];
  const first = drawnModels(mod, block, state)[0];
  return (
    <>
      <Orbit
        target={options.arrangement === 'Wall' ? 1 : 0.05}
        reach={reaches[options.arrangement]}
      />
      {options.arrangement !== 'Patch' && options.arrangement !== 'Ground' && (
        <Ground grid={colours.grid} soft={colours.soft} />
      )}
      {options.light && emitted > 0 && <LightOnGround level={emitted} />}
      {options.arrangement === 'Ground' && (
        <Earth
          block={block}
          models={drawnModels(mod, block, state)}
          texels={mod.header.texels}
          ambient={ambient}
        />
      )}
      {options.arrangement === 'Patch' ? (
        <Patch mod={mod} block={block} state={state} at={at} ambient={ambient} />
      ) : (
        at.map((cell) => (
          <Cell
            key={cell.join()}
            mod={mod}
            models={drawnModels(mod, block, state, options.arrangement === 'Alone' ? 0 : cell)}
            cell={cell}
            hidden={
              options.arrangement === 'Ground' ? inEarth : hiddenSides(mod, block, state, cell, at)
            }
            shade={
              block.traits.shadedCorners
                ? shadeAmong(cell, shadersIn(options.arrangement, block, at))
                : undefined
            }
            among={options.arrangement}
            ambient={ambient}
          />
        ))
      )}
      {options.outline &&
        outline.map((box, i) => (
          <OutlineBox key={i} box={box} texels={mod.header.texels} colour={colours.tide} />
        ))}
      {first && options.arrangement === 'Alone' && block.looks.rows.length > 0 && (
        <FrontArrow model={first} colour={colours.tide} />
      )}
    </>
  );
}

/** The cells that darken corners beside them. */
function shadersIn(
  arrangement: Arrangement,
  { traits }: ResolvedBlock,
  cells: readonly Vec3[],
): readonly Vec3[] {
  if (arrangement === 'Ground') return earthCells;
  return arrangement === 'Alone' || traits.hidesNeighbours === 'never' ? [] : cells;
}

const isAmong = (cells: readonly Vec3[], cell: Vec3): boolean =>
  cells.some((other) => other.every((value, i) => value === cell[i]));
const beside = (cell: Vec3, direction: Direction): Vec3 =>
  vector((axis) => cell[axis] + directionStep(direction)[axis]);

/** What neighbours of the same kind leave out of a cell's faces. */
function hiddenSides(
  mod: Mod,
  block: ResolvedBlock,
  state: number,
  cell: Vec3,
  all: readonly Vec3[],
): Map<Direction, Hidden> {
  const hidden = new Map<Direction, Hidden>();
  for (const direction of directions) {
    const other = beside(cell, direction);
    const by =
      isAmong(all, other) &&
      hiddenBy(block, block, drawnModels(mod, block, state, other), direction, mod.header.texels);
    if (by) hidden.set(direction, by);
  }
  return hidden;
}

/** Corners shaded by what stands in the cells around. */
const shadeAmong =
  (cell: Vec3, taken: readonly Vec3[]): Shade =>
  (corner, normal) =>
    cornerShade((place) => isAmong(taken, place), cell, corner, normal);

/** Many cells as few meshes: all faces of one texture together. */
function Patch({
  mod,
  block,
  state,
  at,
  ambient,
}: {
  mod: Mod;
  block: ResolvedBlock;
  state: number;
  at: readonly Vec3[];
  ambient: [number, number, number];
}) {
  const {
    header: { texels },
    models,
    textures,
  } = mod;
  const parts = useMemo(
    () =>
      partsOf(
        at.flatMap((cell) => {
          const hidden = hiddenSides(mod, block, state, cell, at);
          return drawnModels(mod, block, state, cell).map((model): PlacedModel => ({
            ...model,
            hidden,
            shift: vector((axis) => cell[axis] * texels + (model.shift?.[axis] ?? 0)),
          }));
        }),
        texels,
      ),
    // Models and textures are all of the mod that is drawn.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [block, state, at, texels, models, textures],
  );
  useEffect(() => () => parts.forEach((part) => part.geometry.dispose()), [parts]);
  return (
    <group position={[0, 0.5, 0]}>
      {parts.map((part, i) => (
        <PartMesh key={i} mod={mod} part={part} ambient={ambient} />
      ))}
    </group>
  );
}

function Cell({
  mod,
  models,
  cell,
  hidden,
  shade,
  among,
  ambient,
}: {
  mod: Mod;
  models: DrawnModel[];
  cell: Vec3;
  hidden: Map<Direction, Hidden>;
  shade: Shade | undefined;
  among: string;
  ambient: [number, number, number];
}) {
  const key = JSON.stringify([
    [...hidden],
    shade && among,
    models.map((model) => [
      model.orientation,
      model.alphaMode,
      model.alphaCutoff,
      model.tint,
      versionOf(model.quads),
      model.shift,
    ]),
  ]);
  const parts = useMemo(
    () =>
      partsOf(
        models.map((model) => ({ ...model, hidden, ...(shade && !model.shift && { shade }) })),
        mod.header.texels,
      ),
    // The key holds everything that the geometry is made from.
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [key, mod.header.texels],
  );
  useEffect(() => () => parts.forEach((part) => part.geometry.dispose()), [parts]);
  return (
    <group position={[cell[0], cell[1] + 0.5, cell[2]]}>
      {parts.map((part, i) => (
        <PartMesh key={i} mod={mod} part={part} ambient={ambient} />
      ))}
    </group>
  );
}

/** What leaves a material as it is. */
const untouched = () => undefined;

function PartMesh({
  mod,
  part,
  ambient,
}: {
  mod: Mod;
  part: Part;
  ambient: [number, number, number];
}) {
  const texture = useStageTexture(mod, part.texture);
  const declared = part.texture === undefined ? undefined : textureOf(mod, part.texture);
  const frames = Math.round(1 / texture.repeat.y);
  const over = useMemo<Over>(() => ({ way: { value: 0 }, share: { value: 0 } }), []);
  const goesOver = frames > 1 && declared?.strip?.blend === true;
  const onBeforeCompile = useMemo(() => (goesOver ? goingOver(over) : untouched), [goesOver, over]);
  /* eslint-disable react-hooks/immutability -- textures of three.js are moved in place */
  useFrame(({ clock, invalidate }) => {
    if (!declared?.strip || frames < 2) return;
    const at = clock.getElapsedTime() * mod.header.tickRate;
    const { frame, next, share } = showingAt(declared, at);
    texture.offset.y = 1 - (frame + 1) / frames;
    over.way.value = (frame - next) / frames;
    over.share.value = share;
    invalidate();
  });
  /* eslint-enable react-hooks/immutability */
  const blend = part.alphaMode === 'blend';
  return (
    <mesh geometry={part.geometry} renderOrder={blend ? 2 : 1}>
      <meshBasicMaterial
        key={`${part.alphaMode} ${goesOver}`}
        onBeforeCompile={onBeforeCompile}
        map={texture}
        vertexColors
        color={[ambient[0] * part.tint[0], ambient[1] * part.tint[1], ambient[2] * part.tint[2]]}
        transparent={blend}
        depthWrite={!blend}
        alphaTest={part.alphaMode === 'mask' ? part.alphaCutoff : 0}
        toneMapped={false}
      />
    </mesh>
  );
}

/** Turning with the mouse or a finger; the wheel goes nearer. */
function Orbit({ target, reach }: { target: number; reach: number }) {
  const { camera, gl, invalidate } = useThree();
  // In a tall picture the block is farther away, so that it is there from side to side.
  const narrow = useThree(({ size }) =>
    Math.max(1, Math.round((4 * size.height) / size.width) / 4),
  );
  const away = reach * narrow;
  useEffect(() => {
    const controls = new OrbitControls(camera, gl.domElement);
    controls.target.set(0, target + 0.42, 0);
    camera.position.set(away * 0.92, target + away * 0.86, away * 0.92);
    controls.enablePan = false;
    controls.minDistance = 1.2;
    controls.maxDistance = 26;
    controls.update();
    controls.addEventListener('change', () => invalidate());
    invalidate();
    return () => controls.dispose();
  }, [camera, gl, invalidate, target, away]);
  return null;
}

function Ground({ grid, soft }: { grid: string; soft: string }) {
  const lines = useMemo(() => {
    const points: number[] = [];
    for (let i = -2.5; i <= 2.5; i += 1) points.push(-2.5, 0, i, 2.5, 0, i, i, 0, -2.5, i, 0, 2.5);
    return new THREE.BufferGeometry().setAttribute(
      'position',
      new THREE.Float32BufferAttribute(points, 3),
    );
  }, []);
  return (
    <>
      <lineSegments geometry={lines}>
        <lineBasicMaterial color={grid} toneMapped={false} />
      </lineSegments>
      {(
        [
          ['N', 0, -1.5],
          ['E', 1.5, 0],
          ['S', 0, 1.5],
          ['W', -1.5, 0],
        ] as const
      ).map(([letter, x, z]) => (
        <Label key={letter} text={letter} at={[x, 0.02, z]} colour={soft} size={0.034} />
      ))}
    </>
  );
}

/** A short word that always faces the viewer. */
function Label({
  text,
  at,
  colour,
  size,
}: {
  text: string;
  at: Vec3;
  colour: string;
  size: number;
}) {
  const texture = useMemo(() => {
    const canvas = document.createElement('canvas');
    canvas.width = 64 * Math.max(1, Math.ceil(text.length * 0.6));
    canvas.height = 64;
    const context = canvas.getContext('2d')!;
    context.font = '500 40px "IBM Plex Sans", sans-serif';
    context.textAlign = 'center';
    context.textBaseline = 'middle';
    context.fillStyle = colour;
    context.fillText(text, canvas.width / 2, 34);
    const made = new THREE.CanvasTexture(canvas);
    made.colorSpace = THREE.SRGBColorSpace;
    return made;
  }, [text, colour]);
  useEffect(() => () => texture.dispose(), [texture]);
  const wide = Math.max(1, Math.ceil(text.length * 0.6));
  return (
    <sprite position={[...at]} scale={[size * wide, size, 1]} renderOrder={5}>
      <spriteMaterial map={texture} depthTest={false} toneMapped={false} sizeAttenuation={false} />
    </sprite>
  );
}

/** An arrow from the model's front along the ground, so that nobody has to guess where it faces. */
function FrontArrow({ model, colour }: { model: DrawnModel; colour: string }) {
  const [x, y, z] = directionStep(facing(model.orientation, 'front'));
  const lift = y === 0 ? 0.015 : 0.5;
  const at: Vec3 = [x * 0.56, lift + y * 0.56, z * 0.56];
  const turned = useMemo(
    () =>
      new THREE.Quaternion().setFromUnitVectors(
        new THREE.Vector3(0, 0, 1),
        new THREE.Vector3(x, y, z),
      ),
    [x, y, z],
  );
  return (
    <>
      <group position={[...at]} quaternion={turned}>
        <mesh position={[0, 0, 0.16]}>
          <boxGeometry args={[0.022, 0.006, 0.32]} />
          <meshBasicMaterial color={colour} toneMapped={false} />
        </mesh>
        <mesh position={[0, 0, 0.36]} rotation={[Math.PI / 2, 0, 0]} scale={[1, 1, 0.12]}>
          <coneGeometry args={[0.05, 0.11, 24]} />
          <meshBasicMaterial color={colour} toneMapped={false} />
        </mesh>
      </group>
      <Label
        text="front"
        at={[at[0] + x * 0.53, at[1] + y * 0.53 + 0.02, at[2] + z * 0.53]}
        colour={colour}
        size={0.034}
      />
    </>
  );
}

function OutlineBox({ box, texels, colour }: { box: PlainBox; texels: number; colour: string }) {
  const [width, height, depth] = box.size.map((length) => length / texels + 0.004);
  const edges = useMemo(
    () => new THREE.EdgesGeometry(new THREE.BoxGeometry(width, height, depth)),
    [width, height, depth],
  );
  const middle = box.at.map((low, i) => (low + box.size[i]! / 2) / texels - 0.5);
  return (
    <lineSegments
      geometry={edges}
      position={[itemAt(middle, 0), itemAt(middle, 1) + 0.5, itemAt(middle, 2)]}
      renderOrder={4}
    >
      <lineBasicMaterial color={colour} depthTest={false} toneMapped={false} />
    </lineSegments>
  );
}

/** The light on open ground round the block: each step away takes one level. */
function LightOnGround({ level }: { level: number }) {
  const texture = useMemo(() => {
    const side = 31;
    const data = new Uint8Array(side * side * 4);
    for (let z = 0; z < side; z += 1)
      for (let x = 0; x < side; x += 1) {
        const here = Math.max(0, level - Math.abs(x - 15) - Math.abs(z - 15));
        data.set([240, 190, 90, Math.round((here / 15) ** 1.7 * 200)], (z * side + x) * 4);
      }
    const made = new THREE.DataTexture(data, side, side);
    made.colorSpace = THREE.SRGBColorSpace;
    made.needsUpdate = true;
    return made;
  }, [level]);
  useEffect(() => () => texture.dispose(), [texture]);
  return (
    <mesh rotation={[-Math.PI / 2, 0, 0]} position={[0, -0.002, 0]}>
      <planeGeometry args={[31, 31]} />
      <meshBasicMaterial map={texture} transparent depthWrite={false} toneMapped={false} />
    </mesh>
  );
}
