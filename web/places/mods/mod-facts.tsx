import useSWR from 'swr';
import type { ModAnswer, ModSummary } from '../../../core/api/index.ts';
import { severities } from '../../../core/inspect/index.ts';
import { count, listed } from '../../../core/words/index.ts';
import { OpenMod, useFindings } from '../../api/hooks.tsx';
import { loadMod } from '../../api/load-mod.ts';
import { ModPicture } from '../home/mod-picture.tsx';
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

function Findings() {
  const findings = useFindings();
  if (!findings) return <span className="soft">inspecting…</span>;
  const told = severities.flatMap((severity) => {
    const many = findings.filter((finding) => finding.severity === severity).length;
    return many ? [count(many, severity)] : [];
  });
  if (told.length === 0) return <span className="tag good">nothing wrong</span>;
  const worst = severities.find((severity) => findings.some((one) => one.severity === severity));
  return <span className={`tag ${worst}`}>{listed(told)}</span>;
}
