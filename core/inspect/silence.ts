import type { Header, Change, Mod } from '../mod/index.ts';
import type { Finding } from './finding.ts';
import type { Gravity } from './policy.ts';

/** What a mod says of its own inspection. */
type ToldOtherwise = NonNullable<Header['inspection']>;

/** A finding about which a mod is silent, or a rule that counts otherwise in it, and why. */
const saidIn = ({ inspection }: Pick<Header, 'inspection'>): ToldOtherwise => inspection ?? {};

const keyOf = ({ rule, message }: Pick<Finding, 'rule' | 'message'>): string =>
  `${rule}\n${message}`;

/**
 * The findings as a mod wants them told: those that it is silent about are left out, and each
 * counts as much as the mod says of its rule. The same list where it says nothing.
 *
 * @example toldOf(mod.header, findings)
 */
export function toldOf(header: Pick<Header, 'inspection'>, findings: Finding[]): Finding[] {
  const { rules, silenced } = saidIn(header);
  if (!rules && !silenced) return findings;
  const silent = new Set(silenced?.map(keyOf));
  return findings.flatMap((finding) => {
    const gravity = gravityOf(rules, finding.rule) ?? finding.severity;
    return gravity === 'off' || silent.has(keyOf(finding))
      ? []
      : [{ ...finding, severity: gravity }];
  });
}

const gravityOf = (rules: ToldOtherwise['rules'], rule: string): Gravity | undefined =>
  rules && Object.hasOwn(rules, rule) ? rules[rule]?.gravity : undefined;

/** The change of what a mod says of its inspection; nothing is left where nothing is said. */
function changed({ header }: Mod, after: ToldOtherwise): Change[] {
  const { rules = {}, silenced = [] } = after;
  const said = {
    ...(Object.keys(rules).length && { rules }),
    ...(silenced.length && { silenced }),
  };
  return [
    {
      path: '/header/inspection',
      before: header.inspection,
      after: Object.keys(said).length ? said : undefined,
    },
  ];
}

/** The changes that silence one finding, for a reason. */
export function silenceFinding(
  mod: Mod,
  { rule, message }: Pick<Finding, 'rule' | 'message'>,
  why: string,
): Change[] {
  const { rules, silenced = [] } = saidIn(mod.header);
  return changed(mod, { rules, silenced: [...silenced, { rule, message, why }] });
}

/** The changes after which a silenced finding is told again. */
export function tellAgain(mod: Mod, index: number): Change[] {
  const { rules, silenced = [] } = saidIn(mod.header);
  return changed(mod, { rules, silenced: silenced.filter((_, other) => other !== index) });
}

/** The changes that let a rule count otherwise, for a reason; as it says itself without one. */
export function changeGravity(
  mod: Mod,
  rule: string,
  otherwise: { gravity: Gravity; why: string } | undefined,
): Change[] {
  const { rules = {}, silenced } = saidIn(mod.header);
  const { [rule]: _, ...others } = rules;
  return changed(mod, { silenced, rules: otherwise ? { ...others, [rule]: otherwise } : others });
}
