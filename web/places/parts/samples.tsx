import { Button, Checkbox, NumberInput, SegmentedControl } from '@mantine/core';
import { useState, type ReactNode } from 'react';
import type { Orientation } from '../../../core/space/index.ts';
import { StateSpace, type Rows, type When } from '../../../core/states/index.ts';
import type { Count } from '../../../core/mod/index.ts';
import { count } from '../../../core/words/index.ts';
import { Choice } from '../../parts/choice/index.tsx';
import { CommitField } from '../../parts/commit-field.tsx';
import { Cube } from '../../parts/cube.tsx';
import { Curve } from '../../parts/curve/curve.tsx';
import { Field } from '../../parts/field.tsx';
import { ItemIcon } from '../../parts/item.tsx';
import { Cap } from '../../parts/keys/cap.tsx';
import { CountField } from '../../parts/loot/count-field.tsx';
import { NumberField } from '../../parts/number-field.tsx';
import { OrientationPicker } from '../../parts/orientation-picker.tsx';
import { Pips } from '../../parts/pips.tsx';
import { Rendering } from '../../parts/rendering.tsx';
import { RowsEditor } from '../../parts/rows-editor.tsx';
import { StationLine } from '../../parts/station-line.tsx';
import { TextDiff } from '../../parts/text-diff.tsx';
import { TextField } from '../../parts/text-field.tsx';
import { Toggles } from '../../parts/toggles.tsx';
import { WhenEditor } from '../../parts/when-editor.tsx';
import { useModPart } from '../../api/hooks.tsx';
import styles from './parts.module.css';

/** A value to try a control with, kept as long as the page is. */
function Tried<T>({
  start,
  children,
}: {
  start: T;
  children: (value: T, put: (value: T) => void) => ReactNode;
}) {
  const [value, setValue] = useState(start);
  return children(value, setValue);
}

const space = new StateSpace([
  { name: 'hung', kind: 'choice', values: ['floor', 'wall', 'ceiling'], default: 'wall' },
  { name: 'lit', kind: 'toggle', default: false },
]);
/** The third row is covered by the first two; two states have no value. */
const rows: Rows<number> = [
  { when: { lit: true }, value: 13 },
  { when: { hung: 'floor' }, value: 2 },
  { when: { hung: 'floor', lit: true }, value: 7 },
];
const long = 'The light at the end of the mole, as it was before the great tide took it away';

