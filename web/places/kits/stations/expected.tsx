import { Button } from '@mantine/core';
import clsx from 'clsx';
import { useEffect, useState } from 'react';
import { expectedFolder, placed, type DraftCheck } from '../../../../core/kits/index.ts';
import { count } from '../../../../core/words/index.ts';
import { useInspector, useView } from '../../../api/hooks.tsx';
import type { KitEdits } from '../use-kit.ts';
import styles from '../kits.module.css';

/** What the kit writes for the whole mod, beside what it is expected to write. */
export function ExpectedStation({ edits }: { edits: KitEdits }) {
  const check = useCheck(edits);
  if (!check) return <section className={styles['station']} aria-label="Expected" />;
  const { problems, files, expected } = check;
  const apart = expected.filter(({ fate }) => fate !== 'as expected');
  return (
    <section className={styles['station']} aria-label="Expected">
      <p>
        {count(files, 'file')} written for this mod.{' '}
        {expected.length === 0
          ? 'Nothing is expected of any yet: “Expect this” beside what a template writes keeps it, and from then on every change of it is told here, and by kit check.'
          : `${count(expected.length - apart.length, 'file')} of ${expected.length} as expected.`}
      </p>
      {problems.length > 0 && (
        <ul className={styles['expected']} aria-label="What cannot be written">
          {problems.map((problem) => (
            <li key={placed(problem)}>
              <span className="tag error">cannot</span>
              <span>{placed(problem)}</span>
            </li>
          ))}
        </ul>
      )}
      <ul className={styles['expected']} aria-label="Expected files">
        {expected.map(({ path, fate, line, written }) => (
          <li key={path}>
            <span className={clsx('tag', fate === 'as expected' ? 'good' : 'warning')}>{fate}</span>
            <span className="mono">{path}</span>
            <span>
              {written !== undefined && (
                <Button
                  variant="default"
                  size="compact-sm"
                  onClick={() => edits.putText(`Expect ${path}`, expectedFolder + path, written)}
                >
                  Expect what is written
                </Button>
              )}{' '}
              <button
                type="button"
                className="tiny"
                onClick={() =>
                  edits.putText(`No longer expect ${path}`, expectedFolder + path, undefined)
                }
              >
                No longer
              </button>
            </span>
            {line && (
              <dl className="mono">
                <dt>line {line.number} expected</dt>
                <dd>{line.expected || '(nothing)'}</dd>
                <dt>written</dt>
                <dd>{line.written || '(nothing)'}</dd>
              </dl>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** How the kit fares with the whole mod, anew after every change. */
function useCheck({ name, own, texts }: KitEdits): DraftCheck | undefined {
  const inspector = useInspector();
  const { revision } = useView();
  const [check, setCheck] = useState<DraftCheck>();
  useEffect(() => {
    let isWanted = true;
    void inspector
      .checkKit({ name, own, texts: Object.fromEntries(texts) })
      .then((found) => isWanted && setCheck(found));
    return () => {
      isWanted = false;
    };
  }, [inspector, name, own, texts, revision]);
  return check;
}
