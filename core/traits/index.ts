/** What follows from the traits: digging and light. */
export { bearableSeconds, digTime, firstBearable, isRightTool, toolName, toolsOf, type DigTime, type Tool } from './dig.ts';
export { lightReach, readingLevel } from './light.ts';
export { cellAt, darkVolume, floodLight, setLight, type LightVolume } from './flood.ts';
export { lightBehind, roomSection, type RoomSection } from './room.ts';
