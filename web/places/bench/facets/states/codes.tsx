import { itemAt } from '../../../../../core/lists/index.ts';
import { NumberInput, SegmentedControl } from '@mantine/core';
import { useMemo, useState } from 'react';
import { kitNamed } from '../../../../../core/kits/index.ts';
import { codesOf, heldCodes, splitBlock } from '../../../../../core/mod/index.ts';
import {
  bitFields,
  codeTable,
  mixedRadix,
  proveCodes,
  valuesIn,
  whatToDrop,
  type CodeLayout,
} from '../../../../../core/states/index.ts';
import { count, listed } from '../../../../../core/words/index.ts';
import { changeProperty } from '../../../../../core/mod/index.ts';
import { useMod, useSession } from '../../../../api/hooks.tsx';
import type { FacetProps } from '../index.tsx';

/** So many codes are listed at once. */
const page = 64;

/** How states are stored in a saved world: the layout, its bits, the proof, every code. */
export function CodesPart({ editor: { name, block, declared }, state, onState }: FacetProps) {
  const mod = useMod();
  const session = useSession();
  const [shown, setShown] = useState(page);
  const { space } = block;
  const { limits, title } = kitNamed(mod.header.kit);
  const codes = codesOf(mod.ledger, name, space);
  const held = heldCodes(mod.ledger, name) !== undefined;
  const proof = useMemo(
    () => (space.tooLarge ? undefined : proveCodes(codes, space)),
    [codes, space],
  );
  const at = mod.ledger.entries.findIndex((entry) => entry.kind === 'block' && entry.name === name);
  const put = (label: string, next: CodeLayout | undefined) =>
    session.set(label, ['ledger', 'entries', at, 'codes'], next);
  const ways = whatToDrop(space, limits.stateCodeBits);
  const drop = (properties: readonly string[]) => {
    const i = declared.states.properties.findIndex((one) => one.name === properties[0]);
    session.edit(`Remove ${properties[0]}`, changeProperty(session.view.mod, name, i, undefined));
  };
  const split = (property: string) =>
    session.edit(`Make blocks of ${property}`, splitBlock(session.view.mod, name, property));
  const advice = ways.length > 0 && (
    <div className="advice" role="group" aria-label="What to drop or to move">
      <p>
        <b>{count(space.trueSize, 'state')}</b> do not fit into the {limits.stateCodeBits} bits of{' '}
        {title}, which holds {count(2 ** limits.stateCodeBits, 'state')}. To make them fit:
      </p>
      {ways.slice(0, 5).map((way) => (
        <div key={way.properties.join()} className="way">
          <span>
            without {listed(way.properties)}: {count(way.states, 'state')}
          </span>
          {way.properties.length === 1 && (
            <span>
              <button type="button" className="link" onClick={() => drop(way.properties)}>
                Drop {way.properties[0]}
              </button>
              {way.blocks <= 16 && (
                <>
                  {' '}
                  ·{' '}
                  <button
                    type="button"
                    className="link"
                    onClick={() => split(itemAt(way.properties, 0))}
                  >
                    Move it: {count(way.blocks, 'block')}
                  </button>
                </>
              )}
            </span>
          )}
        </div>
      ))}
    </div>
  );
  if (!proof)
    return (
      <>
        {advice}
        <p className="note">{count(space.trueSize, 'state')} are too many to store or to list.</p>
      </>
    );
  const flaw = proof.collision
    ? `The states ${space.describe(proof.collision.first)} and ` +
      `${space.describe(proof.collision.second)} share the code ${proof.collision.code}.`
    : proof.without !== undefined
      ? `The state ${space.describe(proof.without)} has no code.`
      : proof.lost
        ? `The state ${space.describe(proof.lost.state)} does not come back from its code.`
        : undefined;
  const setCode = (one: number, code: number) => {
    const table = codeTable(codes, space);
    if (table.kind !== 'table') return;
    const next = table.codes.with(one, code);
    put(`Change the code of ${space.describe(one)}`, {
      ...table,
      codes: next,
      bits: Math.max(1, Math.ceil(Math.log2(Math.max(1, ...next) + 1))),
    });
  };
  return (
    <>
      {advice}
      {at < 0 ? (
        <p className="note">The block is not in the registry yet, so nothing is stored for it.</p>
      ) : (
        <SegmentedControl
          mb="xs"
          fullWidth
          aria-label="Layout"
          value={codes.kind}
          onChange={(kind) =>
            put(
              `Store the states as ${kind}`,
              kind === 'mixed-radix'
                ? undefined
                : kind === 'bit-fields'
                  ? bitFields(space)
                  : codeTable(codes, space),
            )
          }
          data={[
            { value: 'mixed-radix', label: 'Mixed radix' },
            { value: 'bit-fields', label: 'Bit fields' },
            { value: 'table', label: 'Table by hand' },
          ]}
        />
      )}
      <p className={flaw ? 'bad' : 'proof'}>
        {flaw ??
          `Proved: each of the ${count(space.size, 'state')} has a code of its own and comes ` +
            'back from it.'}
      </p>
      <Bits codes={codes} used={proof.bits} room={limits.stateCodeBits} />
      {held && (
        <p className="note">
          The ledger holds this layout, so that worlds saved before stay readable.{' '}
          <button
            type="button"
            className="link"
            onClick={() => put('Lay the state codes out afresh', undefined)}
          >
            Lay it out afresh
          </button>{' '}
          only while no world depends on it: it moves {count(moved(codes, space), 'code')}.
        </p>
      )}
      <table className="plain-table codes">
        <thead>
          <tr>
            <th>code</th>
            <th>bits</th>
            {space.properties.map((property) => (
              <th key={property.name}>{property.name}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {Array.from({ length: Math.min(shown, space.size) }, (_, one) => (
            <tr key={one} className={one === state ? 'on' : undefined} onClick={() => onState(one)}>
              <td className="mono">
                {codes.kind === 'table' ? (
                  <NumberInput
                    aria-label={`Code of ${space.describe(one)}`}
                    hideControls
                    w={64}
                    min={0}
                    max={65_535}
                    value={proof.codes[one]}
                    onChange={(code) =>
                      typeof code === 'number' &&
                      Number.isInteger(code) &&
                      code >= 0 &&
                      setCode(one, code)
                    }
                  />
                ) : (
                  proof.codes[one]
                )}
              </td>
              <td className="mono soft">
                {(proof.codes[one] ?? 0) < 0
                  ? '–'
                  : (proof.codes[one] ?? 0).toString(2).padStart(Math.max(1, codes.bits), '0')}
              </td>
              {space.values.map((values, i) => (
                <td key={i} className="mono">
                  {String(values[space.digit(one, i)])}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {space.size > shown && (
        <button type="button" className="link" onClick={() => setShown(shown * 4)}>
          Show more of {space.size.toLocaleString('en')}
        </button>
      )}
    </>
  );
}

/** How many states would get another code if they were counted afresh. */
function moved(codes: CodeLayout, space: Parameters<typeof mixedRadix>[0]): number {
  const fresh = proveCodes(mixedRadix(space), space).codes;
  return proveCodes(codes, space).codes.filter((code, state) => code !== fresh[state]).length;
}

/**
 * The bits of a code, highest first: which property lies in which, and how much room the kit has.
 */
function Bits({ codes, used, room }: { codes: CodeLayout; used: number; room: number }) {
  const wide = Math.max(room, used, 1);
  const owner = (bit: number): string | undefined =>
    codes.kind === 'bit-fields'
      ? codes.fields.find((field) => bit >= field.at && bit < field.at + field.width)?.property
      : bit < used
        ? 'all'
        : undefined;
  const names = codes.kind === 'bit-fields' ? codes.fields.map((field) => field.property) : [];
  return (
    <>
      <div
        className="bits"
        role="img"
        aria-label={`${used} of ${room} bits`}
        style={{ gridTemplateColumns: `repeat(${wide}, 1fr)` }}
      >
        {Array.from({ length: wide }, (_, i) => {
          const bit = wide - 1 - i;
          const of = owner(bit);
          return (
            <i
              key={bit}
              className={
                of === undefined
                  ? bit >= room
                    ? 'over'
                    : 'free'
                  : bit >= room
                    ? 'over'
                    : `of-${of === 'all' ? 0 : names.indexOf(of) % 4}`
              }
              title={of && of !== 'all' ? of : undefined}
            >
              {of && of !== 'all' && (names.length < 2 || owner(bit + 1) !== of)
                ? of.slice(0, 3)
                : ''}
            </i>
          );
        })}
      </div>
      <p className="note" style={{ margin: '4px 0 8px' }}>
        {used > room
          ? `${count(used, 'bit')}, and the kit has ${room}. `
          : `${used} of ${count(room, 'bit')}. `}
        {codes.kind === 'mixed-radix'
          ? codes.digits.length
            ? 'Counted ' +
              `${codes.digits.map((digit) => `${digit.property} (${valuesIn(digit.values)})`).join(' × ')}, ` +
              'the last the fastest.'
            : 'One state needs none.'
          : codes.kind === 'bit-fields'
            ? 'Each property in bits of its own: ' +
              `${codes.fields.map((field) => `${field.property} from bit ${field.at}`).join(', ')}.`
            : 'Each code as it stands in the table.'}
      </p>
    </>
  );
}
