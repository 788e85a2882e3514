/** Tags: who is in them, circles among them, who needs them. */
export { circleProblem, directMembers, membersOf, tagCircles, type Tagging } from './members.ts';
export { isFilled } from './filled.ts';
export { needsOf, type Need } from './needs.ts';
export { toggleMember, type Who } from './edit.ts';
export { memberOf, tagEntries, tagMarks, type TagEntry, type TagMark } from './matrix.ts';
export { foreignMembers, tagsShown } from './matrix.ts';
