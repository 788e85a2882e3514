import { useEffect } from 'react';
import type { YardClient } from '../../api/yard.ts';
import { actOnKey, isCommand, isKey } from '../../parts/keys/act-on-key.ts';
import { belongsToField } from '../../parts/keys/belongs-to-field.ts';
import type { KeyName } from '../../parts/keys/table.ts';

/** Where somebody looks, at once, before the world hears of it. */
export class Looking {
  yaw = 0;
  pitch = 0;
  private readonly listeners = new Set<() => void>();

  onLook(listener: () => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  look(yaw: number, pitch: number): void {
    this.yaw = ((yaw % 360) + 360) % 360;
    this.pitch = Math.min(89, Math.max(-89, pitch));
    for (const listener of this.listeners) listener();
  }
  turn(byYaw: number, byPitch: number): void {
    this.look(this.yaw + byYaw, this.pitch + byPitch);
  }
}

/** Where each of the keys for the legs wants to go. */
const legs = {
  walkForward: ['forward', 1],
  walkBack: ['forward', -1],
  walkLeft: ['right', -1],
  walkRight: ['right', 1],
  rise: ['up', 1],
  crouch: ['up', -1],
} as const;
type Walking = keyof typeof legs;
const walking = Object.keys(legs) as Walking[];
/** Degrees for a pixel of the pointer, and for a second of a key. */
const byPixel = 0.14;
const bySecond = 90;

/** Keys that count for as long as they are held, and the pointer, made to deeds. */
export class Controls {
  private readonly held = new Set<Walking>();
  private readonly turning = new Set<string>();
  private digs = false;
  private sent = { yaw: NaN, pitch: NaN };
  private frame = 0;
  private lastFrame = 0;

  constructor(
    private readonly client: YardClient,
    readonly looking: Looking,
  ) {}

  /** Says where one looks, if that is not known yet, before something is done there. */
  settleLook(): void {
    const yaw = Math.round(this.looking.yaw * 100);
    const pitch = Math.round(this.looking.pitch * 100);
    if (this.sent.yaw === yaw && this.sent.pitch === pitch) return;
    this.sent = { yaw, pitch };
    this.client.do({ do: 'look', yaw, pitch });
  }

  act(deed: 'act' | 'place' | 'use'): void {
    this.settleLook();
    this.client.do({ do: deed });
  }

  dig(digs: boolean): void {
    if (this.digs === digs) return;
    this.digs = digs;
    this.settleLook();
    this.client.do({ do: 'dig', digs });
  }

  pointer(across: number, down: number): void {
    this.looking.turn(across * byPixel, -down * byPixel);
    this.settleLook();
  }

  /** A key goes down; tells whether it is one of those that are held. */
  down(event: KeyboardEvent): boolean {
    const walk = walking.find((name) => isKey(name, event));
    if (walk) {
      if (!this.held.has(walk)) this.walk(() => this.held.add(walk));
      return true;
    }
    actOnKey(event, {
      lookAround: (key) => {
        this.turning.add(key);
        if (!this.frame) this.begin();
      },
      digIt: () => this.dig(true),
    });
    return event.defaultPrevented;
  }

  up(event: KeyboardEvent): void {
    const walk = walking.find((name) => isKey(name, event));
    if (walk && this.held.has(walk)) this.walk(() => this.held.delete(walk));
    this.turning.delete(event.key);
    if (isKey('digIt', event)) this.dig(false);
  }

  /** Lets go of everything: the page has lost the keyboard. */
  release(): void {
    if (this.held.size) this.walk(() => this.held.clear());
    this.turning.clear();
    this.dig(false);
  }

  private walk(change: () => void): void {
    change();
    this.settleLook();
    const gait = { forward: 0, right: 0, up: 0 };
    for (const name of this.held) {
      const [way, by] = legs[name];
      gait[way] += by;
    }
    this.client.do({ do: 'walk', ...gait, crouches: this.held.has('crouch') });
  }

  private begin(): void {
    this.lastFrame = performance.now();
    const step = (time: number) => {
      if (!this.turning.size) {
        this.frame = 0;
        return;
      }
      const by = (Math.min(100, Math.max(8, time - this.lastFrame)) / 1000) * bySecond;
      this.lastFrame = time;
      const is = (key: string) => Number(this.turning.has(key));
      this.looking.turn(
        (is('ArrowRight') - is('ArrowLeft')) * by,
        (is('ArrowUp') - is('ArrowDown')) * by,
      );
      this.settleLook();
      this.frame = requestAnimationFrame(step);
    };
    this.frame = requestAnimationFrame(step);
  }
}

/** What keys of the Yard do at once. */
export type YardActs = Partial<Record<KeyName, () => void>>;

/** Binds the keys of the Yard for as long as it is shown. */
export function useYardKeys(controls: Controls, acts: YardActs): void {
  useEffect(() => {
    const isOthers = (event: KeyboardEvent) =>
      event.defaultPrevented ||
      isCommand(event) ||
      (event.target instanceof HTMLElement && belongsToField(event.key, event.target, false));
    const down = (event: KeyboardEvent) => {
      if (isOthers(event)) return;
      if (controls.down(event)) event.preventDefault();
      else if (!event.repeat) actOnKey(event, acts);
    };
    const up = (event: KeyboardEvent) => controls.up(event);
    const release = () => controls.release();
    window.addEventListener('keydown', down);
    window.addEventListener('keyup', up);
    window.addEventListener('blur', release);
    return () => {
      window.removeEventListener('keydown', down);
      window.removeEventListener('keyup', up);
      window.removeEventListener('blur', release);
      controls.release();
    };
  }, [controls, acts]);
}
