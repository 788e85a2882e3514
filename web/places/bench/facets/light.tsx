import { NumberInput, Slider } from '@mantine/core';
import type { ResolvedBlock } from '../../../../core/mod/index.ts';
import { valueIn, type ByState, type Rows } from '../../../../core/states/index.ts';
import { lightReach, readingLevel } from '../../../../core/traits/index.ts';
import { Field } from '../../../parts/field.tsx';
import { firstWhen, RowsEditor } from '../../../parts/rows-editor.tsx';

interface Props { label: string; declared: ByState<number> | undefined; rows: Rows<number>; block: ResolvedBlock; state: number; reset: { changed?: string; onReset?: () => void }; onRows: (value: ByState<number>) => void }

/** A level of light by state: one number, or rows of numbers, and how far it reaches in the state that is shown. */
export function LightField({ label, declared, rows, block, state, reset, onRows }: Props) {
  const level = valueIn(rows, block.space, state) ?? 0;
  const many = Array.isArray(declared);
  const emitted = label === 'Light emitted';
  const put = (next: Rows<number>) => onRows(next.length === 1 && !next[0]!.when ? next[0]!.value : [...next]);
  return (
    <Field label={label} {...reset} value={<span className="mono value">{level} in this state</span>}
      note={!emitted ? `A neighbour gets its light less ${Math.max(1, level)} through it.` : level ? `Reads by it up to ${lightReach(level, readingLevel)} blocks away; dark at ${level}.` : undefined}>
      {many
        ? <RowsEditor<number> what={label.toLowerCase()} rows={rows} space={block.space} inline fresh={() => 0} onRows={(_title, next) => put(next)}
            value={(value, onValue, i) => <NumberInput w={58} hideControls aria-label={`${label}, row ${i + 1}`} value={value} onChange={(next) => typeof next === 'number' && onValue(next)} />} />
        : (
          <div style={{ display: 'grid', gridTemplateColumns: '1fr 62px', gap: 8, alignItems: 'center', margin: '4px 0' }}>
            <Slider aria-label={label} min={0} max={15} size="sm" value={rows[0]!.value} label={null} onChange={(value) => put([{ value }])} />
            <NumberInput aria-label={`${label}, number`} value={rows[0]!.value} onChange={(value) => typeof value === 'number' && put([{ value }])} />
          </div>
        )}
      {!many && block.space.properties.length > 0 && <button type="button" className="tiny" onClick={() => onRows([{ when: firstWhen(block.space), value: level }, { value: 0 }])}>Make it depend on the state</button>}
      {emitted && level > 0 && <Ramp level={Math.min(15, level)} />}
    </Field>
  );
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
