import { maxFolderBytes } from '../core/api/index.ts';

const mebibyte = 1024 * 1024;

/** The largest JSON body that is taken: an edit of a whole large mod fits. */
export const maxBodyBytes = 16 * mebibyte;
/** The largest body of all: a whole mod, packed. */
export const maxAnyBytes = maxFolderBytes;
/**
 * So many bytes of bodies may be on their way in at once. Small ones are let through beside: they
 * hardly count.
 */
export const maxBytesInFlight = 96 * mebibyte;
export const smallBodyBytes = 64 * 1024;
/**
 * So many connections at once are taken, and so many streams of events: each window of a browser
 * holds one.
 */
export const maxConnections = 512;
export const maxStreams = 64;
/**
 * A reader of events that leaves more than this unread is dropped; it comes back and is told what
 * it missed.
 */
export const maxUnreadBytes = 512 * 1024;
/** Edits longer than this are not sent in events: the page is told to fetch them. */
export const maxEventBytes = 128 * 1024;
