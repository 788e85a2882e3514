import { Button, Checkbox, NumberInput, SegmentedControl, Select } from '@mantine/core';
import { broken, tellingTools } from '../../../../core/loot/index.ts';
import { idOf, titleOf, toolKinds, type Draw, type Lot, type Loot, type Mod } from '../../../../core/mod/index.ts';
import { toolName, type Tool } from '../../../../core/traits/index.ts';
import { useMod, type BlockEditor } from '../../../api/hooks.tsx';
import { Field } from '../../../parts/field.tsx';
import type { FacetProps } from './index.tsx';

/** What drops: one of three short answers or a table, and what each tool gets. */
export function LootFacet({ editor, state }: FacetProps) {
  const mod = useMod();
  const { declared, block, set } = editor;
  const kind = declared.loot === undefined ? '' : typeof declared.loot === 'string' ? declared.loot : 'table';
  const put = (label: string, loot: Loot | undefined) => set(label, ['loot'], loot);
  const choose = (value: string) => {
    if (value === 'table') put('Drop by a table', { draws: [{ times: 1, lots: [{ give: block.id, when: { careful: true } }, { give: block.id, count: 1, share: 1 }] }] });
    else put(value === 'itself' ? 'Drop itself' : 'Drop nothing, on purpose', value as 'itself' | 'nothing');
  };
  return (
    <>
      <SegmentedControl fullWidth mb="sm" aria-label="What drops" value={kind} onChange={choose} data={[{ value: 'itself', label: 'Itself' }, { value: 'nothing', label: 'Nothing, on purpose' }, { value: 'table', label: 'By a table' }]} />
      {kind === '' && <p className="bad">It drops nothing and does not say so. Choose one of the three.</p>}
      {typeof declared.loot === 'object' && declared.loot.draws.map((draw, d) => <DrawCard key={d} mod={mod} draw={draw} number={d + 1} many={declared.loot !== undefined && typeof declared.loot === 'object' ? declared.loot.draws.length : 1}
        onDraw={(next) => put('Change the drops', { draws: next ? (declared.loot as { draws: Draw[] }).draws.with(d, next) : (declared.loot as { draws: Draw[] }).draws.filter((_, at) => at !== d) })} />)}
      {typeof declared.loot === 'object' && <Button variant="default" onClick={() => put('Add a draw', { draws: [...(declared.loot as { draws: Draw[] }).draws, { times: 1, lots: [{ give: block.id, count: 1, share: 1 }] }] })}>Add a draw</Button>}
      <TruthTable editor={editor} mod={mod} state={state} />
    </>
  );
}

function itemsOf(mod: Mod): { value: string; label: string }[] {
  const { namespace } = mod.header;
  return [...Object.entries(mod.items).map(([name, item]) => ({ value: idOf(namespace, name), label: titleOf(mod, name, item.names) })), ...Object.entries(mod.blocks).map(([name, block]) => ({ value: idOf(namespace, name), label: titleOf(mod, name, block.names) }))];
}

