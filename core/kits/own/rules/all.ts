export { writtenMalformed } from './malformed.ts';
