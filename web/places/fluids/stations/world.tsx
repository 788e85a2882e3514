import { Button } from '@mantine/core';
import { Link } from 'react-router';
import {
  idOf,
  lookUp,
  newBucketOf,
  stockSoundSets,
  usualPool,
  type Pool,
} from '../../../../core/mod/index.ts';
import { useMod, useSession } from '../../../api/hooks.tsx';
import { AskFirst } from '../../../parts/ask-first.tsx';
import { Choice } from '../../../parts/choice/index.tsx';
import { complain } from '../../../parts/complain.ts';
import { Field } from '../../../parts/field.tsx';
import { ItemIcon } from '../../../parts/item.tsx';
import { NumberField } from '../../../parts/number-field.tsx';
import { RenameField } from '../../../parts/rename-field.tsx';
import { TextField } from '../../../parts/text-field.tsx';
import { languageName } from '../../../parts/language-name.ts';
import type { StationProps } from './flow.tsx';
import { PoolGround } from './pool-ground.tsx';
import styles from './stations.module.css';

interface WorldProps extends StationProps {
  onRenamed: (to: string) => void;
  onRemoved: () => void;
}

/** Where the world has it, what it is filled into, and what it is called. */
export function WorldStation(props: WorldProps) {
  const { edits, onRenamed, onRemoved } = props;
  const { header } = useMod();
  return (
    <>
      <h2>In the world</h2>
      <Pools {...props} />
      <Buckets {...props} />
      <h3 className="part">The fluid itself</h3>
      <RenameField
        kind="fluids"
        name={edits.name}
        id={idOf(header.namespace, edits.name)}
        onRenamed={onRenamed}
      />
      <Names {...props} />
      <Sounds {...props} />
      <Note {...props} />
      <AskFirst
        act={`Remove ${edits.name}`}
        says={() => `${edits.name} is retired: saved worlds know it by its number, which stays.`}
        onAct={() => {
          edits.remove();
          onRemoved();
        }}
      />
    </>
  );
}

function Pools({ fluid, edits: { put, name } }: StationProps) {
  const { pools = [] } = fluid;
  const set = (label: string, next: readonly Pool[]) =>
    put(label, 'pools', next.length ? [...next] : undefined);
  return (
    <>
      <h3 className="part">Pools</h3>
      {pools.length === 0 && (
        <p className="note">The world has none of it: it comes from buckets alone.</p>
      )}
      {pools.map((pool, i) => (
        <OnePool
          key={i}
          at={i + 1}
          pool={pool}
          onPool={(next) =>
            set(
              next ? `Pools of ${name}` : `Remove a pool of ${name}`,
              next ? pools.with(i, next) : pools.toSpliced(i, 1),
            )
          }
        />
      ))}
      <Button
        mt="sm"
        variant="default"
        onClick={() => set(`Give the world pools of ${name}`, [...pools, usualPool])}
      >
        {pools.length ? 'Pools elsewhere too' : 'Give the world pools of it'}
      </Button>
    </>
  );
}

/** A pool as a sentence with numbers in it. */
function OnePool({
  at,
  pool,
  onPool,
}: {
  at: number;
  pool: Pool;
  onPool: (pool: Pool | undefined) => void;
}) {
  const number = (
    label: string,
    value: number,
    least: number,
    most: number,
    to: (n: number) => Pool,
  ) => (
    <NumberField
      label={`Pool ${at}: ${label}`}
      value={value}
      least={least}
      most={most}
      onNumber={(next) => onPool(to(Math.round(next)))}
    />
  );
  const span = (part: 'across' | 'deep' | 'between', least: number, most: number) => (
    <>
      {number(`${part}, least`, pool[part][0], least, most, (n) => ({
        ...pool,
        [part]: [n, pool[part][1]],
      }))}
      to
      {number(`${part}, most`, pool[part][1], least, most, (n) => ({
        ...pool,
        [part]: [pool[part][0], n],
      }))}
    </>
  );
  return (
    <div className={styles['pool']}>
      <span className={styles['words']}>
        In{' '}
        <PoolGround
          at={at}
          ground={pool.in}
          onGround={(ground) => onPool({ ...pool, in: ground })}
        />
        <button
          type="button"
          className="tiny"
          aria-label={`Remove pool ${at}`}
          onClick={() => onPool(undefined)}
        >
          ×
        </button>
      </span>
      <span className={styles['words']}>
        one in each square of
        {number('one in each square of', pool.every, 8, 100_000, (every) => ({ ...pool, every }))}
        blocks,
      </span>
      <span className={styles['words']}>{span('across', 1, 128)} wide,</span>
      <span className={styles['words']}>{span('deep', 1, 64)} deep,</span>
      <span className={styles['words']}>
        its surface between heights {span('between', -100_000, 100_000)}
      </span>
    </div>
  );
}

function Buckets({ fluid, edits: { name } }: StationProps) {
  const session = useSession();
  const { items, header } = useMod();
  const id = idOf(header.namespace, name);
  const full = Object.entries(items).filter(([, { bucket }]) => bucket?.of === id);
  const make = () => {
    const title = lookUp(fluid.names, header.languages[0] ?? 'en') ?? name;
    try {
      session.edit(
        `Make a bucket of ${name}`,
        newBucketOf(session.view.mod, name, `Bucket of ${title.toLowerCase()}`),
      );
    } catch (error) {
      complain(error);
    }
  };
  return (
    <>
      <h3 className="part">Buckets</h3>
      {full.map(([item]) => (
        <p key={item} className={styles['bucket']}>
          <ItemIcon id={idOf(header.namespace, item)} size={26} />
          <Link to={`/m/${session.name}/data/items/${item}`} className="link">
            {item.replaceAll('_', ' ')}
          </Link>
        </p>
      ))}
      {full.length === 0 && (
        <>
          <p className="note">Nobody can carry it.</p>
          <Button variant="default" onClick={make}>
            Make a bucket of it
          </Button>
        </>
      )}
    </>
  );
}

function Names({ fluid, edits: { put, name } }: StationProps) {
  const { languages } = useMod().header;
  return (
    <Field label="Called">
      {languages.map((language) => (
        <div key={language} className={styles['line']}>
          <span>{languageName(language)}</span>
          <TextField
            w={220}
            aria-label={`Called in ${language}`}
            maxLength={200}
            text={lookUp(fluid.names, language) ?? ''}
            onText={(text) => {
              const { [language]: _, ...others } = fluid.names;
              put(`Call ${name} ${text}`, 'names', text ? { ...others, [language]: text } : others);
            }}
          />
        </div>
      ))}
    </Field>
  );
}

function Sounds({ fluid, edits: { put, name } }: StationProps) {
  const { soundSets, header } = useMod();
  const own = Object.keys(soundSets).map((set) => idOf(header.namespace, set));
  return (
    <Field
      label="Sound set"
      value={
        <Choice
          w={220}
          aria-label="Sound set"
          data={[{ value: '', label: 'silent' }, ...own, ...stockSoundSets]}
          value={fluid.soundSet ?? ''}
          onTake={(set) => put(`How ${name} sounds`, 'soundSet', set || undefined)}
        />
      }
      note="Place and dig when it is poured and dipped, step when one wades in it."
    />
  );
}

function Note({ fluid, edits: { put, name } }: StationProps) {
  return (
    <Field label="Note">
      <TextField
        long
        aria-label="Note on the fluid"
        maxLength={4000}
        text={fluid.note ?? ''}
        onText={(note) => put(`Note on ${name}`, 'note', note || undefined)}
      />
    </Field>
  );
}
