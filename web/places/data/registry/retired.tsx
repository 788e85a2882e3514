import { idOf } from '../../../../core/mod/index.ts';
import type { Ledger, Mod } from '../../../../core/mod/index.ts';
import { useMod, useSession } from '../../../api/hooks.tsx';
import { itemTitle } from '../../../parts/item.tsx';
import styles from './registry.module.css';

/** Numbers that are never given again, with what stands in old worlds in their place. */
export function Retired() {
  const mod = useMod();
  const { retired } = mod.ledger;
  const options = [...Object.keys(mod.blocks), ...Object.keys(mod.items)]
    .sort()
    .map((name) => idOf(mod.header.namespace, name));
  return (
    <>
      <h2 className="part">Retired</h2>
      {!retired.length && (
        <p className="note inline">
          Nothing yet. What is removed keeps its number here, so that it never comes back as
          something else.
        </p>
      )}
      {retired.map((entry, index) => (
        <Line key={entry.number} mod={mod} entry={entry} index={index} options={options} />
      ))}
    </>
  );
}

interface LineProps {
  mod: Mod;
  entry: Ledger['retired'][number];
  index: number;
  options: readonly string[];
}

function Line({ mod, entry, index, options }: LineProps) {
  const session = useSession();
  const { number, kind, name, successor, lost } = entry;
  const say = (value: string) => {
    const { successor: _before, lost: _wasLost, ...rest } = entry;
    const after = {
      ...rest,
      ...(value === 'nothing' ? { lost: true } : value ? { successor: value } : {}),
    };
    session.set(`Say what stands for ${name}`, ['ledger', 'retired', index], after);
  };
  return (
    <div className={styles['retired']}>
      <span>
        <span className="mono">{number}</span> {kind} <b>{name}</b>
      </span>
      <select
        className="pick"
        aria-label={`What stands for ${name}`}
        value={successor ?? (lost ? 'nothing' : '')}
        onChange={(event) => say(event.currentTarget.value)}
      >
        <option value="">not said</option>
        <option value="nothing">nothing, on purpose</option>
        {[...new Set([...options, ...(successor ? [successor] : [])])].map((id) => (
          <option key={id} value={id}>
            {itemTitle(mod, id)}
          </option>
        ))}
      </select>
    </div>
  );
}
