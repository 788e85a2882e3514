/** Files on this machine: reading mods and packs, planning a build, writing it so that nothing is lost. Used by server and cli. */
export { DiskProblem, inWords } from './problem.ts';
export { readFolder, readModOrPack } from './read.ts';
export { filesAt, planBuild, type BuildPlan, type FileFate, type PlannedFile } from './plan.ts';
export { writeBuild, type BuildOptions } from './write.ts';
