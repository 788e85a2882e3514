/**
 * Walks through the Yard in Chromium for a minute, and through a bare three.js scene of the same
 * triangles on the same way, and tells the frames of both. Both go a stretch at a time, in turns.
 */
import type { Browser, Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { chunksOf, eyesOf, meshChunk, Run, chunkSide, type Drawing } from '../core/yard/index.ts';
import type { Line } from './figures.ts';
import { withApplication } from './with-application.ts';

/** Turn by turn, so that what else the machine does slows one as much as the other. */
const turns = 4;
const secondsATurn = 15;
const size = { width: 1280, height: 800 };
/** Degrees a second: in a minute one looks at everything, several times. */
const turning = 90;

/** Frames that are watched: how long each took, and how many triangles were drawn in all. */
interface Seen {
  isOn: boolean;
  times: number[];
  triangles: number;
}
type Watched = Window & { seen: Seen; watch: (isOn: boolean) => void };

/** Makes a page able to keep how long frames take, and how many triangles are drawn in them. */
async function watchable(page: Page): Promise<void> {
  await page.evaluate(() => {
    const seen: Seen = { isOn: false, times: [], triangles: 0 };
    const watch = (isOn: boolean) => {
      seen.isOn = isOn;
      let last = performance.now();
      const next = (time: number) => {
        if (!seen.isOn) return;
        seen.times.push(time - last);
        last = time;
        requestAnimationFrame(next);
      };
      requestAnimationFrame(next);
    };
    Object.assign(window, { seen, watch });
    const kind = WebGL2RenderingContext.prototype;
    const draw: (...asked: number[]) => void = Reflect.get(kind, 'drawElements');
    Reflect.set(kind, 'drawElements', function (this: unknown, ...asked: number[]) {
      if (seen.isOn) seen.triangles += (asked[1] ?? 0) / 3;
      draw.apply(this, asked);
    });
  });
}

const watch = (page: Page, isOn: boolean): Promise<void> =>
  page.evaluate((on) => (window as unknown as Watched).watch(on), isOn);

async function framesOf(page: Page): Promise<{ late: number; middle: number; triangles: number }> {
  const { times, triangles } = await page.evaluate(() => (window as unknown as Watched).seen);
  const sorted = times.sort((a, b) => a - b);
  const at = (share: number) => sorted[Math.floor(sorted.length * share)] ?? NaN;
  return { late: at(0.95), middle: at(0.5), triangles: triangles / times.length };
}

/** A way that one goes on in turns, and rests on between them. */
interface Walk {
  page: Page;
  go: () => Promise<void>;
  rest: () => Promise<void>;
}

/** In the Yard, by its keys; the ticks rest too. */
async function walkYard(browser: Browser, address: string) {
  const page = await browser.newPage({ viewport: size });
  await page.goto(`${address}/m/saltmarsh/yard`);
  await page.getByText('Salt crust').first().waitFor();
  await page.getByRole('application').focus();
  await page.waitForTimeout(2000);
  const { width, height } = (await page.locator('[role="application"] canvas').boundingBox())!;
  await watchable(page);
  await page.keyboard.press('Space');
  const go = async () => {
    await page.keyboard.press('Space');
    await page.keyboard.down('w');
    await page.keyboard.down('ArrowRight');
  };
  const rest = async () => {
    await page.keyboard.up('w');
    await page.keyboard.up('ArrowRight');
    await page.keyboard.press('Space');
  };
  return { page, go, rest, width, height };
}

/** Where the eyes are on the same way, tick by tick, and all triangles of the scene as points. */
function sceneOf(
  drawing: Drawing,
  run: Run,
): { way: number[][]; points: number[]; uvs: number[]; index: number[] } {
  const { tickRate } = run.pack;
  const way: number[][] = [];
  run.tick([{ do: 'walk', forward: 1, right: 0, up: 0, crouches: false }]);
  for (let tick = 0; tick < turns * secondsATurn * tickRate; tick += 1) {
    const yaw = ((tick * turning) / tickRate) % 360;
    run.tick([{ do: 'look', yaw: Math.round(yaw * 100), pitch: 0 }]);
    way.push([...eyesOf(run.player), yaw]);
  }
  const points: number[] = [];
  const uvs: number[] = [];
  const index: number[] = [];
  for (const chunk of chunksOf(drawing.cells.size)) {
    const { solid, clear } = meshChunk(drawing, chunk);
    for (const mesh of [solid, clear])
      for (let face = 0; face < mesh.faces; face += 1) {
        const first = points.length / 3;
        for (let i = 0; i < 12; i += 1)
          points.push(mesh.positions[face * 12 + i]! + (chunk[i % 3]! + 0.5) * chunkSide);
        uvs.push(...mesh.uvs.subarray(face * 8, face * 8 + 8));
        index.push(first, first + 1, first + 2, first, first + 2, first + 3);
      }
  }
  return { way, points, uvs, index };
}

const bare = `<!doctype html><style>body{margin:0}</style><script type="module">
import * as THREE from '/three.module.js';
window.begin = ({ way, points, uvs, index, tickRate, width, height }) => {
  const renderer = new THREE.WebGLRenderer({ antialias: false, alpha: true });
  renderer.setSize(width, height);
  document.body.append(renderer.domElement);
  const camera = new THREE.PerspectiveCamera(68, width / height, 0.05, 160);
  const geometry = new THREE.BufferGeometry();
  geometry.setAttribute('position', new THREE.Float32BufferAttribute(points, 3));
  geometry.setAttribute('uv', new THREE.Float32BufferAttribute(uvs, 2));
  geometry.setIndex(index);
  const texels = Uint8Array.from({ length: 16 * 16 * 4 }, (_, i) => (i % 4 === 3 ? 255 : (i * 89) % 256));
  const map = new THREE.DataTexture(texels, 16, 16);
  map.wrapS = map.wrapT = THREE.RepeatWrapping;
  map.needsUpdate = true;
  const scene = new THREE.Scene();
  scene.add(new THREE.Mesh(geometry, new THREE.MeshBasicMaterial({ map })));
  let [gone, last, isGoing] = [0, 0, false];
  const draw = (time) => {
    if (!isGoing) return;
    gone += Math.max(0, time - last);
    last = time;
    const at = Math.min(way.length - 1, Math.floor((gone / 1000) * tickRate));
    const [x, y, z, yaw] = way[at];
    camera.position.set(x, y, z);
    camera.rotation.set(0, (-yaw / 180) * Math.PI, 0, 'YXZ');
    renderer.render(scene, camera);
    requestAnimationFrame(draw);
  };
  window.go = (to) => {
    [isGoing, last] = [to, performance.now()];
    requestAnimationFrame(draw);
  };
};
</script>`;

/** Through the same triangles, with nothing beside them. */
async function walkBare(
  browser: Browser,
  scene: ReturnType<typeof sceneOf>,
  { tickRate, width, height }: { tickRate: number; width: number; height: number },
): Promise<Walk> {
  const page = await browser.newPage({ viewport: size });
  await page.route('http://127.0.0.1:1/**', async (route) => {
    const file = new URL(route.request().url()).pathname.slice(1);
    if (file === '') return route.fulfill({ contentType: 'text/html', body: bare });
    return route.fulfill({
      contentType: 'text/javascript',
      body: readFileSync(`node_modules/three/build/${file}`, 'utf8'),
    });
  });
  await page.goto('http://127.0.0.1:1/');
  await page.waitForFunction(() => 'begin' in window);
  await watchable(page);
  await page.evaluate(
    (asked) => (window as unknown as { begin: (asked: unknown) => void }).begin(asked),
    { ...scene, tickRate, width, height },
  );
  const going = (to: boolean) =>
    page.evaluate((on) => (window as unknown as { go: (to: boolean) => void }).go(on), to);
  return { page, go: () => going(true), rest: () => going(false) };
}

async function takeTurns(walks: readonly Walk[]): Promise<void> {
  for (let turn = 0; turn < turns; turn += 1)
    for (const { page, go, rest } of walks) {
      await page.bringToFront();
      await go();
      await watch(page, true);
      await page.waitForTimeout(secondsATurn * 1000);
      await watch(page, false);
      await rest();
    }
}

export async function benchYardWalk(
  drawn: { drawing: Drawing; run: Run },
  line: Line,
): Promise<void> {
  await withApplication(async (address, browser) => {
    const inYard = await walkYard(browser, address);
    const scene = sceneOf(drawn.drawing, drawn.run);
    const { tickRate } = drawn.run.pack;
    const inBare = await walkBare(browser, scene, { ...inYard, tickRate });
    await takeTurns([inYard, inBare]);
    const [yard, plain] = [await framesOf(inYard.page), await framesOf(inBare.page)];
    line(
      'yard.walk.late',
      'yard: 95 of 100 frames of a walk come within',
      `${yard.late.toFixed(1)} ms`,
      `half within ${yard.middle.toFixed(1)} ms, ${Math.round(yard.triangles)} triangles a frame`,
    );
    line(
      'yard.walk.ratio',
      'yard: that ÷ the same through bare triangles with one picture',
      (yard.late / plain.late).toFixed(2),
      `${plain.late.toFixed(1)} ms, half within ${plain.middle.toFixed(1)} ms, ${Math.round(plain.triangles)} triangles`,
    );
  });
}
