import { Button } from '@mantine/core';
import clsx from 'clsx';
import { useEffect, useState } from 'react';
import { rules } from '../../../core/inspect/index.ts';
import { count } from '../../../core/words/index.ts';
import { openPack } from '../../api/open-pack.ts';
import { Cap } from '../../parts/keys/cap.tsx';
import type { Consequence, PackView } from '../../workers/pack-protocol.ts';
import { Drawn } from './drawn.tsx';
import styles from './pack.module.css';

/** The chosen finding: why it matters, what the game shows because of it, and how it is mended. */
export function Cause({
  pack,
  chosen,
  isBusy,
  onChoose,
}: {
  pack: PackView;
  chosen: number;
  isBusy: boolean;
  onChoose: (finding: number) => void;
}) {
  const finding = pack.findings[chosen];
  const facts = rules.find(({ id }) => id === finding?.rule);
  if (!finding) return null;
  const alike = pack.findings.filter(({ rule, fix }) => rule === finding.rule && fix).length;
  return (
    <section className={styles['cause']} aria-label="The finding">
      <p className={styles['which']}>
        <span className={clsx('tag', finding.severity)}>{finding.severity}</span>
        <span className="mono soft">{finding.rule}</span>
      </p>
      <h2>{facts?.title ?? finding.rule}</h2>
      <p>{finding.message}</p>
      <p className="note">{facts?.why}</p>
      <Hanging pack={pack} chosen={chosen} onChoose={onChoose} />
      <Shown key={`${chosen} ${pack.undo ?? ''} ${pack.findings.length}`} finding={chosen} />
      {finding.fix ? (
        <div className={styles['acts']}>
          <Button
            disabled={isBusy}
            onClick={() => void openPack.mend({ finding: chosen })}
            rightSection={<Cap of="mend" />}
          >
            {finding.fix.title}
          </Button>
          {alike > 1 && (
            <Button
              variant="light"
              disabled={isBusy}
              onClick={() => void openPack.mend({ rule: finding.rule })}
              rightSection={<Cap of="mendAlike" />}
            >
              All {alike} alike
            </Button>
          )}
          {!finding.safe && (
            <p className="note">
              This chooses one of several things that may have been meant, so it is only done when
              you ask for it.
            </p>
          )}
        </div>
      ) : (
        !finding.mend && (
          <p className="note">Only its author knows how this is meant: change the file itself.</p>
        )
      )}
      {finding.mend && (
        <div className={styles['acts']}>
          <Button
            variant={finding.fix ? 'light' : 'filled'}
            disabled={isBusy}
            onClick={() => void openPack.mendPicture(chosen)}
          >
            {finding.mend.title}
          </Button>
          <p className="note">This changes the picture itself.</p>
        </div>
      )}
    </section>
  );
}

/** So many places of one cause are named. */
const mostNamed = 6;

/** The other places that hang on the same cause, each a step away. */
function Hanging({
  pack,
  chosen,
  onChoose,
}: {
  pack: PackView;
  chosen: number;
  onChoose: (finding: number) => void;
}) {
  const { rule, cause } = pack.findings[chosen] ?? {};
  const others = pack.findings
    .map((finding, index) => ({ ...finding, index }))
    .filter((one) => cause !== undefined && one.rule === rule && one.cause === cause)
    .filter(({ index }) => index !== chosen);
  if (!others.length) return null;
  return (
    <div className={styles['hanging']}>
      <p>
        <b>{cause}</b> {count(others.length, 'other place')} for the same cause:
      </p>
      {others.slice(0, mostNamed).map(({ index, file, place }) => (
        <button key={index} type="button" className="mono" onClick={() => onChoose(index)}>
          {file}:{place?.line}
        </button>
      ))}
      {others.length > mostNamed && <p className="note">and {others.length - mostNamed} more</p>}
    </div>
  );
}

/** What the game would show because of a finding, and once it is mended. */
function Shown({ finding }: { finding: number }) {
  const [consequence, setConsequence] = useState<Consequence>();
  useEffect(() => {
    let wanted = true;
    void openPack
      .ask('consequence', { finding, size: 264 })
      .then((found) => wanted && setConsequence(found))
      .catch(() => undefined);
    return () => {
      wanted = false;
    };
  }, [finding]);
  if (!consequence) return null;
  const { block, size, now, mended } = consequence;
  return (
    <div className={styles['shown']}>
      <figure>
        <Drawn size={size} data={now} label={`${block} as the pack has it`} />
        <figcaption>{mended ? 'as it is' : block}</figcaption>
      </figure>
      {mended && (
        <figure>
          <Drawn size={size} data={mended} label={`${block} as it would be mended`} />
          <figcaption>mended</figcaption>
        </figure>
      )}
    </div>
  );
}
