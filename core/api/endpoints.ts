import type { z } from 'zod';
import * as answers from './answers.ts';
import type { ProblemStatus } from './problem.ts';
import * as requests from './requests.ts';
import * as yard from './yard-world.ts';

/** One address of the server with one method: what is asked, and what is answered. */
export interface Endpoint {
  method: 'GET' | 'POST' | 'DELETE';
  /** The address, with what varies in braces: `/api/mods/{mod}`. */
  path: string;
  /** What it does, in a few words. */
  summary: string;
  query?: z.ZodObject;
  /** A body that is JSON. */
  body?: z.ZodType;
  /** A body that is a file: the media types that are taken, and the most bytes. */
  upload?: { types: readonly string[]; maxBytes: number };
  /** It changes a mod: If-Match names the revision that the change was made at. */
  isEdit?: true;
  answer: {
    status: 200 | 201 | 202;
    description: string;
    /** An answer that is JSON. */
    schema?: z.ZodType;
    /** An answer that is none, by its media types. */
    types?: readonly string[];
    /** Headers that always come with it. */
    headers?: readonly ('ETag' | 'Location' | 'Content-Disposition')[];
  };
  /** What a job gives in the end, when the answer is a job that was started. */
  result?: z.ZodType;
  /** The errors that it may answer with, beside 403 and 500. */
  problems: readonly ProblemStatus[];
}

/** The largest picture or sound that is taken. */
const maxUploadBytes = 8 * 1024 * 1024;
/** The largest mod folder that is taken, packed. */
export const maxFolderBytes = 64 * 1024 * 1024;
/** What every write may meet. */
const writing = [413, 422, 503, 507] as const;
const withBody = [400, 415, ...writing] as const;
const editProblems = [...withBody, 404, 412, 428] as const;
const logged = {
  status: 201,
  description: 'The edit as it was logged',
  schema: answers.LoggedEdit,
  headers: ['ETag'],
} as const;
const started = {
  status: 202,
  description: 'A job that was started',
  schema: answers.Job,
  headers: ['Location'],
} as const;
const download = {
  status: 200,
  description: 'ZIP',
  types: ['application/zip'],
  headers: ['Content-Disposition'],
} as const;

/**
 * All addresses of the server. Routes, the page's calls and the OpenAPI document come from this
 * table.
 */
