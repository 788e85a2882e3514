import clsx from 'clsx';
import {
  changeGravity,
  gravities,
  rules,
  type Gravity as GravityOfRule,
  type Severity,
} from '../../../core/inspect/index.ts';
import { useMod, useSession } from '../../api/hooks.tsx';
import { Reason } from './reason.tsx';
import styles from './inspection.module.css';

const words: Record<GravityOfRule, string> = {
  off: 'Leave it out',
  error: 'Count as error',
  warning: 'Count as warning',
  hint: 'Count as hint',
};

/** How much a rule counts in this mod, and the way to let it count otherwise. */
export function Gravity({ rule, severity }: { rule: string; severity: Severity }) {
  const session = useSession();
  const mod = useMod();
  const said = mod.header.inspection?.rules?.[rule];
  const now = said?.gravity ?? severity;
  const own = rules.find(({ id }) => id === rule)?.severity;
  const change = (gravity: GravityOfRule) => (why: string) =>
    session.edit(
      gravity === 'off' ? `Leave out ${rule}` : `Count ${rule} as ${gravity}`,
      changeGravity(session.view.mod, rule, gravity === own ? undefined : { gravity, why }),
    );
  return (
    <Reason
      label={`Why ${rule} counts otherwise here`}
      acts={gravities
        .filter((gravity) => gravity !== now)
        .map((gravity) => ({ title: words[gravity], act: change(gravity) }))}
      button={(open) => (
        <button
          type="button"
          className={clsx('tag', now === 'off' ? styles['off'] : now, styles['gravity'])}
          title={said ? said.why : 'Let it count otherwise in this mod'}
          onClick={open}
        >
          {now}
        </button>
      )}
    />
  );
}
