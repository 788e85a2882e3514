import { kitNamed } from '../kits/index.ts';
import type { Files } from '../bytes/index.ts';
import { readModFolder, type FileProblem } from '../folder/index.ts';
import { byWeight, facetOf, type Finding } from './finding.ts';
import { inspect, inspectBuilt } from './run.ts';
import { rules } from './rules/index.ts';

/**
 * Everything that is wrong with a mod folder: its files as such, its declaration, and, when the
 * declaration has no error, the pack that would be built from it, read back by the reader that
 * knows nothing of the declaration.
 */
export function inspectModFolder(files: Files): Finding[] {
  const { mod, problems, placeOf, blobs } = readModFolder(files);
  const findings = problems.map(asFinding);
  // Without its header a mod has no namespace, and every reference would be reported as missing.
  if (problems.some((problem) => problem.file === 'mod.json')) return findings.sort(byWeight);
  for (const finding of inspect(mod))
    findings.push({
      ...finding,
      ...(placeOf(finding.at ?? '') ?? { file: 'mod.json', place: { line: 1, column: 1 } }),
    });
  if (!findings.some((finding) => finding.severity === 'error')) {
    const kit = kitNamed(mod.header.kit);
    const built = kit.write(mod, (sha256) => blobs.get(sha256)!);
    findings.push(
      ...inspectBuilt(kit, built)
        .filter((finding) => finding.severity === 'error')
        .map((finding) => ({ ...finding, file: `(built)/${finding.file}` })),
    );
  }
  return findings.sort(byWeight);
}

/** A problem of a file as a finding, with the severity of its rule. */
export const asFinding = ({ file, place, rule, message }: FileProblem): Finding => ({
  rule,
  severity: rules.find((one) => one.id === rule)?.severity ?? 'error',
  facet: facetOf(rule),
  message,
  file,
  place,
});

/** What a database keeps and cannot be shown, as a finding. */
export const unfitFinding = ({
  kind,
  name,
  message,
}: {
  kind: string;
  name: string;
  message: string;
}): Finding => ({
  rule: 'files/does-not-fit',
  severity: 'error',
  facet: facetOf('files/does-not-fit'),
  message:
    `What is kept of ${name ? `${kind}/${name}` : `the ${kind}`} does not fit and is left ` +
    `out: ${message} It stays as it is in the database.`,
});
