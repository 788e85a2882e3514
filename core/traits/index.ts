/** What follows from the traits: digging and light. */
export { digTime, isRightTool, toolName, toolsOf, type DigTime, type Tool } from './dig.ts';
export { lightReach, readingLevel } from './light.ts';
