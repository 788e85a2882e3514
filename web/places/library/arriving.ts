import { useRef, useState } from 'react';
import {
  matchPictures,
  takePictures,
  type ArrivingPicture,
  type PictureGoal,
} from '../../../core/models/index.ts';
import { nameFrom, type Mod } from '../../../core/mod/index.ts';
import { freeName } from '../../../core/lists/index.ts';
import { count, messageOf } from '../../../core/words/index.ts';
import { useSession } from '../../api/hooks.tsx';
import { readPictures, type PictureIn } from '../../api/picture-files.ts';
import { uploadPicture } from '../../api/textures.ts';

/** A picture file that has come in, and what is to become of it. */
export interface Arrival {
  file: File;
  picture: PictureIn;
  /** What it is called as a texture of its own. */
  ownName: string;
  goal: PictureGoal;
}

/** So many are sent to the server side by side. */
const senders = 4;

/** Pictures on their way into the mod, from the drop to the step that takes them in. */
export interface Arriving {
  arrivals: readonly Arrival[];
  /** Why files are no pictures. */
  problems: readonly string[];
  /** How far it is while files are read. */
  reading: { done: number; of: number } | undefined;
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
  const [reading, setReading] = useState<Arriving['reading']>();
  const [sent, setSent] = useState<number>();
  const stop = useRef<AbortController>(undefined);
  const begin = async (files: readonly File[]) => {
    const { signal } = (stop.current = new AbortController());
    setReading({ done: 0, of: files.length });
    const { mod } = session.view;
    const onDone = (done: number, of: number) => setReading({ done, of });
    const around = { onDone, signal };
    const all = await readPictures(files, mod.header.tickRate, around).catch((error: unknown) =>
      files.map(() => ({ problem: messageOf(error) })),
    );
    setReading(undefined);
    if (signal.aborted) return;
    const read = all.flatMap((picture, i) => {
      const file = files[i];
      return file && picture.problem === undefined ? [{ file, picture }] : [];
    });
    setProblems(
      all.flatMap(({ problem }, i) =>
        problem === undefined ? [] : [`${files[i]?.name}: ${problem}`],
      ),
    );
    const goals = matchPictures(
      mod,
      read.map(({ file }) => file.name),
    );
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
    setReading(undefined);
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
  return { arrivals, problems, reading, sent, begin, setGoal, takeIn, leave };
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
      const { png, strip } = one.picture;
      done[i] = { goal: one.goal, picture: await uploadPicture(png), strip };
      many += 1;
      onSent(many);
    }
  };
  await Promise.all(Array.from({ length: senders }, sendOn));
  return done;
}
