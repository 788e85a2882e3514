import { useFrame, useThree } from '@react-three/fiber';
import { useEffect, useMemo } from 'react';

/** So long, in milliseconds, nothing moves before the picture is drawn sharp. */
const rest = 400;
/** Pixels of the drawing beside each other in one of the screen, at rest. */
const sharp = 2;

/** How drivers that compute drawings on the processor call themselves. */
const drawnByProcessor = /swiftshader|llvmpipe|softpipe|software|basic render/i;

/**
 * Whether drawings are computed by a graphics card; without one the page waits for each of them.
 * Not every browser says so when asked for no "major performance caveat", hence by the driver's
 * name (WEBGL_debug_renderer_info, Khronos).
 */
export function hasGraphicsCard(): boolean {
  return (isThere ??= lookForCard());
}

/** It is looked for once: each look takes a context of the few that a page may have. */
let isThere: boolean | undefined;

function lookForCard(): boolean {
  const context = document
    .createElement('canvas')
    .getContext('webgl2', { failIfMajorPerformanceCaveat: true });
  if (!context) return false;
  const names = context.getExtension('WEBGL_debug_renderer_info');
  const driver = names ? String(context.getParameter(names.UNMASKED_RENDERER_WEBGL)) : '';
  context.getExtension('WEBGL_lose_context')?.loseContext();
  return !drawnByProcessor.test(driver);
}

/**
 * Draws with as many pixels as the screen has while something moves, and with four for each once
 * all is at rest and no button is held: smooth edges, for a stage that has none by itself.
 */
export function SharpAtRest() {
  const invalidate = useThree((state) => state.invalidate);
  const gl = useThree((state) => state.gl);
  const resting = useMemo(() => new Resting(invalidate), [invalidate]);
  useEffect(() => resting.watch(), [resting]);
  useFrame(() => {
    const ratio = resting.isNext() ? sharp : 1;
    if (gl.getPixelRatio() !== ratio) gl.setPixelRatio(ratio);
  });
  return null;
}

/** Knows when nothing has moved for a while. */
class Resting {
  #timer: ReturnType<typeof setTimeout> | undefined;
  #isHeld = false;
  #isNext = false;
  readonly #draw: () => void;

  constructor(draw: () => void) {
    this.#draw = draw;
  }

  /** Whether the drawing that comes now is the one at rest; any other begins the wait anew. */
  isNext(): boolean {
    const isNext = this.#isNext;
    this.#isNext = false;
    if (!isNext) this.#wait();
    return isNext;
  }

  /** Hears of buttons held; gives what ends that. */
  watch(): () => void {
    const hold = (isHeld: boolean) => () => {
      this.#isHeld = isHeld;
      if (!isHeld) this.#wait();
    };
    const end = new AbortController();
    const options = { capture: true, passive: true, signal: end.signal };
    addEventListener('pointerdown', hold(true), options);
    addEventListener('pointerup', hold(false), options);
    addEventListener('pointercancel', hold(false), options);
    return () => {
      end.abort();
      clearTimeout(this.#timer);
    };
  }

  #wait() {
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => {
      if (this.#isHeld) return;
      this.#isNext = true;
      this.#draw();
    }, rest);
  }
}
