import { NumberInput, Slider } from '@mantine/core';
import type { ResolvedBlock } from '../../../../core/mod/index.ts';
import { valueIn, type ByState, type Rows } from '../../../../core/states/index.ts';
import { lightReach, readingLevel } from '../../../../core/traits/index.ts';
import { Field } from '../../../parts/field.tsx';
import { WhenEditor } from '../../../parts/when-editor.tsx';

interface Props { label: string; declared: ByState<number> | undefined; rows: Rows<number>; block: ResolvedBlock; state: number; reset: { changed?: string; onReset?: () => void }; onRows: (value: ByState<number>) => void }

/** A level of light by state: one number, or rows of numbers, and how far it reaches in the state that is shown. */
export function LightField({ label, declared, rows, block, state, reset, onRows }: Props) {
  const { properties } = block.space;
  const level = valueIn(rows, block.space, state) ?? 0;
  const many = Array.isArray(declared);
  const emitted = label === 'Light emitted';
  const put = (next: Rows<number>) => onRows(next.length === 1 && !next[0]!.when ? next[0]!.value : [...next]);
  return (
    <Field label={label} {...reset} value={<span className="mono value">{level} in this state</span>}
      note={!emitted ? `A neighbour gets its light less ${Math.max(1, level)} through it.` : level ? `Reads by it up to ${lightReach(level, readingLevel)} blocks away; dark at ${level}.` : undefined}>
      {rows.map((row, i) => (
        <div key={i} style={{ display: 'grid', gridTemplateColumns: '1fr 62px 18px', gap: 8, alignItems: 'center', margin: '4px 0' }}>
          {many && i > 0 && i === rows.length - 1 && !row.when ? <span className="else">in all other states <button type="button" className="tiny" onClick={() => put(rows.map((one, at) => (at === i ? { when: firstWhen(block), value: one.value } : one)))}>narrow</button></span> : many ? <WhenEditor properties={properties} when={row.when} onWhen={(when) => put(rows.map((one, at) => (at === i ? (when ? { when, value: one.value } : { value: one.value }) : one)))} /> : <Slider aria-label={label} min={0} max={15} size="sm" value={row.value} label={null} onChange={(value) => put([{ value }])} />}
          <NumberInput aria-label={many ? `${label}, row ${i + 1}` : `${label}, number`} value={row.value} onChange={(value) => typeof value === 'number' && put(rows.map((one, at) => (at === i ? { ...one, value } : one)))} />
          {many ? <button type="button" className="tiny" aria-label={`Remove row ${i + 1} of ${label}`} onClick={() => put(rows.length > 1 ? rows.filter((_, at) => at !== i) : [{ value: 0 }])}>×</button> : <span />}
        </div>
      ))}
      {properties.length > 0 && <button type="button" className="tiny" onClick={() => onRows(many ? [{ when: {}, value: 0 }, ...rows] : [{ when: firstWhen(block), value: level }, { value: 0 }])}>{many ? 'Add a row' : 'Make it depend on the state'}</button>}
      {emitted && level > 0 && <Ramp level={Math.min(15, level)} />}
    </Field>
  );
}

/** The condition that a first row most likely asks for: the first toggle being true, else the first property's default. */
function firstWhen({ space }: ResolvedBlock): Record<string, boolean | string | number> {
  const property = space.properties.find((one) => one.kind === 'toggle') ?? space.properties[0]!;
  return { [property.name]: property.kind === 'toggle' ? true : property.default };
}

/** The light of each step away, as colour and number. */
function Ramp({ level }: { level: number }) {
  return (
    <div className="ramp" role="img" aria-label={`Light falls from ${level} to 0 in ${level} steps`}>
      {Array.from({ length: Math.ceil(level) + 1 }, (_, away) => {
        const here = Math.max(0, level - away);
        const share = here / 15;
        return <i key={away} style={{ background: `rgb(${28 + 227 * share}, ${42 + 190 * share}, ${48 + 120 * share})`, color: here > 6 ? '#1c2a30' : '#e6e0d0' }}>{here}</i>;
      })}
    </div>
  );
}