export const endpoints = {
  listMods: {
    method: 'GET',
    path: '/api/mods',
    summary: 'All mods',
    answer: {
      status: 200,
      description: 'Name, title and revision of each',
      schema: answers.ModSummaries,
    },
    problems: [],
  },
  beginMod: {
    method: 'POST',
    path: '/api/mods',
    summary: 'Begin a mod',
    body: requests.NewModBody,
    answer: {
      status: 201,
      description: 'It was begun',
      schema: answers.NamedAnswer,
      headers: ['Location'],
    },
    problems: [...withBody, 409],
  },
  bringMod: {
    method: 'POST',
    path: '/api/mods/folder',
    summary: 'Begin a mod from a mod folder, sent as a ZIP',
    upload: { types: ['application/zip'], maxBytes: maxFolderBytes },
    answer: {
      status: 201,
      description: 'It was begun',
      schema: answers.NamedAnswer,
      headers: ['Location'],
    },
    problems: [400, 409, ...writing],
  },
  beginDemo: {
    method: 'POST',
    path: '/api/mods/demo',
    summary: 'Begin with the demo mod',
    answer: {
      status: 201,
      description: 'It was begun',
      schema: answers.NamedAnswer,
      headers: ['Location'],
    },
    problems: [...withBody, 409],
  },
  duplicateMod: {
    method: 'POST',
    path: '/api/mods/{mod}/duplicate',
    summary: 'Begin a mod as another one is now, under a namespace of its own',
    body: requests.NewModBody,
    answer: {
      status: 201,
      description: 'It was begun',
      schema: answers.NamedAnswer,
      headers: ['Location'],
    },
    problems: [...withBody, 404, 409],
  },
  removeMod: {
    method: 'DELETE',
    path: '/api/mods/{mod}',
    summary: 'Put a mod into the bin; one that is there goes for good',
    answer: { status: 200, description: 'It was removed', schema: answers.NamedAnswer },
    problems: [404, ...writing],
  },
  restoreMod: {
    method: 'POST',
    path: '/api/mods/{mod}/restore',
    summary: 'Bring a mod back out of the bin',
    answer: { status: 200, description: 'It is back', schema: answers.NamedAnswer },
    problems: [...withBody, 404],
  },
  getMod: {
    method: 'GET',
    path: '/api/mods/{mod}',
    summary: 'A whole mod',
    answer: {
      status: 200,
      description: 'The mod and where it stands',
      schema: answers.ModAnswer,
      headers: ['ETag'],
    },
    problems: [404],
  },
  getBaseline: {
    method: 'GET',
    path: '/api/mods/{mod}/baseline',
    summary: 'The mod as it was built last',
    answer: {
      status: 200,
      description: 'What the files are compared with',
      schema: answers.BaselineAnswer,
    },
    problems: [404, 409],
  },
  listEdits: {
    method: 'GET',
    path: '/api/mods/{mod}/edits',
    summary: 'The log of edits',
    query: requests.LogQuery,
    answer: {
      status: 200,
      description: 'Edits, oldest first',
      schema: answers.LoggedEdits,
      headers: ['ETag'],
    },
    problems: [400, 404],
  },
  edit: {
    method: 'POST',
    path: '/api/mods/{mod}/edits',
    summary: 'Edit the mod',
    isEdit: true,
    body: requests.EditBody,
    answer: logged,
    problems: editProblems,
  },
  undo: {
    method: 'POST',
    path: '/api/mods/{mod}/undo',
    summary: 'Take back the last edit',
    isEdit: true,
    answer: logged,
    problems: [...editProblems, 409],
  },
  redo: {
    method: 'POST',
    path: '/api/mods/{mod}/redo',
    summary: 'Bring back what was taken back',
    isEdit: true,
    answer: logged,
    problems: [...editProblems, 409],
  },
  listHistory: {
    method: 'GET',
    path: '/api/mods/{mod}/history',
    summary: 'What was done, newest first',
    query: requests.HistoryQuery,
    answer: {
      status: 200,
      description: 'Steps, and points of the history',
      schema: answers.HistoryAnswer,
    },
    problems: [400, 404],
  },
  getModThen: {
    method: 'GET',
    path: '/api/mods/{mod}/then/{revision}',
    summary: 'A whole mod as it was at a revision',
    answer: { status: 200, description: 'The mod then', schema: answers.ThenAnswer },
    problems: [404, 409],
  },
  namePoint: {
    method: 'POST',
    path: '/api/mods/{mod}/points',
    summary: 'Name a point of the history, or take its name away',
    body: requests.PointBody,
    answer: { status: 200, description: 'All points', schema: answers.PointsAnswer },
    problems: [...withBody, 404],
  },
  bringBack: {
    method: 'POST',
    path: '/api/mods/{mod}/bring-back',
    summary: 'Bring one block back as it was',
    isEdit: true,
    body: requests.BringBackBody,
    answer: logged,
    problems: [...editProblems, 409],
  },
  streamEvents: {
    method: 'GET',
    path: '/api/mods/{mod}/events',
    summary: 'Edits as they happen',
    answer: {
      status: 200,
      description:
        'Server-sent events: "hello" with the revision, "folder" with the folder that it lives in; then "edit" with the edit and what ' +
        'undo and redo would take, or "moved" with the revision alone for an edit that is too ' +
        'long. A reader that does not keep up is dropped and may come back.',
      types: ['text/event-stream'],
    },
    problems: [404, 503],
  },
  downloadPack: {
    method: 'GET',
    path: '/api/mods/{mod}/pack',
    summary: 'The built pack as a ZIP',
    query: requests.PackQuery,
    answer: download,
    problems: [400, 404, 422, 507],
  },
  downloadYard: {
    method: 'GET',
    path: '/api/mods/{mod}/yard',
    summary: 'The pack that the Yard loads, whatever the mod is built for, as a ZIP',
    answer: download,
    problems: [404, 422],
  },
  getWorld: {
    method: 'GET',
    path: '/api/mods/{mod}/yard/world',
    summary: 'A world of the Yard as it was left',
    query: yard.WorldQuery,
    answer: { status: 200, description: 'The world of a scene', schema: yard.WorldAnswer },
    problems: [400, 404],
  },
  leaveWorld: {
    method: 'POST',
    path: '/api/mods/{mod}/yard/world',
    summary: 'Keep the world of a scene of the Yard as it is left',
    body: yard.LeaveWorldBody,
    answer: { status: 200, description: 'It is kept', schema: yard.LeftAnswer },
    problems: [...withBody, 404],
  },
  downloadFolder: {
    method: 'GET',
    path: '/api/mods/{mod}/folder.zip',
    summary: 'The mod as a folder of text, pictures and sounds',
    answer: download,
    problems: [404],
  },
  openFolder: {
    method: 'POST',
    path: '/api/mods/open',
    summary: 'Open a mod that lives in a folder of this machine',
    body: requests.OpenFolderBody,
    answer: {
      status: 200,
      description: 'It is open, and linked to its folder',
      schema: answers.NamedAnswer,
    },
    problems: [...withBody, 409],
  },
  getFolder: {
    method: 'GET',
    path: '/api/mods/{mod}/folder',
    summary: 'The folder that a mod lives in',
    answer: { status: 200, description: 'Where, and how it stands', schema: answers.FolderAnswer },
    problems: [404],
  },
  linkFolder: {
    method: 'POST',
    path: '/api/mods/{mod}/folder',
    summary: 'Have a mod live in a folder of this machine',
    body: requests.LinkBody,
    answer: { status: 200, description: 'It is linked', schema: answers.FolderAnswer },
    problems: [...withBody, 404, 409],
  },
  unlinkFolder: {
    method: 'DELETE',
    path: '/api/mods/{mod}/folder',
    summary: 'Let go of the folder; both sides stay as they are',
    answer: { status: 200, description: 'It is let go', schema: answers.FolderAnswer },
    problems: [404, ...writing],
  },
  chooseSide: {
    method: 'POST',
    path: '/api/mods/{mod}/folder/choice',
    summary: 'Choose a side where both changed the same values; the other stays in the log',
    body: requests.ChooseBody,
    answer: { status: 200, description: 'It is chosen', schema: answers.FolderAnswer },
    problems: [...withBody, 404, 409],
  },
  readPack: {
    method: 'POST',
    path: '/api/packs/read',
    summary: 'The files of a pack that lies on this machine, as a ZIP',
    body: requests.PackPathBody,
    answer: { status: 200, description: 'ZIP', types: ['application/zip'] },
    problems: [...withBody, 409],
  },
  savePack: {
    method: 'POST',
    path: '/api/packs/save',
    summary: 'Save changed files into a pack that lies on this machine: all, or none',
    body: requests.SavePackBody,
    answer: { status: 200, description: 'How many were saved', schema: answers.SavedAnswer },
    problems: [...withBody, 409],
  },
  getPrograms: {
    method: 'GET',
    path: '/api/programs',
    summary: 'The programs with which folders and files are opened',
    answer: { status: 200, description: 'As they were named', schema: requests.Programs },
    problems: [],
  },
  namePrograms: {
    method: 'POST',
    path: '/api/programs',
    summary: 'Name the programs with which folders and files are opened; they must be there',
    body: requests.Programs,
    answer: { status: 200, description: 'They are named', schema: requests.Programs },
    problems: [...withBody, 409],
  },
  openPlace: {
    method: 'POST',
    path: '/api/programs/open',
    summary:
      'Open a folder on this machine, or a file in it at a line, in the program named for it',
    body: requests.OpenBody,
    answer: { status: 200, description: 'It is opened', schema: answers.OpenedAnswer },
    problems: [...withBody, 409],
  },
  startPlan: {
    method: 'POST',
    path: '/api/mods/{mod}/plan',
    summary: 'Work out what a build would do',
    body: requests.PlanBody,
    answer: started,
    result: answers.Plan,
    problems: [...withBody, 404],
  },
  startCompare: {
    method: 'POST',
    path: '/api/mods/{mod}/compare',
    summary: 'One file before and after a build',
    body: requests.CompareBody,
    answer: started,
    result: answers.ComparedFile,
    problems: [...withBody, 404],
  },
  startBuild: {
    method: 'POST',
    path: '/api/mods/{mod}/builds',
    summary: 'Build into a folder or file of this machine',
    body: requests.BuildBody,
    answer: started,
    result: answers.Plan,
    problems: [...withBody, 404],
  },
  startVerdict: {
    method: 'POST',
    path: '/api/mods/{mod}/verdicts',
    summary: 'Ask a real engine what the mod means to it',
    answer: started,
    result: answers.Verdict,
    problems: [...withBody, 404],
  },
  startWalk: {
    method: 'POST',
    path: '/api/mods/{mod}/walks',
    summary: 'Walk through the built pack in the Yard, which reads its files alone',
    answer: started,
    result: answers.Walked,
    problems: [...withBody, 404],
  },
  backup: {
    method: 'POST',
    path: '/api/backup',
    summary: 'Copy all mods, with their history, into one file of this machine',
    body: requests.BackupBody,
    answer: { status: 201, description: 'It is written', schema: answers.BackupAnswer },
    problems: [...withBody, 409],
  },
  getJob: {
    method: 'GET',
    path: '/api/jobs/{job}',
    summary: 'How far a job is',
    query: requests.JobQuery,
    answer: { status: 200, description: 'The job', schema: answers.Job },
    problems: [400, 404],
  },
  cancelJob: {
    method: 'DELETE',
    path: '/api/jobs/{job}',
    summary: 'Cancel a job',
    answer: { status: 200, description: 'The job', schema: answers.Job },
    problems: [404],
  },
  uploadPicture: {
    method: 'POST',
    path: '/api/pictures',
    summary: 'Upload a PNG',
    upload: { types: ['image/png'], maxBytes: maxUploadBytes },
    answer: { status: 201, description: 'Facts of the picture', schema: answers.Picture },
    problems: [400, ...writing],
  },
  uploadSound: {
    method: 'POST',
    path: '/api/sounds',
    summary: 'Upload a WAV or Ogg file',
    upload: { types: ['audio/wav', 'audio/ogg'], maxBytes: maxUploadBytes },
    answer: { status: 201, description: 'Facts of the sound', schema: answers.Sound },
    problems: [400, ...writing],
  },
  getBlob: {
    method: 'GET',
    path: '/api/blobs/{sha256}',
    summary: 'A picture or sound by its SHA-256',
    answer: {
      status: 200,
      description: 'The bytes',
      types: ['image/png', 'audio/wav', 'audio/ogg'],
    },
    problems: [404],
  },
} as const satisfies Record<string, Endpoint>;

