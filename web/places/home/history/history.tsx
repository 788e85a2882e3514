import { Select } from '@mantine/core';
import { useMemo, useState } from 'react';
import { gatherStretches } from '../../../../core/history/index.ts';
import { titleOf } from '../../../../core/mod/index.ts';
import { useHistory } from '../../../api/history.ts';
import { useModPart } from '../../../api/hooks.tsx';
import { KeptPoints } from './kept-points.tsx';
import { StretchLine } from './stretch-line.tsx';
import styles from './history.module.css';

/** What was done, as stretches of work, newest first; perhaps only to one block. */
export function HistorySection() {
  const [block, setBlock] = useState<string | null>(null);
  const [pages, setPages] = useState(1);
  const { history, again } = useHistory(block ?? undefined, pages);
  const stretches = useMemo(() => gatherStretches(history?.lines ?? []), [history]);
  const points = new Map(history?.points.map(({ revision, name }) => [revision, name]));
  return (
    <section aria-labelledby="home-history">
      <div className={styles['head']}>
        <h2 id="home-history">History</h2>
        <BlockFilter block={block} onBlock={setBlock} />
      </div>
      {history && stretches.length === 0 && (
        <p className="note">
          {block === null
            ? 'Nothing was changed yet. Every step that you take is listed here, and can be looked at as it was.'
            : 'Nothing was done to this block as far as the log goes.'}
        </p>
      )}
      {stretches.map((stretch) => (
        <StretchLine
          key={`${stretch.author} ${stretch.steps.at(-1)?.revision}`}
          stretch={stretch}
          points={points}
          onNamed={again}
        />
      ))}
      {history?.hasMore && (
        <button type="button" className="link" onClick={() => setPages(pages + 1)}>
          Earlier
        </button>
      )}
      {history && !history.hasMore && (
        <KeptPoints points={history.points} before={history.lines.at(-1)?.revision ?? 0} />
      )}
    </section>
  );
}

function BlockFilter({
  block,
  onBlock,
}: {
  block: string | null;
  onBlock: (block: string | null) => void;
}) {
  const blocks = useModPart((mod) =>
    Object.entries(mod.blocks).map(([name, { names }]) => ({
      value: name,
      label: titleOf(mod, name, names),
    })),
  );
  return (
    <Select
      size="xs"
      w={190}
      aria-label="Only steps that touch"
      placeholder="All blocks"
      searchable
      clearable
      data={blocks}
      value={block}
      onChange={onBlock}
    />
  );
}
