import clsx from 'clsx';
import { itemAt } from '../../../core/lists/index.ts';
import { Button, NumberInput, Select, TextInput } from '@mantine/core';
import { useEffect, useState } from 'react';
import type { Header, TraitName } from '../../../core/mod/index.ts';
import {
  columns,
  readCell,
  wordsOf,
  type BulkAct,
  type BulkPlan,
  type Column,
} from '../../../core/table/index.ts';
import { count } from '../../../core/words/index.ts';
import { useModPart } from '../../api/hooks.tsx';
import { Choice } from '../../parts/choice/index.tsx';
import { Cap } from '../../parts/keys/cap.tsx';
import styles from './page.module.css';

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

type ActName = (typeof acts)[number][0];

/** What was said so far of a change: of which trait, how, by how much or to what. */
interface Wish {
  trait: TraitName;
  act: ActName;
  by: number;
  word: string;
}

const columnOf = (trait: TraitName): Column =>
  columns.find((column) => column.trait === trait) ?? itemAt(columns, 0);

/** The ways in which a trait can be changed: only numbers can be multiplied or added to. */
const actsFor = ({ kind }: Column) =>
  acts.filter(([name]) => kind === 'number' || name === 'set' || name === 'stock');

/** The change that is wished for; undefined while it is not said whole. */
function bulkAct(wish: Wish, header: Header): BulkAct | undefined {
  if (wish.act === 'stock') return { do: 'stock' };
  if (wish.act !== 'set') return { do: wish.act, by: wish.by };
  const value = readCell(wish.trait, wish.word, header);
  return value === undefined ? undefined : { do: 'set', value };
}

function labelOf({ trait, act }: Wish, blocks: number): string {
  const { words } = columnOf(trait);
  const many = count(blocks, 'block');
  if (act === 'stock') return `Put ${words} of ${many} back to stock`;
  return `${{ multiply: 'Multiply', add: 'Add to', set: 'Set' }[act]} ${words} of ${many}`;
}

/**
 * What is done with the chosen lines: changing one trait of all of them, seen in the table before
 * it is done, or comparing them.
 */
export function BulkBar({ chosen, many, plan, onPlan, onApply, onCompare, onClear }: Props) {
  const [said, setSaid] = useState<Wish>({ trait: 'hardness', act: 'multiply', by: 1.5, word: '' });
  const isOffered = actsFor(columnOf(said.trait)).some(([name]) => name === said.act);
  const wish: Wish = isOffered ? said : { ...said, act: 'set' };
  const header = useModPart((mod) => mod.header);
  const key = JSON.stringify([wish, chosen.length > 0]);
  useEffect(() => {
    const act = bulkAct(wish, header);
    onPlan(act && chosen.length ? { trait: wish.trait, act } : undefined);
    // The key holds everything that is planned.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  if (many === 0)
    return (
      <div className={clsx('note', styles['bulk-bar'])}>
        Choose lines to change them together or to lay them side by side. <Cap of="move" /> move{' '}
        <Cap of="choose" /> choose <kbd>Shift</kbd> range <Cap of="chooseAll" /> all
      </div>
    );
  return (
    <div className={styles['bulk-bar']} role="group" aria-label="Change the chosen lines">
      <b>{count(many, 'line')} chosen</b>
      {chosen.length > 0 && (
        <>
          <WishFields wish={wish} onWish={setSaid} />
          <Button
            disabled={!plan?.changed.length}
            title={plan?.changed.length ? undefined : 'Nothing would be other than it is'}
            onClick={() => onApply(labelOf(wish, chosen.length))}
          >
            {plan ? `Change ${count(plan.changed.length, 'block')}` : 'Change'}
          </Button>
          <LeftAlone plan={plan} />
        </>
      )}
      <span className={styles['acts']}>
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

function WishFields({ wish, onWish }: { wish: Wish; onWish: (wish: Wish) => void }) {
  const { trait, act, by } = wish;
  return (
    <>
      <Choice
        aria-label="Trait to change"
        w={150}
        data={columns.map((column) => ({ value: column.trait, label: column.words }))}
        value={trait}
        onTake={(value) => onWish({ ...wish, trait: value as TraitName, word: '' })}
      />
      <Select
        aria-label="How to change it"
        w={150}
        allowDeselect={false}
        data={actsFor(columnOf(trait)).map(([value, label]) => ({ value, label }))}
        value={act}
        onChange={(value) => onWish({ ...wish, act: value as ActName })}
      />
      {(act === 'multiply' || act === 'add') && (
        <NumberInput
          aria-label="By how much"
          data-committed={false}
          w={76}
          hideControls
          step={0.1}
          value={by}
          onChange={(value) => typeof value === 'number' && onWish({ ...wish, by: value })}
        />
      )}
      {act === 'set' && <NewValue wish={wish} onWord={(word) => onWish({ ...wish, word })} />}
    </>
  );
}

function NewValue({ wish, onWord }: { wish: Wish; onWord: (word: string) => void }) {
  const { trait, word } = wish;
  const header = useModPart((mod) => mod.header);
  const choices = choicesOf(trait, header);
  return choices ? (
    <Select
      aria-label="New value"
      w={120}
      allowDeselect={false}
      data={choices}
      value={word || null}
      onChange={(value) => onWord(value ?? '')}
    />
  ) : (
    <TextInput
      aria-label="New value"
      w={130}
      value={word}
      error={word.trim() !== '' && readCell(trait, word, header) === undefined}
      onChange={(event) => onWord(event.currentTarget.value)}
    />
  );
}

/** Which of the chosen blocks stay as they are, and why. */
function LeftAlone({ plan }: { plan: BulkPlan | undefined }) {
  const left = plan?.left.filter(({ why }) => why !== 'it is so already') ?? [];
  const [first] = left;
  if (!first) return null;
  return (
    <span className="note" title={left.map(({ block, why }) => `${block}: ${why}`).join('\n')}>
      {first.block} stays: {first.why}
      {left.length > 1 && `, and ${left.length - 1} more`}
    </span>
  );
}

/** The words that a trait may have, where there are only a few. */
const choicesOf = (trait: TraitName, { tools }: Header): string[] | undefined =>
  trait === 'leastGrade'
    ? tools.grades.map(({ name }) => name)
    : columnOf(trait).kind === 'toggle'
      ? ['yes', 'no']
      : wordsOf(trait)?.slice();
