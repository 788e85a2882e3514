import { Button, Checkbox, TextInput } from '@mantine/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { Bringing } from '../../../../core/take-over/index.ts';
import { count } from '../../../../core/words/index.ts';
import { useSession, useView } from '../../../api/hooks.tsx';
import { takeIn } from '../../../api/take-in.ts';
import type { PackBlock, PackParts } from '../../../workers/pack-protocol.ts';
import { Arrivals } from './arrivals.tsx';
import { BlockDrawing } from './block-drawing.tsx';
import type { WayProps } from './take-over.tsx';
import { useAsked } from './use-asked.ts';
import styles from './take-over.module.css';

/** So many blocks are listed at once; the others are found by their names. */
const mostListed = 120;

/** Blocks of the pack into the mod that is open: chosen, what comes with them, and as what. */
export function SomeBlocks({ parts, revision, ways }: WayProps) {
  const { mod, revision: modRevision } = useView();
  const [chosen, setChosen] = useState<string[]>([]);
  const [names, setNames] = useState<Record<string, string>>({});
  const { answer, problem, isOfNow } = useAsked(
    'bring',
    { target: mod, blocks: chosen, names },
    `${revision} ${mod.header.namespace} ${modRevision} ${JSON.stringify([chosen, names])}`,
  );
  const isReady = isOfNow && chosen.length > 0;
  return (
    <>
      <div className={styles['left']}>
        {ways}
        <BlockList parts={parts} revision={revision} chosen={chosen} onChoose={setChosen} />
      </div>
      <div className={styles['middle']}>
        {chosen.length && answer ? (
          <Arrivals
            arrivals={answer.arrivals}
            names={names}
            onName={(key, name) => setNames({ ...names, [key]: name })}
          />
        ) : (
          <p className="note">
            Choose blocks at the left. Their models, pictures, sounds, loot, items and tags come
            along, and recipes where all that they take is there.
          </p>
        )}
      </div>
      <Taking
        bringing={isReady ? answer : undefined}
        problem={chosen.length ? problem : undefined}
      />
    </>
  );
}

function BlockList({
  parts,
  revision,
  chosen,
  onChoose,
}: {
  parts: PackParts;
  revision: string;
  chosen: readonly string[];
  onChoose: (blocks: string[]) => void;
}) {
  const [filter, setFilter] = useState('');
  const asked = filter.trim().toLowerCase();
  const found = parts.blocks.filter(
    ({ name, title }) => name.includes(asked) || title.toLowerCase().includes(asked),
  );
  const toggle = (name: string) =>
    onChoose(chosen.includes(name) ? chosen.filter((one) => one !== name) : [...chosen, name]);
  return (
    <>
      <TextInput
        aria-label="Find a block"
        placeholder={`Find one of ${count(parts.blocks.length, 'block')}`}
        value={filter}
        onChange={(event) => setFilter(event.currentTarget.value)}
      />
      <div className={styles['blocks']} role="group" aria-label="Blocks of the pack">
        {found.slice(0, mostListed).map((block) => (
          <Choice
            key={`${revision} ${block.name}`}
            block={block}
            isChosen={chosen.includes(block.name)}
            onToggle={() => toggle(block.name)}
          />
        ))}
        {found.length > mostListed && (
          <p className="note">and {found.length - mostListed} more: type a part of the name.</p>
        )}
        {!found.length && <p className="note">No block of the pack is called so.</p>}
      </div>
    </>
  );
}

function Choice({
  block: { name, title, states },
  isChosen,
  onToggle,
}: {
  block: PackBlock;
  isChosen: boolean;
  onToggle: () => void;
}) {
  return (
    <label className={styles['block']} data-chosen={isChosen || undefined}>
      <Checkbox checked={isChosen} onChange={onToggle} aria-label={title} />
      <BlockDrawing block={name} />
      <span className={styles['called']}>
        {title}
        <span className="mono soft">{name}</span>
      </span>
      <span className="note">{states > 1 && count(states, 'state')}</span>
    </label>
  );
}

/** What the mod gets, and the button. */
function Taking({
  bringing,
  problem,
}: {
  bringing: Bringing | undefined;
  problem: string | undefined;
}) {
  const session = useSession();
  const navigate = useNavigate();
  const { mod } = useView();
  const [taken, setTaken] = useState<{ busy?: boolean; problem?: string }>({});
  const blocks = (bringing?.arrivals ?? []).filter(
    ({ kind, how }) => kind === 'blocks' && how !== 'there',
  );
  const take = async () => {
    if (!bringing) return;
    setTaken({ busy: true });
    try {
      await takeIn(session, bringing, `Take over ${count(blocks.length, 'block')}`);
      await navigate(`/m/${session.name}/blocks/${blocks[0]?.to ?? ''}`);
    } catch (error) {
      setTaken({ problem: (error as Error).message });
    }
  };
  const said = problem ?? taken.problem;
  return (
    <aside className={styles['right']} aria-label="What comes">
      {bringing && (
        <>
          <h2>
            {blocks.length
              ? `${count(blocks.length, 'block')} for ${mod.header.title}`
              : 'Nothing new'}
          </h2>
          {!blocks.length && (
            <p className="note">{mod.header.title} has the very same blocks already.</p>
          )}
          {bringing.notes.map((note) => (
            <p key={note} className={styles['told']}>
              {note}
            </p>
          ))}
        </>
      )}
      <Button
        fullWidth
        disabled={!blocks.length || taken.busy === true}
        loading={taken.busy === true}
        onClick={() => void take()}
      >
        {blocks.length ? `Take over ${count(blocks.length, 'block')}` : 'Take over'}
      </Button>
      <p role="status" className={said ? styles['problem'] : 'note'}>
        {said ?? (blocks.length ? 'One step, which can be undone.' : '')}
      </p>
    </aside>
  );
}
