import { Button, Group, Modal, Progress } from '@mantine/core';
import { memo, useEffect, useMemo, useState } from 'react';
import { openSlots, type PictureGoal } from '../../../core/models/index.ts';
import { idOf, shownNamed, titleOf, type Mod } from '../../../core/mod/index.ts';
import { textureUsers } from '../../../core/textures/index.ts';
import { closest, count } from '../../../core/words/index.ts';
import { useMod } from '../../api/hooks.tsx';
import { Choice } from '../../parts/choice/index.tsx';
import { useGrowing } from '../../parts/use-growing.ts';
import { useStable } from '../../parts/use-stable.ts';
import type { Arrival, Arriving } from './arriving.ts';
import styles from './arriving-pictures.module.css';

/** So many rows are there at first, and so many more come with each frame. */
const [firstRows, moreRows] = [12, 8];

/** Shows what is to become of pictures before it is done, each to be changed. */
export function ArrivingPictures({ arriving }: { arriving: Arriving }) {
  const { arrivals, problems, reading, sent, setGoal, takeIn, leave } = arriving;
  const wanted = arrivals.filter(({ goal }) => goal.kind !== 'leave').length;
  return (
    <Modal
      opened={arrivals.length > 0 || (reading !== undefined && reading.done > 0)}
      onClose={leave}
      title="Pictures come in"
      size={760}
      closeOnClickOutside={false}
    >
      <p className="note">
        {reading ? `${reading.done} of ${count(reading.of, 'file')} read.` : sumInWords(arrivals)}
      </p>
      {reading && (
        <Progress value={(reading.done / Math.max(1, reading.of)) * 100} aria-label="Read" />
      )}
      <Rows arrivals={arrivals} onGoal={setGoal} />
      {problems.length > 0 && (
        <ul className="bad" role="alert">
          {problems.map((problem) => (
            <li key={problem}>{problem}</li>
          ))}
        </ul>
      )}
      {sent !== undefined && (
        <Progress value={(sent / Math.max(1, wanted)) * 100} aria-label="Sent" mt="sm" />
      )}
      <Group justify="flex-end" mt="md">
        <Button variant="default" onClick={leave}>
          Cancel
        </Button>
        <Button
          onClick={() => void takeIn()}
          disabled={wanted === 0 || sent !== undefined}
          data-autofocus
        >
          {sent === undefined
            ? `Take in ${count(wanted, 'picture')}`
            : `${sent} of ${count(wanted, 'picture')}`}
        </Button>
      </Group>
    </Modal>
  );
}

function sumInWords(arrivals: readonly Arrival[]): string {
  const many = (kind: PictureGoal['kind']) =>
    arrivals.filter(({ goal }) => goal.kind === kind).length;
  const parts = [
    many('fill') && `${many('fill')} for open slots`,
    many('replace') && `${many('replace')} in the place of others`,
    many('new') && `${many('new')} new`,
    many('leave') && `${many('leave')} left out`,
  ].filter(Boolean);
  return `Matched by their names: ${parts.join(', ')}.`;
}

interface RowsProps {
  arrivals: readonly Arrival[];
  onGoal: (index: number, goal: PictureGoal) => void;
}

function Rows({ arrivals, onGoal }: RowsProps) {
  const mod = useMod();
  const setGoal = useStable(onGoal);
  const shown = useGrowing(firstRows, moreRows, arrivals.length);
  const around = useMemo(() => aroundOf(mod), [mod]);
  return (
    <ul className={styles['rows']} aria-label="Pictures">
      {arrivals.slice(0, shown).map((arrival, index) => (
        <Row
          key={`${index} ${arrival.file.name}`}
          {...{ arrival, index, mod, around }}
          onGoal={setGoal}
        />
      ))}
    </ul>
  );
}

/** What pictures can become in a mod: the same for every row. */
function aroundOf(mod: Mod) {
  const slots = openSlots(mod);
  const title = (block: string) => titleOf(mod, block, shownNamed(mod, block)?.names);
  const fixed = [
    { value: 'new', label: 'A new texture' },
    ...slots.map(({ block, slot }) => ({
      value: `fill ${block} ${slot}`,
      label: `Fill ${slot} of ${title(block)}`,
    })),
    ...Object.keys(mod.textures).map((name) => ({
      value: `replace ${name}`,
      label: `In the place of ${name}`,
    })),
    { value: 'leave', label: 'Leave it out' },
  ];
  return { fixed, users: textureUsers(mod) };
}

const valueOf = (goal: PictureGoal): string => {
  if (goal.kind === 'fill') return `fill ${goal.block} ${goal.slot}`;
  return goal.kind === 'replace' ? `replace ${goal.name}` : goal.kind;
};

function goalOf(value: string, name: string): PictureGoal {
  const [kind = '', first = '', second = ''] = value.split(' ');
  if (kind === 'fill') return { kind, name, block: first, slot: second };
  if (kind === 'replace') return { kind, name: first };
  return kind === 'new' ? { kind, name } : { kind: 'leave' };
}

interface RowProps {
  arrival: Arrival;
  index: number;
  mod: Mod;
  around: ReturnType<typeof aroundOf>;
  onGoal: (index: number, goal: PictureGoal) => void;
}

const Row = memo(function Row({ arrival, index, mod, around, onGoal }: RowProps) {
  const { file, picture, goal, ownName } = arrival;
  const { width, height } = picture.pixels;
  const address = useAddress(file);
  const near = goal.kind === 'new' ? closest(goal.name, Object.keys(mod.textures)) : undefined;
  return (
    <li aria-label={file.name}>
      <img className="crisp" src={address} alt="" />
      <span className={styles['file']}>
        <b title={file.name}>{file.name}</b>
        <span className="mono soft">
          {width}×{height}
        </span>
      </span>
      <span className={styles['goal']}>
        <Choice
          data={around.fixed}
          value={valueOf(goal)}
          limit={60}
          aria-label={`What becomes of ${file.name}`}
          onTake={(value) => onGoal(index, goalOf(value, ownName))}
        />
        <span className="note">
          {consequence(mod, goal, around.users)}
          {near !== undefined && (
            <>
              {' '}
              <button
                type="button"
                className="link plain"
                onClick={() => onGoal(index, { kind: 'replace', name: near })}
              >
                Did you mean {near}?
              </button>
            </>
          )}
        </span>
      </span>
    </li>
  );
});

/** The address of a file in this page, for as long as it is shown. */
function useAddress(file: File): string | undefined {
  const [address, setAddress] = useState<string>();
  useEffect(() => {
    const made = URL.createObjectURL(file);
    // eslint-disable-next-line react-hooks/set-state-in-effect -- it exists from here on, until it is let go
    setAddress(made);
    return () => URL.revokeObjectURL(made);
  }, [file]);
  return address;
}

function consequence(mod: Mod, goal: PictureGoal, users: ReadonlyMap<string, string[]>): string {
  switch (goal.kind) {
    case 'new':
      return `Called ${goal.name}; nobody shows it yet.`;
    case 'fill':
      return `Called ${goal.name}, and shown at once.`;
    case 'leave':
      return 'Nothing becomes of it.';
    case 'replace': {
      const shown = users.get(idOf(mod.header.namespace, goal.name)) ?? [];
      const { width, height } = mod.textures[goal.name]?.picture ?? {};
      const was = width === undefined ? '' : ` It was ${width}×${height}.`;
      return shown.length
        ? `Seen on ${shown.slice(0, 2).join(', ')}${shown.length > 2 ? ` and ${shown.length - 2} more` : ''}.${was}`
        : `Nobody shows that one.${was}`;
    }
  }
}
