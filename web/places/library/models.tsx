import { heldUnder } from '../../../core/lists/index.ts';
import { useMemo } from 'react';
import { idOf, idOfShown } from '../../../core/mod/index.ts';
import { count } from '../../../core/words/index.ts';
import { Link } from 'react-router';
import { deskPath } from '../../api/address.ts';
import { useMod, useSession } from '../../api/hooks.tsx';
import { RenameButton } from '../../parts/rename-field.tsx';
import styles from './library.module.css';

/** Every model of the mod: what it is made of, and who shows it. */
export function ModelShelf({ filter }: { filter: string }) {
  const mod = useMod();
  const session = useSession();
  const { namespace } = mod.header;
  const uses = useMemo(() => {
    const found = new Map<string, Set<string>>();
    const add = (id: string, who: string) => found.set(id, (found.get(id) ?? new Set()).add(who));
    for (const [name, block] of Object.entries(mod.blocks))
      for (const { use } of block.looks.rows) for (const { model } of use) add(model, name);
    for (const [name, { looks }] of Object.entries(mod.newLooks))
      for (const { use } of looks.rows)
        for (const { model } of use) add(model, idOfShown(namespace, name));
    for (const [name, { template }] of Object.entries(mod.models))
      if (template) add(template, `model ${name}`);
    return found;
  }, [mod.blocks, mod.newLooks, mod.models, namespace]);
  const names = Object.keys(mod.models)
    .filter((name) => name.includes(filter.trim().toLowerCase()))
    .sort();
  return (
    <>
      <h2>
        Models <span className="soft plain">{Object.keys(mod.models).length}</span>
      </h2>
      {names.length === 0 && (
        <p className="note">
          {Object.keys(mod.models).length
            ? `No model matches “${filter}”.`
            : 'No model yet. A new block brings one along.'}
        </p>
      )}
      <ul className={styles['plain-list']} aria-label="Models">
        {names.map((name) => {
          const { template, boxes } = heldUnder(mod.models, name);
          const used = [...(uses.get(idOf(namespace, name)) ?? [])];
          return (
            <li key={name} aria-label={name}>
              <Link className="mono" to={`/m/${session.name}/${deskPath(name)}`}>
                {name}
              </Link>
              <span className="note">
                {template ? `from ${template}` : count(boxes?.length ?? 0, 'box', 'boxes')}
              </span>
              <span className="note" title={used.join(', ')}>
                {used.length
                  ? used.slice(0, 3).join(', ') +
                    (used.length > 3 ? ` and ${used.length - 3} more` : '')
                  : 'shown by nobody'}
              </span>
              <RenameButton kind="models" name={name} id={idOf(namespace, name)} />
            </li>
          );
        })}
      </ul>
    </>
  );
}
