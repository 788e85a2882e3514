import type { Facet } from '../../../../core/inspect/index.ts';
import { isNewLook } from '../../../../core/mod/index.ts';
import type { BlockEditor } from '../../../api/hooks.tsx';
import { IdentityFacet } from './identity.tsx';
import { LooksFacet } from './looks.tsx';
import { LootFacet } from './loot/loot.tsx';
import { NamesFacet } from './names.tsx';
import { OwnerStates } from './owner-states.tsx';
import { ReactionsFacet } from './reactions/reactions.tsx';
import { RegistryFacet } from './registry.tsx';
import { StatesFacet } from './states/states.tsx';
import { TagsFacet } from './tags.tsx';
import { TexturesFacet } from './textures.tsx';
import { TraitsFacet } from './traits/traits.tsx';

/** What the editor of a facet is given. */
export interface FacetProps {
  editor: BlockEditor;
  state: number;
  onState: (state: number) => void;
  /** Whether the matrix stands where the stage stands otherwise. */
  matrix: boolean;
  onMatrix: () => void;
  /** Whether the truth table of drops stands there. */
  truth: boolean;
  onTruth: () => void;
}

const sheets: Record<Facet, { note: string; Sheet: (props: FacetProps) => React.JSX.Element }> = {
  Identity: {
    note: 'What it is called, where players find it, what it starts from.',
    Sheet: IdentityFacet,
  },
  Traits: { note: 'What it is made of, and what follows from that.', Sheet: TraitsFacet },
  States: {
    note: 'The properties that tell its states apart, and how placing sets them.',
    Sheet: StatesFacet,
  },
  Looks: {
    note: 'Which model each state shows, and where its front and top point.',
    Sheet: LooksFacet,
  },
  Textures: { note: 'The pictures that its models show.', Sheet: TexturesFacet },
  Loot: { note: 'What drops when it is broken.', Sheet: LootFacet },
  Reactions: {
    note: 'What it does when something happens.',
    Sheet: ReactionsFacet,
  },
  Tags: { note: 'The names under which tools, recipes and other mods find it.', Sheet: TagsFacet },
  Names: { note: 'What players read, in each language of the mod.', Sheet: NamesFacet },
  Registry: {
    note: 'The number that saved worlds know it by, and how its states are stored.',
    Sheet: RegistryFacet,
  },
};

/** The states of a block that belongs to others are only read. */
const ownerStates: (typeof sheets)[Facet] = {
  note: 'The properties that tell its states apart, as its owner declares them.',
  Sheet: OwnerStates,
};

const sheetOf = (name: string, facet: Facet): (typeof sheets)[Facet] =>
  facet === 'States' && isNewLook(name) ? ownerStates : sheets[facet];

/** The open facet's editor. */
export function FacetSheet({ facet, ...props }: FacetProps & { facet: Facet }) {
  const { note, Sheet } = sheetOf(props.editor.name, facet);
  return (
    <>
      <h2>{facet}</h2>
      <p>{note}</p>
      <Sheet {...props} />
    </>
  );
}
