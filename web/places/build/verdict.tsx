import clsx from 'clsx';
import { Link } from 'react-router';
import type { Verdict as Said } from '../../../core/api/index.ts';
import { engineKit } from '../../../core/kits/index.ts';
import { count } from '../../../core/words/index.ts';
import { useSession, useView } from '../../api/hooks.tsx';
import { askEngine, useVerdict } from '../../api/verdict.ts';
import { Rendering } from '../../parts/rendering.tsx';
import { defaultStateOf } from '../blocks/default-state.ts';
import { Ask } from './ask.tsx';
import styles from './verdict.module.css';

/** What a real engine says of the mod, beside what was predicted. */
export function Verdict() {
  const { name } = useSession();
  const asking = useVerdict(name);
  return (
    <section aria-label="The engine">
      <Ask
        asking={asking}
        about={about}
        progress={{
          words: (done, total) =>
            total
              ? `${done.toLocaleString('en')} of ${count(total, 'question')} answered`
              : 'Building for the engine',
          label: 'Asking the engine',
        }}
        failed="Not asked"
        words={{ first: 'Ask the engine', again: 'Ask again' }}
        sum={(told) => <Sum verdict={told} />}
        onAsk={() => askEngine(name)}
      />
      {asking?.state === 'told' && <Told verdict={asking.told} />}
    </section>
  );
}

const about = (
  <>
    The mod is built for <b>{engineKit.title}</b> and loaded by it, in a world of its own that is
    gone afterwards. A probe inside asks it for every state, its light and its outline, places each
    block from all sides, digs it ten thousand times with each tool, crafts each recipe and reads
    each name. What it says otherwise than Obrank stands here.
  </>
);

function Sum({ verdict: { many, checks, engine } }: { verdict: Said }) {
  return (
    <>
      <span className={clsx('tag', many ? 'error' : 'good')}>
        {many ? count(many, 'difference') : 'Agrees'}
      </span>{' '}
      {engine} was asked {count(checks, 'question')}
      {many ? '.' : ', and says what was predicted each time.'}
    </>
  );
}

function Told({ verdict: { asked, differences, many, near } }: { verdict: Said }) {
  const apart = (sort: string) => differences.filter((one) => one.sort === sort).length;
  return (
    <div className={styles['told']}>
      <table aria-label="What was asked" className={styles['asked']}>
        <thead>
          <tr>
            <th scope="col">Asked about</th>
            <th scope="col">Questions</th>
            <th scope="col">Apart</th>
          </tr>
        </thead>
        <tbody>
          {asked.map(({ sort, checks }) => (
            <tr key={sort}>
              <th scope="row">{sort}</th>
              <td>{checks.toLocaleString('en')}</td>
              <td className={apart(sort) ? styles['apart'] : 'soft'}>{apart(sort) || 'none'}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div>
        {differences.length > 0 && (
          <ul aria-label="Differences" className={styles['list']}>
            {differences.map((difference) => (
              <Row key={`${difference.about} ${difference.engine}`} difference={difference} />
            ))}
          </ul>
        )}
        {many > differences.length && (
          <p className="note">And {count(many - differences.length, 'more', 'more')}.</p>
        )}
        <Near near={near} />
      </div>
    </div>
  );
}

/** Where the engine comes near to what is declared, as predicted: no difference, but no secret. */
function Near({ near }: { near: Said['near'] }) {
  const { mod } = useView();
  const { name } = useSession();
  if (!near.length) return null;
  const blocks = [...new Set(near.map(({ block }) => block))];
  return (
    <section aria-label="Where the engine comes near">
      <h3 className="part">Where the engine comes near</h3>
      <ul className={styles['list']}>
        {blocks.map((block) => (
          <li key={block}>
            <span className={styles['picture']}>
              {Object.hasOwn(mod.blocks, block) && (
                <Rendering block={block} state={defaultStateOf(mod, block)} size={30} fills />
              )}
            </span>
            <div>
              {near
                .filter((one) => one.block === block)
                .map(({ facet, words }) => (
                  <p key={words}>
                    <Link to={`/m/${name}/blocks/${block}/${facet}`}>{words}</Link>
                  </p>
                ))}
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Row({
  difference: { about, of, facet, ours, engine },
}: {
  difference: Said['differences'][number];
}) {
  const { mod } = useView();
  const { name } = useSession();
  const isBlock = of?.kind === 'block' && Object.hasOwn(mod.blocks, of.name);
  const to = of && addressOf(name, of, isBlock ? facet : undefined);
  return (
    <li>
      <span className={styles['picture']}>
        {isBlock && (
          <Rendering block={of.name} state={defaultStateOf(mod, of.name)} size={30} fills />
        )}
      </span>
      <div>
        {to === undefined ? <b>{about}</b> : <Link to={to}>{about}</Link>}
        <dl>
          <dt>predicted</dt>
          <dd className="mono">{ours}</dd>
          <dt>engine</dt>
          <dd className="mono">{engine}</dd>
        </dl>
      </div>
    </li>
  );
}

/** Where a difference is mended. */
function addressOf(
  mod: string,
  { kind, name }: NonNullable<Said['differences'][number]['of']>,
  facet: string | undefined,
): string {
  if (kind === 'block') return `/m/${mod}/blocks/${name}/${facet ?? 'identity'}`;
  return `/m/${mod}/data/${kind}s/${name}`;
}
