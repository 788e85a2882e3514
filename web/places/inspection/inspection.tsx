import { itemAt } from '../../../core/lists/index.ts';
import { Button, SegmentedControl } from '@mantine/core';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import {
  causesOf,
  rules,
  severities,
  tally,
  type Finding,
  type Severity,
} from '../../../core/inspect/index.ts';
import { count } from '../../../core/words/index.ts';
import { useFindings, useInspector, useSession } from '../../api/hooks.tsx';
import { download } from '../../parts/download.ts';
import { useKeys } from '../../parts/keys/use-keys.ts';
import { CauseLine } from './cause-line.tsx';
import { FindingLine } from './finding-line.tsx';
import { Gravity } from './gravity.tsx';
import { SaidOtherwise } from './said-otherwise.tsx';
import styles from './inspection.module.css';
import emptyStyles from '../../parts/empty.module.css';
import pageHeadStyles from '../../parts/page-head.module.css';

const shown = 40;

/** All findings by their cause, each with its why; fix one, or all alike. */
export function InspectionPlace() {
  const findings = useFindings();
  const [least, setLeast] = useState<Severity>('hint');
  const list = useMemo(() => findings ?? [], [findings]);
  const groups = useMemo(
    () => groupByRule(list.filter(({ severity }) => isAtLeast(severity, least))),
    [list, least],
  );
  useWalk();
  return (
    <div className="page">
      <Head {...{ list, least }} onLeast={setLeast} />
      <p className="note">{sumsInWords(list)}</p>
      {findings === undefined && <p className="note">Inspecting…</p>}
      {findings !== undefined && list.length === 0 && (
        <div className={emptyStyles['empty']}>
          <h2>Nothing wrong</h2>
          <p>
            All {rules.length} rules were asked. What you change is inspected as you type; a pack
            from elsewhere is read and mended in a place of its own.
          </p>
        </div>
      )}
      {groups.map(([rule, found]) => (
        <Group key={rule} rule={rule} found={found} />
      ))}
      <SaidOtherwise />
    </div>
  );
}

/** Walks through the findings by key: the next one has the focus, and is mended by a key too. */
function useWalk(): void {
  const walk = (by: number) => {
    const all = [...document.querySelectorAll<HTMLElement>('[data-finding]')];
    const at = all.findIndex((one) => one.contains(document.activeElement));
    const next = all[at < 0 ? (by > 0 ? 0 : all.length - 1) : (at + by + all.length) % all.length];
    next?.focus();
    next?.scrollIntoView({ block: 'nearest' });
  };
  const press = (within: string, button: string) =>
    document.activeElement?.closest(within)?.querySelector<HTMLElement>(button)?.click();
  useKeys({
    nextFinding: () => walk(1),
    previousFinding: () => walk(-1),
    mend: () => press('[data-finding]', '[data-mend]'),
    mendAlike: () => press('section', '[data-mend-all]'),
  });
}

const isAtLeast = (severity: Severity, least: Severity): boolean =>
  severities.indexOf(severity) <= severities.indexOf(least);

function sumsInWords(findings: readonly Finding[]): string {
  const { error, warning, hint } = tally(findings);
  return `${count(error, 'error')}, ${count(warning, 'warning')}, ${count(hint, 'hint')}.`;
}

interface HeadProps {
  list: readonly Finding[];
  least: Severity;
  onLeast: (least: Severity) => void;
}

function Head({ list, least, onLeast }: HeadProps) {
  const session = useSession();
  const save = () => {
    const report = {
      of: session.name,
      tally: tally(list),
      findings: list.map(({ fix, ...finding }) => ({ ...finding, fix: fix?.title })),
    };
    const text = JSON.stringify(report, null, 2);
    download(`${session.name}-inspection.json`, text, 'application/json');
  };
  return (
    <div className={pageHeadStyles['blocks-head']}>
      <h1>Inspection</h1>
      <SegmentedControl
        aria-label="Show"
        value={least}
        onChange={onLeast}
        data={[
          { value: 'error', label: 'Errors' },
          { value: 'warning', label: 'and warnings' },
          { value: 'hint', label: 'and hints' },
        ]}
      />
      <Button component={Link} to={`/m/${session.name}/inspection/rules`} variant="default">
        Rules
      </Button>
      <Button component={Link} to={`/m/${session.name}/inspection/pack`} variant="default">
        A pack from elsewhere…
      </Button>
      <Button variant="default" onClick={save}>
        Save the report
      </Button>
    </div>
  );
}

/** Findings by rule: the gravest first, and of these the rule with the cause that most hang on. */
const groupByRule = (findings: readonly Finding[]): [string, Finding[]][] => {
  const groups = new Map<string, Finding[]>();
  for (const { rule, findings: found } of causesOf(findings)) {
    const list = groups.get(rule);
    if (list) list.push(...found);
    else groups.set(rule, [...found]);
  }
  return [...groups];
};

function Group({ rule, found }: { rule: string; found: Finding[] }) {
  const session = useSession();
  const inspector = useInspector();
  const [fixing, setFixing] = useState(false);
  const [all, setAll] = useState(false);
  const facts = rules.find((one) => one.id === rule);
  const causes = useMemo(() => causesOf(found), [found]);
  const fixable = found.filter((finding) => finding.fix);
  const fixAll = async () => {
    setFixing(true);
    await inspector.fixAll(rule, (mended) => `Fix ${mended} of ${rule}`);
    setFixing(false);
  };
  return (
    <section className={styles['cause']} aria-label={rule}>
      <header>
        <Gravity rule={rule} severity={itemAt(found, 0).severity} />
        <h2>{facts?.title ?? rule}</h2>
        <Link className="mono soft" to={`/m/${session.name}/inspection/rules#${rule}`}>
          {rule}
        </Link>
        {fixable.length > 1 && (
          <Button variant="light" loading={fixing} data-mend-all onClick={() => void fixAll()}>
            Fix all {fixable.length}
          </Button>
        )}
      </header>
      <p className="note">{facts?.why}</p>
      <ul>
        {causes
          .slice(0, all ? undefined : shown)
          .map((cause) =>
            cause.words !== undefined && cause.findings.length > 1 ? (
              <CauseLine key={cause.words} cause={cause} />
            ) : (
              cause.findings.map((finding) => (
                <FindingLine
                  key={`${finding.at ?? finding.file} ${finding.place?.line} ${finding.message}`}
                  finding={finding}
                />
              ))
            ),
          )}
      </ul>
      {causes.length > shown && !all && (
        <button type="button" className="link" onClick={() => setAll(true)}>
          Show all {causes.length}
        </button>
      )}
    </section>
  );
}
