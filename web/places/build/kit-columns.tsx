import { Button } from '@mantine/core';
import { useState } from 'react';
import { endpoints, type Plan } from '../../../core/api/index.ts';
import type { Kit } from '../../../core/kits/index.ts';
import { count, messageOf } from '../../../core/words/index.ts';
import { useFindings, useSession } from '../../api/hooks.tsx';
import { runJob } from '../../api/jobs.ts';
import { FindingsTag } from '../../parts/findings-tag.tsx';
import { targetOf, useBuiltFor } from './built-for.ts';
import { countFates } from './plan.ts';
import styles from './kit-columns.module.css';

/** How the last build for one of several kits went. */
type Told = { plan: Plan } | { problem: string } | 'building';

/** The kits that the mod is built for, side by side: what was found for each, and building for all. */
export function KitColumns() {
  const session = useSession();
  const { kit: shown, own, choose } = useBuiltFor();
  const findings = useFindings();
  const [told, setTold] = useState<ReadonlyMap<string, Told>>(new Map());
  if (own.length < 2) return null;
  const tell = (name: string, said: Told) => setTold((old) => new Map(old).set(name, said));
  const buildAll = async () => {
    for (const kit of own) {
      tell(kit.name, 'building');
      const target = targetOf(session.name, kit.name, kit === own[0]);
      await session
        .flush()
        .then(() => runJob(endpoints.startBuild, { mod: session.name }, { target, kit: kit.name }))
        .then(
          (plan) => tell(kit.name, { plan }),
          (error: unknown) => tell(kit.name, { problem: messageOf(error) }),
        );
    }
  };
  const isBuilding = [...told.values()].includes('building');
  return (
    <section className={styles['columns']} aria-label="Kits of the mod">
      {own.map((kit) => (
        <div key={kit.name} className={styles['column']} data-shown={kit === shown || undefined}>
          <button type="button" aria-pressed={kit === shown} onClick={() => choose(kit.name)}>
            {kit.title}
          </button>
          <FindingsTag
            findings={findings?.filter(({ kits }) => !kits || kits.includes(kit.name))}
          />
          <Outcome kit={kit} told={told.get(kit.name)} />
        </div>
      ))}
      <Button variant="default" disabled={isBuilding} onClick={() => void buildAll()}>
        Build for all {own.length}
      </Button>
    </section>
  );
}

function Outcome({ kit, told }: { kit: Kit; told: Told | undefined }) {
  if (told === undefined) return null;
  if (told === 'building') return <p role="status">Building</p>;
  if ('problem' in told)
    return (
      <p role="alert" className="bad">
        {told.problem}
      </p>
    );
  const changed = countFates(told.plan, 'new', 'changed', 'gone', 'edited', 'foreign');
  return (
    <p role="status" aria-label={`Built for ${kit.title}`}>
      Built: {count(changed, 'file')} changed, in <span className="mono">{told.plan.target}</span>
    </p>
  );
}
