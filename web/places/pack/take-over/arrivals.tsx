import clsx from 'clsx';
import type { RenamedKind } from '../../../../core/mod/index.ts';
import type { Arrival } from '../../../../core/take-over/index.ts';
import styles from './take-over.module.css';

const kindTitles: Record<RenamedKind, string> = {
  blocks: 'Blocks',
  fluids: 'Fluids',
  items: 'Items',
  models: 'Models',
  textures: 'Pictures',
  soundSets: 'Sound sets',
  sounds: 'Sounds',
  lootTables: 'Loot tables',
  recipes: 'Recipes',
  blockTags: 'Block tags',
  itemTags: 'Item tags',
  groups: 'Catalogue groups',
};

/** What comes along, by kind: under which name, which can be changed where it stands. */
export function Arrivals({
  arrivals,
  names,
  onName,
}: {
  arrivals: readonly Arrival[];
  names: Readonly<Record<string, string>>;
  onName: (key: string, name: string) => void;
}) {
  const kinds = (Object.keys(kindTitles) as RenamedKind[]).map((kind) => {
    const list = arrivals.filter((one) => one.kind === kind);
    return {
      kind,
      coming: list.filter(({ how }) => how !== 'there'),
      there: list.filter(({ how }) => how === 'there'),
    };
  });
  return (
    <>
      {kinds
        .filter(({ coming }) => coming.length)
        .map(({ kind, coming }) => (
          <section key={kind} className={styles['kind']} aria-label={kindTitles[kind]}>
            <h2>
              {kindTitles[kind]} <span className="soft">{coming.length}</span>
            </h2>
            {coming.map((arrival) => (
              <Line
                key={arrival.from}
                arrival={arrival}
                typed={names[`${kind} ${arrival.from}`]}
                onName={(name) => onName(`${kind} ${arrival.from}`, name)}
              />
            ))}
          </section>
        ))}
      <Already kinds={kinds.filter(({ there }) => there.length)} />
    </>
  );
}

/** What does not come, since the mod has the very same. */
function Already({ kinds }: { kinds: { kind: RenamedKind; there: readonly Arrival[] }[] }) {
  return kinds.length ? (
    <section className={styles['already']} aria-label="There already">
      <h2>There already, the very same</h2>
      {kinds.map(({ kind, there }) => (
        <p key={kind}>
          {kindTitles[kind]}{' '}
          <span className="mono">{there.map(({ from }) => from).join(', ')}</span>
        </p>
      ))}
    </section>
  ) : null;
}

/** One that comes: its name there, and its name here. */
function Line({
  arrival: { from, to, how },
  typed,
  onName,
}: {
  arrival: Arrival;
  typed: string | undefined;
  onName: (name: string) => void;
}) {
  return (
    <div className={clsx(styles['arrival'], styles[how])}>
      <span className="mono">{from}</span>
      <span className={styles['arrow']} data-renamed={to !== from || undefined}>
        →
      </span>
      <input
        className={clsx('mono', styles['name'])}
        aria-label={`Name of ${from}`}
        aria-invalid={typed !== undefined && typed !== to}
        value={typed ?? to}
        spellCheck={false}
        onChange={(event) => onName(event.currentTarget.value)}
      />
      <span className="note">
        {typed !== undefined && typed !== to
          ? `as ${to}`
          : how === 'joined'
            ? 'joins the one that is there'
            : ''}
      </span>
    </div>
  );
}
