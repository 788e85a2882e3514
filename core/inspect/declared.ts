import { itemAt } from '../lists/index.ts';
import { pointer } from '../json/index.ts';
import type { Declared, Kit } from '../kits/index.ts';
import { resolveBlock, shownNamed } from '../mod/index.ts';
import { blockFinding, rulesFor } from './block-rules.ts';
import { BlockContext } from './context.ts';
import { forEachKit } from './each-kit.ts';
import { facetOf, type Finding } from './finding.ts';
import { modRules } from './rules/index.ts';
import { Unread, watchBlock } from './unread.ts';
import { viewOf } from './view.ts';

/**
 * What every rule over a declaration says of one that was read from files, at its place in them.
 * Every kit is asked. Nothing is concluded from what could not be read. `onProgress` is told of blocks looked at.
 */
export function inspectDeclared(
  kits: readonly Kit[],
  { mod, unread: parts, placeOf }: Declared,
  onProgress?: (done: number, total: number) => void,
): Finding[] {
  const unread = new Unread(parts);
  return [...ofBlocks(kits, mod, unread, onProgress), ...ofMod(kits, mod, unread)].flatMap(
    ({ at = '', ...finding }) => {
      const spot = unread.holds(at) ? undefined : placeOf(at);
      return spot ? [{ ...finding, ...spot }] : [];
    },
  );
}

function ofBlocks(
  kits: readonly Kit[],
  mod: Declared['mod'],
  unread: Unread,
  onProgress?: (done: number, total: number) => void,
): Finding[] {
  const names = [...Object.keys(mod.blocks), ...Object.keys(mod.newLooks)];
  return names.flatMap((name, done) => {
    if (done % 64 === 0) onProgress?.(done, names.length);
    const block = resolveBlock(mod, name, shownNamed(mod, name)!);
    const context = new BlockContext(mod, block, itemAt(kits, 0), unread);
    const watched = watchBlock(block, unread);
    return rulesFor(mod, name).flatMap((rule) => {
      if (unread.hasAny(rule.restsOn ?? [])) return [];
      const reports = forEachKit(kits, (kit) => rule.check(watched, context.turnTo(kit)));
      if (unread.wasAsked()) return [];
      return reports.map(({ kits: some, ...report }) => ({
        ...blockFinding(rule, name, report),
        ...(some && { kits: some }),
      }));
    });
  });
}

function ofMod(kits: readonly Kit[], mod: Declared['mod'], unread: Unread): Finding[] {
  const view = { ...viewOf(mod), header: unread.watch(mod.header, 'header') };
  return modRules.flatMap(({ id, severity, check, restsOn = [] }) => {
    if (unread.hasAny(restsOn)) return [];
    const reports = forEachKit(kits, (kit) => check(view, kit));
    if (unread.wasAsked()) return [];
    return reports.map(({ message, at, cause, fix, mend, kits: some }): Finding => ({
      rule: id,
      severity,
      facet: facetOf(id),
      message,
      ...(cause !== undefined && { cause }),
      ...(fix && { fix }),
      ...(mend && { mend }),
      ...(some && { kits: some }),
      at: pointer(at),
    }));
  });
}
