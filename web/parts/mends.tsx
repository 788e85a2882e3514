import { Tooltip } from '@mantine/core';
import type { ReactNode } from 'react';
import { fixInWords, type Finding, type Fix } from '../../core/inspect/index.ts';
import { count } from '../../core/words/index.ts';
import { useInspector, useSession } from '../api/hooks.tsx';
import { mendPictureOf } from '../api/mend-picture.ts';
import { complain } from './complain.ts';
import styles from './mends.module.css';

/** The ways to mend a finding, each a button: what is declared, or the picture itself. */
export function Mends({ finding }: { finding: Finding }) {
  const inspector = useInspector();
  const session = useSession();
  const { fix, mend } = finding;
  return (
    <>
      {fix && (
        <Foreseen says={<WhatItDoes fix={fix} />}>
          <button type="button" className="link" data-mend onClick={() => inspector.mend(finding)}>
            {fix.title}
          </button>
        </Foreseen>
      )}
      {fix && mend && <span className="soft"> or </span>}
      {mend && (
        <Foreseen says={`The picture ${mend.texture} itself is changed. Undo brings it back.`}>
          <button
            type="button"
            className="link"
            data-mend={fix ? undefined : true}
            onClick={() => void mendPictureOf(session, mend).catch(complain)}
          >
            {mend.title}
          </button>
        </Foreseen>
      )}
    </>
  );
}

/** Says what a button will do while one points at it or has come to it by keys. */
function Foreseen({ says, children }: { says: ReactNode; children: ReactNode }) {
  return (
    <Tooltip
      label={says}
      events={{ hover: true, focus: true, touch: false }}
      multiline
      maw={520}
      openDelay={200}
      withArrow
      classNames={{ tooltip: styles['foreseen'] }}
    >
      {children}
    </Tooltip>
  );
}

/** So many lines are said. */
const mostLines = 6;

function WhatItDoes({ fix }: { fix: Fix }) {
  const lines = fixInWords(fix);
  return (
    <>
      {lines.slice(0, mostLines).map(({ place, before, after }) => (
        <span key={place} className={styles['line']}>
          <span className={styles['place']}>{place}</span>
          <s>{before}</s>
          <b>{after}</b>
        </span>
      ))}
      {lines.length > mostLines && <span>and {count(lines.length - mostLines, 'more place')}</span>}
    </>
  );
}
