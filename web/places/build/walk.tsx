import clsx from 'clsx';
import { useState } from 'react';
import { Link } from 'react-router';
import { lookUp, titleOf } from '../../../core/mod/index.ts';
import { count } from '../../../core/words/index.ts';
import { walkParts, wasInWords, type WalkPart } from '../../../core/yard/index.ts';
import { useMod, useSession } from '../../api/hooks.tsx';
import { useWalk, walkThrough, type WalkTold } from '../../api/walk.ts';
import { usePicturesOf, walkPicturesOf, type WalkPictureClient } from '../../api/walk-pictures.ts';
import { Rendering } from '../../parts/rendering.tsx';
import { defaultStateOf } from '../blocks/default-state.ts';
import { Ask } from './ask.tsx';
import styles from './walk.module.css';

/** Where what a try shows is declared. */
const facetOf: Record<WalkPart, string> = {
  Placed: 'states',
  Shown: 'looks',
  Dug: 'traits',
  Dropped: 'loot',
  Turned: 'states',
  'By night': 'traits',
};
/** So many blocks are listed before one asks for all. */
const mostListed = 60;

/** A walk through the built pack as a careful person would take it, and what came of it. */
export function Walk() {
  const { name } = useSession();
  const walk = useWalk(name);
  return (
    <section aria-label="Test walk">
      <Ask
        asking={walk}
        about={about}
        progress={{
          words: () => 'Building the pack and walking through it',
          label: 'Walking through the pack',
        }}
        failed="Not walked"
        words={{ first: 'Walk through it', again: 'Walk again' }}
        sum={(told) => <Sum told={told} />}
        onAsk={() => walkThrough(name)}
      />
      {walk?.state === 'told' && <Told told={walk.told} />}
    </section>
  );
}

const about =
  'The Yard is a stand-in for a game: it knows the files of the pack alone, and nothing of what ' +
  'they were made from. Each block is placed on six sides from four headings, shown in every ' +
  'state, dug by each tool, broken a thousand times, turned and mirrored, and lights a dark room.';

function Sum({ told: { checks, log, differences } }: { told: WalkTold }) {
  const amiss = checks.filter((check) => check.amiss !== undefined).length + log.length;
  return (
    <>
      <span className={clsx('tag', amiss ? 'error' : 'good')}>
        {amiss ? `${amiss} amiss` : 'Nothing amiss'}
      </span>{' '}
      {count(checks.length, 'try', 'tries')}.
      {differences &&
        (differences.length
          ? ` ${differences.length} came out otherwise than the last time.`
          : ' All as the last time.')}
    </>
  );
}

function Told({ told: { checks, log, differences, pack } }: { told: WalkTold }) {
  const [isAll, setAll] = useState(false);
  const pictures = walkPicturesOf(pack);
  const isOther = (block: string) => differences?.some((one) => one.block === block) === true;
  const weightOf = (block: string): number =>
    checks.some((check) => check.block === block && check.amiss !== undefined)
      ? 0
      : isOther(block)
        ? 1
        : 2;
  const blocks = [...new Set(checks.map(({ block }) => block))]
    .map((block) => ({ block, weight: weightOf(block) }))
    .sort((a, b) => a.weight - b.weight);
  return (
    <>
      {log.length > 0 && (
        <ul className={styles['log']} aria-label="Refused">
          {log.slice(0, mostListed).map((line) => (
            <li key={line} className="mono">
              {line}
            </li>
          ))}
        </ul>
      )}
      <table className={styles['table']} aria-label="What came of it">
        <thead>
          <tr>
            <th scope="col">Block</th>
            {walkParts.map((part) => (
              <th key={part} scope="col">
                {part === 'Dropped' ? 'Dropped, mean of 1,000' : part}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {blocks.slice(0, isAll ? undefined : mostListed).map(({ block }) => (
            <Row
              key={block}
              block={block}
              checks={checks.filter((check) => check.block === block)}
              differences={differences?.filter((one) => one.block === block) ?? []}
              pictures={pictures}
            />
          ))}
        </tbody>
      </table>
      {blocks.length > mostListed && !isAll && (
        <button type="button" className="link" onClick={() => setAll(true)}>
          Show all {blocks.length}
        </button>
      )}
    </>
  );
}

function Row({
  block,
  checks,
  differences,
  pictures,
}: {
  block: string;
  checks: WalkTold['checks'];
  differences: NonNullable<WalkTold['differences']>;
  pictures: WalkPictureClient | undefined;
}) {
  const mod = useMod();
  const shown = usePicturesOf(pictures, block);
  const session = useSession();
  const name = block.slice(block.indexOf(':') + 1);
  const declared = lookUp(mod.blocks, name);
  return (
    <tr>
      <th scope="row">
        <span className={styles['who']}>
          {declared && <Rendering block={name} state={defaultStateOf(mod, name)} size={32} fills />}
          <Link to={`/m/${session.name}/blocks/${name}`}>
            {titleOf(mod, name, declared?.names)}
          </Link>
        </span>
      </th>
      {walkParts.map((part) => {
        const check = checks.find((one) => one.part === part);
        const was = differences.find((one) => one.part === part);
        return (
          <td key={part} className={was && styles['other']}>
            {shown[part] && (
              <span className={styles['pictures']}>
                {shown[part].map(({ shows, url }) => (
                  <img key={url} src={url} alt={shows} title={shows} width={30} height={30} />
                ))}
              </span>
            )}
            {check?.found}
            {check?.amiss !== undefined && (
              <Link to={`/m/${session.name}/blocks/${name}/${facetOf[part]}`} className="bad">
                {check.amiss}
              </Link>
            )}
            {was && <small>{wasInWords(was)}</small>}
          </td>
        );
      })}
    </tr>
  );
}
