import { Button } from '@mantine/core';
import { useMemo } from 'react';
import { itemAt, movedUp } from '../../../../../core/lists/index.ts';
import type { Placing } from '../../../../../core/mod/index.ts';
import { firstPlacingRule } from '../../../../../core/placing/index.ts';
import type { FacetProps } from '../index.tsx';
import { Reached } from './reached.tsx';
import { RuleCard } from './rule-card.tsx';
import { TryOut } from './try-out.tsx';
import styles from '../../../../parts/rows-editor.module.css';

/** The rules of placing in their order, a place to try them, and what they can bring about. */
export function PlacingPart({ editor, state, onState }: FacetProps) {
  const { declared, block, set } = editor;
  const { properties } = declared.states;
  const placing = useMemo(() => declared.states.placing ?? [], [declared]);
  const put = (next: Placing[], label = 'Change the placing') =>
    set(label, ['states', 'placing'], next.length ? next : undefined);
  if (!properties.length)
    return (
      <p className="note">
        The block has one state, so there is nothing to choose when it is placed. Properties make
        more.
      </p>
    );
  const addRule = () => {
    const isSet = (name: string) => placing.some((rule) => rule.set === name);
    const property = properties.find(({ name }) => !isSet(name)) ?? itemAt(properties, 0);
    put([...placing, firstPlacingRule(property)], 'Add a rule of placing');
  };
  return (
    <>
      {placing.map((rule, i) => (
        <RuleCard
          key={i}
          index={i}
          rule={rule}
          properties={properties}
          onRule={(next) => put(placing.with(i, next))}
          onRemove={() => put(placing.toSpliced(i, 1), `Remove the placing of ${rule.set}`)}
          onUp={i ? () => put(movedUp(placing, i), 'Reorder the placing') : undefined}
        />
      ))}
      <div className={styles['rows-foot']}>
        <Button variant="default" onClick={addRule}>
          Add a rule
        </Button>
        <span className="note">
          For each property the first rule that holds decides; what none sets has its default.
        </span>
      </div>
      <TryOut editor={editor} placing={placing} onState={onState} />
      {!block.space.tooLarge && (
        <Reached editor={editor} placing={placing} state={state} onState={onState} />
      )}
    </>
  );
}
