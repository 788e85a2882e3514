import { builtKits } from '../kits/index.ts';
import { changedNames, itemAt } from '../lists/index.ts';
import { resolveBlock, shownNamed, type Block, type Mod } from '../mod/index.ts';
import { BlockContext, type Dependency } from './context.ts';
import { blockFinding, rulesFor } from './block-rules.ts';
import { forEachKit } from './each-kit.ts';
import type { Finding } from './finding.ts';

/** What was found in a block, and the questions that it rests on. */
interface Inspected {
  context: BlockContext;
  findings: Finding[];
}

const keyOf = ([kind, name]: Dependency): string => (name === undefined ? kind : `${kind}/${name}`);

/**
 * The findings of every block and every new look of a mod that is being worked on. From one state
 * of the mod to the next only those are looked at that changed, or that asked for something that
 * did: the work of an edit does not grow with the mod.
 */
class BlockFindings {
  private mod: Mod;
  private readonly inspected = new Map<string, Inspected>();
  /** The blocks that have any findings. */
  private readonly wrong = new Set<string>();
  /** By what they asked for: the blocks that did. */
  private readonly askers = new Map<string, Set<string>>();

  constructor(mod: Mod) {
    this.mod = mod;
    for (const name of [...Object.keys(mod.blocks), ...Object.keys(mod.newLooks)])
      this.inspect(name);
  }

  /** All findings of the blocks of a mod under the same header. */
  of(mod: Mod): Finding[] {
    if (mod !== this.mod) this.moveTo(mod);
    return [...this.wrong].flatMap((name) => this.inspected.get(name)?.findings ?? []);
  }

  private moveTo(mod: Mod): void {
    const before = this.mod;
    this.mod = mod;
    const changed = new Set([
      ...changedNames(before.blocks, mod.blocks),
      ...changedNames(before.newLooks, mod.newLooks),
    ]);
    const asking = this.askingFor(before, mod);
    for (const name of changed) {
      this.forget(name);
      this.inspect(name);
    }
    for (const name of asking) {
      if (changed.has(name) || this.inspected.get(name)?.context.stillHolds(mod)) continue;
      this.forget(name);
      this.inspect(name);
    }
  }

  /** The blocks that asked for something that is another now. */
  private askingFor(before: Mod, after: Mod): Set<string> {
    const asking = new Set<string>();
    const add = (dependency: Dependency) => {
      for (const name of this.askers.get(keyOf(dependency)) ?? []) asking.add(name);
    };
    for (const kind of Object.keys(after) as (keyof Mod)[]) {
      if (before[kind] === after[kind]) continue;
      add([kind]);
      for (const name of changedNames(before[kind], after[kind])) add([kind, name]);
    }
    return asking;
  }

  private forget(name: string): void {
    for (const dependency of this.inspected.get(name)?.context.dependencies ?? [])
      this.askers.get(keyOf(dependency))?.delete(name);
    this.inspected.delete(name);
    this.wrong.delete(name);
  }

  private inspect(name: string): void {
    const declared = shownNamed(this.mod, name);
    if (!declared) return;
    const inspected = inspectBlock(this.mod, name, declared);
    this.inspected.set(name, inspected);
    if (inspected.findings.length) this.wrong.add(name);
    for (const dependency of inspected.context.dependencies) {
      const key = keyOf(dependency);
      const askers = this.askers.get(key);
      if (askers) askers.add(name);
      else this.askers.set(key, new Set([name]));
    }
  }
}

function inspectBlock(mod: Mod, name: string, declared: Block): Inspected {
  const block = resolveBlock(mod, name, declared);
  const kits = builtKits(mod);
  const context = new BlockContext(mod, block, itemAt(kits, 0));
  const findings = rulesFor(mod, name).flatMap((rule) =>
    forEachKit(kits, (kit) => rule.check(block, context.turnTo(kit))).map(
      ({ kits, ...report }) => ({
        ...blockFinding(rule, name, report),
        ...(kits && { kits }),
      }),
    ),
  );
  return { context, findings };
}

/** For each header, that is for each mod that is being worked on. */
const worked = new WeakMap<Mod['header'], BlockFindings>();

/** What is wrong with the blocks of a mod, in no order. */
export function inspectBlocks(mod: Mod): Finding[] {
  const known = worked.get(mod.header);
  // Whoever falls over on the way leaves nothing half moved behind.
  worked.delete(mod.header);
  const blocks = known ?? new BlockFindings(mod);
  const findings = blocks.of(mod);
  worked.set(mod.header, blocks);
  return findings;
}
