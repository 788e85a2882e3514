import {
  missingCones,
  visionWithout,
  type MissingCone,
} from '../../../core/textures/facts/index.ts';

const idOf = (cone: MissingCone): string => `without-${cone}-cones`;

/** What makes something look as without a kind of cones, as a style. */
export const seenWithout = (cone: MissingCone | undefined): string | undefined =>
  cone && `url(#${idOf(cone)})`;

/** The filters that {@link seenWithout} names: matrices over linear light. */
export function OtherEyes() {
  return (
    <svg width="0" height="0" aria-hidden="true" style={{ position: 'absolute' }}>
      {missingCones.map((cone) => (
        <filter key={cone} id={idOf(cone)} colorInterpolationFilters="linearRGB">
          <feColorMatrix type="matrix" values={matrixOf(cone)} />
        </filter>
      ))}
    </svg>
  );
}

/** Five numbers a row, as the filter wants them: nothing is added, and alpha stays. */
const matrixOf = (cone: MissingCone): string =>
  [0, 1, 2]
    .map((row) => [...visionWithout[cone].slice(row * 3, row * 3 + 3), 0, 0].join(' '))
    .concat('0 0 0 1 0')
    .join(' ');