/** Every shared control, by its name, in the states in which it occurs. */
export const samples: Readonly<Record<string, () => ReactNode>> = {
  Type: () => (
    <>
      <p>
        Text, <span className="soft">soft</span>, <span className="mono">mono</span>,{' '}
        <span className="soft small">small</span>, <a className="link">a link</a>,{' '}
        <button type="button" className="link plain">
          a plain one
        </button>
      </p>
      <p className="note">A note says what a thing is for.</p>
      <p className="bad">What is wrong, and what to do about it.</p>
      <p className={styles['row']}>
        {['error', 'warning', 'hint', 'good'].map((severity) => (
          <span key={severity} className={`tag ${severity}`}>
            {severity}
          </span>
        ))}
      </p>
    </>
  ),
  Buttons: () => (
    <div className={styles['row']}>
      <Button>Do it</Button>
      <Button variant="default">Or this</Button>
      <Button disabled>Not now</Button>
      <button type="button" className="chip" aria-pressed>
        chosen
      </button>
      <button type="button" className="chip" aria-pressed={false}>
        not chosen
      </button>
      <button type="button" className="tiny">
        tiny
      </button>
    </div>
  ),
  'Line of stations': () => (
    <StationLine
      label="Stations"
      current="Pictures"
      stops={[
        { title: 'Boxes', to: '', state: 'done' },
        { title: 'Pictures', to: '', state: 'open' },
        { title: 'Fit', to: '', state: 'warning', count: 2 },
        { title: 'In the hand', to: '', state: 'error', count: 1 },
      ]}
    />
  ),
  Toggles: () => (
    <Toggles
      label="Overlays"
      toggles={[
        { label: 'Outline', isOn: true, onPress: () => undefined },
        { label: 'Light', isOn: false, onPress: () => undefined },
      ]}
    />
  ),
  Keys: () => (
    <div className={styles['row']}>
      <Cap of="palette" />
      <Cap of="move" />
      <Cap of="choose" />
      <Cap of="facet" />
    </div>
  ),
  Field: () => (
    <>
      <Field label="Hardness" value={<NumberInput w={80} value={3.2} aria-label="Hardness" />} />
      <Field
        label="Changed"
        changed="3.2, stock 1.5"
        onReset={() => undefined}
        value={<Checkbox defaultChecked aria-label="Changed" />}
        note="What comes of it, in a sentence."
      />
      <Field label={long} value={<Checkbox disabled aria-label="Off" />} />
    </>
  ),
  'Text fields': () => (
    <Tried start="tide_lantern">
      {(text, put) => (
        <>
          <TextField label="Written as one types" text={text} onText={put} />
          <TextField label="Empty" placeholder="Nothing yet" text="" onText={() => undefined} />
          <CommitField
            label="Written when one is done"
            text={text}
            onText={put}
            check={(typed) => (/^[a-z_]+$/.test(typed) ? undefined : 'Small letters and _ alone.')}
          />
          <TextField label="Wrong" text={text} onText={put} error="It is called so already." />
        </>
      )}
    </Tried>
  ),
  NumberField: () => (
    <Tried<number> start={5}>
      {(value, put) => (
        <>
          <NumberField label="From 1 to 100" value={value} least={1} most={100} onNumber={put} />
          <NumberField label="Several that differ" value={undefined} onNumber={put} />
        </>
      )}
    </Tried>
  ),
  Choice: () => (
    <Tried<string | null> start="wall">
      {(value, put) => (
        <>
          <Choice
            label="One of many"
            data={['floor', 'wall', 'ceiling']}
            value={value}
            onTake={put}
          />
          <Choice label="None yet" placeholder="Choose" data={[]} value={null} onTake={put} />
          <SegmentedControl mt="sm" data={['floor', 'wall', 'ceiling']} fullWidth />
        </>
      )}
    </Tried>
  ),
  Count: () => (
    <>
      {([1, [1, 3], { tries: 4, chance: 0.57 }] as Count[]).map((start, i) => (
        <Tried key={i} start={start}>
          {(value, put) => (
            <div className={styles['row']}>
              <CountField label={`sample ${i}`} value={value} onValue={put} />
            </div>
          )}
        </Tried>
      ))}
    </>
  ),
  Cube: () => (
    <Cube
      label="A cube"
      height={150}
      onSide={() => undefined}
      disabled={(side) => side === 'down'}
      mark={(side) =>
        side === 'north'
          ? { as: 'front', says: 'the front' }
          : side === 'up'
            ? { as: 'top', says: 'the top' }
            : undefined
      }
    />
  ),
  Orientation: () => (
    <Tried<Orientation> start={{ front: 'east', top: 'up' }}>
      {(orientation, put) => <OrientationPicker orientation={orientation} onOrientation={put} />}
    </Tried>
  ),
  When: () => (
    <>
      <Tried<When | undefined> start={{ lit: true, gone: 'yes' }}>
        {(when, put) => <WhenEditor properties={space.properties} when={when} onWhen={put} />}
      </Tried>
      <WhenEditor properties={[]} onWhen={() => undefined} />
    </>
  ),
  Rows: () => (
    <Tried start={rows}>
      {(value, put) => (
        <RowsEditor
          what="light"
          rows={value}
          space={space}
          inline
          fresh={() => 0}
          onRows={(_, next) => put(next)}
          value={(light, putLight) => (
            <NumberInput
              w={70}
              aria-label="Light"
              value={light}
              onChange={(next) => typeof next === 'number' && putLight(next)}
            />
          )}
        />
      )}
    </Tried>
  ),
  Pips: () => (
    <Pips
      stations={[
        { facet: 'Identity', state: 'done', count: 0 },
        { facet: 'Traits', state: 'warning', count: 1 },
        { facet: 'States', state: 'error', count: 2 },
        { facet: 'Looks', state: 'open', count: 0 },
      ]}
    />
  ),
  Curve: () => (
    <Curve
      label="Light by distance"
      x={{ label: 'blocks', values: [0, 1, 2, 3, 4] }}
      y="light"
      lines={[
        { name: 'lit', values: [13, 12, 11, 10, 9] },
        { name: 'not lit', values: [2, 1, 0, 0, 0], dash: [4, 3] },
      ]}
      say={String}
    />
  ),
  'Text with changes': () => (
    <TextDiff
      before={'{\n  "hardness": 3.2,\n  "gated": true\n}'}
      after={'{\n  "hardness": 6.4,\n  "gated": true\n}'}
    />
  ),
  'Blocks and items': () => <BlocksAndItems />,
};

/** Blocks and items of the open mod, and items that are none of its own. */
function BlocksAndItems() {
  const blocks = useModPart((mod) => Object.keys(mod.blocks).slice(0, 4));
  const namespace = useModPart((mod) => mod.header.namespace);
  return (
    <>
      <div className={styles['row']}>
        {blocks.map((block) => (
          <Rendering key={block} block={block} state={0} size={64} fills title={block} />
        ))}
      </div>
      <div className={styles['row']}>
        {blocks.map((block) => (
          <ItemIcon key={block} id={`${namespace}:${block}`} size={30} />
        ))}
        <ItemIcon id="obrank:granite" size={30} title="of the stock" />
        <ItemIcon id="elsewhere:rope" size={30} title="of another mod" />
        <ItemIcon id={`${namespace}:lost`} size={30} title="unknown" />
      </div>
      <p className="note">{count(blocks.length, 'block')} of the mod.</p>
    </>
  );
}
