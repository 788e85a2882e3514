import { Button, Menu, NumberInput, Select } from '@mantine/core';
import { placingHow, type Placing } from '../../../../core/mod/index.ts';
import { propertyKinds, valueCount, valuesOf, type Property, type Value } from '../../../../core/states/index.ts';
import { TextField } from '../../../parts/text-field.tsx';
import { namePattern } from '../../../../core/mod/names.ts';
import type { FacetProps } from './index.tsx';

const made: Record<Property['kind'], (name: string) => Property> = {
  toggle: (name) => ({ name, kind: 'toggle', default: false }),
  number: (name) => ({ name, kind: 'number', min: 0, max: 3, default: 0 }),
  choice: (name) => ({ name, kind: 'choice', values: ['first', 'second'], default: 'first' }),
  heading: (name) => ({ name, kind: 'heading', default: 'south' }),
  direction: (name) => ({ name, kind: 'direction', default: 'up' }),
  axis: (name) => ({ name, kind: 'axis', default: 'y' }),
};
const says: Record<Property['kind'], string> = { toggle: 'false or true', number: 'a range of whole numbers', choice: 'named values', heading: 'north, east, south, west', direction: 'the six directions', axis: 'x, y, z' };
const usualName: Record<Property['kind'], string> = { toggle: 'lit', number: 'level', choice: 'kind', heading: 'heading', direction: 'side', axis: 'axis' };
const sets: Partial<Record<Property['kind'], readonly Placing['to'][]>> = { heading: ['toward the player', 'away from the player', 'clicked side', 'fixed'], direction: ['toward the player', 'away from the player', 'clicked side', 'fixed'], axis: ['along the clicked side', 'fixed'] };

/** The properties of the block and the rules of placing. */
export function StatesFacet({ editor: { declared, set } }: FacetProps) {
  const { properties, placing = [] } = declared.states;
  const put = (label: string, next: Property[]) => set(label, ['states', 'properties'], next);
  const change = (i: number, next: Property, label = `Change ${next.name}`) => put(label, properties.map((one, at) => (at === i ? next : one)));
  const putPlacing = (next: Placing[]) => set('Change the placing', ['states', 'placing'], next.length ? next : undefined);
  const free = (name: string) => { let at = name; for (let i = 2; properties.some((one) => one.name === at); i += 1) at = `${name}_${i}`; return at; };
  return (
    <>
      {properties.length === 0 && <p className="note">It has one state. A property makes more: a lantern that is lit or not, a gate that faces one of four ways.</p>}
      {properties.map((property, i) => (
        <div key={i} className="row-card">
          <div className="head" style={{ alignItems: 'center' }}>
            <TextField w={120} aria-label="Property name" text={property.name} classNames={{ input: 'mono' }} onText={(name) => namePattern.test(name) && change(i, { ...property, name }, 'Rename a property')} />
            <span className="note" style={{ flex: 1 }}>{property.kind}: {says[property.kind]}</span>
            <button type="button" className="tiny" disabled={i === 0} aria-label={`Move ${property.name} up`} onClick={() => put('Reorder the properties', properties.with(i, properties[i - 1]!).with(i - 1, property))}>↑</button>
            <button type="button" className="tiny" aria-label={`Remove ${property.name}`} onClick={() => put(`Remove ${property.name}`, properties.filter((_, at) => at !== i))}>×</button>
          </div>
          <div style={{ display: 'flex', gap: 8, alignItems: 'end' }}>
            {property.kind === 'number' && <>
              <NumberInput label="from" w={76} value={property.min} onChange={(min) => typeof min === 'number' && Number.isInteger(min) && change(i, { ...property, min })} />
              <NumberInput label="to" w={76} value={property.max} onChange={(max) => typeof max === 'number' && Number.isInteger(max) && change(i, { ...property, max })} />
            </>}
            {property.kind === 'choice' && <TextField label="values, separated by commas" style={{ flex: 1 }} text={property.values.join(', ')} onText={(text) => { const values = text.split(',').map((value) => value.trim()).filter((value) => namePattern.test(value)); if (values.length) change(i, { ...property, values }); }} />}
            <Select label="default" w={110} allowDeselect={false} data={valuesOf(property).slice(0, 256).map(String)} value={String(property.default)} error={!valuesOf(property).includes(property.default)} onChange={(text) => change(i, { ...property, default: valuesOf(property).find((value) => String(value) === text)! } as Property)} />
            <span className="note" style={{ marginLeft: 'auto' }}>× {valueCount(property)}</span>
          </div>
        </div>
      ))}
      <Menu position="bottom-start">
        <Menu.Target><Button variant="default">Add a property</Button></Menu.Target>
        <Menu.Dropdown>{propertyKinds.map((kind) => <Menu.Item key={kind} onClick={() => put(`Add a ${kind}`, [...properties, made[kind](free(usualName[kind]))])}><b>{kind}</b> <span className="soft">{says[kind]}</span></Menu.Item>)}</Menu.Dropdown>
      </Menu>
      <h3 className="part">When it is placed</h3>
      {placing.map((rule, i) => {
        const property = properties.find((one) => one.name === rule.set);
        return (
          <div key={i} style={{ display: 'grid', gridTemplateColumns: rule.to === 'fixed' ? '110px 1fr 90px 20px' : '110px 1fr 20px', gap: 6, marginBottom: 6, alignItems: 'center' }}>
            <Select aria-label="Property" allowDeselect={false} data={properties.map((one) => one.name)} value={rule.set} onChange={(name) => name && putPlacing(placing.with(i, { ...rule, set: name }))} />
            <Select aria-label="How" allowDeselect={false} data={[...(property ? sets[property.kind] ?? (['fixed'] as const) : placingHow)]} value={rule.to} onChange={(to) => to && putPlacing(placing.with(i, to === 'fixed' ? { set: rule.set, to, value: property?.default } : { set: rule.set, to: to as Placing['to'] }))} />
            {rule.to === 'fixed' && property ? <Select aria-label="Value" allowDeselect={false} data={valuesOf(property).slice(0, 256).map(String)} value={String(rule.value)} onChange={(text) => putPlacing(placing.with(i, { ...rule, value: valuesOf(property).find((value) => String(value) === text) as Value }))} /> : null}
            <button type="button" className="tiny" aria-label={`Remove the placing of ${rule.set}`} onClick={() => putPlacing(placing.filter((_, at) => at !== i))}>×</button>
          </div>
        );
      })}
      {properties.length > 0 && <Button variant="default" onClick={() => { const property = properties.find((one) => !placing.some((rule) => rule.set === one.name)) ?? properties[0]!; const to = sets[property.kind]?.[0] ?? 'fixed'; putPlacing([...placing, to === 'fixed' ? { set: property.name, to, value: property.default } : { set: property.name, to }]); }}>Add a rule</Button>}
      <p className="note" style={{ marginTop: 8 }}>What no rule sets has its default.</p>
    </>
  );
}
