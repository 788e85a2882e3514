import { benchMatrix } from './bench-matrix.ts';
await benchMatrix((a,b,c='')=>console.log(a,b,c));
