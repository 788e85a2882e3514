import { Button } from '@mantine/core';
import clsx from 'clsx';
import { builtKits, type Kit } from '../../../../core/kits/index.ts';
import { codesOf, nextNumber } from '../../../../core/mod/index.ts';
import { useMod, useSession } from '../../../api/hooks.tsx';
import { Field } from '../../../parts/field.tsx';
import type { FacetProps } from './index.tsx';
import styles from '../../../parts/field.module.css';

/** How many states of a block a kit has room for. `Block Pack, edition 1: 256` */
const roomInWords = ({ title, limits }: Kit): string =>
  `${title}: ${Math.min(limits.states, 2 ** limits.stateCodeBits).toLocaleString('en')}`;

/** The block's number in the ledger, and how its state codes are laid out. */
export function RegistryFacet({ editor: { name, block }, state }: FacetProps) {
  const mod = useMod();
  const session = useSession();
  const entry = mod.ledger.entries.find((one) => one.kind === 'block' && one.name === name);
  const codes = codesOf(mod.ledger, name, block.space);
  const kits = builtKits(mod);
  const room = Math.min(...kits.map(({ limits }) => limits.stateCodeBits));
  const register = () => {
    const { ledger } = session.view.mod;
    const number = nextNumber(ledger);
    session.set(
      `Register ${name} as number ${number}`,
      ['ledger', 'entries'],
      [...ledger.entries, { number, kind: 'block', name }],
    );
  };
  return (
    <>
      <Field
        label="Number"
        value={
          entry ? (
            <span className={clsx('mono', styles['value'])}>{entry.number}</span>
          ) : (
            <Button onClick={register}>Register it</Button>
          )
        }
        note={
          entry
            ? 'It never moves and is never given again: saved worlds depend on it.'
            : 'Not in the registry, so it does not exist in the game.'
        }
      />
      <Field
        label="States"
        value={
          <span className={clsx('mono', styles['value'])}>
            {block.space.trueSize.toLocaleString('en')}
          </span>
        }
      />
      <Field
        label="State code"
        value={
          <span className={clsx('mono', styles['value'])}>
            {codes.bits} of {room} bits
          </span>
        }
        note={
          'Each state is stored as one number. The facet States shows and changes how. Room for ' +
          `states: ${kits.map(roomInWords).join('; ')}.`
        }
      />
      {!block.space.tooLarge && (
        <Field
          label="The state shown"
          value={<span className={clsx('mono', styles['value'])}>code {state}</span>}
          note={block.space.describe(state)}
        />
      )}
      <Field label="In the mod's code" note="From code/ids.ts, which every build writes.">
        <pre
          className={clsx('mono', styles['code'])}
        >{`blockIds.${name}\ndefaultStates.${name}`}</pre>
      </Field>
    </>
  );
}