function DrawCard({ mod, draw, number, many, onDraw }: { mod: Mod; draw: Draw; number: number; many: number; onDraw: (draw: Draw | undefined) => void }) {
  const items = itemsOf(mod);
  const change = (i: number, lot: Lot | undefined) => onDraw({ ...draw, lots: lot ? draw.lots.with(i, lot) : draw.lots.filter((_, at) => at !== i) });
  const total = draw.lots.reduce((sum, lot) => sum + Math.max(0, lot.share ?? 0), 0);
  return (
    <div className="row-card">
      <div className="head" style={{ alignItems: 'center' }}>
        <span style={{ flex: 1, fontWeight: 500 }}>Draw {number}</span>
        <Count label="times" value={draw.times} onValue={(times) => onDraw({ ...draw, times })} />
        {many > 1 && <button type="button" className="tiny" aria-label={`Remove draw ${number}`} onClick={() => onDraw(undefined)}>×</button>}
      </div>
      {draw.lots.map((lot, i) => {
        const when = (part: NonNullable<Lot['when']>) => {
          const next = Object.fromEntries(Object.entries({ ...lot.when, ...part }).filter(([, value]) => value !== undefined));
          const { when: _when, ...rest } = lot;
          change(i, Object.keys(next).length ? { ...rest, when: next } : rest);
        };
        return (
          <div key={i} style={{ borderTop: '1px solid var(--line)', padding: '6px 0' }}>
            <div style={{ display: 'grid', gridTemplateColumns: '1fr auto 18px', gap: 6, alignItems: 'center' }}>
              <Select aria-label="Gives" searchable allowDeselect={false} data={items.some((item) => item.value === lot.give) ? items : [{ value: lot.give, label: lot.give }, ...items]} value={lot.give} onChange={(give) => give && change(i, { ...lot, give })} error={!items.some((item) => item.value === lot.give)} />
              <Count label="count" value={lot.count ?? 1} onValue={(count) => change(i, { ...lot, count })} />
              <button type="button" className="tiny" aria-label={`Remove lot ${i + 1}`} onClick={() => change(i, undefined)}>×</button>
            </div>
            <div style={{ display: 'flex', gap: 8, alignItems: 'center', marginTop: 5, flexWrap: 'wrap' }}>
              <Select aria-label="With tool" w={108} data={[{ value: '', label: 'any tool' }, ...toolKinds]} value={lot.when?.tool ?? ''} allowDeselect={false} onChange={(tool) => when({ tool: (tool || undefined) as NonNullable<Lot['when']>['tool'], grade: tool ? lot.when?.grade : undefined })} />
              {lot.when?.tool && <Select aria-label="Least grade" w={96} data={mod.header.tools.grades.map((grade, g) => ({ value: String(g), label: `${grade.name} up` }))} value={String(lot.when.grade ?? 0)} allowDeselect={false} onChange={(grade) => when({ grade: Number(grade) || undefined })} />}
              <Checkbox size="xs" label="careful only" checked={lot.when?.careful === true} onChange={(event) => when({ careful: event.currentTarget.checked || undefined })} />
              <Select aria-label="How it is drawn" w={96} allowDeselect={false} data={[{ value: 'sure', label: 'surely' }, { value: 'share', label: 'by share' }]} value={lot.share === undefined ? 'sure' : 'share'} onChange={(value) => change(i, { ...lot, share: value === 'sure' ? undefined : 1 })} />
              {lot.share !== undefined && <NumberInput aria-label="Share" w={66} hideControls min={0} value={lot.share} onChange={(share) => typeof share === 'number' && change(i, { ...lot, share })} rightSection={<span className="note" style={{ fontSize: 11 }}>of {total}</span>} rightSectionWidth={32} />}
            </div>
          </div>
        );
      })}
      <button type="button" className="tiny" onClick={() => onDraw({ ...draw, lots: [...draw.lots, { give: draw.lots.at(-1)?.give ?? items[0]!.value, count: 1, share: 1 }] })}>Add a lot</button>
    </div>
  );
}

/** A number, or the least and the most. */
function Count({ label, value, onValue }: { label: string; value: number | [number, number]; onValue: (value: number | [number, number]) => void }) {
  const [low, high] = typeof value === 'number' ? [value, value] : value;
  const put = (a: number, b: number) => onValue(a === b ? a : [a, b]);
  return (
    <span style={{ display: 'inline-flex', gap: 4, alignItems: 'center', fontSize: 12 }} className="soft">
      <NumberInput aria-label={`Least ${label}`} w={44} hideControls min={0} value={low} onChange={(next) => typeof next === 'number' && put(next, Math.max(next, high))} />–<NumberInput aria-label={`Most ${label}`} w={44} hideControls min={0} value={high} onChange={(next) => typeof next === 'number' && put(low, next)} />
      {label === 'times' ? 'times' : ''}
    </span>
  );
}

/** Each way of breaking it, and what drops on average. */
function TruthTable({ editor: { block }, mod, state }: { editor: BlockEditor; mod: Mod; state: number }) {
  const { header } = mod;
  const names = new Map(itemsOf(mod).map((item) => [item.value, item.label]));
  const tools = tellingTools(block, header);
  const cell = (tool: Tool, careful: boolean) => {
    const found = broken(block, { tool, careful, state });
    if (typeof found === 'string') return found === 'gated' ? 'nothing: gated' : found;
    return found.map(({ give, mean, chance }) => `${Number(mean.toFixed(2))} ${names.get(give) ?? give}${chance < 0.9995 ? `, in ${Math.round(chance * 100)} of 100` : ''}`).join('; ') || 'nothing';
  };
  return (
    <Field label="What would drop?" note={`In the state shown: ${block.space.describe(state)}. Numbers are means, exact.`}>
      <table style={{ width: '100%', borderCollapse: 'collapse', fontSize: 12.5, marginTop: 6 }} aria-label="What would drop">
        <thead><tr className="soft"><th align="left" style={{ fontWeight: 500, paddingBottom: 4 }}>with</th><th align="left" style={{ fontWeight: 500 }}>usually</th><th align="left" style={{ fontWeight: 500 }}>careful</th></tr></thead>
        <tbody>
          {tools.map((tool) => (
            <tr key={toolName(tool, header)} style={{ borderTop: '1px solid var(--hair)' }}>
              <td style={{ padding: '4px 8px 4px 0', whiteSpace: 'nowrap' }}>{toolName(tool, header)}</td>
              {[false, true].map((careful) => { const text = cell(tool, careful); return <td key={String(careful)} style={{ padding: '4px 8px 4px 0', color: text.startsWith('nothing') ? 'var(--brick)' : undefined }}>{text}</td>; })}
            </tr>
          ))}
        </tbody>
      </table>
    </Field>
  );
}
