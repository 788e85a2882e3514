import { TextInput } from '@mantine/core';
import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import { facetOf, facets, rules, type Rule } from '../../../core/inspect/index.ts';
import { count } from '../../../core/words/index.ts';
import { useFindings, useSession } from '../../api/hooks.tsx';
import { Gravity } from './gravity.tsx';
import styles from './inspection.module.css';
import pageHeadStyles from '../../parts/page-head.module.css';

/** Every rule: what it finds, why that matters, how much it counts here, and how often it is found. */
export function RulesPlace() {
  const session = useSession();
  const findings = useFindings() ?? [];
  const { hash } = useLocation();
  const [asked, setAsked] = useState(hash.slice(1));
  const found = rules.filter(({ id, title, why }) =>
    `${id} ${title} ${why}`.toLowerCase().includes(asked.trim().toLowerCase()),
  );
  const many = (rule: string) => findings.filter((finding) => finding.rule === rule).length;
  return (
    <div className="page">
      <div className={pageHeadStyles['blocks-head']}>
        <h1>Rules</h1>
        <TextInput
          aria-label="Find a rule"
          placeholder={`Find one of ${count(rules.length, 'rule')}`}
          value={asked}
          onChange={(event) => setAsked(event.currentTarget.value)}
        />
        <Link className="link" to={`/m/${session.name}/inspection`}>
          Back to the findings
        </Link>
      </div>
      <p className="note">
        Press how much a rule counts to let it count otherwise in this mod. Each asks for the
        reason.
      </p>
      {facets.map((facet) => (
        <Facet
          key={facet}
          facet={facet}
          list={found.filter(({ id }) => facetOf(id) === facet)}
          many={many}
        />
      ))}
      {!found.length && <p className="note">No rule speaks of “{asked}”.</p>}
    </div>
  );
}

function Facet({
  facet,
  list,
  many,
}: {
  facet: string;
  list: readonly Rule[];
  many: (rule: string) => number;
}) {
  return list.length ? (
    <section className={styles['cause']} aria-label={facet}>
      <header>
        <h2>{facet}</h2>
        <span className="soft">{list.length}</span>
      </header>
      <ul className={styles['rules']}>
        {list.map(({ id, title, why, severity }) => (
          <li key={id} id={id}>
            <Gravity rule={id} severity={severity} />
            <span className={styles['says']}>
              <b>{title}</b> <span className="mono soft">{id}</span>
              <span className={styles['why']}>{why}</span>
            </span>
            <span className="note">{many(id) > 0 && count(many(id), 'finding')}</span>
          </li>
        ))}
      </ul>
    </section>
  ) : null;
}
