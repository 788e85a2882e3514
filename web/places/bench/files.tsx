import { useMemo, useState } from 'react';
import { builtKits, kitFor } from '../../../core/kits/index.ts';
import { useBaseline } from '../../api/baseline.ts';
import { useMod } from '../../api/hooks.tsx';
import { changedLines } from '../../parts/lines.ts';
import { TextDiff } from '../../parts/text-diff.tsx';
import styles from './files.module.css';

/** The files that follow from the block, with the lines that the next build will change. */
export function Files({ block, onClose }: { block: string; onClose: () => void }) {
  const mod = useMod();
  const baseline = useBaseline();
  const kits = builtKits(mod);
  const [named, setNamed] = useState<string>();
  const kit = kits.find(({ name }) => name === named) ?? kitFor(mod);
  const files = useMemo(() => kit.writeBlock(mod, block), [kit, mod, block]);
  const before = useMemo(
    () => (baseline ? kit.writeBlock(baseline.mod, block) : undefined),
    [kit, baseline, block],
  );
  const [chosen, setChosen] = useState<string>();
  const path = chosen !== undefined && files.has(chosen) ? chosen : [...files.keys()][0];
  return (
    <div className={styles['files']} aria-label="Files of the block">
      <nav>
        {kits.length > 1 && (
          <div className={styles['kits']} role="group" aria-label="Written for">
            {kits.map(({ name, title }) => (
              <button
                key={name}
                type="button"
                aria-pressed={name === kit.name}
                onClick={() => setNamed(name)}
              >
                {title}
              </button>
            ))}
          </div>
        )}
        {[...files].map(([name, text]) => {
          const old = before?.get(name);
          const changed =
            before === undefined
              ? 0
              : old === undefined
                ? text.split('\n').length - 1
                : old === text
                  ? 0
                  : changedLines(old, text);
          return (
            <button
              key={name}
              type="button"
              aria-current={name === path ? 'true' : undefined}
              onClick={() => setChosen(name)}
            >
              <span>
                <span className="soft">{name.slice(0, name.lastIndexOf('/') + 1)}</span>
                {name.slice(name.lastIndexOf('/') + 1)}
              </span>
              {changed > 0 && <i title={`${changed} lines will change`}>{changed}</i>}
            </button>
          );
        })}
        <p className="note">
          {baseline?.isBuilt
            ? 'Marked: what changes with the next build.'
            : 'Not built yet. Marked: what changed since the mod was brought in.'}
        </p>
        <p>
          <button type="button" className="link" onClick={onClose}>
            Back to the stage
          </button>
        </p>
      </nav>
      {path !== undefined && (
        <TextDiff before={before?.get(path) ?? (before && '')} after={files.get(path)!} />
      )}
    </div>
  );
}
