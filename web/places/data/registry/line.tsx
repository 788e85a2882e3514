import { Link } from 'react-router';
import { codesOf, idOf, lookUp, resolveBlock, type Mod } from '../../../../core/mod/index.ts';
import { codesInWords, type LedgerEntry } from '../../../../core/registry/index.ts';
import { useModPart, useSession } from '../../../api/hooks.tsx';
import { ItemIcon } from '../../../parts/item.tsx';
import styles from './registry.module.css';

interface LineProps {
  entry: LedgerEntry;
  index: number;
  top: number;
}

/** One entry of the ledger: its number, what it is, and how its states are stored. */
export function Line({ entry, index, top }: LineProps) {
  const { number, kind, name, formerly } = entry;
  const session = useSession();
  const { id, icon, states, codes } = useModPart((mod) => factsOf(mod, entry));
  const places = {
    block: `blocks/${name}/registry`,
    item: `data/items/${name}`,
    fluid: `fluids/${name}`,
    group: 'data/groups',
  };
  return (
    <div className={styles['ledger-line']} role="row" aria-rowindex={index + 2} style={{ top }}>
      <span role="cell" className="mono">
        {number}
      </span>
      <span role="cell" className="soft">
        {kind}
      </span>
      <span role="rowheader">
        {icon === undefined ? <i /> : <ItemIcon id={icon} size={24} />}
        <Link to={`/m/${session.name}/${places[kind]}`} className="mono">
          {id}
        </Link>
      </span>
      <span role="cell" className="mono">
        {states}
      </span>
      <span role="cell" className="mono soft">
        {codes}
      </span>
      <span role="cell" className="mono soft">
        {formerly?.join(', ')}
      </span>
    </div>
  );
}

/** What the mod says of an entry: its id, its icon, and for a block its states and their codes. */
function factsOf(mod: Mod, { kind, name }: LedgerEntry) {
  const { namespace, groups } = mod.header;
  if (kind === 'group') {
    const icon = groups.find((group) => group.name === name)?.icon;
    return { id: name, icon, states: '', codes: '' };
  }
  const id = idOf(namespace, name);
  const declared = kind === 'block' ? lookUp(mod.blocks, name) : undefined;
  if (!declared) return { id, icon: id, states: '', codes: '' };
  const { space } = resolveBlock(mod, name, declared);
  return {
    id,
    icon: id,
    states: space.trueSize.toLocaleString('en'),
    codes: codesInWords(codesOf(mod.ledger, name, space), space.trueSize),
  };
}
