import { useFrame, useThree } from '@react-three/fiber';
import { useEffect, useRef } from 'react';
import * as THREE from 'three';
import type { Vec3 } from '../../core/space/index.ts';
import type { Ray } from '../../core/models/index.ts';

/**
 * From where one looks at the stage: what takes a point of the scene to the picture and back, and
 * the picture's size in CSS pixels.
 */
export interface View {
  matrix: THREE.Matrix4;
  back: THREE.Matrix4;
  width: number;
  height: number;
}

/** A place of the picture in CSS pixels from its upper left corner. */
export type Pixel = readonly [x: number, y: number];

/** Tells of every change of the view. */
export function Watch({ onView }: { onView: (view: View) => void }) {
  const invalidate = useThree((state) => state.invalidate);
  const last = useRef('');
  useEffect(() => invalidate(), [invalidate]);
  useFrame(({ camera, size: { width, height } }) => {
    camera.updateMatrixWorld();
    const matrix = new THREE.Matrix4().multiplyMatrices(
      camera.projectionMatrix,
      camera.matrixWorldInverse,
    );
    const key = [width, height, ...matrix.elements.map((value) => value.toFixed(5))].join();
    if (key === last.current) return;
    last.current = key;
    onView({ matrix, back: matrix.clone().invert(), width, height });
  });
  return null;
}

/** A point of the model's cell, in texels, as a point of the scene. */
const inScene = ([x, y, z]: Vec3, texels: number): THREE.Vector3 =>
  new THREE.Vector3(x / texels - 0.5, y / texels, z / texels - 0.5);

/** Where a point of the model's cell, in texels, lies on the picture. */
export function pixelOf({ matrix, width, height }: View, point: Vec3, texels: number): Pixel {
  const { x, y } = inScene(point, texels).applyMatrix4(matrix);
  return [((x + 1) / 2) * width, ((1 - y) / 2) * height];
}

/** The line of sight through a place of the picture, in texels of the model's cell. */
export function rayAt({ back, width, height }: View, [px, py]: Pixel, texels: number): Ray {
  const at = (depth: number): Vec3 => {
    const point = new THREE.Vector3((px / width) * 2 - 1, 1 - (py / height) * 2, depth);
    const { x, y, z } = point.applyMatrix4(back);
    return [(x + 0.5) * texels, y * texels, (z + 0.5) * texels];
  };
  const [from, beyond] = [at(-1), at(1)];
  return { from, to: [beyond[0] - from[0], beyond[1] - from[1], beyond[2] - from[2]] };
}
