import { Checkbox, MultiSelect } from '@mantine/core';
import type { Plan } from '../../../core/api/index.ts';
import { count } from '../../../core/words/index.ts';
import { useGoesOn, type GoesOn } from '../../api/build-as-you-go.ts';
import { useMod, useSession } from '../../api/hooks.tsx';
import { OpenIn } from '../../parts/open-in.tsx';
import type { Where } from './plan.ts';
import styles from './what-goes.module.css';

/** What somebody says here of a target; undefined where it is as it was the last time. */
export interface Said {
  joins: boolean | undefined;
  blocks: readonly string[] | undefined;
}
export const nothingSaid: Said = { joins: undefined, blocks: undefined };

interface WhatGoesProps {
  where: Where;
  plan: Plan | undefined;
  said: Said;
  onSay: (said: Partial<Said>) => void;
}

/** So many blocks are listed before one types. */
const mostListed = 50;

/** Which blocks go to the target, whether among somebody else's files, and whether as one goes. */
export function WhatGoes({ where, plan, said, onSay }: WhatGoesProps) {
  const blocks = Object.keys(useMod().blocks);
  const joins = said.joins ?? plan?.joins ?? false;
  const isForeign =
    joins ||
    plan?.files.some(({ fate }) => fate === 'foreign' || fate === 'kept') ||
    (plan?.isKnown === false && plan.files.some(({ fate }) => fate !== 'new'));
  return (
    <div className={styles['row']}>
      <MultiSelect
        aria-label="Blocks that go there"
        placeholder={
          said.blocks?.length || plan?.blocks ? '' : `All ${count(blocks.length, 'block')}`
        }
        data={blocks}
        value={[...(said.blocks ?? plan?.blocks ?? [])]}
        onChange={(names) => onSay({ blocks: names })}
        searchable
        clearable
        limit={mostListed}
        nothingFoundMessage="No block is called so."
        className={styles['blocks']}
        classNames={{ input: styles['field'], inputField: styles['search'] }}
      />
      {isForeign && (
        <Checkbox
          label="It is somebody else’s pack: put lists and words of both together"
          checked={joins}
          onChange={(event) => onSay({ joins: event.currentTarget.checked })}
        />
      )}
      <AsYouGo {...where} />
      {plan?.kind === 'folder' && plan.files.some(({ fate }) => fate !== 'new') && (
        <OpenIn folder={plan.target}>Open the folder</OpenIn>
      )}
    </div>
  );
}

/** Building a moment after every change, wherever one is in the page. */
function AsYouGo({ target, kit }: Where) {
  const { name } = useSession();
  const { isOn, goesOn, turn } = useGoesOn(name, target, kit);
  return (
    <div className={styles['goes-on']}>
      <Checkbox
        label="Build as I go"
        checked={isOn}
        onChange={(event) => turn(event.currentTarget.checked)}
      />
      <span className="note inline" role="status">
        {isOn
          ? goesOnInWords(goesOn)
          : 'A moment after every change, also while you work elsewhere.'}
      </span>
    </div>
  );
}

function goesOnInWords(goesOn: GoesOn | undefined): string {
  if (!goesOn || goesOn.state === 'building') return 'Building';
  if (goesOn.state === 'waits') return goesOn.why;
  const time = goesOn.at.toLocaleTimeString('en-GB');
  return `Built at ${time}`;
}
