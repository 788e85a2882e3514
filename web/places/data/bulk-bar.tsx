import { itemAt } from '../../../core/lists/index.ts';
import { Button, NumberInput, Select, TextInput } from '@mantine/core';
import { useEffect, useState } from 'react';
import { TraitsSchema, type TraitName, type Traits } from '../../../core/mod/index.ts';
import { columns, type BulkAct, type BulkPlan } from '../../../core/table/index.ts';
import { count } from '../../../core/words/index.ts';
import { Choice } from '../../parts/choice/index.tsx';

interface Props {
  chosen: readonly string[];
  many: number;
  plan: BulkPlan | undefined;
  onPlan: (plan: { trait: TraitName; act: BulkAct } | undefined) => void;
  onApply: (label: string) => void;
  onCompare: (() => void) | undefined;
  onClear: () => void;
}

const acts = [
  ['multiply', 'multiply by'],
  ['add', 'add'],
  ['set', 'set to'],
  ['stock', 'put back to stock'],
] as const;

/**
 * What is done with the chosen lines: changing one trait of all of them, seen in the table before
 * it is done, or comparing them.
 */
export function BulkBar({ chosen, many, plan, onPlan, onApply, onCompare, onClear }: Props) {
  const [trait, setTrait] = useState<TraitName>('hardness');
  const [act, setAct] = useState<(typeof acts)[number][0]>('multiply');
  const [by, setBy] = useState<number>(1.5);
  const [word, setWord] = useState('');
  const column = columns.find((one) => one.trait === trait)!;
  const offered = acts.filter(
    ([name]) => column.kind === 'number' || name === 'set' || name === 'stock',
  );
  const doing = offered.some(([name]) => name === act) ? act : 'set';
  const choices = column.kind === 'toggle' ? ['true', 'false'] : choicesOf(trait);
  const typed =
    column.kind === 'number' && !Number.isNaN(Number(word)) && word.trim() !== ''
      ? Number(word)
      : column.kind === 'toggle'
        ? word === 'true'
        : word.trim();
  const parsed = TraitsSchema.shape[trait].safeParse(typed);
  const ready =
    doing === 'stock' || (doing === 'set' ? word.trim() !== '' && parsed.success : true);
  const key = JSON.stringify([trait, doing, by, word, ready, chosen.length > 0]);
  useEffect(() => {
    onPlan(
      !ready || !chosen.length
        ? undefined
        : {
            trait,
            act:
              doing === 'stock'
                ? { do: 'stock' }
                : doing === 'set'
                  ? { do: 'set', value: parsed.data as Traits[TraitName] }
                  : { do: doing, by },
          },
    );
    // The key holds everything that is planned.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  const label =
    doing === 'stock'
      ? `Put ${column.words} of ${count(chosen.length, 'block')} back to stock`
      : `${doing === 'multiply' ? 'Multiply' : doing === 'add' ? 'Add to' : 'Set'} ` +
        `${column.words} of ${count(chosen.length, 'block')}`;
  const left = plan?.left.filter(({ why }) => why !== 'it is so already') ?? [];
  if (many === 0)
    return (
      <div className="bulk-bar note">
        Choose lines to change them together or to lay them side by side. <kbd>↑↓</kbd> move{' '}
        <kbd>Space</kbd> choose <kbd>Shift</kbd> range <kbd>Ctrl A</kbd> all
      </div>
    );
  return (
    <div className="bulk-bar" role="group" aria-label="Change the chosen lines">
      <b>{count(many, 'line')} chosen</b>
      {chosen.length > 0 && (
        <>
          <Choice
            aria-label="Trait to change"
            w={150}
            data={columns.map((one) => ({ value: one.trait, label: one.words }))}
            value={trait}
            onTake={(value) => {
              setTrait(value as TraitName);
              setWord('');
            }}
          />
          <Select
            aria-label="How to change it"
            w={150}
            allowDeselect={false}
            data={offered.map(([value, text]) => ({ value, label: text }))}
            value={doing}
            onChange={(value) => setAct(value as typeof act)}
          />
          {(doing === 'multiply' || doing === 'add') && (
            <NumberInput
              aria-label="By how much"
              w={76}
              hideControls
              step={0.1}
              value={by}
              onChange={(value) => typeof value === 'number' && setBy(value)}
            />
          )}
          {doing === 'set' &&
            (choices ? (
              <Select
                aria-label="New value"
                w={120}
                allowDeselect={false}
                data={choices}
                value={word || null}
                onChange={(value) => setWord(value ?? '')}
              />
            ) : (
              <TextInput
                aria-label="New value"
                w={130}
                value={word}
                error={word.trim() !== '' && !parsed.success}
                onChange={(event) => setWord(event.currentTarget.value)}
              />
            ))}
          <Button disabled={!plan?.changed.length} onClick={() => onApply(label)}>
            {plan ? `Change ${count(plan.changed.length, 'block')}` : 'Change'}
          </Button>
          {left.length > 0 && (
            <span
              className="note"
              title={left.map(({ block, why }) => `${block}: ${why}`).join('\n')}
            >
              {itemAt(left, 0).block} stays: {itemAt(left, 0).why}
              {left.length > 1 && `, and ${left.length - 1} more`}
            </span>
          )}
        </>
      )}
      <span className="acts">
        <Button
          variant="default"
          disabled={!onCompare}
          title={onCompare ? undefined : 'Two to six lines can be laid side by side'}
          onClick={onCompare}
        >
          Side by side
        </Button>
        <button type="button" className="tiny" onClick={onClear}>
          Choose none
        </button>
      </span>
    </div>
  );
}

/** The words that a trait may have, where there are only a few. */
function choicesOf(trait: TraitName): string[] | undefined {
  const schema = TraitsSchema.shape[trait] as { options?: unknown };
  return Array.isArray(schema.options) && schema.options.every((one) => typeof one === 'string')
    ? schema.options
    : undefined;
}
