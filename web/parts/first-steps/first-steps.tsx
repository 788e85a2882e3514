import { useSyncExternalStore } from 'react';
import { Link, useLocation } from 'react-router';
import { useMod, useSession } from '../../api/hooks.tsx';
import { openNewBlock } from '../../places/blocks/new-block.tsx';
import { Cap } from '../keys/cap.tsx';
import { firstSteps, nextStep, stepInWords, type FirstStep } from './steps.ts';
import { endVisit, onVisit, passStep, visitNow } from './visit.ts';
import styles from './first-steps.module.css';

/**
 * One line for whoever is here for the first time: the next step to a block of one's own, said
 * where it is done. Dismissed once, it never comes back.
 */
export function FirstSteps() {
  const visit = useSyncExternalStore(onVisit, visitNow);
  return visit.isOver ? null : <Line />;
}

function Line() {
  const mod = useMod();
  const visit = useSyncExternalStore(onVisit, visitNow);
  const step = nextStep(mod, visit);
  const name = visit.block?.name ?? '';
  return (
    <aside className={styles['line']} aria-label="First steps">
      {step ? (
        <>
          <span className={styles['tally']}>
            {firstSteps.indexOf(step) + 1} of {firstSteps.length}
          </span>
          <span className={styles['says']}>{stepInWords(step, name).says}</span>
          <Ways step={step} path={stepInWords(step, name).path} />
        </>
      ) : (
        <span className={styles['says']}>
          Your block is built. <Cap of="keys" /> shows all keys, <Cap of="palette" /> finds
          everything else.
        </span>
      )}
      <button type="button" className={styles['end']} onClick={endVisit}>
        {step ? 'No more of this' : 'Done'}
      </button>
    </aside>
  );
}

/** To where the step is done, or past it. */
function Ways({ step, path }: { step: FirstStep; path: string }) {
  const session = useSession();
  const { pathname } = useLocation();
  const to = `/m/${session.name}/${path}`;
  if (step === 'shape')
    return (
      <button type="button" className={styles['go']} onClick={openNewBlock}>
        Begin
      </button>
    );
  return (
    <>
      {pathname !== to && (
        <Link className={styles['go']} to={to}>
          Go there
        </Link>
      )}
      <button type="button" onClick={() => passStep(step)}>
        Leave it as it is
      </button>
    </>
  );
}
