import { pointerSteps } from '../../../core/json/index.ts';
import type { Finding } from '../../../core/inspect/index.ts';
import type { Box } from '../../../core/mod/index.ts';
import { spinPoint } from '../../../core/models/index.ts';
import { sides, sideStep, vector, type Side, type Vec3 } from '../../../core/space/index.ts';
import type { Mark } from './desk-state.ts';

/** What stands on the stage beside the place of a finding; the sentence is at the foot. */
const words: Readonly<Record<string, string>> = {
  'models/faces-fight': 'fights',
  'models/face-never-seen': 'never seen',
  'models/slit': 'slit',
  'models/box-outside': 'outside',
  'models/box-without-size': 'no size',
  'models/side-without-area': 'no area',
  'models/spin-off-step': 'spin',
  'models/crop-outside': 'crop',
};
/** So many findings are pointed out at once. */
const mostMarks = 6;

/** The places of findings on the boxes of a model. */
export function marksOfFindings(findings: readonly Finding[], boxes: readonly Box[]): Mark[] {
  const told = new Set<string>();
  return findings.slice(0, mostMarks).flatMap(({ at = '', rule, severity }): Mark[] => {
    const [, , part, index, , asked] = pointerSteps(at);
    const box = part === 'boxes' ? boxes[Number(index)] : undefined;
    if (!box) return [];
    const side = sides.find((one) => one === asked);
    // The first of a kind has its word beside it; the others would lie over each other.
    const says = told.has(rule) ? '' : (words[rule] ?? severity);
    told.add(rule);
    return [{ at: middleOf(box, side), says, isBad: severity !== 'hint' }];
  });
}

/** The middle of a box or of one of its sides, as it lies. */
function middleOf(box: Box, side: Side | undefined) {
  const step: Vec3 = side ? sideStep(side) : [0, 0, 0];
  const middle = vector((axis) => box.at[axis] + (box.size[axis] * (1 + step[axis])) / 2);
  return box.spin?.by ? spinPoint(middle, box.spin) : middle;
}
