import { Button, NumberInput, SegmentedControl, Select } from '@mantine/core';
import { useMemo } from 'react';
import type { Candidate, Looks } from '../../../../core/mod/index.ts';
import { idOf } from '../../../../core/mod/index.ts';
import { templates } from '../../../../core/models/index.ts';
import { directions, isOrientation, usualTop, type Direction } from '../../../../core/space/index.ts';
import { coverage } from '../../../../core/states/index.ts';
import { count, listed } from '../../../../core/words/index.ts';
import { useMod } from '../../../api/hooks.tsx';
import { Rendering } from '../../../parts/rendering.tsx';
import { WhenEditor } from '../../../parts/when-editor.tsx';
import type { FacetProps } from './index.tsx';

type Row = Looks['rows'][number];

/** The rows of the look: for which states, and which candidates. */
export function LooksFacet({ editor: { name, declared, block, set } }: FacetProps) {
  const mod = useMod();
  const { rows, mode } = declared.looks;
  const { wins, dead } = useMemo(() => coverage(block.looks.rows, block.space), [block]);
  const models = [...Object.keys(mod.models).map((model) => idOf(mod.header.namespace, model)), ...templates.map((template) => template.id)];
  const put = (label: string, next: Row[]) => set(label, ['looks', 'rows'], next);
  const change = (i: number, row: Row) => put(`Change row ${i + 1} of the look`, rows.with(i, row));
  return (
    <>
      <SegmentedControl mb="sm" aria-label="Kind of look" value={mode} onChange={(value) => set(`Make the look ${value}`, ['looks', 'mode'], value)} data={[{ value: 'one-of', label: 'One of: the first row that matches' }, { value: 'layered', label: 'Layered: every row' }]} fullWidth />
      {rows.map((row, i) => {
        const gone = mode === 'one-of' ? dead.find((one) => one.row === i) : undefined;
        const states = mode === 'one-of' ? wins[i]!.count : block.space.matching(row.when).count;
        const shown = wins[i]!.first;
        return (
          <div key={i} className={`row-card${gone ? ' dead' : ''}`} aria-label={`Row ${i + 1}`}>
            <div className="head">
              <span className="mono">{i + 1}</span>
              <WhenEditor properties={block.space.properties} when={row.when} onWhen={(when) => change(i, { ...(when ? { when } : {}), use: row.use })} />
              <button type="button" className="tiny" disabled={i === 0} aria-label={`Move row ${i + 1} up`} onClick={() => put('Reorder the rows of the look', rows.with(i, rows[i - 1]!).with(i - 1, row))}>↑</button>
              <button type="button" className="tiny" aria-label={`Remove row ${i + 1}`} onClick={() => put(`Remove row ${i + 1} of the look`, rows.filter((_, at) => at !== i))}>×</button>
            </div>
            {row.use.map((candidate, c) => (
              <CandidateLine key={c} candidate={candidate} models={models} many={row.use.length} total={row.use.reduce((sum, one) => sum + Math.max(0, one.share ?? 1), 0)}
                drawing={shown === undefined ? <span className="drawing" /> : <Rendering block={name} state={shown} pick={c} size={44} />}
                onCandidate={(next) => change(i, { ...row, use: next ? row.use.with(c, next) : row.use.filter((_, at) => at !== c) })} />
            ))}
            <div style={{ display: 'flex', justifyContent: 'space-between' }}>
              <button type="button" className="tiny" onClick={() => change(i, { ...row, use: [...row.use.map((one) => ({ ...one, share: one.share ?? 1 })), { ...row.use.at(-1)!, share: 1 }] })}>Add a candidate</button>
              <span className="note">{gone ? (gone.coveredBy.length ? `never matches: row ${listed(gone.coveredBy.map((at) => String(at + 1)))} covers it` : 'matches no state') : count(states, 'state')}</span>
            </div>
          </div>
        );
      })}
      <Button variant="default" onClick={() => put('Add a row to the look', [...rows, { use: [{ model: rows.at(-1)?.use[0]?.model ?? models[0]! }] }])}>Add a row</Button>
    </>
  );
}

function CandidateLine({ candidate, models, many, total, drawing, onCandidate }: { candidate: Candidate; models: string[]; many: number; total: number; drawing: React.ReactNode; onCandidate: (next: Candidate | undefined) => void }) {
  const front = candidate.front ?? 'south';
  const top = candidate.top ?? usualTop(front);
  const turn = (next: { front: Direction; top: Direction }) => {
    const fits = isOrientation(next) ? next.top : usualTop(next.front);
    const { front: _front, top: _top, ...rest } = candidate;
    onCandidate({ ...rest, ...(next.front === 'south' && fits === 'up' ? {} : { front: next.front }), ...(fits === usualTop(next.front) ? {} : { top: fits }) });
  };
  return (
    <div className="candidate">
      {drawing}
      <Select aria-label="Model" searchable allowDeselect={false} data={models.includes(candidate.model) ? models : [candidate.model, ...models]} value={candidate.model} error={!models.includes(candidate.model)} onChange={(model) => model && onCandidate({ ...candidate, model })} title={candidate.model} comboboxProps={{ width: 260, position: 'bottom-start' }} />
      {many > 1 ? <NumberInput aria-label="Share" hideControls min={0} value={candidate.share ?? 1} onChange={(share) => typeof share === 'number' && onCandidate({ ...candidate, share })} rightSection={<span className="note" style={{ fontSize: 11 }}>{total > 0 ? Math.round((Math.max(0, candidate.share ?? 1) / total) * 100) : 0}%</span>} rightSectionWidth={32} /> : <span />}
      {many > 1 ? <button type="button" className="tiny" aria-label="Remove this candidate" onClick={() => onCandidate(undefined)}>×</button> : <span />}
      <span className="turned">
        front faces
        <Select aria-label="Front faces" allowDeselect={false} data={[...directions]} value={front} onChange={(value) => value && turn({ front: value as Direction, top })} w={86} />
        top points
        <Select aria-label="Top points" allowDeselect={false} data={directions.filter((direction) => isOrientation({ front, top: direction }))} value={top} onChange={(value) => value && turn({ front, top: value as Direction })} w={86} />
      </span>
    </div>
  );
}
