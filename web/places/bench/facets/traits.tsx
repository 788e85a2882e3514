import { ColorInput, NumberInput, SegmentedControl, Select, Switch } from '@mantine/core';
import { alphaModes, hidesNeighbours, idOf, sameData, stockNamed, stockSoundSets, tints, toolKinds, type TraitName, type Traits } from '../../../../core/mod/index.ts';
import type { ByState } from '../../../../core/states/index.ts';
import { useMod } from '../../../api/hooks.tsx';
import { Field } from '../../../parts/field.tsx';
import { firstWhen, RowsEditor } from '../../../parts/rows-editor.tsx';
import { Still } from '../../../parts/still.tsx';
import type { FacetProps } from './index.tsx';
import { HardnessField } from './hardness.tsx';
import { LightField } from './light.tsx';
import { ShapeFields } from './shapes.tsx';

/** The numbers and switches of the block, each with what follows from it and how it differs from stock. */
export function TraitsFacet({ editor, state }: FacetProps) {
  const { header, soundSets } = useMod();
  const { declared, block, set } = editor;
  const { traits } = block;
  const stock = stockNamed(declared.identity.stock);
  const put = <K extends TraitName>(name: K, value: Traits[K]) => set(`Change ${words(name)}`, ['traits', name], value);
  /** What to show beside a trait that the block sets itself. */
  const own = (name: TraitName): { changed?: string; onReset?: () => void } => {
    const value = declared.traits[name];
    if (value === undefined) return {};
    const before = stock?.traits[name];
    const ratio = typeof value === 'number' && typeof before === 'number' && before > 0 && value > 0 ? ` (×${(value / before).toFixed(2).replace(/\.?0+$/, '')})` : '';
    return { changed: before === undefined || sameData(before, value) ? '' : `stock: ${typeof before === 'object' ? 'by state' : String(before)}${ratio}`, onReset: () => set(`Put ${words(name)} back to stock`, ['traits', name], undefined) };
  };
  const number = (name: 'blastRating' | 'catchesFire' | 'burnsAway' | 'scatter' | 'alphaCutoff', unit?: string) => (
    <NumberInput aria-label={words(name)} w={110} hideControls value={traits[name]} onChange={(value) => typeof value === 'number' && put(name, value)} rightSection={unit ? <span className="note" style={{ fontSize: 11 }}>{unit}</span> : undefined} rightSectionWidth={unit ? unit.length * 6 + 12 : undefined} />
  );
  const friction = traits.friction[0]?.value ?? 0.6;
  return (
    <>
      <Still of={[traits.hardness, declared.traits.hardness, stock?.name, traits.toolKind, traits.leastGrade, traits.gated, header.tools, header.tickRate]}>
        {() => (
          <HardnessField traits={traits} header={header} reset={own('hardness')} onHardness={(value) => put('hardness', value)} />
        )}
      </Still>
      <Still of={[traits.toolKind, declared.traits.toolKind, stock?.name, traits.gated, traits.leastGrade, header.tools.grades]}>
        {() => (
          <Field label="Tool" {...own('toolKind')} value={<Select aria-label="Tool kind" w={110} allowDeselect={false} data={['none', ...toolKinds]} value={traits.toolKind} onChange={(value) => put('toolKind', value as Traits['toolKind'])} />}>
            {traits.toolKind !== 'none' && (
              <div style={{ display: 'flex', justifyContent: 'space-between', alignItems: 'center', marginTop: 6 }}>
                <Switch label="Only the right tool yields a drop" checked={traits.gated} onChange={(event) => put('gated', event.currentTarget.checked)} />
                <Select aria-label="Least grade" w={110} allowDeselect={false} data={header.tools.grades.map((grade, i) => ({ value: String(i), label: `${grade.name} up` }))} value={String(traits.leastGrade)} error={!header.tools.grades[traits.leastGrade]} onChange={(value) => put('leastGrade', Number(value))} />
              </div>
            )}
          </Field>
        )}
      </Still>
      <Still of={[traits.lightEmitted, declared.traits.lightEmitted, traits.lightAbsorbed, stock?.name, state, block.space.properties]}>
        {() => (
          <LightField label="Light emitted" declared={declared.traits.lightEmitted} rows={traits.lightEmitted} block={block} state={state} reset={own('lightEmitted')} onRows={(value) => put('lightEmitted', value as Traits['lightEmitted'])} />
        )}
      </Still>
      <Still of={[traits.lightAbsorbed, declared.traits.lightAbsorbed, stock?.name, state, block.space.properties]}>
        {() => (
          <LightField label="Light absorbed" declared={declared.traits.lightAbsorbed} rows={traits.lightAbsorbed} block={block} state={state} reset={own('lightAbsorbed')} onRows={(value) => put('lightAbsorbed', value as Traits['lightAbsorbed'])} />
        )}
      </Still>
      <Still of={[traits.blastRating, declared.traits.blastRating, stock?.name]}>
        {() => (
          <Field label="Blast rating" {...own('blastRating')} value={number('blastRating')} note={`Withstands a blast energy of ${traits.blastRating}.`} />
        )}
      </Still>
      <Still of={[traits.soundSet, declared.traits.soundSet, stock?.name, Object.keys(soundSets)]}>
        {() => (
          <Field label="Sound set" {...own('soundSet')} value={<Select aria-label="Sound set" w={200} searchable allowDeselect={false} data={[...Object.keys(soundSets).map((name) => idOf(header.namespace, name)), ...stockSoundSets]} value={traits.soundSet} onChange={(value) => value && put('soundSet', value)} classNames={{ input: 'mono' }} />} />
        )}
      </Still>
      <Still of={[traits.friction, declared.traits.friction, stock?.name, block.space.properties]}>
        {() => (
          <Field label="Friction" {...own('friction')} value={Array.isArray(declared.traits.friction) ? <span className="mono value">by state</span> : <NumberInput aria-label="friction" w={110} hideControls step={0.05} value={friction} onChange={(value) => typeof value === 'number' && put('friction', value as ByState<number> as Traits['friction'])} />} note="0 slides without end, 1 stops at once.">
            {Array.isArray(declared.traits.friction)
              ? <RowsEditor<number> what="friction" rows={traits.friction} space={block.space} inline fresh={() => friction} onRows={(_label, rows) => put('friction', (rows.length === 1 && !rows[0]!.when ? rows[0]!.value : [...rows]) as Traits['friction'])}
                  value={(value, onValue, i) => <NumberInput w={58} hideControls step={0.05} aria-label={`Friction, row ${i + 1}`} value={value} onChange={(next) => typeof next === 'number' && onValue(next)} />} />
              : block.space.size > 1 && <button type="button" className="tiny" onClick={() => put('friction', [{ when: firstWhen(block.space), value: friction }, { value: friction }] as Traits['friction'])}>Make it depend on the state</button>}
          </Field>
        )}
      </Still>
      <Still of={[traits.catchesFire, declared.traits.catchesFire, stock?.name, traits.burnsAway]}>
        {() => (
          <Field label="Catches fire" {...own('catchesFire')} value={number('catchesFire', 'a second')} note={traits.catchesFire > 0 ? `Beside a flame it catches within ${(1 / traits.catchesFire).toFixed(1)} s on average, and is gone after ${traits.burnsAway > 0 ? `${(1 / traits.burnsAway).toFixed(1)} s` : 'never'}.` : 'It never burns.'} />
        )}
      </Still>
      {traits.catchesFire > 0 && <Still of={[traits.burnsAway, declared.traits.burnsAway, stock?.name]}>{() => <Field label="Burns away" {...own('burnsAway')} value={number('burnsAway', 'a second')} />}</Still>}
      <Still of={[traits.alphaMode, declared.traits.alphaMode, stock?.name]}>
        {() => (
          <Field label="Alpha mode" {...own('alphaMode')} value={<SegmentedControl aria-label="Alpha mode" value={traits.alphaMode} onChange={(value) => put('alphaMode', value as Traits['alphaMode'])} data={[...alphaModes]} />} note={{ opaque: 'Every texel is drawn solid.', mask: 'A texel is drawn or a hole.', blend: 'Texels may be partly clear.' }[traits.alphaMode]} />
        )}
      </Still>
      {traits.alphaMode === 'mask' && <Still of={[traits.alphaCutoff, declared.traits.alphaCutoff, stock?.name]}>{() => <Field label="Cut-off" {...own('alphaCutoff')} value={number('alphaCutoff')} />}</Still>}
      <Still of={[traits.hidesNeighbours, declared.traits.hidesNeighbours, stock?.name]}>
        {() => (
          <Field label="Hides neighbours" {...own('hidesNeighbours')} value={<SegmentedControl aria-label="Hides neighbours" value={traits.hidesNeighbours} onChange={(value) => put('hidesNeighbours', value as Traits['hidesNeighbours'])} data={[...hidesNeighbours]} />} />
        )}
      </Still>
      <Still of={[traits.joinsOwnKind, declared.traits.joinsOwnKind, stock?.name]}>
        {() => (
          <Field label="Joins with its own kind" {...own('joinsOwnKind')} value={<Switch aria-label="Joins with its own kind" checked={traits.joinsOwnKind} onChange={(event) => put('joinsOwnKind', event.currentTarget.checked)} />} />
        )}
      </Still>
      <Still of={[traits.tint, declared.traits.tint, stock?.name]}>
        {() => (
          <Field label="Tint" {...own('tint')} value={<Select aria-label="Tint" w={110} allowDeselect={false} data={[...new Set([...tints, '#9bb56b', traits.tint])]} value={traits.tint} onChange={(value) => value && put('tint', value)} />} />
        )}
      </Still>
      <Still of={[traits.scatter, declared.traits.scatter, stock?.name]}>{() => <Field label="Scatter" {...own('scatter')} value={number('scatter', 'texels')} />}</Still>
      <Still of={[traits.mapColour, declared.traits.mapColour, stock?.name]}>
        {() => (
          <Field label="Map colour" {...own('mapColour')} value={<ColorInput aria-label="Map colour" withEyeDropper={false} w={120} value={traits.mapColour} onChangeEnd={(value) => /^#[0-9a-f]{6}$/.test(value) && put('mapColour', value)} />} />
        )}
      </Still>
      <Still of={[traits.shadedCorners, declared.traits.shadedCorners, stock?.name]}>
        {() => (
          <Field label="Shaded corners" {...own('shadedCorners')} value={<Switch aria-label="Shaded corners" checked={traits.shadedCorners} onChange={(event) => put('shadedCorners', event.currentTarget.checked)} />} />
        )}
      </Still>
      <ShapeFields editor={editor} state={state} />
    </>
  );
}

/** A trait's key in words: `lightEmitted` is `light emitted`. */
const words = (name: string): string => name.replaceAll(/([A-Z])/g, (letter) => ` ${letter.toLowerCase()}`);
