import './traits.css';
import { useRef } from 'react';
import { sameData, type TraitName, type Traits } from '../../../../../core/mod/index.ts';
import { valueIn } from '../../../../../core/states/index.ts';
import { Still } from '../../../../parts/still.tsx';
import type { FacetProps } from '../index.tsx';
import { Blast } from './blast.tsx';
import { Digging } from './digging.tsx';
import { Display } from './display.tsx';
import { LightField } from './light.tsx';
import { ShapeFields } from './shapes.tsx';
import { Sounds } from './sound.tsx';
import { Fire, Surface } from './surface.tsx';
import { traitEditor, traitWords, type TraitEditor } from './trait-editor.ts';

/** The numbers and switches of the block, each with what follows from it and how it differs from stock. */
export function TraitsFacet({ editor, state }: FacetProps) {
  const of = traitEditor(editor, state);
  const { traits } = of;
  const { space } = editor.block;
  /** Which traits of a part differ from stock, in words. */
  const changedIn = (names: TraitName[]) =>
    of.stock
      ? names
          .filter(
            (name) =>
              of.declared[name] !== undefined &&
              !sameData(of.declared[name], of.stock!.traits[name]),
          )
          .map(traitWords)
          .join(', ') || undefined
      : undefined;
  const parts = useRef<HTMLDivElement>(null);
  const list: [string, string, React.ReactNode, TraitName[]][] = [
    [
      'Digging',
      traits.hardness === 'unbreakable' ? 'never' : `${traits.hardness} s`,
      <Digging key="Digging" {...of} />,
      ['hardness', 'toolKind', 'leastGrade', 'gated'],
    ],
    ['Blast', String(traits.blastRating), <Blast key="Blast" {...of} />, ['blastRating']],
    [
      'Light',
      `${valueIn(traits.lightEmitted, space, state) ?? 0} / ${valueIn(traits.lightAbsorbed, space, state) ?? 0}`,
      <Lights key="Light" {...of} />,
      ['lightEmitted', 'lightAbsorbed'],
    ],
    [
      'Sound',
      traits.soundSet.slice(traits.soundSet.indexOf(':') + 1),
      <Sounds key="Sound" {...of} />,
      ['soundSet'],
    ],
    [
      'Surface',
      String(valueIn(traits.friction, space, state) ?? 0.6),
      <Surface key="Surface" {...of} />,
      ['friction', 'bounce', 'speedOnTop'],
    ],
    [
      'Fire',
      traits.catchesFire > 0 ? String(traits.catchesFire) : 'none',
      <Fire key="Fire" {...of} />,
      ['catchesFire', 'burnsAway'],
    ],
    [
      'Display',
      traits.alphaMode,
      <Display key="Display" {...of} />,
      [
        'alphaMode',
        'alphaCutoff',
        'hidesNeighbours',
        'joinsOwnKind',
        'tint',
        'scatter',
        'mapColour',
        'shadedCorners',
      ],
    ],
    [
      'Shapes',
      editor.declared.shapes ? 'own' : 'model',
      <ShapeFields key="Shapes" editor={editor} state={state} />,
      [],
    ],
  ];
  return (
    <div ref={parts}>
      <nav className="trait-map" aria-label="Parts of the traits">
        {list.map(([name, value, , names]) => (
          <button
            key={name}
            type="button"
            title={changedIn(names)}
            onClick={() =>
              parts.current
                ?.querySelector(`[data-part="${name}"]`)
                ?.scrollIntoView({ block: 'start' })
            }
          >
            <b>
              {name}
              {changedIn(names) && <i aria-label="differs from stock" />}
            </b>
            <span className="mono">{value}</span>
          </button>
        ))}
      </nav>
      {list.map(([name, , part]) => (
        <section key={name} data-part={name} className="trait-part" aria-label={name}>
          <h3>{name}</h3>
          {part}
        </section>
      ))}
    </div>
  );
}

function Lights({ traits, put, own, seen, declared, editor: { block }, state }: TraitEditor) {
  return (
    <>
      <Still of={[...seen('lightEmitted', 'lightAbsorbed'), state, block.space.properties]}>
        {() => (
          <LightField
            label="Light emitted"
            declared={declared.lightEmitted}
            rows={traits.lightEmitted}
            block={block}
            state={state}
            reset={own('lightEmitted')}
            onRows={(value) => put('lightEmitted', value as Traits['lightEmitted'])}
          />
        )}
      </Still>
      <Still of={[...seen('lightAbsorbed'), state, block.space.properties]}>
        {() => (
          <LightField
            label="Light absorbed"
            declared={declared.lightAbsorbed}
            rows={traits.lightAbsorbed}
            block={block}
            state={state}
            reset={own('lightAbsorbed')}
            onRows={(value) => put('lightAbsorbed', value as Traits['lightAbsorbed'])}
          />
        )}
      </Still>
    </>
  );
}
