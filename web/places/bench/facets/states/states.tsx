import { SegmentedControl } from '@mantine/core';
import { useLocalStorage } from '@mantine/hooks';
import type { FacetProps } from '../index.tsx';
import { CodesPart } from './codes.tsx';
import { PlacingPart } from './placing.tsx';
import { PropertiesPart } from './properties.tsx';
import { TurningPart } from './turning.tsx';

const parts = {
  Properties: PropertiesPart,
  Placing: PlacingPart,
  Turning: TurningPart,
  Codes: CodesPart,
} as const;

/**
 * The properties of the block, how placing sets them, what turning does to them, and how they are
 * stored.
 */
export function StatesFacet(props: FacetProps) {
  const [part, setPart] = useLocalStorage<keyof typeof parts>({
    key: 'obrank.states',
    defaultValue: 'Properties',
    getInitialValueInEffect: false,
  });
  // What was kept may be the name of a part of an earlier version.
  const Part = parts[Object.hasOwn(parts, part) ? part : 'Properties'];
  return (
    <>
      <SegmentedControl
        mb="sm"
        fullWidth
        aria-label="Part of the states"
        value={part}
        onChange={(value) => setPart(value as keyof typeof parts)}
        data={Object.keys(parts)}
      />
      <Part {...props} />
    </>
  );
}
