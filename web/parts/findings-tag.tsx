import { severities, type Finding } from '../../core/inspect/index.ts';
import { count, listed } from '../../core/words/index.ts';

/** How many findings there are of each severity, or that nothing is wrong. */
export function FindingsTag({ findings }: { findings: readonly Finding[] | undefined }) {
  if (!findings) return <span className="soft">inspecting…</span>;
  const told = severities.flatMap((severity) => {
    const many = findings.filter((finding) => finding.severity === severity).length;
    return many ? [count(many, severity)] : [];
  });
  const worst = severities.find((severity) => findings.some((one) => one.severity === severity));
  return worst === undefined ? (
    <span className="tag good">nothing wrong</span>
  ) : (
    <span className={`tag ${worst}`}>{listed(told)}</span>
  );
}
