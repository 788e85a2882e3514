import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';

/** The SHA-256 digest (FIPS 180-4) of bytes, in 64 hexadecimal digits. */
export const digestOf = (bytes: Uint8Array): string => bytesToHex(sha256(bytes));
