import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';

/** What of Node's own SHA-256 is used here. */
interface Crypto {
  /** All at once; newer than the other. */
  hash?: (name: 'sha256', bytes: Uint8Array, as: 'hex') => string;
  createHash: (name: 'sha256') => {
    update: (bytes: Uint8Array) => { digest: (as: 'hex') => string };
  };
}
interface Runtime {
  process?: { getBuiltinModule?: (name: 'node:crypto') => Crypto | undefined };
}

/** The SHA-256 that a runtime brings along and that answers at once; a browser has none. */
const built = (globalThis as Runtime).process?.getBuiltinModule?.('node:crypto');

/** The same in JavaScript. */
export const digestInScript = (bytes: Uint8Array): string => bytesToHex(sha256(bytes));

/** The SHA-256 digest (FIPS 180-4) of bytes, in 64 hexadecimal digits. */
export const digestOf: (bytes: Uint8Array) => string = !built
  ? digestInScript
  : built.hash
    ? (bytes) => built.hash!('sha256', bytes, 'hex')
    : (bytes) => built.createHash('sha256').update(bytes).digest('hex');
