import { useRef, useState } from 'react';
import {
  matchPictures,
  takePictures,
  type ArrivingPicture,
  type PictureGoal,
} from '../../../core/models/index.ts';
import { nameFrom, type Mod } from '../../../core/mod/index.ts';
import { freeName } from '../../../core/lists/index.ts';
import { decodePicture } from '../../../core/textures/index.ts';
import { count, messageOf } from '../../../core/words/index.ts';
import { useSession } from '../../api/hooks.tsx';
import { uploadPicture } from '../../api/textures.ts';

/** A picture file that has come in, and what is to become of it. */
export interface Arrival {
  file: File;
  width: number;
  height: number;
  /** What it is called as a texture of its own. */
  ownName: string;
  goal: PictureGoal;
}

/** So long pictures are read before the page draws again, in milliseconds. */
const longestPiece = 12;
/** So many are sent to the server side by side. */
const senders = 4;

/** Pictures on their way into the mod, from the drop to the step that takes them in. */
export interface Arriving {
  arrivals: readonly Arrival[];
  /** Why files are no pictures. */
  problems: readonly string[];
  /** How many of them are with the server already, while they are sent. */
  sent: number | undefined;
  begin: (files: readonly File[]) => Promise<void>;
  setGoal: (index: number, goal: PictureGoal) => void;
  takeIn: () => Promise<void>;
  /** Stops, and changes nothing. */
  leave: () => void;
}

export function useArriving(): Arriving {
  const session = useSession();
  const [arrivals, setArrivals] = useState<readonly Arrival[]>([]);
  const [problems, setProblems] = useState<readonly string[]>([]);
  const [sent, setSent] = useState<number>();
  const stop = useRef<AbortController>(undefined);
  const begin = async (files: readonly File[]) => {
    const { read, wrong } = await readAll(files);
    const { mod } = session.view;
    const goals = matchPictures(
      mod,
      read.map(({ file }) => file.name),
    );
    setProblems(wrong);
    setArrivals(
      read.map((one, i) => {
        const goal: PictureGoal = goals[i] ?? { kind: 'leave' };
        return { ...one, goal, ownName: ownNameOf(mod, goal, one.file) };
      }),
    );
  };
  const leave = () => {
    stop.current?.abort();
    setArrivals([]);
    setProblems([]);
    setSent(undefined);
  };
  const takeIn = async () => {
    const controller = new AbortController();
    stop.current = controller;
    setSent(0);
    try {
      const wanted = arrivals.filter(({ goal }) => goal.kind !== 'leave');
      const pictures = await sendAll(wanted, controller.signal, setSent);
      if (controller.signal.aborted) return;
      const { mod } = session.view;
      session.edit(labelOf(wanted), takePictures(mod, pictures));
      leave();
    } catch (error) {
      setSent(undefined);
      setProblems([messageOf(error)]);
    }
  };
  const setGoal = (index: number, goal: PictureGoal) =>
    setArrivals((before) => before.map((one, i) => (i === index ? { ...one, goal } : one)));
  return { arrivals, problems, sent, begin, setGoal, takeIn, leave };
}

function ownNameOf({ textures }: Mod, goal: PictureGoal, { name }: File): string {
  if (goal.kind === 'new' || goal.kind === 'fill') return goal.name;
  return freeName(nameFrom(name.replace(/\.[^.]*$/, '')) || 'texture', Object.keys(textures));
}

function labelOf(wanted: readonly Arrival[]): string {
  const [only] = wanted;
  if (wanted.length !== 1 || !only || only.goal.kind === 'leave')
    return `Take in ${count(wanted.length, 'picture')}`;
  const { kind, name } = only.goal;
  return kind === 'replace' ? `Replace the texture ${name}` : `Import the texture ${name}`;
}

/** Reads picture files a piece at a time; of those that are none, why. */
async function readAll(files: readonly File[]) {
  const read: Omit<Arrival, 'goal' | 'ownName'>[] = [];
  const wrong: string[] = [];
  let since = performance.now();
  for (const file of files) {
    try {
      const { width, height } = decodePicture(new Uint8Array(await file.arrayBuffer()));
      read.push({ file, width, height });
    } catch (error) {
      wrong.push(`${file.name}: ${messageOf(error)}`);
    }
    if (performance.now() - since < longestPiece) continue;
    await new Promise((resolve) => setTimeout(resolve));
    since = performance.now();
  }
  return { read, wrong };
}

/** Sends pictures to the server, a few side by side, and tells how many it has. */
async function sendAll(
  wanted: readonly Arrival[],
  signal: AbortSignal,
  onSent: (many: number) => void,
): Promise<ArrivingPicture[]> {
  const done: ArrivingPicture[] = [];
  let next = 0;
  let many = 0;
  const sendOn = async () => {
    for (let i = next; i < wanted.length && !signal.aborted; i = next) {
      next = i + 1;
      const one = wanted[i];
      if (!one) return;
      done[i] = { goal: one.goal, picture: await uploadPicture(one.file) };
      many += 1;
      onSent(many);
    }
  };
  await Promise.all(Array.from({ length: senders }, sendOn));
  return done;
}
