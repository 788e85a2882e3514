import { useRef, type ComponentType } from 'react';
import {
  sameData,
  traitFacts,
  traitNames,
  traitParts,
  type ByStateTrait,
  type TraitName,
  type TraitPart,
} from '../../../../../core/mod/index.ts';
import { valueIn } from '../../../../../core/states/index.ts';
import type { FacetProps } from '../index.tsx';
import { Blast } from './blast.tsx';
import { DragInside, HarmOnTouch } from './contact.tsx';
import { Digging } from './digging.tsx';
import { Display } from './display.tsx';
import { BurnsAway, CatchesFire } from './fire.tsx';
import { LightAbsorbed, LightEmitted } from './light.tsx';
import { ShapeFields } from './shapes.tsx';
import { Sounds } from './sound.tsx';
import { Bounce, Friction, SpeedOnTop } from './surface.tsx';
import { traitEditor, type TraitEditor, type TraitPlace } from './trait-editor.ts';
import styles from './traits.module.css';

/** What shows and changes each trait. Several traits that are judged together share one editor. */
const editors: Record<TraitName, ComponentType<TraitPlace>> = {
  hardness: Digging,
  blastRating: Blast,
  toolKind: Digging,
  leastGrade: Digging,
  gated: Digging,
  lightEmitted: LightEmitted,
  lightAbsorbed: LightAbsorbed,
  soundSet: Sounds,
  friction: Friction,
  bounce: Bounce,
  speedOnTop: SpeedOnTop,
  dragInside: DragInside,
  harmOnTouch: HarmOnTouch,
  catchesFire: CatchesFire,
  burnsAway: BurnsAway,
  mapColour: Display,
  alphaMode: Display,
  alphaCutoff: Display,
  hidesNeighbours: Display,
  joinsOwnKind: Display,
  tint: Display,
  scatter: Display,
  shadedCorners: Display,
};

const traitsIn = (part: TraitPart): TraitName[] =>
  traitNames.filter((name) => traitFacts(name).part === part);

/** What the map of the parts says of each. */
const summaries: Record<TraitPart, (editor: TraitEditor) => string> = {
  Digging: ({ traits: { hardness } }) => (hardness === 'unbreakable' ? 'never' : `${hardness} s`),
  Blast: ({ traits }) => String(traits.blastRating),
  Light: (editor) => {
    const [emitted, absorbed] = [inState(editor, 'lightEmitted'), inState(editor, 'lightAbsorbed')];
    return emitted > 0 ? `emits ${emitted}` : absorbed > 0 ? `absorbs ${absorbed}` : 'lets it by';
  },
  Sound: ({ traits: { soundSet } }) => soundSet.slice(soundSet.indexOf(':') + 1),
  Surface: (editor) => String(inState(editor, 'friction')),
  Contact: ({ traits: { dragInside, harmOnTouch } }) => {
    if (!dragInside && !harmOnTouch) return 'none';
    return [dragInside && 'drags', harmOnTouch && 'harms'].filter(Boolean).join(', ');
  },
  Fire: ({ traits }) => (traits.catchesFire > 0 ? String(traits.catchesFire) : 'none'),
  Display: ({ traits }) => traits.alphaMode,
};

const inState = ({ traits, block, state }: TraitEditor, name: ByStateTrait): number =>
  valueIn(traits[name], block.space, state) ?? 0;

/** Which of the traits differ from stock, in words; undefined when none does. */
function changedIn({ declared, stock }: TraitEditor, names: TraitName[]): string | undefined {
  const changed = names.filter(
    (name) =>
      stock && declared[name] !== undefined && !sameData(declared[name], stock.traits[name]),
  );
  return changed.map((name) => traitFacts(name).words).join(', ') || undefined;
}

/**
 * The numbers and switches of the block, each with what follows from it and how it differs from
 * stock.
 */
export function TraitsFacet({ editor: block, state }: FacetProps) {
  const editor = traitEditor(block.block, state, block.set);
  const parts = useRef<HTMLDivElement>(null);
  const showPart = (name: string) =>
    parts.current?.querySelector(`[data-part="${name}"]`)?.scrollIntoView({ block: 'start' });
  return (
    <div ref={parts}>
      <nav className={styles['trait-map']} aria-label="Parts of the traits">
        {traitParts.map((part) => (
          <PartButton
            key={part}
            name={part}
            summary={summaries[part](editor)}
            changed={changedIn(editor, traitsIn(part))}
            onPress={showPart}
          />
        ))}
        <PartButton
          name="Shapes"
          summary={block.declared.shapes ? 'own' : 'model'}
          changed={undefined}
          onPress={showPart}
        />
      </nav>
      {traitParts.map((part) => (
        <section key={part} data-part={part} className={styles['trait-part']} aria-label={part}>
          <h3>{part}</h3>
          {[...new Set(traitsIn(part).map((name) => editors[name]))].map((Editor, i) => (
            <Editor key={i} block={block.name} state={state} />
          ))}
        </section>
      ))}
      <section data-part="Shapes" className={styles['trait-part']} aria-label="Shapes">
        <h3>Shapes</h3>
        <ShapeFields editor={block} state={state} />
      </section>
    </div>
  );
}

/** A part on the map of the parts: its name, its value, and a dot where it differs from stock. */
function PartButton({
  name,
  summary,
  changed,
  onPress,
}: {
  name: string;
  summary: string;
  changed: string | undefined;
  onPress: (name: string) => void;
}) {
  return (
    <button type="button" title={changed} onClick={() => onPress(name)}>
      <b>
        {name}
        {changed && <i aria-label="differs from stock" />}
      </b>
      <span className="mono">{summary}</span>
    </button>
  );
}
