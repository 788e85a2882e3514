import {
  createContext,
  useContext,
  useEffect,
  useMemo,
  useState,
  useSyncExternalStore,
  type ReactNode,
} from 'react';
import type { Finding } from '../../core/inspect/index.ts';
import {
  shownNamed,
  stepsToShown,
  resolveBlock,
  sameData,
  type Block,
  type Mod,
  type ResolvedBlock,
} from '../../core/mod/index.ts';
import { heldUnder } from '../../core/lists/index.ts';
import { candidatesIn } from '../../core/draw/index.ts';
import { pointer, valueAt } from '../../core/json/index.ts';
import { Inspector, type Drawing } from './inspector.ts';
import { Session, type View } from './session.ts';
import { versionOf } from './version.ts';

const Shared = createContext<{ session: Session; inspector: Inspector } | undefined>(undefined);

/** Opens a mod for everything below it. */
export function OpenMod({
  name,
  loaded,
  children,
}: {
  name: string;
  loaded: ConstructorParameters<typeof Session>[1];
  children: ReactNode;
}) {
  const [shared, setShared] = useState<{ session: Session; inspector: Inspector }>();
  useEffect(() => {
    const session = new Session(name, loaded);
    const inspector = new Inspector(session);
    // A session holds a connection open: it is made and closed here, not while drawing.
    // eslint-disable-next-line react-hooks/set-state-in-effect
    setShared({ session, inspector });
    const leave = (event: BeforeUnloadEvent) => {
      if (session.view.saving === 'saved') return;
      void session.flush();
      event.preventDefault();
    };
    window.addEventListener('beforeunload', leave);
    return () => {
      window.removeEventListener('beforeunload', leave);
      inspector.close();
      session.close();
    };
    // A mod that was loaded again by SWR must not replace the one that is being worked on.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [name]);
  return shared && shared.session.name === name ? <Shared value={shared}>{children}</Shared> : null;
}

function useShared() {
  const shared = useContext(Shared);
  if (!shared) throw new Error('used outside of OpenMod');
  return shared;
}

export const useSession = (): Session => useShared().session;
export const useInspector = (): Inspector => useShared().inspector;

export function useView(): View {
  const session = useSession();
  return useSyncExternalStore(session.subscribe, () => session.view);
}

/** The mod. Unlike {@link useView} it does not stir while something is being saved. */
export function useMod(): Mod {
  const session = useSession();
  return useSyncExternalStore(session.subscribe, () => session.view.mod);
}

/** The mod as it is declared: its families as such, and not what they make. */
export function useDeclared(): Mod {
  const session = useSession();
  return useSyncExternalStore(session.subscribe, () => session.view.declared);
}

/**
 * A part of the mod that a component shows. It is drawn again only when that part holds other data.
 *
 * @example const languages = useModPart((mod) => mod.header.languages)
 */
export function useModPart<T>(select: (mod: Mod) => T): T {
  const session = useSession();
  const [held] = useState<Held<T>>({});
  const read = useMemo(() => () => partOf(held, session.view.mod, select), [session, select, held]);
  return useSyncExternalStore(session.subscribe, read);
}

/** What a component was given last, so that it is given the same again while the data is the same. */
interface Held<T> {
  last?: { mod: Mod; select: (mod: Mod) => T; part: T };
}

function partOf<T>(held: Held<T>, mod: Mod, select: (mod: Mod) => T): T {
  const { last } = held;
  if (last?.mod === mod && last.select === select) return last.part;
  const selected = select(mod);
  const part = last && sameData(last.part, selected) ? last.part : selected;
  held.last = { mod, select, part };
  return part;
}

/**
 * A block for a component that shows a part of it: the block as it was when that part changed last.
 * Once the block is gone, what it was last stays until the component goes too.
 */
export function useBlockPart(
  name: string,
  select: (block: ResolvedBlock) => unknown,
): ResolvedBlock {
  const session = useSession();
  const [held] = useState<{ last?: { block: ResolvedBlock; part: unknown } }>({});
  const read = useMemo(
    () => (): ResolvedBlock => {
      const { mod } = session.view;
      const { last } = held;
      const declared = shownNamed(mod, name);
      if (!declared && last?.block.name === name) return last.block;
      const block = resolveBlock(mod, name, declared ?? heldUnder(mod.blocks, name));
      if (last?.block === block) return block;
      const part = select(block);
      if (last?.block.name === name && sameData(last.part, part)) return last.block;
      // A memory of what was given, which nothing is drawn from.
      // eslint-disable-next-line react-hooks/immutability
      held.last = { block, part };
      return block;
    },
    [session, name, select, held],
  );
  return useSyncExternalStore(session.subscribe, read);
}

/** All findings; undefined until the first inspection is done. */
export function useFindings(): Finding[] | undefined {
  const inspector = useInspector();
  return useSyncExternalStore(inspector.subscribe, () => inspector.findings);
}

/** The findings of every block, by its name. */
export function useFindingsByBlock(): Map<string, Finding[]> {
  const findings = useFindings();
  return useMemo(() => {
    const byBlock = new Map<string, Finding[]>();
    for (const finding of findings ?? []) {
      if (finding.block === undefined) continue;
      const list = byBlock.get(finding.block);
      if (list) list.push(finding);
      else byBlock.set(finding.block, [finding]);
    }
    return byBlock;
  }, [findings]);
}

/** The ways to change a block. */
export interface BlockEdits {
  /** Puts a value at a place of the block; undefined takes it away. */
  set: (label: string, steps: (string | number)[], after: unknown) => void;
  /** Several places in one step. */
  setAll: (label: string, values: [(string | number)[], unknown][]) => void;
}

/** One block of the mod with the ways to change it. */
export interface BlockEditor extends BlockEdits {
  name: string;
  declared: Block;
  block: ResolvedBlock;
  findings: Finding[];
}

/** The ways to change a block or a new look; the same for as long as it is called so. */
export function useBlockEdits(name: string): BlockEdits {
  const session = useSession();
  return useMemo(
    () => ({
      set: (label, steps, after) => session.set(label, [...stepsToShown(name), ...steps], after),
      setAll: (label, values) =>
        session.edit(
          label,
          values.map(([steps, after]) => {
            const path = pointer([...stepsToShown(name), ...steps]);
            return { path, before: valueAt(session.view.mod, path), after };
          }),
        ),
    }),
    [session, name],
  );
}

export function useBlock(name: string): BlockEditor | undefined {
  const mod = useMod();
  const edits = useBlockEdits(name);
  const findings = useFindingsByBlock().get(name);
  const declared = shownNamed(mod, name);
  return useMemo(
    () =>
      declared && {
        name,
        declared,
        block: resolveBlock(mod, name, declared),
        findings: findings ?? [],
        ...edits,
      },
    [mod, declared, findings, name, edits],
  );
}

const drawings = new Map<string, Drawing>();

/**
 * A drawing of a block, made by the worker and remembered for as long as nothing that it shows
 * changes.
 */
export function useDrawing({
  block,
  state,
  size,
  pick,
  fills,
}: Parameters<Inspector['draw']>[0]): Drawing {
  const inspector = useInspector();
  const mod = useMod();
  const declared = shownNamed(mod, block);
  // What the state shows, not the whole look: painting one cell of a matrix draws that cell alone.
  const key = declared
    ? [
        block,
        state,
        pick,
        size,
        fills,
        JSON.stringify(candidatesIn(resolveBlock(mod, block, declared), state)),
        declared.looks.mode,
        ...[declared.states.properties, declared.traits, mod.models, mod.textures].map(versionOf),
      ].join(' ')
    : '';
  const known = key ? drawings.get(key) : undefined;
  // Until the new drawing is there the last one stays.
  const [shown, setShown] = useState(known);
  if (known && known !== shown) setShown(known);
  useEffect(() => {
    if (!key || drawings.has(key)) return;
    let wanted = true;
    void inspector.draw({ block, state, pick, size, fills }).then((made) => {
      if (drawings.size > 4000) drawings.clear();
      drawings.set(key, made);
      if (wanted) setShown(made);
    });
    return () => {
      wanted = false;
    };
  }, [key, inspector, block, state, pick, size, fills]);
  return key ? (known ?? shown) : undefined;
}