type PathPart<Path extends string> = Path extends `${string}{${infer Name}}${infer Rest}`
  ? Name | PathPart<Rest>
  : never;
/** What varies in the address of an endpoint, by name. */
export type PathParams<E extends Endpoint> = Record<PathPart<E['path']>, string>;
export type BodyOf<E extends Endpoint> = E['body'] extends z.ZodType
  ? z.output<E['body']>
  : undefined;
export type QueryOf<E extends Endpoint> = E['query'] extends z.ZodType
  ? z.output<E['query']>
  : undefined;
export type AnswerOf<E extends Endpoint> = E['answer']['schema'] extends z.ZodType
  ? z.output<E['answer']['schema']>
  : undefined;
export type ResultOf<E extends Endpoint> = E['result'] extends z.ZodType
  ? z.output<E['result']>
  : undefined;

/**
 * The address of an endpoint with its parts and query filled in.
 *
 * @example addressOf(endpoints.listEdits, { mod: 'saltmarsh' }, { after: 3 })
 * // '/api/mods/saltmarsh/edits?after=3'
 */
export function addressOf<E extends Endpoint>(
  { path }: E,
  params: PathParams<E>,
  query: Record<string, string | number | undefined> = {},
): string {
  const parts: Readonly<Record<string, string>> = params;
  const address = path.replaceAll(/\{(\w+)\}/g, (_, name: string) =>
    encodeURIComponent(parts[name] ?? ''),
  );
  const asked = Object.entries(query)
    .filter(([, value]) => value !== undefined)
    .map(([name, value]) => `${name}=${encodeURIComponent(String(value))}`);
  return asked.length ? `${address}?${asked.join('&')}` : address;
}
