import clsx from 'clsx';
import { useMemo } from 'react';
import { itemAt } from '../../../../../core/lists/index.ts';
import { builtKits, kitFor, type Storage } from '../../../../../core/kits/index.ts';
import type { ResolvedBlock } from '../../../../../core/mod/index.ts';
import { count } from '../../../../../core/words/index.ts';
import { useMod } from '../../../../api/hooks.tsx';
import { Rendering } from '../../../../parts/rendering.tsx';
import styles from './states.module.css';

interface NodesProps {
  block: ResolvedBlock;
  state: number;
  onState: (state: number) => void;
}

/** Where the kit's target keeps states as names with a number beside each: which, and how many. */
export function Nodes({ block, state, onState }: NodesProps) {
  const mod = useMod();
  const kit = builtKits(mod).find((one) => one.storage) ?? kitFor(mod);
  const storage = useMemo(() => kit.storage?.(mod, block), [kit, mod, block]);
  if (!storage) return null;
  const { nodes, codes } = storage;
  const apart = new Set(codes.map(({ node, byte }) => `${node} ${byte}`)).size;
  const here = itemAt(codes, state);
  return (
    <section aria-label="Nodes">
      <h3 className="part">In {kit.title}</h3>
      <p className={apart === codes.length ? styles['proof'] : 'bad'}>
        {apart === codes.length
          ? `Proved: ${count(nodes.length, 'name')} and a byte beside each keep ` +
            `${count(codes.length, 'state')} apart.`
          : `Of ${count(codes.length, 'state')} only ${apart} are kept apart.`}
      </p>
      <table className={clsx(styles['plain-table'], styles['codes'])} aria-label="Names">
        <thead>
          <tr>
            <th aria-label="Picture" />
            <th>name</th>
            <th>states</th>
            <th>its byte tells</th>
          </tr>
        </thead>
        <tbody>
          {nodes.map((node, i) => (
            <Row key={node.name} {...{ block, node, onState }} isHere={here.node === i} />
          ))}
        </tbody>
      </table>
      <p className="note">
        This state: <span className="mono">{itemAt(nodes, here.node).name}</span>, byte {here.byte}.
      </p>
    </section>
  );
}

interface RowProps {
  block: ResolvedBlock;
  node: Storage['nodes'][number];
  isHere: boolean;
  onState: (state: number) => void;
}

function Row({ block, node: { name, states, byte }, isHere, onState }: RowProps) {
  const first = itemAt(states, 0);
  return (
    <tr aria-selected={isHere} className={clsx(isHere && styles['on'])}>
      <td>
        <Rendering block={block.name} state={first} size={26} fills />
      </td>
      <td>
        <button type="button" className="link mono" onClick={() => onState(first)}>
          {name}
        </button>
      </td>
      <td>{states.length}</td>
      <td>{byte}</td>
    </tr>
  );
}
