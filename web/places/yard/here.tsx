import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { count } from '../../../core/words/index.ts';
import type { YardClient } from '../../api/yard.ts';
import { Cap } from '../../parts/keys/cap.tsx';
import type { Here } from '../../workers/yard-protocol.ts';
import { Doing } from './doing.tsx';
import { usePart } from './use-part.ts';
import styles from './yard.module.css';

/** What is here, and which rule made it so. */
export function HerePanel({
  client,
  tool,
  home,
  above,
  onBreakMany,
}: {
  client: YardClient;
  /** What stands over it. */
  above: ReactNode;
  /** What is in the hand, in words. */
  tool: string;
  home: string;
  onBreakMany: () => void;
}) {
  const here = usePart(client, ({ now }) => now?.here);
  return (
    <aside className={styles['panel']} aria-label="What is here">
      {above}
      {here ? (
        <Before here={here} tool={tool} home={home} onBreakMany={onBreakMany} />
      ) : (
        <p className="note">
          Nothing is within reach. Look at a block to read what it is, which rule made it so, how it
          is lit, how long it is dug and what it drops.
        </p>
      )}
      <Collected client={client} />
      <Doing />
    </aside>
  );
}

function Before({
  here,
  tool,
  home,
  onBreakMany,
}: {
  here: Here;
  tool: string;
  home: string;
  onBreakMany: () => void;
}) {
  const { block, light } = here;
  const name = here.id.slice(here.id.indexOf(':') + 1);
  const isStock = here.id.startsWith('obrank:');
  return (
    <>
      <h2>
        {block && !isStock ? <Link to={`${home}/blocks/${name}`}>{here.title}</Link> : here.title}
      </h2>
      <p className="mono">
        {here.id}
        {block && !isStock && ` · code ${block.code}`}
      </p>
      {!block && (
        <p className={styles['missing']}>
          <b>Not in this pack.</b> It stood here before, and is kept as the marker under its name.
        </p>
      )}
      {block && block.properties.length > 0 && (
        <dl className={styles['why']}>
          {block.properties.map(({ name: property, value, why }) => (
            <div key={property}>
              <dt>{property}</dt>
              <dd className="mono">{value}</dd>
              <dd className="note">{why}</dd>
            </div>
          ))}
        </dl>
      )}
      <dl className={styles['facts']}>
        <div>
          <dt>Light here</dt>
          <dd className="mono">{Math.max(light.block, light.day)}</dd>
          <dd className="note">
            {light.block} from blocks, {light.day} from the day
          </dd>
        </div>
        {here.isSignalled && (
          <div>
            <dt>Signal</dt>
            <dd className="mono">on</dd>
            <dd className="note">one reaches it from a side</dd>
          </div>
        )}
        {block && (
          <div>
            <dt>Digs with {tool}</dt>
            <dd className="mono">{block.digs ? `${block.digs.seconds.toFixed(2)} s` : 'never'}</dd>
            {block.digs && (
              <dd className="note">
                {count(block.digs.ticks, 'tick')}
                {!block.digs.yields && ', and it yields nothing'}
              </dd>
            )}
          </div>
        )}
      </dl>
      {block?.isBurning && <p className={styles['missing']}>It burns.</p>}
      {block && <Drops block={block} onBreakMany={onBreakMany} />}
    </>
  );
}

/** What dropped so far, beside what should. */
function Drops({
  block: { broken, drops },
  onBreakMany,
}: {
  block: NonNullable<Here['block']>;
  onBreakMany: () => void;
}) {
  return (
    <section className={styles['drops']} aria-label="Drops">
      <h3>
        Dropped so far
        <span className="mono">{broken.toLocaleString('en')} broken</span>
      </h3>
      {drops.length === 0 ? (
        <p className="note">Nothing, and nothing should.</p>
      ) : (
        <table>
          <thead>
            <tr>
              <th scope="col">Item</th>
              <th scope="col">came, a block</th>
              <th scope="col">should</th>
            </tr>
          </thead>
          <tbody>
            {drops.map(({ item, title, dropped, expected }) => (
              <tr key={item}>
                <th scope="row">{title}</th>
                <td className="mono">
                  {broken ? (dropped / broken).toFixed(3) : 'none yet'}
                  <Off broken={broken} dropped={dropped} expected={expected} />
                </td>
                <td className="mono">{expected?.toFixed(3) ?? 'not summed'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <button type="button" className="link" onClick={onBreakMany}>
        Break 1,000
      </button>{' '}
      <Cap of="breakMany" />
    </section>
  );
}

/** How far what came is from what should, as a bar about the middle. */
function Off({
  broken,
  dropped,
  expected,
}: {
  broken: number;
  dropped: number;
  expected: number | undefined;
}) {
  if (!broken || expected === undefined || expected === 0) return null;
  const off = Math.max(-1, Math.min(1, dropped / broken / expected - 1));
  return (
    <span className={styles['off']} aria-hidden>
      <i style={{ left: `${50 + Math.min(0, off) * 50}%`, width: `${Math.abs(off) * 50}%` }} />
    </span>
  );
}

function Collected({ client }: { client: YardClient }) {
  const collected = usePart(client, ({ now }) => now?.collected);
  if (!collected?.length) return null;
  return (
    <section aria-label="Collected" className={styles['collected']}>
      <h3>Collected</h3>
      <ul>
        {collected.map(({ item, title, count: many, carries }) => (
          <li key={`${item} ${JSON.stringify(carries)}`}>
            <span>
              {title}
              {carries &&
                ` · ${Object.entries(carries)
                  .map(([name, value]) => `${name}=${String(value)}`)
                  .join(', ')}`}
            </span>
            <span className="mono">{count(many, 'piece')}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
