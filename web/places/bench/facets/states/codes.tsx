import { NumberInput, SegmentedControl } from '@mantine/core';
import clsx from 'clsx';
import { useMemo, useState } from 'react';
import { codesOf, heldCodes } from '../../../../../core/mod/index.ts';
import {
  bitFields,
  codeFlaw,
  codeTable,
  mixedRadix,
  proveCodes,
  withCode,
  type CodeLayout,
  type CodeProof,
  type StateSpace,
} from '../../../../../core/states/index.ts';
import { count } from '../../../../../core/words/index.ts';
import { useMod, useSession } from '../../../../api/hooks.tsx';
import type { FacetProps } from '../index.tsx';
import { Bits } from './bits.tsx';
import { Nodes } from './nodes.tsx';
import { DropAdvice, fewestBits } from './drop-advice.tsx';
import styles from './states.module.css';

/** So many codes are listed at first. */
const firstListed = 64;

/** How states are stored in a saved world: the layout, its bits, the proof, every code. */
export function CodesPart({ editor: { name, block }, state, onState }: FacetProps) {
  const mod = useMod();
  const { ledger } = mod;
  const { space } = block;
  const { limits } = fewestBits(mod);
  const codes = codesOf(ledger, name, space);
  const put = usePutCodes(name);
  const proof = useMemo(
    () => (space.tooLarge ? undefined : proveCodes(codes, space)),
    [codes, space],
  );
  if (!proof)
    return (
      <>
        <DropAdvice block={name} space={space} />
        <p className="note">{count(space.trueSize, 'state')} are too many to store or to list.</p>
      </>
    );
  const flaw = codeFlaw(codes, space);
  const proved =
    `Proved: each of the ${count(space.size, 'state')} has a code of its own and comes ` +
    'back from it.';
  return (
    <>
      <DropAdvice block={name} space={space} />
      <Nodes {...{ block, state, onState }} />
      <Layout codes={codes} space={space} put={put} />
      <p className={flaw ? 'bad' : styles['proof']}>
        {flaw ? `${flaw.slice(0, 1).toUpperCase()}${flaw.slice(1)}.` : proved}
      </p>
      <Bits codes={codes} used={proof.bits} room={limits.stateCodeBits} />
      {heldCodes(ledger, name) && <Held codes={codes} space={space} put={put} />}
      <CodeTable {...{ codes, space, proof, state, onState, put }} />
    </>
  );
}

type PutCodes = (label: string, codes: CodeLayout | undefined) => void;

/** Puts the layout into the ledger; undefined where the block is not registered. */
function usePutCodes(block: string): PutCodes | undefined {
  const session = useSession();
  const { entries } = useMod().ledger;
  const index = entries.findIndex(({ kind, name }) => kind === 'block' && name === block);
  if (index < 0) return undefined;
  return (label, codes) => session.set(label, ['ledger', 'entries', index, 'codes'], codes);
}

interface LayoutProps {
  codes: CodeLayout;
  space: StateSpace;
  put: PutCodes | undefined;
}

function Layout({ codes, space, put }: LayoutProps) {
  if (!put)
    return (
      <p className="note">The block is not in the registry yet, so nothing is stored for it.</p>
    );
  const layouts: Record<CodeLayout['kind'], () => CodeLayout | undefined> = {
    // What follows from the properties alone needs not be said.
    'mixed-radix': () => undefined,
    'bit-fields': () => bitFields(space),
    table: () => codeTable(codes, space),
  };
  return (
    <SegmentedControl
      mb="xs"
      fullWidth
      aria-label="Layout"
      value={codes.kind}
      onChange={(kind) => put(`Store the states as ${kind}`, layouts[kind]())}
      data={[
        { value: 'mixed-radix', label: 'Mixed radix' },
        { value: 'bit-fields', label: 'Bit fields' },
        { value: 'table', label: 'Table by hand' },
      ]}
    />
  );
}

/** The ledger holds a layout: what it is for, and what giving it up would move. */
function Held({ codes, space, put }: LayoutProps) {
  return (
    <p className="note">
      The ledger holds this layout, so that worlds saved before stay readable.{' '}
      <button
        type="button"
        className="link"
        onClick={() => put?.('Lay the state codes out afresh', undefined)}
      >
        Lay it out afresh
      </button>{' '}
      only while no world depends on it: it moves {count(moved(codes, space), 'code')}.
    </p>
  );
}

/** How many states would get another code if they were counted afresh. */
function moved(codes: CodeLayout, space: StateSpace): number {
  const fresh = proveCodes(mixedRadix(space), space).codes;
  return proveCodes(codes, space).codes.filter((code, state) => code !== fresh[state]).length;
}

interface CodeTableProps extends LayoutProps {
  proof: CodeProof;
  state: number;
  onState: (state: number) => void;
}

function CodeTable(props: CodeTableProps) {
  const { space } = props;
  const [listed, setListed] = useState(firstListed);
  return (
    <>
      <table className={clsx(styles['plain-table'], styles['codes'])}>
        <thead>
          <tr>
            <th>code</th>
            <th>bits</th>
            {space.properties.map(({ name }) => (
              <th key={name}>{name}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {Array.from({ length: Math.min(listed, space.size) }, (_, one) => (
            <CodeRow key={one} {...props} one={one} />
          ))}
        </tbody>
      </table>
      {space.size > listed && (
        <button type="button" className="link" onClick={() => setListed(listed * 4)}>
          Show more of {space.size.toLocaleString('en')}
        </button>
      )}
    </>
  );
}

function CodeRow({
  codes,
  space,
  proof,
  state,
  onState,
  put,
  one,
}: CodeTableProps & { one: number }) {
  const code = proof.codes[one] ?? -1;
  const words = space.describe(one);
  const setCode = (next: number) =>
    put?.(`Change the code of ${words}`, withCode(codes, space, one, next));
  return (
    <tr className={one === state ? styles['on'] : undefined} onClick={() => onState(one)}>
      <td className="mono">
        {codes.kind === 'table' ? (
          <NumberInput
            aria-label={`Code of ${words}`}
            hideControls
            w={64}
            min={0}
            max={65_535}
            value={code}
            onChange={(next) =>
              typeof next === 'number' && Number.isInteger(next) && next >= 0 && setCode(next)
            }
          />
        ) : (
          code
        )}
      </td>
      <td className="mono soft">
        {code < 0 ? '–' : code.toString(2).padStart(Math.max(1, codes.bits), '0')}
      </td>
      {space.values.map((values, i) => (
        <td key={i} className="mono">
          {String(values[space.digit(one, i)])}
        </td>
      ))}
    </tr>
  );
}
