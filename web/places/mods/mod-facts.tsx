import useSWR from 'swr';
import type { ModAnswer, ModSummary } from '../../../core/api/index.ts';
import { OpenMod, useFindings } from '../../api/hooks.tsx';
import { loadMod } from '../../api/load-mod.ts';
import { ModPicture } from '../home/mod-picture.tsx';
import { FindingsTag } from '../../parts/findings-tag.tsx';
import styles from './mods.module.css';

/** The picture of a mod that is not open, and how many findings it has. */
export function ModFacts({ mod: { name, revision } }: { mod: ModSummary }) {
  const { data } = useSWR<ModAnswer, Error>(['facts', name, revision], () => loadMod(name), {
    revalidateOnFocus: false,
  });
  if (!data) return <NotYet />;
  // It is only looked at: nothing is sent, and no connection is held open.
  return (
    <OpenMod key={revision} name={name} loaded={{ ...data, isPast: true }}>
      <span className={styles['picture']}>
        <ModPicture size={40} />
      </span>
      <span className={styles['findings']}>
        <Findings />
      </span>
    </OpenMod>
  );
}

const NotYet = () => <span className={`${styles['findings']} soft`}>…</span>;

const Findings = () => <FindingsTag findings={useFindings()} />;
