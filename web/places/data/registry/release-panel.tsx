import { Button, TextInput } from '@mantine/core';
import clsx from 'clsx';
import { useMemo, useState } from 'react';
import {
  lastRelease,
  release,
  releaseProblem,
  diffSinceRelease,
  type ReleaseDiff,
} from '../../../../core/registry/index.ts';
import { kitFor } from '../../../../core/kits/index.ts';
import { nextVersion, resolveBlocks } from '../../../../core/mod/index.ts';
import { count, listed } from '../../../../core/words/index.ts';
import { useMod, useSession } from '../../../api/hooks.tsx';
import styles from './registry.module.css';

/** What changed since the last release, whether old worlds survive it, and releasing. */
export function ReleasePanel() {
  const mod = useMod();
  const session = useSession();
  const last = lastRelease(mod.ledger);
  const since = useMemo(() => diffSinceRelease(mod), [mod]);
  const [typed, setTyped] = useState<string>();
  const version =
    typed ??
    (last && releaseProblem(mod, mod.header.version)
      ? nextVersion(last.version, 'minor')
      : mod.header.version);
  const problem = releaseProblem(mod, version);
  const publish = () => {
    const now = new Date();
    const twoDigits = (part: number) => String(part).padStart(2, '0');
    const day = [now.getFullYear(), now.getMonth() + 1, now.getDate()].map(twoDigits).join('-');
    const released = session.view.mod;
    const kit = kitFor(released);
    const byName = new Map(resolveBlocks(released).map((block) => [block.name, block]));
    const keptOf = (name: string) => {
      const block = byName.get(name);
      return block && kit.freeze?.(released, block);
    };
    session.edit(`Release ${version}`, release(released, version, day, keptOf));
    setTyped(undefined);
  };
  return (
    <>
      <h2 className="part first">{last ? `Since ${last.version}` : 'Not released yet'}</h2>
      {last ? (
        <>
          <p
            className={
              since.survives ? clsx('good', styles['verdict']) : clsx('bad', styles['verdict'])
            }
          >
            <span className={clsx('tag', since.survives ? 'good' : 'error')}>
              {since.survives ? 'survive' : 'break'}
            </span>{' '}
            {since.survives
              ? 'Worlds of that version mean the same now.'
              : 'Worlds of that version would change.'}
          </p>
          <ul className={styles['since']}>
            {linesOf(since).map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </>
      ) : (
        <p className={clsx('note', styles['unreleased'])}>
          Releasing freezes the registry as it stands. From then on every change is compared with
          it, and what would break the worlds of players is found.
        </p>
      )}
      <div className={styles['publish']}>
        <TextInput
          aria-label="Version to release"
          w={110}
          classNames={{ input: 'mono' }}
          value={version}
          error={typed === undefined ? undefined : problem}
          onChange={(event) => setTyped(event.currentTarget.value)}
          onKeyDown={(event) => event.key === 'Enter' && !problem && publish()}
        />
        <Button disabled={problem !== undefined} title={problem} onClick={publish}>
          Release it
        </Button>
      </div>
      {(mod.ledger.releases?.length ?? 0) > 0 && (
        <ul className={clsx(styles['since'], styles['releases'])} aria-label="Releases">
          {[...mod.ledger.releases!]
            .reverse()
            .slice(0, 12)
            .map(({ version: one, on, counts }) => (
              <li key={one}>
                <b className="mono">{one}</b>{' '}
                <span className="soft">
                  {on}: {count(counts.blocks, 'block')}, {count(counts.items, 'item')}
                </span>
              </li>
            ))}
        </ul>
      )}
    </>
  );
}

/** What changed, in sentences. */
function linesOf({ added, renamed, retired, broken, codes }: ReleaseDiff): string[] {
  const names = (list: readonly { name: string }[]) =>
    `${listed(list.slice(0, 6).map(({ name }) => name))}${list.length > 6 ? ` and ${list.length - 6} more` : ''}`;
  return [
    ...(added.length ? [`${count(added.length, 'number')} new: ${names(added)}.`] : []),
    ...renamed.map(
      ({ from, to, number }) => `${from} is called ${to}; its number ${number} stays.`,
    ),
    ...retired.map(
      ({ name, successor, lost }) =>
        `${name} is gone: ` +
        `${successor !== undefined ? `${successor} stands for it` : lost ? 'nothing takes its place, on purpose' : 'nobody said what takes its place'}.`,
    ),
    ...broken.map(
      ({ name, number, now }) =>
        `The number ${number} was ${name} and ` +
        `${now === undefined ? 'is nobody’s' : `is ${now}`} now.`,
    ),
    ...codes.map(
      ({ block, lost, moved, example }) =>
        `${block}: of its state codes ${count(lost + moved, 'one', 'ones')} ` +
        `${lost + moved === 1 ? 'means' : 'mean'} something else. Code ${example!.code} was ` +
        `${example!.was} and is ${example!.is ?? 'no state'} now.`,
    ),
    ...(added.length + renamed.length + retired.length + broken.length + codes.length === 0
      ? ['Nothing changed.']
      : []),
  ];
}
