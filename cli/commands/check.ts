import { parseJson } from '../../core/json/index.ts';
import {
  gravities,
  known,
  reports,
  tally,
  tallyInWords,
  underPolicy,
  whyNoRule,
  type Gravity,
  type Policy,
  type Report,
  type ReportFormat,
} from '../../core/inspect/index.ts';
import { listed } from '../../core/words/index.ts';
import { DiskProblem, readModOrPack, readOrdinary, shown } from '../../disk/index.ts';
import { inspectTree } from '../inspect-tree.ts';
import { inspectTreeBeside, readNeighbours } from '../neighbours.ts';
import { mendTarget } from '../mend-target.ts';
import { whenever } from '../whenever.ts';
import { progressOn } from '../progress.ts';
import { version } from '../version.ts';

export interface CheckOptions {
  format: ReportFormat;
  /** More warnings than this count as an error; any number where nothing is said. */
  maxWarnings?: string;
  /** `tags/empty=off`, each of them. */
  rule: readonly string[];
  /** Rules, with commas between them. */
  only?: string;
  /** Other mods and packs that are laid beside it. */
  beside: readonly string[];
  /** An earlier report in JSON: only what is not in it is told. */
  baseline?: string;
  /** Mend what is safe to mend, in the files, before the rest is told. */
  fix?: boolean;
  /** Check again whenever a file changes. */
  watch?: boolean;
}

/**
 * Checks a mod folder, a pack folder or a built file. Findings go to standard output; the exit code
 * is 1 when there is an error, or more warnings than are allowed.
 */
export async function check(target: string, options: CheckOptions): Promise<number> {
  const policy = await policyOf(options);
  const most = wholeNumber(options.maxWarnings);
  const once = () => checkOnce(target, options, policy, most);
  return options.watch ? whenever(target, once) : once();
}

async function checkOnce(
  target: string,
  options: CheckOptions,
  policy: Policy,
  most: number,
): Promise<number> {
  if (options.fix) await mendTarget(target, policy);
  const tree = await readModOrPack(target);
  const neighbours = await readNeighbours(options.beside);
  const beside = inspectTreeBeside(tree, neighbours);
  const { onProgress, clear } = progressOn(process.stderr);
  const own = inspectTree(tree, onProgress);
  clear();
  const findings = underPolicy([...own, ...beside], policy);
  const report = { target, kind: tree.kind, files: tree.files.size, findings };
  if (options.format === 'text') printLines(report);
  else process.stdout.write(reports[options.format](report, version));
  const sums = tally(findings);
  return sums.error > 0 || sums.warning > most ? 1 : 0;
}

/** A line a finding, without what would steer a terminal, and the sum beside them. */
function printLines(report: Report): void {
  const { findings, files } = report;
  for (const finding of findings)
    console.log(shown(reports.text({ ...report, findings: [finding] }).trimEnd()));
  console.error(findings.length ? tallyInWords(findings) : `Nothing wrong in ${files} files.`);
}

async function policyOf({ rule, only, baseline }: CheckOptions): Promise<Policy> {
  return {
    gravity: new Map(rule.map(gravityOf)),
    ...(only === undefined
      ? {}
      : { only: new Set(only.split(',').map((id) => ruleNamed(id.trim()))) }),
    ...(baseline === undefined ? {} : { baseline: known(await findingsIn(baseline)) }),
  };
}

function gravityOf(given: string): [rule: string, gravity: Gravity] {
  const [id = '', wanted = ''] = given.split('=');
  const gravity = gravities.find((one) => one === wanted);
  if (!gravity)
    throw new DiskProblem(
      `--rule ${given}: say how grave it counts, as in --rule ${id || 'tags/empty'}=off. It may be ` +
        `${listed(gravities, 'or')}.`,
    );
  return [ruleNamed(id), gravity];
}

function ruleNamed(id: string): string {
  const why = whyNoRule(id);
  if (why !== undefined) throw new DiskProblem(why);
  return id;
}

function wholeNumber(text: string | undefined): number {
  if (text === undefined) return Infinity;
  if (!/^\d{1,9}$/.test(text))
    throw new DiskProblem(`--max-warnings ${text}: it is a whole number, 0 or more.`);
  return Number(text);
}

/** An earlier report is no longer than this many bytes. */
const longestReport = 64 * 2 ** 20;

interface Told {
  rule: string;
  file?: string;
  message: string;
}

/** What an earlier report has told. Throws a {@link DiskProblem} where the file is none. */
async function findingsIn(file: string): Promise<Told[]> {
  const bytes = await readOrdinary(file, longestReport, { followLink: true });
  const { value } = parseJson(bytes.toString('utf8'));
  const findings = (value as { findings?: unknown } | undefined)?.findings;
  const isTold = (one: unknown): one is Told =>
    typeof (one as Told | null)?.rule === 'string' && typeof (one as Told).message === 'string';
  if (!Array.isArray(findings) || !findings.every(isTold))
    throw new DiskProblem(
      `${file} is no earlier report: it is what "obrank check … --format json" prints.`,
    );
  return findings;
}
