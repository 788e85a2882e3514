/** What was done to a mod and when: stretches of work, and bringing back what was. */
export { bringBlockBack } from './bring-back.ts';
export { gatherStretches, pauseMinutes, type Step, type Stretch } from './stretches.ts';
export { pathsOfBlock, touchedBlocks } from './touched.ts';
