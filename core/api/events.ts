/** What the server tells the pages of a mod as it happens (server-sent events). */
import { z } from 'zod';
import { FolderAnswer, LoggedEdit, stepLabels } from './answers.ts';

const revision = z.number().int().min(0);

/** The events of a mod's stream by name, each with what it carries. */
export const modEvents = {
  /** The stream has begun: where the mod stands, and what undo and redo would take. */
  hello: z.strictObject({ revision, ...stepLabels }),
  /** Somebody edited the mod. */
  edit: z.strictObject({ edit: LoggedEdit, ...stepLabels }),
  /** Somebody made an edit that is too long for an event: ask for it. */
  moved: z.strictObject({ revision, ...stepLabels }),
  /** Something is otherwise with the folder that the mod lives in. */
  folder: FolderAnswer,
} as const;
export type ModEventName = keyof typeof modEvents;
export type ModEvent<Name extends ModEventName> = z.output<(typeof modEvents)[Name]>;
