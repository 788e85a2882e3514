import { tightestKit } from '../../../../../core/kits/index.ts';
import { itemAt } from '../../../../../core/lists/index.ts';
import { changeProperty, splitBlock, type Mod } from '../../../../../core/mod/index.ts';
import { whatToDrop, type StateSpace } from '../../../../../core/states/index.ts';
import { count, listed } from '../../../../../core/words/index.ts';
import { useModPart, useSession } from '../../../../api/hooks.tsx';
import styles from './states.module.css';

/** So many ways are offered, and a property of at most so many values may become blocks. */
const [mostWays, mostBlocks] = [5, 16];

/** The kit that the mod is built for with the least room for a state. */
export const fewestBits = (mod: Mod) => tightestKit(mod, ({ limits }) => limits.stateCodeBits);

/** Where the states do not fit into the kit's codes: what could go, or become blocks of its own. */
export function DropAdvice({ block, space }: { block: string; space: StateSpace }) {
  const { limits, title } = useModPart(fewestBits);
  const ways = whatToDrop(space, limits.stateCodeBits);
  if (!ways.length) return null;
  return (
    <div className={styles['advice']} role="group" aria-label="What to drop or to move">
      <p>
        <b>{count(space.trueSize, 'state')}</b> do not fit into the {limits.stateCodeBits} bits of{' '}
        {title}, which holds {count(2 ** limits.stateCodeBits, 'state')}. To make them fit:
      </p>
      {ways.slice(0, mostWays).map(({ properties, states, blocks }) => (
        <div key={properties.join()} className={styles['way']}>
          <span>
            without {listed(properties)}: {count(states, 'state')}
          </span>
          {properties.length === 1 && (
            <Acts block={block} property={itemAt(properties, 0)} blocks={blocks} />
          )}
        </div>
      ))}
    </div>
  );
}

function Acts({ block, property, blocks }: { block: string; property: string; blocks: number }) {
  const session = useSession();
  const drop = () => {
    const { mod } = session.view;
    const index = mod.blocks[block]?.states.properties.findIndex(({ name }) => name === property);
    if (index === undefined || index < 0) return;
    session.edit(`Remove ${property}`, changeProperty(mod, block, index, undefined));
  };
  const split = () =>
    session.edit(`Make blocks of ${property}`, splitBlock(session.view.mod, block, property));
  return (
    <span>
      <button type="button" className="link" onClick={drop}>
        Drop {property}
      </button>
      {blocks <= mostBlocks && (
        <>
          {' · '}
          <button type="button" className="link" onClick={split}>
            Move it: {count(blocks, 'block')}
          </button>
        </>
      )}
    </span>
  );
}
